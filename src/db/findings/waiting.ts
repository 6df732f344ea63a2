import { sql } from 'kysely';
import type { Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';

/** An open finding about which nobody has decided yet. */
export interface WaitingFinding {
  readonly id: string;
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly revision: number;
  readonly what: string;
  readonly station: string;
  readonly side: string | null;
  readonly step: string | null;
  readonly classification: string;
  readonly equipment: readonly string[];
  readonly foundBy: string;
  readonly happenedAt: Instant;
  /** When the next flight of the aircraft that has not left starts; null where none is planned. */
  readonly nextFlight: Instant | null;
  readonly photos: readonly string[];
  /** Findings of the same step before, on this aircraft and on the others of its type. */
  readonly before: { readonly here: number; readonly type: number };
  /** Other open findings of the aircraft at the same step or place. */
  readonly similar: readonly { readonly id: string; readonly what: string }[];
}

interface Row {
  readonly discrepancy_id: string;
  readonly aircraft_id: string;
  readonly registration: string;
  readonly type_name: string;
  readonly revision: number;
  readonly what: string;
  readonly station: string;
  readonly side: string | null;
  readonly step: string | null;
  readonly classification: string;
  readonly equipment_kinds: readonly string[] | null;
  readonly found_by_name: string;
  readonly happened_at: Date;
  readonly next_flight: Date | null;
  readonly photos: readonly string[];
  readonly here: string;
  readonly on_type: string;
  readonly similar: readonly { readonly id: string; readonly what: string }[];
}

/** Findings that nobody has closed, deferred or decided about, with the next flight of their aircraft: each asked once for the whole club. */
const waiting = (now: Instant) => sql`
  next as (
    select p.aircraft_id, min(p.starts) as next_flight from planned_flight p
      left join planned_flight_end e on e.club_id = p.club_id and e.flight_id = p.flight_id
      left join flight f on f.club_id = p.club_id and f.flight_id = p.flight_id
    where e.flight_id is null and f.flight_id is null and p.ends >= ${new Date(now)}
    group by p.aircraft_id),
  decided as (
    select distinct t.body->>'discrepancy' as id from aircraft_record t where t.kind in ('triage', 'deferral')),
  waiting as (
    select d.*, a.registration, a.type_name, a.revision, n.next_flight
    from discrepancy d
      join aircraft a using (club_id, aircraft_id)
      left join rectification r using (club_id, discrepancy_id)
      left join next n on n.aircraft_id = d.aircraft_id
      left join decided x on x.id = d.discrepancy_id::text
    where r.closes is not true and x.id is null)`;

/** So many are waiting. */
export async function countWaiting(tx: ClubTransaction, now: Instant): Promise<number> {
  const { rows } = await sql<{ n: string }>`with ${waiting(now)} select count(*) as n from waiting`.execute(
    tx,
  );
  return Number(rows[0]?.n ?? 0);
}

/** The first of those that wait, by what they hold up: the aircraft that flies next comes first, then the finding that waits longest. */
export async function readWaiting(
  tx: ClubTransaction,
  now: Instant,
  most: number,
): Promise<readonly WaitingFinding[]> {
  const { rows } = await sql<Row>`
    with ${waiting(now)},
      first as (select * from waiting order by next_flight nulls last, recorded_at, discrepancy_id limit ${most}),
      same as materialized (
        select o.aircraft_id, t.type_name, o.step, o.happened_at from discrepancy o join aircraft t using (club_id, aircraft_id)
        where o.step in (select step from first))
    select w.*,
      array(select p.photo_id from photo p where p.club_id = w.club_id and p.discrepancy_id = w.discrepancy_id order by p.recorded_at) as photos,
      (select count(*) from same o where o.aircraft_id = w.aircraft_id and o.step = w.step and o.happened_at < w.happened_at) as here,
      (select count(*) from same o where o.type_name = w.type_name and o.aircraft_id <> w.aircraft_id and o.step = w.step
          and o.happened_at < w.happened_at) as on_type,
      coalesce((select json_agg(json_build_object('id', o.discrepancy_id, 'what', o.what) order by o.recorded_at)
        from discrepancy o left join rectification q using (club_id, discrepancy_id)
        where o.club_id = w.club_id and o.aircraft_id = w.aircraft_id and o.discrepancy_id <> w.discrepancy_id
          and q.closes is not true and o.side is not distinct from w.side and (o.step = w.step or o.station = w.station)), '[]') as similar
    from first w
    order by w.next_flight nulls last, w.recorded_at, w.discrepancy_id`.execute(tx);
  return rows.map((row) => ({
    id: row.discrepancy_id,
    aircraftId: row.aircraft_id,
    registration: row.registration,
    typeName: row.type_name,
    revision: row.revision,
    what: row.what,
    station: row.station,
    side: row.side,
    step: row.step,
    classification: row.classification,
    equipment: row.equipment_kinds ?? [],
    foundBy: row.found_by_name,
    happenedAt: storedInstant(row.happened_at),
    nextFlight: row.next_flight === null ? null : storedInstant(row.next_flight),
    photos: row.photos,
    before: { here: Number(row.here), type: Number(row.on_type) },
    similar: row.similar,
  }));
}
