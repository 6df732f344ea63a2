import type { PlannedFlight } from '@/core/records/planned-flight';
import { instantText } from '@/core/time/instant';
import { lockAircraft, raiseRevision } from '@/db/aircraft-facts';
import { inClub } from '@/db/club-transaction';
import { insertFlights } from '@/db/folder-rows';
import { appendToLedger } from '@/db/ledger';
import { notifyChange } from '@/db/notify';
import { Refused, refused, settle, type Actor, type Outcome, type Ports } from './command';

const PLANNING_ROLES = ['dispatcher', 'instructor', 'renter', 'student'];

/** Plans a flight. It is decided whenever it is looked at, so planning one that cannot go is allowed and shown. */
export async function planFlight(ports: Ports, actor: Actor, aircraftId: string, personName: string, flight: PlannedFlight): Promise<Outcome<{ readonly revision: number }>> {
  if (!actor.roles.some((role) => PLANNING_ROLES.includes(role))) return refused({ code: 'not-entitled', message: 'Only dispatchers, instructors, renters and students plan flights. Ask the dispatcher.' });
  if (flight.ends <= flight.starts) return refused({ code: 'invalid', message: 'The flight ends before it starts. Correct its times.', problems: [{ path: 'ends', message: `expected a time after ${instantText(flight.starts)}` }] });
  const recordedAt = ports.now();
  return settle(() => inClub(ports.db, actor.clubId, async (tx) => {
    if (await lockAircraft(tx, aircraftId) === undefined) throw new Refused({ code: 'not-found', message: 'The club has no such aircraft.' });
    await insertFlights(tx, actor.clubId, aircraftId, actor.personId, [{ ...flight, personName, recordedAt }]);
    const revision = await raiseRevision(tx, aircraftId);
    await appendToLedger(tx, { clubId: actor.clubId, aircraftId, revision, act: 'plan-flight', actor, recordedAt, record: { id: flight.id, person: personName, starts: instantText(flight.starts), ends: instantText(flight.ends), purpose: flight.purpose } }, ports.sha256);
    await notifyChange(tx, { club: actor.clubId, aircraft: aircraftId, revision });
    return { revision };
  }));
}
