// What the tests of releases and work are made of. For tests only.
import type { Change } from '../lesson';

export const engineer = {
  name: 'Owen Hart',
  certificate: { kind: 'licensed-engineer', number: 'L-1', validFrom: '2010-01-01', validUntil: 'no-expiry' },
};
export const pilot = {
  ...engineer,
  name: 'Rosa Dane',
  certificate: { ...engineer.certificate, kind: 'pilot', number: 'P-1' },
};
export const student = {
  ...engineer,
  name: 'Pia Okoro',
  certificate: { ...engineer.certificate, kind: 'student-pilot' },
};
export const AU = {
  asOf: '2026-11-24T02:00:00Z',
  packs: [{ id: 'au-maintenance-release' }],
  inspections: null,
  place: { name: 'Cape Reach', latitude: -33.9, longitude: 151.2, timeZone: 'Australia/Sydney' },
};
export const found = (change: Change) => ({
  discrepancies: {
    d: { happenedAt: '2026-11-20T12:00:00Z', recordedAt: '2026-11-20T12:05:00Z', what: 'Nick', ...change },
  },
});
