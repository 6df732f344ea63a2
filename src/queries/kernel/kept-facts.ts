import { loadReadable, readVersions } from '@/db/aircraft/aircraft-facts';
import type { Reach } from '@/db/aircraft/fact-rows';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import type { Club } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';

/**
 * How many aircraft are kept in one process: a few large clubs; with what their pages list, what a few desks look at; and with
 * everything that ever was, the fleet of a large club that looks back.
 */
const MOST = { present: 3000, whole: 200, history: 600 } as const;
/** From so many changed aircraft on all are read at once: a question for each would cost more. */
const ALL_AT_ONCE = 6;

interface Kept {
  readonly version: string;
  readonly place: string;
  readonly stored: StoredAircraft;
}

const kept: Readonly<Record<Reach, Map<string, Kept>>> = {
  present: new Map(),
  whole: new Map(),
  history: new Map(),
};

/**
 * The facts of a club's fleet, or of one aircraft, for reading. The versions are asked first, and only what changed since it was read last is read again:
 * every change of an aircraft's records raises its revision. The version is read before the records, so that what is kept under it is never
 * older than it. Commands do not ask here: they read what they lock.
 * @throws Error in a transaction that has written: what it may yet undo must not be kept
 * @param aircraftId null for all of them, by registration
 * @param what `present` leaves out what cannot change an answer about the present, as readFactRows() does
 */
export async function keptFacts(
  tx: ClubTransaction,
  { place }: Pick<Club, 'place'>,
  aircraftId: string | null,
  what: Reach = 'present',
): Promise<readonly StoredAircraft[]> {
  const { versions, wrote } = await readVersions(tx, aircraftId);
  if (wrote) throw new Error('facts are kept from transactions that only read; this one has written');
  const field = JSON.stringify(place);
  const known = kept[what];
  // Taken now: while the others are read, another request may make room.
  const unchanged = new Map<string, StoredAircraft>();
  for (const { aircraftId: id, version } of versions) {
    const found = known.get(id);
    if (found?.version === version && found.place === field) unchanged.set(id, found.stored);
  }
  const changed = versions.filter((row) => !unchanged.has(row.aircraftId));
  const read: StoredAircraft[] = [];
  if (changed.length >= ALL_AT_ONCE) read.push(...(await loadReadable(tx, place, aircraftId, what)));
  else for (const row of changed) read.push(...(await loadReadable(tx, place, row.aircraftId, what)));
  const labels = new Map(versions.map(({ aircraftId: id, version }) => [id, version]));
  const fresh = new Map(read.map((stored) => [stored.aircraftId, stored]));
  const answer = versions.flatMap(({ aircraftId: id }) => {
    const stored = fresh.get(id) ?? unchanged.get(id);
    return stored === undefined ? [] : [stored];
  });
  if (known.size + read.length > MOST[what]) known.clear();
  for (const stored of read)
    known.set(stored.aircraftId, { version: labels.get(stored.aircraftId) ?? '', place: field, stored });
  return answer;
}
