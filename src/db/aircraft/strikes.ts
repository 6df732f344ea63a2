import type { Strike } from '@/core/records/strike';
import type { Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';

/** A strike with who struck out the entry and why. */
export interface StrikeRow extends Strike {
  readonly kind: string;
  readonly why: string;
  readonly replacedBy: string | null;
  readonly byName: string;
}

/** Strikes an entry. Answers false where it had been struck out already. */
export async function insertStrikeOnce(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  by: { readonly personId: string; readonly name: string },
  strike: Omit<StrikeRow, 'byName'>,
): Promise<Once> {
  const at = new Date(strike.recordedAt);
  return insertOnce(
    tx,
    'strike',
    {
      club_id: clubId,
      strike_id: strike.id,
      aircraft_id: aircraftId,
      record_id: strike.record,
      record_kind: strike.kind,
      why: strike.why,
      replaced_by: strike.replacedBy,
      recorded_by_name: by.name,
      happened_at: at,
      recorded_at: at,
      recorded_by: by.personId,
    },
    ['club_id', 'record_id'],
  );
}

/** The raw rows of one aircraft or of all. */
export function readStrikes(tx: ClubTransaction, aircraftId: string | null) {
  return tx
    .selectFrom('strike')
    .select([
      'aircraft_id',
      'strike_id',
      'record_id',
      'record_kind',
      'why',
      'replaced_by',
      'recorded_by_name',
      'recorded_at',
    ])
    .$if(aircraftId !== null, (query) => query.where('aircraft_id', '=', aircraftId))
    .execute();
}

/** A row as it was written. */
export function strikeOf(row: Awaited<ReturnType<typeof readStrikes>>[number]): StrikeRow {
  const recordedAt: Instant = storedInstant(row.recorded_at);
  return {
    id: row.strike_id,
    recordedAt,
    record: row.record_id,
    kind: row.record_kind,
    why: row.why,
    replacedBy: row.replaced_by,
    byName: row.recorded_by_name,
  };
}
