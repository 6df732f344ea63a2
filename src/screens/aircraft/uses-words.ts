import { type Dimension, DIMENSION_NAMES, DIMENSIONS } from '@/core/envelope/dimensions';
import { PURPOSE_NAMES } from '@/explain/names';
import { list } from '@/explain/wording';

/** What an aircraft is approved for, as ticks. */
export type TickedBox = Readonly<Record<Dimension, readonly string[]>>;

/** What each kind of tick is called. */
export const TITLES: Readonly<Record<Dimension, string>> = {
  light: 'Light',
  rules: 'Flight rules',
  purpose: 'What for',
  crew: 'Who flies',
  range: 'How far',
  transponderAirspace: 'Airspace that needs a transponder',
  adsbAirspace: 'Airspace that needs ADS-B Out',
  overWater: 'Over water',
  passengers: 'People who are not crew',
};
const WORDS: Readonly<Record<string, string>> = {
  vfr: 'visual',
  ifr: 'by instruments',
  'student-solo': 'student alone',
  dual: 'with an instructor',
  'rated-pilot': 'rated pilot',
  local: 'local area',
  'cross-country': 'across country',
  outside: 'outside it',
  inside: 'inside it',
  'within-glide': 'within gliding distance of the shore',
  'beyond-glide': 'beyond it',
  none: 'nobody',
  aboard: 'aboard',
};
/** A tick in words. */
export const wordOf = (dimension: Dimension, value: string): string =>
  dimension === 'purpose' ? PURPOSE_NAMES[value as keyof typeof PURPOSE_NAMES] : (WORDS[value] ?? value);

/** Every kind of tick of a box in words: none is left out, since what is not ticked is not approved. */
export const boxInWords = (box: TickedBox): string =>
  DIMENSION_NAMES.map((dimension) => {
    const ticked = box[dimension];
    if (ticked.length === 0) return `${TITLES[dimension]}: none`;
    return ticked.length === DIMENSIONS[dimension].length
      ? `${TITLES[dimension]}: all`
      : `${TITLES[dimension]}: ${list(ticked.map((value) => wordOf(dimension, value)))}`;
  }).join(' · ');
