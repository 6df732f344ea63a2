import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import landingsCase from '../../../../examples/cases/life-limit-landings.json';
import type { Json } from '@/contracts/kernel/merge-patch';
import { applyRemedy } from '@/testing/apply-remedy';
import { cleanCase, codes } from '@/testing/clean-case';
import { decide } from '../../decision/decide';
import { isWithin } from '../../envelope/use-set';
import { hours } from '../../quantities/hours';
import { addSeconds, instant, type Instant } from '../../time/instant';
import { knownAt, presentFor } from '../facts';
import type { Standings } from './meter-reading';
import { COUNTERS, type Counter } from './meters';
import { mostOf, unsaidStretches, withUnlogged, type UnloggedStretch } from './unlogged';

const SEEN = instant('2026-11-24T12:00:00Z');
const stretch = (change: Partial<UnloggedStretch> = {}): UnloggedStretch => ({
  id: 'u1',
  happenedAt: SEEN,
  recordedAt: SEEN,
  seconds: 1440,
  unseen: COUNTERS,
  said: null,
  ...change,
});
const meters = (landings: number | null): Standings => {
  const unknown = { state: 'unknown' } as const;
  const known = (value: number) => ({ state: 'known', value, from: 'r', readAt: SEEN }) as const;
  return {
    'time-in-service': { state: 'known', value: hours('4150.3'), from: 'r', readAt: SEEN },
    engine: unknown,
    propeller: unknown,
    block: unknown,
    landings: landings === null ? unknown : known(landings),
    cycles: unknown,
    'tow-launches': known(7),
  } as unknown as Standings;
};

describe('unlogged time', () => {
  it.each([
    [0, 0],
    [1, 1],
    [120, 1],
    [121, 2],
    [1440, 12],
    [3600, 30],
  ])('of %d s has at most %d landings (common practice, no source)', (seconds, most) => {
    expect(mostOf(seconds)).toBe(most);
  });
  it('counts as many landings and launches as there can have been, and no hours, which the meters have', () => {
    expect(withUnlogged(meters(100), [stretch()])).toMatchObject({
      landings: { value: 112 },
      'tow-launches': { value: 19 },
      'time-in-service': { value: hours('4150.3') },
      cycles: { state: 'unknown' },
    });
  });
  it.each<[string, Partial<UnloggedStretch>]>([
    ['was said', { said: { recordedAt: SEEN } }],
    ['was shown by a meter', { unseen: [] }],
    ['is of no meter of hours', { seconds: null }],
  ])('counts nothing more where it %s', (_, change) => {
    expect(withUnlogged(meters(100), [stretch(change)])).toMatchObject({ landings: { value: 100 } });
  });
  it('is nothing where there is none: the meters stay the same', () => {
    const given = meters(100);
    expect(withUnlogged(given, [])).toBe(given);
  });
  it('makes nothing known that is not', () => {
    expect(withUnlogged(meters(null), [stretch()]).landings).toEqual({ state: 'unknown' });
  });
  it('seen on two meters at one moment is one, the longer; seen at two moments is two', () => {
    const [air, block] = [stretch({ id: 'a', seconds: 1440 }), stretch({ id: 'b', seconds: 1800 })];
    expect(
      [
        unsaidStretches([air, block]),
        unsaidStretches([block, air]),
        unsaidStretches([{ ...air, seconds: null }, air]),
      ].map((all) => all.map(({ id }) => id)),
    ).toEqual([['b'], ['b'], ['a']]);
    expect(unsaidStretches([{ ...air, seconds: null }, air])[0]?.seconds).toBe(1440);
    expect(withUnlogged(meters(100), [air, block])).toMatchObject({ landings: { value: 115 } });
    expect(withUnlogged(meters(100), [air, { ...block, happenedAt: addSeconds(SEEN, 60) }])).toMatchObject({
      landings: { value: 127 },
    });
    // Who said it of one of the meters has said it of the flying.
    expect(withUnlogged(meters(100), [{ ...air, said: { recordedAt: SEEN } }, block])).toMatchObject({
      landings: { value: 100 },
    });
  });
});

