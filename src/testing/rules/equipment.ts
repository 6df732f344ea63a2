// What the tests of equipment are made of. For tests only.
import type { Json } from '@/contracts/kernel/merge-patch';

export const seen = (day: string) => ({ happenedAt: `${day}T12:00:00Z`, recordedAt: `${day}T12:05:00Z` });
export const over = (purpose: Json = 'all') => ({
  aircraft: {
    approvedFor: [
      {
        light: 'all',
        rules: ['vfr'],
        purpose,
        crew: 'all',
        range: 'all',
        transponderAirspace: 'all',
        adsbAirspace: 'all',
        overWater: 'all',
        passengers: 'all',
      },
    ],
  },
});
