import { describe, expect, it } from 'vitest';
import { cleanCase, decideBy, decideClean, deferredLamp } from '@/testing/clean-case';
import type { Json } from '@/contracts/kernel/merge-patch';
import { type Change, flyLesson as fly, LESSON, MECHANIC as mechanic, seatRail } from '@/testing/lesson';
import { ALL_USES, usesIn } from '../envelope/use-set';
import { hours } from '../quantities/hours';
import type { PlannedFlight } from '../records/flights/planned-flight';
import { addSeconds, instant } from '../time/instant';
import { decidePrepared } from './decide';
import { plansForFlight, plansToRelease } from './in-the-way';
import { answerFlights, reliefFor } from './planned-flight';
import { prepare } from './prepare';

const flightOf = (change: Change): PlannedFlight => {
  const { flight } = cleanCase({ flight: { ...LESSON, ...change } });
  if (flight === null) throw new Error('no flight');
  return flight;
};

describe('the permit for a flight', () => {
  const flight = flightOf({});
  const relief = {
    id: 'p',
    uses: usesIn({ light: ['day'] }),
    from: flight.starts,
    until: flight.ends,
    untilTimeInService: null as number | null,
  };
  const found = (change: Partial<typeof relief>, end: number | null = 100, needs = relief.uses) =>
    reliefFor([{ ...relief, ...change } as never], flight, needs, end) !== null;
  it.each([
    ['from its start to its end', {}, 100, true],
    ['from a millisecond after its start', { from: (flight.starts + 1) as never }, 100, false],
    ['to a millisecond before its end', { until: (flight.ends - 1) as never }, 100, false],
    ['with exactly the hours that it takes', { untilTimeInService: 100 }, 100, true],
    ['with a second less', { untilTimeInService: 99 }, 100, false],
    ['by hours that nobody knows', { untilTimeInService: 100 }, null, false],
    ['by days alone, the hours unknown', {}, null, true],
  ] as const)('%s', (_, change, end, expected) => {
    expect(found(change, end)).toBe(expected);
  });
  it('covers all that the flight needs, or is none', () => {
    expect(found({}, 100, ALL_USES)).toBe(false);
  });

  it('what flights before it fly counts against its hours', () => {
    const { facts, packs, asOf } = cleanCase({
      discrepancies: {
        crack: { happenedAt: '2026-11-24T09:00:00Z', recordedAt: '2026-11-24T09:05:00Z', what: 'Crack' },
      },
      permits: {
        p: {
          recordedAt: '2026-11-24T12:00:00Z',
          number: 'P-1',
          registrationShown: 'N02TB',
          validFrom: '2026-11-24',
          validUntil: '2026-11-25',
          aboard: true,
          safeForFlight: { on: '2026-11-24', by: mechanic },
          untilTimeInService: 4152,
        },
      },
    });
    const ferry = (id: string, from: string, airborne: number) =>
      flightOf({
        id,
        purpose: 'positioning-to-maintenance',
        crew: 'rated-pilot',
        starts: `2026-11-24T${from}:00:00Z`,
        ends: `2026-11-24T${String(Number(from) + 1)}:30:00Z`,
        airborne,
      });
    const prepared = prepare(facts, packs, asOf);
    const answers = (...flights: readonly PlannedFlight[]) =>
      answerFlights(prepared, decidePrepared(prepared, null, asOf), flights).map(({ answer }) => answer);
    // The meter stands at 4150.3 h: 1.7 hours are left on the permit.
    expect(answers(ferry('a', '14', 0.9), ferry('b', '16', 0.8))).toEqual(['yes', 'yes']);
    expect(answers(ferry('a', '14', 0.9), ferry('b', '16', 0.81))).toEqual(['yes', 'no']);
  });
});

