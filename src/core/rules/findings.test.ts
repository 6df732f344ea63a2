import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { pilot, engineer, found } from '@/testing/rules/maintenance';
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
const fixed = (change: Change = {}) => ({
  recordedAt: '2026-11-21T20:00:00Z',
  work: 'repaired',
  description: 'Dressed',
  completedOn: '2026-11-21',
  signedBy: mechanic,
  ...change,
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
