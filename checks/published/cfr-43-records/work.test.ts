import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { logbookWording, type EntryInWords } from '@/explain/logbook-words';
import { codes, decideBy } from '@/testing/clean-case';
import { source } from './source';

type Fields = { readonly [key: string]: Json };
const mechanic = {
  name: 'Tomas Brandl',
  certificate: {
    kind: 'mechanic-airframe-powerplant',
    number: 'AP-2231',
    validFrom: '2015-06-01',
    validUntil: 'no-expiry',
  },
};
const whole: Fields = {
  recordedAt: '2026-11-23T20:00:00Z',
  completedOn: '2026-11-23',
  description: 'Exhaust gasket replaced.',
  signedBy: mechanic,
  mayChangeFlight: false,
  flightControls: false,
  staticOpened: false,
  altitudeReportingTouched: false,
  weightChanged: false,
};
const entries = (change: Fields) =>
  codes(decideBy(['maintenance-entries'], { work: { w: { ...whole, ...change } } }));

describe(`${source.section}: work on the aircraft`, () => {
  it('a complete entry approves it', () => {
    expect(entries({})).toEqual([]);
  });
  it.each<readonly [string, Fields]>([
    ['(a)(1) a description of the work', { description: null }],
    ['(a)(2) the date of completion', { completedOn: null }],
    ['(a)(4) the signature', { signedBy: null }],
    ['(a)(4) the certificate number', { signedBy: { name: 'Tomas Brandl', certificate: { kind: 'pilot' } } }],
    ['(a)(3) the name', { signedBy: { certificate: mechanic.certificate } }],
  ])('43.9%s is asked for', (_, change) => {
    expect(entries(change)).not.toEqual([]);
  });
});

describe(`${source.section}: words for the paper logbook`, () => {
  const entry: EntryInWords = {
    title: 'Work',
    kind: 'work',
    on: '23 Nov 2026',
    timeInService: '4108.7 h',
    description: 'Exhaust gasket replaced',
    details: {
      logbook: 'engine',
      references: 'maintenance manual 78-10, step 4',
      parts: [{ name: 'Gasket', number: 'G-77', serialOff: null, serialOn: 'S-12' }],
      timeInService: null,
      form: null,
    },
    needsCheckFlight: false,
    approved: true,
    signed: 'Tomas Brandl, mechanic (airframe and powerplant) AP-2231',
  };
  it('43.9(a) holds the description or its data, the date, the name, and the signer’s certificate by kind and number', () => {
    const words = logbookWording(entry);
    for (const part of [
      'Exhaust gasket replaced.',
      'maintenance manual 78-10, step 4',
      '23 Nov 2026',
      'Tomas Brandl',
      'mechanic',
      'AP-2231',
      'Gasket, part no. G-77, serial on S-12',
      'Approved for return to service',
    ])
      expect(words).toContain(part);
  });
  it('43.11(a)(2) and (4): an inspection has the total time, and says whether it approves', () => {
    expect(logbookWording(entry)).toContain('Total time in service 4108.7 h');
    expect(logbookWording({ ...entry, approved: false })).toContain('Not approved for return to service.');
    expect(logbookWording({ ...entry, approved: false })).not.toContain('Approved for');
  });
  it('91.407(b): a check flight is flown and logged, and approves nothing itself', () => {
    const words = logbookWording({ ...entry, kind: 'check-flight' });
    expect(words).toContain('Flown and logged by:');
    expect(words).not.toContain('Approved for return to service');
    expect(logbookWording({ ...entry, needsCheckFlight: true })).toContain('before it carries passengers');
    expect(logbookWording(entry)).not.toContain('passengers');
  });
});
