import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { AU, student, pilot, engineer } from '@/testing/rules/maintenance';
import type { Row } from '@/testing/rules/row';

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
