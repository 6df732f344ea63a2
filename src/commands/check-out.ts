import { leavingNow } from '@/core/counter/leaving';
import { asksAtCheckOut, lastShown, unanswered } from '@/core/counter/desk';
import type { CheckOut } from '@/contracts/counter';
import { decide } from '@/core/decision/decide';
import { knownAt, presentFor, type AircraftFacts } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import { instantText } from '@/core/time/instant';
import { readingOf } from '@/core/counter/slips';
import { currentDials } from '@/db/dials';
import { findFlight, insertFlight, latestFlights, openFlights } from '@/db/flights';
import { insertOthers, type OtherRecord } from '@/db/other-records';
import { findPlanned } from '@/db/planned-flights';
import { shownText } from '@/explain/counter';
import { tellFlight } from '@/explain/flight';
import { momentText } from '@/explain/formats';
import { changeAircraft } from './change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from './command';
import { askAgain, meterByMeter, read, writeRead } from './counter-readings';

const DESK_ROLES = ['dispatcher', 'instructor'];

/**
 * Hands an aircraft out for a planned flight. The meters are compared with the record; what is more than the record says becomes an
 * unlogged stretch and counts at once; and then the flight is decided exactly as it leaves now, with those readings. Anything but a
 * plain yes is refused with its reason.
 */
export async function checkOut(ports: Ports, actor: Actor, entry: CheckOut): Promise<Outcome<{ readonly flightId: string; readonly revision: number }>> {
  if (!actor.roles.some((role) => DESK_ROLES.includes(role))) return refused({ code: 'not-entitled', message: 'Only a dispatcher or an instructor hands out an aircraft. Ask at the desk.' });
  return changeAircraft(ports, actor, entry.aircraftId, 'check-out', entry.seenRevision, async ({ tx, club, stored, registration, recordedAt }) => {
    const planned = await findPlanned(tx, entry.flightId);
    if (planned?.aircraftId !== entry.aircraftId) throw new Refused({ code: 'not-found', message: 'This flight is not planned for this aircraft. It may have been moved or cancelled; open the Counter again.' });
    const [out] = await openFlights(tx, entry.aircraftId);
    if (out !== undefined) throw new Refused({ code: 'invalid', message: `${registration} is out with ${out.personName} since ${momentText(out.leftAt, club.place.zone)}. Check that flight in first.`, problems: [] });
    const dials = await currentDials(tx, entry.aircraftId);
    // A glider may carry none: its hours come from launch and landing.
    if (dials.length === 0 && stored.facts.aircraft.category !== 'glider') throw new Refused({ code: 'invalid', message: `Nobody has said yet which meters ${registration} has. Enter them in its folder first.`, problems: [{ path: 'readings', message: 'no meter is on record' }] });
    const known = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs));
    const states = dials.map((dial) => ({ dial, last: lastShown(dial, known.meters) }));
    const asks = asksAtCheckOut(states, entry.readings);
    const open = unanswered(asks, entry.accepted);
    if (open.length > 0) throw askAgain(open, states);
    const seen = read(ports.newId, states, entry.readings, asks, entry.flightId, recordedAt, recordedAt);
    const gaps = asks.filter((ask) => ask.kind === 'gap');
    const others = gaps.length === 0 ? [] : meterByMeter(ports.newId, known.meters, seen, { landings: 0, towLaunches: 0, airborne: null }, { flightId: entry.flightId, happenedAt: recordedAt, recordedAt });
    // The records as they stand with these readings: hours that somebody flew and did not write down decide about this very flight.
    const facts: AircraftFacts = { ...stored.facts, readings: [...stored.facts.readings, ...seen.readings, ...others] };
    const present = presentFor(facts, recordedAt);
    const decision = decide(facts, club.packs, leavingNow(planned.flight, present), present);
    if (decision.flight === null || decision.flight.answer !== 'yes') {
      const why = decision.flight === null ? '' : tellFlight(decision.flight, decision, club.place.zone);
      throw new Refused({ code: 'invalid', message: `${registration} cannot leave for this flight. ${why}`, problems: [{ path: 'flightId', message: why }] });
    }
    const [last] = await latestFlights(tx, entry.aircraftId, 1);
    await insertFlight(tx, actor.clubId, actor.personId, {
      id: entry.flightId, aircraftId: entry.aircraftId, personName: planned.personName, purpose: planned.flight.purpose, crew: planned.flight.crew, readings: seen.dials, fuelAboard: entry.fuelAboard, oilAboard: entry.oilAboard, remarks: entry.remarks, leftAt: recordedAt, recordedAt,
    });
    await writeRead(ports, tx, actor.clubId, entry.aircraftId, actor.personId, { readings: [...seen.readings, ...others], wrapped: seen.wrapped });
    await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, gaps.map((gap): OtherRecord => {
      const dial = dials.find(({ id }) => id === gap.dial);
      const unit = dial?.unit ?? 'h';
      const id = ports.newId();
      return {
        id, kind: 'unlogged', happenedAt: recordedAt, recordedAt,
        body: { id, seenAt: recordedAt, dial: gap.dial, name: dial?.name ?? '', from: shownText(unit, gap.last), to: shownText(unit, readingOf(gap.shown, unit) ?? 0), length: shownText(unit, gap.length), lastFlight: last?.id ?? null, lastBy: last?.personName ?? null, seenBy: planned.personName },
      };
    }));
    return {
      value: { flightId: entry.flightId },
      ledger: { id: entry.flightId, person: planned.personName, left: instantText(recordedAt), readings: seen.dials.map(({ name, shown }) => ({ name, shown })), unlogged: gaps.map((gap) => ({ dial: gap.dial, length: gap.length })), fuelAboard: entry.fuelAboard, oilAboard: entry.oilAboard, remarks: entry.remarks },
    };
  }, async (tx) => ((await findFlight(tx, entry.flightId))?.recordedBy === actor.personId ? { flightId: entry.flightId } : null));
}
