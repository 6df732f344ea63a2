// Tern Bay Flying Club: made by code from a seed number, through the same commands that people use.
import { addPhoto } from '../src/commands/findings/add-photo';
import type { Actor, Ports } from '../src/commands/kernel/command';
import { checkOut } from '../src/commands/flights/check-out';
import { releaseFlight } from '../src/commands/releases/release-flight';
import { fitBox } from '../src/commands/meters/meter-boxes';
import { foundClub } from '../src/commands/club/found-club';
import { loadFolder } from '../src/commands/kernel/load-folder';
import { loadRecords, NO_RECORDS, type RecordBatch } from '../src/commands/kernel/load-records';
import { planOrMove } from '../src/commands/flights/planning';
import { reportFinding } from '../src/commands/findings/report-finding';
import { returnToService } from '../src/commands/findings/return-to-service';
import { plannedFlightSchema } from '../src/contracts/flights/plan';
import { hours } from '../src/core/quantities/hours';
import { volume } from '../src/core/quantities/volume';
import type { Deferral } from '../src/core/records/findings/discrepancy';
import { USUAL_POLICY } from '../src/core/rules/packs/club-policy';
import type { AircraftDocument } from '../src/core/records/documents/document';
import {
  addDays,
  addYears,
  civilDate,
  lastDayOfCalendarMonths,
  type CivilDate,
} from '../src/core/time/civil-date';
import { addSeconds, type Instant } from '../src/core/time/instant';
import { hourOfDay, type Place } from '../src/core/time/sun';
import { civilDateAt, wallClock, zone } from '../src/core/time/zone';
import { setMethod } from '../src/commands/walkround/set-method';
import { USUAL_METHOD } from '../src/core/walkround/method';
import { stepOf } from '../src/core/walkround/classify';
import { inClub } from '../src/db/kernel/club-transaction';
import { loadAircraft } from '../src/db/aircraft/aircraft-facts';
import { dispatchFlight } from '../src/queries/flights/dispatch';
import { fitOutOf, particularsOf, serialOf } from './fit-out';
import { flightsOf } from './flights';
import { FITS, FLEET, type DemoAircraft, type DemoFinding } from './fleet';
import { DAYS_BACK, historyOf } from './history';
import { idsFrom } from './identity';
import { walkRound } from './walk-rounds';
import { BOXED, boxSecret, must, personId, portsAt, SEED } from './making';
import { DEMO_PASSWORD, PEOPLE } from './people';
import { nickPhoto } from './photo';

const id = idsFrom(SEED);
/** The demo club's id. */
export const CLUB_ID = id('club');

/** The invented field, at sea level on an invented coast. */
export const TERN_BAY: Place = {
  name: 'Tern Bay',
  latitude: 44.53,
  longitude: -64.02,
  zone: zone('America/Halifax'),
};

function actorOf(key: string): Actor {
  const person = PEOPLE.find((one) => one.key === key);
  if (person === undefined) throw new Error(`the demo has nobody called ${key}`);
  return { personId: personId(key), name: person.name, clubId: CLUB_ID, roles: [person.role] };
}

