import { decide } from '@/core/decision/decide';
import type { Verdict } from '@/core/decision/decision';
import { reportText } from '@/core/records/flights/pilot-report';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import type { CivilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { civilDateAt, endOfDay, startOfDay } from '@/core/time/zone';
import { findByRegistration } from '@/db/aircraft/aircraft-documents';
import { readClub } from '@/db/club/clubs';
import { type DialReading, type FlownFlight } from '@/db/flights/flight-records';
import { flightsLeft } from '@/db/flights/flights';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readDials } from '@/db/meters/dials';
import { tellReasons } from '@/explain/constraint';
import { shownText } from '@/explain/meter-asks';
import { clockText, momentText, readingText } from '@/explain/formats';
import { dateText } from '@/explain/wording';
import { CLASS_MEANINGS, PURPOSE_NAMES } from '@/explain/names';
import { windowText } from '@/explain/window-text';
import { keptFacts } from '../kernel/kept-facts';

/** A flight on the sheet. */
export interface SheetFlight {
  readonly id: string;
  readonly person: string;
  readonly purpose: string;
  readonly left: string;
  readonly back: string;
  readonly meters: readonly {
    readonly name: string;
    readonly out: string;
    readonly in: string;
    readonly ran: string;
    readonly corrected: boolean;
  }[];
  readonly landings: string;
  readonly billed: string;
  readonly fuel: string;
  readonly oil: string;
  readonly remarks: string;
}

/** One aircraft's sheet of a day, and what is open on it, to be printed and taken along. */
export interface Sheet {
  readonly club: string;
  readonly field: string;
  readonly registration: string;
  readonly typeName: string;
  readonly date: CivilDate;
  readonly dateWords: string;
  readonly printed: string;
  readonly verdict: Verdict;
  readonly windowText: string;
  readonly timeInService: string;
  readonly flights: readonly SheetFlight[];
  readonly totals: { readonly ran: readonly string[]; readonly landings: number };
  readonly open: readonly {
    readonly id: string;
    readonly what: string;
    readonly where: string;
    readonly found: string;
    readonly meaning: string;
  }[];
  readonly against: readonly {
    readonly id: string;
    readonly headline: string;
    readonly meaning: string;
    readonly ways: string;
  }[];
}

const SECONDS = 3600;

/** The figures of one dial on a flight, as they count now. */
function meterLine(
  out: DialReading,
  flight: FlownFlight,
  unit: 'h' | 'count',
): SheetFlight['meters'][number] & { readonly seconds: number | null } {
  const back = flight.returned?.readings.find(({ dial }) => dial === out.dial);
  const [start] = out.values;
  const end = back?.values.find(({ meter }) => meter === start?.meter);
  const seconds = start === undefined || end === undefined ? null : end.value - start.value;
  return {
    name: out.name,
    out: out.shown,
    in: back?.shown ?? '',
    ran: seconds === null || seconds < 0 ? '' : shownText(unit, seconds),
    corrected: [out, back].some((reading) => reading?.written != null),
    seconds: unit === 'h' ? seconds : null,
  };
}

/** The sheet of an aircraft for a day; null when the club has none such. */
export async function sheet(
  tx: ClubTransaction,
  clubId: string,
  registration: string,
  day: CivilDate | null,
  now: Instant,
): Promise<Sheet | null> {
  const found = await findByRegistration(tx, registration);
  if (found === undefined) return null;
  const club = await readClub(tx, clubId);
  const { zone } = club.place;
  const [stored] = await keptFacts(tx, club, found.aircraft_id);
  if (stored === undefined) return null;
  const present = presentFor(stored.facts, now);
  const decision = decide(stored.facts, club.packs, null, present);
  const date = day ?? civilDateAt(now, zone);
  const units = new Map(
    (await readDials(tx, found.aircraft_id)).map(({ id, unit, bills }) => [id, { unit, bills }]),
  );
  const flights: SheetFlight[] = [];
  const ran = new Map<string, number>();
  let landings = 0;
  for (const flight of await flightsLeft(
    tx,
    found.aircraft_id,
    startOfDay(date, zone),
    endOfDay(date, zone),
  )) {
    const meters = flight.readings.map((out) => meterLine(out, flight, units.get(out.dial)?.unit ?? 'h'));
    for (const { name, seconds } of meters)
      if (seconds !== null && seconds >= 0) ran.set(name, (ran.get(name) ?? 0) + seconds);
    landings += flight.returned?.landings ?? 0;
    const biller = meters.find((_, at) => units.get(flight.readings[at]?.dial ?? '')?.bills === true);
    const billed = biller?.seconds ?? flight.returned?.billed ?? null;
    flights.push({
      id: flight.id,
      person: flight.personName,
      purpose:
        flight.purpose !== null && flight.purpose in PURPOSE_NAMES
          ? PURPOSE_NAMES[flight.purpose as keyof typeof PURPOSE_NAMES]
          : '',
      left: clockText(flight.leftAt, zone),
      back: flight.returned === null ? 'out' : clockText(flight.returned.at, zone),
      meters: meters.map(({ name, out, in: back, ran: length, corrected }) => ({
        name,
        out,
        in: back,
        ran: length,
        corrected,
      })),
      landings:
        flight.returned?.landings === null || flight.returned === null
          ? ''
          : String(flight.returned.landings),
      billed: billed === null || billed < 0 ? '' : shownText('h', billed),
      fuel: [
        flight.fuelAboard === null ? '' : `${flight.fuelAboard} aboard`,
        flight.returned?.fuelAdded == null ? '' : `${flight.returned.fuelAdded} added`,
      ]
        .filter((text) => text !== '')
        .join(', '),
      oil: [
        flight.oilAboard === null ? '' : `${flight.oilAboard} aboard`,
        flight.returned?.oilAdded == null ? '' : `${flight.returned.oilAdded} added`,
      ]
        .filter((text) => text !== '')
        .join(', '),
      remarks: flight.returned === null ? '' : reportText(flight.returned.report),
    });
  }
  return {
    club: club.name,
    field: club.place.name,
    registration: decision.registration,
    typeName: stored.typeName,
    date,
    dateWords: dateText(date),
    printed: momentText(now, zone),
    verdict: decision.verdict,
    windowText: windowText(decision.window),
    timeInService: decision.timeInService === null ? 'not known' : readingText(decision.timeInService),
    flights,
    totals: {
      ran: [...ran].map(([name, seconds]) => `${name} ${(seconds / SECONDS).toFixed(2)} h`),
      landings,
    },
    open: knownAt(stored.facts, present, authorityOf(club.packs))
      .discrepancies.filter(({ rectification }) => rectification === null)
      .map((one) => ({
        id: one.id,
        what: one.what,
        where: one.where ?? '',
        found: `${momentText(one.happenedAt, zone)}${one.foundBy === null ? '' : `, ${one.foundBy}`}`,
        meaning: CLASS_MEANINGS[one.classification ?? 'ground-until-mechanic'],
      })),
    against: tellReasons(decision.constraints).map(({ id, headline, meaning, remedies }) => ({
      id,
      headline,
      meaning,
      ways: remedies.map(({ act, by }) => `${act} (${by})`).join('; or '),
    })),
  };
}
