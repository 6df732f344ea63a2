import { standingsOf } from '@/core/records/meter-reading';
import type { Instant } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft-facts';
import { readClub } from '@/db/clubs';
import type { ClubTransaction } from '@/db/connection';
import { insertMeterStanding } from '@/db/folder-rows';

/** After records that say what the meter showed were written: has the core look at all of them and keeps what it says, for the lists. */
export async function recordMeterStanding(tx: ClubTransaction, clubId: string, aircraftId: string, revision: number, recordedAt: Instant): Promise<void> {
  const { place } = await readClub(tx, clubId);
  const [stored] = await loadAircraft(tx, place, aircraftId, false);
  if (stored === undefined) throw new Error(`aircraft ${aircraftId} is not there`);
  await insertMeterStanding(tx, clubId, aircraftId, revision, standingsOf(stored.facts, place.zone)['time-in-service'].state === 'known', recordedAt);
}