function papers(aircraft: DemoAircraft, today: CivilDate): RecordBatch['documents'] {
  const { registration } = aircraft;
  const seen = (name: string, daysAgo: number) => {
    const happenedAt = hourOfDay(addDays(today, -daysAgo), 9, TERN_BAY);
    return {
      id: id(`${registration}/paper/${name}/${daysAgo}`),
      happenedAt,
      recordedAt: addSeconds(happenedAt, 240),
      aboard: true,
      legible: true,
    };
  };
  const [year = '', month = ''] = today.split('-');
  // A year and the months that make it lapse by itself: the printed date is always the end of a month.
  const lapsed = aircraft.registrationYearsLeft < 0;
  const printedExpiry = lapsed
    ? addDays(civilDate(`${year}-${month}-01`), -1)
    : lastDayOfCalendarMonths(today, Math.round(aircraft.registrationYearsLeft * 12));
  const issuedOn = addDays(addYears(printedExpiry, -7), 3);
  const rounds = (daysAgo: number): readonly (AircraftDocument & { readonly keptWhere: string })[] => [
    {
      ...seen('airworthiness', daysAgo),
      kind: 'airworthiness-certificate',
      registrationShown: registration,
      displayed: true,
      keptWhere: 'pouch on the rear cabin wall',
    },
    {
      ...seen('registration', daysAgo),
      kind: 'registration-certificate',
      registrationShown: registration,
      issuedOn,
      printedExpiry,
      ended: null,
      keptWhere: 'same pouch, behind the airworthiness certificate',
    },
    {
      ...seen('limitations', daysAgo),
      kind: 'operating-limitations',
      form: aircraft.firstFlown < '1979-03-01' ? 'placards-and-markings' : 'flight-manual',
      revision: '7',
      serialShown: serialOf(registration),
      placards: true,
      keptWhere: 'behind the left seat',
    },
    {
      ...seen('weighing', daysAgo),
      kind: 'weight-and-balance',
      datedOn: addDays(today, -DAYS_BACK - 200),
      aboard: !(aircraft.missingPaper === 'weight-and-balance' && daysAgo < 10),
      keptWhere: 'inside the flight manual',
    },
    {
      ...seen('radio', daysAgo),
      kind: 'radio-licence',
      aboard: registration !== 'N06TB',
      keptWhere: 'pouch on the rear cabin wall',
    },
    {
      ...seen('tank', daysAgo),
      kind: 'cabin-tank-form-337',
      aboard: null,
      legible: null,
      tankFitted: false,
      keptWhere: 'cabin and baggage space',
    },
  ];
  // More often than the club asks for: every 90 days.
  const regular = Array.from({ length: 18 }, (_, round) => DAYS_BACK - 1 - round * 58);
  return [...regular, 61, 4].flatMap(rounds);
}

/** Cuts a batch into what was written down by `moment` and the rest. */
function cut(batch: RecordBatch, moment: Instant): readonly [RecordBatch, RecordBatch] {
  const part = (keep: (record: { readonly recordedAt: Instant }) => boolean): RecordBatch => ({
    documents: batch.documents.filter(keep),
    inspections: batch.inspections.filter(keep),
    readings: batch.readings.filter(keep),
    others: batch.others.filter(keep),
    dials: batch.dials.filter(keep),
    flights: batch.flights.filter(keep),
  });
  return [part(({ recordedAt }) => recordedAt <= moment), part(({ recordedAt }) => recordedAt > moment)];
}

const sizeOf = (batch: RecordBatch): number =>
  Object.values(batch).reduce((sum, list) => sum + (list as readonly unknown[]).length, 0);

async function tellFinding(
  ports: Ports,
  aircraft: DemoAircraft,
  aircraftId: string,
  finding: DemoFinding,
  happenedAt: Instant,
  at: number,
): Promise<void> {
  const findingId = id(`${aircraft.registration}/finding/${at}`);
  const step = stepOf(finding.step);
  if (step === undefined) throw new Error(`the walk-round list has no step ${finding.step}`);
  const reporter = actorOf(finding.by);
  must(
    await reportFinding(portsAt(ports, addSeconds(happenedAt, 150)), reporter, {
      findingId,
      aircraftId,
      station: step.station,
      side: finding.side ?? null,
      step: finding.step,
      asListed: true,
      what: finding.what,
      looks: 'not-right',
      foundAt: happenedAt,
    }),
  );
  if (finding.photo === true)
    must(
      await addPhoto(portsAt(ports, addSeconds(happenedAt, 170)), reporter, {
        photoId: id(`${findingId}/photo`),
        of: findingId,
        bytes: await nickPhoto(),
      }),
    );
}

/** An item switched off, placarded and judged no hazard by an instructor. No screen does that yet, so it comes in as a record. */
async function tellDeferral(
  ports: Ports,
  aircraftId: string,
  findingId: string,
  moment: Instant,
): Promise<void> {
  const deferral: Deferral = {
    id: id(`${findingId}/deferral`),
    recordedAt: moment,
    deferredOn: civilDateAt(moment, TERN_BAY.zone),
    action: 'deactivated',
    placarded: true,
    entered: 'not-maintenance',
    noHazard: {
      name: actorOf('instructor').name,
      certificate: {
        kind: 'flight-instructor',
        number: 'FI-0712',
        validFrom: civilDate('2012-01-01'),
        validUntil: 'no-expiry',
      },
    },
    until: null,
    untilTimeInService: null,
    closes: [],
    cap: null,
    listed: null,
  };
  must(
    await loadRecords(portsAt(ports, moment), actorOf('dispatcher'), aircraftId, {
      ...NO_RECORDS,
      others: [
        {
          id: deferral.id,
          kind: 'deferral',
          happenedAt: moment,
          recordedAt: moment,
          body: { discrepancy: findingId, deferral },
        },
      ],
    }),
  );
}

