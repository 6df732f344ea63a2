import { union, usesIn, type UseSet } from '../../envelope/use-set';
import type { ClosedUse } from '../../records/findings/discrepancy';
import { FOR_HIRE } from './for-hire';

/** The uses behind each word of the walk-round list. Ice has no dimension of its own, so it takes those in which ice is met unseen. */
const CLOSES: Readonly<Record<ClosedUse, UseSet>> = {
  dusk: usesIn({ light: ['dusk'] }),
  night: usesIn({ light: ['night'] }),
  // Whether a lesson is for hire is a choice of the school's; a finding is read strictly.
  'night-for-hire': usesIn({ light: ['night'], purpose: FOR_HIRE['lessons-are-for-hire'] }),
  ifr: usesIn({ rules: ['ifr'] }),
  tow: usesIn({ purpose: ['glider-towing'] }),
  ice: union(usesIn({ rules: ['ifr'] }), usesIn({ light: ['night', 'dusk'] })),
};

const together = new Map<string, UseSet>();

/** The uses behind several words. There are few words, so there are few such sets: each is made once. */
export function closedTogether(words: readonly ClosedUse[]): UseSet {
  const key = words.join();
  const known = together.get(key);
  if (known !== undefined) return known;
  const set = union(...words.map((word) => CLOSES[word]));
  together.set(key, set);
  return set;
}
