import { DIMENSION_NAMES, DIMENSIONS, type FullBox } from '@/core/envelope/dimensions';
import { METER_NAMES, type Meter } from '@/core/records/meters/meters';
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

const entriesOf = (value: unknown, what: string): ReadonlyMap<string, unknown> =>
  typeof value === 'object' && value !== null ? new Map(Object.entries(value)) : damaged(what, value);
const listOf = (value: unknown, what: string): readonly unknown[] =>
  Array.isArray(value) ? value : damaged(what, value);
const textOf = (value: unknown, what: string): string =>
  typeof value === 'string' ? value : damaged(what, value);
const figureOf = (value: unknown, what: string): number =>
  typeof value === 'number' && Number.isFinite(value) ? value : damaged(what, value);
const meterOf = (value: unknown): Meter => exactlyOneOf(METER_NAMES, textOf(value, 'meter'), 'meter');

/** What a dial counts towards, with the offset of each meter: seconds or a count. */
export const storedCounts = (value: unknown): readonly { readonly meter: Meter; readonly offset: number }[] =>
  listOf(value, 'list of what a meter counts').map((count) => {
    const entries = entriesOf(count, 'count of a meter');
    return {
      meter: meterOf(entries.get('meter')),
      offset: figureOf(entries.get('offset'), 'offset of a meter'),
    };
  });

/** What the dials showed at one end of a flight, with what their meters stood at: seconds or counts. */
export const storedReadings = (
  value: unknown,
): readonly {
  readonly dial: string;
  readonly name: string;
  readonly shown: string;
  readonly values: readonly { readonly meter: Meter; readonly value: number }[];
}[] =>
  listOf(value, 'list of readings').map((reading) => {
    const entries = entriesOf(reading, 'reading');
    return {
      dial: textOf(entries.get('dial'), 'reading’s meter'),
      name: textOf(entries.get('name'), 'name of a meter'),
      shown: textOf(entries.get('shown'), 'reading'),
      values: listOf(entries.get('values'), 'list of what meters stood at').map((stood) => {
        const of = entriesOf(stood, 'what a meter stood at');
        return { meter: meterOf(of.get('meter')), value: figureOf(of.get('value'), 'figure of a meter') };
      }),
    };
  });
