import { latestAll, type KnownFacts } from '../../records/facts';
import type { FuelSample } from '../../records/walkround/measurement';

/** One drain with the samples that say something of it: its own, those of every drain, and those of which nobody knows. Null is any drain that has no name on record. */
export interface SampledDrain {
  readonly drain: string | null;
  readonly samples: readonly FuelSample[];
}

/** Each drain of the aircraft. Where its drains are not on record: those that somebody named, and whatever others there may be. */
export function drainsOf({ ramp, aircraft }: Pick<KnownFacts, 'ramp' | 'aircraft'>): readonly SampledDrain[] {
  const samples = ramp?.samples ?? [];
  const known = aircraft.particulars.fuel?.drains ?? null;
  const named = samples.flatMap(({ drain }) => (drain === null || drain === 'every' ? [] : [drain]));
  const drains: readonly (string | null)[] = known ?? [...new Set(named)].sort();
  const all = known === null ? [...drains, null] : drains;
  return all.map((drain) => ({
    drain,
    samples: samples.filter((one) => one.drain === drain || one.drain === 'every' || one.drain === null),
  }));
}

/** The latest samples of a drain: of one moment all count. A clean one of which nobody knows the drain is good for none. */
export function latestSamples({ samples }: SampledDrain): readonly FuelSample[] {
  return latestAll(samples.filter(({ drain, result }) => drain !== null || result !== 'clean'));
}
