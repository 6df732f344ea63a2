import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy, missed, said } from '@/testing/clean-case';

type Change = { readonly [key: string]: Json };
/** What is changed of the clean trainer, what is then in force (see said()), and which facts were missed. */
type Row = readonly [string, Change, readonly string[], (readonly string[])?];

const engineer = {
  name: 'Owen Hart',
  certificate: { kind: 'licensed-engineer', number: 'L-1', validFrom: '2010-01-01', validUntil: 'no-expiry' },
};
const pilot = {
  ...engineer,
  name: 'Rosa Dane',
  certificate: { ...engineer.certificate, kind: 'pilot', number: 'P-1' },
};
const student = {
  ...engineer,
  name: 'Pia Okoro',
  certificate: { ...engineer.certificate, kind: 'student-pilot' },
};
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
const AU = {
  asOf: '2026-11-24T02:00:00Z',
  packs: [{ id: 'au-maintenance-release' }],
  inspections: null,
  place: { name: 'Cape Reach', latitude: -33.9, longitude: 151.2, timeZone: 'Australia/Sydney' },
};
const one = (change: Change = {}) => ({
  recordedAt: '2026-03-10T05:00:00Z',
  registrationShown: 'N02TB',
  issuedOn: '2026-03-10',
  issuedAt: 4121.5,
  expiresOn: '2027-03-10',
  expiresAt: 4221.5,
  signedBy: engineer,
  aboard: true,
  standing: 'in-force',
  ...change,
});
const release = (change: Change = {}) => ({ ...AU, releases: { r: one(change) } });
const task = (change: Change) => release({ required: { hose: { what: 'Hose', ...change } } });
const day = (change: Change) => ({
  ...AU,
  dailyInspections: {
    d: { recordedAt: '2026-11-23T22:00:00Z', on: '2026-11-24', signedBy: pilot, ...change },
  },
});
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
const found = (change: Change) => ({
  discrepancies: {
    d: { happenedAt: '2026-11-20T12:00:00Z', recordedAt: '2026-11-20T12:05:00Z', what: 'Nick', ...change },
  },
});
const fixed = (change: Change = {}) => ({
  recordedAt: '2026-11-21T20:00:00Z',
  work: 'repaired',
  description: 'Dressed',
  completedOn: '2026-11-21',
  signedBy: mechanic,
  ...change,
});
const NIGHT = [{ light: ['night'] }];
const paper = (change: Change) => ({
  clubDocuments: {
    insurance: null,
    p: {
      happenedAt: '2026-11-01T12:00:00Z',
      recordedAt: '2026-11-01T12:00:00Z',
      kind: 'club',
      name: 'Rules signed',
      validUntil: '2027-01-31',
      ...change,
    },
  },
});
const insured = (change: Change) => ({ clubDocuments: { insurance: change } });
const policy = (parameters: Change) => ({ packs: [{ id: 'us-part91' }, { id: 'club-policy', parameters }] });
const out = (change: Change = {}) => ({
  happenedAt: '2026-11-24T11:00:00Z',
  recordedAt: '2026-11-24T11:01:00Z',
  by: 'Rosa Dane',
  ...change,
});

