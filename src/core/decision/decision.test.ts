import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cleanCase, codes, decideClean, deferredLamp } from '@/testing/clean-case';
import type { Json } from '@/contracts/kernel/merge-patch';
import { isWithin, sameUses } from '../envelope/use-set';
import { hours } from '../quantities/hours';
import { presentFor } from '../records/facts';
import { UNSAID } from '../records/flights/planned-flight';
import { addSeconds, instant, instantText } from '../time/instant';
import { LESSON } from '@/testing/lesson';
import { canonicalJson } from './canonical';
import { decide, decidePrepared } from './decide';
import { prepare } from './prepare';
import { answerFlights } from './planned-flight';

const fly = (change: { readonly [key: string]: Json }, more: { readonly [key: string]: Json } = {}) =>
  decideClean({ ...more, flight: { ...LESSON, ...change } }).flight;

describe('a clean aircraft', () => {
  const decision = decideClean();
  it('is released, with every use it has open and its limits ahead', () => {
    expect(decision.verdict).toBe('Released');
    expect(sameUses(decision.open, decision.full)).toBe(true);
    expect(decision.constraints).toEqual([]);
    expect([...new Set(decision.rules.map(({ answer }) => answer))].sort()).toEqual(['met', 'not-asked']);
    expect(decision.rules.filter(({ answer }) => answer === 'not-asked').map(({ id }) => id)).toEqual([
      'measured-limits',
      'fuel-for-flight',
      'fuel-quality',
      'gauge-and-dip',
      'walk-round',
      'club-fuel-reserve',
      'fuel-samples',
      'oil-trend',
    ]);
    expect(decision.firstLimit.hours).toMatchObject({ at: hours('4208.7'), left: hours('58.4') });
    expect(
      decision.firstLimit.time?.currency === 'time' ? instantText(decision.firstLimit.time.at) : '',
    ).toBe('2027-04-01T03:00:00Z');
    expect(decision.holdsUntil).toBe(instant('2027-04-01T03:00:00Z'));
  });
  it('a limit ahead never restricts by itself', () => {
    expect(decideClean({ meterReadings: { today: { value: 4208.69 } } }).verdict).toBe('Released');
    expect(decideClean({ meterReadings: { today: { value: 4208.7 } } }).verdict).toBe('Grounded');
  });
  it('says what it did not look at', () => {
    expect(decision.notChecked.length).toBeGreaterThan(3);
  });
});

describe('the moment of the decision', () => {
  it('closes at local midnight, not a second earlier', () => {
    expect(decideClean({ asOf: '2027-04-01T02:59:59Z' }).verdict).toBe('Released');
    expect(codes(decideClean({ asOf: '2027-04-01T03:00:00Z' }))).toEqual(['annual-expires']);
  });
  it('uses only what had been recorded by then', () => {
    expect(codes(decideClean({ asOf: '2026-11-20T12:04:59Z' }))).toContain('document-never-checked');
    expect(codes(decideClean({ asOf: '2026-11-20T12:05:00Z' }))).not.toContain('document-never-checked');
  });
  it('about the present leaves out nothing that is on record, though a clock ran ahead', () => {
    const { facts, packs } = cleanCase({
      discrepancies: {
        d: {
          happenedAt: '2026-11-24T13:00:02Z',
          recordedAt: '2026-11-24T13:00:02Z',
          what: 'Crack in the spinner',
        },
      },
    });
    const now = instant('2026-11-24T13:00:00Z');
    expect(decide(facts, packs, null, now).verdict).toBe('Released');
    expect(presentFor(facts, now)).toBe(addSeconds(now, 2));
    expect(decide(facts, packs, null, presentFor(facts, now)).verdict).toBe('Grounded');
    expect(presentFor(facts, addSeconds(now, 60))).toBe(addSeconds(now, 60));
  });
  it('about the present sees a repair that a faster clock wrote', () => {
    const { facts } = cleanCase({
      discrepancies: {
        d: {
          happenedAt: '2026-11-24T12:00:00Z',
          recordedAt: '2026-11-24T12:00:00Z',
          what: 'x',
          rectification: { recordedAt: '2026-11-24T13:00:05Z' },
        },
      },
    });
    expect(presentFor(facts, instant('2026-11-24T13:00:00Z'))).toBe(instant('2026-11-24T13:00:05Z'));
  });
});

