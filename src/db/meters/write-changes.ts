import type { NewReading, StruckEntry } from '@/core/metering/changes';
import type { Dial } from '@/core/records/meters/dial';
import type { Instant } from '@/core/time/instant';
import { insertReadings } from '../aircraft/folder-rows';
import { insertOthers } from '../aircraft/other-records';
import type { OtherRecord } from '../aircraft/other-kinds';
import { insertStrikeOnce } from '../aircraft/strikes';
import type { ClubTransaction } from '../kernel/connection';
import { insertDials } from './dials';

/** Everything that is written about an aircraft's meters at one moment. */
export interface MeterChanges {
  readonly readings?: readonly (NewReading & { readonly entered: string })[];
  /** Meters that are put in, exchanged, or go on from zero, each with why. */
  readonly dials?: readonly (Dial & { readonly why: string | null })[];
  /** Unlogged time, whose it is, and what was filled in. */
  readonly others?: readonly OtherRecord[];
  readonly strikes?: readonly StruckEntry[];
}

/**
 * Writes what was planned about an aircraft's meters. The only place that writes readings one flight or one correction at a time.
 * @throws Error where an entry was struck out already: the aircraft is locked, and what was planned knew of it
 */
export async function writeMeterChanges(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  by: { readonly personId: string; readonly name: string },
  recordedAt: Instant,
  { readings = [], dials = [], others = [], strikes = [] }: MeterChanges,
): Promise<void> {
  for (const strike of strikes) {
    const once = await insertStrikeOnce(tx, clubId, aircraftId, by, { ...strike, recordedAt });
    if (once === 'there-already') throw new Error(`${strike.kind} ${strike.record} was struck out already`);
  }
  await insertDials(tx, clubId, aircraftId, by.personId, dials);
  await insertReadings(tx, clubId, aircraftId, by.personId, readings);
  await insertOthers(tx, clubId, aircraftId, by.personId, others);
}
