import { flightFrom, type Cancellation, type PlanEntry } from '@/contracts/plan';
import type { Instant } from '@/core/time/instant';
import { instantText } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft-facts';
import { appendToLedger } from '@/db/ledger';
import { notifyChange } from '@/db/notify';
import { insertFlights } from '@/db/folder-rows';
import { endPlanned, findPlanned } from '@/db/planned-flights';
import { changeAircraft } from './change-aircraft';
import { PLANNING_ROLES } from './plan-flight';
import { Refused, refused, type Actor, type Outcome, type Ports } from './command';

const NOT_PLANNER = { code: 'not-entitled', message: 'Only dispatchers, instructors, renters and students plan flights. Ask the dispatcher.' } as const;

/** Enters a flight, or moves one: the old entry stays readable and the new one takes its place. One that cannot go may be planned, and says so wherever it is shown. */
export async function planOrMove(ports: Ports, actor: Actor, entry: PlanEntry): Promise<Outcome<{ readonly flightId: string; readonly revision: number }>> {
  if (!actor.roles.some((role) => PLANNING_ROLES.includes(role))) return refused(NOT_PLANNER);
  const { flightId, replaces, flight: draft } = entry;
  return changeAircraft(ports, actor, draft.aircraftId, replaces === null ? 'plan-flight' : 'move-flight', null, async ({ tx, club, recordedAt, registration }) => {
    const flight = flightFrom(draft, flightId, club.place.zone);
    if ('path' in flight) throw new Refused({ code: 'invalid', message: flight.message, problems: [flight] });
    if (flight.ends <= recordedAt) throw new Refused({ code: 'invalid', message: 'This flight lies in the past. Correct its day or times.', problems: [{ path: 'starts', message: 'lies in the past' }] });
    let was: Instant | null = null;
    if (replaces !== null) {
      const old = await findPlanned(tx, replaces);
      if (old === undefined || old.left) throw new Refused({ code: 'not-found', message: 'That flight has left, was moved or cancelled meanwhile. Open the plan again; what you wrote is kept.' });
      was = old.flight.starts;
      if (!await endPlanned(tx, actor.clubId, { flightId: replaces, aircraftId: old.aircraftId, because: 'moved', why: null, at: recordedAt, by: actor.personId })) throw new Refused({ code: 'not-found', message: 'That flight was moved or cancelled meanwhile. Open the plan again; what you wrote is kept.' });
      if (old.aircraftId !== draft.aircraftId) {
        // The aircraft that it leaves shows it in its story, and in every open row.
        const [left] = await loadAircraft(tx, club.place, old.aircraftId, true);
        await appendToLedger(tx, { clubId: actor.clubId, aircraftId: old.aircraftId, revision: null, act: 'flight-moved-away', actor, recordedAt, record: { id: replaces, to: registration, person: old.personName } }, ports.sha256);
        await notifyChange(tx, { club: actor.clubId, aircraft: old.aircraftId, revision: left?.revision ?? 0 });
      }
    }
    await insertFlights(tx, actor.clubId, draft.aircraftId, actor.personId, [{ ...flight, personName: draft.person, recordedAt, replaces }]);
    return { value: { flightId }, ledger: { id: flightId, replaces, person: draft.person, starts: instantText(flight.starts), ends: instantText(flight.ends), was: was === null ? null : instantText(was), purpose: flight.purpose } };
  }, { request: entry, found: async (tx) => ((await findPlanned(tx, flightId)) === undefined ? null : { flightId }) });
}

/** Cancels a planned flight; it stays readable. */
export async function cancelFlight(ports: Ports, actor: Actor, { flightId, aircraftId, why }: Cancellation): Promise<Outcome<{ readonly revision: number }>> {
  if (!actor.roles.some((role) => PLANNING_ROLES.includes(role))) return refused(NOT_PLANNER);
  return changeAircraft(ports, actor, aircraftId, 'cancel-flight', null, async ({ tx, recordedAt }) => {
    const planned = await findPlanned(tx, flightId);
    if (planned?.aircraftId !== aircraftId || planned.left) throw new Refused({ code: 'not-found', message: 'That flight has left, was moved or cancelled meanwhile. Open the plan again.' });
    await endPlanned(tx, actor.clubId, { flightId, aircraftId, because: 'cancelled', why, at: recordedAt, by: actor.personId });
    return { value: {}, ledger: { id: flightId, person: planned.personName, starts: instantText(planned.flight.starts), why } };
  });
}