async function tellRepair(
  ports: Ports,
  aircraftId: string,
  findingId: string,
  description: string,
  moment: Instant,
): Promise<void> {
  const seenRevision = await inClub(
    ports.db,
    CLUB_ID,
    async (tx) => (await loadAircraft(tx, TERN_BAY, aircraftId, true))[0]?.revision ?? 0,
  );
  must(
    await returnToService(portsAt(ports, moment), actorOf('mechanic'), {
      rectificationId: id(`${findingId}/repair`),
      discrepancyId: findingId,
      seenRevision,
      work: 'repaired',
      effects: {
        mayChangeFlight: false,
        groundTestsConclusive: null,
        flightControls: false,
        staticOpened: false,
        altitudeReportingTouched: false,
        weightChanged: false,
      },
      workId: id(`${findingId}/work`),
      description,
      completedOn: civilDateAt(moment, TERN_BAY.zone),
      certificateId: id('certificate/mechanic/0'),
      password: '-',
    }),
  );
}

/** A moment as it is entered: a day, and hours and minutes of the field's clock. */
function wallTime(moment: Instant): { readonly date: CivilDate; readonly clock: string } {
  const { date, hour, minute } = wallClock(moment, TERN_BAY.zone);
  return { date, clock: `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}` };
}

async function planFlights(
  ports: Ports,
  aircraft: DemoAircraft,
  today: CivilDate,
  plannedAt: Instant,
  ahead: boolean,
): Promise<void> {
  for (const [at, flight] of aircraft.flights.entries()) {
    if (flight.inDays !== undefined && !ahead) continue;
    const day = addDays(today, flight.inDays ?? 0);
    const starts = hourOfDay(day, flight.at, TERN_BAY);
    const ends = addSeconds(starts, flight.lasts * 3600);
    // What is over already is not planned any more: the demo may be started in the evening.
    if (ends <= plannedAt) continue;
    must(
      await planOrMove(portsAt(ports, plannedAt), actorOf('dispatcher'), {
        flightId: id(`${aircraft.registration}/flight/${day}/${at}`),
        replaces: null,
        flight: plannedFlightSchema.parse({
          aircraftId: id(aircraft.registration),
          person: flight.who,
          starts: wallTime(starts),
          endsClock: wallTime(ends).clock,
          airborne: Number(flight.airborne),
          purpose: flight.purpose,
          crew:
            flight.solo === true
              ? 'student-solo'
              : flight.purpose === 'instruction-school-aircraft'
                ? 'dual'
                : 'rated-pilot',
          rules: flight.rules ?? 'vfr',
          range: 'local',
          transponderAirspace: false,
          adsbAirspace: false,
          beyondGlide: false,
          passengers: flight.purpose === 'carriage-for-hire',
          persons: null,
          landings: flight.purpose === 'instruction-school-aircraft' ? 6 : 2,
          towLaunches: null,
          fuelPlanned: null,
          reliesOnVor: false,
          reliesOnDatabase: flight.rules === 'ifr',
        }),
      }),
    );
  }
}

/** Somebody is out already, where the day has come so far: the dispatch page shows who and since when. */
async function leaveToday(
  ports: Ports,
  { registration, flights, leaves }: DemoAircraft,
  today: CivilDate,
  now: Instant,
): Promise<void> {
  const [first] = flights;
  const leaving = first === undefined ? now : hourOfDay(today, first.at + 0.05, TERN_BAY);
  if (leaves !== true || leaving >= now) return;
  const flightId = id(`${registration}/flight/${today}/0`);
  const seen = await inClub(ports.db, CLUB_ID, (tx) => dispatchFlight(tx, CLUB_ID, flightId, leaving));
  if (seen === null) throw new Error(`${registration} has no flight today`);
  const measured = {
    fuelAboard: [{ tank: null, measured: { amount: '24', unit: 'US gal', volume: volume('24', 'US gal') } }],
    oilAboard: { amount: '6', unit: 'US qt', volume: volume('6', 'US qt') },
  } as const;
  const { revision } = must(
    await releaseFlight(portsAt(ports, leaving), actorOf('dispatcher'), {
      releaseId: id(`${registration}/release/${today}/0`),
      flightId,
      aircraftId: seen.aircraftId,
      seenRevision: seen.revision,
      ...measured,
      fuelAboard: [...measured.fuelAboard],
      readBack: seen.release.toSign?.restrictions.map(({ key }) => key) ?? [],
      password: DEMO_PASSWORD,
    }),
  );
  must(
    await checkOut(portsAt(ports, leaving), actorOf('dispatcher'), {
      flightId,
      aircraftId: seen.aircraftId,
      seenRevision: revision,
      readings: seen.dials.map(({ dial, last }) => ({
        dial: dial.id,
        shown: ((last ?? 0) / 3600).toFixed(2),
      })),
      accepted: [],
      ...measured,
      fuelAboard: [...measured.fuelAboard],
      remarks: null,
    }),
  );
}

