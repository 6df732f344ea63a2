// Releases for tests. For tests only.
import { randomUUID } from 'node:crypto';
import type { CheckOut } from '@/contracts/flights/dispatch';
import type { ReleaseFlight } from '@/contracts/releases/flight-release';
import { inClub } from '@/db/kernel/club-transaction';
import { dispatchFlight } from '@/queries/flights/dispatch';
import { checkOut } from '@/commands/flights/check-out';
import { releaseFlight } from '@/commands/releases/release-flight';
import type { Actor, Outcome, Ports } from '@/commands/kernel/command';
import { PASSWORD } from './database';

/** Signs the release of a flight with all that the pilot reads back, on what is on record now. */
export async function release(
  ports: Ports,
  actor: Actor,
  flightId: string,
  change: Partial<ReleaseFlight> = {},
): Promise<Outcome<{ readonly releaseId: string; readonly revision: number }>> {
  const seen = await inClub(ports.db, actor.clubId, (tx) =>
    dispatchFlight(tx, actor.clubId, flightId, ports.now()),
  );
  return releaseFlight(ports, actor, {
    releaseId: randomUUID(),
    flightId,
    aircraftId: seen?.aircraftId ?? randomUUID(),
    seenRevision: seen?.revision ?? 0,
    fuelAboard: [],
    oilAboard: null,
    readBack: seen?.release.toSign?.restrictions.map(({ key }) => key) ?? [],
    password: PASSWORD,
    ...change,
  });
}

/** Releases a flight, where it can be, and checks it out. */
export async function releaseAndLeave(
  ports: Ports,
  actor: Actor,
  entry: CheckOut,
): ReturnType<typeof checkOut> {
  const released = await release(ports, actor, entry.flightId, { seenRevision: entry.seenRevision });
  return checkOut(ports, actor, {
    ...entry,
    seenRevision: released.ok ? released.value.revision : entry.seenRevision,
  });
}
