import type { CheckOut } from '@/contracts/flights/dispatch';
import { factsWithPanel, readPanel } from '@/core/metering/check-out';
import { leavingNow } from '@/core/metering/leaving';
import { decide } from '@/core/decision/decide';
import { againstMeasured } from '@/core/decision/measured-at-desk';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import { instantText } from '@/core/time/instant';
import { findFlight, latestFlights, openFlights } from '@/db/flights/flights';
import { insertFlight } from '@/db/flights/insert-flights';
import { findPlanned } from '@/db/flights/planned-flights';
import { currentDials } from '@/db/meters/dials';
import { tellReasons } from '@/explain/constraint';
import { tellFlight } from '@/explain/flight';
import { momentText } from '@/explain/formats';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { refuseReadings } from '../meters/meter-words';
import { writePanel } from '../meters/write-panel';
import { whyNotReleased } from '../releases/require-release';
import { fuelText, measuredOf, oilText } from './measured';

/**
 * Hands an aircraft out for a planned flight that it is released for. The meters are compared with the record;
 * what is more than the record says becomes an
 * unlogged time and counts at once; and then the flight is decided exactly as it leaves now, with those readings
 * and with the fuel and oil
 * that were measured. Anything but a plain yes is refused with its reason.
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
            'This flight is not planned for this aircraft. It may have been moved or cancelled; open the dispatch page again.',
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
      const known = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs));
      const panel = readPanel(ports.newId, known.accounted, dials, entry, entry.flightId, recordedAt);
      if (!('gaps' in panel)) throw refuseReadings(panel);
      const { dials: shown, gaps } = panel;
      const facts = factsWithPanel(stored.facts, panel, recordedAt);
      const [last] = await latestFlights(tx, entry.aircraftId, 1);
      const present = presentFor(facts, recordedAt);
      const leaves = leavingNow(planned.flight, present);
      const decision = decide(facts, club.packs, leaves, present);
      const { against } = againstMeasured(facts, club.packs, leaves, measuredOf(entry, facts), present);
      const may = decision.flight?.answer === 'yes' && against.length === 0;
      const unreleased = may ? await whyNotReleased(changing, entry.flightId, decision) : null;
      const goes = may && unreleased === null;
      const why = [
        unreleased ?? '',
        decision.flight === null ? '' : tellFlight(decision.flight, decision, club.place.zone),
        ...tellReasons(against).map(({ headline, meaning }) => `${headline} ${meaning}`.trim()),
      ]
        .filter((text) => text !== '')
        .join(' ');
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
          fuelAboard: fuelText(entry.fuelAboard),
          oilAboard: oilText(entry.oilAboard),
          remarks: entry.remarks,
          leftAt: recordedAt,
          recordedAt,
        });
      }
      await writePanel(changing, actor, entry.aircraftId, panel, { last, seenBy: planned.personName }, goes);
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
              fuelAboard: fuelText(entry.fuelAboard),
              oilAboard: oilText(entry.oilAboard),
              remarks: entry.remarks,
            },
          }
        : {
            value: { flightId: entry.flightId, stays: refusal },
            passed: true,
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
