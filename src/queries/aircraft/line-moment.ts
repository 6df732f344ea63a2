import { DAYS_AHEAD, DAYS_BACK } from '@/contracts/aircraft/line-bounds';
import { may } from '@/contracts/kernel/permissions';
import { decideAhead } from '@/core/decision/ahead';
import { decidePrepared } from '@/core/decision/decide';
import { answerFlights } from '@/core/decision/planned-flight';
import { prepare } from '@/core/decision/prepare';
import type { FlightOut } from '@/core/records/flights/movement';
import { addDays } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { civilDateAt, endOfDay, startOfDay } from '@/core/time/zone';
import type { AircraftFacts } from '@/core/records/facts';
import { withWalkroundAt, type StoredAircraft } from '@/db/aircraft/facts-from-rows';
import { readClub, type Club } from '@/db/club/clubs';
import {
  findPlanneds,
  flightsBetween,
  flightsKnownAt,
  type StoredFlight,
} from '@/db/flights/planned-flights';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readMethod } from '@/db/walkround/method';
import { readWalkroundRows, walkroundsOf } from '@/db/walkround/walkrounds';
import { keptFacts } from '../kernel/kept-facts';
import { byAircraft } from '../kernel/kept-rows';
import { preparedFor, rulesOf } from '../kernel/prepared';
import {
  decidedRow,
  flightOnLine,
  lightOfDay,
  outText,
  type LineFlight,
  type LineRow,
  type Today,
} from './line';

/** The Line at another moment than now, or some of its rows. */
export interface LineMoment {
  readonly at: Instant;
  /** As it was known then, or as it will be by what is planned. */
  readonly when: 'then' | 'ahead';
  readonly today: Today;
  /** How many aircraft the club has today. */
  readonly total: number;
  /** Aircraft of which nothing was on record yet at that moment. */
  readonly notYet: readonly string[];
  readonly rows: readonly LineRow[];
}

/** Whether the Line can be moved there: from three years back to sixty days ahead. */
export function isWithinLine(at: Instant, now: Instant, { place }: Pick<Club, 'place'>): boolean {
  const today = civilDateAt(now, place.zone);
  return (
    at >= startOfDay(addDays(today, -DAYS_BACK), place.zone)
    && at <= endOfDay(addDays(today, DAYS_AHEAD), place.zone)
  );
}

/** The moment that rows are decided for, with the light of its day. */
interface Asked {
  readonly club: Club;
  readonly at: Instant;
  readonly day: Today;
}

/** Readers who may have no list of who flew see that somebody did. */
const UNNAMED = 'somebody';

/** A flight that had left by a moment, as a row draws it. */
const leftBy = (
  { id, by, happenedAt, returned }: Pick<FlightOut, 'id' | 'by' | 'happenedAt' | 'returned'>,
  at: Instant,
): LineFlight => {
  const ends = returned === null || returned.at > at ? at : returned.at;
  return {
    id,
    name: by ?? UNNAMED,
    starts: happenedAt,
    ends,
    purpose: null,
    airborneSeconds: Math.max(0, Math.floor((ends - happenedAt) / 1000)),
    answer: 'past',
    words: '',
    wall: null,
  };
};

/** One aircraft as it was known at a moment that is over; null where nothing of it was on record by then. */
function rowThen(
  stored: StoredAircraft,
  facts: AircraftFacts,
  flights: readonly StoredFlight[],
  { club, at, day, named }: Asked & { readonly named: boolean },
): LineRow | null {
  if (stored.addedAt > at) return null;
  const { zone } = club.place;
  // Before anything is said: sentences about later flights name who is out.
  const flightsOut = facts.flightsOut.map((one) => (named ? one : { ...one, by: null }));
  const prepared = prepare({ ...facts, flightsOut }, club.packs, at);
  const decision = decidePrepared(prepared, null, at);
  const waiting = flights.filter(({ left }) => !left);
  const answers = new Map(
    answerFlights(
      prepared,
      decision,
      waiting.filter(({ flight }) => flight.starts >= at).map(({ flight }) => flight),
    ).map((answer) => [answer.flight, answer]),
  );
  const known = prepared.facts.flightsOut;
  return decidedRow(stored, prepared, decision, {
    out: outText(known, zone, at),
    measured: null,
    flights: [
      ...known
        .filter((one) => one.happenedAt < day.to && (one.returned?.at ?? at) > day.from)
        .map((one) => leftBy(one, at)),
      ...waiting.map((planned) =>
        flightOnLine(
          named ? planned : { ...planned, personName: UNNAMED },
          answers.get(planned.flight.id),
          decision,
          zone,
        ),
      ),
    ],
  });
}

