import { describe, expect, it } from 'vitest';
import { civilDate } from '@/core/time/civil-date';
import { instant } from '@/core/time/instant';
import type { FlightPermit } from '@/core/records/maintenance/work-entry';
import { HALIFAX } from '@/testing/reasons';
import { permitsShown } from './permits';

const permit: FlightPermit = {
  id: 'p',
  recordedAt: instant('2026-11-24T12:00:00Z'),
  number: 'SFP-26-118',
  registrationShown: 'N02TB',
  validFrom: civilDate('2026-11-24'),
  validUntil: civilDate('2026-11-26'),
  uses: [],
  untilTimeInService: null,
  aboard: true,
  safeForFlight: {
    on: civilDate('2026-11-24'),
    by: {
      name: 'Tomas Brandl',
      certificate: {
        kind: 'mechanic-airframe-powerplant',
        number: 'A-11',
        validFrom: civilDate('2000-01-01'),
        validUntil: 'no-expiry',
      },
    },
  },
  conditions: 'Direct to the workshop',
};
const shown = (change: Partial<FlightPermit>, at: string) =>
  permitsShown({ permits: [{ ...permit, ...change }], place: { zone: HALIFAX } }, 'N02TB', 'us', instant(at));

describe('a permit on the aircraft’s page', () => {
  it('says its conditions, until when it holds, and what it covers', () => {
    expect(shown({}, '2026-11-24T18:00:00Z')).toEqual([
      {
        id: 'p',
        number: 'SFP-26-118',
        conditions: 'Direct to the workshop',
        tells:
          '24 Nov 2026 to 26 Nov 2026. It covers what was on record 24 Nov 2026 08:00, and nothing that was found since.',
        by: 'Tomas Brandl',
      },
    ]);
  });
  it('is gone once it is over, and not before', () => {
    expect(shown({}, '2026-11-27T03:59:59Z')).toHaveLength(1);
    expect(shown({}, '2026-11-27T04:00:00Z')).toEqual([]);
  });
  it('that lacks something opens nothing, and says so', () => {
    expect(shown({ number: null }, '2026-11-24T18:00:00Z')).toMatchObject([
      { number: 'without a number', tells: expect.stringContaining('It opens nothing') as string },
    ]);
  });
});
