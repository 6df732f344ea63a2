import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideBy } from '@/testing/clean-case';
import { overlaps, usesIn } from '../envelope/use-set';

type Change = { readonly [key: string]: Json };
const shop = {
  name: 'Cape Reach Workshop',
  certificate: { kind: 'repair-station', number: 'RS-1', validFrom: '2000-01-01', validUntil: 'no-expiry' },
};
const club = (parameters: Change): Change => ({
  packs: [
    { id: 'us-part91', parameters: { trainingUnder: 'part-61' } },
    { id: 'club-policy', parameters },
  ],
});
const open = (decision: ReturnType<typeof decideBy>, box: Parameters<typeof usesIn>[0]) =>
  overlaps(decision.open, usesIn(box));

describe('fresh document checks and readings', () => {
  const ask = (asOf: string, parameters: Change, change: Change = {}) =>
    decideBy(['stale-records'], { asOf, ...club(parameters), ...change });
  // Documents were seen on 20 November 2026, the meter was read on the 23rd.
  it.each([
    ['2026-11-30T16:00:00Z', []],
    [
      '2026-12-01T16:00:00Z',
      ['document-stale', 'document-stale', 'document-stale', 'document-stale', 'document-stale'],
    ],
  ] as const)('ten days for a document check, asked on %s', (asOf, expected) => {
    expect(codes(ask(asOf, { documentCheckDays: 10, readingDays: 400 }))).toEqual(expected);
  });
  it.each([
    ['2026-11-30T16:00:00Z', []],
    ['2026-12-01T16:00:00Z', ['meter-reading-stale']],
  ] as const)('seven days for a reading, asked on %s', (asOf, expected) => {
    expect(codes(ask(asOf, { documentCheckDays: 400, readingDays: 7 }))).toEqual(expected);
  });
  it('an old document check of the radio licence closes flights abroad only', () => {
    const decision = ask(
      '2026-11-24T13:00:00Z',
      { documentCheckDays: 30, readingDays: 400 },
      { documents: { radio: { happenedAt: '2026-09-01T12:00:00Z', recordedAt: '2026-09-01T12:00:00Z' } } },
    );
    expect([
      codes(decision),
      open(decision, { range: ['abroad'] }),
      open(decision, { range: ['local'] }),
    ]).toEqual([['document-stale'], false, true]);
  });
  it('looking again is a step before the flight', () => {
    expect(
      ask('2026-12-01T16:00:00Z', { documentCheckDays: 10, readingDays: 400 }).constraints.every(
        ({ condition }) => condition,
      ),
    ).toBe(true);
  });
});

describe('safety equipment', () => {
  const ask = (asked: string, item: Json) =>
    decideBy(['safety-equipment'], {
      ...club({ fireExtinguisher: asked, monoxideDetector: 'not-asked' }),
      equipment: { list: { items: { 'fire-extinguisher': item } } },
    });
  const good: Change = { fitted: true, expiresOn: '2026-11-24' };
  it.each([
    ['not-asked', 'not-fitted', 'Released'],
    ['no-passengers-without', 'not-fitted', 'Restricted'],
    ['no-flight-without', 'not-fitted', 'Grounded'],
    ['no-flight-without', good, 'Released'],
    ['no-flight-without', { ...good, expiresOn: '2026-11-23' }, 'Grounded'],
    ['no-flight-without', { ...good, expiresOn: null }, 'Grounded'],
    ['no-flight-without', { ...good, expiresOn: 'no-expiry' }, 'Released'],
    ['no-flight-without', { ...good, fitted: null }, 'Grounded'],
  ] as const)('%s, %j: %s', (asked, item, verdict) => {
    expect(ask(asked, item as Json).verdict).toBe(verdict);
  });
  it('closes passengers only, where the club asks no more', () => {
    const decision = ask('no-passengers-without', 'not-fitted');
    expect([open(decision, { passengers: ['aboard'] }), open(decision, { passengers: ['none'] })]).toEqual([
      false,
      true,
    ]);
  });
});

describe('a lapsed transponder test', () => {
  const ask = (lapsedTransponder: string, change: Change = {}) =>
    decideBy(['transponder-test', 'lapsed-transponder'], {
      ...club({ lapsedTransponder }),
      inspections: { 'transponder-2026': { completedOn: '2024-10-10', recordedAt: '2024-10-10T20:00:00Z' } },
      ...change,
    });
  it('restricts by the regulation and grounds by the stricter policy', () => {
    expect([ask('switched-off').verdict, ask('aircraft-closed').verdict]).toEqual(['Restricted', 'Grounded']);
  });
  it('closes neither where none is fitted', () => {
    expect(
      ask('aircraft-closed', { equipment: { list: { items: { transponder: 'not-fitted' } } } }).verdict,
    ).toBe('Released');
  });
});

