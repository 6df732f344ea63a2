import { releasesOfFlight } from '@/db/releases/flight-releases';
import { whyOver } from '@/explain/flight-release';
import type { Changing } from '../kernel/change-aircraft';
import { Refused } from '../kernel/command';

/** Refuses where no release for the flight holds. @throws Refused */
export async function requireRelease(
  { tx, club, registration, recordedAt }: Changing,
  flightId: string,
): Promise<void> {
  const [last] = await releasesOfFlight(tx, flightId);
  const why = last === undefined ? 'Nobody has signed it.' : whyOver(last, recordedAt, club.place.zone);
  if (why === null) return;
  throw new Refused({
    code: 'invalid',
    message: `${registration} is not released for this flight. ${why} Sign the release first.`,
    problems: [{ path: 'release', message: 'is not signed, or no longer holds' }],
  });
}
