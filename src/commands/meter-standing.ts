import { timeInService } from '@/core/records/meter-reading';
import type { Instant } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft-facts';
import { readClub } from '@/db/clubs';
import type { ClubTransaction } from '@/db/connection';
import { insertMeterStanding } from '@/db/folder-rows';

/** After readings or inspections were written: has the core look at all of them and keeps what it says, for the lists. */
export async function recordMeterStanding(tx: ClubTransaction, clubId: string, aircraftId: string, revision: number, recordedAt: Instant): Promise<void> {
  const { place } = await readClub(tx, clubId);
  const [stored] = await loadAircraft(tx, place, aircraftId, false);
  if (stored === undefined) throw new Error(`aircraft ${aircraftId} is not there`);
  const { readings, inspections } = stored.facts;
  await insertMeterStanding(tx, clubId, aircraftId, revision, timeInService(readings, inspections, place.zone).state === 'known', recordedAt);
}
