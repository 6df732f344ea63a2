import { describe, expect, it } from 'vitest';
import { cleanCase, decideBy, decideClean } from '@/testing/clean-case';
import { type Change, LESSON as lesson } from '@/testing/lesson';
import { hours } from '../quantities/hours';
import { addSeconds, instant, instantText } from '../time/instant';
import { decidePrepared } from './decide';
import type { Decision, LimitAhead } from './decision';
import { plansForFlight, plansForWanted, plansToRelease } from './in-the-way';
import { answerFlights } from './planned-flight';
import { prepare } from './prepare';

const shop = {
  name: 'Cape Reach Workshop',
  certificate: {
    kind: 'repair-station',
    number: 'RS-0417',
    validFrom: '2009-04-01',
    validUntil: 'no-expiry',
  },
};
const done = (readings: Change, on = '2026-10-02') => ({
  d: { recordedAt: `${on}T20:00:00Z`, completedOn: on, readings, signedBy: shop },
});
const item = (name: string, interval: Change, readings: Change, more: Change = {}): Change => ({
  [name]: {
    recordedAt: '2020-01-01T00:00:00Z',
    name,
    kind: 'service',
    interval,
    done: done(readings),
    ...more,
  },
});
const meter = (name: string, value: number): Change => ({
  [name]: { meter: name, happenedAt: '2026-11-23T21:10:00Z', recordedAt: '2026-11-23T21:12:00Z', value },
});
const closedBy = (why: string, change: Change = {}): Change => ({
  [why]: {
    happenedAt: '2026-11-24T10:00:00Z',
    recordedAt: '2026-11-24T10:00:00Z',
    why,
    by: 'Mira Holt',
    ...change,
  },
});
const ahead = ({ limits }: Pick<Decision, 'limits'>) =>
  limits.map((limit) => `${limit.currency} ${limit.constraint.id} ${limit.left}`);
const named = (limit: LimitAhead | null) => (limit === null ? null : `${limit.constraint.id} ${limit.left}`);

describe('what lies ahead', () => {
  const two: Change = {
    items: {
      ...item('Oil', { hours: [{ meter: 'engine', every: 50 }] }, { hours: { engine: 1000 } }),
      ...item(
        'Hose',
        { hours: [{ meter: 'time-in-service', every: 60 }] },
        { hours: { 'time-in-service': 4108.7 } },
      ),
      ...item('Bolt', { counts: [{ meter: 'landings', every: 500 }] }, { counts: { landings: 100 } }),
      ...item('Hook', { counts: [{ meter: 'cycles', every: 90 }] }, { counts: { cycles: 10 } }),
    },
    meterReadings: { ...meter('engine', 1040), ...meter('landings', 400), ...meter('cycles', 60) },
  };
  const decision = () => decideBy(['maintenance-items', 'annual-inspection'], two);
  it('stands in hours, then counts, then time, each the nearest first, though on several meters', () => {
    const time = instant('2027-04-01T03:00:00Z') - instant('2026-11-24T13:00:00Z');
    expect(ahead(decision())).toEqual([
      `hours maintenance-items/Oil.engine ${hours('10')}`,
      `hours maintenance-items/Hose.time-in-service ${hours('18.4')}`,
      'count maintenance-items/Hook.cycles 40',
      'count maintenance-items/Bolt.landings 200',
      `time annual-inspection/annual ${time}`,
    ]);
  });
  it('has a first of each kind', () => {
    const { firstLimit } = decision();
    expect([named(firstLimit.hours), named(firstLimit.landings)]).toEqual([
      `maintenance-items/Oil.engine ${hours('10')}`,
      'maintenance-items/Hook.cycles 40',
    ]);
  });
  it('the other way round too', () => {
    const { firstLimit } = decideBy(['maintenance-items'], {
      ...two,
      meterReadings: { ...meter('engine', 1010), ...meter('landings', 590), ...meter('cycles', 20) },
    });
    expect([named(firstLimit.hours), named(firstLimit.landings)]).toEqual([
      `maintenance-items/Hose.time-in-service ${hours('18.4')}`,
      'maintenance-items/Bolt.landings 10',
    ]);
  });
  it('of equal ones the id settles it', () => {
    const same = decideBy(['maintenance-items'], {
      items: {
        ...item(
          'B',
          { hours: [{ meter: 'time-in-service', every: 60 }] },
          { hours: { 'time-in-service': 4108.7 } },
        ),
        ...item(
          'A',
          { hours: [{ meter: 'time-in-service', every: 60 }] },
          { hours: { 'time-in-service': 4108.7 } },
        ),
      },
    });
    expect([ahead(same).map((one) => one.split(' ')[1]), named(same.firstLimit.hours)]).toEqual([
      ['maintenance-items/A.time-in-service', 'maintenance-items/B.time-in-service'],
      `maintenance-items/A.time-in-service ${hours('18.4')}`,
    ]);
  });
  it('a step before flight, or a limit on uses that are not ordinary, is not what limits it first', () => {
    const { firstLimit, limits } = decideBy(['stale-records', 'annual-inspection', 'maintenance-items'], {
      packs: [
        { id: 'us-part91' },
        { id: 'club-policy', parameters: { documentCheckDays: 10, readingDays: 10 } },
      ],
      items: item(
        'Ferry-kit',
        { hours: [{ meter: 'time-in-service', every: 60 }] },
        { hours: { 'time-in-service': 4108.7 } },
        { uses: [{ purpose: ['positioning-to-maintenance'] }] },
      ),
    });
    expect([firstLimit.time?.constraint.id, firstLimit.hours, limits.length > 5]).toEqual([
      'annual-inspection/annual',
      null,
      true,
    ]);
  });
  it('a limit that has come is ahead no longer', () => {
    expect(ahead(decideBy(['annual-inspection'], { asOf: '2027-04-01T03:00:00Z' }))).toEqual([]);
  });
  it('what ended by itself is neither ahead nor in force', () => {
    const over = decideBy(['dispatch-restrictions'], {
      dispatchRestrictions: closedBy('Wind', { until: '2026-11-24T13:00:00Z' }),
    });
    expect([over.constraints, over.limits, over.holdsUntil]).toEqual([[], [], null]);
  });
});