describe('what somebody on duty closed', () => {
  const tighten = (change: Change): Change => ({
    dispatchRestrictions: {
      t: {
        happenedAt: '2026-11-24T10:00:00Z',
        recordedAt: '2026-11-24T10:01:00Z',
        by: 'M. Holt',
        why: 'Gusts',
        ...change,
      },
    },
  });
  const ask = (change: Change, more: Change = {}) =>
    decideBy(['dispatch-restrictions', 'approved-uses'], { ...tighten(change), ...more });
  it.each([
    ['everything', {}, 'Grounded'],
    ['some uses', { uses: [{ crew: ['student-solo'] }] }, 'Restricted'],
    ['taken back', { withdrawn: { recordedAt: '2026-11-24T12:00:00Z' } }, 'Released'],
    ['taken back later than asked', { withdrawn: { recordedAt: '2026-11-24T14:00:00Z' } }, 'Grounded'],
    ['over', { until: '2026-11-24T13:00:00Z' }, 'Released'],
    ['not yet over', { until: '2026-11-24T13:00:01Z' }, 'Grounded'],
    ['people below its seats', { cap: { quantity: 'persons', bound: 'at-most', value: 3 } }, 'Restricted'],
    ['people as many as seats', { cap: { quantity: 'persons', bound: 'at-most', value: 4 } }, 'Released'],
    [
      'a load, whose own figure nobody stated',
      { cap: { quantity: 'load', bound: 'at-most', value: 300 } },
      'Restricted',
    ],
  ] as const)('%s: %s', (_, change, verdict) => {
    expect(ask(change).verdict).toBe(verdict);
  });
  const flight = (change: Change): Change => ({
    flight: {
      starts: '2026-11-24T14:00:00Z',
      ends: '2026-11-24T16:00:00Z',
      airborne: 1.5,
      purpose: 'private-rental',
      crew: 'rated-pilot',
      rules: 'vfr',
      range: 'local',
      transponderAirspace: false,
      adsbAirspace: false,
      beyondGlideOverWater: false,
      passengers: false,
      ...change,
    },
  });
  it.each([
    ['persons', 'at-most', 2, { persons: 2 }, 'yes'],
    ['persons', 'at-most', 2, { persons: 3 }, 'yes-after'],
    ['persons', 'at-most', 2, {}, 'yes-after'],
    ['load', 'at-most', 180.5, { loadKg: 180.5 }, 'yes'],
    ['load', 'at-most', 180.5, { loadKg: 180.501 }, 'yes-after'],
    ['fuel', 'at-least', 10, { fuelAboard: { amount: 10, unit: 'US gal' } }, 'yes'],
    ['fuel', 'at-least', 10, { fuelAboard: { amount: 9.999, unit: 'US gal' } }, 'yes-after'],
  ] as const)('%s %s %s against %j: %s', (quantity, bound, value, change, answer) => {
    expect(ask({ cap: { quantity, bound, value } }, flight(change)).flight?.answer).toBe(answer);
  });
  it('one that ends before the flight begins does not close it; one that begins to hold is over by then neither', () => {
    expect([
      ask({ until: '2026-11-24T14:00:00Z' }, flight({})).flight?.answer,
      ask({ until: '2026-11-24T14:00:01Z' }, flight({})).flight?.answer,
    ]).toEqual(['yes', 'no']);
  });
});