// CAR 1988 (Cth), Schedule 5 and reg 43: before the first flight of each day (from memory). A flight that
// left before midnight may land after it.
describe('a limit that counts at the start of a flight', () => {
  const crossed = (starts: string, ends: string) => {
    const { flight } = decideBy(['daily-inspection'], {
      asOf: '2026-11-24T02:00:00Z',
      packs: [{ id: 'au-maintenance-release' }],
      inspections: null,
      place: { name: 'Cape Reach', latitude: -33.9, longitude: 151.2, timeZone: 'Australia/Sydney' },
      dailyInspections: {
        d: {
          recordedAt: '2026-11-23T22:00:00Z',
          on: '2026-11-24',
          signedBy: {
            name: 'Rosa Dane',
            certificate: {
              kind: 'pilot',
              number: 'P-114',
              validFrom: '2010-01-01',
              validUntil: 'no-expiry',
            },
          },
        },
      },
      flight: { ...LESSON, starts, ends, airborne: 0.5 },
    });
    return [flight?.answer, flight?.exceedances.map(({ constraint: { key } }) => key)];
  };
  // Midnight in Sydney is 13:00 UTC.
  it.each([
    ['a second before midnight', '2026-11-24T12:59:59Z', ['yes', []]],
    ['at midnight', '2026-11-24T13:00:00Z', ['yes-after', ['day']]],
    ['a second after it', '2026-11-24T13:00:01Z', ['yes-after', ['day']]],
  ] as const)('%s', (_, starts, expected) => {
    expect(crossed(starts, '2026-11-24T14:30:00Z')).toEqual(expected);
  });
});

describe('the times of a flight', () => {
  it.each([
    ['ends as it starts', { ends: LESSON['starts'] ?? null }, true],
    ['ends before it starts', { ends: '2026-11-24T13:59:59Z' }, true],
    ['starts before the moment that is asked about', { starts: '2026-11-24T12:59:59Z' }, true],
    ['starts at that moment', { starts: '2026-11-24T13:00:00Z' }, false],
    ['longer in the air than it takes', { airborne: 2.01 }, true],
    ['in the air all the time', { airborne: 2 }, false],
    ['does not say how long it is in the air', { airborne: null }, false],
  ] as const)('%s', (_, change, expected) => {
    expect(fly(change).timesContradict).toBe(expected);
  });
});

// 14 CFR 39.9 and 39.11, from memory: an AD is complied with by its own limits; 'whichever comes later' is common in their text.
describe('the later of a reading and a day', () => {
  /** Within 30 hours from a reading or by the end of November in Tern Bay, which is 04:00 UTC; the meter stands at 4150.3 h. */
  const answer = (then: number, starts: string, ends: string) => {
    const { flight } = decideBy(['ads'], {
      ads: { rail: seatRail(then) },
      flight: { ...LESSON, starts, ends },
    });
    return [flight?.answer, flight?.exceedances.map(({ currency, by }) => [currency, by])];
  };
  const [evening, midnight] = ['2026-12-01T02:00:00Z', '2026-12-01T04:00:00Z'];
  const later = '2026-12-01T04:00:00.001Z';
  it.each([
    ['past its reading it may fly until the day is over', 4120.3, evening, midnight, ['yes', []]],
    ['and no longer', 4120.3, evening, later, ['no', [['time', 1]]]],
    ['on the day it may fly past its reading', 4121, evening, midnight, ['yes', []]],
    ['after the day it may not', 4121, evening, later, ['no', [['hours', hours('0.8')]]]],
    ['after the day it may fly to its reading', 4121.8, midnight, '2026-12-01T06:00:00Z', ['yes', []]],
  ] as const)('%s', (_, then, starts, ends, expected) => {
    expect(answer(then, starts, ends)).toEqual(expected);
  });
});

describe('a flight that only its own facts refuse', () => {
  it('is refused where the aircraft was never approved for it', () => {
    const asked = (rules: string) => {
      const { flight } = decideBy(['ads'], { flight: { ...LESSON, rules } });
      return [flight?.answer, flight?.notApproved, flight?.timesContradict, flight?.closedBy];
    };
    expect([asked('vfr'), asked('ifr')]).toEqual([
      ['yes', false, false, []],
      ['no', true, false, []],
    ]);
  });
  it('is refused where its times contradict', () => {
    const { flight } = decideBy(['ads'], { flight: { ...LESSON, airborne: 2.01 } });
    expect([flight?.answer, flight?.notApproved, flight?.closedBy]).toEqual(['no', false, []]);
  });
});