describe('until when an answer holds', () => {
  const until = (change: Change, rules = ['dispatch-restrictions', 'annual-inspection']) => {
    const { holdsUntil } = decideBy(rules, change);
    return holdsUntil === null ? null : instantText(holdsUntil);
  };
  it.each([
    ['the next limit', {}, '2027-04-01T03:00:00Z'],
    [
      'the end of what is closed now',
      { dispatchRestrictions: closedBy('Wind', { until: '2026-11-24T18:00:00Z' }) },
      '2026-11-24T18:00:00Z',
    ],
    [
      'the sooner of two ends',
      {
        dispatchRestrictions: {
          ...closedBy('Wind', { until: '2026-11-24T18:00:00Z' }),
          ...closedBy('Ice', { until: '2026-11-24T17:00:00Z' }),
        },
      },
      '2026-11-24T17:00:00Z',
    ],
    [
      'a limit before an end',
      { dispatchRestrictions: closedBy('Wind', { until: '2027-05-01T18:00:00Z' }) },
      '2027-04-01T03:00:00Z',
    ],
  ] as const)('%s', (_, change, expected) => {
    expect(until(change)).toBe(expected);
  });
  it('for ever, where nothing is ahead', () => {
    expect(until({}, ['approved-uses'])).toBeNull();
  });
  const permit = (validFrom: string, validUntil: string): Change => ({
    permits: {
      [validFrom]: {
        recordedAt: '2026-11-24T12:00:00Z',
        number: 'P-1',
        registrationShown: 'N02TB',
        validFrom,
        validUntil,
        aboard: true,
        safeForFlight: { on: '2026-11-24', by: shop },
      },
    },
  });
  it.each([
    ['a permit’s end', permit('2026-11-24', '2026-11-25'), '2026-11-26T04:00:00Z'],
    ['a permit’s beginning', permit('2026-11-27', '2026-11-28'), '2026-11-27T04:00:00Z'],
    [
      'the first of two',
      {
        permits: {
          ...(permit('2026-11-24', '2026-11-30')['permits'] as Change),
          ...(permit('2026-11-26', '2026-11-28')['permits'] as Change),
        },
      },
      '2026-11-26T04:00:00Z',
    ],
    ['a limit before a permit’s end', permit('2026-11-24', '2027-06-01'), '2027-04-01T03:00:00Z'],
    ['nothing of a permit that is over', permit('2026-11-20', '2026-11-23'), '2027-04-01T03:00:00Z'],
  ] as const)('%s', (_, change, expected) => {
    expect(until(change)).toBe(expected);
  });
});