describe('items', () => {
  const item = (change: Change): Change => ({
    items: {
      i: {
        recordedAt: '2026-01-01T00:00:00Z',
        name: 'Thing',
        kind: 'service',
        done: {
          d: {
            recordedAt: '2026-01-10T20:00:00Z',
            completedOn: '2026-01-10',
            readings: { hours: { 'time-in-service': 4100 } },
            signedBy: shop,
          },
        },
        ...change,
      },
    },
  });
  const ask = (change: Change, value = 4150, more: Change = {}) =>
    decideBy(['maintenance-items', 'approved-uses'], {
      ...item(change),
      inspections: null,
      meterReadings: { today: { value } },
      ...more,
    });
  const HOURS_50: Change = { interval: { hours: [{ meter: 'time-in-service', every: 50 }] } };
  it.each([
    ['4149.9', 4149.9, 'Released'],
    ['4150.0', 4150, 'Grounded'],
  ] as const)('50 h after 4100.0, at %s', (_, value, verdict) => {
    expect(ask(HOURS_50, value).verdict).toBe(verdict);
  });
  it('whichever comes first: 50 h or 10 calendar months', () => {
    const both: Change = { interval: { months: 10, hours: [{ meter: 'time-in-service', every: 500 }] } };
    expect([
      ask(both, 4150, { asOf: '2026-12-01T03:59:59Z' }).verdict,
      ask(both, 4150, { asOf: '2026-12-01T04:00:00Z' }).verdict,
    ]).toEqual(['Released', 'Grounded']);
  });
  it('an overrun is for the way to the workshop alone, and ends too', () => {
    const over: Change = { ...HOURS_50, overrun: { meter: 'time-in-service', by: 5 } };
    const purposes = (value: number) => [
      ask(over, value).verdict,
      open(ask(over, value), { purpose: ['positioning-to-maintenance'] }),
    ];
    expect([purposes(4149), purposes(4152), purposes(4155)]).toEqual([
      ['Released', true],
      ['Grounded', true],
      ['Grounded', false],
    ]);
  });
  it('closes the uses that need it, and no others', () => {
    const night = ask({ ...HOURS_50, uses: [{ light: ['night'] }] }, 4151);
    expect([night.verdict, open(night, { light: ['night'] }), open(night, { light: ['day'] })]).toEqual([
      'Restricted',
      false,
      true,
    ]);
  });
  it.each([
    ['printed date of today', { until: '2026-11-24' }, []],
    ['printed date of yesterday', { until: '2026-11-23' }, ['item-expires']],
    ['no date, as stated', { until: 'no-expiry' }, []],
    ['neither date nor interval', {}, ['item-history-unknown']],
    ['never done', { ...HOURS_50, done: null }, ['item-history-unknown']],
    ['done, the hours not noted', { ...HOURS_50, done: { d: { readings: null } } }, ['item-reading-unknown']],
    ['signed by nobody', { ...HOURS_50, done: { d: { signedBy: null } } }, ['work-not-signed']],
    [
      'a student’s signature',
      {
        ...HOURS_50,
        done: { d: { signedBy: { ...shop, certificate: { ...shop.certificate, kind: 'student-pilot' } } } },
      },
      ['work-not-signed'],
    ],
    [
      'done on a day after it was written',
      { ...HOURS_50, done: { d: { completedOn: '2026-01-12' } } },
      ['item-history-unknown'],
    ],
  ] as const)('%s', (_, change, expected) => {
    const base = item({}) as { readonly items: { readonly i: { readonly done: { readonly d: Change } } } };
    const done =
      'done' in change && change.done !== null
        ? { done: { d: { ...base.items.i.done.d, ...change.done.d } } }
        : {};
    expect(codes(ask({ ...change, ...done } as Change, 4110))).toEqual(expected);
  });
  it('which ones there are must be on record', () => {
    expect(codes(decideBy(['maintenance-items'], { items: null }))).toEqual(['items-unknown']);
  });
  it('a meter that nobody read closes what counts on it', () => {
    const propeller: Change = {
      interval: { hours: [{ meter: 'propeller', every: 2000 }] },
      uses: [{ range: ['abroad'] }],
      done: {
        d: {
          recordedAt: '2026-01-10T20:00:00Z',
          completedOn: '2026-01-10',
          readings: { hours: { propeller: 100 } },
          signedBy: shop,
        },
      },
    };
    const decision = ask(propeller);
    expect([
      [...codes(decision)].sort(),
      open(decision, { range: ['abroad'] }),
      open(decision, { range: ['local'] }),
    ]).toEqual([['item-due', 'meter-unknown'], false, true]);
  });
});

describe('movements', () => {
  const out = (change: Change = {}): Change => ({
    happenedAt: '2026-11-24T11:00:00Z',
    recordedAt: '2026-11-24T11:01:00Z',
    by: 'Rosa Dane',
    ...change,
  });
  const ask = (flightsOut: Change) =>
    decideBy(['open-flights', 'approved-uses'], {
      flightsOut,
      flight: {
        id: 'later',
        starts: '2026-11-24T14:00:00Z',
        ends: '2026-11-24T15:00:00Z',
        purpose: 'private-rental',
        crew: 'rated-pilot',
        rules: 'vfr',
        range: 'local',
        transponderAirspace: false,
        adsbAirspace: false,
        beyondGlideOverWater: false,
        passengers: false,
      },
    });
  it.each([
    ['nobody', {}, 'here', 'yes'],
    ['one out', { a: out() }, 'out', 'no'],
    [
      'one back',
      { a: out({ returned: { recordedAt: '2026-11-24T12:00:00Z', at: '2026-11-24T11:55:00Z' } }) },
      'here',
      'yes',
    ],
    [
      'back, but written down later',
      { a: out({ returned: { recordedAt: '2026-11-24T14:00:00Z', at: '2026-11-24T12:00:00Z' } }) },
      'out',
      'no',
    ],
    ['the very flight that is asked about', { later: out() }, 'out', 'yes'],
    ['two at once', { a: out(), b: out() }, 'contradicts', 'no'],
  ] as const)('%s: %s, %s', (_, flightsOut, availability, answer) => {
    const decision = ask(flightsOut);
    expect([decision.availability, decision.flight?.answer]).toEqual([availability, answer]);
  });
  it('being out is not the verdict', () => {
    expect(ask({ a: out() }).verdict).toBe('Released');
  });
});
