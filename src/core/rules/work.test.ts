import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { AU, student, pilot, engineer } from '@/testing/rules/maintenance';
import type { Row } from '@/testing/rules/row';

const mechanic = {
  ...engineer,
  name: 'Tomas Brandl',
  certificate: { ...engineer.certificate, kind: 'mechanic-airframe-powerplant', number: 'AP-1' },
};
const work = (change: Change) => ({
  work: {
    w: {
      recordedAt: '2026-11-20T20:00:00Z',
      completedOn: '2026-11-20',
      description: 'Cable',
      signedBy: mechanic,
      mayChangeFlight: false,
      flightControls: false,
      staticOpened: false,
      altitudeReportingTouched: false,
      weightChanged: false,
      ...change,
    },
  },
});
const flown = (change: Change = {}) =>
  work({
    mayChangeFlight: true,
    checkFlight: { recordedAt: '2026-11-21T20:00:00Z', on: '2026-11-21', pilot, logged: true, ...change },
  });
const second = (change: Change, entry: Change = {}) => ({
  ...AU,
  ...work({
    signedBy: engineer,
    flightControls: true,
    independentInspection: { recordedAt: '2026-11-21T21:00:00Z', on: '2026-11-21', by: pilot, ...change },
    ...entry,
  }),
});