describe('a limit in landings', () => {
  const question = (landings: number) =>
    cleanCase({
      ...landingsCase,
      extends: null,
      about: null,
      meterReadings: { landings: { ...landingsCase.meterReadings.landings, value: landings } },
    } as unknown as Json);
  const answer = (landings: number, unlogged: readonly UnloggedStretch[], at?: Instant) => {
    const { facts, packs, asOf } = question(landings);
    const all = { ...facts, unlogged };
    return decide(all, packs, null, at ?? presentFor(all, asOf));
  };
  it('may have come in a stretch of which nobody said how many landings it had', () => {
    expect([
      answer(11_980, []).verdict,
      answer(11_988, [stretch()]).verdict,
      answer(11_987, [stretch()]).verdict,
    ]).toEqual(['Released', 'Grounded', 'Released']);
    expect(codes(answer(11_988, [stretch()]))).toEqual(codes(answer(12_000, [])));
    expect(answer(11_988, [stretch({ said: { recordedAt: SEEN } })]).verdict).toBe('Released');
  });
  it('had not come for who decided before the stretch was seen, and had again not before somebody said', () => {
    const seenLate = stretch({
      recordedAt: addSeconds(SEEN, 60),
      said: { recordedAt: addSeconds(SEEN, 120) },
    });
    expect([30, 90, 150].map((after) => answer(11_988, [seenLate], addSeconds(SEEN, after)).verdict)).toEqual(
      ['Released', 'Grounded', 'Released'],
    );
  });
  it('that only the guess has reached opens by saying how many there were, and one that has come does not', () => {
    const { facts, packs, asOf } = question(11_988);
    const ways = (landings: number, unlogged: readonly UnloggedStretch[]) =>
      answer(landings, unlogged)
        .constraints.filter(({ reason }) => reason.code === 'item-due')
        .flatMap(({ remedies }) => remedies.map(({ act, by, on }) => `${act} ${by.kind} ${on ?? ''}`));
    expect(ways(11_988, [stretch()]).at(-1)).toBe('say-landings dispatcher landings');
    // It had come without the stretch; and with fewer landings it has not.
    expect(ways(12_000, [stretch()]).length).toBe(ways(11_988, [stretch()]).length - 1);
    expect(ways(11_987, [stretch()])).toEqual([]);
    const [closing] = answer(11_988, [stretch()]).constraints.filter(({ remedies }) =>
      remedies.some(({ act }) => act === 'say-landings'),
    );
    const saying = closing?.remedies.find(({ act }) => act === 'say-landings');
    if (closing === undefined || saying === undefined) throw new Error('no such remedy');
    const said = applyRemedy(
      { ...facts, unlogged: [stretch()] },
      saying,
      closing,
      addSeconds(SEEN, 60),
      'us',
    );
    expect(decide(said, packs, null, addSeconds(presentFor(said, asOf), 60)).verdict).toBe('Released');
  });
  it.each([
    [11_988, []],
    [11_993, ['item-overrun-ends']],
  ] as const)(
    'that may be flown past by 5 on the way to the workshop: from %d landings on record the guess closes that too',
    (landings, ends) => {
      const { facts, packs, asOf } = question(landings);
      const items =
        facts.items?.map((item) => ({ ...item, overrun: { meter: 'landings', by: 5 } as const })) ?? null;
      const saying = decide({ ...facts, items, unlogged: [stretch()] }, packs, null, asOf).constraints.filter(
        ({ remedies }) => remedies.some(({ act }) => act === 'say-landings'),
      );
      expect(saying.map(({ reason }) => reason.code).sort()).toEqual(['item-due', ...ends].sort());
    },
  );
  it('is never farther for a stretch more', () => {
    const stretches = fc.array(
      fc.record({
        seconds: fc.option(fc.integer({ min: 0, max: 40_000 }), { nil: null }),
        unseen: fc.subarray([...COUNTERS] as Counter[]),
        at: fc.integer({ min: 0, max: 3 }),
        said: fc.boolean(),
      }),
      { maxLength: 5 },
    );
    fc.assert(
      fc.property(fc.integer({ min: 11_000, max: 12_010 }), stretches, (landings, given) => {
        const all = given.map(({ at, said, ...one }, n) =>
          stretch({
            ...one,
            id: `u${n}`,
            happenedAt: addSeconds(SEEN, at),
            recordedAt: addSeconds(SEEN, 10),
            said: said ? { recordedAt: addSeconds(SEEN, 20) } : null,
          }),
        );
        const { facts, packs, asOf } = question(landings);
        const [plain, known] = [{ ...facts }, knownAt({ ...facts, unlogged: all }, asOf, 'us')];
        const more = known.meters.landings;
        expect(more.state === 'known' && more.value >= landings).toBe(true);
        expect(isWithin(answer(landings, all).open, decide(plain, packs, null, asOf).open)).toBe(true);
        expect(known.accounted.landings).toMatchObject({ value: landings });
      }),
      { numRuns: 150 },
    );
  });
});
