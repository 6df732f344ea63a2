import { prepare, type Prepared } from '@/core/decision/prepare';
import { presentFor, type AircraftFacts } from '@/core/records/facts';
import type { Instant } from '@/core/time/instant';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import type { Club } from '@/db/club/clubs';

/** How many aircraft are kept prepared in one process: a few large clubs. */
const MOST = 3000;

interface Kept {
  readonly facts: AircraftFacts;
  readonly rules: string;
  readonly prepared: Prepared;
}

const kept = new Map<string, Kept>();

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
  { aircraftId, facts }: StoredAircraft,
  { packs }: Club,
  rules: string,
  now: Instant,
): { readonly prepared: Prepared; readonly present: Instant } {
  const known = kept.get(aircraftId);
  if (known?.facts === facts && known.rules === rules) {
    const { prepared } = known;
    // A clock that was set back does not take the aircraft back before what it knows.
    return { prepared, present: now > prepared.knownAt ? now : prepared.knownAt };
  }
  const present = presentFor(facts, now);
  const prepared = prepare(facts, packs, present);
  if (kept.size >= MOST) kept.clear();
  kept.set(aircraftId, { facts, rules, prepared });
  return { prepared, present };
}
