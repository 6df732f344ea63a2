import { describe, expect, it } from 'vitest';
import { decideBy, decideClean, deferredLamp } from '@/testing/clean-case';
import { type Change, flyLesson as fly, MECHANIC as mechanic } from '@/testing/lesson';
import { hours } from '../quantities/hours';
import { instant } from '../time/instant';

const shop = {
  name: 'Cape Reach Workshop',
  certificate: {
    kind: 'repair-station',
    number: 'RS-0417',
    validFrom: '2009-04-01',
    validUntil: 'no-expiry',
  },
};
/** The answer, and what is asked of the flight alone: key, and `?` where it is not known. */
const own = (flight: Change, more: Change) => {
  const { answer, own: asked } = fly(flight, more);
  return [answer, ...asked.map(({ key, certainty }) => `${key}${certainty === 'unknown' ? '?' : ''}`)];
};

describe('a number that the aircraft is held to', () => {
  const held = (quantity: string, bound: string, value: number, change: Change = {}): Change => ({
    dispatchRestrictions: {
      t: {
        happenedAt: '2026-11-24T10:00:00Z',
        recordedAt: '2026-11-24T10:00:00Z',
        why: 'Soft grass',
        by: 'Mira Holt',
        cap: { quantity, bound, value },
        ...change,
      },
    },
  });
  it.each([
    ['two people, two fly', { persons: 2 }, held('persons', 'at-most', 2), ['yes']],
    ['two people, three fly', { persons: 3 }, held('persons', 'at-most', 2), ['yes-after', 't.cap']],
    ['two people, nobody said how many', {}, held('persons', 'at-most', 2), ['yes-after', 't.cap?']],
    ['120 kg, 120 fly', { loadKg: 120 }, held('load', 'at-most', 120), ['yes']],
    ['120 kg, a gram more', { loadKg: 120.001 }, held('load', 'at-most', 120), ['yes-after', 't.cap']],
    [
      '20 gallons at least, 20 planned',
      { fuelAboard: { amount: 20, unit: 'US gal' } },
      held('fuel', 'at-least', 20),
      ['yes'],
    ],
    [
      '20 gallons at least, a thousandth less',
      { fuelAboard: { amount: 19.999, unit: 'US gal' } },
      held('fuel', 'at-least', 20),
      ['yes-after', 't.cap'],
    ],
    [
      'of other uses',
      { persons: 3 },
      held('persons', 'at-most', 2, { uses: [{ purpose: ['carriage-for-hire'] }] }),
      ['yes'],
    ],
    [
      'until before it starts',
      { persons: 3 },
      held('persons', 'at-most', 2, { until: '2026-11-24T14:00:00Z' }),
      ['yes'],
    ],
    [
      'until after it starts',
      { persons: 3 },
      held('persons', 'at-most', 2, { until: '2026-11-24T14:00:01Z' }),
      ['yes-after', 't.cap'],
    ],
  ] as const)('%s', (_, flight, more, expected) => {
    expect(own(flight, more)).toEqual(expected);
  });
  it('restricts where it is below the aircraft’s own, or where its own is not known', () => {
    const verdict = (seats: number | null, value: number, quantity = 'persons') =>
      decideClean({ aircraft: { seats }, ...held(quantity, 'at-most', value) }).verdict;
    expect([verdict(4, 3), verdict(4, 4), verdict(null, 4), verdict(4, 900, 'load')]).toEqual([
      'Restricted',
      'Released',
      'Restricted',
      'Restricted',
    ]);
  });
});

