import { carriedFrom, type Carried } from '@/core/metering/carried';
import type { CivilDate } from '@/core/time/civil-date';
import { civilDateAt, endOfDay, startOfDay, type ZoneId } from '@/core/time/zone';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { flightsLeft } from '../flights/flights';

/** What is carried over from the last day before `today` on which the aircraft flew; null where it never has. */
export async function dayBefore(
  tx: ClubTransaction,
  aircraftId: string,
  zone: ZoneId,
  today: CivilDate,
  timeInService: number | null,
): Promise<Carried | null> {
  const last = await tx
    .selectFrom('flight')
    .select('happened_at')
    .where('aircraft_id', '=', aircraftId)
    .where('happened_at', '<', new Date(startOfDay(today, zone)))
    .orderBy('happened_at', 'desc')
    .limit(1)
    .executeTakeFirst();
  if (last === undefined) return null;
  const day = civilDateAt(storedInstant(last.happened_at), zone);
  return carriedFrom(
    day,
    await flightsLeft(tx, aircraftId, startOfDay(day, zone), endOfDay(day, zone)),
    timeInService,
  );
}
