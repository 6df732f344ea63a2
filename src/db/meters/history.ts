import type { MeterHistory } from '@/core/metering/correct-reading';
import type { UnloggedHistory } from '@/core/metering/unlogged';
import type { AircraftFacts } from '@/core/records/facts';
import type { Authority } from '@/core/records/club/certificate';
import { othersOfKind } from '../aircraft/other-records';
import type { ClubTransaction } from '../kernel/connection';
import { readDials } from './dials';
import { everyReading } from './readings';

/** What was said of an aircraft's unlogged time. @param facts everything on record about it */
export async function unloggedHistory(
  tx: ClubTransaction,
  aircraftId: string,
  { strikes }: Pick<AircraftFacts, 'strikes'>,
): Promise<UnloggedHistory> {
  return {
    stretches: await othersOfKind(tx, aircraftId, 'unlogged'),
    attributions: await othersOfKind(tx, aircraftId, 'attribution'),
    struck: new Set(strikes.map(({ record }) => record)),
  };
}

/** Everything on record about an aircraft's meters. @param facts with every reading, as loadForMeters reads them */
export async function meterHistory(
  tx: ClubTransaction,
  aircraftId: string,
  facts: AircraftFacts,
  authority: Authority,
): Promise<MeterHistory> {
  return {
    ...(await unloggedHistory(tx, aircraftId, facts)),
    facts,
    authority,
    rows: await everyReading(tx, aircraftId),
    dials: await readDials(tx, aircraftId),
    uplifts: await othersOfKind(tx, aircraftId, 'uplift'),
  };
}
