/**
 * The meters and counters that limits may stand on, each with what it counts. `time-in-service` is the one that inspections
 * count on; hour meters are kept as whole seconds, counters as whole numbers.
 */
export const METERS = {
  'time-in-service': 'hours',
  engine: 'hours',
  propeller: 'hours',
  block: 'hours',
  landings: 'count',
  cycles: 'count',
  'tow-launches': 'count',
} as const;

export type Meter = keyof typeof METERS;
export type HourMeter = { [M in Meter]: (typeof METERS)[M] extends 'hours' ? M : never }[Meter];
export type Counter = Exclude<Meter, HourMeter>;

export const METER_NAMES = Object.keys(METERS) as readonly Meter[];
export const HOUR_METERS = [
  'time-in-service',
  'engine',
  'propeller',
  'block',
] as const satisfies readonly HourMeter[];
export const COUNTERS = ['landings', 'cycles', 'tow-launches'] as const satisfies readonly Counter[];

/** True for a meter that counts hours. */
export function isHourMeter(meter: Meter): meter is HourMeter {
  return METERS[meter] === 'hours';
}

/** What each meter shows: whole seconds for hours, whole numbers for counters. Null is not known. */
export type MeterValues = { readonly [M in Meter]: number | null };
