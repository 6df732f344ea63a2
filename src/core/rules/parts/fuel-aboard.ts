import { aboard } from '../../fuel/fuel-needed';
import type { Volume } from '../../quantities/volume';
import { lastReturn, latestOf, type KnownFacts } from '../../records/facts';
import type { Measurement } from '../../records/measurement';

/** Usable fuel in all tanks by their latest dips, and what was put in since; null where a tank was not dipped. */
export function fuelAboard(facts: KnownFacts): { readonly volume: Volume; readonly records: readonly string[] } | null {
  const { ramp, aircraft } = facts;
  const tanks = aircraft.particulars.fuel?.tanks ?? [];
  if (ramp === null || tanks.length === 0) return null;
  const dips: Measurement[] = [];
  for (const { id } of tanks) {
    const dip = latestOf(ramp.measurements.filter(({ quantity, which }) => quantity === 'fuel-dip' && which === id));
    // Fuelling or flying after the dip makes it old: what there is now is not known until it is dipped again.
    const flown = lastReturn(facts);
    if (dip === null || (flown !== null && flown > dip.happenedAt) || ramp.uplifts.some(({ what, happenedAt }) => what === 'fuel' && happenedAt > dip.happenedAt)) return null;
    dips.push(dip);
  }
  const usable = dips.map(({ which, value }) => Math.min(value, tanks.find(({ id }) => id === which)?.usable ?? 0) as Volume);
  return { volume: aboard(usable), records: dips.map(({ id }) => id) };
}
