import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy, missed, said } from '@/testing/clean-case';

type Change = { readonly [key: string]: Json };
/** What is changed of the clean trainer, what is then in force (see said()), and which facts were missed. */
type Row = readonly [string, Change, readonly string[], (readonly string[])?];

const shop = {
  name: 'Cape Reach Workshop',
  certificate: {
    kind: 'repair-station',
    number: 'RS-0417',
    validFrom: '2009-04-01',
    validUntil: 'no-expiry',
  },
};
const student = {
  name: 'Pia Okoro',
  certificate: { kind: 'student-pilot', number: 'S-1', validFrom: '2010-01-01', validUntil: 'no-expiry' },
};
const at = (value: number) => ({ meterReadings: { today: { value } } });
const entry = (id: string, kind: string, day: string, change: Change = {}) => ({
  [id]: {
    kind,
    completedOn: day,
    recordedAt: `${day}T20:00:00Z`,
    outcome: 'approved',
    signedBy: shop,
    ...change,
  },
});
const alone = (inspections: Change, more: Change = {}) => ({
  inspections: {
    'annual-2026': null,
    'hundred-2026-10': null,
    'transponder-2026': null,
    'altimeter-2026': null,
    'elt-2026': null,
    ...inspections,
  },
  ...more,
});
const annual = (day: string, hours: number | null, change: Change = {}) =>
  entry('a', 'annual', day, { timeInService: hours, ...change });
const hundred = (day: string, hours: number | null, change: Change = {}) =>
  entry('h', 'hundred-hour', day, { timeInService: hours, ...change });
const listed = { outcome: 'discrepancies-listed' };
const work = (change: Change) => ({
  work: {
    w: {
      recordedAt: '2026-06-02T20:00:00Z',
      completedOn: '2026-06-02',
      description: 'Panel work',
      signedBy: shop,
      mayChangeFlight: false,
      flightControls: false,
      staticOpened: false,
      altitudeReportingTouched: false,
      weightChanged: false,
      ...change,
    },
  },
});
const all = { aircraft: { approvedFor: 'all' } };
const light = { aircraft: { category: 'light-sport' } };
const segment = (change: Change) => ({
  aircraft: { programme: 'progressive' },
  items: {
    s: {
      recordedAt: '2026-01-01T00:00:00Z',
      name: 'Segment 1',
      kind: 'service',
      signedAs: 'progressive-segment',
      interval: { months: 6 },
      done: { d: { recordedAt: '2026-09-01T20:00:00Z', completedOn: '2026-09-01', signedBy: shop } },
      ...change,
    },
  },
});
const hours = (every: number, meter = 'time-in-service') => ({ hours: [{ meter, every }] });
const done = (day: string, reading: number | null, change: Change = {}) => ({
  recordedAt: `${day}T20:00:00Z`,
  completedOn: day,
  ...(reading === null ? {} : { readings: { hours: { 'time-in-service': reading } } }),
  signedBy: shop,
  ...change,
});
const item = (change: Change) => ({
  inspections: null,
  items: {
    i: {
      recordedAt: '2026-01-01T00:00:00Z',
      name: 'Thing',
      kind: 'service',
      done: { d: done('2026-09-01', 4100) },
      ...change,
    },
  },
});
const ad = (change: Change) => ({
  inspections: null,
  ads: {
    x: {
      recordedAt: '2026-01-01T00:00:00Z',
      number: 'D-1',
      title: 'Wing',
      applies: true,
      effectiveOn: '2026-09-01',
      noFerry: false,
      methods: { look: { name: 'Look', repeats: hours(25) }, end: { name: 'Replace' } },
      readingsThen: { hours: { 'time-in-service': 4100 } },
      ...change,
    },
  },
});