describe('a flight that does not say how often it lands', () => {
  const bolt = (every: number, landings: number): Change => ({
    items: {
      bolt: {
        recordedAt: '2020-01-01T00:00:00Z',
        name: 'Gear bolt',
        kind: 'life-limit',
        interval: { counts: [{ meter: 'landings', every }] },
        done: {
          a: {
            recordedAt: '2020-01-01T20:00:00Z',
            completedOn: '2020-01-01',
            readings: { counts: { landings: 0 } },
            signedBy: shop,
          },
        },
      },
    },
    meterReadings: {
      landings: {
        meter: 'landings',
        happenedAt: '2026-11-23T21:10:00Z',
        recordedAt: '2026-11-23T21:12:00Z',
        value: landings,
      },
    },
  });
  // Two hours hold at most sixty landings, and one.
  it.each([
    ['might pass the limit', {}, bolt(1000, 940), ['yes-after', 'unsaid.landings?']],
    ['could not within its time', {}, bolt(1000, 939), ['yes']],
    ['says three, and three are left', { landings: 3 }, bolt(1000, 997), ['yes']],
    ['says four', { landings: 4 }, bolt(1000, 997), ['no']],
    ['says nothing and one is left', {}, bolt(1000, 999), ['yes-after', 'unsaid.landings?']],
  ] as const)('%s', (_, flight, more, expected) => {
    expect(own(flight, more)).toEqual(expected);
  });
  it('crosses a count by as many', () => {
    expect(fly({ landings: 4 }, bolt(1000, 997)).exceedances).toMatchObject([
      { currency: 'count', meter: 'landings', at: 1000, by: 1 },
    ]);
  });
  it('a count at its limit is closed before anybody flies', () => {
    expect(fly({ landings: 1 }, bolt(1000, 1000))).toMatchObject({
      answer: 'no',
      closedBy: ['maintenance-items/bolt.landings'],
      exceedances: [],
    });
  });
});

describe('a special flight permit', () => {
  const permit = (change: Change = {}): Change => ({
    permits: {
      p: {
        recordedAt: '2026-11-24T12:00:00Z',
        number: 'P-1',
        registrationShown: 'N02TB',
        validFrom: '2026-11-24',
        validUntil: '2026-11-25',
        aboard: true,
        safeForFlight: { on: '2026-11-24', by: mechanic },
        ...change,
      },
    },
  });
  const crack: Change = {
    discrepancies: {
      crack: {
        happenedAt: '2026-11-24T09:00:00Z',
        recordedAt: '2026-11-24T09:05:00Z',
        what: 'Crack',
        classification: 'ground-until-mechanic',
      },
    },
  };
  const ferry: Change = { purpose: 'positioning-to-maintenance', crew: 'rated-pilot' };
  const answer = (change: Change = {}, flight: Change = {}) =>
    fly({ ...ferry, ...flight }, { ...crack, ...permit(change) }).answer;
  it.each([
    ['covers the ferry flight', {}, {}, 'yes'],
    ['and no lesson', {}, { purpose: 'instruction-school-aircraft', crew: 'dual' }, 'no'],
    ['and nobody who is not crew', {}, { passengers: true }, 'no'],
    ['where the flight does not say', {}, { passengers: null }, 'no'],
    ['by day alone, by day', { uses: [{ light: ['day'] }] }, {}, 'yes'],
    ['by day alone, into the night', { uses: [{ light: ['day'] }] }, { ends: '2026-11-24T21:30:00Z' }, 'no'],
    ['from tomorrow', { validFrom: '2026-11-25' }, {}, 'no'],
    [
      'to the flight’s last moment',
      { validUntil: '2026-11-24' },
      { starts: '2026-11-25T03:00:00Z', ends: '2026-11-25T04:00:00Z', airborne: 0.5 },
      'yes',
    ],
    [
      'to a second before it',
      { validUntil: '2026-11-24' },
      { starts: '2026-11-25T03:00:00Z', ends: '2026-11-25T04:00:01Z', airborne: 0.5 },
      'no',
    ],
    ['to exactly its hours', { untilTimeInService: 4151.8 }, {}, 'yes'],
    ['to a hundredth less', { untilTimeInService: 4151.79 }, {}, 'no'],
    ['not aboard', { aboard: null }, {}, 'no'],
    ['of another aircraft', { registrationShown: 'N07TB' }, {}, 'no'],
    ['without a number', { number: null }, {}, 'no'],
    ['without a mechanic’s word', { safeForFlight: null }, {}, 'no'],
    ['with a word of tomorrow', { safeForFlight: { on: '2026-11-25', by: mechanic } }, {}, 'no'],
    ['that ends before it begins', { validUntil: '2026-11-23' }, {}, 'no'],
    ['without a first day', { validFrom: null }, {}, 'no'],
    ['without a last day', { validUntil: null }, {}, 'no'],
  ] as const)('%s', (_, change, flight, expected) => {
    expect(answer(change, flight)).toBe(expected);
  });
  it('opens what it covers, and the verdict stays what it is without', () => {
    const decision = decideClean({ ...crack, ...permit() });
    expect([decision.verdict, decision.reliefs.map(({ permit: by, covers }) => [by, covers])]).toEqual([
      'Grounded',
      [['p', ['open-discrepancies/crack']]],
    ]);
    expect(decideClean({ ...crack, ...permit({ untilTimeInService: 4150.3 }) }).reliefs).toEqual([]);
  });
  it('covers no missing document', () => {
    expect(fly(ferry, { ...permit(), documents: { airworthiness: { aboard: false } } }).answer).toBe(
      'yes-after',
    );
  });
  it('the moment at which it begins or ends is one until which an answer holds', () => {
    expect(decideClean({ ...crack, ...permit() }).holdsUntil).toBe(instant('2026-11-26T04:00:00Z'));
    expect(decideClean({ ...crack, ...permit({ validFrom: '2026-11-25' }) }).holdsUntil).toBe(
      instant('2026-11-25T04:00:00Z'),
    );
  });
});