describe('what is said beside the verdict', () => {
  it('what was not checked depends on what was given', () => {
    const always = ['pilot-licence-medical-currency', 'weather-and-notices', 'loading'];
    expect(decideClean().notChecked).toEqual([...always, 'fuel-and-oil-aboard', 'walk-round']);
    expect(decideClean({ ramp: {} }).notChecked).toEqual(always);
    expect(decideClean({ ramp: {}, packs: [{ id: 'us-part91' }] }).notChecked).toEqual([
      ...always,
      'club-policy',
    ]);
  });
  it('whether the aircraft is there', () => {
    const out = (id: string, back: boolean): Change => ({
      [id]: {
        happenedAt: '2026-11-24T11:00:00Z',
        recordedAt: '2026-11-24T11:01:00Z',
        by: 'Rosa Dane',
        ...(back ? { returned: { recordedAt: '2026-11-24T12:00:00Z', at: '2026-11-24T11:55:00Z' } } : {}),
      },
    });
    const there = (flightsOut: Change) => decideClean({ flightsOut }).availability;
    expect([
      there({}),
      there(out('a', true)),
      there(out('a', false)),
      there({ ...out('a', false), ...out('b', true) }),
      there({ ...out('a', false), ...out('b', false) }),
    ]).toEqual(['here', 'here', 'out', 'out', 'contradicts']);
  });
  it('each rule with its answer and its own constraints in order', () => {
    const rule = (id: string, change: Change) => {
      const found = decideClean(change).rules.find((one) => one.id === id);
      return [found?.answer, found?.constraints];
    };
    expect(rule('annual-inspection', {})).toEqual(['met', []]);
    expect(rule('annual-inspection', { inspections: { 'annual-2026': null } })).toEqual([
      'unknown',
      ['annual-inspection/annual'],
    ]);
    expect(
      rule('documents-aboard', {
        documents: { loading: { aboard: false }, airworthiness: { displayed: null } },
      }),
    ).toEqual([
      'closes',
      [
        'documents-aboard/airworthiness-certificate.certificate-display-unknown',
        'documents-aboard/weight-and-balance.document-not-aboard',
      ],
    ]);
    expect(rule('fuel-quality', {})).toEqual(['not-asked', []]);
    expect(rule('hundred-hour-inspection', { meterReadings: { today: { value: 4208.7 } } })).toEqual([
      'closes',
      ['hundred-hour-inspection/due'],
    ]);
  });
  it('the meters, and the time in service where it is known', () => {
    expect([
      decideClean().timeInService,
      decideClean({ meterReadings: null }).timeInService,
      decideClean({ meterReadings: meter('engine', 12) }).meters.engine,
    ]).toEqual([hours('4150.3'), null, hours('12')]);
  });
  it('with a limit on a meter that nobody read, how to know it', () => {
    const unread = decideBy(['hundred-hour-inspection'], { meterReadings: null }).constraints.find(
      ({ key }) => key === 'due',
    );
    const wrong = decideBy(['hundred-hour-inspection'], {
      meterReadings: {
        old: {
          meter: 'time-in-service',
          happenedAt: '2026-11-20T12:00:00Z',
          recordedAt: '2026-11-20T12:00:00Z',
          value: 4151,
        },
      },
    }).constraints.find(({ key }) => key === 'due');
    expect([
      unread?.remedies.map(({ act, on }) => [act, on]),
      wrong?.remedies.map(({ act, on }) => [act, on]),
    ]).toEqual([
      [['record-meter-reading', 'time-in-service']],
      [['correct-meter-reading', 'time-in-service']],
    ]);
  });
});