describe('the annual', () => {
  it.each<Row>([
    [
      'category unknown',
      { aircraft: { category: null } },
      ['category: category-unknown? [] record-category'],
      ['aircraft.category'],
    ],
    [
      'a category without rules',
      { aircraft: { category: 'restricted' } },
      ['category: category-without-rules? [] use-covered-category'],
    ],
    [
      'a glider has one too',
      { aircraft: { category: 'glider' }, ...alone({}) },
      ['annual: annual-unknown?~ [] complete-annual'],
      ['inspections (annual)'],
    ],
    ['light-sport has none', { ...light, ...alone({}) }, []],
    ['experimental has none', { aircraft: { category: 'experimental' }, ...alone({}) }, []],
    ['a progressive programme has none', { aircraft: { programme: 'progressive' }, ...alone({}) }, []],
    ['never', alone({}), ['annual: annual-unknown?~ [] complete-annual'], ['inspections (annual)']],
    ['last good day', alone(annual('2025-11-05', 4000)), []],
    ['over', alone(annual('2025-10-31', 4000)), ['annual: annual-expires~ [a] complete-annual']],
    [
      'unsigned and over',
      alone(annual('2026-03-12', 4000, { signedBy: null })),
      ['annual: annual-unknown?~ [] complete-inspection-entry(annual) or complete-annual'],
      ['inspections (annual)'],
    ],
    [
      'unsigned, an older one over',
      alone({
        ...annual('2026-03-12', 4000, { signedBy: student }),
        ...entry('old', 'annual', '2025-03-12', { timeInService: 3900 }),
      }),
      ['annual: annual-expires~ [old] complete-inspection-entry(annual) or complete-annual'],
    ],
    [
      'without its hours',
      alone(annual('2026-03-12', null)),
      ['annual: annual-unknown?~ [] complete-inspection-entry(annual) or complete-annual'],
      ['inspections (annual)'],
    ],
    [
      'two that do not count: the later is completed',
      alone({
        ...annual('2026-03-12', 4000, { signedBy: null }),
        ...entry('b', 'annual', '2026-02-12', { timeInService: 3990, signedBy: null }),
      }),
      ['annual: annual-unknown?~ [] complete-inspection-entry(annual) or complete-annual'],
      ['inspections (annual)'],
    ],
    ['not approved', alone(annual('2026-03-12', 4000, listed)), []],
    [
      'not approved, list cleared',
      alone(
        annual('2026-03-12', 4000, {
          ...listed,
          listCleared: { on: '2026-03-20', by: shop },
          recordedAt: '2026-03-20T20:00:00Z',
        }),
      ),
      [],
    ],
    [
      'not approved, then approved',
      alone({
        ...annual('2026-03-12', 4000, listed),
        ...entry('b', 'annual', '2026-03-15', { timeInService: 4000 }),
      }),
      [],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['annual-inspection'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('the condition inspection', () => {
  it.each<Row>([
    [
      'category unknown',
      { aircraft: { category: null } },
      ['category: category-unknown? [] record-category'],
      ['aircraft.category'],
    ],
    ['standard has none', alone({}), []],
    ['gliders have none', { aircraft: { category: 'glider' }, ...alone({}) }, []],
    [
      'light-sport: never',
      { ...light, ...alone({}) },
      ['condition: inspection-unknown?~ [] complete-condition-inspection'],
      ['inspections (condition)'],
    ],
    [
      'experimental: never',
      { aircraft: { category: 'experimental' }, ...alone({}) },
      ['condition: inspection-unknown?~ [] complete-condition-inspection'],
      ['inspections (condition)'],
    ],
    [
      'over',
      { ...light, ...alone(entry('c', 'condition', '2025-10-31', { timeInService: 4000 })) },
      ['condition: inspection-expires~ [c] complete-condition-inspection'],
    ],
    [
      'last good day',
      { ...light, ...alone(entry('c', 'condition', '2025-11-30', { timeInService: 4000 })) },
      [],
    ],
    [
      'not approved',
      { ...light, ...alone(entry('c', 'condition', '2026-11-01', { timeInService: 4000, ...listed })) },
      [],
    ],
    [
      'signed by a student',
      {
        ...light,
        ...alone(entry('c', 'condition', '2026-11-01', { timeInService: 4000, signedBy: student })),
      },
      [
        'condition: inspection-unknown?~ [] complete-inspection-entry(condition) or complete-condition-inspection',
      ],
      ['inspections (condition)'],
    ],
    [
      'signed by a student, earlier ones twice',
      {
        ...light,
        ...alone({
          ...entry('c', 'condition', '2026-11-01', { timeInService: 4000, signedBy: student }),
          ...entry('b', 'condition', '2026-10-01', { timeInService: 3990, signedBy: student }),
        }),
      },
      [
        'condition: inspection-unknown?~ [] complete-inspection-entry(condition) or complete-condition-inspection',
      ],
      ['inspections (condition)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['condition-inspection'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('the hundred hours', () => {
  it.each<Row>([
    [
      'category unknown',
      { aircraft: { category: null } },
      ['category: category-unknown? 1440 [] record-category'],
      ['aircraft.category'],
    ],
    [
      'a category without rules',
      { aircraft: { category: 'provisional' } },
      ['category: category-without-rules? 1440 [] use-covered-category'],
    ],
    ['a progressive programme has none', { aircraft: { programme: 'progressive' }, ...alone({}) }, []],
    [
      'never',
      alone({}),
      ['inspection: hundred-hour-unknown?~ 1440 [] complete-hundred-hour or complete-annual'],
      ['inspections (hundred-hour or annual)'],
    ],
    ['an annual stands in', alone(annual('2026-06-12', 4060)), []],
    [
      'an annual 100 h ago',
      alone(annual('2026-06-12', 4060), at(4160)),
      ['due: hundred-hour-due~ 1440 [a] complete-hundred-hour or complete-annual'],
    ],
    [
      'the overrun ended too',
      alone(hundred('2026-06-12', 4060), at(4170)),
      ['due: hundred-hour-due~ 1440 [h] complete-hundred-hour or complete-annual'],
    ],
    [
      'the same with a student’s signature',
      alone(hundred('2026-06-12', 4060, { signedBy: student })),
      [
        'inspection: hundred-hour-unknown?~ 1440 [] complete-inspection-entry(hundred-hour) or complete-hundred-hour or complete-annual',
      ],
      ['inspections (hundred-hour or annual)'],
    ],
    [
      'without its hours',
      alone(hundred('2026-06-12', null)),
      [
        'inspection: hundred-hour-unknown?~ 1440 [] complete-inspection-entry(hundred-hour) or complete-hundred-hour or complete-annual',
      ],
      ['inspections (hundred-hour or annual)'],
    ],
    [
      'two that do not count',
      alone({
        ...hundred('2026-06-12', 4060, { signedBy: null }),
        ...entry('g', 'hundred-hour', '2026-05-12', { timeInService: 4050, signedBy: null }),
      }),
      [
        'inspection: hundred-hour-unknown?~ 1440 [] complete-inspection-entry(hundred-hour) or complete-hundred-hour or complete-annual',
      ],
      ['inspections (hundred-hour or annual)'],
    ],
    [
      'late without a reason',
      alone(
        {
          ...entry('g', 'hundred-hour', '2026-01-12', { timeInService: 3940 }),
          ...hundred('2026-06-12', 4050),
        },
        at(4140),
      ),
      [
        'due: hundred-hour-due~ 1440 [h] record-excess-reason(hundred-hour) or complete-hundred-hour or complete-annual',
      ],
    ],
    [
      'late on uses without the limit',
      alone(
        {
          ...entry('g', 'hundred-hour', '2026-01-12', { timeInService: 3940 }),
          ...hundred('2026-06-12', 4050, { excess: 'flown-on-uses-without-the-limit' }),
        },
        at(4140),
      ),
      [],
    ],
    [
      'late on the way to it',
      alone(
        {
          ...entry('g', 'hundred-hour', '2026-01-12', { timeInService: 3940 }),
          ...hundred('2026-06-12', 4050, { excess: 'en-route-to-inspection' }),
        },
        at(4140),
      ),
      ['due: hundred-hour-due~ 1440 [h] complete-hundred-hour or complete-annual'],
    ],
    [
      'not approved',
      alone({ ...annual('2026-03-12', 4010.2), ...hundred('2026-10-02', 4108.7, listed) }),
      [
        'due: hundred-hour-due~ 1440 [a] clear-inspection-list(hundred-hour) or complete-hundred-hour or complete-annual',
      ],
    ],
    [
      'the annual not approved is the annual’s affair',
      alone({ ...hundred('2026-10-02', 4108.7), ...annual('2026-10-03', 4109, listed) }),
      [],
    ],
    [
      'light-sport by its condition inspection',
      { ...light, ...alone(entry('c', 'condition', '2026-06-12', { timeInService: 4060 }), at(4161)) },
      ['due: hundred-hour-due~ 2304 [c] complete-hundred-hour or complete-condition-inspection'],
    ],
    [
      'experimental by its condition inspection',
      {
        aircraft: { category: 'experimental' },
        ...alone(entry('c', 'condition', '2026-06-12', { timeInService: 4060 }), at(4161)),
      },
      ['due: hundred-hour-due~ 2304 [c] complete-hundred-hour or complete-condition-inspection'],
    ],
    [
      'meter unknown',
      { meterReadings: null },
      [
        'meter-time-in-service: meter-unknown? 1440 [] record-meter-reading(time-in-service)',
        'due: hundred-hour-due?~ 1440 [hundred-2026-10] record-meter-reading(time-in-service)',
      ],
      ['meterReadings (time-in-service)'],
    ],
    [
      'meter ahead of itself',
      { meterReadings: { today: { happenedAt: '2026-11-23T21:13:00Z' } } },
      [
        'meter-time-in-service: meter-ahead-of-itself? 1440 [today] correct-meter-reading(time-in-service)',
        'due: hundred-hour-due?~ 1440 [hundred-2026-10] correct-meter-reading(time-in-service)',
      ],
    ],
    [
      'meter backwards',
      {
        meterReadings: {
          old: {
            meter: 'time-in-service',
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:00:00Z',
            value: 4151,
          },
        },
      },
      [
        'meter-time-in-service: meter-contradicts? 1440 [old,today] correct-meter-reading(time-in-service)',
        'due: hundred-hour-due?~ 1440 [hundred-2026-10] correct-meter-reading(time-in-service)',
      ],
    ],
    [
      'part 141: solo too',
      { packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-141' } }], ...at(4210) },
      [
        'due: hundred-hour-due~ 1440 [hundred-2026-10] complete-hundred-hour or complete-annual',
        'school-due: hundred-hour-due~ 288 [hundred-2026-10] complete-hundred-hour or complete-annual',
      ],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['hundred-hour-inspection'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('the club’s hundred hours', () => {
  it.each<Row>([
    ['in time', {}, []],
    [
      'out',
      at(4210),
      ['due: hundred-hour-due~ 1152 [hundred-2026-10] complete-hundred-hour or complete-annual'],
    ],
    [
      'category unknown',
      { aircraft: { category: null } },
      ['category: category-unknown? 1152 [] record-category'],
      ['aircraft.category'],
    ],
    [
      'gliders',
      { aircraft: { category: 'glider' }, ...at(4210) },
      ['due: hundred-hour-due~ 1152 [hundred-2026-10] complete-hundred-hour or complete-annual'],
    ],
    [
      'never',
      alone({}),
      ['inspection: hundred-hour-unknown?~ 1152 [] complete-hundred-hour or complete-annual'],
      ['inspections (hundred-hour or annual)'],
    ],
    [
      'for hire and lessons alone',
      {
        packs: [
          { id: 'us-part91' },
          { id: 'club-policy', parameters: { hundredHourCovers: 'hire-and-lessons' } },
        ],
        ...at(4210),
      },
      [],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['club-hundred-hour'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('the progressive programme', () => {
  it.each<Row>([
    ['an annual programme', {}, []],
    [
      'no items known',
      { aircraft: { programme: 'progressive' }, items: null },
      ['segments: programme-segments-unknown?~ [] record-items'],
      ['items (progressive-segment)'],
    ],
    [
      'no segments',
      { aircraft: { programme: 'progressive' }, items: {} },
      ['segments: programme-segments-unknown?~ [] record-items'],
      ['items (progressive-segment)'],
    ],
    ['a segment by months', segment({}), []],
    ['by months to the day', segment({ interval: { monthsToTheDay: 6 } }), []],
    ['by days', segment({ interval: { days: 90 } }), []],
    [
      'by hours alone',
      segment({ interval: hours(50), done: { d: done('2026-09-01', 4100) } }),
      ['segment.s: programme-not-complete~ [s] record-items(s)'],
    ],
    [
      'of 36 months',
      segment({ interval: { months: 36 } }),
      ['segment.s: programme-not-complete~ [s] record-items(s)'],
    ],
    [
      'of 13 months',
      segment({ interval: { months: 13 } }),
      ['segment.s: programme-not-complete~ [s] record-items(s)'],
    ],
    [
      'of 12 months and by hours',
      segment({ interval: { months: 12, hours: [{ meter: 'time-in-service', every: 50 }] } }),
      [],
    ],
    ['of 365 days', segment({ interval: { days: 365 } }), []],
    [
      'of 366 days',
      segment({ interval: { days: 366 } }),
      ['segment.s: programme-not-complete~ [s] record-items(s)'],
    ],
    [
      'a segment without an interval is none',
      segment({ interval: null }),
      ['segment.s: programme-not-complete~ [s] record-items(s)'],
    ],
    [
      'one for some uses alone is none',
      segment({ uses: [{ light: ['night'] }] }),
      ['segments: programme-segments-unknown?~ [] record-items'],
      ['items (progressive-segment)'],
    ],
    [
      'a service signed as one is none',
      segment({ signedAs: 'service' }),
      ['segments: programme-segments-unknown?~ [] record-items'],
      ['items (progressive-segment)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['progressive-programme'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('altimeter and static', () => {
  it.each<Row>([
    [
      'never',
      { ...all, ...alone({}) },
      ['altimeter-static: inspection-unknown?~ 3024 [] test-altimeter-static'],
      ['inspections (altimeter-static)'],
    ],
    [
      'over',
      { ...all, ...alone(entry('t', 'altimeter-static', '2024-10-31')) },
      ['altimeter-static: inspection-expires~ 3024 [t] test-altimeter-static'],
    ],
    ['last good day', { ...all, ...alone(entry('t', 'altimeter-static', '2024-11-01')) }, []],
    ['not approved', { ...all, ...alone(entry('t', 'altimeter-static', '2026-10-31', listed)) }, []],
    [
      'opened after the test',
      { ...all, ...work({ staticOpened: true }) },
      ['opened-w: test-needed-after-work~ 3024 [w] test-static-system'],
    ],
    ['opened before the test', { ...all, ...work({ staticOpened: true, completedOn: '2026-02-09' }) }, []],
    [
      'opened on the day of the test',
      { ...all, ...work({ staticOpened: true, completedOn: '2026-02-10' }) },
      [],
    ],
    [
      'work that does not say',
      { ...all, ...work({ staticOpened: null, description: null }) },
      ['opened-w: work-effect-unknown?~ 3024 [w] test-static-system'],
    ],
    [
      'work that does not say, before the test',
      { ...all, ...work({ staticOpened: null, completedOn: '2026-02-09' }) },
      [],
    ],
    [
      'opened nobody knows when',
      { ...all, ...work({ staticOpened: true, completedOn: null }) },
      ['opened-w: work-effect-unknown~ 3024 [w] test-static-system'],
    ],
    [
      'opened, never tested',
      { ...all, ...alone({}), ...work({ staticOpened: true }) },
      [
        'opened-w: test-needed-after-work~ 3024 [w] test-static-system',
        'altimeter-static: inspection-unknown?~ 3024 [] test-altimeter-static',
      ],
      ['inspections (altimeter-static)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['altimeter-static'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('the transponder', () => {
  it.each<Row>([
    [
      'never',
      alone({}),
      ['transponder: inspection-unknown?~ 4536 [] test-transponder'],
      ['inspections (transponder)'],
    ],
    [
      'over',
      alone(entry('t', 'transponder', '2024-10-31')),
      ['transponder: inspection-expires~ 4536 [t] test-transponder'],
    ],
    ['not fitted', { ...alone({}), equipment: { list: { items: { transponder: 'not-fitted' } } } }, []],
    [
      'signed by a mechanic',
      alone(entry('t', 'transponder', '2026-10-31', { signedBy: student })),
      [
        'transponder: inspection-unknown?~ 4536 [] complete-inspection-entry(transponder) or test-transponder',
      ],
      ['inspections (transponder)'],
    ],
    [
      'touched after the test',
      work({ altitudeReportingTouched: true }),
      ['touched-w: test-needed-after-work~ 4536 [w] test-transponder'],
    ],
    ['touched before it', work({ altitudeReportingTouched: true, completedOn: '2026-02-09' }), []],
    ['touched on its day', work({ altitudeReportingTouched: true, completedOn: '2026-02-10' }), []],
    [
      'work that does not say',
      work({ altitudeReportingTouched: null, description: null }),
      ['touched-w: work-effect-unknown?~ 4536 [w] test-transponder'],
    ],
    [
      'touched nobody knows when',
      work({ altitudeReportingTouched: true, completedOn: null }),
      ['touched-w: work-effect-unknown~ 4536 [w] test-transponder'],
    ],
    [
      'touched, never tested',
      { ...alone({}), ...work({ altitudeReportingTouched: true }) },
      [
        'touched-w: test-needed-after-work~ 4536 [w] test-transponder',
        'transponder: inspection-unknown?~ 4536 [] test-transponder',
      ],
      ['inspections (transponder)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['transponder-test'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('items', () => {
  it.each<Row>([
    ['not on record', { items: null }, ['list: items-unknown? [] record-items'], ['items']],
    [
      'never done',
      item({ interval: hours(100), done: {} }),
      ['i: item-history-unknown?~ [i] complete-item(i) or record-item-history(i)'],
      ['items.i'],
    ],
    [
      'a life limit never recorded',
      item({ kind: 'life-limit', interval: hours(100), done: {} }),
      ['i: item-history-unknown?~ [i] replace-part(i) or record-item-history(i)'],
      ['items.i'],
    ],
    [
      'a service signed as one',
      item({ interval: hours(50), signedAs: 'service' }),
      ['i.time-in-service: item-due~ [i,d] complete-item(i)'],
    ],
    [
      'a check signed by a mechanic',
      item({ kind: 'component-check', interval: hours(50) }),
      ['i.time-in-service: item-due~ [i,d] complete-item(i)'],
    ],
    ['by calendar months', item({ interval: { months: 2 } }), []],
    [
      'by months to the day',
      item({ interval: { monthsToTheDay: 2 } }),
      ['i.date: item-expires~ [i,d] complete-item(i)'],
    ],
    ['by days', item({ interval: { days: 84 } }), []],
    ['by days, last good day', item({ interval: { days: 85 } }), []],
    [
      'neither date nor interval',
      item({}),
      ['i: item-history-unknown?~ [i,d] record-item-history(i)'],
      ['items.i'],
    ],
    ['printed date', item({ until: '2026-11-23' }), ['i.date: item-expires~ [i,d] complete-item(i)']],
    ['no expiry', item({ until: 'no-expiry' }), []],
    [
      'reading then unknown',
      item({ interval: hours(50), done: { d: done('2026-09-01', null) } }),
      ['i.time-in-service: item-reading-unknown?~ [i,d] record-item-history(i) or complete-item(i)'],
      ['items.i.time-in-service'],
    ],
    [
      'late, taken off',
      item({
        interval: hours(50),
        excess: 'taken-off',
        done: { c: done('2026-06-01', 4030), d: done('2026-09-01', 4100) },
      }),
      ['i.time-in-service: item-due~ [i,d] complete-item(i)'],
    ],
    [
      'late, not taken off',
      item({
        interval: hours(50),
        excess: 'not-taken-off',
        done: { c: done('2026-06-01', 4030), d: done('2026-09-01', 4100.4) },
      }),
      [],
    ],
    [
      'late on free uses',
      item({
        interval: hours(50),
        done: { c: done('2026-06-01', 4030), d: done('2026-09-01', 4100.4, { excessOnFreeUses: true }) },
      }),
      [],
    ],
    [
      'may be flown past',
      item({ interval: hours(50), overrun: { meter: 'time-in-service', by: 5 } }),
      ['i.time-in-service: item-due~ 5184 [i,d] complete-item(i)'],
    ],
    [
      'overrun over too',
      { ...item({ interval: hours(45), overrun: { meter: 'time-in-service', by: 5 } }) },
      [
        'i.time-in-service: item-due~ 5184 [i,d] complete-item(i)',
        'i.time-in-service.overrun: item-overrun-ends~ 864 [i,d] complete-item(i)',
      ],
    ],
    [
      'an overrun of a use that no ferry is',
      {
        ...item({
          interval: hours(45),
          overrun: { meter: 'time-in-service', by: 5 },
          uses: [{ purpose: ['carriage-for-hire'] }],
        }),
      },
      ['i.time-in-service: item-due~ 864 [i,d] complete-item(i)'],
    ],
    [
      'oil by fuel, engine unread',
      item({ kind: 'oil-change', oilLife: { leaded: 50, unleaded: 100 } }),
      [
        'i.oil: item-reading-unknown?~ [i,d] record-item-history(i) or complete-item(i)',
        'meter-engine: meter-unknown? [] record-meter-reading(engine)',
      ],
      ['items.i.oil', 'meterReadings (engine)'],
    ],
    [
      'on another meter, unread',
      item({
        interval: hours(50, 'propeller'),
        done: { d: done('2026-09-01', null, { readings: { hours: { propeller: 100 } } }) },
      }),
      [
        'meter-propeller: meter-unknown? [] record-meter-reading(propeller)',
        'i.propeller: item-due?~ [i,d] record-meter-reading(propeller)',
      ],
      ['meterReadings (propeller)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['maintenance-items'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('ads', () => {
  it.each<Row>([
    ['not on record', { ads: null }, ['list: ads-unknown? [] record-ads'], ['ads']],
    ['does not apply', ad({ applies: false }), []],
    ['not judged', ad({ applies: null }), ['x: ad-unknown? [x] record-ads(x)'], ['ads.x.applies']],
    ['before further flight', ad({ initial: null }), ['x: ad-before-flight~ [x] comply-with-ad(x)']],
    ['first by months', ad({ initial: { months: 1 } }), ['x.date: ad-expires~ [x] comply-with-ad(x)']],
    [
      'first by months to the day',
      ad({ initial: { monthsToTheDay: 2 } }),
      ['x.date: ad-expires~ [x] comply-with-ad(x)'],
    ],
    ['first by days', ad({ initial: { days: 84 } }), []],
    ['first by hours', ad({ initial: hours(50) }), ['x.time-in-service: ad-due~ [x] comply-with-ad(x)']],
    ['first by hours, ahead', ad({ initial: hours(51) }), []],
    [
      'of two meters each by its own',
      {
        ...ad({
          initial: {
            hours: [
              { meter: 'time-in-service', every: 60 },
              { meter: 'engine', every: 10 },
            ],
          },
          readingsThen: { hours: { 'time-in-service': 4100, engine: 900 } },
        }),
        meterReadings: {
          e: {
            meter: 'engine',
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:00:00Z',
            value: 909,
          },
        },
      },
      [],
    ],
    [
      'effect unknown',
      ad({ initial: hours(25), effectiveOn: null }),
      ['x: ad-unknown?~ [x] comply-with-ad(x)'],
    ],
    [
      'reading then unknown',
      ad({ initial: hours(25), readingsThen: null }),
      ['x: ad-unknown?~ [x] comply-with-ad(x)'],
    ],
    ['done for good', ad({ initial: null, done: { c: done('2026-09-10', 4102, { method: 'end' }) } }), []],
    [
      'done for good, then re-checked',
      ad({
        done: {
          c: done('2026-09-10', 4102, { method: 'end' }),
          d: done('2026-09-11', 4103, { method: 'look' }),
        },
      }),
      [],
    ],
    [
      'looked at, due again',
      ad({ done: { c: done('2026-09-10', 4102, { method: 'look' }) } }),
      ['x.time-in-service: ad-due~ [x,c] comply-with-ad(x)'],
    ],
    [
      'late: nothing is taken off',
      ad({
        done: {
          b: done('2026-09-05', 4100.5, { method: 'look' }),
          c: done('2026-11-10', 4128, { method: 'look' }),
        },
      }),
      [],
    ],
    [
      'due again by date',
      ad({
        methods: { look: { name: 'Look', repeats: { months: 1 } } },
        done: { c: done('2026-09-10', 4102, { method: 'look' }) },
      }),
      ['x.date: ad-expires~ [x,c] comply-with-ad(x)'],
    ],
    [
      'its reading unknown',
      ad({ done: { c: done('2026-09-10', null, { method: 'look' }) } }),
      ['x.time-in-service: ad-unknown?~ [x,c] comply-with-ad(x)'],
    ],
    [
      'no methods listed',
      ad({ methods: {}, initial: null, done: { c: done('2026-09-10', 4102, { method: 'look' }) } }),
      ['x: ad-before-flight~ [x] comply-with-ad(x)'],
    ],
    ['no ferry', ad({ initial: null, noFerry: true }), ['x: ad-before-flight [x] comply-with-ad(x)']],
    ['ferry unknown', ad({ initial: null, noFerry: null }), ['x: ad-before-flight [x] comply-with-ad(x)']],
    [
      'signed by a student',
      ad({ initial: null, done: { c: done('2026-09-10', 4102, { method: 'end', signedBy: student }) } }),
      [
        'unsigned.c: work-not-signed~ [c] complete-work-entry(c)',
        'x: ad-before-flight~ [x] comply-with-ad(x)',
      ],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['ads'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});
