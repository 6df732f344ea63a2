import { beforeEach, describe, expect, it } from 'vitest';
import { addSeconds } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { decide } from '@/core/decision/decide';
import { rampProgress } from '@/queries/walkround/progress';
import { rampWalk } from '@/queries/walkround/ramp-walk';
import { line } from '@/queries/aircraft/line';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { TANKS, walking, type TestClub } from '@/testing/walk-round';
import release from '../../../examples/cases/clean-release.json';
import { signDailyInspection } from '../releases/sign-daily-inspection';
import { takeApart } from './rigging';

let club: TestClub;
const { inTx, later, begin, stored, codes, send, answerOf, planOf, sign, walk } = walking(() => club);
const NOT_SEEN = { answer: 'not-seen', because: 'dark', measured: null } as const;

describe('the run-up and the briefing', () => {
  beforeEach(async () => {
    club = await testClub({ aircraft: TANKS });
  });
  it('stand for no walk-round, and make no short list of the next one', async () => {
    good(await begin());
    const before = await codes();
    expect(before).toContain('walk-round-unfinished');
    later(60);
    for (const kind of ['run-up', 'briefing'] as const) {
      const { id } = await walk({}, kind, 'student');
      good(await sign(id, 'student'));
    }
    expect(await codes()).toEqual(before);
  });
  it('alone leave a flight as it was', async () => {
    const before = await codes();
    const { id } = await walk({}, 'run-up');
    good(await sign(id));
    expect(await codes()).toEqual(before);
    expect((await stored()).facts.ramp?.walkround).toBeUndefined();
  });
  it('what nobody could read at the hold waits beside the walk-round', async () => {
    const round = await walk();
    good(await sign(round.id));
    expect(await codes()).not.toContain('step-not-seen');
    const { id } = await walk({ U08: NOT_SEEN }, 'run-up');
    good(await sign(id));
    expect((await stored()).facts.ramp?.walkround?.unseen.map(({ key }) => key)).toEqual(['U08']);
    const told = await walk({ B05: NOT_SEEN }, 'briefing');
    good(await sign(told.id));
    expect((await stored()).facts.ramp?.walkround?.unseen.map(({ key }) => key)).toEqual(['U08']);
  });
  it('the desk sees each by its name, beside the walk-round', async () => {
    good(await begin());
    later(60);
    await walk({ U08: NOT_SEEN }, 'run-up');
    const { facts } = await stored();
    const seen = await inTx((tx) => rampProgress(tx, club.aircraftId, facts, club.place.zone));
    expect(seen.walkround?.name).toBe('walk-round');
    expect(seen.lists.map(({ name, by, unseen }) => [name, by, unseen.length])).toEqual([
      ['run-up', 'The renter', 1],
    ]);
  });
  it('the phone keeps every list of the aircraft, and says who cannot go through one', async () => {
    const view = await inTx((tx) =>
      rampWalk(tx, club.clubId, 'N02TB', club.actor('student'), null, club.ports.now()),
    );
    expect(view?.lists.map(({ kind, denied }) => [kind, denied])).toEqual([
      ['run-up', null],
      ['briefing', null],
    ]);
    expect(bad(await begin(undefined, 'renter', 'rigging')).message).toContain('no rigging of this aircraft');
    expect(bad(await begin(undefined, 'renter', 'daily-inspection')).message).toContain(
      'no daily inspection',
    );
  });
});

