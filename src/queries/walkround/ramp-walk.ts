import { airborneTime } from '@/core/records/flights/planned-flight';
import { decidePrepared } from '@/core/decision/decide';
import { lightOf } from '@/core/decision/uses-needed';
import { fuelNeeded, RESERVE_MINUTES, reserveMinutes } from '@/core/fuel/fuel-needed';
import { fuellings, type Announced, type FuelGrade } from '@/core/records/walkround/measurement';
import { lastReturn } from '@/core/records/facts';
import type { RampData } from '@/core/records/walkround/ramp-data';
import { addSeconds, type Instant } from '@/core/time/instant';
import { readPlans } from '@/db/walkround/plan-now';
import { readRampData } from '@/db/walkround/plan-aircraft';
import { mayGoThrough } from '@/db/walkround/entitled';
import {
  ofKind,
  readWalkroundRows,
  since,
  walkroundsOf,
  type StoredWalkround,
} from '@/db/walkround/walkrounds';
import { standingAnswers, type StepAnswer } from '@/core/walkround/walk';
import type { WalkPlan } from '@/core/walkround/plan';
import { listsFor, type PlanKind } from '@/core/walkround/plan-kinds';
import { isGlider, isWithoutEngine } from '@/core/records/aircraft/aircraft';
import { authorityFor } from '@/core/records/club/certificate';
import { authorityOf } from '@/core/rules/register';
import { civilDateAt } from '@/core/time/zone';
import { findByRegistration } from '@/db/aircraft/aircraft-documents';
import { readClub } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { flightsBetween, type StoredFlight } from '@/db/flights/planned-flights';
import { tellReasons } from '@/explain/constraint';
import { clockText, momentText } from '@/explain/formats';
import { announcedWords, NO_CERTIFICATE, PLAN_NAMES } from '@/explain/walkround';
import { PURPOSE_NAMES } from '@/explain/names';
import { lastReport, type LastReport } from '../flights/last-report';
import { keptFacts } from '../kernel/kept-facts';
import { preparedFor, rulesOf } from '../kernel/prepared';

/** A flight that the walk-round can be done for. */
export interface WalkFlight {
  readonly flightId: string;
  readonly who: string;
  readonly when: string;
  readonly purpose: string;
  /** Usable fuel that it needs with its reserve, picolitres; null where the burn is not on record. */
  readonly needs: number | null;
  readonly reserveMinutes: number;
}

/** A walk-round or another list that was begun since the last flight. */
export interface RampCurrent {
  readonly walkroundId: string;
  readonly by: string;
  readonly personId: string;
  readonly signed: boolean;
  /** What it is done by, where it is one's own; null where it is somebody else's. A new one goes by the plan above. */
  readonly plan: WalkPlan | null;
  readonly answers: readonly { readonly key: string; readonly answer: StepAnswer }[];
}

/** A list beside the walk-round: the run-up, the briefing, the rigging, the daily inspection. */
export interface RampList {
  readonly kind: Exclude<PlanKind, 'walk-round'>;
  readonly name: string;
  readonly plan: WalkPlan;
  /** Why this person cannot go through it; null where they can. */
  readonly denied: string | null;
  readonly current: RampCurrent | null;
}

/** Everything that a phone keeps to do the walk-round of one aircraft without signal. */
export interface RampWalk {
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly verdict: string;
  /** What closes uses now, the headline of each reason. */
  readonly reasons: readonly string[];
  readonly asOf: string;
  readonly plan: WalkPlan;
  readonly flight: WalkFlight | null;
  readonly burnPerHour: number | null;
  /** The handbook's least fuel; null where it is not on record. */
  readonly leastFuel: number | null;
  readonly fuelColour: string;
  /**
   * The one grade that it may have, for the mass of what is aboard; null where it may have several, or nobody knows. Absent in what an
   * older page kept.
   */
  readonly fuelGrade?: FuelGrade | null;
  readonly oilMethod: RampData['oilMethod'];
  readonly lastReport: LastReport | null;
  /** What was found before and is open. */
  readonly open: readonly {
    readonly id: string;
    readonly what: string;
    readonly where: string;
    readonly since: string;
  }[];
  readonly announced: readonly (Announced & { readonly words: string })[];
  /** When fuel was last put in; null where nobody knows of any. */
  readonly fuelledAt: Instant | null;
  /** The walk-round since the last flight; null where there is none. */
  readonly current: RampCurrent | null;
  /** What else is gone through with this aircraft, each by its list. */
  readonly lists: readonly RampList[];
}

const HALF_A_DAY = 43_200;

/** The flight that somebody is walking round for: their own next one, or the next of the aircraft. */
function flightFor(
  flights: readonly StoredFlight[],
  personId: string,
  wanted: string | null,
  now: Instant,
): StoredFlight | undefined {
  const ahead = flights.filter(({ left, flight }) => !left && flight.ends > now);
  return (
    ahead.find(({ flight }) => flight.id === wanted)
    ?? ahead.find((one) => one.personId === personId)
    ?? ahead[0]
  );
}

