import { decimalHours, type Hours } from '@/core/quantities/hours';
import type { Instant } from '@/core/time/instant';
import { instantText } from '@/core/time/instant';
import { lockAircraft, raiseRevision } from '@/db/aircraft-facts';
import { inClub } from '@/db/club-transaction';
import { insertReadings } from '@/db/folder-rows';
import { appendToLedger } from '@/db/ledger';
import { notifyChange } from '@/db/notify';
import { recordMeterStanding } from './meter-standing';
import { Refused, refused, settle, type Actor, type Outcome, type Ports } from './command';

/** A reading of the time-in-service meter. */
export interface NewReading { readonly readingId: string; readonly aircraftId: string; readonly value: Hours; readonly readAt: Instant }

/**
 * Records a meter reading; any member with a role may. One that runs backwards is recorded too: what somebody saw is never lost, and the rules close the
 * aircraft until it is cleared up.
 */
export async function recordMeterReading(ports: Ports, actor: Actor, { readingId, aircraftId, value, readAt }: NewReading): Promise<Outcome<{ readonly revision: number }>> {
  if (actor.roles.length === 0) return refused({ code: 'not-entitled', message: 'Only members of the club record meter readings. Ask the dispatcher.' });
  const recordedAt = ports.now();
  return settle(() => inClub(ports.db, actor.clubId, async (tx) => {
    if (await lockAircraft(tx, aircraftId) === undefined) throw new Refused({ code: 'not-found', message: 'The club has no such aircraft.' });
    const entered = decimalHours(value, 2, 'down');
    await insertReadings(tx, actor.clubId, aircraftId, actor.personId, [{ id: readingId, meter: 'time-in-service', value, happenedAt: readAt, recordedAt, entered }]);
    const revision = await raiseRevision(tx, aircraftId);
    await recordMeterStanding(tx, actor.clubId, aircraftId, revision, recordedAt);
    await appendToLedger(tx, { clubId: actor.clubId, aircraftId, revision, act: 'record-meter-reading', actor, recordedAt, record: { id: readingId, meter: 'time-in-service', entered, unit: 'h', readAt: instantText(readAt) } }, ports.sha256);
    await notifyChange(tx, { club: actor.clubId, aircraft: aircraftId, revision });
    return { revision };
  }));
}
