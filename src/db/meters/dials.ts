import { dialsInUse, type Dial } from '@/core/records/meters/dial';
import { exactlyOneOf, storedCounts, storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';

/** A dial to be written, with why it took another's place. */
export type DialRow = Dial & { readonly why: string | null };

/** Writes dials. */
export async function insertDials(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  recordedBy: string,
  dials: readonly DialRow[],
): Promise<void> {
  if (dials.length === 0) return;
  await tx
    .insertInto('dial')
    .values(
      dials.map((dial) => ({
        club_id: clubId,
        dial_id: dial.id,
        aircraft_id: aircraftId,
        name: dial.name,
        unit: dial.unit,
        counts: JSON.stringify(dial.counts),
        bills: dial.bills,
        wraps_at: dial.wrapsAt,
        replaces: dial.replaces,
        why: dial.why,
        happened_at: new Date(dial.happenedAt),
        recorded_at: new Date(dial.recordedAt),
        recorded_by: recordedBy,
      })),
    )
    .execute();
}

/** Every dial that an aircraft has or had, oldest first. */
export async function readDials(tx: ClubTransaction, aircraftId: string): Promise<readonly DialRow[]> {
  const rows = await tx
    .selectFrom('dial')
    .selectAll()
    .where('aircraft_id', '=', aircraftId)
    .orderBy('happened_at')
    .orderBy('recorded_at')
    .orderBy('dial_id')
    .execute();
  return rows.map((row) => ({
    id: row.dial_id,
    name: row.name,
    unit: exactlyOneOf(['h', 'count'], row.unit, 'unit of a dial'),
    bills: row.bills,
    wrapsAt: row.wraps_at === null ? null : Number(row.wraps_at),
    replaces: row.replaces,
    why: row.why,
    counts: storedCounts(row.counts),
    happenedAt: storedInstant(row.happened_at),
    recordedAt: storedInstant(row.recorded_at),
  }));
}

/** The dials in use. */
export async function currentDials(tx: ClubTransaction, aircraftId: string): Promise<readonly Dial[]> {
  return dialsInUse(await readDials(tx, aircraftId));
}
