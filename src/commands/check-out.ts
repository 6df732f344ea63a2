import { leavingNow } from '@/core/counter/leaving';
import { asksAtCheckOut, dialState, unanswered } from '@/core/counter/desk';
import type { CheckOut } from '@/contracts/counter';
import { decide } from '@/core/decision/decide';
import { COUNTERS } from '@/core/records/meters';
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
import { askAgain, meterByMeter, metersRead, read, writeRead } from './counter-readings';

const DESK_ROLES = ['dispatcher', 'instructor'];

/**
 * Hands an aircraft out for a planned flight. The meters are compared with the record; what is more than the record says becomes an
 * unlogged stretch and counts at once; and then the flight is decided exactly as it leaves now, with those readings. Anything but a
 * plain yes is refused with its reason.
 */
export async function checkOut(ports: Ports, actor: Actor, entry: CheckOut): Promise<Outcome<{ readonly flightId: string; readonly revision: number }>> {
  if (!actor.roles.some((role) => DESK_ROLES.includes(role))) return refused({ code: 'not-entitled', message: 'Only a dispatcher or an instructor hands out an aircraft. Ask at the desk.' });
  const outcome = await changeAircraft<{ readonly flightId: string; readonly stays: string | null }>(ports, actor, entry.aircraftId, 'check-out', entry.seenRevision, async ({ tx, club, stored, registration, recordedAt }) => {
    const planned = await findPlanned(tx, entry.flightId);
    if (planned?.aircraftId !== entry.aircraftId) throw new Refused({ code: 'not-found', message: 'This flight is not planned for this aircraft. It may have been moved or cancelled; open the Counter again.' });
    const [out] = await openFlights(tx, entry.aircraftId);
    if (out !== undefined) throw new Refused({ code: 'invalid', message: `${registration} is out with ${out.personName} since ${momentText(out.leftAt, club.place.zone)}. Check that flight in first.`, problems: [] });
    const dials = await currentDials(tx, entry.aircraftId);
    // A glider may carry none: its hours come from launch and landing.
    if (dials.length === 0 && stored.facts.aircraft.category !== 'glider') throw new Refused({ code: 'invalid', message: `Nobody has said yet which meters ${registration} has. Enter them in its folder first.`, problems: [{ path: 'readings', message: 'no meter is on record' }] });
    const known = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs));
    const states = dials.map((dial) => dialState(dial, known.accounted));
    const asks = asksAtCheckOut(states, entry.readings);
    const open = unanswered(asks, entry.accepted);
    if (open.length > 0) throw askAgain(open, states);
    const seen = read(ports.newId, states, entry.readings, asks, entry.flightId, recordedAt, recordedAt);
    const shownMeters = metersRead(seen);
    // A meter that passed its highest figure and has run on since shows hours that nobody wrote down as well.
    const gaps = asks.flatMap((ask): readonly { readonly dial: string; readonly shown: string; readonly last: number; readonly length: number }[] => (ask.kind === 'gap' ? [ask] : ask.kind === 'below' && ask.run !== null && ask.run > 0 ? [{ ...ask, length: ask.run }] : []));
    const others = gaps.length === 0 ? [] : meterByMeter(ports.newId, known.accounted, shownMeters, seen.ran, { landings: 0, towLaunches: 0, airborne: null }, { flightId: entry.flightId, happenedAt: recordedAt, recordedAt });
    const [last] = await latestFlights(tx, entry.aircraftId, 1);
    const unseen = COUNTERS.filter((meter) => !shownMeters.has(meter));
    const stretches = gaps.map((gap): Extract<OtherRecord, { readonly kind: 'unlogged' }> => {
      const dial = dials.find(({ id }) => id === gap.dial);
      const unit = dial?.unit ?? 'h';
      const id = ports.newId();
      return {
        id, kind: 'unlogged', happenedAt: recordedAt, recordedAt,
        body: { id, seenAt: recordedAt, dial: gap.dial, name: dial?.name ?? '', from: shownText(unit, gap.last), to: shownText(unit, readingOf(gap.shown, unit) ?? 0), length: shownText(unit, gap.length), seconds: unit === 'h' ? gap.length : null, unseen, lastFlight: last?.id ?? null, lastBy: last?.personName ?? null, seenBy: planned.personName },
      };
    });
    // The records as they stand with these readings: hours that somebody flew and did not write down decide about this very flight.
    const facts: AircraftFacts = {
      ...stored.facts, readings: [...stored.facts.readings, ...seen.readings, ...others],
      unlogged: [...stored.facts.unlogged, ...stretches.map(({ id, body }) => ({ id, happenedAt: recordedAt, recordedAt, seconds: body.seconds ?? null, unseen, said: null }))],
    };
    const present = presentFor(facts, recordedAt);
    const decision = decide(facts, club.packs, leavingNow(planned.flight, present), present);
    const goes = decision.flight?.answer === 'yes';
    const why = decision.flight === null ? '' : tellFlight(decision.flight, decision, club.place.zone);
    const refusal = `${registration} cannot leave for this flight. ${why}`;
    if (!goes && gaps.length === 0) throw new Refused({ code: 'invalid', message: refusal, problems: [{ path: 'flightId', message: why }] });
    // Hours that nobody wrote down were seen all the same: they go on record also where this flight stays.
    if (goes) {
      await insertFlight(tx, actor.clubId, actor.personId, {
        id: entry.flightId, aircraftId: entry.aircraftId, personName: planned.personName, purpose: planned.flight.purpose, crew: planned.flight.crew, readings: seen.dials, fuelAboard: entry.fuelAboard, oilAboard: entry.oilAboard, remarks: entry.remarks, leftAt: recordedAt, recordedAt,
      });
    }
    const written = [...seen.readings, ...others].map((reading) => (goes ? reading : { ...reading, flightId: null }));
    await writeRead(ports, tx, actor.clubId, entry.aircraftId, actor.personId, { readings: written, wrapped: seen.wrapped });
    await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, stretches);
    const readings = seen.dials.map(({ name, shown }) => ({ name, shown }));
    const unlogged = gaps.map((gap) => ({ dial: gap.dial, length: gap.length }));
    return goes
      ? { value: { flightId: entry.flightId, stays: null }, moved: { out: [entry.flightId], back: [] }, ledger: { id: entry.flightId, person: planned.personName, left: instantText(recordedAt), readings, unlogged, fuelAboard: entry.fuelAboard, oilAboard: entry.oilAboard, remarks: entry.remarks } }
      : { value: { flightId: entry.flightId, stays: refusal }, ledger: { id: entry.flightId, person: planned.personName, stays: why, readings, unlogged } };
  }, { request: entry, found: async (tx) => ((await findFlight(tx, entry.flightId))?.recordedBy === actor.personId ? { flightId: entry.flightId, stays: null } : null) });
  if (!outcome.ok || outcome.value.stays === null) return outcome;
  return refused({ code: 'invalid', message: `${outcome.value.stays} The readings are on record, with the unlogged stretch.`, problems: [{ path: 'flightId', message: outcome.value.stays }] });
}