describe('unknown', () => {
  const drop: readonly (readonly [string, Json])[] = [
    ['category', { aircraft: { category: null } }],
    ['approved uses', { aircraft: { approvedFor: null } }],
    ['documents', { documents: null }],
    ['inspections', { inspections: null }],
    ['meter', { meterReadings: null }],
  ];
  it.each(drop)('%s closes, and never releases', (_, change) => {
    const decision = decideClean(change);
    expect(decision.verdict).not.toBe('Released');
    expect(decision.rules.some(({ answer }) => answer === 'unknown')).toBe(true);
    expect(isWithin(decision.open, decideClean().open)).toBe(true);
  });
  it('an unknown meter leaves the hour limits unsure, not failed', () => {
    const decision = decideClean({ meterReadings: null });
    expect(
      decision.constraints
        .filter(({ begins }) => begins.kind === 'meter')
        .every(({ certainty }) => certainty === 'unknown'),
    ).toBe(true);
    expect(decision.constraints[0]?.reason.code).toBe('meter-unknown');
    expect(decision.timeInService).toBeNull();
  });
});

describe('a planned flight', () => {
  it('fits', () => {
    expect(fly({})).toMatchObject({ answer: 'yes', exceedances: [], closedBy: [] });
  });
  it('may end exactly at an hour limit, and not a hundredth later', () => {
    expect(fly({ airborne: 1.5 }, { meterReadings: { today: { value: 4207.2 } } })?.answer).toBe('yes');
    const exceedance = fly({ airborne: 1.5 }, { meterReadings: { today: { value: 4207.21 } } });
    expect(exceedance?.answer).toBe('no');
    expect(exceedance?.exceedances).toMatchObject([{ currency: 'hours', by: hours('0.01') }]);
  });
  it('without a figure of its own takes the whole time from start to end as airborne', () => {
    expect(fly({ airborne: null }, { meterReadings: { today: { value: 4206.7 } } })?.answer).toBe('yes');
    expect(fly({ airborne: null }, { meterReadings: { today: { value: 4206.71 } } })?.answer).toBe('no');
  });
  it('may end exactly at local midnight of the last day, and not a second later', () => {
    const night = { starts: '2027-04-01T01:00:00Z', airborne: 1 };
    expect(fly({ ...night, ends: '2027-04-01T03:00:00Z' })?.answer).toBe('yes');
    expect(fly({ ...night, ends: '2027-04-01T03:00:01Z' })?.answer).toBe('no');
  });
  it('needs every value of what it does not say', () => {
    expect(fly({ rules: null })?.notApproved).toBe(true);
    expect(fly({ range: null }, { documents: { radio: { aboard: false } } })?.answer).toBe('yes-after');
  });
  it('is refused where the aircraft never had the use', () => {
    expect(fly({ rules: 'ifr' })).toMatchObject({ answer: 'no', notApproved: true });
    expect(fly({ purpose: 'glider-towing' })).toMatchObject({ answer: 'no', notApproved: true });
  });
  it.each([
    ['ends before it starts', { ends: '2026-11-24T13:59:59Z' }],
    ['ends as it starts', { ends: '2026-11-24T14:00:00Z' }],
    ['has begun already', { starts: '2026-11-24T12:59:59Z' }],
    ['is longer in the air than from start to end', { airborne: 2.01 }],
  ])('%s: its times contradict', (_, change) => {
    expect(fly(change)).toMatchObject({ answer: 'no', timesContradict: true });
  });
  it('takes the light from the sun at the field', () => {
    const lights = deferredLamp('d', 'Navigation lights out', ['dusk', 'night']);
    expect(fly({ starts: '2026-11-24T19:00:00Z', ends: '2026-11-24T20:40:00Z' }, lights)?.answer).toBe('yes'); // sunset 16:41 local, 20:41 UTC
    expect(fly({ starts: '2026-11-24T19:00:00Z', ends: '2026-11-24T20:45:00Z' }, lights)?.answer).toBe('no');
  });
});

describe('the light that a flight says', () => {
  it('adds to the light at the field and never takes away from it', () => {
    const lamps = deferredLamp('d', 'Navigation lights out', ['dusk', 'night']);
    expect(fly({}, lamps)?.answer).toBe('yes');
    expect(fly({ light: ['night'] }, lamps)?.answer).toBe('no');
    expect(
      fly(
        { starts: '2026-11-25T01:00:00Z', ends: '2026-11-25T02:00:00Z', airborne: 0.5, light: ['day'] },
        lamps,
      )?.answer,
    ).toBe('no');
  });
});

