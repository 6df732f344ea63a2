import { decidePrepared } from '@/core/decision/decide';
import type { Decision, FlightAnswer, Verdict } from '@/core/decision/decision';
import { answerFlights } from '@/core/decision/planned-flight';
import type { Prepared } from '@/core/decision/prepare';
import type { Purpose } from '@/core/envelope/dimensions';
import type { WindowPicture } from '@/core/envelope/window-picture';
import type { FlightOut } from '@/core/records/flights/movement';
import { airborneTime } from '@/core/records/flights/planned-flight';
import { addDays } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { sunOn, type Place } from '@/core/time/sun';
import { civilDateAt, endOfDay, startOfDay, type ZoneId } from '@/core/time/zone';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import { readClub, type Club } from '@/db/club/clubs';
import { lastMeasured, type LastMeasured } from '@/db/flights/flights';
import { flightsBetween, type StoredFlight } from '@/db/flights/planned-flights';
import type { ClubTransaction } from '@/db/kernel/connection';
import { tellReasons, type ConstraintWords } from '@/explain/constraint';
import { tellFlight } from '@/explain/flight';
import { clockText, momentText } from '@/explain/formats';
import { sentenceCase } from '@/explain/wording';
import { leftText, limitName } from '@/explain/limits';
import { NOT_CHECKED_NAMES } from '@/explain/names';
import { availabilityText, windowText } from '@/explain/window-text';
import { keptFacts } from '../kernel/kept-facts';
import { byAircraft, keptFleetRows } from '../kernel/kept-rows';
import { preparedFor, rulesOf } from '../kernel/prepared';

/** A planned flight of today as a row draws it. */
export interface LineFlight {
  readonly id: string;
  readonly name: string;
  readonly starts: Instant;
  readonly ends: Instant;
  readonly purpose: Purpose | null;
  /** Seconds in the air that it is planned for. */
  readonly airborneSeconds: number;
  /** 'past' has begun already: nothing is decided about it any more. */
  readonly answer: FlightAnswer['answer'] | 'past';
  /** One sentence; empty when the answer is yes. */
  readonly words: string;
  /** When it would cross a limit. */
  readonly wall: Instant | null;
}

/** What limits an aircraft next. */
export interface NextLimit {
  readonly figure: string;
  readonly of: string;
}

/** One aircraft on the Line. */
export interface LineRow {
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly revision: number;
  readonly verdict: Verdict;
  readonly window: WindowPicture;
  readonly windowText: string;
  readonly openFor: string;
  readonly reasons: readonly ConstraintWords[];
  /** Seconds in service to the nearest hour limit; null when there is none, or the hours are not known. */
  readonly secondsLeft: number | null;
  /** 'now' when it is grounded; otherwise the nearest limit in hours and the nearest in days, empty when nothing is ahead. */
  readonly next: readonly NextLimit[];
  readonly flights: readonly LineFlight[];
  /** Who has it and since when, while it is out; null while it is here. */
  readonly out: string | null;
  /** Fuel and oil as they were measured last, with when; null where nobody measured as it left last. */
  readonly measured: string | null;
  /** Headlines of open discrepancies. */
  readonly openItems: readonly string[];
  readonly holdsUntil: Instant | null;
  /** What this answer did not look at, in words. */
  readonly notChecked: readonly string[];
}

/** Today's light at the field, for drawing and for the header. */
export interface Today {
  readonly date: string;
  readonly from: Instant;
  readonly to: Instant;
  readonly dawn: Instant | null;
  readonly sunrise: Instant | null;
  readonly sunset: Instant | null;
  readonly nightfall: Instant | null;
}

/** The light of the day that holds a moment, at the field. */
export function lightOfDay(at: Instant, place: Place): Today {
  const date = civilDateAt(at, place.zone);
  const { dawn, sunrise, sunset, nightfall } = sunOn(date, place);
  return {
    date,
    from: startOfDay(date, place.zone),
    to: startOfDay(addDays(date, 1), place.zone),
    dawn,
    sunrise,
    sunset,
    nightfall,
  };
}

/** Everything the Line shows. */
export interface Line {
  readonly club: string;
  readonly field: string;
  readonly zone: string;
  readonly now: Instant;
  readonly pinned: boolean;
  readonly today: Today;
  readonly rows: readonly LineRow[];
}

function nextLimits(decision: Decision): readonly NextLimit[] {
  if (decision.verdict === 'Grounded') return [{ figure: 'now', of: '' }];
  return [decision.firstLimit.hours, decision.firstLimit.time]
    .filter((limit) => limit !== null)
    .map((limit) => ({ figure: leftText(limit), of: limitName(limit.constraint) }));
}

/** Where on the clock a refused flight meets its first limit: hours are spread evenly over the flight. */
function wallOf({ flight }: StoredFlight, { exceedances }: FlightAnswer): Instant | null {
  const walls = exceedances.map((exceedance) =>
    exceedance.currency === 'time'
      ? flight.ends - exceedance.by
      : exceedance.currency === 'count'
        ? flight.ends
        : flight.ends
          - Math.round((exceedance.by / Math.max(1, airborneTime(flight))) * (flight.ends - flight.starts)),
  );
  return walls.length === 0 ? null : (Math.max(flight.starts, Math.min(...walls)) as Instant);
}