/** The fuel colour by the grades that an aircraft may have. Common practice, no source: light blue for 100-octane low-lead only. */
function colourOf(grades: readonly string[] | null, features: readonly string[] | null): string {
  if (grades?.length === 1 && grades[0] === 'leaded') return 'light blue';
  if (grades?.length === 1 && grades[0] === 'jet') return 'clear or straw';
  if (grades === null && features?.includes('avgas') === true && !features.includes('mogas'))
    return 'light blue';
  return 'the colour of its grade';
}

/** The newest of some, as its own person or another sees it. */
function currentOf([newest]: readonly StoredWalkround[], personId: string): RampCurrent | null {
  return newest === undefined
    ? null
    : {
        walkroundId: newest.walkroundId,
        by: newest.by,
        personId: newest.personId,
        signed: newest.end?.how === 'signed',
        plan: newest.personId === personId ? newest.plan : null,
        answers: [...standingAnswers(newest.events).values()].map(({ key, answer }) => ({ key, answer })),
      };
}

/** What a phone needs for a walk-round; null when the club has no such aircraft. @param wanted a flight that was chosen */
export async function rampWalk(
  tx: ClubTransaction,
  clubId: string,
  registration: string,
  person: { readonly personId: string; readonly name: string },
  wanted: string | null,
  now: Instant,
): Promise<RampWalk | null> {
  const row = await findByRegistration(tx, registration);
  if (row === undefined) return null;
  const club = await readClub(tx, clubId);
  const { zone } = club.place;
  const [stored] = await keptFacts(tx, club, row.aircraft_id);
  if (stored === undefined) return null;
  const { prepared, present } = preparedFor(stored, club, rulesOf(club), now);
  const decision = decidePrepared(prepared, null, present);
  const { facts } = stored;
  const flights = await flightsBetween(tx, now, addSeconds(now, HALF_A_DAY), stored.aircraftId);
  const planned = flightFor(flights, person.personId, wanted, now);
  const { fuel } = facts.aircraft.particulars;
  const data = await readRampData(tx, stored.aircraftId);
  const flightOf = ({ flight, personName }: StoredFlight): WalkFlight => {
    const light = lightOf(flight, facts.place).flatMap((one) => one.light);
    const minutes = reserveMinutes(flight.rules, light, RESERVE_MINUTES);
    const alternate = flight.rules === 'vfr' ? 0 : (flight.toAlternate ?? 0);
    return {
      flightId: flight.id,
      who: personName,
      when: `${momentText(flight.starts, zone)} to ${clockText(flight.ends, zone)}`,
      purpose: flight.purpose === null ? 'purpose not said' : PURPOSE_NAMES[flight.purpose],
      needs:
        fuel?.burnPerHour == null
          ? null
          : fuelNeeded(fuel.burnPerHour, airborneTime(flight), alternate, minutes),
      reserveMinutes: minutes,
    };
  };
  const begun = since(
    walkroundsOf(await readWalkroundRows(tx, { aircraft: stored.aircraftId })),
    lastReturn(facts),
  );
  const authority = authorityFor(authorityOf(club.packs), facts.aircraft);
  const plans = await readPlans(tx, stored, planned?.flight ?? null, now);
  const lists: RampList[] = [];
  for (const kind of listsFor({
    isGlider: isGlider(facts.aircraft),
    hasEngine: !isWithoutEngine(facts.aircraft),
    authority,
  }))
    lists.push({
      kind,
      name: PLAN_NAMES[kind],
      plan: plans(kind),
      denied: (await mayGoThrough(tx, person, kind, authority, civilDateAt(now, zone)))
        ? null
        : NO_CERTIFICATE[kind],
      current: currentOf(ofKind(begun, kind), person.personId),
    });
  return {
    aircraftId: stored.aircraftId,
    registration: row.registration,
    typeName: stored.typeName,
    verdict: decision.verdict,
    reasons: tellReasons(decision.constraints).map(({ headline }) => headline),
    asOf: momentText(present, zone),
    plan: plans('walk-round'),
    flight: planned === undefined ? null : flightOf(planned),
    burnPerHour: fuel?.burnPerHour ?? null,
    leastFuel: fuel?.minimum ?? null,
    fuelColour: colourOf(fuel?.grades ?? null, data?.features ?? stored.features),
    fuelGrade: fuel?.grades?.length === 1 ? (fuel.grades[0] ?? null) : null,
    oilMethod: data?.oilMethod ?? null,
    lastReport: await lastReport(tx, stored.aircraftId, zone),
    open: prepared.facts.discrepancies
      .filter(({ rectification }) => rectification === null)
      .map(({ id, what, where, happenedAt }) => ({
        id,
        what,
        where: where ?? '',
        since: momentText(happenedAt, zone),
      })),
    announced: (facts.ramp?.announced ?? []).map((one) => ({
      ...one,
      words: announcedWords(one.act, one.which, one.amount),
    })),
    fuelledAt: fuellings(facts.ramp?.uplifts ?? []).toSorted((a, b) => b - a)[0] ?? null,
    current: currentOf(ofKind(begun, 'walk-round'), person.personId),
    lists,
  };
}