describe('the maintenance release', () => {
  it.each<Row>([
    [
      'none',
      { ...AU, releases: null },
      ['release: release-missing?~ [] issue-maintenance-release'],
      ['releases'],
    ],
    ['in force', release(), []],
    [
      'category unknown',
      { ...release(), aircraft: { category: null } },
      ['category: category-unknown? [] record-category'],
      ['aircraft.category'],
    ],
    [
      'another category',
      { ...release(), aircraft: { category: 'experimental' } },
      ['category: category-without-rules? [] use-covered-category'],
    ],
    [
      'no day of issue',
      release({ issuedOn: null }),
      ['complete: release-incomplete?~ [r] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.r'],
    ],
    [
      'no hours at issue',
      release({ issuedAt: null }),
      ['complete: release-incomplete?~ [r] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.r'],
    ],
    [
      'no expiry date',
      release({ expiresOn: null }),
      ['complete: release-incomplete?~ [r] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.r'],
    ],
    [
      'no expiry hours',
      release({ expiresAt: null }),
      ['complete: release-incomplete?~ [r] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.r'],
    ],
    [
      'registration unread',
      release({ registrationShown: null }),
      ['complete: release-incomplete?~ [r] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.r'],
    ],
    [
      'standing unknown',
      release({ standing: null }),
      ['complete: release-incomplete?~ [r] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.r'],
    ],
    [
      'aboard unknown',
      release({ aboard: null }),
      ['complete: release-incomplete?~ [r] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.r'],
    ],
    [
      'not aboard',
      release({ aboard: false }),
      ['complete: release-incomplete~ [r] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.r'],
    ],
    [
      'unsigned',
      release({ signedBy: null }),
      ['complete: release-incomplete?~ [r] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.r'],
    ],
    [
      'signed by a pilot',
      release({ signedBy: pilot }),
      ['complete: release-incomplete?~ [r] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.r'],
    ],
    [
      'issued ahead of its record',
      release({ issuedOn: '2026-03-11' }),
      ['complete: release-incomplete?~ [r] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.r'],
    ],
    [
      'of another aircraft',
      release({ registrationShown: 'N07TB' }),
      [
        'identity: release-of-another-aircraft~ [r] fetch-the-right-document(maintenance-release) or issue-maintenance-release',
      ],
    ],
    [
      'suspended',
      release({ standing: 'suspended' }),
      ['standing: release-not-in-force~ [r] issue-maintenance-release'],
    ],
    [
      'cancelled',
      release({ standing: 'cancelled' }),
      ['standing: release-not-in-force~ [r] issue-maintenance-release'],
    ],
    [
      'over by date',
      release({ expiresOn: '2026-11-23' }),
      ['date: release-expires~ [r] issue-maintenance-release'],
    ],
    ['on its last day', release({ expiresOn: '2026-11-24' }), []],
    ['over by hours', release({ expiresAt: 4150.3 }), ['hours: release-due~ [r] issue-maintenance-release']],
    [
      'meter unknown',
      { ...release(), meterReadings: null },
      [
        'meter-time-in-service: meter-unknown? [] record-meter-reading(time-in-service)',
        'hours: release-due?~ [r] record-meter-reading(time-in-service)',
      ],
      ['meterReadings (time-in-service)'],
    ],
    [
      'the later of two counts',
      {
        ...AU,
        releases: {
          a: one({ standing: 'suspended' }),
          b: one({ issuedOn: '2026-04-10', recordedAt: '2026-04-10T05:00:00Z' }),
        },
      },
      [],
    ],
    [
      'the later of two counts, named the other way',
      {
        ...AU,
        releases: {
          b: one({ standing: 'suspended' }),
          a: one({ issuedOn: '2026-04-10', recordedAt: '2026-04-10T05:00:00Z' }),
        },
      },
      [],
    ],
    [
      'an undated one may be the one in force',
      { ...AU, releases: { a: one(), b: one({ issuedOn: null, standing: 'suspended' }) } },
      [
        'standing: release-not-in-force~ [b] issue-maintenance-release',
        'complete: release-incomplete?~ [b] check-document(maintenance-release) or issue-maintenance-release',
      ],
      ['releases.b'],
    ],
    [
      'the same the other way round',
      { ...AU, releases: { b: one(), a: one({ issuedOn: null, standing: 'suspended' }) } },
      [
        'standing: release-not-in-force~ [a] issue-maintenance-release',
        'complete: release-incomplete?~ [a] check-document(maintenance-release) or issue-maintenance-release',
      ],
      ['releases.a'],
    ],
    [
      'an undated one from before',
      { ...AU, releases: { a: one({ issuedOn: null, recordedAt: '2026-03-09T05:00:00Z' }), b: one() } },
      [],
    ],
    [
      'an undated one from after',
      { ...AU, releases: { a: one(), b: one({ issuedOn: null, recordedAt: '2026-03-11T05:00:00Z' }) } },
      ['complete: release-incomplete?~ [b] check-document(maintenance-release) or issue-maintenance-release'],
      ['releases.b'],
    ],
    [
      'of two on a day the one recorded later',
      {
        ...AU,
        releases: { a: one({ standing: 'suspended' }), b: one({ recordedAt: '2026-03-10T06:00:00Z' }) },
      },
      [],
    ],
    [
      'the same the other way',
      {
        ...AU,
        releases: { a: one({ recordedAt: '2026-03-10T06:00:00Z', standing: 'suspended' }), b: one() },
      },
      ['standing: release-not-in-force~ [a] issue-maintenance-release'],
    ],
    [
      'work by a date',
      task({ by: '2026-11-23' }),
      ['required.hose.date: release-work-due~ [r] complete-item(hose)'],
    ],
    ['work by a date ahead', task({ by: '2026-11-24' }), []],
    [
      'work at hours',
      task({ at: 4150.3 }),
      ['required.hose.hours: release-work-due~ [r] complete-item(hose)'],
    ],
    ['work at hours ahead', task({ at: 4150.4 }), []],
    ['work due when nobody said', task({}), ['required.hose: release-work-due~ [r] complete-item(hose)']],
    [
      'work certified',
      task({
        by: '2026-11-01',
        certified: { recordedAt: '2026-10-30T05:00:00Z', on: '2026-10-30', by: engineer },
      }),
      [],
    ],
    [
      'work certified ahead of itself',
      task({
        by: '2026-11-01',
        certified: { recordedAt: '2026-10-30T05:00:00Z', on: '2026-10-31', by: engineer },
      }),
      ['required.hose.date: release-work-due~ [r] complete-item(hose)'],
    ],
    [
      'work certified by a student',
      task({
        by: '2026-11-01',
        certified: { recordedAt: '2026-10-30T05:00:00Z', on: '2026-10-30', by: student },
      }),
      ['required.hose.date: release-work-due~ [r] complete-item(hose)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['maintenance-release'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('the daily inspection', () => {
  it.each<Row>([
    ['none', AU, ['day: daily-inspection-due?! [] sign-daily-inspection'], ['dailyInspections']],
    ['of today', day({}), []],
    [
      'of yesterday',
      day({ on: '2026-11-23', recordedAt: '2026-11-23T01:00:00Z' }),
      ['day: daily-inspection-due! [d] sign-daily-inspection'],
    ],
    [
      'by a student',
      day({ signedBy: student }),
      ['day: daily-inspection-due?! [] sign-daily-inspection'],
      ['dailyInspections'],
    ],
    [
      'ahead of its record',
      day({ on: '2026-11-25' }),
      ['day: daily-inspection-due?! [] sign-daily-inspection'],
      ['dailyInspections'],
    ],
    [
      'the last of several',
      {
        ...AU,
        dailyInspections: {
          a: { recordedAt: '2026-11-22T01:00:00Z', on: '2026-11-22', signedBy: pilot },
          b: { recordedAt: '2026-11-23T01:00:00Z', on: '2026-11-23', signedBy: pilot },
          c: { recordedAt: '2026-11-21T01:00:00Z', on: '2026-11-21', signedBy: pilot },
        },
      },
      ['day: daily-inspection-due! [b] sign-daily-inspection'],
    ],
    [
      'two of one day',
      {
        ...AU,
        dailyInspections: {
          b: { recordedAt: '2026-11-23T01:00:00Z', on: '2026-11-23', signedBy: pilot },
          a: { recordedAt: '2026-11-23T02:00:00Z', on: '2026-11-23', signedBy: pilot },
        },
      },
      ['day: daily-inspection-due! [a] sign-daily-inspection'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['daily-inspection'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
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
      ['w: work-effect-unknown? 5904 [w] release-after-work(w) or record-item-history(w)'],
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

describe('club documents', () => {
  it.each<Row>([
    ['insured', {}, []],
    [
      'never',
      { clubDocuments: null },
      ['insurance: club-document-missing? [] renew-club-document(insurance)'],
      ['clubDocuments (insurance)'],
    ],
    ['not asked', { clubDocuments: null, ...policy({ insurance: 'not-asked' }) }, []],
    [
      'insured to yesterday',
      insured({ validUntil: '2026-11-23' }),
      ['insurance/Insurance: club-document-expires [insurance] renew-club-document(insurance/Insurance)'],
    ],
    [
      'insured, nobody knows until when',
      insured({ validUntil: null }),
      [
        'insurance/Insurance: club-document-expiry-unknown? [insurance] renew-club-document(insurance/Insurance)',
      ],
      ['clubDocuments.insurance.validUntil'],
    ],
    ['insured for ever', insured({ validUntil: 'no-expiry' }), []],
    [
      'another document and no insurance',
      paper({}),
      ['insurance: club-document-missing? [] renew-club-document(insurance)'],
      ['clubDocuments (insurance)'],
    ],
    [
      'another document over',
      { ...paper({ validUntil: '2026-11-01' }), ...policy({ insurance: 'not-asked' }) },
      ['club/Rules signed: club-document-expires [p] renew-club-document(club/Rules signed)'],
    ],
    [
      'another for night alone',
      { ...paper({ validUntil: '2026-11-01', uses: NIGHT }), ...policy({ insurance: 'not-asked' }) },
      ['club/Rules signed: club-document-expires 2016 [p] renew-club-document(club/Rules signed)'],
    ],
    [
      'the later of two editions counts',
      {
        clubDocuments: {
          a: {
            kind: 'insurance',
            name: 'Insurance',
            happenedAt: '2026-11-10T12:00:00Z',
            recordedAt: '2026-11-10T12:00:00Z',
            validUntil: '2026-11-11',
          },
        },
      },
      ['insurance/Insurance: club-document-expires [a] renew-club-document(insurance/Insurance)'],
    ],
    [
      'two documents, by name',
      {
        ...policy({ insurance: 'not-asked' }),
        clubDocuments: {
          insurance: null,
          z: {
            kind: 'club',
            name: 'Beta',
            happenedAt: '2026-11-01T12:00:00Z',
            recordedAt: '2026-11-01T12:00:00Z',
            validUntil: '2026-11-02',
          },
          a: {
            kind: 'club',
            name: 'Zeta',
            happenedAt: '2026-11-01T12:00:00Z',
            recordedAt: '2026-11-01T12:00:00Z',
            validUntil: '2026-11-02',
          },
        },
      },
      [
        'club/Beta: club-document-expires [z] renew-club-document(club/Beta)',
        'club/Zeta: club-document-expires [a] renew-club-document(club/Zeta)',
      ],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['club-documents'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('stale records', () => {
  it.each<Row>([
    ['fresh', policy({ documentCheckDays: 4, readingDays: 1 }), []],
    [
      'a document check too old',
      policy({ documentCheckDays: 3, readingDays: 1 }),
      [
        'document-check.airworthiness-certificate: document-stale?! [airworthiness] check-document(airworthiness-certificate)',
        'document-check.operating-limitations: document-stale?! [manual] check-document(operating-limitations)',
        'document-check.registration-certificate: document-stale?! [registration] check-document(registration-certificate)',
        'document-check.weight-and-balance: document-stale?! [loading] check-document(weight-and-balance)',
        'document-check.radio-licence: document-stale?! 2016 [radio] check-document(radio-licence)',
      ],
    ],
    [
      'a reading too old',
      { ...policy({ documentCheckDays: 30, readingDays: 1 }), asOf: '2026-11-25T13:00:00Z' },
      ['reading: meter-reading-stale?! [today] record-meter-reading(time-in-service)'],
    ],
    [
      'a tank document of a tank',
      {
        ...policy({ documentCheckDays: 3, readingDays: 9 }),
        documents: {
          airworthiness: { happenedAt: '2026-11-23T12:00:00Z', recordedAt: '2026-11-23T12:05:00Z' },
          registration: null,
          manual: null,
          loading: null,
          radio: null,
          tank: { tankFitted: true, aboard: true, legible: true },
        },
      },
      ['document-check.cabin-tank-form-337: document-stale?! [tank] check-document(cabin-tank-form-337)'],
    ],
    ['meter unknown', { ...policy({ documentCheckDays: 30, readingDays: 1 }), meterReadings: null }, []],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['stale-records'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('closed by the club', () => {
  it.each<Row>([
    ['nothing', {}, []],
    [
      'closed',
      {
        dispatchRestrictions: {
          t: {
            happenedAt: '2026-11-24T10:00:00Z',
            recordedAt: '2026-11-24T10:00:00Z',
            why: 'Wind',
            by: 'Mira Holt',
            uses: NIGHT,
          },
        },
      },
      ['t: restricted 2016 [t] withdraw-dispatch-restriction(t)'],
    ],
    [
      'two out',
      {
        flightsOut: {
          b: out(),
          a: out({ happenedAt: '2026-11-24T11:30:00Z', recordedAt: '2026-11-24T11:31:00Z' }),
        },
      },
      ['two: two-flights-open? [b,a] correct-record(a)'],
    ],
    [
      'two out at the same moment',
      { flightsOut: { b: out(), a: out() } },
      ['two: two-flights-open? [a,b] correct-record(b)'],
    ],
    [
      'one back',
      {
        flightsOut: {
          a: out({ returned: { recordedAt: '2026-11-24T12:00:00Z', at: '2026-11-24T11:55:00Z' } }),
          b: out(),
        },
      },
      [],
    ],
    [
      'a find ahead of itself',
      found({ classification: 'note', happenedAt: '2026-11-20T12:06:00Z' }),
      ['d: record-ahead-of-itself? [d] correct-record(d)'],
    ],
    [
      'a rope ahead of itself',
      { towRopes: { r: { happenedAt: '2026-11-20T12:06:00Z', recordedAt: '2026-11-20T12:05:00Z' } } },
      ['r: record-ahead-of-itself? [r] correct-record(r)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['dispatch-restrictions', 'open-flights', 'records-in-order'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});
