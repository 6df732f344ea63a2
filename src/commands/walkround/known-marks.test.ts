import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { rampWalk } from '@/queries/walkround/ramp-walk';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { TANKS, walking, type TestClub } from '@/testing/walk-round';
import { findingSchema } from '@/contracts/findings/report-finding';
import { triageSchema } from '@/contracts/findings/triage';
import { acceptMark } from '../findings/accept-mark';
import { addPhoto } from '../findings/add-photo';
import { reportFinding } from '../findings/report-finding';
import { triageFinding } from '../findings/triage';

let club: TestClub;
beforeEach(async () => {
  club = await testClub({ aircraft: TANKS });
});
const { inTx, stored, begin, planOf, answerOf, send } = walking(() => club);
const accept = async (change: object = {}) =>
  acceptMark(club.ports, club.actor('mechanic'), {
    markId: randomUUID(),
    aircraftId: club.aircraftId,
    seenRevision: (await stored()).revision,
    what: 'Blended nick, front edge',
    size: '4 mm',
    station: 'propeller',
    side: null,
    step: 'K218',
    x: 500,
    y: 62,
    certificateId: club.certificateOf('mechanic'),
    password: PASSWORD,
    ...change,
  });

describe('a known mark on the walk-round', () => {
  it('stands at its step with its size and its picture, also for a phone that keeps it', async () => {
    const { markId } = good(await accept());
    const photoId = randomUUID();
    const picture = { photoId, of: markId, bytes: new Uint8Array([1, 2, 3]) };
    expect(bad(await addPhoto(club.ports, club.actor('renter'), picture)).message).toContain(
      'Only the person',
    );
    expect(good(await addPhoto(club.ports, club.actor('mechanic'), picture)).isNew).toBe(true);
    const view = await inTx((tx) =>
      rampWalk(tx, club.clubId, 'N02TB', club.actor('renter'), null, club.ports.now()),
    );
    const marked = view?.plan.steps.filter(({ marks = [] }) => marks.length > 0) ?? [];
    expect(marked.map(({ code }) => code)).toEqual(['K218']);
    expect(marked[0]?.marks).toMatchObject([{ id: markId, size: '4 mm', photos: [photoId] }]);
  });

  it('is on record as the same where the step is fine', async () => {
    const { markId } = good(await accept());
    const id = randomUUID();
    good(await begin(id));
    const step = (await planOf(id)).find(({ marks = [] }) => marks.length > 0);
    if (step === undefined) throw new Error('no step has the mark');
    good(await send(id, [answerOf(step)]));
    const last = await inTx((tx) =>
      tx.selectFrom('ledger').select('body').orderBy('seq', 'desc').limit(1).executeTakeFirstOrThrow(),
    );
    expect(last.body).toContain(`"sameMarks":["${markId}"]`);
  });

  it('a finding that is watched is compared like one, until it is closed', async () => {
    const discrepancyId = randomUUID();
    good(
      await reportFinding(
        club.ports,
        club.actor('student'),
        findingSchema.parse({
          findingId: discrepancyId,
          aircraftId: club.aircraftId,
          station: 'propeller',
          side: null,
          step: 'K218',
          asListed: false,
          what: 'Nick on blade 2',
          looks: 'not-right',
          foundAt: '2026-11-24T12:00:00Z',
        }),
      ),
    );
    const marksOf = async () => {
      const view = await inTx((tx) =>
        rampWalk(tx, club.clubId, 'N02TB', club.actor('renter'), null, club.ports.now()),
      );
      return (view?.plan.steps ?? []).flatMap(({ code, marks = [] }) =>
        marks.map((mark) => ({ code, ...mark })),
      );
    };
    expect(await marksOf()).toEqual([]);
    good(
      await triageFinding(
        club.ports,
        club.actor('mechanic'),
        triageSchema.parse({
          triageId: randomUUID(),
          discrepancyId,
          aircraftId: club.aircraftId,
          decision: 'watch',
          seenRevision: (await stored()).revision,
          note: '2 mm deep; deeper would end it',
          recheckBy: '2026-12-24',
          recheckAt: null,
          correctBy: null,
          certificateId: club.certificateOf('mechanic'),
          password: PASSWORD,
        }),
      ),
    );
    expect(await marksOf()).toMatchObject([
      {
        code: 'K218',
        id: discrepancyId,
        what: 'Nick on blade 2, watched',
        size: '2 mm deep; deeper would end it',
      },
    ]);
  });

  it('is refused at a step that looks at another part of the aircraft', async () => {
    expect(bad(await accept({ step: 'K136' })).message).toContain('another part of the aircraft');
    expect(bad(await accept({ step: 'K999' })).message).toContain('another part of the aircraft');
    good(await accept({ step: null }));
  });
});
