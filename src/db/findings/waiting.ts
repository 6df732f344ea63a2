import { sql } from 'kysely';
import { byId } from '@/core/order';
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
  readonly photos: readonly string[];
  readonly here: string;
  readonly on_type: string;
  readonly similar: readonly { readonly id: string; readonly what: string }[];
}

/** Findings about which nobody has decided. */
interface Undecided {
  readonly id: string;
  readonly aircraftId: string;
  readonly recordedAt: Instant;
}

/**
 * Findings that nobody has closed, deferred or decided about. Asked in plain questions whose answers are put
 * together here: what the database makes of one long question hangs on what it knows of its tables by then.
 */
async function readUndecided(tx: ClubTransaction): Promise<readonly Undecided[]> {
  const { rows: all } = await sql<{ id: string; aircraft_id: string; recorded_at: Date }>`
    select d.discrepancy_id::text as id, d.aircraft_id, d.recorded_at from discrepancy d`.execute(tx);
  const { rows: known } = await sql<{ id: string }>`
    select r.discrepancy_id::text as id from rectification r where r.closes
    union all
    select t.body->>'discrepancy' from aircraft_record t where t.kind in ('triage', 'deferral')`.execute(tx);
  const dealtWith = new Set(known.map(({ id }) => id));
  return all
    .filter(({ id }) => !dealtWith.has(id))
    .map((row) => ({ id: row.id, aircraftId: row.aircraft_id, recordedAt: storedInstant(row.recorded_at) }));
}

/** When each aircraft’s next flight starts that has not left. */
async function readNextFlights(tx: ClubTransaction, now: Instant): Promise<ReadonlyMap<string, Instant>> {
  const { rows } = await sql<{ aircraft_id: string; starts: Date }>`
    select p.aircraft_id, min(p.starts) as starts from planned_flight p
    where p.ends >= ${new Date(now)}
      and not exists (select from planned_flight_end e where e.club_id = p.club_id and e.flight_id = p.flight_id)
      and not exists (select from flight f where f.club_id = p.club_id and f.flight_id = p.flight_id)
    group by p.aircraft_id`.execute(tx);
  return new Map(rows.map((row) => [row.aircraft_id, storedInstant(row.starts)] as const));
}

/** Those that wait, and how many there are. */
export interface Waiting {
  readonly total: number;
  readonly first: readonly WaitingFinding[];
}

/** The first of those that wait, by what they hold up: the aircraft that flies next comes first, then the finding that waits longest. */
export async function readWaiting(tx: ClubTransaction, now: Instant, most: number): Promise<Waiting> {
  const undecided = await readUndecided(tx);
  const next = await readNextFlights(tx, now);
  const flies = ({ aircraftId }: Undecided): number => next.get(aircraftId) ?? Infinity;
  const first = undecided
    .toSorted((a, b) => {
      const [one, other] = [flies(a), flies(b)];
      return one === other ? a.recordedAt - b.recordedAt || byId(a, b) : one < other ? -1 : 1;
    })
    .slice(0, most);
  if (first.length === 0) return { total: 0, first: [] };
  const order = new Map(first.map(({ id }, at) => [id, at] as const));
  const { rows } = await sql<Row>`
    with first as materialized (
        select d.*, a.registration, a.type_name, a.revision from discrepancy d join aircraft a using (club_id, aircraft_id)
        where d.discrepancy_id = any(${first.map(({ id }) => id)}::uuid[])),
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
    from first w`.execute(tx);
  const found = rows.map((row): WaitingFinding => ({
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
    nextFlight: next.get(row.aircraft_id) ?? null,
    photos: row.photos,
    before: { here: Number(row.here), type: Number(row.on_type) },
    similar: row.similar,
  }));
  const placed = found.toSorted((a, b) => (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0));
  return { total: undecided.length, first: placed };
}