describe('several flights of a day', () => {
  it('each counts for the next, even one that is refused', () => {
    const { facts, packs, asOf } = cleanCase({ meterReadings: { today: { value: 4206 } } });
    const prepared = prepare(facts, packs, asOf);
    const decision = decidePrepared(prepared, null, asOf);
    const flight = (id: string, hour: number, airborne: string) => ({
      id,
      starts: addSeconds(asOf, hour * 3600),
      ends: addSeconds(asOf, (hour + 2) * 3600),
      airborne: hours(airborne),
      purpose: 'instruction-school-aircraft' as const,
      crew: 'dual' as const,
      rules: 'vfr' as const,
      range: 'local' as const,
      light: ['day' as const],
      transponderAirspace: false,
      adsbAirspace: false,
      beyondGlideOverWater: false,
      passengers: false,
      ...UNSAID,
    });
    const answers = answerFlights(prepared, decision, [
      flight('c', 5, '0.7'),
      flight('a', 1, '1.4'),
      flight('b', 3, '1.4'),
    ]);
    expect(answers.map((answer) => [answer.flight, answer.answer])).toEqual([
      ['a', 'yes'],
      ['b', 'no'],
      ['c', 'no'],
    ]);
    expect(answers[1]?.exceedances).toMatchObject([{ by: hours('0.1') }]);
  });
});

describe('a preparation', () => {
  it('serves every later moment, with the very answer of a decision from the facts', () => {
    const { facts, packs, asOf } = cleanCase();
    const prepared = prepare(facts, packs, asOf);
    for (const days of [0, 1, 100, 127, 128, 400, 2000]) {
      const moment = addSeconds(asOf, days * 86_400);
      expect(decidePrepared(prepared, null, moment)).toEqual(decide(facts, packs, null, moment));
    }
  });
  it('refuses a moment before its own: later records would leak into the past', () => {
    const { facts, packs, asOf } = cleanCase();
    expect(() => decidePrepared(prepare(facts, packs, asOf), null, addSeconds(asOf, -1))).toThrow(
      'a moment before',
    );
  });
});

describe('the decision as a function', () => {
  const troubles: readonly { readonly [key: string]: Json }[] = [
    { documents: { loading: { aboard: false } } },
    { documents: { airworthiness: { displayed: null } } },
    { documents: { radio: { aboard: false } } },
    { inspections: { 'annual-2026': null } },
    { meterReadings: { today: { value: 4300 } } },
    {
      discrepancies: {
        d: { happenedAt: '2026-11-23T12:00:00Z', recordedAt: '2026-11-23T12:00:00Z', what: 'Nick' },
      },
    },
  ];
  it('is monotone: more trouble never opens a use', () => {
    fc.assert(
      fc.property(fc.subarray([...troubles]), fc.nat(troubles.length - 1), (some, one) => {
        const merge = (parts: readonly { readonly [key: string]: Json }[]) =>
          parts.reduce<{ [key: string]: Json }>((all, part) => {
            for (const [key, value] of Object.entries(part))
              all[key] = { ...(all[key] as object | undefined), ...(value as object) };
            return all;
          }, {});
        const more = troubles[one];
        if (more === undefined) throw new Error('no such trouble');
        expect(isWithin(decideClean(merge([...some, more])).open, decideClean(merge(some)).open)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
  it('gives the same answer, byte for byte, for the same arguments in another order', () => {
    const { facts, packs, asOf } = cleanCase();
    const turned = {
      ...facts,
      documents: [...facts.documents].reverse(),
      inspections: [...facts.inspections].reverse(),
    };
    const text = (given: typeof facts) =>
      JSON.stringify(decide(given, packs, null, asOf), (_, value: unknown) =>
        value instanceof Uint32Array ? [...value] : value,
      );
    expect(text(turned)).toBe(text(facts));
  });
});

describe('canonical JSON', () => {
  it('orders keys and leaves out what is undefined', () => {
    expect(canonicalJson({ b: 1, a: [true, null, 'x'], c: undefined })).toBe('{"a":[true,null,"x"],"b":1}');
  });
  it('writes numbers as RFC 8785 does', () => {
    // RFC 8785, section 3.2.2.3 and appendix B: numbers in their shortest form (from memory).
    expect(canonicalJson([1e21, 1e-7, 0.000001, 4.5, -0, 333333333.33333329])).toBe(
      '[1e+21,1e-7,0.000001,4.5,0,333333333.3333333]',
    );
  });
  it('refuses what JSON cannot hold', () => {
    expect(() => canonicalJson(Number.NaN)).toThrow('cannot be written');
    expect(() => canonicalJson([Infinity])).toThrow('cannot be written');
  });
  it('does not depend on the order in which members were made', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.integer()), (value) => {
        expect(canonicalJson(Object.fromEntries(Object.entries(value).reverse()))).toBe(canonicalJson(value));
      }),
    );
  });
});
