import { sql } from 'kysely';
import type { Instant } from '@/core/time/instant';
import type { ZoneId } from '@/core/time/zone';
import type { ClubTransaction } from '../kernel/connection';

/** Hours in service that an aircraft was flown in each of the last months, oldest first: from the highest reading of each month on the field's calendar. */
export async function flownByMonth(
  tx: ClubTransaction,
  aircraftId: string,
  zone: ZoneId,
  now: Instant,
  months: number,
): Promise<readonly { readonly month: string; readonly hours: number }[]> {
  const { rows } = await sql<{ month: string; value: number }>`
    select to_char(m.happened_at at time zone ${zone}::text, 'YYYY-MM') as month, max(m.value_s) as value from counted_meter_reading m
    where m.aircraft_id = ${aircraftId}::uuid and m.meter = 'time-in-service' and m.happened_at > ${new Date(now)}::timestamptz - make_interval(months => ${months + 2}::int)
    group by 1 order by 1`.execute(tx);
  return rows
    .map((row, at) => ({
      month: row.month,
      hours: at === 0 ? 0 : (row.value - (rows[at - 1]?.value ?? row.value)) / 3600,
    }))
    .slice(1)
    .slice(-months);
}
