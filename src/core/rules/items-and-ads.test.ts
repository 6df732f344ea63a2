import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { student, hours, done } from '@/testing/rules/inspections';
import type { Row } from '@/testing/rules/row';

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
    [
      'signed by a student, and completed on the same day by a mechanic',
      ad({
        initial: null,
        done: {
          c: done('2026-09-10', 4102, { method: 'end', signedBy: student }),
          e: done('2026-09-10', 4102, { method: 'end', recordedAt: '2026-09-11T12:00:00Z' }),
        },
      }),
      [],
    ],
    [
      'signed by a student after a mechanic had on the same day',
      ad({
        initial: null,
        done: {
          c: done('2026-09-10', 4102, {
            method: 'end',
            signedBy: student,
            recordedAt: '2026-09-11T12:00:00Z',
          }),
          e: done('2026-09-10', 4102, { method: 'end' }),
        },
      }),
      ['unsigned.c: work-not-signed~ [c] complete-work-entry(c)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['ads'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});