/** A meter recorder that the stand-in flies. */
async function fitMeterBox(ports: Ports, registration: string, now: Instant): Promise<void> {
  const fitted = addSeconds(now, -300);
  const seenRevision = await inClub(
    ports.db,
    CLUB_ID,
    async (tx) => (await loadAircraft(tx, TERN_BAY, id(registration), true))[0]?.revision ?? 0,
  );
  must(
    await fitBox(
      portsAt(ports, fitted),
      actorOf('mechanic'),
      {
        boxId: id(`${registration}/box`),
        aircraftId: id(registration),
        seenRevision,
        name: 'Box under the panel',
        shows: '0.0',
      },
      boxSecret(registration),
    ),
  );
}

/** Who walked round an aircraft on the days before, all fine: so many days ago, and who. */
const walkersOf = (registration: string): readonly (readonly [number, string])[] =>
  registration === 'N05TB'
    ? [
        [3, 'student'],
        [2, 'renter'],
        [1, 'renter'],
      ]
    : [];

async function oneAircraft(
  ports: Ports,
  aircraft: DemoAircraft,
  number: number,
  now: Instant,
): Promise<void> {
  const today = civilDateAt(now, TERN_BAY.zone);
  const aircraftId = id(aircraft.registration);
  const desk = actorOf('dispatcher');
  const past = historyOf(aircraft, today, TERN_BAY, SEED + number, id);
  const flown = flightsOf(aircraft, past.readings, today, TERN_BAY, SEED + number, id);
  const others = [...fitOutOf(aircraft, today, TERN_BAY, number, id, past), ...flown.unlogged];
  let rest: RecordBatch = {
    documents: papers(aircraft, today),
    inspections: past.inspections,
    readings: flown.readings,
    others,
    dials: flown.dials,
    flights: flown.flights,
  };
  const flush = async (moment: Instant) => {
    const [batch, later] = cut(rest, moment);
    rest = later;
    if (sizeOf(batch) > 0) must(await loadRecords(portsAt(ports, moment), desk, aircraftId, batch));
  };
  const joined = hourOfDay(addDays(today, -DAYS_BACK), 8, TERN_BAY);
  must(
    await loadFolder(portsAt(ports, joined), desk, {
      aircraftId,
      registration: aircraft.registration,
      typeName: aircraft.typeName,
      category: aircraft.category,
      firstFlownOn: civilDate(aircraft.firstFlown),
      approvedFor: FITS[aircraft.fit],
      features: aircraft.features,
      particulars: particularsOf(aircraft),
      ...NO_RECORDS,
    }),
  );
  // Quarter by quarter, then event by event: the ledger reads in the order in which things were written down.
  let written = joined;
  for (let back = DAYS_BACK - 60; back > 60; back -= 90) {
    written = hourOfDay(addDays(today, -back), 21, TERN_BAY);
    await flush(written);
  }
  const marked = others.find(({ kind }) => kind === 'known-mark');
  if (marked !== undefined)
    must(
      await addPhoto(portsAt(ports, addSeconds(written, 600)), desk, {
        photoId: id(`${marked.id}/photo`),
        of: marked.id,
        bytes: await nickPhoto(),
      }),
    );
  const events = aircraft.findings
    .map((finding, at) => ({ finding, at }))
    .sort((a, b) => b.finding.daysAgo - a.finding.daysAgo);
  // What was written down up to yesterday comes before today's flights and finds.
  const yesterday = hourOfDay(addDays(today, -1), 21, TERN_BAY);
  let planned = false;
  const plan = async () => {
    if (planned) return;
    planned = true;
    for (const [daysAgo, who] of walkersOf(aircraft.registration)) {
      const begunAt = hourOfDay(addDays(today, -daysAgo), 8.4, TERN_BAY);
      await flush(begunAt);
      const own = (name: string) => id(`${aircraft.registration}/${daysAgo}/${name}`);
      await walkRound(ports, actorOf(who), aircraftId, begunAt, own, daysAgo === 2 ? 'K217' : null);
    }
    await flush(yesterday);
    await planFlights(ports, aircraft, today, yesterday, true);
  };
  for (const { finding, at } of events) {
    if (finding.daysAgo === 0) await plan();
    const found =
      finding.daysAgo === 0
        ? (Math.max(addSeconds(now, -11 * 60), addSeconds(hourOfDay(today, 0, TERN_BAY), 1)) as Instant)
        : hourOfDay(addDays(today, -finding.daysAgo), 10.6, TERN_BAY);
    await flush(found);
    await tellFinding(ports, aircraft, aircraftId, finding, found, at);
    if (finding.deferred === true) {
      const deferred = hourOfDay(addDays(today, -finding.daysAgo), 15.4, TERN_BAY);
      await flush(deferred);
      await tellDeferral(ports, aircraftId, id(`${aircraft.registration}/finding/${at}`), deferred);
    }
    if (finding.repaired !== undefined) {
      const repaired = hourOfDay(addDays(today, 1 - finding.daysAgo), 15.2, TERN_BAY);
      await flush(repaired);
      await tellRepair(
        ports,
        aircraftId,
        id(`${aircraft.registration}/finding/${at}`),
        finding.repaired,
        repaired,
      );
    }
  }
  await plan();
  await leaveToday(ports, aircraft, today, now);
  if (sizeOf(rest) > 0) throw new Error(`records of ${aircraft.registration} lie in the future`);
  if (BOXED.includes(aircraft.registration)) await fitMeterBox(ports, aircraft.registration, now);
  if (aircraft.backwards !== undefined) {
    const readAt = addSeconds(now, -600);
    must(
      await loadRecords(portsAt(ports, readAt), actorOf('dispatcher'), aircraftId, {
        ...NO_RECORDS,
        readings: [
          {
            id: id(`${aircraft.registration}/backwards`),
            meter: 'time-in-service',
            value: hours(aircraft.backwards),
            happenedAt: readAt,
            recordedAt: readAt,
          },
        ],
      }),
    );
  }
}

