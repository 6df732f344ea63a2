import type { Plain } from '@/core/decision/canonical';
import type { AircraftAct } from '@/core/records/ledger-act';
import { addSeconds, type Instant } from '@/core/time/instant';
import { loadAircraft, lockInOrder } from '@/db/aircraft/aircraft-facts';
import { type StoredAircraft } from '@/db/aircraft/facts-from-rows';
import { inClub } from '@/db/kernel/club-transaction';
import { readClub, type Club } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { appendToLedger, readHistory } from '@/db/kernel/ledger';
import { notifyChange } from '@/db/kernel/notify';
import { Refused, runCommand, type Actor, type Outcome, type Ports } from './command';
import { NOBODY, type Moved } from '../meters/meter-standing';
import { nextRevision } from './next-revision';
import { onlyTheSame, requestDigest, type Repeat } from './repeat';

/** What a change of an aircraft's records works with: the aircraft is locked, and this is what is on record about it. */
export interface Changing {
  readonly tx: ClubTransaction;
  readonly club: Club;
  readonly stored: StoredAircraft;
  readonly registration: string;
  readonly recordedAt: Instant;
}

/** What a change answers: what the ledger keeps of it. `null` where the same had been written already, and nothing is to be added. */
export interface Change<T> {
  readonly ledger: Plain | null;
  readonly value: T;
  readonly moved?: Moved;
  /** True where what was asked for did not come about, though something was recorded on the way: the same may be sent again, and is looked at again. */
  readonly passed?: boolean;
}

/** So many entries of an aircraft's history are shown to somebody whose view was stale. */
const MOST_CHANGES = 20;

/** Now, or just after what stands before it where the clock that wrote that was ahead, or this one was set back: of versions the last must count. */
export function laterThan(before: Instant | null, now: Instant): Instant {
  return before === null || now > before ? now : addSeconds(before, 0.001);
}

/** A refusal for somebody who looked at an older state: nothing was written, and this happened meanwhile. */
export async function changedMeanwhile(
  tx: ClubTransaction,
  aircraftId: string,
  registration: string,
  revision: number,
  seenRevision: number,
): Promise<Refused> {
  const changes = await readHistory(tx, aircraftId, MOST_CHANGES, seenRevision);
  return new Refused({
    code: 'conflict',
    message: `${registration} changed while you were writing. Nothing was recorded; what you wrote is kept. Look at the changes, then record it again.`,
    revision,
    changes,
  });
}

/**
 * Changes what is on record about one aircraft, in one transaction: locks it, does the work, raises its revision, has the core look at
 * its meters, appends to its ledger and tells every open screen.
 * @param seenRevision the revision that the person looked at, for what must not cover unseen changes; null where it only ever adds
 * @param repeat looks whether this entry was received already; its answer is given again
 * @param others further aircraft whose records it touches: all are locked, in one order, before anything is looked at
 */
export function changeAircraft<T>(
  ports: Ports,
  actor: Actor,
  aircraftId: string,
  act: AircraftAct,
  seenRevision: number | null,
  work: (changing: Changing) => Promise<Change<T>>,
  repeat?: Repeat<T>,
  others?: (tx: ClubTransaction) => Promise<readonly string[]>,
): Promise<Outcome<T & { readonly revision: number }>> {
  const recordedAt = ports.now();
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      const locked = await lockInOrder(tx, [aircraftId, ...((await others?.(tx)) ?? [])]);
      const aircraft = locked.get(aircraftId);
      if (aircraft === undefined)
        throw new Refused({
          code: 'not-found',
          message: 'The club has no such aircraft. Choose one from the Line.',
        });
      const request = repeat === undefined ? undefined : requestDigest(ports, repeat.request);
      const before = (await repeat?.found(tx)) ?? null;
      if (before !== null && request !== undefined) {
        await onlyTheSame(tx, actor, { id: aircraftId, ...aircraft }, request, seenRevision);
        return { ...before, revision: aircraft.revision };
      }
      if (seenRevision !== null && seenRevision !== aircraft.revision)
        throw await changedMeanwhile(tx, aircraftId, aircraft.registration, aircraft.revision, seenRevision);
      const club = await readClub(tx, actor.clubId);
      const [stored] = await loadAircraft(tx, club.place, aircraftId, true);
      if (stored === undefined) throw new Error(`aircraft ${aircraftId} is not there`);
      const { ledger, value, moved, passed } = await work({
        tx,
        club,
        stored,
        registration: aircraft.registration,
        recordedAt,
      });
      if (ledger === null) return { ...value, revision: aircraft.revision };
      const { revision, withEnded } = await nextRevision(tx, actor, aircraftId, recordedAt, moved ?? NOBODY);
      await appendToLedger(
        tx,
        {
          clubId: actor.clubId,
          aircraftId,
          revision,
          act,
          actor,
          recordedAt,
          record: withEnded(ledger),
          ...(request === undefined || passed === true ? {} : { request }),
        },
        ports.sha256,
      );
      await notifyChange(tx, { club: actor.clubId, aircraft: aircraftId, revision });
      return { ...value, revision };
    }),
  );
}
