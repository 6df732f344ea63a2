// What the tests of inspections are made of. For tests only.
import type { Change } from '../lesson';

export const shop = {
  name: 'Cape Reach Workshop',
  certificate: {
    kind: 'repair-station',
    number: 'RS-0417',
    validFrom: '2009-04-01',
    validUntil: 'no-expiry',
  },
};
export const student = {
  name: 'Pia Okoro',
  certificate: { kind: 'student-pilot', number: 'S-1', validFrom: '2010-01-01', validUntil: 'no-expiry' },
};
export const entry = (id: string, kind: string, day: string, change: Change = {}) => ({
  [id]: {
    kind,
    completedOn: day,
    recordedAt: `${day}T20:00:00Z`,
    outcome: 'approved',
    signedBy: shop,
    ...change,
  },
});
export const alone = (inspections: Change, more: Change = {}) => ({
  inspections: {
    'annual-2026': null,
    'hundred-2026-10': null,
    'transponder-2026': null,
    'altimeter-2026': null,
    'elt-2026': null,
    ...inspections,
  },
  ...more,
});
export const annual = (day: string, hours: number | null, change: Change = {}) =>
  entry('a', 'annual', day, { timeInService: hours, ...change });
export const listed = { outcome: 'discrepancies-listed' };
export const light = { aircraft: { category: 'light-sport' } };
export const hours = (every: number, meter = 'time-in-service') => ({ hours: [{ meter, every }] });
export const done = (day: string, reading: number | null, change: Change = {}) => ({
  recordedAt: `${day}T20:00:00Z`,
  completedOn: day,
  ...(reading === null ? {} : { readings: { hours: { 'time-in-service': reading } } }),
  signedBy: shop,
  ...change,
});
