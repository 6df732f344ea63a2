import type { Brand } from '../brand';

/**
 * An amount of liquid, as whole picolitres: a thousandth of every unit below is a whole number of them, so that what people
 * enter is kept exactly.
 */
export type Volume = Brand<number, 'Volume'>;

/** Picolitres in one unit. The factors are exact by definition: 1 US gal = 3.785411784 L, 1 imp gal = 4.54609 L, 4 qt = 1 gal. */
export const VOLUME_UNITS = {
  L: 1_000_000_000_000,
  'US gal': 3_785_411_784_000,
  'imp gal': 4_546_090_000_000,
  'US qt': 946_352_946_000,
  mL: 1_000_000_000,
} as const;
export type VolumeUnit = keyof typeof VOLUME_UNITS;

/** No tank of ours holds more than this many litres. */
export const MOST_LITRES = 5000;
const SECONDS_PER_HOUR = 3600;

/**
 * Reads a decimal amount as entered: from 0, with at most three decimals, up to 5000 L.
 * Answers undefined for anything else: nothing is rounded silently.
 */
export function parseVolume(text: string, unit: VolumeUnit): Volume | undefined {
  const match = /^(\d{1,8})(?:\.(\d{1,3}))?$/.exec(text);
  if (match === null) return undefined;
  const thousandths = Number(match[1]) * 1000 + Number((match[2] ?? '').padEnd(3, '0'));
  const value = thousandths * (VOLUME_UNITS[unit] / 1000);
  return value > MOST_LITRES * VOLUME_UNITS.L ? undefined : (value as Volume);
}

/** The same for an amount written in code; throws on one that cannot be read. */
export function volume(text: string, unit: VolumeUnit): Volume {
  const found = parseVolume(text, unit);
  if (found === undefined)
    throw new RangeError(
      `'${text}' is no volume: expected 0 to ${MOST_LITRES} L with at most three decimals`,
    );
  return found;
}

export const NO_VOLUME = 0 as Volume;

/** Sum of two amounts. */
export function addVolumes(a: Volume, b: Volume): Volume {
  return (a + b) as Volume;
}

/** What burns at `perHour` in `seconds`: rounded up to a whole picolitre, since required amounts round up. */
export function burnt(perHour: Volume, seconds: number): Volume {
  return Number(
    (BigInt(perHour) * BigInt(seconds) + BigInt(SECONDS_PER_HOUR - 1)) / BigInt(SECONDS_PER_HOUR),
  ) as Volume;
}

/** A decimal amount in a unit for people and files. @param rounding `down` for what there is, `up` for what is needed */
export function decimalVolume(
  value: Volume,
  unit: VolumeUnit,
  decimals: 1 | 2 | 3,
  rounding: 'down' | 'up',
): string {
  const step = VOLUME_UNITS[unit] / 10 ** decimals;
  const units = rounding === 'down' ? Math.floor(value / step) : Math.ceil(value / step);
  const scale = 10 ** decimals;
  return `${Math.floor(units / scale)}.${String(units % scale).padStart(decimals, '0')}`;
}