describe('rigging a glider', () => {
  beforeEach(async () => {
    club = await testClub({
      aircraft: { category: 'glider', aircraftClass: 'glider', engine: 'none', measured: [] },
    });
  });
  const why = async () => {
    const { facts } = await stored();
    return decide(facts, club.packs, null, club.ports.now())
      .constraints.filter(({ rule }) => rule === 'glider-rigging')
      .map(({ reason }) => ('gaps' in reason ? [reason.code, ...reason.gaps] : [reason.code]));
  };
  it('by its list, with a helper, makes it whole; to begin says that it is apart', async () => {
    const { id } = await walk({}, 'rigging');
    expect(await why()).toEqual([['derigged']]);
    good(await sign(id, 'renter', 'signed', 'Pia Marl'));
    expect(await why()).toEqual([]);
    const [last] = (await stored()).facts.riggings.toSorted((a, b) => b.happenedAt - a.happenedAt);
    expect(last).toMatchObject({
      assemblyCheckedBy: 'The renter',
      controlsCheckedBy: 'The renter with Pia Marl',
      toolsComplete: true,
    });
  });
  it.each([
    ['alone it is no positive control check', {}, null, ['controls']],
    ['an air brake that nobody held', { K237: NOT_SEEN }, 'Pia Marl', ['controls']],
    ['the critical list cut short', { K235: NOT_SEEN }, 'Pia Marl', ['assembly']],
    ['a pin that nobody secured', { R07: NOT_SEEN }, 'Pia Marl', ['assembly']],
    ['tools that nobody counted', { K244: NOT_SEEN }, 'Pia Marl', ['tools-not-counted']],
  ])('%s', async (_, change, helper, gaps) => {
    const { id } = await walk(change, 'rigging');
    good(await sign(id, 'renter', 'signed', helper));
    expect(await why()).toEqual([['rigging-not-checked', ...gaps]]);
  });
  it('what somebody else called fine is not what the signer saw', async () => {
    const { id } = await walk({ K235: NOT_SEEN }, 'rigging');
    const step = (await planOf(id)).find(({ code }) => code === 'K235');
    if (step === undefined) throw new Error('no such step');
    good(await send(id, [answerOf(step)], 'student'));
    good(await sign(id, 'renter', 'signed', 'Pia Marl'));
    expect(await why()).toEqual([['rigging-not-checked', 'assembly']]);
  });
  it('is answered for by a pilot, and heard of before the work', async () => {
    expect(bad(await begin(undefined, 'student', 'rigging')).message).toContain('pilot or a mechanic');
    expect(bad(await begin(undefined, 'dispatcher', 'rigging')).code).toBe('not-entitled');
    const view = await inTx((tx) =>
      rampWalk(tx, club.clubId, 'N02TB', club.actor('student'), null, club.ports.now()),
    );
    expect(view?.lists.find(({ kind }) => kind === 'rigging')?.denied).toContain('pilot or a mechanic');
  });
  it('is not signed over somebody who took it apart, or began too, meanwhile', async () => {
    const { id } = await walk({}, 'rigging');
    later(60);
    good(await begin(undefined, 'mechanic', 'rigging'));
    expect(bad(await sign(id, 'renter', 'signed', 'Pia Marl')).message).toContain(
      'Go through the list again',
    );
    expect(await why()).toEqual([['derigged']]);
  });
  it('ends when anybody takes it apart, once however often it is sent', async () => {
    const { id } = await walk({}, 'rigging');
    good(await sign(id, 'renter', 'signed', 'Pia Marl'));
    later(600);
    const entry = { recordId: crypto.randomUUID(), aircraftId: club.aircraftId, at: club.ports.now() };
    good(await takeApart(club.ports, club.actor('student'), entry));
    good(await takeApart(club.ports, club.actor('student'), entry));
    expect(await why()).toEqual([['derigged']]);
    expect((await stored()).facts.riggings.filter(({ state }) => state === 'derigged')).toHaveLength(2);
  });
});

describe('the daily inspection by its list', () => {
  beforeEach(async () => {
    club = await testClub({
      asOf: release.asOf,
      place: release.place,
      packs: release.packs,
      aircraft: { ...release.aircraft, ...TANKS },
      documents: release.documents,
      releases: release.releases,
      dailyInspections: {},
      equipment: release.equipment,
    });
  });
  const certify = async (who: 'renter' | 'mechanic' = 'renter') => {
    const { revision } = await stored();
    return signDailyInspection(club.ports, club.actor(who), {
      entryId: crypto.randomUUID(),
      aircraftId: club.aircraftId,
      seenRevision: revision,
      certificateId: club.certificateOf(who),
      password: PASSWORD,
    });
  };
  it('is certified by who did it, once every step is answered, seen and signed; it is a walk-round too', async () => {
    const { id, steps } = await walk({}, 'daily-inspection');
    expect(steps.slice(0, 4).map(({ code }) => code)).toEqual(['D01', 'D02', 'D03', 'D04']);
    expect(bad(await certify()).message).toContain('not signed yet');
    good(await sign(id));
    expect(bad(await certify('mechanic')).message).toContain('The renter began the daily inspection');
    good(await certify());
    const { facts } = await stored();
    expect(facts.ramp?.walkround).toMatchObject({ left: 0, by: 'The renter' });
    expect(facts.dailyInspections.at(-1)?.on).toBe(civilDateAt(club.ports.now(), club.place.zone));
  });
  it('is not certified while steps are left, or one of consequence was not seen', async () => {
    const id = crypto.randomUUID();
    good(await begin(id, 'renter', 'daily-inspection'));
    later(60);
    expect(bad(await certify()).message).toMatch(/\d+ of \d+ steps of the daily inspection/u);
    const { id: whole } = await walk({ K002: NOT_SEEN }, 'daily-inspection');
    good(await sign(whole));
    expect(bad(await certify()).message).toContain('was not seen');
  });
  it('is begun by nobody without a certificate for it; on paper it is certified as before', async () => {
    expect(bad(await begin(undefined, 'student', 'daily-inspection')).message).toContain('licensed engineer');
    good(await certify());
  });
  it('of yesterday holds nothing up today', async () => {
    good(await begin(undefined, 'renter', 'daily-inspection'));
    club.ports.at = addSeconds(club.ports.at, 86_400);
    good(await certify());
  });
  it('leaves the Line as it was until it is certified', async () => {
    const verdict = async () =>
      (await inTx((tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0]?.verdict;
    const before = await verdict();
    const { id } = await walk({}, 'daily-inspection');
    good(await sign(id));
    expect(await verdict()).toBe(before);
  });
});