/** One aircraft as it will be: what is on record now, dates moved on, its planned flights flown in order. */
function rowAhead(
  stored: StoredAircraft,
  flights: readonly StoredFlight[],
  out: readonly StoredFlight[],
  { club, rules, now, at, day }: Asked & { readonly rules: string; readonly now: Instant },
): LineRow {
  const { zone } = club.place;
  const { prepared, present } = preparedFor(stored, club, rules, now);
  const moment = at > present ? at : present;
  const planned = flights
    .filter(({ left, flight }) => !left && flight.starts >= now)
    .map(({ flight }) => flight);
  // What is out comes back by then with the hours that were planned: no meter has counted them yet. One that is late may still leave.
  const late = flights.filter(({ left, flight }) => !left && flight.starts < now);
  const flown = [...planned, ...[...out, ...late].map(({ flight }) => flight)];
  const decision = decideAhead(prepared, flown, moment);
  const asked = decidePrepared(prepared, null, present);
  const answers = new Map(answerFlights(prepared, asked, planned).map((answer) => [answer.flight, answer]));
  return decidedRow(stored, prepared, decision, {
    out: outText(stored.facts.flightsOut, zone, now),
    measured: null,
    flights: flights
      .filter(({ flight }) => flight.starts < day.to && flight.ends > day.from)
      .map((one) => flightOnLine(one, answers.get(one.flight.id), asked, zone)),
  });
}

/**
 * Rows of the Line at a moment: one that is over as it was known then, by the club's rules of today; one to come by what is on record
 * now with every planned flight flown. Nothing is sampled: each row is decided for exactly that moment.
 * @param reader those who may have no list of flights see no names of those who flew before
 * @param asked the first row in the order of registrations, and how many
 */
export async function lineAt(
  tx: ClubTransaction,
  reader: { readonly clubId: string; readonly roles: readonly string[] },
  asked: { readonly at: Instant; readonly from: number; readonly most: number },
  now: Instant,
): Promise<LineMoment | null> {
  const club = await readClub(tx, reader.clubId);
  const { at, from, most } = asked;
  if (!isWithinLine(at, now, club)) return null;
  const day = lightOfDay(at, club.place);
  const fleet = await keptFacts(tx, club, null, at >= now ? 'present' : 'history');
  const stored = fleet.slice(from, from + most);
  const shown = stored.map(({ aircraftId }) => aircraftId);
  const base = { at, today: day, total: fleet.length };
  if (at >= now) {
    const rules = rulesOf(club);
    const flights = byAircraft(await flightsBetween(tx, now, day.to, shown));
    const open = stored.flatMap(({ facts }) =>
      facts.flightsOut.flatMap(({ id, returned }) => (returned === null ? [id] : [])),
    );
    const out = byAircraft(await findPlanneds(tx, open));
    return {
      ...base,
      when: 'ahead',
      notYet: [],
      rows: stored.map((one) =>
        rowAhead(one, flights.get(one.aircraftId) ?? [], out.get(one.aircraftId) ?? [], {
          club,
          rules,
          now,
          at,
          day,
        }),
      ),
    };
  }
  const flights = byAircraft(await flightsKnownAt(tx, day.from, day.to, at, shown));
  const { required } = await readMethod(tx);
  const named = may(reader.roles, 'export-flights');
  const walkrounds = byAircraft(
    walkroundsOf(await readWalkroundRows(tx, { fleet: shown, knownAt: new Date(at) })),
  );
  const rows = stored.map((one) =>
    rowThen(
      one,
      withWalkroundAt(one, walkrounds.get(one.aircraftId) ?? [], required, at),
      flights.get(one.aircraftId) ?? [],
      { club, at, day, named },
    ),
  );
  return {
    ...base,
    when: 'then',
    notYet: stored.filter((_, index) => rows[index] === null).map(({ facts }) => facts.aircraft.registration),
    rows: rows.filter((row) => row !== null),
  };
}
