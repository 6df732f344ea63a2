import { describe, expect, it } from 'vitest';
import { ALL_USES, NO_USES, union, usesIn } from '../core/envelope/use-set';
import { usesText } from './uses-text';

describe('uses in a few words', () => {
  it.each([
    ['all of them', ALL_USES, 'for every flight'],
    ['night', usesIn({ light: ['night'] }), 'at night'],
    ['dusk and night', usesIn({ light: ['dusk', 'night'] }), 'from sunset to sunrise'],
    ['instrument flight', usesIn({ rules: ['ifr'] }), 'by instruments'],
    ['airspace', usesIn({ transponderAirspace: ['inside'] }), 'in transponder airspace'],
    ['one purpose', usesIn({ purpose: ['carriage-for-hire'] }), 'for carriage for hire'],
    [
      'purposes at night',
      usesIn({ light: ['night'], purpose: ['instruction-school-aircraft', 'carriage-for-hire'] }),
      'for lessons and carriage for hire at night',
    ],
    [
      'over water with passengers',
      usesIn({ overWater: ['beyond-glide'], passengers: ['aboard'] }),
      'beyond gliding distance of the shore with passengers',
    ],
    ['what has no phrase', usesIn({ crew: ['dual'] }), 'for some flights'],
    ['dusk alone', usesIn({ light: ['dusk'] }), 'for some flights'],
    ['no box', union(usesIn({ light: ['night'] }), usesIn({ rules: ['ifr'] })), 'for some flights'],
    ['nothing', NO_USES, 'for some flights'],
  ] as const)('%s', (_, uses, text) => {
    expect(usesText(uses)).toBe(text);
  });
});
