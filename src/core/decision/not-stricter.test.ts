// What a rule leaves open stays open: strict answers without a reason make people lie to the software.
import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { cleanCase, codes, decideBy } from '@/testing/clean-case';
import { addSeconds } from '../time/instant';
import { decidePrepared } from './decide';
import { plansForFlight } from './in-the-way';
import { prepare } from './prepare';
import { timeline } from './timeline';
import { chosenRules } from '../rules/register';

type Change = { readonly [key: string]: Json };
const certificate = (kind: string): Json => ({
  name: 'Rosa Dane',
  certificate: { kind, number: 'X-114', validFrom: '2000-01-01', validUntil: 'no-expiry' },
});
const FLIGHT: Change = {
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
};
const answer = (rules: readonly string[], change: Change) =>
  decideBy([...rules, 'approved-uses'], change).flight?.answer;
/** Halifax midnight is 04:00Z. */
const OVERNIGHT: Change = { ...FLIGHT, starts: '2026-11-25T03:30:00Z', ends: '2026-11-25T05:00:00Z' };
const NEXT_DAY: Change = { ...FLIGHT, starts: '2026-11-25T04:00:00Z', ends: '2026-11-25T05:00:00Z' };
const seen = { happenedAt: '2026-11-24T12:30:00Z', recordedAt: '2026-11-24T12:30:30Z' };

// Common practice, no source: a check for the day is asked for before a flight leaves, and not again while it is in the air.
describe('a flight over midnight', () => {
  const daily = {
    packs: [{ id: 'au-maintenance-release' }],
    dailyInspections: {
      d: { recordedAt: '2026-11-24T12:00:00Z', on: '2026-11-24', signedBy: certificate('pilot') },
    },
  };
  const oil = { ramp: { measurements: { oil: { ...seen, quantity: 'oil', value: 6, unit: 'US qt' } } } };
  it.each([
    [
      'that leaves today is not asked for tomorrow’s daily inspection',
      ['daily-inspection'],
      { ...daily, flight: OVERNIGHT },
      'yes',
    ],
    ['that leaves tomorrow is', ['daily-inspection'], { ...daily, flight: NEXT_DAY }, 'yes-after'],
    [
      'that leaves today is not asked for tomorrow’s oil',
      ['measured-limits'],
      { ...oil, flight: OVERNIGHT },
      'yes',
    ],
    [
      'that leaves tomorrow is asked for its oil',
      ['measured-limits'],
      { ...oil, flight: NEXT_DAY },
      'yes-after',
    ],
  ] as const)('%s', (_, rules, change, expected) => {
    expect(answer(rules, change)).toBe(expected);
  });
  it('the timeline says the same', () => {
    const { facts, packs, asOf, flight } = cleanCase({ ...daily, flight: OVERNIGHT });
    if (flight === null) throw new Error('the case has a flight');
    const prepared = prepare(
      facts,
      packs,
      asOf,
      chosenRules(packs).filter(({ rule }) => rule.id === 'daily-inspection'),
    );
    const ahead = timeline(prepared, [flight], asOf, addSeconds(asOf, 172_800)).flights[0];
    expect([ahead?.closedBy, ahead?.exceedances]).toEqual([[], []]);
  });
});

// The handbook's limit on the difference; common practice, no source.
describe('the difference between the ignitions', () => {
  const drop = (which: string, value: number, time = '12:30') => ({
    happenedAt: `2026-11-24T${time}:00Z`,
    recordedAt: `2026-11-24T${time}:30Z`,
    quantity: 'ignition-drop',
    which,
    value,
    unit: 'rpm',
  });
  const verdict = (measurements: Change) =>
    decideBy(['measured-limits', 'approved-uses'], {
      ramp: { measurements: { oil: { ...seen, quantity: 'oil', value: 6, unit: 'US qt' }, ...measurements } },
    }).verdict;
  it.each([
    ['one drop alone says nothing of it', { l: drop('left', 300) }, 'Released'],
    // The limit of the clean trainer is open: under 125.
    ['124 apart', { l: drop('left', 174), r: drop('right', 50) }, 'Released'],
    ['125 apart', { l: drop('left', 50), r: drop('right', 175) }, 'Grounded'],
    [
      'the latest of each counts',
      { l: drop('left', 300, '12:00'), again: drop('left', 100, '12:20'), r: drop('right', 80) },
      'Released',
    ],
    [
      'of two of one moment the further counts',
      { l: drop('left', 300), m: drop('left', 100), r: drop('right', 80) },
      'Grounded',
    ],
    [
      'a difference that was measured later stands in its place',
      {
        l: drop('left', 300, '12:00'),
        r: drop('right', 80, '12:00'),
        d: { ...seen, quantity: 'ignition-difference', value: 40, unit: 'rpm' },
      },
      'Released',
    ],
  ] as const)('%s', (_, measurements, expected) => {
    expect(verdict(measurements)).toBe(expected);
  });
});

