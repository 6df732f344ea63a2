import { leavingNow } from '@/core/counter/leaving';
import type { CheckOut } from '@/contracts/flights/counter';
import { decide } from '@/core/decision/decide';
import { presentFor } from '@/core/records/facts';
import { instantText } from '@/core/time/instant';
import { currentDials } from '@/db/meters/dials';
import { findFlight, openFlights } from '@/db/flights/flights';
import { insertFlight } from '@/db/flights/insert-flights';
import { insertOthers } from '@/db/aircraft/other-records';
import { findPlanned } from '@/db/flights/planned-flights';
import { tellFlight } from '@/explain/flight';
import { momentText } from '@/explain/formats';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { writeRead } from '../meters/counter-readings';
import { readPanel } from '../meters/read-panel';

/**
 * Hands an aircraft out for a planned flight. The meters are compared with the record; what is more than the record says becomes an
 * unlogged time and counts at once; and then the flight is decided exactly as it leaves now, with those readings. Anything but a
 * plain yes is refused with its reason.
 */
export async function checkOut(
  ports: Ports,
  actor: Actor,
  entry: CheckOut,
): Promise<Outcome<{ readonly flightId: string; readonly revision: number }>> {
  const denied = denial(actor, 'check-out');
  if (denied !== null) return refused(denied);
  const outcome = await changeAircraft<{ readonly flightId: string; readonly stays: string | null }>(
    ports,
    actor,
    entry.aircraftId,
    'check-out',
    entry.seenRevision,
    async (changing) => {
      const { tx, club, stored, registration, recordedAt } = changing;
      const planned = await findPlanned(tx, entry.flightId);
      if (planned?.aircraftId !== entry.aircraftId)
        throw new Refused({
          code: 'not-found',
          message:
            'This flight is not planned for this aircraft. It may have been moved or cancelled; open the Counter again.',
        });
      const [out] = await openFlights(tx, entry.aircraftId);
      if (out !== undefined)
        throw new Refused({
          code: 'invalid',
          message: `${registration} is out with ${out.personName} since ${momentText(out.leftAt, club.place.zone)}. Check that flight in first.`,
          problems: [],
        });
      const dials = await currentDials(tx, entry.aircraftId);
      // A glider may carry none: its hours come from launch and landing.
      if (dials.length === 0 && stored.facts.aircraft.category !== 'glider')
        throw new Refused({
          code: 'invalid',
          message: `Nobody has said yet which meters ${registration} has. Enter them in its folder first.`,
          problems: [{ path: 'readings', message: 'no meter is on record' }],
        });
      const {
        dials: shown,
        written,
        wrapped,
        gaps,
        stretches,
        facts,
      } = await readPanel(ports, changing, entry.aircraftId, dials, entry, {
        flightId: entry.flightId,
        seenBy: planned.personName,
      });
      const present = presentFor(facts, recordedAt);
      const decision = decide(facts, club.packs, leavingNow(planned.flight, present), present);
      const goes = decision.flight?.answer === 'yes';
      const why = decision.flight === null ? '' : tellFlight(decision.flight, decision, club.place.zone);
      const refusal = `${registration} cannot leave for this flight. ${why}`;
      if (!goes && gaps.length === 0)
        throw new Refused({
          code: 'invalid',
          message: refusal,
          problems: [{ path: 'flightId', message: why }],
        });
      // Hours that nobody wrote down were seen anyway: they go on record also where this flight stays.
      if (goes) {
        await insertFlight(tx, actor.clubId, actor.personId, {
          id: entry.flightId,
          aircraftId: entry.aircraftId,
          personName: planned.personName,
          purpose: planned.flight.purpose,
          crew: planned.flight.crew,
          readings: shown,
          fuelAboard: entry.fuelAboard,
          oilAboard: entry.oilAboard,
          remarks: entry.remarks,
          leftAt: recordedAt,
          recordedAt,
        });
      }
      await writeRead(ports, tx, actor.clubId, entry.aircraftId, actor.personId, {
        readings: goes ? written : written.map((reading) => ({ ...reading, flightId: null })),
        wrapped,
      });
      await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, stretches);
      const readings = shown.map(({ name, shown: text }) => ({ name, shown: text }));
      const unlogged = gaps.map((gap) => ({ dial: gap.dial, length: gap.length }));
      return goes
        ? {
            value: { flightId: entry.flightId, stays: null },
            moved: { out: [entry.flightId], back: [] },
            ledger: {
              id: entry.flightId,
              person: planned.personName,
              left: instantText(recordedAt),
              readings,
              unlogged,
              fuelAboard: entry.fuelAboard,
              oilAboard: entry.oilAboard,
              remarks: entry.remarks,
            },
          }
        : {
            value: { flightId: entry.flightId, stays: refusal },
            ledger: { id: entry.flightId, person: planned.personName, stays: why, readings, unlogged },
          };
    },
    {
      request: entry,
      found: async (tx) =>
        (await findFlight(tx, entry.flightId))?.recordedBy === actor.personId
          ? { flightId: entry.flightId, stays: null }
          : null,
    },
  );
  if (!outcome.ok || outcome.value.stays === null) return outcome;
  return refused({
    code: 'invalid',
    message: `${outcome.value.stays} The readings are on record, with the unlogged time.`,
    problems: [{ path: 'flightId', message: outcome.value.stays }],
  });
}
