import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { AU, student, pilot, engineer, found } from '@/testing/rules/maintenance';
import type { Row } from '@/testing/rules/row';

const mechanic = {
  ...engineer,
  name: 'Tomas Brandl',
  certificate: { ...engineer.certificate, kind: 'mechanic-airframe-powerplant', number: 'AP-1' },
};
const instructor = {
  ...engineer,
  name: 'Sefa Lund',
  certificate: { ...engineer.certificate, kind: 'flight-instructor' },
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
const fixed = (change: Change = {}) => ({
  recordedAt: '2026-11-21T20:00:00Z',
  work: 'repaired',
  description: 'Dressed',
  completedOn: '2026-11-21',
  signedBy: mechanic,
  ...change,
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

describe('discrepancies', () => {
  it.each<Row>([
    ['unclassified', found({}), ['d: discrepancy-open~ [d] repair-and-return-to-service(d)']],
    [
      'for a mechanic',
      found({ classification: 'ground-until-mechanic' }),
      ['d: discrepancy-open~ [d] repair-and-return-to-service(d)'],
    ],
    [
      'for service',
      found({ classification: 'service-before-flight' }),
      ['d: discrepancy-open!~ [d] service-and-record(d)'],
    ],
    [
      'for an instructor',
      found({ classification: 'tell-instructor' }),
      ['d: discrepancy-open!~ [d] instructor-judges(d)'],
    ],
    [
      'deferral path without uses',
      found({ classification: 'deferral-path' }),
      ['d: discrepancy-open~ [d] repair-and-return-to-service(d)'],
    ],
    [
      'deferral path by night',
      found({ classification: 'deferral-path', closesUses: ['night'] }),
      ['d: discrepancy-open~ [d] repair-and-return-to-service(d)'],
    ],
    ['watched', found({ classification: 'watch' }), []],
    ['noted', found({ classification: 'note' }), []],
    [
      'a dead instrument has its own rule',
      found({ classification: 'deferral-path', equipment: ['clock'] }),
      [],
    ],
    [
      'a dead instrument that grounds',
      found({ classification: 'ground-until-mechanic', equipment: ['clock'] }),
      ['d: discrepancy-open~ [d] repair-and-return-to-service(d)'],
    ],
    ['repaired', found({ rectification: fixed() }), []],
    [
      'repaired by a pilot',
      found({ classification: 'ground-until-mechanic', rectification: fixed({ signedBy: pilot }) }),
      [
        'd: discrepancy-repair-not-valid~ [d,d.rectification] complete-repair-entry(d) or repair-and-return-to-service(d)',
      ],
    ],
    [
      'serviced',
      found({
        classification: 'service-before-flight',
        rectification: fixed({ work: 'serviced', signedBy: pilot }),
      }),
      [],
    ],
    [
      'serviced, unsigned',
      found({
        classification: 'service-before-flight',
        rectification: fixed({ work: 'serviced', signedBy: null }),
      }),
      [
        'd: discrepancy-repair-not-valid!~ [d,d.rectification] complete-repair-entry(d) or service-and-record(d)',
      ],
    ],
    [
      'serviced where a mechanic was needed',
      found({ rectification: fixed({ work: 'serviced' }) }),
      [
        'd: discrepancy-repair-not-valid~ [d,d.rectification] complete-repair-entry(d) or repair-and-return-to-service(d)',
      ],
    ],
    [
      'judged by an instructor',
      found({
        classification: 'tell-instructor',
        rectification: fixed({ work: 'judged-acceptable', signedBy: instructor }),
      }),
      [],
    ],
    [
      'judged by a pilot',
      found({
        classification: 'tell-instructor',
        rectification: fixed({ work: 'judged-acceptable', signedBy: pilot }),
      }),
      [
        'd: discrepancy-repair-not-valid!~ [d,d.rectification] complete-repair-entry(d) or instructor-judges(d)',
      ],
    ],
    ['to be looked at by today', found({ classification: 'watch', watch: { recheckBy: '2026-11-24' } }), []],
    [
      'to be looked at by yesterday',
      found({ classification: 'watch', watch: { recheckBy: '2026-11-23' } }),
      ['d.look-again: watch-due [d] instructor-judges(d)'],
    ],
    [
      'to be looked at by hours',
      found({ classification: 'watch', watch: { recheckAt: 4150.3 } }),
      ['d.look-again-hours: watch-due [d] instructor-judges(d)'],
    ],
    [
      'to be fixed by yesterday',
      found({ classification: 'note', watch: { correctBy: '2026-11-23' } }),
      ['d.fix-by: watch-due [d] repair-and-return-to-service(d)'],
    ],
    [
      'all three',
      found({
        classification: 'watch',
        watch: { recheckBy: '2026-11-20', recheckAt: 4150, correctBy: '2026-11-22' },
      }),
      [
        'd.fix-by: watch-due [d] repair-and-return-to-service(d)',
        'd.look-again: watch-due [d] instructor-judges(d)',
        'd.look-again-hours: watch-due [d] instructor-judges(d)',
      ],
    ],
    ['nothing to look at', found({ classification: 'watch', watch: {} }), []],
    [
      'to be looked at, repaired',
      found({ classification: 'watch', watch: { recheckBy: '2026-11-20' }, rectification: fixed() }),
      [],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['open-discrepancies'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

const watching = (change: Change = {}) => ({
  t: {
    recordedAt: '2026-11-21T18:00:00Z',
    decision: 'watch',
    signedBy: mechanic,
    watch: { recheckBy: '2026-12-20', correctBy: '2027-01-31' },
    ...change,
  },
});
const OPEN = ['d: discrepancy-open~ [d] repair-and-return-to-service(d)'];
const JUDGED = ['d: discrepancy-open!~ [d] instructor-judges(d)'];

describe('what somebody who looked decides about a finding', () => {
  it.each<Row>([
    ['nobody', found({ classification: 'ground-until-mechanic' }), OPEN],
    ['a mechanic watches it', found({ triage: watching() }), []],
    [
      'an instructor may not watch what a mechanic has to look at',
      found({ triage: watching({ signedBy: instructor }) }),
      OPEN,
    ],
    [
      'an instructor watches what was left to one',
      found({ classification: 'tell-instructor', triage: watching({ signedBy: instructor }) }),
      [],
    ],
    [
      'a pilot watches nothing',
      found({ classification: 'tell-instructor', triage: watching({ signedBy: pilot }) }),
      JUDGED,
    ],
    ['nobody signed', found({ triage: watching({ signedBy: null }) }), OPEN],
    ['without an end', found({ triage: watching({ watch: { correctBy: '2027-01-31' } }) }), OPEN],
    ['without anything', found({ triage: watching({ watch: null }) }), OPEN],
    ['before it was found', found({ triage: watching({ recordedAt: '2026-11-20T11:00:00Z' }) }), OPEN],
    [
      'to be looked at again by yesterday',
      found({ triage: watching({ watch: { recheckBy: '2026-11-23' } }) }),
      ['d.look-again: watch-due [d] repair-and-return-to-service(d)'],
    ],
    [
      'to be looked at again at a reading that is there',
      found({ classification: 'tell-instructor', triage: watching({ watch: { recheckAt: 4150.3 } }) }),
      ['d.look-again-hours: watch-due [d] instructor-judges(d)'],
    ],
    [
      'an instructor would watch on what a mechanic put on watch',
      found({
        triage: {
          ...watching({ watch: { recheckBy: '2026-11-22' } }),
          u: { ...watching().t, recordedAt: '2026-11-22T18:00:00Z', signedBy: instructor },
        },
      }),
      ['d.look-again: watch-due [d] repair-and-return-to-service(d)'],
    ],
    [
      'an instructor would judge acceptable what a mechanic put on watch',
      found({
        triage: watching({ watch: { recheckBy: '2026-11-23' } }),
        rectification: fixed({ work: 'judged-acceptable', signedBy: instructor }),
      }),
      ['d.look-again: watch-due [d] repair-and-return-to-service(d)'],
    ],
    [
      'watched again with a later day',
      found({
        classification: 'tell-instructor',
        triage: {
          ...watching({ watch: { recheckBy: '2026-11-22' } }),
          u: { ...watching().t, recordedAt: '2026-11-22T18:00:00Z', signedBy: instructor },
        },
      }),
      [],
    ],
    [
      'grounded since',
      found({
        triage: { ...watching(), u: { recordedAt: '2026-11-22T18:00:00Z', decision: 'grounds' } },
      }),
      OPEN,
    ],
    [
      'grounded though it was only noted',
      found({
        classification: 'note',
        triage: { u: { recordedAt: '2026-11-22T18:00:00Z', decision: 'grounds' } },
      }),
      OPEN,
    ],
    [
      'grounded, and an instructor would watch it',
      found({
        classification: 'tell-instructor',
        triage: {
          a: { recordedAt: '2026-11-21T12:00:00Z', decision: 'grounds' },
          ...watching({ signedBy: instructor }),
        },
      }),
      OPEN,
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['open-discrepancies'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
  it('what names equipment is deferred or repaired, and never watched', () => {
    const change = found({
      classification: 'ground-until-mechanic',
      equipment: ['clock'],
      triage: watching(),
    });
    expect(said(decideBy(['open-discrepancies'], change))).toEqual(OPEN);
  });
  it('counts from when it was written down', () => {
    const change = found({ triage: watching() });
    const at = (asOf: string) => said(decideBy(['open-discrepancies'], { asOf, ...change }));
    expect([at('2026-11-21T17:59:59Z'), at('2026-11-21T18:00:00Z')]).toEqual([OPEN, []]);
  });
});

/** Two findings of one aircraft: `d` is held to be the same as `e`. */
const same = (other: Change, own: Change = {}, merge: Change = {}) => ({
  discrepancies: {
    ...found({
      triage: { m: { recordedAt: '2026-11-21T10:00:00Z', decision: 'same-as', sameAs: 'e', ...merge } },
      ...own,
    }).discrepancies,
    e: { happenedAt: '2026-11-19T12:00:00Z', recordedAt: '2026-11-19T12:05:00Z', what: 'Nick', ...other },
  },
});
const [D, E] = [
  'd: discrepancy-open~ [d] repair-and-return-to-service(d)',
  'e: discrepancy-open~ [e] repair-and-return-to-service(e)',
];

describe('a finding that is the same as another', () => {
  it.each<Row>([
    ['closes until the other is closed', same({}), [D, E]],
    ['is closed with the other', same({ rectification: fixed() }), []],
    [
      'not by what was done before',
      same({ rectification: fixed() }, {}, { recordedAt: '2026-11-21T21:00:00Z' }),
      [D],
    ],
    [
      'not by what does not stand up to its own class',
      same(
        {
          classification: 'tell-instructor',
          rectification: fixed({ work: 'judged-acceptable', signedBy: instructor }),
        },
        {},
      ),
      [D],
    ],
    [
      'grounded since, stands by itself again',
      same(
        { rectification: fixed() },
        {
          triage: {
            m: { recordedAt: '2026-11-21T10:00:00Z', decision: 'same-as', sameAs: 'e' },
            n: { recordedAt: '2026-11-21T11:00:00Z', decision: 'grounds' },
          },
        },
      ),
      [D],
    ],
    ['as one that is not there stands by itself', same({}, {}, { sameAs: 'x' }), [D, E]],
    ['as itself stands by itself', same({ rectification: fixed() }, {}, { sameAs: 'd' }), [D]],
    ['is not milder for a milder other', same({ classification: 'note' }), [D]],
    [
      'as one that is the same as a third stands by itself',
      same({
        rectification: fixed(),
        triage: { n: { recordedAt: '2026-11-21T10:00:00Z', decision: 'same-as', sameAs: 'd' } },
      }),
      [D],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['open-discrepancies'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});