// 14 CFR 91.319(d)(2) as before 24 July 2026 (from memory): by day and visually 'unless otherwise specifically authorized'.
describe('what the operating limitations of an experimental aircraft authorise', () => {
  const open = (authorised: readonly string[] | null, light: string, rules: string) =>
    decideBy(['category-limits', 'approved-uses'], {
      aircraft: {
        category: 'experimental',
        approvedFor: 'all',
        ...(authorised === null ? {} : { authorised: [...authorised] }),
      },
      wanted: [{ light: [light], rules: [rules], purpose: ['instruction-own-aircraft'] }],
    }).wanted?.answer;
  it.each([
    [null, 'day', 'vfr', 'yes'],
    [null, 'night', 'vfr', 'no'],
    [null, 'dusk', 'vfr', 'no'],
    [null, 'day', 'ifr', 'no'],
    [[], 'night', 'vfr', 'no'],
    [['night'], 'night', 'vfr', 'yes'],
    [['night'], 'dusk', 'vfr', 'yes'],
    [['night'], 'day', 'ifr', 'no'],
    [['night'], 'night', 'ifr', 'no'],
    [['instruments'], 'day', 'ifr', 'yes'],
    [['instruments'], 'night', 'vfr', 'no'],
    [['instruments'], 'night', 'ifr', 'no'],
    [['night', 'instruments'], 'night', 'ifr', 'yes'],
  ] as const)('%j: %s, %s: %s', (authorised, light, rules, expected) => {
    expect(open(authorised, light, rules)).toBe(expected);
  });
  it('never hire', () => {
    expect(
      decideBy(['category-limits', 'approved-uses'], {
        aircraft: { category: 'experimental', approvedFor: 'all', authorised: ['night', 'instruments'] },
        wanted: [{ purpose: ['private-rental'] }],
      }).wanted?.answer,
    ).toBe('no');
  });
});

