import { DIMENSION_NAMES, DIMENSIONS, type Box, type Dimension } from '../core/envelope/dimensions';
import { ORDINARY_USES } from '../core/envelope/ordinary';
import {
  intersection,
  isWithin,
  overlaps,
  rememberedOfUses,
  usesIn,
  type UseSet,
} from '../core/envelope/use-set';
import { list } from './wording';
import { USE_NAMES } from './names';

/** So many sets are remembered: a fleet has few that differ. */
const MOST_REMEMBERED = 2000;

/** How a limit to some values of a dimension is said after 'needed …'; a limit that has no words here is not told. */
const PHRASES: Readonly<Partial<Record<Dimension, Readonly<Record<string, string>>>>> = {
  light: { night: 'at night', 'dusk,night': 'from sunset to sunrise' },
  rules: { ifr: 'by instruments' },
  transponderAirspace: { inside: 'in transponder airspace' },
  adsbAirspace: { inside: 'in ADS-B airspace' },
  overWater: { 'beyond-glide': 'beyond gliding distance of the shore' },
  passengers: { aboard: 'with passengers' },
};

/**
 * A set of ordinary uses in a few words, as it follows 'needed': 'for every flight', 'at night', 'for carriage for hire from sunset to sunrise'.
 * @returns 'for some flights' for a set that no short phrase describes
 */
export const usesText = rememberedOfUses(textOf, MOST_REMEMBERED);

function textOf(uses: UseSet): string {
  if (isWithin(ORDINARY_USES, uses)) return 'for every flight';
  const own = intersection(uses, ORDINARY_USES);
  const valuesIn = (name: Dimension, set: UseSet) =>
    (DIMENSIONS[name] as readonly string[]).filter((value) =>
      overlaps(usesIn({ [name]: [value] } as Box), set),
    );
  const box = Object.fromEntries(DIMENSION_NAMES.map((name) => [name, valuesIn(name, own)])) as Box;
  const limited = DIMENSION_NAMES.filter(
    (name) => valuesIn(name, own).length < valuesIn(name, ORDINARY_USES).length,
  );
  const phrases = limited.flatMap((name): readonly (string | undefined)[] =>
    name === 'purpose' ? [] : [PHRASES[name]?.[valuesIn(name, own).join()]],
  );
  if (
    limited.length === 0
    || phrases.includes(undefined)
    || !isWithin(intersection(ORDINARY_USES, usesIn(box)), uses)
  )
    return 'for some flights';
  const purposes = limited.includes('purpose')
    ? [`for ${list((box.purpose ?? []).map((purpose) => USE_NAMES[purpose]))}`]
    : [];
  return [...purposes, ...phrases].join(' ');
}