describe('remedies', () => {
  const ask = (change: Change) => {
    const { facts, packs, flight, wanted, asOf } = cleanCase(change);
    const prepared = prepare(facts, packs, asOf);
    const decision = decidePrepared(prepared, flight, asOf, undefined, wanted);
    const acts = (plans: ReturnType<typeof plansForFlight>) =>
      plans === null ? null : plans.plans.map(({ actions }) => actions.map(({ act }) => act));
    return {
      flight: acts(plansForFlight(prepared, decision, flight)),
      wanted: acts(plansForWanted(prepared, decision)),
      release: acts(plansToRelease(prepared, decision)),
      unflown: acts(plansForFlight(prepared, decision, null)),
    };
  };
  const WANT: Change = {
    wanted: [{ light: ['day'], rules: ['vfr'], purpose: ['private-rental'], overWater: ['within-glide'] }],
  };
  it('there is none to ask for where nothing is asked, or nothing stands in the way', () => {
    expect(ask({})).toEqual({ flight: null, wanted: null, release: null, unflown: null });
    expect(ask({ flight: lesson, ...WANT })).toEqual({
      flight: null,
      wanted: null,
      release: null,
      unflown: null,
    });
  });
  it('nor where the aircraft never had the use, or the flight’s times contradict', () => {
    expect(ask({ flight: { ...lesson, rules: 'ifr' }, wanted: [{ rules: ['ifr'] }] })).toEqual({
      flight: null,
      wanted: null,
      release: null,
      unflown: null,
    });
    expect(ask({ flight: { ...lesson, ends: '2026-11-24T13:30:00Z' } }).flight).toBeNull();
  });
  it('one for the flight, one for the uses, one to release it', () => {
    expect(ask({ documents: { loading: { aboard: false } }, flight: lesson, ...WANT })).toEqual({
      flight: [['put-document-aboard']],
      wanted: [['put-document-aboard']],
      release: [['put-document-aboard']],
      unflown: null,
    });
  });
  it('a number that it is held to has to go for a release, and not for uses within it', () => {
    expect(
      ask({
        dispatchRestrictions: closedBy('Grass', { cap: { quantity: 'persons', bound: 'at-most', value: 2 } }),
        ...WANT,
      }),
    ).toMatchObject({ wanted: null, release: [['withdraw-dispatch-restriction']] });
    expect(
      ask({
        dispatchRestrictions: {
          ...closedBy('Grass', { cap: { quantity: 'persons', bound: 'at-most', value: 2 } }),
          ...closedBy('Wind'),
        },
        ...WANT,
      }).wanted,
    ).toEqual([['withdraw-dispatch-restriction']]);
  });
  const entry = (change: Change): Change => ({
    inspections: { 'annual-2026': null, 'hundred-2026-10': { signedBy: null, ...change } },
  });
  it('completing an old entry is one only while it would hold', () => {
    const first = (change: Change) => ask(change).release?.map(([act]) => act);
    expect(
      first({
        ...entry({}),
        packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }],
        inspections: { 'annual-2026': {}, 'hundred-2026-10': { signedBy: null } },
        meterReadings: { today: { value: 4208.69 } },
      }),
    ).toContain('complete-inspection-entry');
    expect(
      first({
        packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }],
        inspections: { 'hundred-2026-10': { signedBy: null } },
        meterReadings: { today: { value: 4208.7 } },
      }),
    ).not.toContain('complete-inspection-entry');
  });
  it('and for a flight only where it holds to the flight’s end', () => {
    const at = (value: number) =>
      ask({
        packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }],
        inspections: { 'hundred-2026-10': { signedBy: null } },
        meterReadings: { today: { value } },
        flight: lesson,
      }).flight?.some((acts) => acts.includes('complete-inspection-entry'));
    expect([at(4207.2), at(4207.21)]).toEqual([true, false]);
    const until = (ends: string) =>
      ask({
        inspections: { 'annual-2026': { signedBy: null } },
        asOf: '2027-03-31T12:00:00Z',
        meterReadings: { today: { value: 4150.3 } },
        flight: { ...lesson, starts: '2027-04-01T01:00:00Z', ends, airborne: 0.5 },
      }).flight?.some((acts) => acts.includes('complete-inspection-entry'));
    expect([until('2027-04-01T03:00:00Z'), until('2027-04-01T03:00:01Z')]).toEqual([true, false]);
  });
  it('a permit in force that covers all of the wanted uses leaves nothing to do', () => {
    const crack: Change = {
      discrepancies: {
        c: { happenedAt: '2026-11-24T09:00:00Z', recordedAt: '2026-11-24T09:05:00Z', what: 'Crack' },
      },
      permits: {
        p: {
          recordedAt: '2026-11-24T12:00:00Z',
          number: 'P-1',
          registrationShown: 'N02TB',
          validFrom: '2026-11-24',
          validUntil: '2026-11-25',
          aboard: true,
          safeForFlight: { on: '2026-11-24', by: shop },
        },
      },
    };
    const ferry = {
      light: ['day'],
      rules: ['vfr'],
      purpose: ['positioning-to-maintenance'],
      overWater: ['within-glide'],
      passengers: ['none'],
    };
    expect([
      ask({ ...crack, wanted: [ferry] }).wanted,
      ask({ ...crack, wanted: [{ ...ferry, passengers: ['none', 'aboard'] }] }).wanted,
    ]).toEqual([null, [['repair-and-return-to-service']]]);
    expect(ask({ ...crack, documents: { loading: { aboard: false } }, wanted: [ferry] }).wanted).toEqual([
      ['put-document-aboard'],
    ]);
  });
});

