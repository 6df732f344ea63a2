import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { cleanCase, decideBy } from '@/testing/clean-case';
import { decide } from '../decision/decide';
import type { Ramp } from '../records/walkround/measurement';
import { instant } from '../time/instant';

type Change = { readonly [key: string]: Json };
const begun: Change = {
  happenedAt: '2026-11-24T12:10:00Z',
  recordedAt: '2026-11-24T12:11:00Z',
  by: 'Rolf Dane',
  left: 0,
  signedAt: '2026-11-24T12:40:00Z',
  covers: ['night', 'ifr'],
};
const unseen = (closes?: readonly string[]): Json => [
  {
    key: 'K079.left',
    title: 'Look',
    place: 'left wing',
    ...(closes === undefined ? {} : { closes: [...closes] }),
  },
];
const flight = (change: Change = {}): Change => ({
  starts: '2026-11-24T14:00:00Z',
  ends: '2026-11-24T15:00:00Z',
  airborne: 0.8,
  purpose: 'private-rental',
  crew: 'rated-pilot',
  rules: 'vfr',
  range: 'local',
  transponderAirspace: false,
  adsbAirspace: false,
  beyondGlideOverWater: false,
  passengers: false,
  ...change,
});
const asked = (ramp: Change, change: Change = {}) =>
  decideBy(['walk-round', 'approved-uses'], { ramp, flight: flight(change) });

/** Common practice, no source: what nobody saw is not fine, and what was announced is done before the flight. */
describe('the walk-round before a flight', () => {
  it.each([
    ['finished and signed', { walkRound: begun }, 'yes', []],
    ['not begun, though one is asked for', { walkRound: 'none' }, 'yes-after', ['walk-round-missing']],
    ['no part of the question', {}, 'yes', []],
    ['one step left', { walkRound: { ...begun, left: 1 } }, 'yes-after', ['walk-round-unfinished']],
    ['not signed', { walkRound: { ...begun, signedAt: null } }, 'yes-after', ['walk-round-unsigned']],
    ['a step not seen', { walkRound: { ...begun, unseen: unseen() } }, 'yes-after', ['step-not-seen']],
    [
      'a step of night not seen',
      { walkRound: { ...begun, unseen: unseen(['night']) } },
      'yes',
      ['step-not-seen'],
    ],
    [
      'a quart announced',
      {
        walkRound: begun,
        announced: { a: { ...begun, left: null, signedAt: null, covers: null, act: 'add-oil' } },
      },
      'yes-after',
      ['announced-open'],
    ],
  ] as const)('%s: %j', (_, ramp, answer, codes) => {
    const decision = asked(ramp as Change);
    expect(decision.flight?.answer).toBe(answer);
    expect(
      [...decision.constraints, ...(decision.flight?.own ?? [])].map(({ reason }) => reason.code),
    ).toEqual(codes);
  });

  it('what a flight waits for leaves the aircraft as it is; what nobody saw does not', () => {
    expect(asked({ walkRound: 'none' }).verdict).toBe('Released');
    expect(asked({ walkRound: { ...begun, left: 3 } }).verdict).toBe('Released');
    expect(asked({ walkRound: { ...begun, unseen: unseen() } }).verdict).toBe('Grounded');
    expect(asked({ walkRound: { ...begun, unseen: unseen(['night']) } }).verdict).toBe('Restricted');
  });

  it.each([
    ['that leaves before midnight', '2026-11-25T03:59:00Z', '2026-11-25T04:40:00Z', []],
    ['that leaves at midnight', '2026-11-25T04:00:00Z', '2026-11-25T04:40:00Z', ['walk-round-missing']],
    ['of the next day', '2026-11-25T14:00:00Z', '2026-11-25T15:00:00Z', ['walk-round-missing']],
  ] as const)('holds for its day at the field: a flight %s', (_, starts, ends, codes) => {
    // Midnight at the field of the examples is 04:00 UTC.
    const own = asked({ walkRound: begun }, { starts, ends }).flight?.own ?? [];
    expect(own.map(({ reason }) => reason.code)).toEqual(codes);
  });

  it.each([
    ['by day of one for the day', [], {}, []],
    ['into the dusk of one for the day', [], { ends: '2026-11-24T22:00:00Z' }, ['walk-round-without']],
    ['into the dusk of one for night', ['night'], { ends: '2026-11-24T22:00:00Z' }, []],
    ['by instruments of one for night', ['night'], { rules: 'ifr' }, ['walk-round-without']],
    ['by instruments of one for instruments', ['ifr'], { rules: 'ifr' }, []],
    ['by rules that nobody said', [], { rules: null }, ['walk-round-without']],
  ] as const)('a flight %s waits where its steps were not on it', (_, covers, change, codes) => {
    const { flight: answered } = asked({ walkRound: { ...begun, covers: [...covers] } }, change);
    expect(answered?.own.map(({ reason }) => reason.code)).toEqual(codes);
  });

  it('a light that nobody looked at keeps dusk and night unavailable, and day not', () => {
    const night = { walkRound: { ...begun, unseen: unseen(['dusk', 'night']) } };
    const [constraint] = asked(night).constraints;
    expect(constraint?.closes.length).toBeGreaterThan(0);
    expect(asked(night).flight?.answer).toBe('yes');
    expect(
      asked(night, { starts: '2026-11-25T00:00:00Z', ends: '2026-11-25T01:00:00Z' }).flight?.answer,
    ).not.toBe('yes');
  });
});

describe('what stands from before, while no walk-round is asked for', () => {
  const { facts, packs, asOf } = cleanCase({
    aircraft: { measured: [{ quantity: 'oil', unit: 'US qt', min: 4, remedy: 'top-up' }] },
  });
  const planned = cleanCase({ flight: flight({ fuelAboard: { amount: 20, unit: 'US gal' } }) }).flight;
  const answer = (ramp: Ramp) => decide({ ...facts, ramp }, packs, planned ?? null, asOf);
  const nothing: Ramp = { measurements: [], samples: [], uplifts: [], gaps: 'none' };
  const then = instant('2026-11-24T12:00:00Z');
  const dated = { id: 'r', happenedAt: then, recordedAt: then };

  it('what was not measured is no gap, and the answer says that nobody looked', () => {
    const decision = answer(nothing);
    expect(decision.flight?.answer).toBe('yes');
    expect(decision.notChecked).toEqual(expect.arrayContaining(['walk-round', 'fuel-and-oil-aboard']));
    expect(answer({ ...nothing, gaps: 'for-flights' }).flight?.answer).toBe('yes-after');
    // As a gap of flights it leaves the aircraft as it is; as a gap of the aircraft it does not.
    expect(answer({ ...nothing, gaps: 'for-flights' }).verdict).toBe('Released');
    expect(answer({ ...nothing, gaps: 'count' }).verdict).toBe('Grounded');
  });

  it.each<[string, Partial<Ramp>]>([
    ['water in a sample', { samples: [{ ...dated, result: 'water', drain: 'left', cleared: null }] }],
    ['too little oil', { measurements: [{ ...dated, quantity: 'oil', which: null, value: 1 }] }],
    [
      'what was announced',
      { announced: [{ ...dated, act: 'add-oil', which: null, amount: null, by: 'Rolf Dane' }] },
    ],
  ])('%s still speaks against a flight', (_, part) => {
    expect(answer({ ...nothing, ...part }).flight?.answer).not.toBe('yes');
  });
});
