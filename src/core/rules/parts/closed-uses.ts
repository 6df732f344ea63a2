import { DIMENSIONS, type FullBox } from '../../envelope/dimensions';
import { union, usesIn, type UseSet } from '../../envelope/use-set';
import type { ClosedUse } from '../../records/findings/discrepancy';
import { FOR_HIRE } from './for-hire';

/** The uses behind each word of the walk-round list. Ice has no dimension of its own, so it takes those in which ice is met unseen. */
const BOXES: Readonly<Record<ClosedUse, readonly Partial<FullBox>[]>> = {
  dusk: [{ light: ['dusk'] }],
  night: [{ light: ['night'] }],
  // Whether a lesson is for hire is a choice of the school's; a finding is read strictly.
  'night-for-hire': [{ light: ['night'], purpose: FOR_HIRE['lessons-are-for-hire'] }],
  ifr: [{ rules: ['ifr'] }],
  tow: [{ purpose: ['glider-towing'] }],
  ice: [{ rules: ['ifr'] }, { light: ['night', 'dusk'] }],
};
const CLOSES = Object.fromEntries(
  Object.entries(BOXES).map(([word, boxes]) => [word, union(...boxes.map((box) => usesIn(box)))]),
) as Readonly<Record<ClosedUse, UseSet>>;

/** The same as boxes, to be kept on record. */
export const closedBoxes = (words: readonly ClosedUse[]): readonly FullBox[] =>
  words.flatMap((word) => BOXES[word].map((box) => ({ ...DIMENSIONS, ...box })));

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