// 14 CFR 39.3 to 39.27 (from memory): an AD binds from the day on which it takes effect, by the limits and the methods that it states.
describe('airworthiness directives', () => {
  const ad = (change: Change): Change => ({
    ads: {
      x: {
        recordedAt: '2026-11-01T12:00:00Z',
        number: '2026-01-05',
        title: 'Seat rail',
        applies: true,
        effectiveOn: '2026-10-01',
        noFerry: false,
        equipment: [],
        methods: { look: { name: 'Look' } },
        ...change,
      },
    },
  });
  const verdict = (change: Change, more: Change = {}) =>
    decideBy(['ads', 'approved-uses'], { ...ad(change), ...more }).verdict;
  it.each([
    ['2026-11-24', 'Grounded'],
    ['2026-11-25', 'Released'],
    [null, 'Grounded'],
  ] as const)('before further flight, in effect on %s: %s', (effectiveOn, expected) => {
    expect(verdict({ effectiveOn })).toBe(expected);
  });
  it('takes effect at the field’s midnight', () => {
    const at = (asOf: string) =>
      decideBy(['ads', 'approved-uses'], { ...ad({ effectiveOn: '2026-11-25' }), asOf }).verdict;
    expect([at('2026-11-25T03:59:59Z'), at('2026-11-25T04:00:00Z')]).toEqual(['Released', 'Grounded']);
  });
  it.each([
    [true, 'pilot', 'Released'],
    [true, 'student-pilot', 'Grounded'],
    [false, 'pilot', 'Grounded'],
    [false, 'mechanic-airframe-powerplant', 'Released'],
  ] as const)('a method that a pilot may sign: %s; signed by a %s: %s', (pilotMaySign, kind, expected) => {
    const done = {
      c: {
        recordedAt: '2026-11-20T20:00:00Z',
        completedOn: '2026-11-20',
        method: 'look',
        signedBy: certificate(kind),
      },
    };
    expect(verdict({ methods: { look: { name: 'Look', pilotMaySign } }, done })).toBe(expected);
  });

  const initial = (change: Change) => ({
    initial: { hours: [{ meter: 'time-in-service', every: 50 }], ...change } as Json,
    readingsThen: { hours: { 'time-in-service': 4110 } },
  });
  // In effect on 1 Oct 2026 at 4110.0 h; the clean trainer stands at 4150.3 h on 24 Nov 2026, and 50 hours are reached at 4160.0 h.
  it.each([
    ['neither is over', { months: 2, whichever: 'later' }, 4159.9, 'Released'],
    ['the hours are over, the months are not', { months: 2, whichever: 'later' }, 4160, 'Released'],
    ['the months are over, the hours are not', { months: 1, whichever: 'later' }, 4159.9, 'Released'],
    ['a day is over, the hours are not', { days: 30, whichever: 'later' }, 4159.9, 'Released'],
    ['both are over', { days: 30, whichever: 'later' }, 4160, 'Grounded'],
    ['whichever comes first: the hours are over', { months: 2, whichever: 'first' }, 4160, 'Grounded'],
    ['nothing said, which is first: a day is over', { days: 30 }, 4150.3, 'Grounded'],
  ] as const)('whichever comes later: %s', (_, limits, value, expected) => {
    expect(verdict(initial(limits), { meterReadings: { today: { value } } })).toBe(expected);
  });
  it('whichever comes later: the flight may pass its hours before the day, and not after it', () => {
    const fly = (limits: Change, flight: Change) =>
      decideBy(['ads', 'approved-uses'], {
        ...ad(initial(limits)),
        meterReadings: { today: { value: 4159.5 } },
        flight,
      }).flight?.answer;
    expect([
      fly({ months: 2, whichever: 'later' }, FLIGHT),
      fly({ days: 30, whichever: 'later' }, FLIGHT),
    ]).toEqual(['yes', 'no']);
    // 54 days after 1 Oct is 24 Nov: the flight ends after it.
    expect([
      fly({ days: 54, whichever: 'later' }, OVERNIGHT),
      fly({ days: 54, whichever: 'later' }, FLIGHT),
    ]).toEqual(['no', 'yes']);
  });
  it('whichever comes later, with a reading that nobody knows: the day decides', () => {
    const unknown = (limits: Change) => verdict({ ...initial(limits), readingsThen: null });
    expect([
      unknown({ months: 2, whichever: 'later' }),
      unknown({ days: 30, whichever: 'later' }),
      unknown({ whichever: 'later' }),
    ]).toEqual(['Released', 'Grounded', 'Grounded']);
  });
  it('whichever comes later, again and again', () => {
    const done = {
      c: {
        recordedAt: '2026-10-10T20:00:00Z',
        completedOn: '2026-10-10',
        readings: { hours: { 'time-in-service': 4115 } },
        method: 'look',
        signedBy: certificate('repair-station'),
      },
    };
    const again = (whichever: string, value: number) =>
      verdict(
        {
          methods: {
            look: {
              name: 'Look',
              repeats: { days: 30, hours: [{ meter: 'time-in-service', every: 40 }], whichever },
            },
          },
          done,
        },
        { meterReadings: { today: { value } } },
      );
    expect([again('later', 4154.9), again('later', 4155), again('first', 4154.9)]).toEqual([
      'Released',
      'Grounded',
      'Grounded',
    ]);
  });

  it('a limit of a part and one of the aircraft on one meter are two, whichever comes first', () => {
    const both = (component: Change): Change => ({
      ...initial({}),
      component: {
        name: 'Magneto',
        meter: 'time-in-service',
        limit: 500,
        hoursThen: 380,
        readingThen: 4100,
        ...component,
      },
    });
    const asked = (change: Change, value: number) =>
      decideBy(['ads', 'approved-uses'], { ...ad(change), meterReadings: { today: { value } } });
    // The aircraft's 50 hours end at 4160.0 h, the part's 500 at 4220.0 h, or at 4140.0 h where it had 460.
    expect(
      asked(both({}), 4150.3).limits.map(({ constraint: { id }, at }) => `${id} ${Number(at) / 3600}`),
    ).toEqual(['ads/x.time-in-service 4160', 'ads/x.part.time-in-service 4220']);
    expect([
      asked(both({}), 4159.9).verdict,
      asked(both({}), 4160).verdict,
      asked(both({ hoursThen: 460 }), 4150.3).verdict,
    ]).toEqual(['Released', 'Grounded', 'Grounded']);
  });

  // A magneto put in at 4100.0 h with 450 hours of its own: 500 of them are reached at 4150.0 h.
  const magneto = (change: Change = {}) => ({
    component: {
      name: 'Magneto',
      meter: 'time-in-service',
      limit: 500,
      hoursThen: 450,
      readingThen: 4100,
      ...change,
    },
  });
  it.each([
    ['the hours of a part', magneto(), 4149.9, 'Released'],
    ['the hours of a part, reached', magneto(), 4150, 'Grounded'],
    ['the same before the AD takes effect', { ...magneto(), effectiveOn: '2026-11-25' }, 4150, 'Released'],
    ['the same from that day on', { ...magneto(), effectiveOn: '2026-11-24' }, 4150, 'Grounded'],
    ['a newer part', magneto({ hoursThen: 380 }), 4219.9, 'Released'],
    ['hours of the part unknown', magneto({ hoursThen: null }), 4120, 'Grounded'],
    ['the reading then unknown', magneto({ readingThen: null }), 4120, 'Grounded'],
    [
      'by its hours or 60 hours after it took effect, whichever comes later',
      { ...magneto(), ...initial({ hours: [{ meter: 'time-in-service', every: 60 }], whichever: 'later' }) },
      4169.9,
      'Released',
    ],
    [
      'the same, both over',
      { ...magneto(), ...initial({ hours: [{ meter: 'time-in-service', every: 60 }], whichever: 'later' }) },
      4170,
      'Grounded',
    ],
  ] as const)('%s at %s', (_, change, value, expected) => {
    expect(verdict(change as Change, { meterReadings: { today: { value } } })).toBe(expected);
  });
});

