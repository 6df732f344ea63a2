import type { Decision } from '@/core/decision/decision';
import { releasesOfFlight } from '@/db/releases/flight-releases';
import { againstRelease, whyOver } from '@/explain/flight-release';
import type { Changing } from '../kernel/change-aircraft';

/**
 * Why a flight may not leave for want of a release: none was signed, it holds no longer, or what was read at the
 * desk just now speaks against it.
 * @param decision on what is on record with that
 * @returns null where a release holds
 */
export async function whyNotReleased(
  { tx, club, recordedAt }: Changing,
  flightId: string,
  decision: Decision,
): Promise<string | null> {
  const { zone } = club.place;
  const [last] = await releasesOfFlight(tx, flightId);
  if (last === undefined) return 'Nobody has signed its release for this flight.';
  const over = whyOver(last, recordedAt, zone);
  if (over !== null) return `Its release for this flight holds no longer. ${over}`;
  const against = againstRelease(last.terms, decision, false, zone);
  return against.length === 0
    ? null
    : `Its release for this flight holds no longer: ${against.join(' ')} Read it back and sign again.`;
}
