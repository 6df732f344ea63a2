import { describe, expect, it } from 'vitest';
import { decide } from '../decision/decide';
import { cleanCase, decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { found } from '@/testing/rules/maintenance';
import type { Row } from '@/testing/rules/row';

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

describe('an aircraft of which a record cannot be read', () => {
  it('is grounded whatever is left of its records, and nobody at the desk can clear it', () => {
    const { facts, packs, asOf } = cleanCase();
    expect(decide(facts, packs, null, asOf).verdict).toBe('Released');
    const { verdict, constraints } = decide({ ...facts, unreadable: 'a stored date' }, packs, null, asOf);
    expect(verdict).toBe('Grounded');
    expect(
      constraints.map(({ reason, remedies, permitMayCover }) => [reason, remedies, permitMayCover]),
    ).toEqual([[{ code: 'record-unreadable', why: 'a stored date' }, [], false]]);
  });
});
