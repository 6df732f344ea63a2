import { describe, expect, it } from 'vitest';
import { instant } from '@/core/time/instant';
import { zone } from '@/core/time/zone';
import type { LastMeasured } from '@/db/flights/flights';
import { measuredText } from './line';

const last: LastMeasured = {
  aircraftId: 'a',
  personName: 'K. Ferro',
  leftAt: instant('2026-11-24T13:03:00Z'),
  fuelAboard: 'left 14 US gal, right 12.5 US gal',
  oilAboard: '6 US qt',
  fuelAdded: null,
  oilAdded: null,
  isBack: false,
};
const text = (change: Partial<LastMeasured> = {}) =>
  measuredText({ ...last, ...change }, zone('America/Halifax'));

describe('fuel and oil as they were measured last', () => {
  it.each([
    [
      'while it is out',
      {},
      'Fuel left 14 US gal, right 12.5 US gal, oil 6 US qt, measured 24 Nov 2026 09:03 as K. Ferro left.',
    ],
    [
      'once it is back, it is said that the flight used some',
      { isBack: true, oilAboard: null },
      'Fuel left 14 US gal, right 12.5 US gal, measured 24 Nov 2026 09:03 as K. Ferro left. What that flight used is not taken off.',
    ],
    [
      'with what was added after it',
      { isBack: true, fuelAboard: null, fuelAdded: '12 US gal', oilAdded: '1 US qt' },
      'Oil 6 US qt, measured 24 Nov 2026 09:03 as K. Ferro left. What that flight used is not taken off. Added after it: fuel 12 US gal, oil 1 US qt.',
    ],
  ] as const)('%s', (_, change, words) => {
    expect(text(change)).toBe(words);
  });
  it('is silent where nobody measured as it left last, or it never left', () => {
    expect(text({ fuelAboard: null, oilAboard: null, fuelAdded: '12 US gal' })).toBeNull();
    expect(measuredText(undefined, zone('America/Halifax'))).toBeNull();
  });
});
