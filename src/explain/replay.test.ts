import { describe, expect, it } from 'vitest';
import type { Replay } from '../core/decision/replay';
import { tellReplay } from './replay';

const SAME: Replay = {
  same: false,
  versions: [],
  verdict: { then: 'Released', now: 'Released' },
  answer: { then: 'yes', now: 'yes' },
  arrived: [],
  gone: [],
  changed: [],
  parts: [],
};

describe('a release decided again, in words', () => {
  it.each<readonly [string, Partial<Replay>, string]>([
    [
      'a rule that closes more, by a newer version',
      {
        verdict: { then: 'Released', now: 'Grounded' },
        answer: { then: 'yes', now: 'no' },
        arrived: ['us-part91/annual/annual'],
        versions: [{ id: 'us-part91', then: '7', now: '8' }],
      },
      'Released then, Grounded now; the flight: yes then, no now; new: us-part91/annual/annual. Changed since: us-part91 7 then, 8 now.',
    ],
    [
      'what is no longer asked, or says something else',
      { gone: ['a'], changed: ['b', 'c'] },
      'gone: a; otherwise: b, c. No version changed.',
    ],
    ['a part that nobody decides by', { parts: ['limits'] }, 'differs in limits. No version changed.'],
  ])('%s', (_, change, words) => {
    expect(tellReplay({ ...SAME, ...change })).toBe(words);
  });
});
