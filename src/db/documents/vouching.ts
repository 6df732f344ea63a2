import type { Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';

/** Tables whose rows may wait until somebody vouches for them. */
export const WAITING_TABLES = ['inspection', 'document_sighting', 'aircraft_record'] as const;
export type WaitingTable = (typeof WAITING_TABLES)[number];

/** A record that waits, or waited: a copy from paper, or what a member saw of a document. */
export interface WaitingRecord {
  readonly recordId: string;
  readonly table: WaitingTable;
  /** What it is within its table: the kind of inspection, of document or of record. */
  readonly kind: string;
  readonly aircraftId: string;
  readonly recordedAt: Instant;
  readonly recordedBy: string;
  /** Who vouched for it and when; null while it waits. */
  readonly vouched: { readonly by: string; readonly at: Instant } | null;
  readonly struck: boolean;
}

const ID = {
  inspection: 'inspection_id',
  document_sighting: 'sighting_id',
  aircraft_record: 'record_id',
} as const;

function waitingIn(tx: ClubTransaction, table: WaitingTable) {
  // The three tables share the columns that are read here.
  return tx
    .selectFrom(`${table as 'inspection'} as w`)
    .leftJoin('vouch as v', (join) =>
      join
        .onRef('v.club_id', '=', 'w.club_id')
        .onRef('v.record_id', '=', `w.${ID[table] as 'inspection_id'}`),
    )
    .leftJoin('strike as x', (join) =>
      join
        .onRef('x.club_id', '=', 'w.club_id')
        .onRef('x.record_id', '=', `w.${ID[table] as 'inspection_id'}`),
    )
    .select([
      `w.${ID[table] as 'inspection_id'} as record_id`,
      'w.kind',
      'w.aircraft_id',
      'w.recorded_at',
      'w.recorded_by',
      'v.recorded_by_name as vouched_by',
      'v.recorded_at as vouched_at',
      'x.strike_id',
    ])
    .where('w.awaits_vouch', '=', true);
}

const waitingOf = (
  table: WaitingTable,
  row: Awaited<ReturnType<ReturnType<typeof waitingIn>['execute']>>[number],
): WaitingRecord => ({
  recordId: row.record_id,
  table,
  kind: row.kind,
  aircraftId: row.aircraft_id,
  recordedAt: storedInstant(row.recorded_at),
  recordedBy: row.recorded_by,
  vouched:
    row.vouched_at === null || row.vouched_by === null
      ? null
      : { by: row.vouched_by, at: storedInstant(row.vouched_at) },
  struck: row.strike_id !== null,
});

/** One record that waits or waited; undefined where it never did. */
export async function findWaiting(tx: ClubTransaction, recordId: string): Promise<WaitingRecord | undefined> {
  for (const table of WAITING_TABLES) {
    const row = await waitingIn(tx, table)
      .where(`w.${ID[table] as 'inspection_id'}`, '=', recordId)
      .executeTakeFirst();
    if (row !== undefined) return waitingOf(table, row);
  }
  return undefined;
}

/** Every record of an aircraft that waits or waited, oldest first, by its id. */
export async function waitingOfAircraft(
  tx: ClubTransaction,
  aircraftId: string,
): Promise<ReadonlyMap<string, WaitingRecord>> {
  const all = new Map<string, WaitingRecord>();
  for (const table of WAITING_TABLES)
    for (const row of await waitingIn(tx, table)
      .where('w.aircraft_id', '=', aircraftId)
      .orderBy('w.recorded_at')
      .execute())
      all.set(row.record_id, waitingOf(table, row));
  return all;
}

/** What somebody says who vouches for a record. */
export interface Vouch {
  readonly vouchId: string;
  readonly aircraftId: string;
  readonly recordId: string;
  readonly table: WaitingTable;
  readonly note: string | null;
  readonly at: Instant;
  readonly by: { readonly personId: string; readonly name: string };
}

/** Writes that somebody vouches for a record; one is enough. */
export function insertVouchOnce(tx: ClubTransaction, clubId: string, vouch: Vouch): Promise<Once> {
  const at = new Date(vouch.at);
  return insertOnce(
    tx,
    'vouch',
    {
      club_id: clubId,
      vouch_id: vouch.vouchId,
      aircraft_id: vouch.aircraftId,
      record_id: vouch.recordId,
      record_kind: vouch.table,
      note: vouch.note,
      recorded_by_name: vouch.by.name,
      happened_at: at,
      recorded_at: at,
      recorded_by: vouch.by.personId,
    },
    ['club_id', 'record_id'],
  );
}