describe('several flights of one aircraft', () => {
  it('each has what those before it leave', () => {
    const { facts, packs, asOf } = cleanCase({ meterReadings: { today: { value: 4206 } } });
    const prepared = prepare(facts, packs, asOf);
    const answers = answerFlights(prepared, decidePrepared(prepared, null, asOf), [
      flightOf({ id: 'b', starts: '2026-11-24T17:00:00Z', ends: '2026-11-24T19:00:00Z' }),
      flightOf({ id: 'a' }),
    ]);
    // 100 hours after 4108.7 h: 2.7 hours are left, and two lessons take three.
    expect(answers.map(({ flight, exceedances }) => [flight, exceedances.map(({ by }) => by)])).toEqual([
      ['a', []],
      ['b', [hours('0.3')]],
    ]);
  });
});

describe('a flight held to a number', () => {
  const held = (change: Change = {}): Change => ({
    dispatchRestrictions: {
      t: {
        happenedAt: '2026-11-24T10:00:00Z',
        recordedAt: '2026-11-24T10:00:00Z',
        why: 'Soft grass',
        by: 'Mira Holt',
        cap: { quantity: 'persons', bound: 'at-most', value: 2 },
        ...change,
      },
    },
  });
  const acts = (flight: Change) =>
    fly(flight, held()).own.flatMap(({ remedies }) => remedies.map(({ act, on }) => `${act} ${on ?? ''}`));
  it('that it passes can be changed, and that it does not state can be stated', () => {
    expect(acts({ persons: 3 })[0]).toBe('change-flight persons');
    expect(acts({})[0]).toBe('state-for-flight persons');
  });
  it('is asked of the whole flight where it needs what is capped', () => {
    expect(fly({ persons: 3 }, held()).own.map(({ reason }) => reason)).toEqual([
      { code: 'cap-passed', quantity: 'persons', bound: 'at-most', value: 2, planned: 3 },
    ]);
  });
});

describe('landings and tows that nobody stated', () => {
  const part = (meter: string, value: number): Change => ({
    aircraft: { approvedFor: 'all' },
    items: {
      part: {
        recordedAt: '2020-01-01T00:00:00Z',
        name: 'Part',
        kind: 'life-limit',
        interval: { counts: [{ meter, every: 1000 }] },
        done: {
          a: {
            recordedAt: '2020-01-01T20:00:00Z',
            completedOn: '2020-01-01',
            readings: { counts: { [meter]: 0 } },
            signedBy: mechanic,
          },
        },
      },
    },
    meterReadings: {
      count: { meter, happenedAt: '2026-11-23T21:10:00Z', recordedAt: '2026-11-23T21:12:00Z', value },
    },
  });
  it('are asked for by their name', () => {
    const asked = (flight: Change, meter: string) =>
      fly(flight, part(meter, 999)).own.flatMap(({ reason, remedies }) => [
        'what' in reason ? reason.what : reason.code,
        ...remedies.map(({ act, on }) => `${act} ${on ?? ''}`),
      ]);
    expect(asked({}, 'landings')).toEqual(['landings', 'state-for-flight landings']);
    expect(asked({ purpose: 'glider-towing', crew: 'rated-pilot' }, 'tow-launches')).toEqual([
      'tow-launches',
      'state-for-flight tow-launches',
    ]);
  });
  it('after flights that said how many they make, which are counted first', () => {
    const { facts, packs, asOf } = cleanCase(part('landings', 936));
    const prepared = prepare(facts, packs, asOf);
    const answers = (first: number) =>
      answerFlights(prepared, decidePrepared(prepared, null, asOf), [
        flightOf({ id: 'a', landings: first, ends: '2026-11-24T15:00:00Z', airborne: 0.9 }),
        flightOf({ id: 'b', starts: '2026-11-24T17:00:00Z', ends: '2026-11-24T19:00:00Z' }),
      ]).map(({ own }) => own.length);
    // Two hours hold at most sixty landings and one: 936 and 3 and 61 are 1000, which may be reached.
    expect([answers(3), answers(4)]).toEqual([
      [0, 0],
      [0, 1],
    ]);
  });
});

