import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { alone, entry, listed, student, shop, hours, done } from '@/testing/rules/inspections';
import type { Row } from '@/testing/rules/row';

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
      ['opened-w: work-effect-unknown?~ 3024 [w] release-after-work(w) or test-static-system'],
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
      ['touched-w: work-effect-unknown?~ 4536 [w] release-after-work(w) or test-transponder'],
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
