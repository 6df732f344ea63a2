import { sql } from 'kysely';
import { canonicalJson, type Plain } from '@/core/decision/canonical';
import { LEDGER_ACTS, type LedgerAct } from '@/core/records/ledger-act';
import type { Instant } from '@/core/time/instant';
import { instantText } from '@/core/time/instant';
import { exactlyOneOf, storedInstant } from './checked-values';
import type { ClubTransaction } from './connection';

/** An entry before it is chained. */
export interface LedgerEntry {
  readonly clubId: string;
  /** Null for what concerns no aircraft. */
  readonly aircraftId: string | null;
  readonly revision: number | null;
  readonly act: LedgerAct;
  readonly actor: { readonly personId: string; readonly name: string };
  readonly recordedAt: Instant;
  /** What was written: the record itself, or a digest of many. */
  readonly record: Plain;
  /** Digest of what was sent for it, where the same may be sent again because the answer got lost. */
  readonly request?: string;
}

/** SHA-256 of some bytes. */
export type Sha256 = (bytes: Uint8Array) => Uint8Array;

/** The chain that an entry belongs to: one per aircraft, one per club for the rest. */
export function chainOf(aircraftId: string | null): string {
  return aircraftId === null ? 'club' : `aircraft:${aircraftId}`;
}

/** Digests of rows that this transaction wrote, added up by table: `{"flight": "2:…"}`. */
type Counted = Readonly<Record<string, string>>;

/**
 * Appends an entry to its chain. Waits for others who append to the same chain, so that it never forks. Its body counts every row that
 * the transaction has written and no entry counts yet: the database refuses a transaction that leaves any uncounted.
 */
export async function appendToLedger(tx: ClubTransaction, entry: LedgerEntry, sha256: Sha256): Promise<void> {
  const chain = chainOf(entry.aircraftId);
  await sql`select pg_advisory_xact_lock(hashtextextended(${`${entry.clubId}/${chain}`}, 0))`.execute(tx);
  const {
    rows: [state],
  } = await sql<{ batch: string; counted: Counted; seq: number | null; hash: Buffer | null }>`
    select groval.current_batch()::text as batch, groval.uncounted() as counted, h.seq, h.hash from (select 1) as one left join guard.head h on h.club_id = ${entry.clubId}::uuid and h.chain = ${chain}`.execute(
    tx,
  );
  if (state === undefined) throw new Error('the database said nothing of the chain');
  const seq = (state.seq ?? 0) + 1;
  const body = canonicalJson({
    chain,
    seq,
    act: entry.act,
    actor: entry.actor.personId,
    actorName: entry.actor.name,
    revision: entry.revision,
    recordedAt: instantText(entry.recordedAt),
    record: entry.record,
    request: entry.request,
    batch: state.batch,
    ...(Object.keys(state.counted).length === 0 ? {} : { rows: { ...state.counted } }),
  });
  const previous = state.hash ?? Buffer.alloc(0);
  await tx
    .insertInto('ledger')
    .values({
      club_id: entry.clubId,
      chain,
      seq,
      aircraft_id: entry.aircraftId,
      revision: entry.revision,
      act: entry.act,
      actor: entry.actor.personId,
      actor_name: entry.actor.name,
      request: entry.request ?? null,
      recorded_at: new Date(entry.recordedAt),
      body,
      previous,
      hash: Buffer.from(sha256(Buffer.concat([previous, Buffer.from(body, 'utf8')]))),
    })
    .execute();
}

/** The newest entry of every chain of the club, as the database keeps it where the application can only read. */
export async function readHeads(
  tx: ClubTransaction,
): Promise<readonly { readonly chain: string; readonly seq: number; readonly hash: string }[]> {
  const { rows } = await sql<{
    chain: string;
    seq: number;
    hash: Buffer;
  }>`select chain, seq, hash from guard.head where club_id = groval.current_club() order by chain`.execute(
    tx,
  );
  return rows.map(({ chain, seq, hash }) => ({ chain, seq, hash: hash.toString('base64') }));
}

/** Whether somebody has sent the same about an aircraft before. */
export async function requestKnown(
  tx: ClubTransaction,
  aircraftId: string,
  personId: string,
  request: string,
): Promise<boolean> {
  const row = await tx
    .selectFrom('ledger')
    .select('seq')
    .where('chain', '=', chainOf(aircraftId))
    .where('actor', '=', personId)
    .where('request', '=', request)
    .executeTakeFirst();
  return row !== undefined;
}

/** One line of an aircraft's history. */
export interface HistoryLine {
  readonly seq: number;
  readonly act: LedgerAct;
  readonly actorName: string;
  readonly revision: number | null;
  readonly recordedAt: Instant;
  readonly record: unknown;
}

function historyLine(row: {
  readonly seq: number;
  readonly act: string;
  readonly actor_name: string;
  readonly revision: number | null;
  readonly recorded_at: Date;
  readonly body: string;
}): HistoryLine {
  const body = JSON.parse(row.body) as { readonly record?: unknown };
  return {
    seq: row.seq,
    act: exactlyOneOf(LEDGER_ACTS, row.act, 'act'),
    actorName: row.actor_name,
    revision: row.revision,
    recordedAt: storedInstant(row.recorded_at),
    record: body.record ?? null,
  };
}

/** The newest entries of an aircraft, newest first. `after` leaves out revisions up to that one, `without` acts of some kinds. */
export async function readHistory(
  tx: ClubTransaction,
  aircraftId: string,
  most: number,
  after = 0,
  without: readonly LedgerAct[] = [],
): Promise<readonly HistoryLine[]> {
  const rows = await tx
    .selectFrom('ledger')
    .select(['seq', 'act', 'actor_name', 'revision', 'recorded_at', 'body'])
    .where('aircraft_id', '=', aircraftId)
    .$if(after > 0, (query) => query.where('revision', '>', after))
    .$if(without.length > 0, (query) => query.where('act', 'not in', without))
    .orderBy('seq', 'desc')
    .limit(most)
    .execute();
  return rows.map(historyLine);
}

/**
 * What was done to all aircraft of the club since a moment, newest first, with whose history it is of. @param
 * without acts that are left out
 */
export async function historySince(
  tx: ClubTransaction,
  since: Instant,
  most: number,
  without: readonly LedgerAct[],
): Promise<readonly (HistoryLine & { readonly aircraftId: string })[]> {
  const rows = await tx
    .selectFrom('ledger')
    .select(['seq', 'act', 'actor_name', 'revision', 'recorded_at', 'body', 'aircraft_id'])
    .where('aircraft_id', 'is not', null)
    .where('recorded_at', '>=', new Date(since))
    .where('act', 'not in', without)
    .orderBy('recorded_at', 'desc')
    .orderBy('seq', 'desc')
    .limit(most)
    .execute();
  return rows.map((row) => ({ ...historyLine(row), aircraftId: row.aircraft_id ?? '' }));
}
