import { parseVolume, VOLUME_UNITS, type VolumeUnit } from './volume';

/** What whole-number unit a quantity is kept in. */
export type Base = 'pL' | 'um' | 'mV' | 'rpm' | 'Pa' | 'good';

/** Units in which people enter each, with how many of the base unit one is. Pressures are cut down to a whole pascal. */
export const MEASURE_UNITS: Readonly<Record<Exclude<Base, 'pL'>, Readonly<Record<string, number>>>> = {
  um: { mm: 1000, cm: 10_000, in: 25_400 },
  mV: { V: 1000 },
  rpm: { rpm: 1 },
  // 1 psi = 6894.757293168 Pa: the pound and the inch are exact, the standard acceleration as defined.
  Pa: { psi: 6894.757293168, kPa: 1000, bar: 100_000 },
  good: { good: 1 },
};

/** Units that a base accepts. */
export function unitsOf(base: Base): readonly string[] {
  return base === 'pL' ? Object.keys(VOLUME_UNITS) : Object.keys(MEASURE_UNITS[base]);
}

/** Reads a decimal amount with at most three decimals into whole base units; undefined for anything else. */
export function parseMeasure(text: string, unit: string, base: Base): number | undefined {
  // A unit of its own list, and no name that every object inherits.
  if (base === 'pL')
    return Object.hasOwn(VOLUME_UNITS, unit) ? parseVolume(text, unit as VolumeUnit) : undefined;
  const factor = Object.hasOwn(MEASURE_UNITS[base], unit) ? MEASURE_UNITS[base][unit] : undefined;
  const match = /^(\d{1,7})(?:\.(\d{1,3}))?$/.exec(text);
  if (factor === undefined || match === null) return undefined;
  const thousandths = Number(match[1]) * 1000 + Number((match[2] ?? '').padEnd(3, '0'));
  return Math.floor((thousandths * factor) / 1000);
}
