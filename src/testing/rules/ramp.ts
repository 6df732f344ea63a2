// What the tests of the walk-round and of flights are made of. For tests only.
import type { Json } from '@/contracts/kernel/merge-patch';
import type { Change } from '../lesson';

export const seen = (time: string) => ({
  happenedAt: `2026-11-${time}:00Z`,
  recordedAt: `2026-11-${time}:30Z`,
});
export const oil = (value: number, time = '24T12:30') => ({
  oil: { ...seen(time), quantity: 'oil', value, unit: 'US qt' },
});
export const dip = (left: number, right = 12, time = '24T12:30') => ({
  left: { ...seen(time), quantity: 'fuel-dip', which: 'left', value: left, unit: 'US gal' },
  right: { ...seen(time), quantity: 'fuel-dip', which: 'right', value: right, unit: 'US gal' },
});
export const clean = { s: { ...seen('24T12:40'), result: 'clean', drain: 'every' } };
export const ramp = (measurements: Json, more: Change = {}) => ({
  ramp: { measurements, samples: clean, ...more },
});
export const back = (time: string) => ({
  flightsOut: {
    f: {
      ...seen('24T12:00'),
      by: 'Rosa Dane',
      returned: { recordedAt: `2026-11-${time}:30Z`, at: `2026-11-${time}:00Z` },
    },
  },
});
export const lesson = {
  starts: '2026-11-24T14:00:00Z',
  ends: '2026-11-24T15:30:00Z',
  airborne: 1,
  purpose: 'instruction-school-aircraft',
  crew: 'dual',
  rules: 'vfr',
  range: 'local',
  transponderAirspace: false,
  adsbAirspace: false,
  beyondGlideOverWater: false,
  passengers: false,
};
export const flight = (change: Change = {}) => ({ flight: { ...lesson, ...change } });
export const sample = (change: Change) => ({
  ramp: {
    measurements: { ...oil(6), ...dip(12) },
    samples: { s: { ...seen('24T12:40'), result: 'clean', drain: 'every', ...change } },
  },
});
