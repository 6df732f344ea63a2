import type { PlannedFlight } from '@/core/records/flights/planned-flight';
import { instantText } from '@/core/time/instant';
import { insertFlights } from '@/db/aircraft/folder-rows';
import { changeAircraft } from '../kernel/change-aircraft';
import { denial } from '../kernel/permissions';
import { refused, type Actor, type Outcome, type Ports } from '../kernel/command';

/** Plans a flight. It is decided whenever it is looked at, so planning one that cannot go is allowed and shown. */
export async function planFlight(
  ports: Ports,
  actor: Actor,
  aircraftId: string,
  personName: string,
  flight: PlannedFlight,
): Promise<Outcome<{ readonly revision: number }>> {
  const denied = denial(actor, 'plan-flight');
  if (denied !== null) return refused(denied);
  if (flight.ends <= flight.starts)
    return refused({
      code: 'invalid',
      message: 'The flight ends before it starts. Correct its times.',
      problems: [{ path: 'ends', message: `expected a time after ${instantText(flight.starts)}` }],
    });
  return changeAircraft(ports, actor, aircraftId, 'plan-flight', null, async ({ tx, recordedAt }) => {
    await insertFlights(tx, actor.clubId, aircraftId, actor.personId, [
      { ...flight, personName, recordedAt },
    ]);
    return {
      value: {},
      ledger: {
        id: flight.id,
        person: personName,
        starts: instantText(flight.starts),
        ends: instantText(flight.ends),
        purpose: flight.purpose,
      },
    };
  });
}
