import { sql } from 'kysely';
import { instantText, type Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';

/** When a finding was reported, decided about first, and closed. */
export interface FindingTimes {
  readonly findingId: string;
  readonly aircraftId: string;
  readonly reportedAt: Instant;
  /** The first decision of somebody entitled: triage, a deferral, or a return to service; null where nobody has decided yet. */
  readonly decidedAt: Instant | null;
  /** When it was returned to service; null while it is open. */
  readonly closedAt: Instant | null;
}

/** Findings reported since a moment, with how long each waited for a decision and for its return to service. */
export async function readFindingTimes(
  tx: ClubTransaction,
  since: Instant,
): Promise<readonly FindingTimes[]> {
  const { rows } = await sql<{
    readonly id: string;
    readonly aircraft_id: string;
    readonly reported: Date;
    readonly decided: Date | null;
    readonly closed: Date | null;
  }>`
    select d.discrepancy_id as id, d.aircraft_id, d.recorded_at as reported, r.recorded_at as closed,
      least(r.recorded_at, (select min(t.recorded_at) from aircraft_record t
        where t.club_id = d.club_id and t.aircraft_id = d.aircraft_id and t.kind in ('triage', 'deferral')
          and t.body->>'discrepancy' = d.discrepancy_id::text)) as decided
    from discrepancy d
      left join rectification r on r.club_id = d.club_id and r.discrepancy_id = d.discrepancy_id and r.closes
    where d.recorded_at >= ${instantText(since)}::timestamptz
    order by d.recorded_at`.execute(tx);
  return rows.map((row) => ({
    findingId: row.id,
    aircraftId: row.aircraft_id,
    reportedAt: storedInstant(row.reported),
    decidedAt: row.decided === null ? null : storedInstant(row.decided),
    closedAt: row.closed === null ? null : storedInstant(row.closed),
  }));
}
