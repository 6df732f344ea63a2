import type { ZoneId } from '@/core/time/zone';
import type { ClubTransaction } from '@/db/kernel/connection';
import { latestFlights } from '@/db/flights/flights';
import { momentText } from '@/explain/formats';

/** What the last pilot said on coming back: the next one sees it first. */
export interface LastReport {
  readonly by: string;
  readonly when: string;
  /** In the pilot's own words; null where there was nothing to report, or where nothing was noted. */
  readonly words: string | null;
  /** False where nobody noted whether there was something: then it is to be asked. */
  readonly noted: boolean;
}

/** More than one flight may be out where a list said so; the one looked for is the last that came back. */
const LOOKED_AT = 5;

/** The report of the flight that came back last; null where none is on record. */
export async function lastReport(
  tx: ClubTransaction,
  aircraftId: string,
  zone: ZoneId,
): Promise<LastReport | null> {
  const flight = (await latestFlights(tx, aircraftId, LOOKED_AT)).find(({ returned }) => returned !== null);
  if (flight?.returned == null) return null;
  const { report, at } = flight.returned;
  return {
    by: flight.personName,
    when: momentText(at, zone),
    words: report.kind === 'words' ? report.words : null,
    noted: report.kind !== 'not-said',
  };
}
