import { POSITIONING } from '../../envelope/ordinary';
import { intersection, overlaps, usesIn, usesInAny, type UseSet } from '../../envelope/use-set';
import type { Hours } from '../../quantities/hours';
import type { Instant } from '../../time/instant';
import { civilDateAt, endOfDay, startOfDay, type ZoneId } from '../../time/zone';
import { signatureFaults, type Authority } from '../club/certificate';
import type { PlannedFlight } from '../flights/planned-flight';
import type { FlightPermit } from './work-entry';

/** What a special flight permit opens, from and until when. */
export interface Relief {
  readonly id: string;
  readonly uses: UseSet;
  readonly from: Instant;
  readonly until: Instant;
  readonly untilTimeInService: Hours | null;
  /**
   * It covers what was on record then: the moment at which it was written down, or where that was later than its first day, the beginning of that day;
   * and nothing of a later day than that of the mechanic's statement, who had not seen it.
   */
  readonly knows: Instant;
}

/** Flights to where the aircraft is corrected, with nobody aboard but required crew. */
export const FERRY = intersection(POSITIONING, usesIn({ passengers: ['none'] }));
/** Such flights by day, visually, and outside airspace that asks for equipment of its own. */
const PLAIN_FERRY = intersection(
  FERRY,
  usesIn({ light: ['day'], rules: ['vfr'], transponderAirspace: ['outside'], adsbAirspace: ['outside'] }),
);

/** Whether a flight is one that a special flight permit may be issued for: to where the aircraft is corrected, visually, nobody aboard but its crew. */
export const isFerryFlight = ({
  purpose,
  passengers,
  rules,
}: Pick<PlannedFlight, 'purpose' | 'passengers' | 'rules'>): boolean =>
  purpose === 'positioning-to-maintenance' && passengers === false && rules === 'vfr';

/**
 * Whether a permit may cover what closes these uses. It speaks of an aircraft that is not airworthy; what closes only flights after sunset, by
 * instruments or in some airspace is an operating rule, which binds a ferry flight like any other. Source: 14 CFR 21.197(a) and 91.213(e), which
 * sets aside no more than 91.213 (from memory); that nothing of 91.205(c) and (d) is covered either is the strict reading, and ours.
 */
export function isWithinReachOfPermits(closes: UseSet): boolean {
  return overlaps(closes, PLAIN_FERRY);
}

const earlier = (a: Instant, b: Instant): Instant => (a < b ? a : b);

/**
 * The permits that count: numbered, of this aircraft, aboard, with dates, and with a mechanic's statement that the aircraft is
 * safe for the flight. What one of them allows stays within ferry flights. Source: 14 CFR 21.197(a)(1) and 21.199 (from memory).
 */
export function reliefsOf(
  permits: readonly FlightPermit[],
  registration: string,
  zone: ZoneId,
  authority: Authority,
): readonly Relief[] {
  return permits.flatMap((permit): readonly Relief[] => {
    const {
      id,
      number,
      registrationShown,
      validFrom,
      validUntil,
      uses,
      untilTimeInService,
      aboard,
      safeForFlight,
      recordedAt,
    } = permit;
    if (
      number === null
      || number.trim() === ''
      || registrationShown !== registration
      || validFrom === null
      || validUntil === null
      || validUntil < validFrom
      || aboard !== true
      || safeForFlight === null
    )
      return [];
    if (
      safeForFlight.on > civilDateAt(recordedAt, zone)
      || signatureFaults(safeForFlight.by, 'return-to-service', safeForFlight.on, authority).length > 0
    )
      return [];
    const from = validFrom > safeForFlight.on ? validFrom : safeForFlight.on;
    return [
      {
        id,
        uses: intersection(usesInAny(uses), FERRY),
        from: startOfDay(from, zone),
        until: endOfDay(validUntil, zone),
        untilTimeInService,
        knows: earlier(
          civilDateAt(recordedAt, zone) <= validFrom ? recordedAt : startOfDay(validFrom, zone),
          endOfDay(safeForFlight.on, zone),
        ),
      },
    ];
  });
}
