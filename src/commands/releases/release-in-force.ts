import type { Plain } from '@/core/decision/canonical';
import { decide } from '@/core/decision/decide';
import { asReleased } from '@/core/metering/leaving';
import { presentFor } from '@/core/records/facts';
import type { ReleaseEnd } from '@/core/decision/flight-release';
import type { Instant } from '@/core/time/instant';
import { loadReadable } from '@/db/aircraft/aircraft-facts';
import { readClub, type Club } from '@/db/club/clubs';
import { findFlight } from '@/db/flights/flights';
import { findPlanned } from '@/db/flights/planned-flights';
import type { ClubTransaction } from '@/db/kernel/connection';
import { endReleaseOnce, openReleases, type StoredRelease } from '@/db/releases/flight-releases';
import { againstRelease } from '@/explain/flight-release';

/** How a release ends by what is on record now; null where it goes on. */
async function endOf(
  tx: ClubTransaction,
  release: StoredRelease,
  facts: Parameters<typeof decide>[0],
  club: Club,
  recordedAt: Instant,
): Promise<{ readonly why: ReleaseEnd; readonly words: readonly string[] } | null> {
  const flown = await findFlight(tx, release.flightId);
  if (flown?.returned != null) return { why: 'back', words: [] };
  const planned = await findPlanned(tx, release.flightId);
  if (planned?.aircraftId !== release.aircraftId)
    return { why: 'cancelled', words: ['The flight was moved or cancelled.'] };
  if (recordedAt >= release.until) return null;
  // What was measured and looked at for it is not what somebody else brings back.
  const other = facts.flightsOut.some(
    ({ id, happenedAt }) => id !== release.flightId && happenedAt >= release.recordedAt,
  );
  if (flown === undefined && other)
    return { why: 'void', words: ['The aircraft has left for another flight since.'] };
  const present = presentFor(facts, recordedAt);
  const hasLeft = flown !== undefined;
  const decision = decide(facts, club.packs, hasLeft ? null : asReleased(planned.flight, present), present);
  const words = againstRelease(release.terms, decision, hasLeft, club.place.zone);
  return words.length === 0 ? null : { why: 'void', words };
}

/**
 * Ends the releases of an aircraft that what is on record now speaks against, in the transaction that wrote it: a new constraint, a flight
 * that was moved or came back.
 * @returns what ended, for the ledger
 */
export async function endReleases(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  recordedAt: Instant,
  by: string,
): Promise<readonly { readonly release: string; readonly why: ReleaseEnd }[]> {
  const open = await openReleases(tx, aircraftId);
  if (open.length === 0) return [];
  const club = await readClub(tx, clubId);
  // What cannot be read closes the aircraft, and keeps nobody from entering what they found.
  const [stored] = await loadReadable(tx, club.place, aircraftId, 'present');
  if (stored === undefined) throw new Error(`aircraft ${aircraftId} is not there`);
  const ended: { readonly release: string; readonly why: ReleaseEnd }[] = [];
  for (const release of open) {
    const end = await endOf(tx, release, stored.facts, club, recordedAt);
    if (end === null) continue;
    const outcome = await endReleaseOnce(tx, clubId, release.id, { ...end, at: recordedAt, by });
    if (outcome === 'written') ended.push({ release: release.id, why: end.why });
  }
  return ended;
}

/** What the ledger keeps of a change, with the releases that it ended. */
export function withEnded(ledger: Plain, ended: Awaited<ReturnType<typeof endReleases>>): Plain {
  return ended.length === 0
    ? ledger
    : typeof ledger === 'object' && ledger !== null && !Array.isArray(ledger)
      ? { ...ledger, releasesEnded: ended }
      : { of: ledger, releasesEnded: ended };
}