describe('where and when a flight flies', () => {
  const lamps: Change = deferredLamp('d', 'Navigation lights out', ['dusk', 'night']);
  const east = { name: 'Far East', latitude: 47.6, longitude: -52.7, timeZone: 'America/St_Johns' };
  it('takes the light of every place that it touches, each with its own sun', () => {
    const late = { starts: '2026-11-24T18:30:00Z', ends: '2026-11-24T20:10:00Z' };
    expect([fly(late, lamps).answer, fly({ ...late, places: [east] }, lamps).answer]).toEqual(['yes', 'no']);
    expect(fly({ ...late, places: [east] }).light.map(({ place, light }) => [place, light])).toEqual([
      ['Tern Bay', ['day']],
      ['Far East', ['day', 'dusk']],
    ]);
  });
  it('whose times contradict may need every light', () => {
    expect(fly({ ends: '2026-11-24T14:00:00Z' }, lamps)).toMatchObject({
      answer: 'no',
      timesContradict: true,
      light: [{ light: ['day', 'dusk', 'night'] }],
    });
  });
  it('crosses a moment by as much as it is over', () => {
    expect(
      fly({ starts: '2027-04-01T01:00:00Z', ends: '2027-04-01T03:00:01Z', airborne: 1 }).exceedances,
    ).toMatchObject([{ currency: 'time', at: instant('2027-04-01T03:00:00Z'), by: 1000 }]);
    expect(fly({}, { meterReadings: { today: { value: 4208 } } }).exceedances.map(({ by }) => by)).toEqual([
      hours('0.8'),
    ]);
  });
  it('is not held up by what ends before it starts', () => {
    const closed = (until: string): Change => ({
      dispatchRestrictions: {
        t: {
          happenedAt: '2026-11-24T10:00:00Z',
          recordedAt: '2026-11-24T10:00:00Z',
          why: 'Wind',
          by: 'Mira Holt',
          until,
        },
      },
    });
    expect([
      fly({}, closed('2026-11-24T14:00:00Z')).answer,
      fly({}, closed('2026-11-24T14:00:01Z')).answer,
    ]).toEqual(['yes', 'no']);
  });
});

describe('airspace, water and tows', () => {
  const all: Change = { aircraft: { approvedFor: 'all' } };
  const lapsed: Change = {
    ...all,
    inspections: { 'transponder-2026': { completedOn: '2024-10-10', recordedAt: '2024-10-10T19:00:00Z' } },
    packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }],
  };
  const none = (kind: string): Change => ({
    ...all,
    equipment: { list: { items: { [kind]: 'not-fitted' } } },
  });
  const closed = (flight: Change, more: Change) =>
    fly({ light: ['day'], ...flight }, more).closedBy.length > 0;
  it.each([
    ['outside', false, false],
    ['inside', true, true],
    ['unsaid', null, true],
  ] as const)('transponder airspace: %s', (_, transponderAirspace, expected) => {
    expect(closed({ transponderAirspace }, lapsed)).toBe(expected);
  });
  it.each([
    ['outside', false, false],
    ['inside', true, true],
    ['unsaid', null, true],
  ] as const)('airspace of ADS-B Out: %s', (_, adsbAirspace, expected) => {
    expect(closed({ adsbAirspace }, none('ads-b-out'))).toBe(expected);
  });
  it.each([
    ['within gliding distance', false, false],
    ['beyond it', true, true],
    ['unsaid', null, true],
  ] as const)('over water: %s', (_, beyondGlideOverWater, expected) => {
    expect(
      closed({ purpose: 'carriage-for-hire', crew: 'rated-pilot', beyondGlideOverWater }, none('flotation')),
    ).toBe(expected);
  });
  const hook = (launches: number): Change => ({
    ...all,
    items: {
      hook: {
        recordedAt: '2020-01-01T00:00:00Z',
        name: 'Hook',
        kind: 'life-limit',
        interval: { counts: [{ meter: 'tow-launches', every: 1000 }] },
        done: {
          a: {
            recordedAt: '2020-01-01T20:00:00Z',
            completedOn: '2020-01-01',
            readings: { counts: { 'tow-launches': 0 } },
            signedBy: shop,
          },
        },
      },
    },
    meterReadings: {
      tows: {
        meter: 'tow-launches',
        happenedAt: '2026-11-23T21:10:00Z',
        recordedAt: '2026-11-23T21:12:00Z',
        value: launches,
      },
    },
  });
  const asked = (flight: Change, launches: number) => {
    const answer = fly(flight, hook(launches));
    return [
      answer.own.some(({ key }) => key === 'unsaid.tow-launches'),
      answer.exceedances.map(({ by }) => by),
    ];
  };
  it('a tug that does not say how many it tows might pass the limit, one that says does or does not', () => {
    const tow = { purpose: 'glider-towing', crew: 'rated-pilot' };
    expect([
      asked(tow, 940),
      asked(tow, 939),
      asked({ ...tow, towLaunches: 3 }, 997),
      asked({ ...tow, towLaunches: 4 }, 997),
      asked({ purpose: 'private-rental' }, 999),
    ]).toEqual([
      [true, []],
      [false, []],
      [false, []],
      [false, [1]],
      [false, []],
    ]);
  });
});

