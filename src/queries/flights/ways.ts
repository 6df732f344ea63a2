import { compareTexts } from '@/core/order';
import { isWithin } from '@/core/envelope/use-set';
import { isWithoutEngine } from '@/core/records/aircraft/aircraft';
import type { Decision } from '@/core/decision/decision';
import { decideAtStart, fitsFor, harmsNone, isTaken, type Fit } from '@/core/decision/fits';
import { plansForFlight } from '@/core/decision/in-the-way';
import type { RemedyPlans } from '@/core/decision/remedy-plans';
import { decimalHours } from '@/core/quantities/hours';
import { airborneTime, type PlannedFlight } from '@/core/records/flights/planned-flight';
import type { Instant } from '@/core/time/instant';
import { civilDateAt, type ZoneId } from '@/core/time/zone';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import { readClub } from '@/db/club/clubs';
import { findPlanned, flightsBetween } from '@/db/flights/planned-flights';
import type { ClubTransaction } from '@/db/kernel/connection';
import { plansDocument } from '@/explain/decision-document';
import { tellFlight } from '@/explain/flight';
import { clockText } from '@/explain/formats';
import { leftText, limitName } from '@/explain/limits';
import { dateText } from '@/explain/wording';
import { keptFacts } from '../kernel/kept-facts';
import { byAircraft } from '../kernel/kept-rows';
import { preparedFor, rulesOf } from '../kernel/prepared';

/** Another aircraft for a flight. */
export interface OtherAircraft {
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly isSameType: boolean;
  /** Why it ranks where it does. */
  readonly why: string;
}

/** Another time for it. */
export interface OtherTime {
  readonly kind: Fit['kind'];
  readonly date: string;
  readonly starts: string;
  readonly ends: string;
  /** Hours in the air that it is then planned for, as they are entered. */
  readonly airborne: string;
  readonly words: string;
}

/** What can be done about a flight that cannot go as it is planned. */
export interface Ways {
  readonly answer: 'yes' | 'yes-after' | 'no';
  readonly words: string;
  /** Sets of acts, the best first: each opens the flight. */
  readonly acts: readonly string[];
  readonly others: readonly OtherAircraft[];
  readonly times: readonly OtherTime[];
}

/** So many sets of acts are named. */
const MOST_PLANS = 3;
/** So many other aircraft are named. */
const MOST_OTHERS = 4;
/** Planned flights are looked at so far behind one that moves: one that it pushes over a limit may lie weeks away. */
const LOOK_BEHIND_MS = 62 * 86_400_000;

const minutesText = (milliseconds: number): string => {
  const minutes = Math.round(Math.abs(milliseconds) / 60_000);
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  return [hours === 0 ? '' : `${hours} h`, rest === 0 ? '' : `${rest} min`]
    .filter((part) => part !== '')
    .join(' ');
};

function timeOf({ kind, flight }: Fit, planned: PlannedFlight, zone: ZoneId): OtherTime {
  const [starts, ends] = [clockText(flight.starts, zone), clockText(flight.ends, zone)];
  const date = civilDateAt(flight.starts, zone);
  const day = date === civilDateAt(planned.starts, zone) ? '' : ` on ${dateText(date)}`;
  const by =
    kind === 'shorter'
      ? `${minutesText(planned.ends - flight.ends)} shorter`
      : `${minutesText(flight.starts - planned.starts)} ${kind}`;
  const airborne = decimalHours(airborneTime(flight), 2, 'up');
  return { kind, date, starts, ends, airborne, words: `${starts} to ${ends}${day}, ${by}` };
}

/** What is left on another aircraft until its next limit, as the reason of its rank. */
function whyOther(decision: Decision, isSameType: boolean, isAsGood: boolean): string {
  const limit = decision.firstLimit.hours ?? decision.firstLimit.time;
  return [
    isSameType ? 'same type' : 'another type',
    isAsGood ? 'available for as much or more' : 'available for less, yet for this flight',
    'free then',
    ...(limit === null ? [] : [`${leftText(limit)} to ${limitName(limit.constraint)}`]),
  ].join(', ');
}

/** Sets of acts in words, the best first; none where something stands in the way that no act clears. */
function actsOf(plans: RemedyPlans | null): readonly string[] {
  const told = plansDocument(plans);
  return told === null || told.withoutRemedy.length > 0
    ? []
    : told.plans.slice(0, MOST_PLANS).map(({ words }) => words);
}

/**
 * What would let a planned flight go: the smallest sets of acts on its aircraft, other aircraft that can take it as it is without harm to
 * their own flights, and other times or a shorter flight. Null where it is not planned any more or has left.
 */
export async function waysFor(
  tx: ClubTransaction,
  clubId: string,
  flightId: string,
  now: Instant,
): Promise<Ways | null> {
  const planned = await findPlanned(tx, flightId);
  if (planned === undefined || planned.left || planned.flight.starts < now) return null;
  const club = await readClub(tx, clubId);
  const { zone } = club.place;
  const rules = rulesOf(club);
  const { flight } = planned;
  const fleet = await keptFacts(tx, club, null);
  const all = await flightsBetween(tx, now, (flight.ends + LOOK_BEHIND_MS) as Instant, null);
  const flights = byAircraft(
    all.filter(({ left, flight: one }) => !left && one.starts >= now && one.id !== flightId),
  );
  const ownOf = ({ aircraftId }: StoredAircraft) =>
    (flights.get(aircraftId) ?? []).map(({ flight: one }) => one);
  const stored = fleet.find(({ aircraftId }) => aircraftId === planned.aircraftId);
  if (stored === undefined) return null;
  const { prepared } = preparedFor(stored, club, rules, now);
  const others = ownOf(stored);
  const decision = decideAtStart(prepared, others, flight);
  const answer = decision.flight?.answer ?? 'no';
  const words = decision.flight === null ? '' : tellFlight(decision.flight, decision, zone);
  if (answer === 'yes') return { answer, words, acts: [], others: [], times: [] };
  const candidates = fleet.flatMap((one): readonly (OtherAircraft & { readonly rank: number })[] => {
    if (one.aircraftId === planned.aircraftId) return [];
    const own = ownOf(one);
    const { prepared: its } = preparedFor(one, club, rules, now);
    // Nobody flies a glider instead of an aeroplane, or the other way round.
    if (isWithoutEngine(its.facts.aircraft) !== isWithoutEngine(prepared.facts.aircraft)) return [];
    if (isTaken(own, flight)) return [];
    const told = decideAtStart(its, own, flight);
    if (told.flight?.answer !== 'yes') return [];
    if (!harmsNone(its, own, [...own, flight], flight.id)) return [];
    const isSameType = one.typeName === stored.typeName;
    const isAsGood = isWithin(decision.open, told.open);
    return [
      {
        aircraftId: one.aircraftId,
        registration: told.registration,
        typeName: one.typeName,
        isSameType,
        why: whyOther(told, isSameType, isAsGood),
        rank: (isSameType ? 0 : 2) + (isAsGood ? 0 : 1),
      },
    ];
  });
  return {
    answer,
    words,
    acts: actsOf(plansForFlight(prepared, decision, flight)),
    others: candidates
      .toSorted((a, b) => a.rank - b.rank || compareTexts(a.registration, b.registration))
      .slice(0, MOST_OTHERS)
      .map(({ rank: _, ...one }) => one),
    times: fitsFor(prepared, others, flight, now).map((fit) => timeOf(fit, flight, zone)),
  };
}
