import { createHash } from 'node:crypto';

/** A row of the ledger as the database gives it, with the revision that its aircraft has now. */
export interface LedgerRow {
  readonly chain: string;
  readonly seq: number;
  readonly revision: number | null;
  readonly body: string;
  readonly previous: Buffer;
  readonly hash: Buffer;
  readonly aircraft_revision: number | null;
}

/** Everything that is wrong with one chain, oldest first; an empty list when it is whole. @param rows every entry of the chain, by number */
export function checkChain(rows: readonly LedgerRow[]): readonly string[] {
  const troubles: string[] = [];
  let previous: Buffer = Buffer.alloc(0);
  let revision = 0;
  rows.forEach((row, at) => {
    const name = `entry ${row.seq}`;
    if (row.seq !== at + 1) troubles.push(`${name} stands where ${at + 1} should be: something was removed`);
    if (!row.previous.equals(previous)) troubles.push(`${name} does not continue the one before it`);
    if (!createHash('sha256').update(row.previous).update(row.body, 'utf8').digest().equals(row.hash)) troubles.push(`${name} does not hash to its content: it was changed`);
    const body = JSON.parse(row.body) as { readonly seq?: unknown; readonly chain?: unknown; readonly revision?: unknown };
    if (body.seq !== row.seq || body.chain !== row.chain || body.revision !== row.revision) troubles.push(`${name} says another number, chain or revision than its row`);
    if (row.revision !== null) {
      if (row.revision !== revision + 1) troubles.push(`${name} has revision ${row.revision} after ${revision}: a change without an entry`);
      revision = row.revision;
    }
    previous = row.hash;
  });
  const now = rows.at(-1)?.aircraft_revision ?? null;
  if (now !== null && now !== revision) troubles.push(`the aircraft is at revision ${now}, its last entry at ${revision}: the end was cut off, or a change has no entry`);
  return troubles;
}
