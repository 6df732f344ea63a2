import { POSITIONING } from '../envelope/ordinary';
import { intersection, usesIn, usesInAny, type UseSet } from '../envelope/use-set';
import type { Hours } from '../quantities/hours';
import type { Instant } from '../time/instant';
import { civilDateAt, endOfDay, startOfDay, type ZoneId } from '../time/zone';
import { signatureFaults, type Authority } from './certificate';
import type { FlightPermit } from './work-entry';

/** What a special flight permit opens, from and until when. */
export interface Relief {
  readonly id: string;
  readonly uses: UseSet;
  readonly from: Instant;
  readonly until: Instant;
  readonly untilTimeInService: Hours | null;
  /** It covers what was on record then: the moment at which it was written down, or where that was later than its first day, the beginning of that day. */
  readonly knows: Instant;
}

/** Flights to where the aircraft is corrected, with nobody aboard but required crew. */
const FERRY = intersection(POSITIONING, usesIn({ passengers: ['none'] }));

/**
 * The permits that count: numbered, of this aircraft, aboard, with dates, and with a mechanic's statement that the aircraft is
 * safe for the flight. What one of them allows stays within ferry flights. Source: 14 CFR 21.197(a)(1) and 21.199 (from memory).
 */
export function reliefsOf(permits: readonly FlightPermit[], registration: string, zone: ZoneId, authority: Authority): readonly Relief[] {
  return permits.flatMap((permit): readonly Relief[] => {
    const { id, number, registrationShown, validFrom, validUntil, uses, untilTimeInService, aboard, safeForFlight, recordedAt } = permit;
    if (number === null || number.trim() === '' || registrationShown !== registration || validFrom === null || validUntil === null || validUntil < validFrom || aboard !== true || safeForFlight === null) return [];
    if (safeForFlight.on > civilDateAt(recordedAt, zone) || signatureFaults(safeForFlight.by, 'return-to-service', safeForFlight.on, authority).length > 0) return [];
    const from = validFrom > safeForFlight.on ? validFrom : safeForFlight.on;
    return [{ id, uses: intersection(usesInAny(uses), FERRY), from: startOfDay(from, zone), until: endOfDay(validUntil, zone), untilTimeInService, knows: civilDateAt(recordedAt, zone) <= validFrom ? recordedAt : startOfDay(validFrom, zone) }];
  });
}
