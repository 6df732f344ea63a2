import { flightFrom, type Cancellation, type FlightDraft, type PlanEntry } from '@/contracts/flights/plan';
import type { Instant } from '@/core/time/instant';
import { instantText } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import type { ClubTransaction } from '@/db/kernel/connection';
import { appendToLedger } from '@/db/kernel/ledger';
import { notifyChange } from '@/db/kernel/notify';
import { insertFlights } from '@/db/aircraft/folder-rows';
import { readMembers } from '@/db/club/people';
import { endPlannedOnce, findPlanned, type StoredFlight } from '@/db/flights/planned-flights';
import { changeAircraft } from '../kernel/change-aircraft';
import { denial, requireAct } from '../kernel/permissions';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';

const movedMeanwhile = () =>
  new Refused({
    code: 'not-found',
    message:
      'That flight has left, was moved or cancelled meanwhile. Open the plan again; what you wrote is kept.',
  });

/** Whether a planned flight is somebody's own: they are who flies it, or they planned it. */
const isOwn = (actor: Actor, planned: Pick<StoredFlight, 'personId' | 'plannedBy'>): boolean =>
  planned.personId === actor.personId || planned.plannedBy === actor.personId;

/**
 * Whose flight it is: the member who was chosen, or the one of that name where there is exactly one; null for a guest. Somebody without a desk role plans
 * only their own. @throws Refused for somebody who is no member, or another than is named
 */
async function personOf(
  tx: ClubTransaction,
  actor: Actor,
  { person, personId }: Pick<FlightDraft, 'person' | 'personId'>,
): Promise<string | null> {
  if (personId === actor.personId ? person === actor.name : personId === null && person === actor.name)
    return actor.personId;
  requireAct(actor, 'plan-flight-of-others');
  const named = (await readMembers(tx)).filter((member) => member.name === person && member.roles.length > 0);
  if (personId === null) return named.length === 1 ? (named[0]?.personId ?? null) : null;
  if (!named.some((member) => member.personId === personId))
    throw new Refused({
      code: 'invalid',
      message: `The club has no member ${person} any more. Choose somebody else, or name a guest.`,
      problems: [{ path: 'flight.person', message: 'no member of the club' }],
    });
  return personId;
}

/** Enters a flight, or moves one: the old entry stays readable and the new one takes its place. One that cannot go may be planned, and says so wherever it is shown. */
export async function planOrMove(
  ports: Ports,
  actor: Actor,
  entry: PlanEntry,
): Promise<Outcome<{ readonly flightId: string; readonly revision: number }>> {
  const denied = denial(actor, 'plan-flight');
  if (denied !== null) return refused(denied);
  const { flightId, replaces, flight: draft } = entry;
  // The aircraft that it leaves is locked as well, before anything is looked at: otherwise a flight could leave and be moved in the same moment.
  const others = async (tx: ClubTransaction) => {
    const old = replaces === null ? undefined : await findPlanned(tx, replaces);
    return old === undefined ? [] : [old.aircraftId];
  };
  return changeAircraft(
    ports,
    actor,
    draft.aircraftId,
    replaces === null ? 'plan-flight' : 'move-flight',
    null,
    async ({ tx, club, recordedAt, registration }) => {
      const flight = flightFrom(draft, flightId, club.place.zone);
      if ('path' in flight)
        throw new Refused({ code: 'invalid', message: flight.message, problems: [flight] });
      if (flight.ends <= recordedAt)
        throw new Refused({
          code: 'invalid',
          message: 'This flight lies in the past. Correct its day or times.',
          problems: [{ path: 'starts', message: 'lies in the past' }],
        });
      let was: Instant | null = null;
      let personId: string | null = null;
      if (replaces !== null) {
        const old = await findPlanned(tx, replaces);
        if (old === undefined || old.left) throw movedMeanwhile();
        if (!isOwn(actor, old)) requireAct(actor, 'plan-flight-of-others');
        personId =
          draft.person === old.personName && (draft.personId === null || draft.personId === old.personId)
            ? old.personId
            : await personOf(tx, actor, draft);
        was = old.flight.starts;
        if (
          (await endPlannedOnce(tx, actor.clubId, {
            flightId: replaces,
            aircraftId: old.aircraftId,
            because: 'moved',
            why: null,
            at: recordedAt,
            by: actor.personId,
          })) === 'there-already'
        )
          throw movedMeanwhile();
        if (old.aircraftId !== draft.aircraftId) {
          // The aircraft that it leaves shows it in its history, and in every open row.
          const [left] = await loadAircraft(tx, club.place, old.aircraftId, true);
          await appendToLedger(
            tx,
            {
              clubId: actor.clubId,
              aircraftId: old.aircraftId,
              revision: null,
              act: 'flight-moved-away',
              actor,
              recordedAt,
              record: { id: replaces, to: registration, person: old.personName },
            },
            ports.sha256,
          );
          await notifyChange(tx, {
            club: actor.clubId,
            aircraft: old.aircraftId,
            revision: left?.revision ?? 0,
          });
        }
      } else personId = await personOf(tx, actor, draft);
      await insertFlights(tx, actor.clubId, draft.aircraftId, actor.personId, [
        { ...flight, personName: draft.person, personId, recordedAt, replaces },
      ]);
      return {
        value: { flightId },
        ledger: {
          id: flightId,
          replaces,
          person: draft.person,
          starts: instantText(flight.starts),
          ends: instantText(flight.ends),
          was: was === null ? null : instantText(was),
          purpose: flight.purpose,
        },
      };
    },
    {
      request: entry,
      found: async (tx) => ((await findPlanned(tx, flightId)) === undefined ? null : { flightId }),
    },
    others,
  );
}

/** Cancels a planned flight; it stays readable. */
export async function cancelFlight(
  ports: Ports,
  actor: Actor,
  { flightId, aircraftId, why }: Cancellation,
): Promise<Outcome<{ readonly revision: number }>> {
  const denied = denial(actor, 'plan-flight');
  if (denied !== null) return refused(denied);
  return changeAircraft(ports, actor, aircraftId, 'cancel-flight', null, async ({ tx, recordedAt }) => {
    const planned = await findPlanned(tx, flightId);
    if (planned?.aircraftId !== aircraftId || planned.left) throw movedMeanwhile();
    if (!isOwn(actor, planned)) requireAct(actor, 'plan-flight-of-others');
    if (
      (await endPlannedOnce(tx, actor.clubId, {
        flightId,
        aircraftId,
        because: 'cancelled',
        why,
        at: recordedAt,
        by: actor.personId,
      })) === 'there-already'
    )
      throw movedMeanwhile();
    return {
      value: {},
      ledger: { id: flightId, person: planned.personName, starts: instantText(planned.flight.starts), why },
    };
  });
}
