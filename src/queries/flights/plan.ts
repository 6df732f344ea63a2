import { compareTexts } from '@/core/order';
import { flightFrom, type FlightDraft } from '@/contracts/flights/plan';
import { decidePrepared } from '@/core/decision/decide';
import type { FlightAnswer, Verdict } from '@/core/decision/decision';
import { answerFlights } from '@/core/decision/planned-flight';
import type { Purpose } from '@/core/envelope/dimensions';
import { decimalHours } from '@/core/quantities/hours';
import { decimalVolume } from '@/core/quantities/volume';
import { airborneTime, type PlannedFlight } from '@/core/records/flights/planned-flight';
import { addDays, type CivilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { isFerryFlight } from '@/core/records/maintenance/permit';
import type { Place } from '@/core/time/sun';
import { civilDateAt, endOfDay, startOfDay } from '@/core/time/zone';
import { readClub } from '@/db/club/clubs';
import { readMembers } from '@/db/club/people';
import { flightsBetween, placesPlanned } from '@/db/flights/planned-flights';
import type { ClubTransaction } from '@/db/kernel/connection';
import { tellAgainstFlight, type ConstraintWords } from '@/explain/constraint';
import { tellFlight } from '@/explain/flight';
import { clockText } from '@/explain/formats';
import { keptFacts } from '../kernel/kept-facts';
import { preparedFor, rulesOf } from '../kernel/prepared';
import { judgeFleet, type Candidate } from './candidates';

/** A planned flight of one day, decided. */
export interface PlanLine {
  readonly flightId: string;
  readonly aircraftId: string;
  readonly registration: string;
  readonly person: string;
  /** The member who flies; null for a guest. */
  readonly personId: string | null;
  /** Members whose own flight it is: who flies it, and who planned it. */
  readonly owners: readonly string[];
  readonly starts: string;
  readonly ends: string;
  readonly date: CivilDate;
  readonly airborne: string;
  readonly flight: Pick<
    PlannedFlight,
    | 'purpose'
    | 'crew'
    | 'rules'
    | 'range'
    | 'transponderAirspace'
    | 'adsbAirspace'
    | 'beyondGlideOverWater'
    | 'passengers'
    | 'persons'
    | 'landings'
    | 'towLaunches'
    | 'reliesOnVor'
    | 'reliesOnDatabase'
    | 'places'
    | 'altitudeFeet'
    | 'toAlternate'
    | 'authorisedWithout'
    | 'exceptedAirspace'
    | 'trainingWithin50Miles'
  >;
  /** US gallons; empty where none was planned. */
  readonly fuel: string;
  readonly answer: FlightAnswer['answer'] | 'past' | 'left';
  readonly words: string;
}

/** One day's plan. */
export interface DayPlan {
  readonly now: Instant;
  readonly zone: string;
  readonly field: string;
  readonly today: CivilDate;
  readonly date: CivilDate;
  /** The days before and after it. */
  readonly dayBefore: CivilDate;
  readonly dayAfter: CivilDate;
  readonly aircraft: readonly {
    readonly aircraftId: string;
    readonly registration: string;
    readonly typeName: string;
    readonly verdict: Verdict;
    readonly purposes: readonly Purpose[];
  }[];
  readonly flights: readonly PlanLine[];
  /** Members who may be chosen as who flies, by name; none where the reader plans only for themselves. */
  readonly people: readonly { readonly personId: string; readonly name: string }[];
  /** Places that flights of the club touched before. */
  readonly places: readonly Place[];
}

/** Every flight planned for a day, each decided as it stands now. @param forOthers whether the reader plans for other people too */
export async function dayPlan(
  tx: ClubTransaction,
  clubId: string,
  date: CivilDate | null,
  now: Instant,
  forOthers = false,
): Promise<DayPlan> {
  const club = await readClub(tx, clubId);
  const { zone } = club.place;
  const today = civilDateAt(now, zone);
  const day = date ?? today;
  const stored = await keptFacts(tx, club, null);
  const rules = rulesOf(club);
  const flights = await flightsBetween(tx, startOfDay(day, zone), endOfDay(day, zone), null);
  const lines: PlanLine[] = [];
  const aircraft = stored.map((one) => {
    const { prepared, present } = preparedFor(one, club, rules, now);
    const decision = decidePrepared(prepared, null, present);
    const own = flights.filter(({ aircraftId }) => aircraftId === one.aircraftId);
    const ahead = own.filter(({ left, flight }) => !left && flight.starts >= present);
    const answers = new Map(
      answerFlights(
        prepared,
        decision,
        ahead.map(({ flight }) => flight),
      ).map((answer) => [answer.flight, answer]),
    );
    for (const { flight, left, personName, personId, plannedBy } of own) {
      const answer = answers.get(flight.id);
      lines.push({
        flightId: flight.id,
        aircraftId: one.aircraftId,
        registration: decision.registration,
        person: personName,
        personId,
        owners: [...(personId === null ? [] : [personId]), plannedBy],
        starts: clockText(flight.starts, zone),
        ends: clockText(flight.ends, zone),
        date: civilDateAt(flight.starts, zone),
        airborne: decimalHours(airborneTime(flight), 2, 'up'),
        flight,
        fuel:
          flight.fuelPlanned === null
            ? ''
            : String(Number(decimalVolume(flight.fuelPlanned, 'US gal', 3, 'down'))),
        answer: left ? 'left' : answer === undefined ? 'past' : answer.answer,
        words: answer === undefined ? '' : tellFlight(answer, decision, zone),
      });
    }
    const purposes = [...new Set(one.facts.aircraft.approvedFor?.flatMap(({ purpose }) => purpose) ?? [])];
    return {
      aircraftId: one.aircraftId,
      registration: decision.registration,
      typeName: one.typeName,
      verdict: decision.verdict,
      purposes,
    };
  });
  const people = forOthers ? (await readMembers(tx)).filter(({ roles }) => roles.length > 0) : [];
  return {
    people: people.map(({ personId, name }) => ({ personId, name })),
    places: await placesPlanned(tx),
    now,
    zone,
    field: club.place.name,
    today,
    date: day,
    dayBefore: addDays(day, -1),
    dayAfter: addDays(day, 1),
    aircraft,
    flights: lines.sort(
      (a, b) => compareTexts(a.starts, b.starts) || compareTexts(a.registration, b.registration),
    ),
  };
}

/** What one draft would be answered. */
export interface DraftAnswer {
  readonly answer: FlightAnswer['answer'] | 'unclear';
  readonly words: string;
  readonly against: readonly ConstraintWords[];
  /** Other flights of that aircraft at that time. */
  readonly clashes: readonly string[];
  /** Every aircraft with what it would be answered, those first that can take it and are free then. */
  readonly fleet: readonly Candidate[];
}

/** The answer for a flight that is being entered, and what every other aircraft would be answered. */
export async function draftAnswer(
  tx: ClubTransaction,
  clubId: string,
  draft: FlightDraft,
  replaces: string | null,
  now: Instant,
): Promise<DraftAnswer> {
  const club = await readClub(tx, clubId);
  const flight = flightFrom(draft, 'flight-being-entered', club.place.zone);
  if ('path' in flight)
    return { answer: 'unclear', words: flight.message, against: [], clashes: [], fleet: [] };
  const { decisions, near, fleet } = await judgeFleet(tx, club, flight, replaces, now);
  const decision = decisions.get(draft.aircraftId);
  if (decision?.flight == null)
    return { answer: 'unclear', words: 'Choose an aircraft.', against: [], clashes: [], fleet: [] };
  const asked = decision.flight;
  const clashes = near
    .filter((one) => one.aircraftId === draft.aircraftId)
    .map(
      ({ personName, flight: other }) =>
        `${personName}, ${clockText(other.starts, club.place.zone)}–${clockText(other.ends, club.place.zone)}`,
    );
  const closing = [...decision.constraints.filter(({ id }) => asked.closedBy.includes(id)), ...asked.own];
  return {
    answer: asked.answer,
    words: tellFlight(asked, decision, club.place.zone),
    against: tellAgainstFlight(closing, isFerryFlight(flight)),
    clashes,
    fleet,
  };
}