/** Who has an aircraft that is out, and since when. */
export function outText(flights: readonly FlightOut[], zone: ZoneId, now: Instant): string | null {
  const out = flights.find(({ returned }) => returned === null);
  if (out === undefined) return null;
  return `Out with ${out.by ?? 'somebody'} since ${civilDateAt(out.happenedAt, zone) === civilDateAt(now, zone) ? clockText(out.happenedAt, zone) : momentText(out.happenedAt, zone)}`;
}

const together = (fuel: string | null, oil: string | null): string =>
  [fuel === null ? '' : `fuel ${fuel}`, oil === null ? '' : `oil ${oil}`]
    .filter((text) => text !== '')
    .join(', ');

/** What was measured last, in words. What that flight burnt is nobody's guess: it is said that it is not taken off. */
export function measuredText(last: LastMeasured | undefined, zone: ZoneId): string | null {
  if (last === undefined || (last.fuelAboard === null && last.oilAboard === null)) return null;
  const added = together(last.fuelAdded, last.oilAdded);
  return [
    `${sentenceCase(together(last.fuelAboard, last.oilAboard))}, measured ${momentText(last.leftAt, zone)} as ${last.personName} left.`,
    ...(last.isBack ? ['What that flight used is not taken off.'] : []),
    ...(added === '' ? [] : [`Added after it: ${added}.`]),
  ].join(' ');
}

/** A planned flight as a row draws it. @param answer null where nothing is decided about it any more */
export function flightOnLine(
  planned: StoredFlight,
  answer: FlightAnswer | undefined,
  decision: Decision,
  zone: ZoneId,
): LineFlight {
  const { id, starts, ends, purpose } = planned.flight;
  const base = {
    id,
    name: planned.personName,
    starts,
    ends,
    purpose,
    airborneSeconds: airborneTime(planned.flight),
  };
  return answer === undefined
    ? { ...base, answer: 'past', words: '', wall: null }
    : {
        ...base,
        answer: answer.answer,
        words: tellFlight(answer, decision, zone),
        wall: wallOf(planned, answer),
      };
}

/** What a decision says of an aircraft, as a row shows it. */
export function decidedRow(
  { aircraftId, typeName, revision }: Pick<StoredAircraft, 'aircraftId' | 'typeName' | 'revision'>,
  { facts }: Pick<Prepared, 'facts'>,
  decision: Decision,
  shown: Pick<LineRow, 'flights' | 'out' | 'measured'>,
): LineRow {
  return {
    aircraftId,
    registration: decision.registration,
    typeName,
    revision,
    verdict: decision.verdict,
    window: decision.window,
    windowText: windowText(decision.window),
    openFor: availabilityText(decision.open, decision.full),
    reasons: tellReasons(decision.constraints),
    next: nextLimits(decision),
    secondsLeft: decision.firstLimit.hours?.currency === 'hours' ? decision.firstLimit.hours.left : null,
    holdsUntil: decision.holdsUntil,
    notChecked: decision.notChecked.map((what) => NOT_CHECKED_NAMES[what]),
    openItems: facts.discrepancies
      .filter(({ rectification }) => rectification === null)
      .map(({ what }) => what),
    ...shown,
  };
}

/** One aircraft's row, decided now. */
export function lineRow(
  stored: StoredAircraft,
  flights: readonly StoredFlight[],
  club: Club,
  rules: string,
  now: Instant,
  last: LastMeasured | undefined = undefined,
): LineRow {
  const { zone } = club.place;
  const { prepared, present } = preparedFor(stored, club, rules, now);
  const decision = decidePrepared(prepared, null, present);
  const ahead = flights.filter(({ flight, left }) => !left && flight.starts >= now);
  const answers = new Map(
    answerFlights(
      prepared,
      decision,
      ahead.map(({ flight }) => flight),
    ).map((answer) => [answer.flight, answer]),
  );
  return decidedRow(stored, prepared, decision, {
    out: outText(stored.facts.flightsOut, zone, now),
    measured: measuredText(last, zone),
    flights: flights.map((planned) => flightOnLine(planned, answers.get(planned.flight.id), decision, zone)),
  });
}

const measuredOf = keptFleetRows(lastMeasured);

/** Reads what one or all rows need. */
async function readRows(
  tx: ClubTransaction,
  club: Club,
  aircraftId: string | null,
  now: Instant,
): Promise<readonly LineRow[]> {
  const today = civilDateAt(now, club.place.zone);
  const stored = await keptFacts(tx, club, aircraftId);
  const flights = byAircraft(
    await flightsBetween(
      tx,
      startOfDay(today, club.place.zone),
      endOfDay(today, club.place.zone),
      aircraftId,
    ),
  );
  const measured = await measuredOf(tx, stored);
  const rules = rulesOf(club);
  return stored.map((aircraft) =>
    lineRow(
      aircraft,
      flights.get(aircraft.aircraftId) ?? [],
      club,
      rules,
      now,
      measured.get(aircraft.aircraftId)?.[0],
    ),
  );
}

/** The whole Line at `now`. */
export async function line(
  tx: ClubTransaction,
  clubId: string,
  now: Instant,
  pinned: boolean,
): Promise<Line> {
  const club = await readClub(tx, clubId);
  const { place } = club;
  return {
    club: club.name,
    field: place.name,
    zone: place.zone,
    now,
    pinned,
    today: lightOfDay(now, place),
    rows: await readRows(tx, club, null, now),
  };
}

/** One row of the Line, for a live event; null when the aircraft is not there. */
export async function lineRowOf(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  now: Instant,
): Promise<LineRow | null> {
  const [row] = await readRows(tx, await readClub(tx, clubId), aircraftId, now);
  return row ?? null;
}