// 14 CFR 91.215(b)(3), (5) and (d), 91.225(e) and (g) (from memory).
describe('airspace that asks for a transponder and ADS-B Out', () => {
  const RULES = ['required-equipment', 'transponder-test'];
  const without = (...kinds: readonly string[]): Change => ({
    equipment: { list: { items: Object.fromEntries(kinds.map((kind) => [kind, 'not-fitted'])) } },
  });
  const into = (change: Change): Change => ({
    flight: { ...FLIGHT, transponderAirspace: true, adsbAirspace: false, ...change },
  });
  it.each([
    ['no transponder', without('transponder'), {}, 'no'],
    ['no transponder, authorised', without('transponder'), { authorisedWithout: ['transponder'] }, 'yes'],
    [
      'no transponder, authorised without ADS-B Out alone',
      without('transponder'),
      { authorisedWithout: ['ads-b-out'] },
      'no',
    ],
    [
      'a flight that does not say where it goes, authorised',
      without('transponder'),
      { authorisedWithout: ['transponder'], transponderAirspace: null },
      'yes',
    ],
    [
      'both airspaces, authorised without both',
      without('transponder'),
      { adsbAirspace: true, authorisedWithout: ['transponder', 'ads-b-out'] },
      'yes',
    ],
    [
      'both airspaces, authorised without one',
      without('transponder'),
      { adsbAirspace: true, authorisedWithout: ['transponder'] },
      'no',
    ],
    [
      'excepted airspace, with an engine-driven electrical system',
      without('transponder'),
      { exceptedAirspace: true },
      'no',
    ],
    [
      'excepted airspace, without one',
      { ...without('transponder'), aircraft: { engineDrivenElectrical: false } },
      { exceptedAirspace: true },
      'yes',
    ],
    [
      'excepted airspace, a glider',
      { ...without('transponder'), aircraft: { aircraftClass: 'glider' } },
      { exceptedAirspace: true },
      'yes',
    ],
    [
      'not said to be excepted airspace, without one',
      { ...without('transponder'), aircraft: { engineDrivenElectrical: false } },
      {},
      'no',
    ],
  ] as const)('%s', (_, change, flight, expected) => {
    expect(answer(RULES, { ...change, ...into(flight) } as Change)).toBe(expected);
  });
  it('an authorisation for one flight opens nothing else', () => {
    const decision = decideBy(RULES, {
      ...without('transponder'),
      ...into({ authorisedWithout: ['transponder'] }),
    });
    expect([decision.verdict, decision.flight?.answer, codes(decision)]).toEqual([
      'Restricted',
      'yes',
      ['equipment-not-fitted', 'equipment-not-fitted'],
    ]);
  });
  const plans = (change: Change) => {
    const { facts, packs, asOf, flight } = cleanCase(change);
    const prepared = prepare(
      facts,
      packs,
      asOf,
      chosenRules(packs).filter(({ rule }) => RULES.includes(rule.id)),
    );
    return plansForFlight(prepared, decidePrepared(prepared, flight, asOf), flight)?.plans.map(
      ({ actions }) => actions.map(({ act, on }) => `${act}(${on ?? ''})`).join(' + '),
    );
  };
  it.each([
    ['one of them', into({}), ['obtain-atc-authorisation(transponder)', 'install-equipment(transponder)']],
    [
      'both, where the transponder serves ADS-B Out',
      into({ adsbAirspace: true }),
      [
        'obtain-atc-authorisation(ads-b-out) + obtain-atc-authorisation(transponder)',
        'install-equipment(transponder)',
      ],
    ],
  ] as const)('is a remedy: %s', (_, change, expected) => {
    expect(plans({ ...without('transponder'), ...change })).toEqual(expected);
  });
  it('of an aircraft that is excepted, so is saying where the flight keeps', () => {
    expect(
      plans({ ...without('transponder'), aircraft: { engineDrivenElectrical: false }, ...into({}) })?.[0],
    ).toBe('state-for-flight(exceptedAirspace)');
  });
  it('opens nothing that is closed for another reason', () => {
    expect(
      answer([...RULES, 'annual-inspection'], {
        inspections: { 'annual-2026': null },
        ...into({ authorisedWithout: ['transponder', 'ads-b-out'] }),
      }),
    ).toBe('no');
  });
});

