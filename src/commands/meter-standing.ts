import { knownAt, presentFor } from '@/core/records/facts';
import { METER_NAMES } from '@/core/records/meters';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft-facts';
import { readClub } from '@/db/clubs';
import type { ClubTransaction } from '@/db/connection';
import { insertMeterStanding } from '@/db/folder-rows';

/** After records that say what the meter showed were written: has the core look at all of them and keeps what it says, for the lists. */
export async function recordMeterStanding(tx: ClubTransaction, clubId: string, aircraftId: string, revision: number, recordedAt: Instant): Promise<void> {
  const { place, packs } = await readClub(tx, clubId);
  const [stored] = await loadAircraft(tx, place, aircraftId, false);
  if (stored === undefined) throw new Error(`aircraft ${aircraftId} is not there`);
  const { meters, readings } = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(packs));
  // A meter that nobody ever read disagrees with nothing.
  const agrees = METER_NAMES.every((meter) => meters[meter].state === 'known' || !readings.some((reading) => reading.meter === meter));
  await insertMeterStanding(tx, clubId, aircraftId, revision, agrees, recordedAt);
}
