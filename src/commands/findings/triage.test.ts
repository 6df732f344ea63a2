import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { findingSchema } from '@/contracts/findings/report-finding';
import { returnToServiceSchema } from '@/contracts/findings/return-to-service';
import { triageSchema } from '@/contracts/findings/triage';
import { addSeconds } from '@/core/time/instant';
import { inClub } from '@/db/kernel/club-transaction';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { triageList } from '@/queries/findings/triage';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { NO_EFFECTS } from '@/testing/work';
import { reportFinding } from './report-finding';
import { returnToService } from './return-to-service';
import { triageFinding } from './triage';

let club: Awaited<ReturnType<typeof testClub>>;
type Role = Parameters<typeof club.actor>[0];
const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const later = (seconds = 60) => {
  club.ports.at = addSeconds(club.ports.at, seconds);
};
const page = async (role: Role = 'mechanic') => {
  const shown = await inTx((tx) => aircraftPage(tx, club.actor(role), 'N02TB', club.ports.now()));
  if (shown === null) throw new Error('no page');
  return shown;
};
const waiting = (role: Role = 'mechanic') => inTx((tx) => triageList(tx, club.actor(role), club.ports.now()));
const report = async (change: object = {}) => {
  const findingId = randomUUID();
  good(
    await reportFinding(
      club.ports,
      club.actor('renter'),
      findingSchema.parse({
        findingId,
        aircraftId: club.aircraftId,
        station: 'wing',
        side: 'left',
        step: null,
        asListed: false,
        what: 'Dent in the leading edge',
        looks: 'would-not-fly',
        foundAt: '2026-11-24T12:00:00Z',
        ...change,
      }),
    ),
  );
  later();
  return findingId;
};
const decide = async (discrepancyId: string, change: object, role: Role = 'mechanic') => {
  const outcome = await triageFinding(
    club.ports,
    club.actor(role),
    triageSchema.parse({
      triageId: randomUUID(),
      aircraftId: club.aircraftId,
      discrepancyId,
      note: '',
      ...change,
    }),
  );
  later();
  return outcome;
};
const watch = async (role: Role = 'mechanic', change: object = {}) => ({
  decision: 'watch',
  seenRevision: (await page()).revision,
  note: '20 mm across, 1 mm deep; growing would end it',
  recheckBy: '2026-12-24',
  recheckAt: null,
  correctBy: null,
  certificateId: club.certificateOf(role),
  password: PASSWORD,
  ...change,
});
const repair = async (discrepancyId: string) =>
  returnToService(
    club.ports,
    club.actor('mechanic'),
    returnToServiceSchema.parse({
      rectificationId: randomUUID(),
      discrepancyId,
      seenRevision: (await page()).revision,
      work: 'repaired',
      description: 'Dressed and painted.',
      completedOn: '2026-11-24',
      effects: NO_EFFECTS,
      workId: randomUUID(),
      certificateId: club.certificateOf('mechanic'),
      password: PASSWORD,
    }),
  );

beforeEach(async () => {
  club = await testClub();
});

