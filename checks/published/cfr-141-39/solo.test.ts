import { describe, expect, it } from 'vitest';
import { decideBy } from '@/testing/clean-case';
import { source } from './source';

const ask = (trainingUnder: string, value: number) =>
  decideBy(['hundred-hour-inspection'], {
    packs: [{ id: 'us-part91', parameters: { trainingUnder } }],
    meterReadings: { today: { value } },
    flight: {
      starts: '2026-11-24T14:00:00Z',
      ends: '2026-11-24T15:00:00Z',
      airborne: 0.1,
      purpose: 'instruction-school-aircraft',
      crew: 'student-solo',
      rules: 'vfr',
      range: 'local',
      transponderAirspace: false,
      adsbAirspace: false,
      beyondGlideOverWater: false,
      passengers: false,
    },
  }).flight?.answer;

describe(source.section, () => {
  // The clean case had its last inspection at 4108.7 h.
  it('a solo flight of the course that ends exactly at the hundred hours goes, a hundredth later it does not', () => {
    expect([ask('part-141', 4208.6), ask('part-141', 4208.61)]).toEqual(['yes', 'no']);
  });
  it('under part 61 the regulation leaves it open', () => {
    expect(ask('part-61', 4300)).toBe('yes');
  });
});
