import { prepare, type Prepared } from '@/core/decision/prepare';
import { presentFor, type AircraftFacts } from '@/core/records/facts';
import type { Instant } from '@/core/time/instant';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import type { Club } from '@/db/club/clubs';

interface Kept {
  readonly rules: string;
  readonly prepared: Prepared;
}

/** Kept as long as the facts are. */
const kept = new WeakMap<AircraftFacts, Kept>();

/** What a club's packs and field say, to be compared. */
export function rulesOf({ packs, place }: Club): string {
  return JSON.stringify([packs, place]);
}

/**
 * The preparation of an aircraft for a decision about the present. It serves as long as the same facts object is given, as keptFacts() does
 * while nothing was recorded, and the club's rules stay the same; a copy in another process comes to the same.
 * @param rules rulesOf() the club: made once for a list
 */
export function preparedFor(
  { facts }: Pick<StoredAircraft, 'facts'>,
  { packs }: Pick<Club, 'packs'>,
  rules: string,
  now: Instant,
): { readonly prepared: Prepared; readonly present: Instant } {
  const known = kept.get(facts);
  if (known?.rules === rules) {
    const { prepared } = known;
    // A clock that was set back does not take the aircraft back before what it knows.
    return { prepared, present: now > prepared.knownAt ? now : prepared.knownAt };
  }
  const present = presentFor(facts, now);
  const prepared = prepare(facts, packs, present);
  kept.set(facts, { rules, prepared });
  return { prepared, present };
}
