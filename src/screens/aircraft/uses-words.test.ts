import { describe, expect, it } from 'vitest';
import { DIMENSIONS } from '@/core/envelope/dimensions';
import { boxInWords, TITLES, type TickedBox } from './uses-words';

const ALL: TickedBox = DIMENSIONS;

describe('what an aircraft is approved for, in words', () => {
  it('names every kind of tick, also where all are ticked', () => {
    const words = boxInWords(ALL);
    for (const title of Object.values(TITLES)) expect(words).toContain(`${title}: all`);
  });
  it('leaves out nothing that restricts it', () => {
    const words = boxInWords({
      ...ALL,
      light: ['day'],
      rules: ['vfr'],
      range: ['local'],
      passengers: ['none'],
      overWater: ['within-glide'],
      purpose: ['private-rental'],
      transponderAirspace: [],
    });
    expect(words).toBe(
      'Light: day · Flight rules: visual · What for: rental · Who flies: all · How far: local area · Airspace that needs a transponder: none · Airspace that needs ADS-B Out: all · Over water: within gliding distance of the shore · People who are not crew: nobody',
    );
  });
});