describe('deciding about a finding', () => {
  it('takes it off the list of new ones; what stays as it is closes what it closed', async () => {
    const first = await report();
    const second = await report({ what: 'Scratch', looks: 'looks-small' });
    expect((await waiting()).rows.map(({ id }) => id)).toEqual([first, second]);
    good(await decide(first, { decision: 'stays' }, 'dispatcher'));
    expect((await waiting()).rows.map(({ id }) => id)).toEqual([second]);
    expect((await page()).verdict).toBe('Grounded');
  });
  it('is for those who may: a renter is refused, and sees no way', async () => {
    const id = await report();
    expect(bad(await decide(id, { decision: 'stays' }, 'renter')).code).toBe('not-entitled');
    const list = await waiting('renter');
    expect([list.mayDecide, list.rows[0]?.watch]).toEqual([false, []]);
  });
  it('a mechanic signs that it is watched, and it closes again when nobody has looked by then', async () => {
    const id = await report();
    expect((await page()).verdict).toBe('Grounded');
    good(await decide(id, await watch()));
    expect((await page()).verdict).toBe('Released');
    later(31 * 86_400);
    expect((await page()).reasons.map(({ headline }) => headline).join()).toContain(
      'Dent in the leading edge',
    );
  });
  it.each([
    ['an instructor, what a mechanic has to look at', 'instructor', {}, 'invalid'],
    ['a dispatcher without a certificate', 'dispatcher', { certificateId: randomUUID() }, 'not-entitled'],
    ['a mechanic with a wrong password', 'mechanic', { password: 'wrong' }, 'invalid'],
    ['a mechanic until yesterday', 'mechanic', { recheckBy: '2026-11-23' }, 'invalid'],
    ['a mechanic who saw an older state', 'mechanic', { seenRevision: 1 }, 'conflict'],
  ] as const)('is not watched by %s', async (_, role, change, code) => {
    const id = await report();
    expect(bad(await decide(id, await watch(role, change), role)).code).toBe(code);
    expect((await page()).verdict).toBe('Grounded');
  });
  it('watching needs an end', async () => {
    const entry = { triageId: randomUUID(), aircraftId: club.aircraftId, discrepancyId: randomUUID() };
    const parsed = triageSchema.safeParse({ ...entry, ...(await watch('mechanic', { recheckBy: null })) });
    expect(parsed.error?.issues[0]?.path).toEqual(['recheckBy']);
  });
  it('grounding it since ends the watching, by anybody of the desk and without a signature', async () => {
    const id = await report();
    good(await decide(id, await watch()));
    good(await decide(id, { decision: 'grounds' }, 'dispatcher'));
    expect((await page()).verdict).toBe('Grounded');
  });
  it('one that is the same as another is closed with it', async () => {
    const [first, second] = [await report(), await report({ what: 'Dent, left wing' })];
    expect((await waiting()).rows[1]?.similar.map(({ id }) => id)).toEqual([first]);
    const merge = async (sameAs: string) => ({
      decision: 'same-as',
      sameAs,
      seenRevision: (await page()).revision,
    });
    expect(bad(await decide(second, await merge(second))).message).toContain('not the same as itself');
    expect(bad(await decide(second, await merge(randomUUID()))).message).toContain('not open');
    good(await decide(second, await merge(first)));
    expect(bad(await decide(first, await merge(second))).message).toContain('same as another one itself');
    expect(bad(await decide(second, await watch())).message).toContain('same as another finding');
    expect((await page()).verdict).toBe('Grounded');
    const openOn = async () => (await page()).findings.filter(({ done }) => done === null);
    expect((await openOn()).map(({ decided }) => decided)).toContain(
      'Held to be the same as “Dent in the leading edge”.',
    );
    good(await repair(first));
    later();
    expect((await page()).verdict).toBe('Released');
    expect(await openOn()).toEqual([]);
    expect((await page()).findings.map(({ done }) => done)).toContain(
      'Closed with “Dent in the leading edge”, which it is the same as.',
    );
  });
  it('one that was grounded since is closed by a mechanic, however mildly it was reported', async () => {
    const id = await report({
      what: 'Documents in a jumble',
      looks: 'looks-small',
      station: 'cabin-power-off',
      side: null,
      step: 'K048',
      asListed: true,
    });
    good(await decide(id, { decision: 'grounds' }, 'dispatcher'));
    const closings = (await page('instructor')).findings.find((one) => one.id === id)?.closings ?? [];
    expect(closings.flatMap(({ certificates }) => certificates)).toEqual([]);
  });
  it('what is closed is decided about no more', async () => {
    const id = await report();
    good(await repair(id));
    expect((await waiting()).rows).toEqual([]);
    expect(bad(await decide(id, { decision: 'grounds' })).message).toContain('not open');
  });
  it('sent twice is decided once', async () => {
    const id = await report();
    const entry = triageSchema.parse({
      triageId: randomUUID(),
      aircraftId: club.aircraftId,
      discrepancyId: id,
      decision: 'grounds',
      note: 'Spar behind it',
    });
    const send = () => triageFinding(club.ports, club.actor('mechanic'), entry);
    expect(good(await send()).revision).toBe(good(await send()).revision);
    expect((await page()).story.filter(({ words }) => words.includes('Spar behind it'))).toHaveLength(1);
  });
});