describe('wanted uses, without a flight', () => {
  const ask = (wanted: Change, more: Change = {}) => decideClean({ ...more, wanted: [wanted] }).wanted;
  const day: Change = {
    light: ['day'],
    rules: ['vfr'],
    purpose: ['private-rental'],
    overWater: ['within-glide'],
  };
  it.each([
    ['open', day, {}, 'yes'],
    ['never approved', { ...day, rules: ['ifr'] }, {}, 'no'],
    ['a document to be fetched first', day, { documents: { loading: { aboard: false } } }, 'yes-after'],
    ['closed by the workshop', day, { inspections: { 'annual-2026': null } }, 'no'],
    [
      'held to a number, which closes nothing',
      day,
      {
        dispatchRestrictions: {
          t: {
            happenedAt: '2026-11-24T10:00:00Z',
            recordedAt: '2026-11-24T10:00:00Z',
            why: 'Grass',
            by: 'M',
            cap: { quantity: 'persons', bound: 'at-most', value: 2 },
          },
        },
      },
      'yes',
    ],
  ] as const)('%s', (_, wanted, more, answer) => {
    expect(ask(wanted, more)?.answer).toBe(answer);
  });
  it('are covered by one permit or by none', () => {
    const more: Change = {
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
          safeForFlight: { on: '2026-11-24', by: mechanic },
        },
      },
    };
    const ferry: Change = { ...day, purpose: ['positioning-to-maintenance'], passengers: ['none'] };
    expect([
      ask(ferry, more)?.answer,
      ask({ ...ferry, passengers: ['none', 'aboard'] }, more)?.answer,
    ]).toEqual(['yes', 'no']);
  });
});

describe('the order in which people are told', () => {
  it('the workshop before a step, failed before not known, the wider before the narrower', () => {
    const decision = decideBy(
      ['documents-aboard', 'annual-inspection', 'open-discrepancies', 'equipment', 'altimeter-static'].filter(
        (id) => id !== 'equipment',
      ),
      {
        aircraft: { approvedFor: 'all' },
        documents: { airworthiness: { displayed: null }, loading: { aboard: false } },
        inspections: null,
        discrepancies: {
          b: {
            happenedAt: '2026-11-24T09:00:00Z',
            recordedAt: '2026-11-24T09:05:00Z',
            what: 'Lamp',
            classification: 'deferral-path',
            closesUses: ['night'],
          },
          a: { happenedAt: '2026-11-24T09:00:00Z', recordedAt: '2026-11-24T09:05:00Z', what: 'Crack' },
        },
      },
    );
    expect(decision.constraints.map(({ id }) => id)).toEqual([
      'open-discrepancies/a',
      'open-discrepancies/b',
      'annual-inspection/annual',
      'altimeter-static/altimeter-static',
      'documents-aboard/weight-and-balance.document-not-aboard',
      'documents-aboard/airworthiness-certificate.certificate-display-unknown',
    ]);
  });
});