describe('what helps a flight', () => {
  const without = (...kinds: readonly string[]): Change => ({
    equipment: { list: { items: Object.fromEntries(kinds.map((kind) => [kind, 'not-fitted'])) } },
  });
  const plans = (flight: Change, change: Change) => {
    const {
      facts,
      packs,
      flight: planned,
      asOf,
    } = cleanCase({ ...change, flight: { ...LESSON, ...flight } });
    const prepared = prepare(facts, packs, asOf);
    const decision = decidePrepared(prepared, planned, asOf);
    return plansForFlight(prepared, decision, planned)?.plans.map(({ actions, minutes }) => [
      ...actions.map(({ act, on }) => `${act} ${on ?? ''}`.trim()),
      minutes,
    ]);
  };
  const acts = (flight: Change, change: Change) =>
    plans(flight, change)
      ?.flat()
      .filter((one) => typeof one === 'string') ?? [];
  it('air traffic control may let it in without the one thing that is missing, and not without another', () => {
    const asked = acts({ transponderAirspace: true }, without('transponder'));
    expect(asked.filter((one) => one.startsWith('obtain-atc'))).toEqual([
      'obtain-atc-authorisation transponder',
    ]);
  });
  it('excepted airspace helps an aircraft without an engine-driven electrical system, and no other', () => {
    const asked = (electrical: boolean) =>
      acts(
        { transponderAirspace: true },
        { ...without('transponder'), aircraft: { engineDrivenElectrical: electrical } },
      ).includes('state-for-flight exceptedAirspace');
    expect([asked(false), asked(true)]).toEqual([true, false]);
  });
  const crack: Change = {
    discrepancies: {
      c: { happenedAt: '2026-11-24T09:00:00Z', recordedAt: '2026-11-24T09:05:00Z', what: 'Crack' },
    },
  };
  it('what the aircraft’s own estimates say comes before the club’s, and the club’s before what is usual', () => {
    const minutes = (own: boolean, club: boolean) => {
      const { facts, packs, asOf } = cleanCase({
        ...crack,
        ...(own ? { estimates: { e: { act: 'repair-and-return-to-service', minutes: 11, cost: 1 } } } : {}),
      });
      const priced = club
        ? { ...packs, estimates: [{ act: 'repair-and-return-to-service' as const, minutes: 22, cents: 5 }] }
        : packs;
      const prepared = prepare(facts, priced, asOf);
      return plansToRelease(prepared, decidePrepared(prepared, null, asOf))?.plans[0]?.minutes;
    };
    expect([minutes(true, true), minutes(true, false), minutes(false, true)]).toEqual([11, 11, 22]);
    expect([11, 22]).not.toContain(minutes(false, false));
  });
});

describe('what a decision lists', () => {
  const permit = (uses: Json): Change => ({
    permits: {
      p: {
        recordedAt: '2026-11-24T12:00:00Z',
        number: 'P-1',
        registrationShown: 'N02TB',
        validFrom: '2026-11-24',
        validUntil: '2026-11-25',
        aboard: true,
        safeForFlight: { on: '2026-11-24', by: mechanic },
        uses,
      },
    },
  });
  it('of a permit only what it covers', () => {
    const decision = decideClean({
      ...permit([{ light: ['day'] }]),
      ...deferredLamp('lamp', 'Lamp dark', ['night']),
    });
    expect(decision.reliefs.map(({ covers }) => covers)).toEqual([[]]);
  });
  it('limits with what is left of each at that moment', () => {
    const at = (seconds: number) => {
      const { facts, packs, asOf } = cleanCase({});
      const decision = decidePrepared(prepare(facts, packs, asOf), null, addSeconds(asOf, seconds));
      return decision.firstLimit.time;
    };
    const [now, later] = [at(0), at(3600)];
    expect([now?.at, (now?.left ?? 0) - (later?.left ?? 0)]).toEqual([later?.at, 3_600_000]);
  });
  it('hours that are left are those of the meters that are given', () => {
    const { facts, packs, asOf } = cleanCase({});
    const prepared = prepare(facts, packs, asOf);
    const left = (service: string) =>
      decidePrepared(prepared, null, asOf, { ...prepared.meters, 'time-in-service': hours(service) })
        .firstLimit.hours?.left;
    expect((left('4150') ?? 0) - (left('4151') ?? 0)).toBe(3600);
    expect(decidePrepared(prepared, null, instant('2026-11-24T13:00:00Z')).asOf).toBe(asOf);
  });
});
