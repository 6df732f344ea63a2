import { describe, expect, it } from 'vitest';
import { decideClean, deferredLamp } from '@/testing/clean-case';
import { LESSON, type Change } from '@/testing/lesson';
import { instantText } from '../time/instant';
import type { Decision } from './decision';
import { newAgainst, releaseTerms } from './release-terms';

const lesson = (change: Change = {}): Decision => decideClean({ flight: LESSON, ...change });
const zone = 'America/Halifax' as Parameters<typeof releaseTerms>[2];
const ENDS = Date.parse('2026-11-24T16:00:00Z') as Parameters<typeof releaseTerms>[1];
const terms = (decision: Decision) => {
  const found = releaseTerms(decision, ENDS, zone);
  if (found === null) throw new Error('not released');
  return found;
};
const ended = (before: Decision, now: Decision, hasLeft = false) =>
  newAgainst(terms(before), now, hasLeft).map(({ id }) => id);
const dark = deferredLamp('lamp', 'Lamp of the left window', ['night']);

describe('what a release rests on', () => {
  it('is nothing where the flight may not go, or only after a step', () => {
    expect(releaseTerms(decideClean(), ENDS, zone)).toBeNull();
    expect(
      releaseTerms(
        lesson({
          discrepancies: {
            nick: { happenedAt: '2026-11-24T12:00:00Z', recordedAt: '2026-11-24T12:00:00Z', what: 'Nick' },
          },
        }),
        ENDS,
        zone,
      ),
    ).toBeNull();
  });

  it('ends with the day of the flight, or with the first limit before that concerns it', () => {
    expect(instantText(terms(lesson()).until)).toBe('2026-11-25T04:00:00Z');
  });

  it('holds against the same decision, also once the flight has left', () => {
    for (const hasLeft of [false, true]) {
      expect(ended(lesson(), lesson(), hasLeft)).toEqual([]);
      expect(ended(lesson(dark), lesson(dark), hasLeft)).toEqual([]);
    }
  });

  it('ends by what it does not name, though the flight does not need it', () => {
    expect(ended(lesson(), lesson(dark))).not.toEqual([]);
    expect(ended(lesson(), lesson(dark), true)).not.toEqual([]);
  });

  it('does not end where something is over', () => {
    expect(ended(lesson(dark), lesson())).toEqual([]);
  });

  it('ends where something that it names closes more than it did', () => {
    const more = deferredLamp('lamp', 'Lamp of the left window', ['night', 'ifr']);
    expect(ended(lesson(dark), decideClean({ flight: LESSON, ...more }))).not.toEqual([]);
    expect(ended(decideClean({ flight: LESSON, ...more }), lesson(dark))).toEqual([]);
  });

  it('is not ended by a step before flight once its own has left', () => {
    const now = lesson(dark);
    const steps = {
      ...now,
      constraints: now.constraints.map((one) => ({ ...one, condition: true })),
    } as unknown as Decision;
    expect(newAgainst(terms(lesson()), steps, true)).toEqual([]);
    expect(newAgainst(terms(lesson()), steps, false)).not.toEqual([]);
  });
});
