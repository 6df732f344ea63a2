import { DIMENSION_NAMES, DIMENSIONS, type FullBox } from '@/core/envelope/dimensions';
import { parseCivilDate, type CivilDate } from '@/core/time/civil-date';
import { instantFromMilliseconds, type Instant } from '@/core/time/instant';

/** A stored value that is none of the known ones: the row is damaged, and nothing may be decided from it. */
function damaged(what: string, value: unknown): never {
  throw new Error(`a stored ${what} cannot be read: ${JSON.stringify(value)}`);
}

/** One of a list of words; null stays null, which is unknown. */
export function oneOf<const T extends string>(
  words: readonly T[],
  value: string | null,
  what: string,
): T | null {
  if (value === null) return null;
  return words.find((word) => word === value) ?? damaged(what, value);
}

/** The same for a value that must be there. */
export function exactlyOneOf<const T extends string>(words: readonly T[], value: string, what: string): T {
  return oneOf(words, value, what) ?? damaged(what, value);
}

/** A stored day. */
export function storedDate(value: string): CivilDate {
  return parseCivilDate(value) ?? damaged('date', value);
}

/** A stored day that may be unknown. */
export function storedDateOrNull(value: string | null): CivilDate | null {
  return value === null ? null : storedDate(value);
}

/** A stored moment. */
export function storedInstant(value: Date): Instant {
  return instantFromMilliseconds(value.getTime());
}

/** The stored list of boxes of approved uses. */
export function storedBoxes(value: unknown): readonly FullBox[] | null {
  if (value === null) return null;
  if (!Array.isArray(value)) return damaged('list of approved uses', value);
  return value.map((box: unknown) => {
    if (typeof box !== 'object' || box === null) return damaged('box of approved uses', box);
    const entries = new Map<string, unknown>(Object.entries(box));
    return Object.fromEntries(
      DIMENSION_NAMES.map((name) => {
        const words: readonly string[] = DIMENSIONS[name];
        const chosen = entries.get(name);
        if (
          !Array.isArray(chosen)
          || !chosen.every((word) => typeof word === 'string' && words.includes(word))
        )
          return damaged(`choice of ${name}`, chosen);
        return [name, chosen];
      }),
    ) as unknown as FullBox;
  });
}