describe('several flights', () => {
  it('are taken by their start, then by their id, and each adds to every meter', () => {
    const { facts, packs, asOf } = cleanCase({
      items: {
        ...item('Oil', { hours: [{ meter: 'engine', every: 50 }] }, { hours: { engine: 1000 } }),
        ...item('Prop', { hours: [{ meter: 'propeller', every: 50 }] }, { hours: { propeller: 2000 } }),
        ...item('Block', { hours: [{ meter: 'block', every: 50 }] }, { hours: { block: 3000 } }),
        ...item('Bolt', { counts: [{ meter: 'landings', every: 500 }] }, { counts: { landings: 100 } }),
        ...item('Gear', { counts: [{ meter: 'cycles', every: 500 }] }, { counts: { cycles: 100 } }),
      },
      meterReadings: {
        ...meter('engine', 1047),
        ...meter('propeller', 2047),
        ...meter('block', 3047),
        ...meter('landings', 594),
        ...meter('cycles', 594),
      },
    });
    const prepared = prepare(facts, packs, asOf);
    const flight = (id: string, hour: number) => ({
      id,
      starts: addSeconds(asOf, hour * 3600),
      ends: addSeconds(asOf, (hour + 2) * 3600),
      airborne: hours('1'),
      purpose: 'instruction-school-aircraft' as const,
      crew: 'dual' as const,
      rules: 'vfr' as const,
      range: 'local' as const,
      light: null,
      transponderAirspace: false,
      adsbAirspace: false,
      beyondGlideOverWater: false,
      passengers: false,
      places: [],
      persons: null,
      load: null,
      landings: 4,
      towLaunches: null,
      toAlternate: null,
      fuelPlanned: null,
      reliesOnVor: null,
      reliesOnDatabase: null,
      trainingWithin50Miles: null,
      altitudeFeet: null,
      authorisedWithout: [],
      exceptedAirspace: null,
    });
    const answers = answerFlights(prepared, decidePrepared(prepared, null, asOf), [
      flight('b', 1),
      flight('a', 1),
      flight('c', 0.5),
    ]);
    expect(answers.map(({ flight: id }) => id)).toEqual(['c', 'a', 'b']);
    // Two hours of engine and four landings each: three hours and six landings are left.
    expect(
      answers.map(({ exceedances }) => exceedances.map(({ constraint, by }) => `${constraint.key} ${by}`)),
    ).toEqual(
      [
        [],
        ['Block.block 3600', 'Oil.engine 3600', 'Prop.propeller 3600', 'Bolt.landings 2', 'Gear.cycles 2'],
        ['Block.block 10800', 'Oil.engine 10800', 'Prop.propeller 10800', 'Bolt.landings 6', 'Gear.cycles 6'],
      ].map((list) => expect.arrayContaining(list) as string[]),
    );
  });
});
