import { aboard } from '../../fuel/fuel-needed';
import type { Volume } from '../../quantities/volume';
import { lastReturn, latestAll, type KnownFacts } from '../../records/facts';
import type { Measurement } from '../../records/walkround/measurement';
import type { Instant } from '../../time/instant';
import { civilDateAt, startOfDay } from '../../time/zone';

/**
 * Usable fuel in all tanks by their latest dips; null where a tank was not dipped since it was fuelled or flown.
 * @param flightStarts where given, a dip of an earlier day at the field says nothing about that flight: nobody looked that day
 */
export function fuelAboard(
  facts: KnownFacts,
  flightStarts: Instant | null = null,
): { readonly volume: Volume; readonly records: readonly string[] } | null {
  const {
    ramp,
    aircraft,
    place: { zone },
  } = facts;
  const tanks = aircraft.particulars.fuel?.tanks ?? [];
  if (ramp === null || tanks.length === 0) return null;
  const since = flightStarts === null ? null : startOfDay(civilDateAt(flightStarts, zone), zone);
  const dips: Measurement[] = [];
  for (const { id } of tanks) {
    // Of two dips of one moment the lower counts.
    const [dip] = [
      ...latestAll(
        ramp.measurements.filter(({ quantity, which }) => quantity === 'fuel-dip' && which === id),
      ),
    ].sort((a, b) => a.value - b.value);
    // Fuelling or flying after the dip makes it old: what there is now is not known until it is dipped again.
    const flown = lastReturn(facts);
    if (
      dip === undefined
      || (since !== null && dip.happenedAt < since)
      || (flown !== null && flown > dip.happenedAt)
      || ramp.uplifts.some(({ what, happenedAt }) => what === 'fuel' && happenedAt >= dip.happenedAt)
    )
      return null;
    dips.push(dip);
  }
  const usable = dips.map(
    ({ which, value }) => Math.min(value, tanks.find(({ id }) => id === which)?.usable ?? 0) as Volume,
  );
  return { volume: aboard(usable), records: dips.map(({ id }) => id) };
}