// Common practice, no source.
describe('a glider', () => {
  const rigging = (change: Change = {}) => ({
    riggings: {
      r: {
        ...seen,
        state: 'rigged',
        assemblyCheckedBy: 'R. Dane',
        controlsCheckedBy: 'P. Okoro',
        toolsComplete: true,
        ...change,
      },
    },
  });
  const verdict = (change: Change) => {
    const { aircraft = {}, ...more } = change;
    return decideBy(['glider-rigging', 'approved-uses'], {
      aircraft: { aircraftClass: 'glider', ...(aircraft as Change) },
      ...more,
    }).verdict;
  };
  it.each([
    ['kept rigged', { aircraft: { keptRigged: true } }, 'Released'],
    ['of which nobody knows', {}, 'Grounded'],
    ['that is derigged each time', { aircraft: { keptRigged: false } }, 'Grounded'],
    ['rigged and checked', rigging(), 'Released'],
    [
      'derigged, though it is usually kept rigged',
      { aircraft: { keptRigged: true }, ...rigging({ state: 'derigged' }) },
      'Grounded',
    ],
    ['assemblies not checked', rigging({ assemblyCheckedBy: null }), 'Grounded'],
    ['controls not checked', rigging({ controlsCheckedBy: null }), 'Grounded'],
    ['tools not counted', rigging({ toolsComplete: null }), 'Grounded'],
    ['a tool missing', rigging({ toolsComplete: false }), 'Grounded'],
    [
      'rigged again after it was derigged',
      {
        riggings: {
          a: { happenedAt: '2026-11-23T12:00:00Z', recordedAt: '2026-11-23T12:00:00Z', state: 'derigged' },
          ...rigging().riggings,
        },
      },
      'Released',
    ],
    [
      'two records of one moment that differ',
      { riggings: { a: { ...seen, state: 'derigged' }, ...rigging().riggings } },
      'Grounded',
    ],
  ] as const)('%s: %s', (_, change, expected) => {
    expect(verdict(change as Change)).toBe(expected);
  });
  it('an aeroplane is not asked', () => {
    expect(decideBy(['glider-rigging', 'approved-uses']).verdict).toBe('Released');
  });
  it('a missing tool is no step before a flight', () => {
    const flight = (change: Change) =>
      decideBy(['glider-rigging', 'approved-uses'], {
        aircraft: { aircraftClass: 'glider' },
        ...rigging(change),
        flight: FLIGHT,
      }).flight?.answer;
    expect([flight({}), flight({ controlsCheckedBy: null }), flight({ toolsComplete: false })]).toEqual([
      'yes',
      'yes-after',
      'no',
    ]);
  });
});

