import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { reportFinding } from '@/commands/findings/report-finding';
import { returnToService } from '@/commands/findings/return-to-service';
import { triageFinding } from '@/commands/findings/triage';
import { returnToServiceSchema } from '@/contracts/findings/return-to-service';
import { triageSchema } from '@/contracts/findings/triage';
import { inClub } from '@/db/kernel/club-transaction';
import { good, PASSWORD, testClub } from '@/testing/database';
import { TANKS, walking, type TestClub } from '@/testing/walk-round';
import { NO_EFFECTS } from '@/testing/work';
import { aircraftPage } from '../aircraft/aircraft-page';
import { readPassedChecks } from '../walkround/passed-checks';
import { readChronicList } from './chronic';

let club: TestClub;
beforeEach(async () => {
  club = await testClub({ aircraft: TANKS });
});
const { inTx, later, walk, sign } = walking(() => club);
const chronic = () => inTx((tx) => readChronicList(tx, club.clubId, club.ports.now()));
const DAY = 86_400;

const report = async (change: object = {}) => {
  const findingId = randomUUID();
  good(
    await reportFinding(club.ports, club.actor('student'), {
      findingId,
      aircraftId: club.aircraftId,
      station: 'main-gear',
      side: 'left',
      step: 'K136',
      asListed: true,
      what: 'Cut in the tyre',
      looks: 'not-right',
      foundAt: club.ports.now(),
      ...change,
    }),
  );
  return findingId;
};
const close = async (discrepancyId: string, work: 'repaired' | 'no-fault-found' = 'repaired') => {
  later(600);
  const page = await inTx((tx) => aircraftPage(tx, club.actor('mechanic'), 'N02TB', club.ports.now()));
  good(
    await returnToService(
      club.ports,
      club.actor('mechanic'),
      returnToServiceSchema.parse({
        rectificationId: randomUUID(),
        discrepancyId,
        work,
        description: 'Looked at',
        completedOn: page?.today,
        certificateId: club.certificateOf('mechanic'),
        password: PASSWORD,
        seenRevision: page?.revision,
        effects: work === 'repaired' ? NO_EFFECTS : null,
        workId: randomUUID(),
      }),
    ),
  );
};

describe('chronic defects', () => {
  it('are there once the same came back after its return to service, with each time', async () => {
    await close(await report());
    expect((await chronic()).rows).toEqual([]);
    later(3 * DAY);
    await report({ what: 'Cut in the tyre again' });
    const [row, ...more] = (await chronic()).rows;
    expect(more).toEqual([]);
    expect(row).toMatchObject({
      registration: 'N02TB',
      because: ['back-soon'],
      times: [{ what: 'Cut in the tyre again', returned: null }, { what: 'Cut in the tyre' }],
    });
    expect(row?.says[0]).toBe('Back after 0.0 h.');
  });
  it('do not name one that is held to be the same as another', async () => {
    const first = await report();
    later(3 * DAY);
    const again = await report({ side: null });
    const page = await inTx((tx) => aircraftPage(tx, club.actor('mechanic'), 'N02TB', club.ports.now()));
    good(
      await triageFinding(
        club.ports,
        club.actor('mechanic'),
        triageSchema.parse({
          triageId: randomUUID(),
          aircraftId: club.aircraftId,
          discrepancyId: again,
          note: '',
          decision: 'same-as',
          sameAs: first,
          seenRevision: page?.revision,
        }),
      ),
    );
    await close(first);
    later(3 * DAY);
    expect((await chronic()).rows).toEqual([]);
  });
  it('are there where twice no fault was found, and another club sees none of it', async () => {
    for (let round = 0; round < 2; round += 1) {
      await close(await report({ side: round === 0 ? 'left' : 'right' }), 'no-fault-found');
      later(3 * DAY);
    }
    expect((await chronic()).rows).toMatchObject([{ because: ['no-fault-found'] }]);
    const other = await testClub({ aircraft: TANKS });
    const theirs = await inClub(other.ports.db, other.clubId, (tx) =>
      readChronicList(tx, other.clubId, other.ports.now()),
    );
    expect(theirs.rows).toEqual([]);
  });
});

describe('walk-rounds that passed a finding', () => {
  it('are told to everybody, with who looked only to those who teach from it', async () => {
    const { id } = await walk({ 'K136.left': { took: 300 } });
    good(await sign(id));
    later(3600);
    const finding = await report();
    const passed = (role: 'mechanic' | 'instructor') =>
      inTx((tx) => readPassedChecks(tx, club.actor(role), finding));
    expect(await passed('mechanic')).toMatchObject({ checks: [{ by: null, isTooFast: true }] });
    expect(await passed('instructor')).toMatchObject({ checks: [{ by: expect.any(String) as string }] });
    expect(await inTx((tx) => readPassedChecks(tx, club.actor('mechanic'), 'no-id'))).toBeNull();
    expect(await inTx((tx) => readPassedChecks(tx, club.actor('mechanic'), randomUUID()))).toBeNull();
  });
});
