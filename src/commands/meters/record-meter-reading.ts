import { decimalHours, type Hours } from '@/core/quantities/hours';
import type { Instant } from '@/core/time/instant';
import { instantText } from '@/core/time/instant';
import { insertReadings } from '@/db/aircraft/folder-rows';
import { changeAircraft } from '../kernel/change-aircraft';
import { denial } from '../kernel/permissions';
import { refused, type Actor, type Outcome, type Ports } from '../kernel/command';

/** A reading of the time-in-service meter. */
export interface NewReading {
  readonly readingId: string;
  readonly aircraftId: string;
  readonly value: Hours;
  readonly readAt: Instant;
}

/**
 * Records a meter reading; any member with a role may. One that runs backwards is recorded too: what somebody saw is never lost, and the rules close the
 * aircraft until it is cleared up.
 */
export async function recordMeterReading(
  ports: Ports,
  actor: Actor,
  { readingId, aircraftId, value, readAt }: NewReading,
): Promise<Outcome<{ readonly revision: number }>> {
  const denied = denial(actor, 'read-meters');
  if (denied !== null) return refused(denied);
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'record-meter-reading',
    null,
    async ({ tx, recordedAt }) => {
      const entered = decimalHours(value, 2, 'down');
      await insertReadings(tx, actor.clubId, aircraftId, actor.personId, [
        { id: readingId, meter: 'time-in-service', value, happenedAt: readAt, recordedAt, entered },
      ]);
      return {
        value: {},
        ledger: { id: readingId, meter: 'time-in-service', entered, unit: 'h', readAt: instantText(readAt) },
      };
    },
  );
}
