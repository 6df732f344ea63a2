import { createHash } from 'node:crypto';

/** A row of the ledger as the database gives it, with the revision that its aircraft has now. */
export interface LedgerRow {
  readonly chain: string;
  readonly seq: number;
  readonly revision: number | null;
  readonly act: string;
  readonly actor: string;
  readonly actor_name: string;
  readonly recorded_at: Date;
  readonly batch: string;
  readonly body: string;
  readonly previous: Buffer;
  readonly hash: Buffer;
  readonly aircraft_revision: number | null;
}

/** Where a chain ended when somebody looked: kept by the database where the application cannot write, in every archive, and wherever heads were saved. */
export interface Head {
  readonly chain: string;
  readonly seq: number;
  readonly hash: Buffer;
}

/** What the body of an entry says that its row shows as well. */
interface Said {
  readonly seq?: unknown;
  readonly chain?: unknown;
  readonly revision?: unknown;
  readonly act?: unknown;
  readonly actor?: unknown;
  readonly actorName?: unknown;
  readonly recordedAt?: unknown;
  readonly batch?: unknown;
}

/** Everything that is wrong with one chain, oldest first; an empty list when it is whole. @param rows every entry of the chain, by number @param head where it should end; null where nobody kept that */
export function checkChain(rows: readonly LedgerRow[], head: Head | null): readonly string[] {
  const troubles: string[] = [];
  let previous: Buffer = Buffer.alloc(0);
  let revision = 0;
  rows.forEach((row, at) => {
    const name = `entry ${row.seq}`;
    if (row.seq !== at + 1) troubles.push(`${name} stands where ${at + 1} should be: something was removed`);
    if (!row.previous.equals(previous)) troubles.push(`${name} does not continue the one before it`);
    if (!createHash('sha256').update(row.previous).update(row.body, 'utf8').digest().equals(row.hash))
      troubles.push(`${name} does not hash to its content: it was changed`);
    const said = JSON.parse(row.body) as Said;
    if (said.seq !== row.seq || said.chain !== row.chain || said.revision !== row.revision)
      troubles.push(`${name} says another number, chain or revision than its row`);
    // What is shown to people is read from the columns: it must be what was hashed.
    if (
      said.act !== row.act
      || said.actor !== row.actor
      || said.actorName !== row.actor_name
      || said.batch !== row.batch
      || new Date(String(said.recordedAt)).getTime() !== row.recorded_at.getTime()
    )
      troubles.push(`${name} shows another act, person or time than it says`);
    if (row.revision !== null) {
      if (row.revision !== revision + 1)
        troubles.push(`${name} has revision ${row.revision} after ${revision}: a change without an entry`);
      revision = row.revision;
    }
    previous = row.hash;
  });
  const now = rows.at(-1)?.aircraft_revision ?? null;
  if (now !== null && now !== revision)
    troubles.push(
      `the aircraft is at revision ${now}, its last entry at ${revision}: the end was cut off, or a change has no entry`,
    );
  if (head !== null) troubles.push(...checkHead(rows, head));
  return troubles;
}

/** Whether a chain still holds the entry in which it ended when somebody looked. */
export function checkHead(rows: readonly Pick<LedgerRow, 'seq' | 'hash'>[], head: Head): readonly string[] {
  const there = rows.find(({ seq }) => seq === head.seq);
  if (there === undefined)
    return [
      `ended in entry ${head.seq} once, and that is not there: ${rows.length === 0 ? 'the chain was deleted' : 'its end was cut off'}`,
    ];
  return there.hash.equals(head.hash)
    ? []
    : [`entry ${head.seq} is another one than it was: the chain was written again`];
}