describe('a meter that was exchanged', () => {
  const at = (day: string) => ({ happenedAt: `2026-${day}T18:00:00Z`, recordedAt: `2026-${day}T18:05:00Z` });
  const PANEL: Change = {
    meterReadings: { today: null },
    panelMeters: {
      old: { ...at('03-12'), shown: 210, stands: { 'time-in-service': 4010.2, engine: 810.2 } },
      new: { ...at('11-10'), replaces: 'old', lastShown: 339.8, shown: 12.5 },
    },
    panelReadings: { a: { ...at('11-23'), on: 'new', shown: 22.8 } },
  };
  const meters = (change: Change = {}) => {
    const { facts, packs, asOf } = cleanCase({ ...PANEL, ...change });
    const { meters: all } = prepare(facts, packs, asOf);
    return [all['time-in-service'], all.engine].map((value) => (value === null ? null : value / 3600));
  };
  // 4010.2 + (339.8 − 210.0) + (22.8 − 12.5) = 4150.3; 810.2 + 140.1 = 950.3.
  it('goes on from where the old one stopped, on every meter that it counts towards', () => {
    expect(meters()).toEqual([4150.3, 950.3]);
  });
  it('a reading that is lower than before contradicts', () => {
    expect(
      meters({
        panelReadings: {
          a: { ...at('11-23'), on: 'new', shown: 22.8 },
          b: {
            ...at('11-24'),
            on: 'new',
            shown: 20,
            happenedAt: '2026-11-24T10:00:00Z',
            recordedAt: '2026-11-24T10:00:00Z',
          },
        },
      }),
    ).toEqual([null, null]);
  });
  it('an entry that was struck out takes with it what stands on it', () => {
    const struck = (record: string) =>
      meters({ strikes: { s: { recordedAt: '2026-11-24T12:00:00Z', record } } });
    // Without the last reading the exchange itself is the last word; without the new meter the 100-hour’s entry is, on the time in service; without the old one nothing is known.
    expect([struck('a'), struck('new'), struck('old')]).toEqual([
      [4140, 940],
      [4108.7, 810.2],
      [null, null],
    ]);
  });
  it('what rests on an exchange that was entered later does not count before', () => {
    const { facts } = cleanCase({
      ...PANEL,
      panelMeters: {
        ...(PANEL['panelMeters'] as Change),
        new: {
          ...at('11-10'),
          recordedAt: '2026-11-24T20:00:00Z',
          replaces: 'old',
          lastShown: 339.8,
          shown: 12.5,
        },
      },
    });
    expect(
      facts.readings
        .filter(({ id }) => id.startsWith('a.'))
        .map(({ recordedAt }) => new Date(recordedAt).toISOString()),
    ).toEqual(['2026-11-24T20:00:00.000Z', '2026-11-24T20:00:00.000Z']);
  });
  it.each([
    [
      'a meter that is not there',
      { panelReadings: { a: { ...at('11-23'), on: 'third', shown: 1 } } },
      /no panel meter 'third'/,
    ],
    [
      'one that takes its own place',
      { panelMeters: { old: { ...at('03-12'), shown: 1, replaces: 'new', lastShown: 2, stands: null } } },
      /takes its own place/,
    ],
    [
      'one that replaces nothing that is there',
      { panelMeters: { new: { replaces: 'third' } } },
      /names no meter/,
    ],
    ['neither a beginning nor a predecessor', { panelMeters: { old: { stands: null } } }, /expected either/],
    ['both', { panelMeters: { new: { stands: { engine: 1 } } } }, /expected either/],
    [
      'below zero',
      {
        panelMeters: { old: { shown: 2000, stands: { engine: 10 } } },
        panelReadings: { a: { ...at('11-23'), on: 'old', shown: 1 } },
      },
      /below zero/,
    ],
  ] as const)('%s is refused', (_, change, message) => {
    expect(() =>
      cleanCase({
        ...PANEL,
        ...Object.fromEntries(
          Object.entries(change).map(([key, value]) => [key, merged(PANEL[key], value as Json)]),
        ),
      }),
    ).toThrow(message);
  });
});

function merged(before: Json | undefined, change: Json): Json {
  if (
    typeof before !== 'object'
    || before === null
    || Array.isArray(before)
    || typeof change !== 'object'
    || change === null
    || Array.isArray(change)
  )
    return change;
  return {
    ...before,
    ...Object.fromEntries(
      Object.entries(change).map(([key, value]) => [key, merged((before as Change)[key], value)]),
    ),
  };
}