describe('work on flight controls', () => {
  it.each<Row>([
    ['none', AU, []],
    ['not on them', second({}, { flightControls: false, independentInspection: null }), []],
    [
      'it does not say',
      second({}, { flightControls: null }),
      ['w: work-effect-unknown?~ [w] release-after-work(w)'],
    ],
    [
      'no second',
      second({}, { independentInspection: null }),
      ['w: independent-inspection-needed [w] inspect-independently(w)'],
    ],
    ['a second pilot', second({}), []],
    [
      'the same certificate under another spelling of the name',
      second({ by: { ...engineer, name: 'O. Hart' } }),
      ['w: independent-inspection-needed [w] inspect-independently(w)'],
    ],
    [
      'the same person',
      second({ by: engineer }),
      ['w: independent-inspection-needed [w] inspect-independently(w)'],
    ],
    ['a student', second({ by: student }), ['w: independent-inspection-needed [w] inspect-independently(w)']],
    [
      'before the work',
      second({ on: '2026-11-19' }),
      ['w: independent-inspection-needed [w] inspect-independently(w)'],
    ],
    [
      'ahead of its record',
      second({ on: '2026-11-23' }),
      ['w: independent-inspection-needed [w] inspect-independently(w)'],
    ],
    [
      'work undated',
      second({}, { completedOn: null }),
      ['w: independent-inspection-needed [w] inspect-independently(w)'],
    ],
    ['work unsigned', second({}, { signedBy: null }), []],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['independent-inspection'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('maintenance entries', () => {
  it.each<Row>([
    ['in order', work({}), []],
    ['undated', work({ completedOn: null }), ['w: work-entry-not-valid~ [w] release-after-work(w)']],
    ['no description', work({ description: null }), ['w: work-entry-not-valid~ [w] release-after-work(w)']],
    ['unsigned', work({ signedBy: null }), ['w: work-entry-not-valid~ [w] release-after-work(w)']],
    ['by a pilot', work({ signedBy: pilot }), ['w: work-entry-not-valid~ [w] release-after-work(w)']],
    [
      'ahead of its record',
      work({ completedOn: '2026-11-21' }),
      ['w: work-entry-not-valid~ [w] release-after-work(w)'],
    ],
    [
      'it does not say whether it flies as before',
      work({ mayChangeFlight: null }),
      ['w: work-effect-unknown? 5904 [w] release-after-work(w)'],
    ],
    [
      'a check flight is needed',
      work({ mayChangeFlight: true }),
      ['w: check-flight-needed 5904 [w] fly-check-flight(w) or release-after-work(w)'],
    ],
    ['ground tests conclusive', work({ mayChangeFlight: true, groundTestsConclusive: true }), []],
    [
      'ground tests not conclusive',
      work({ mayChangeFlight: true, groundTestsConclusive: false }),
      ['w: check-flight-needed 5904 [w] fly-check-flight(w) or release-after-work(w)'],
    ],
    ['flown', flown(), []],
    ['flown on the day of the work', flown({ on: '2026-11-20' }), []],
    [
      'flown before it',
      flown({ on: '2026-11-19' }),
      ['w: check-flight-needed 5904 [w] fly-check-flight(w) or release-after-work(w)'],
    ],
    [
      'flown ahead of its record',
      flown({ on: '2026-11-22' }),
      ['w: check-flight-needed 5904 [w] fly-check-flight(w) or release-after-work(w)'],
    ],
    [
      'not logged',
      flown({ logged: null }),
      ['w: check-flight-needed 5904 [w] fly-check-flight(w) or release-after-work(w)'],
    ],
    [
      'by a student',
      flown({ pilot: student }),
      ['w: check-flight-needed 5904 [w] fly-check-flight(w) or release-after-work(w)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['maintenance-entries'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

/** A later entry that approves the work of `work()`, as a mechanic signs it on the evening of the 21st. */
const approval = (change: Change = {}) => ({
  a: {
    recordedAt: '2026-11-21T19:00:00Z',
    completedOn: '2026-11-21',
    description: 'Cable replaced',
    signedBy: mechanic,
    major: false,
    mayChangeFlight: false,
    flightControls: false,
    staticOpened: false,
    altitudeReportingTouched: false,
    weightChanged: false,
    ...change,
  },
});
const begun = { signedBy: null, completedOn: null, mayChangeFlight: null, flightControls: null };
const NEEDS_FLIGHT = ['w: check-flight-needed 5904 [w] fly-check-flight(w) or release-after-work(w)'];
const NOT_APPROVED = ['w: work-entry-not-valid~ [w] release-after-work(w)'];

describe('an approval of work on record', () => {
  it.each<Row>([
    ['work that is begun', work(begun), ['w: work-in-progress~ [w] release-after-work(w)']],
    ['begun and approved', work({ ...begun, approvals: approval() }), []],
    ['approved by a pilot', work({ ...begun, approvals: approval({ signedBy: pilot }) }), NOT_APPROVED],
    [
      'approved for a day that had not come',
      work({ ...begun, approvals: approval({ completedOn: '2026-11-22' }) }),
      NOT_APPROVED,
    ],
    [
      'it may fly otherwise',
      work({ ...begun, approvals: approval({ mayChangeFlight: true }) }),
      NEEDS_FLIGHT,
    ],
    ['it said so before', work({ mayChangeFlight: true, approvals: approval() }), NEEDS_FLIGHT],
    [
      'ground tests show that it does not',
      work({ mayChangeFlight: true, approvals: approval({ groundTestsConclusive: true }) }),
      [],
    ],
    ...(['a', 'b'] as const).map((sure): Row => [
      `of two of one moment, ${sure} says that ground tests show it and the other does not`,
      work({
        mayChangeFlight: true,
        approvals: {
          a: approval({ groundTestsConclusive: sure === 'a' }).a,
          b: approval({ groundTestsConclusive: sure === 'b' }).a,
        },
      }),
      NEEDS_FLIGHT,
    ]),
    [
      'a later entry does not speak of the tests of the first',
      work({
        mayChangeFlight: true,
        groundTestsConclusive: true,
        approvals: approval({ mayChangeFlight: true }),
      }),
      NEEDS_FLIGHT,
    ],
    [
      'flown before it',
      {
        work: {
          w: {
            ...flown({ recordedAt: '2026-11-21T18:00:00Z' }).work.w,
            approvals: approval({ mayChangeFlight: true }),
          },
        },
      },
      NEEDS_FLIGHT,
    ],
    [
      'flown after it',
      { work: { w: { ...flown().work.w, approvals: approval({ mayChangeFlight: true }) } } },
      [],
    ],
    [
      'a major one needs more than a mechanic',
      work({ ...begun, approvals: approval({ major: true }) }),
      NOT_APPROVED,
    ],
    ['major stays major', work({ ...begun, major: true, approvals: approval() }), NOT_APPROVED],
    [
      'preventive maintenance that a pilot signed, and a mechanic since',
      work({ ...begun, preventive: 'c1', approvals: approval() }),
      [],
    ],
    [
      'a day before the first entry does not take its place',
      work({
        mayChangeFlight: true,
        completedOn: '2026-11-20',
        approvals: approval({ completedOn: '2026-11-19' }),
        checkFlight: { recordedAt: '2026-11-21T20:00:00Z', on: '2026-11-19', pilot, logged: true },
      }),
      NEEDS_FLIGHT,
    ],
    [
      'the last of several counts',
      work({
        ...begun,
        approvals: {
          ...approval(),
          b: { ...approval().a, recordedAt: '2026-11-21T21:00:00Z', signedBy: pilot },
        },
      }),
      NOT_APPROVED,
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['maintenance-entries'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
  it('is not there before it was written down', () => {
    const change = work({ ...begun, approvals: approval() });
    const at = (asOf: string) => said(decideBy(['maintenance-entries'], { asOf, ...change }));
    expect([at('2026-11-21T18:59:00Z'), at('2026-11-21T19:00:00Z')]).toEqual([
      ['w: work-in-progress~ [w] release-after-work(w)'],
      [],
    ]);
  });
  it('leaves flight controls touched that were touched, and asks for the second person again', () => {
    const change = second(
      {},
      { approvals: approval({ signedBy: engineer, recordedAt: '2026-11-21T20:30:00Z' }) },
    );
    expect(said(decideBy(['independent-inspection'], change))).toEqual([]);
    const later = second(
      {},
      { approvals: approval({ signedBy: engineer, recordedAt: '2026-11-21T22:00:00Z' }) },
    );
    expect(said(decideBy(['independent-inspection'], later))).toEqual([
      'w: independent-inspection-needed [w] inspect-independently(w)',
    ]);
  });
});
