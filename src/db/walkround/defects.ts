import type { Instant } from '@/core/time/instant';
import { exactlyOneOf, storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';

/** A finding at a step of the list, with when it was returned to service. */
export interface DefectOnRecord {
  readonly id: string;
  readonly what: string;
  readonly station: string;
  readonly step: string;
  readonly side: 'left' | 'right' | null;
  readonly foundAt: Instant;
  readonly closedAt: Instant | null;
}

/** The findings of an aircraft that name a step, the newest first. */
export async function readDefects(
  tx: ClubTransaction,
  aircraftId: string,
): Promise<readonly DefectOnRecord[]> {
  const rows = await tx
    .selectFrom('discrepancy as d')
    .leftJoin('rectification as r', (join) =>
      join
        .onRef('r.club_id', '=', 'd.club_id')
        .onRef('r.discrepancy_id', '=', 'd.discrepancy_id')
        .on('r.closes', '=', true),
    )
    .select([
      'd.discrepancy_id',
      'd.what',
      'd.station',
      'd.step',
      'd.side',
      'd.happened_at',
      'r.recorded_at as closed_at',
    ])
    .where('d.aircraft_id', '=', aircraftId)
    .where('d.step', 'is not', null)
    .orderBy('d.happened_at', 'desc')
    .execute();
  return rows.map((row) => ({
    id: row.discrepancy_id,
    what: row.what,
    station: row.station,
    step: row.step ?? '',
    side: row.side === null ? null : exactlyOneOf(['left', 'right'], row.side, 'side of a finding'),
    foundAt: storedInstant(row.happened_at),
    closedAt: row.closed_at === null ? null : storedInstant(row.closed_at),
  }));
}
