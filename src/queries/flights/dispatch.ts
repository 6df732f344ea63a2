import { dialState, usualRatios, type DialState } from '@/core/metering/desk';
import { leavingNow } from '@/core/metering/leaving';
import { ranOn } from '@/core/metering/ran-on';
import type { UsualRatio } from '@/core/metering/readings';
import { decidePrepared } from '@/core/decision/decide';
import type { FlightAnswer, Verdict } from '@/core/decision/decision';
import type { WindowPicture } from '@/core/envelope/window-picture';
import { reportText } from '@/core/records/flights/pilot-report';
import { isWithoutEngine } from '@/core/records/aircraft/aircraft';
import type { DocumentKind } from '@/core/records/documents/document';
import { knownAt } from '@/core/records/facts';
import { airborneTime } from '@/core/records/flights/planned-flight';
import { isFerryFlight } from '@/core/records/maintenance/permit';
import { boxAhead, BOX_SLACK } from '@/core/records/meters/box-reading';
import { authorityOf } from '@/core/rules/register';
import type { CivilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { byId } from '@/core/order';
import { civilDateAt, endOfDay, startOfDay } from '@/core/time/zone';
import { documentsOf } from '@/db/aircraft/aircraft-documents';
import { readClub } from '@/db/club/clubs';
import { type FlownFlight } from '@/db/flights/flight-records';
import { findFlight, findFlights, latestFlights, openFlights } from '@/db/flights/flights';
import { findPlanned, findPlanneds, flightsBetween, type StoredFlight } from '@/db/flights/planned-flights';
import { storedInstant } from '@/db/kernel/checked-values';
import type { ClubTransaction } from '@/db/kernel/connection';
import { currentDials } from '@/db/meters/dials';
import { tellAgainstFlight, type ConstraintWords } from '@/explain/constraint';
import { shownText } from '@/explain/meter-asks';
import { tellFlight } from '@/explain/flight';
import { clockText, momentText } from '@/explain/formats';
import { sentenceCase } from '@/explain/wording';
import { DOCUMENT_NAMES, NOT_CHECKED_NAMES, PURPOSE_NAMES } from '@/explain/names';
import { windowText } from '@/explain/window-text';
import { keptFacts } from '../kernel/kept-facts';
import { keptFleetRows, keptRows } from '../kernel/kept-rows';
import { preparedFor, rulesOf } from '../kernel/prepared';
import { canTakeIt, judgeFleet, type Candidate } from './candidates';
import { rampProgress, type RampProgress } from '../walkround/progress';
import { releaseAtDispatch, type ReleaseAtDispatch } from '../releases/flight-release';
import { lastReport, type LastReport } from './last-report';

/** What is usual between two dials is seen on so many of the last flights. */
const FLIGHTS_COMPARED = 60;

const openOf = keptFleetRows(openFlights);
const dialsOf = keptRows(currentDials);
const papersOf = keptRows(documentsOf);
const comparedOf = keptRows((tx, aircraftId) => latestFlights(tx, aircraftId, FLIGHTS_COMPARED));

/** A line of the dispatch page's list: a flight that is out, or one of today's plan. */
export interface DispatchLine {
  readonly flightId: string;
  readonly aircraftId: string;
  readonly registration: string;
  readonly person: string;
  readonly purpose: string;
  readonly when: string;
  readonly state: 'out' | 'overdue' | 'planned' | 'back';
  readonly answer: FlightAnswer['answer'] | null;
  readonly words: string;
}

/** The dispatch page's list. */
export interface DispatchList {
  readonly now: Instant;
  readonly zone: string;
  readonly field: string;
  readonly out: readonly DispatchLine[];
  readonly planned: readonly DispatchLine[];
  readonly back: readonly DispatchLine[];
}

const purposeText = (purpose: string | null): string =>
  purpose !== null && purpose in PURPOSE_NAMES
    ? PURPOSE_NAMES[purpose as keyof typeof PURPOSE_NAMES]
    : 'purpose not said';

/** Today's flights and whatever is still out, whenever it left. */
export async function dispatchList(tx: ClubTransaction, clubId: string, now: Instant): Promise<DispatchList> {
  const club = await readClub(tx, clubId);
  const { zone } = club.place;
  const today = civilDateAt(now, zone);
  const stored = await keptFacts(tx, club, null);
  const registrations = new Map(
    stored.map(({ aircraftId, facts }) => [aircraftId, facts.aircraft.registration]),
  );
  const flights = await flightsBetween(tx, startOfDay(today, zone), endOfDay(today, zone), null);
  const open = [...(await openOf(tx, stored)).values()]
    .flat()
    .sort((a, b) => a.leftAt - b.leftAt || byId(a, b));
  const plannedOf = new Map(
    (
      await findPlanneds(
        tx,
        open.map(({ id }) => id),
      )
    ).map((one) => [one.flight.id, one]),
  );
  const flown = new Map(
    (
      await findFlights(
        tx,
        flights.filter(({ left }) => left).map(({ flight }) => flight.id),
      )
    ).map((one) => [one.id, one]),
  );
  const rules = rulesOf(club);
  const line = (flightId: string, aircraftId: string, person: string, purpose: string | null) => ({
    flightId,
    aircraftId,
    registration: registrations.get(aircraftId) ?? '',
    person,
    purpose: purposeText(purpose),
  });
  const out: DispatchLine[] = [];
  for (const flight of open) {
    const planned = plannedOf.get(flight.id);
    const overdue = planned !== undefined && planned.flight.ends < now;
    out.push({
      ...line(flight.id, flight.aircraftId, flight.personName, flight.purpose),
      when: `since ${sameDay(flight.leftAt, now, zone) ? clockText(flight.leftAt, zone) : momentText(flight.leftAt, zone)}`,
      state: overdue ? 'overdue' : 'out',
      answer: null,
      words:
        planned === undefined
          ? 'When it should be back is not on record.'
          : `${overdue ? 'Should have been back' : 'Back'} by ${sameDay(planned.flight.ends, now, zone) ? clockText(planned.flight.ends, zone) : momentText(planned.flight.ends, zone)}.`,
    });
  }
  const byAircraft = new Map(stored.map((aircraft) => [aircraft.aircraftId, aircraft]));
  const planned = flights
    .filter(({ left }) => !left)
    .flatMap(({ aircraftId, personName, flight }): readonly DispatchLine[] => {
      const aircraft = byAircraft.get(aircraftId);
      if (aircraft === undefined) return [];
      const { prepared, present } = preparedFor(aircraft, club, rules, now);
      const asked = flight.starts < present ? leavingNow(flight, present) : flight;
      const decision = decidePrepared(prepared, asked, present);
      return [
        {
          ...line(flight.id, aircraftId, personName, flight.purpose),
          when: `${clockText(flight.starts, zone)}–${clockText(flight.ends, zone)}`,
          state: 'planned',
          answer: decision.flight?.answer ?? null,
          words: decision.flight === null ? '' : tellFlight(decision.flight, decision, zone),
        },
      ];
    });
  const back: DispatchLine[] = [];
  for (const { flight } of flights) {
    const own = flown.get(flight.id);
    if (own === undefined || own.returned === null) continue;
    back.push({
      ...line(own.id, own.aircraftId, own.personName, own.purpose),
      when: `${clockText(own.leftAt, zone)}–${clockText(own.returned.at, zone)}`,
      state: 'back',
      answer: null,
      words: reportText(own.returned.report),
    });
  }
  return { now, zone, field: club.place.name, out, planned, back };
}

function sameDay(a: Instant, b: Instant, zone: Parameters<typeof civilDateAt>[1]): boolean {
  return civilDateAt(a, zone) === civilDateAt(b, zone);
}

/** A dial as the dispatch page asks for it. */
export interface DispatchDial extends DialState {
  /** What it must show, or why nobody can say. */
  readonly lastText: string;
}

/** A dial with what it must show, in words. */
export const dispatchDial = (state: DialState): DispatchDial => ({
  ...state,
  lastText:
    state.last === null
      ? state.disputed === null
        ? 'never read'
        : 'two readings contradict each other'
      : shownText(state.dial.unit, state.last),
});

/** One flight at the dispatch page: leaving, out, or back. */
export interface DispatchFlight {
  readonly flightId: string;
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly revision: number;
  readonly now: Instant;
  readonly zone: string;
  readonly person: string;
  readonly purpose: string;
  readonly plannedWhen: string;
  /** The day on which it stands in the plan; null where it was not planned. */
  readonly plannedOn: CivilDate | null;
  readonly airborne: string;
  readonly category: string | null;
  readonly verdict: Verdict;
  readonly window: WindowPicture;
  readonly windowText: string;
  readonly answer: FlightAnswer['answer'] | null;
  readonly words: string;
  readonly against: readonly ConstraintWords[];
  /** Aircraft that could take it as it is planned, or now where that is past, where this one cannot. */
  readonly others: readonly Candidate[];
  readonly dials: readonly DispatchDial[];
  readonly usual: readonly UsualRatio[];
  readonly asksAirborne: boolean;
  readonly tows: boolean;
  /** Its tanks by name; none where it has no engine, or where nobody put them on record. */
  readonly tanks: readonly string[];
  readonly engine: boolean;
  readonly papers: readonly {
    readonly name: string;
    readonly keptWhere: string;
    /** When it was looked at last, and by whom. */
    readonly checked: string;
  }[];
  readonly elsewhere: string | null;
  /** What the last pilot said; null where no flight came back yet. */
  readonly lastReport: LastReport | null;
  /** What a box counted beside the meters before this flight, where that is more than they may differ. */
  readonly box: string | null;
  readonly out: {
    readonly leftAt: Instant;
    readonly left: string;
    readonly readings: readonly { readonly name: string; readonly shown: string }[];
    readonly fuelAboard: string | null;
    readonly oilAboard: string | null;
  } | null;
  readonly back: {
    readonly at: string;
    readonly readings: readonly { readonly name: string; readonly shown: string }[];
    readonly landings: number | null;
    readonly billed: string | null;
    readonly fuelAdded: string | null;
    readonly oilAdded: string | null;
    readonly report: string;
  } | null;
  readonly notChecked: readonly string[];
  /** The walk-round since the last flight, and what was announced on the ramp. */
  readonly ramp: RampProgress;
  readonly release: ReleaseAtDispatch;
}

const shownOf = (readings: FlownFlight['readings']) => readings.map(({ name, shown }) => ({ name, shown }));

/** Everything that the dispatch page needs for one flight; null when the club has no such flight. */
export async function dispatchFlight(
  tx: ClubTransaction,
  clubId: string,
  flightId: string,
  now: Instant,
): Promise<DispatchFlight | null> {
  const planned: StoredFlight | undefined = await findPlanned(tx, flightId);
  const flown = await findFlight(tx, flightId);
  const aircraftId = planned?.aircraftId ?? flown?.aircraftId;
  if (aircraftId === undefined) return null;
  const club = await readClub(tx, clubId);
  const { zone } = club.place;
  const [stored] = await keptFacts(tx, club, aircraftId);
  if (stored === undefined) return null;
  const { prepared, present } = preparedFor(stored, club, rulesOf(club), now);
  const asked = planned === undefined || flown !== undefined ? null : leavingNow(planned.flight, present);
  // What another aircraft could do is asked for the time that was planned, as long as that is ahead.
  const later = planned !== undefined && planned.flight.starts >= present ? planned.flight : null;
  const decision = decidePrepared(prepared, asked, present);
  const known = knownAt(stored.facts, present, authorityOf(club.packs));
  const dials = await dialsOf(tx, stored);
  const [other] = (await openFlights(tx, aircraftId)).filter(({ id }) => id !== flightId);
  const closing =
    decision.flight === null
      ? []
      : [
          ...decision.constraints.filter(({ id }) => decision.flight?.closedBy.includes(id)),
          ...decision.flight.own,
        ];
  const papers = await papersOf(tx, stored);
  const returned = flown?.returned ?? null;
  const ahead = boxAhead(known.meters, known.accounted);
  return {
    flightId,
    aircraftId,
    registration: decision.registration,
    typeName: stored.typeName,
    revision: stored.revision,
    now,
    zone,
    person: planned?.personName ?? flown?.personName ?? '',
    purpose: purposeText(planned?.flight.purpose ?? flown?.purpose ?? null),
    category: stored.facts.aircraft.category,
    plannedWhen:
      planned === undefined
        ? 'not planned'
        : `${momentText(planned.flight.starts, zone)} to ${clockText(planned.flight.ends, zone)}`,
    plannedOn: planned === undefined ? null : civilDateAt(planned.flight.starts, zone),
    airborne: planned === undefined ? '' : shownText('h', airborneTime(planned.flight)),
    verdict: decision.verdict,
    window: decision.window,
    windowText: windowText(decision.window),
    answer: decision.flight?.answer ?? null,
    words: decision.flight === null ? '' : tellFlight(decision.flight, decision, zone),
    against: tellAgainstFlight(closing, asked !== null && isFerryFlight(asked)),
    others:
      asked === null || decision.flight === null || decision.flight.answer === 'yes'
        ? []
        : canTakeIt((await judgeFleet(tx, club, later ?? asked, flightId, now)).fleet, aircraftId),
    dials: dials.map((dial) =>
      dispatchDial(
        dialState(dial, known.accounted, flown?.readings.find((one) => one.dial === dial.id)?.values),
      ),
    ),
    usual: usualRatios(ranOn(await comparedOf(tx, stored))),
    asksAirborne:
      !dials.some(({ counts }) => counts.some(({ meter }) => meter === 'time-in-service'))
      && known.accounted['time-in-service'].state === 'known',
    tows: (planned?.flight.purpose ?? flown?.purpose) === 'glider-towing',
    tanks: (stored.facts.aircraft.particulars.fuel?.tanks ?? []).map(({ id }) => id),
    engine: !isWithoutEngine(stored.facts.aircraft),
    papers: papers
      .filter(({ tank_fitted: fitted }) => fitted !== false)
      .map((row) => ({
        name: sentenceCase(DOCUMENT_NAMES[row.kind as DocumentKind]),
        keptWhere: row.kept_where ?? 'place not recorded',
        checked: `${row.aboard === true ? 'seen' : 'not found'} ${momentText(storedInstant(row.happened_at), zone)}${row.display_name === null ? '' : ` by ${row.display_name}`}`,
      })),
    lastReport: flown === undefined ? await lastReport(tx, aircraftId, zone) : null,
    box:
      flown !== undefined || other !== undefined || ahead === null || ahead <= BOX_SLACK
        ? null
        : `The meter recorder counted ${shownText('h', ahead)} more than the flights and readings on record. Somebody may have flown and not written it down: read the meters with care. The hours count already.`,
    elsewhere:
      other === undefined
        ? null
        : `${decision.registration} is out with ${other.personName} since ${momentText(other.leftAt, zone)}. Check that flight in first.`,
    out:
      flown === undefined
        ? null
        : {
            leftAt: flown.leftAt,
            left: momentText(flown.leftAt, zone),
            readings: shownOf(flown.readings),
            fuelAboard: flown.fuelAboard,
            oilAboard: flown.oilAboard,
          },
    back:
      returned === null
        ? null
        : {
            at: momentText(returned.at, zone),
            readings: shownOf(returned.readings),
            landings: returned.landings,
            billed:
              returned.billed === null
                ? null
                : `${shownText('h', returned.billed)} by ${returned.billedFrom ?? ''}`,
            fuelAdded: returned.fuelAdded,
            oilAdded: returned.oilAdded,
            report: reportText(returned.report),
          },
    ramp: await rampProgress(tx, aircraftId, stored.facts, zone),
    release: await releaseAtDispatch(tx, club, stored, { prepared, present }, flightId, planned),
    // Fuel and oil are judged as they are entered, further down.
    notChecked: decision.notChecked.map((what) =>
      what === 'fuel-and-oil-aboard' && flown === undefined
        ? `${NOT_CHECKED_NAMES[what]}, until they are entered below`
        : NOT_CHECKED_NAMES[what],
    ),
  };
}