/** Plans the demo's flights of the day for every day on which it is started again. */
export async function planToday(ports: Ports, now: Instant): Promise<void> {
  for (const aircraft of FLEET)
    await planFlights(ports, aircraft, civilDateAt(now, TERN_BAY.zone), now, false);
}

/** Makes the whole club as it stands at `now`. @param ports the application's own, with the real database */
export async function makeTernBay(ports: Ports, now: Instant): Promise<void> {
  const today = civilDateAt(now, TERN_BAY.zone);
  const founded = hourOfDay(addDays(today, -DAYS_BACK - 1), 12, TERN_BAY);
  must(
    await foundClub(portsAt(ports, founded), {
      clubId: CLUB_ID,
      name: 'Tern Bay Flying Club',
      place: TERN_BAY,
      packs: {
        authority: {
          id: 'us-part91',
          parameters: { trainingUnder: 'part-61', lessons: 'lessons-are-for-hire' },
        },
        club: { id: 'club-policy', parameters: USUAL_POLICY, own: null },
      },
      members: PEOPLE.map((person) => ({
        personId: personId(person.key),
        name: person.name,
        roles: [person.role],
        certificates: person.certificates.map((certificate, at) => ({
          ...certificate,
          certificateId: id(`certificate/${person.key}/${at}`),
        })),
      })),
    }),
  );
  must(
    await setMethod(portsAt(ports, founded), actorOf('administrator'), {
      changeId: id('walk-round method'),
      seen: 0,
      required: false,
      method: { ...USUAL_METHOD, between: 'short-list', drum: 'the red drum beside the fuel pump' },
    }),
  );
  // Aircraft are independent of each other; a few at a time keep the database busy.
  const waiting = [...FLEET.entries()];
  const worker = async () => {
    for (let next = waiting.shift(); next !== undefined; next = waiting.shift())
      await oneAircraft(ports, next[1], next[0], now);
  };
  await Promise.all(Array.from({ length: 6 }, worker));
}
