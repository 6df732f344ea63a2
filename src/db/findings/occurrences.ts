import { sql } from 'kysely';
import type { Occurrence } from '@/core/records/findings/chronic';
import { RECTIFYING, type Triage } from '@/core/records/findings/discrepancy';
import { mergedBy } from '@/core/records/findings/triage';
import { instantText, type Instant } from '@/core/time/instant';
import { othersOfKind } from '../aircraft/other-records';
import { exactlyOneOf, storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';

interface FindingRow {
  readonly id: string;
  readonly aircraft_id: string;
  readonly station: string;
  readonly side: string | null;
  readonly step: string | null;
  readonly equipment: readonly string[] | null;
  readonly what: string;
  readonly at: Date;
  readonly flown: number | null;
  readonly returned_at: Date | null;
  readonly returned_flown: number | null;
  readonly work: string | null;
}

interface WaterRow {
  readonly id: string;
  readonly aircraft_id: string;
  readonly drain: string;
  readonly at: Date;
  readonly flown: number | null;
}

/** What the time in service was at a moment: the last reading until then. */
const flownAt = (moment: string) => sql`(
  select m.value_s from counted_meter_reading m
  where m.club_id = o.club_id and m.aircraft_id = o.aircraft_id and m.meter = 'time-in-service' and m.happened_at <= ${sql.raw(moment)}
  order by m.happened_at desc, m.value_s desc limit 1)`;

/** What a finding is about: its equipment, else its step, else its place. */
export function partOf({
  equipment,
  step,
  station,
}: Pick<FindingRow, 'equipment' | 'step' | 'station'>): string {
  if (equipment !== null && equipment.length > 0) return `equipment:${[...equipment].sort().join('+')}`;
  return step === null ? `place:${station}` : `step:${step}`;
}
/** Water in the fuel, at whatever drain: it comes in at caps and seals, and runs to the lowest point. */
export const WATER = 'water';

/**
 * Every finding and every cup with water since a moment, each with the time in service then. What is held to
 * be the same as another finding is not named again; nor is a cup that was struck out.
 */
export async function readOccurrences(tx: ClubTransaction, since: Instant): Promise<readonly Occurrence[]> {
  const from = instantText(since);
  const findings = await sql<FindingRow>`
    select o.discrepancy_id as id, o.aircraft_id, o.station, o.side, o.step, o.equipment_kinds as equipment, o.what, o.happened_at as at,
      ${flownAt('o.happened_at')} as flown, r.recorded_at as returned_at, r.work,
      case when r.recorded_at is null then null else ${flownAt('r.recorded_at')} end as returned_flown
    from discrepancy o
      left join rectification r on r.club_id = o.club_id and r.discrepancy_id = o.discrepancy_id and r.closes
    where o.happened_at >= ${from}::timestamptz`.execute(tx);
  const decisions = new Map<string, readonly Triage[]>();
  for (const { discrepancy, triage } of await othersOfKind(tx, null, 'triage'))
    decisions.set(discrepancy, [...(decisions.get(discrepancy) ?? []), triage]);
  const water = await sql<WaterRow>`
    select o.record_id as id, o.aircraft_id, o.body->>'drain' as drain, o.happened_at as at, ${flownAt('o.happened_at')} as flown
    from aircraft_record o
    where o.kind = 'sample' and coalesce(o.body->>'result', '') <> 'clean' and o.body->>'result' = 'water' and o.happened_at >= ${from}::timestamptz
      and not exists (select from strike s where s.club_id = o.club_id and s.record_id = o.record_id)`.execute(
    tx,
  );
  return [
    ...findings.rows
      .filter(({ id }) => mergedBy({ id, triage: decisions.get(id) ?? [] }) === null)
      .map((row): Occurrence => ({
        id: row.id,
        aircraftId: row.aircraft_id,
        part: partOf(row),
        what: row.what,
        side: row.side,
        at: storedInstant(row.at),
        flown: row.flown,
        returned:
          row.returned_at === null
            ? null
            : {
                at: storedInstant(row.returned_at),
                flown: row.returned_flown,
                work: row.work === null ? null : exactlyOneOf(RECTIFYING, row.work, 'work done'),
              },
      })),
    // A cup is emptied where it is taken: water that comes after it is other water.
    ...water.rows.map((row): Occurrence => {
      const at = storedInstant(row.at);
      return {
        id: row.id,
        aircraftId: row.aircraft_id,
        part: WATER,
        what: `Water in the fuel, ${row.drain} drain`,
        side: null,
        at,
        flown: row.flown,
        returned: { at, flown: row.flown, work: null },
      };
    }),
  ];
}

/**
 * How much each aircraft of the club flew since a moment, in seconds in service, by its readings. Those without a reading are not named.
 */
export async function readFlownSince(
  tx: ClubTransaction,
  since: Instant,
): Promise<ReadonlyMap<string, number>> {
  const from = instantText(since);
  const { rows } = await sql<{ id: string; flown: number }>`
    select a.aircraft_id as id, greatest(0, l.value_s - coalesce(b.value_s, f.value_s))::bigint::float8 as flown
    from aircraft a
      cross join lateral (select m.value_s from counted_meter_reading m
        where m.club_id = a.club_id and m.aircraft_id = a.aircraft_id and m.meter = 'time-in-service'
        order by m.happened_at desc, m.value_s desc limit 1) l
      left join lateral (select m.value_s from counted_meter_reading m
        where m.club_id = a.club_id and m.aircraft_id = a.aircraft_id and m.meter = 'time-in-service' and m.happened_at < ${from}::timestamptz
        order by m.happened_at desc, m.value_s desc limit 1) b on true
      left join lateral (select m.value_s from counted_meter_reading m
        where m.club_id = a.club_id and m.aircraft_id = a.aircraft_id and m.meter = 'time-in-service'
        order by m.happened_at, m.value_s limit 1) f on true`.execute(tx);
  return new Map(rows.map(({ id, flown }) => [id, flown]));
}
