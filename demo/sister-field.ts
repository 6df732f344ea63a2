// The sister field under the second rule pack: one aircraft on a maintenance release, and the people who keep it.
import type { Actor, Ports } from '../src/commands/kernel/command';
import { foundClub } from '../src/commands/club/found-club';
import { loadFolder } from '../src/commands/kernel/load-folder';
import { loadRecords, NO_RECORDS, type RecordBatch } from '../src/commands/kernel/load-records';
import { hours } from '../src/core/quantities/hours';
import type { Signature } from '../src/core/records/club/certificate';
import type { DailyInspection, MaintenanceRelease } from '../src/core/records/maintenance/work-entry';
import { addDays, addYears, civilDate, type CivilDate } from '../src/core/time/civil-date';
import { addSeconds, type Instant } from '../src/core/time/instant';
import { hourOfDay, type Place } from '../src/core/time/sun';
import { civilDateAt, zone } from '../src/core/time/zone';
import type { OtherRecord } from '../src/db/aircraft/other-kinds';
import { fitOutOf, particularsOf, serialOf } from './fit-out';
import { FITS, FLEET, type DemoAircraft } from './fleet';
import { flightsOf } from './flights';
import { DAYS_BACK, historyOf } from './history';
import { idsFrom } from './identity';
import { SISTER_PEOPLE } from './people';
import { must, personId, portsAt, SEED } from './making';

const id = idsFrom(SEED + 1);
/** The sister club's id. */
export const SISTER_ID = id('club');
/** The invented sister field, on the other half of the world. */
const CAPE_REACH: Place = {
  name: 'Cape Reach',
  latitude: -33.9,
  longitude: 151.2,
  zone: zone('Australia/Sydney'),
};
const REGISTRATION = 'VH-TB0X1';

const engineer: Signature = {
  name: 'Owen Tarr',
  certificate: {
    kind: 'licensed-engineer',
    number: 'L-0771',
    validFrom: civilDate('2010-01-01'),
    validUntil: 'no-expiry',
  },
};
const pilot: Signature = {
  name: 'Rosa Venn',
  certificate: {
    kind: 'pilot',
    number: 'P-1140',
    validFrom: civilDate('2010-01-01'),
    validUntil: 'no-expiry',
  },
};

function aircraftOf(): DemoAircraft {
  const like = FLEET.find(({ registration }) => registration === 'N03TB');
  if (like === undefined) throw new Error('the demo has no aircraft of that type');
  return {
    ...like,
    registration: REGISTRATION,
    hours: '4150.30',
    inspectedAt: '4121.50',
    flights: [],
    findings: [],
  };
}

function papers(today: CivilDate): RecordBatch['documents'] {
  const happenedAt = hourOfDay(addDays(today, -3), 9, CAPE_REACH);
  const seen = (name: string) => ({
    id: id(`paper/${name}`),
    happenedAt,
    recordedAt: addSeconds(happenedAt, 240),
    aboard: true,
    legible: true,
  });
  return [
    {
      ...seen('airworthiness'),
      kind: 'airworthiness-certificate',
      registrationShown: REGISTRATION,
      displayed: true,
      keptWhere: 'pouch behind the right seat',
    },
    {
      ...seen('registration'),
      kind: 'registration-certificate',
      registrationShown: REGISTRATION,
      issuedOn: addYears(today, -9),
      printedExpiry: null,
      ended: null,
      keptWhere: 'pouch behind the right seat',
    },
    {
      ...seen('limitations'),
      kind: 'operating-limitations',
      form: 'flight-manual',
      revision: '7',
      serialShown: serialOf(REGISTRATION),
      placards: true,
      keptWhere: 'door pocket',
    },
    {
      ...seen('weighing'),
      kind: 'weight-and-balance',
      datedOn: addDays(today, -DAYS_BACK),
      keptWhere: 'inside the flight manual',
    },
    { ...seen('radio'), kind: 'radio-licence', keptWhere: 'pouch behind the right seat' },
    {
      ...seen('tank'),
      kind: 'cabin-tank-form-337',
      aboard: null,
      legible: null,
      tankFitted: false,
      keptWhere: 'cabin',
    },
  ];
}

function release(today: CivilDate): OtherRecord {
  const issuedOn = addDays(today, -120);
  const recordedAt = hourOfDay(issuedOn, 16, CAPE_REACH);
  const body: MaintenanceRelease = {
    id: id('release'),
    recordedAt,
    registrationShown: REGISTRATION,
    issuedOn,
    issuedAt: hours('4121.50'),
    expiresOn: addYears(issuedOn, 1),
    expiresAt: hours('4221.50'),
    signedBy: engineer,
    aboard: true,
    standing: 'in-force',
    required: [
      {
        id: 'oil',
        what: 'Change the oil and look at the filter',
        by: null,
        at: hours('4171.50'),
        certified: null,
      },
      {
        id: 'hose',
        what: 'Replace the fuel hose',
        by: addDays(issuedOn, 90),
        at: null,
        certified: {
          recordedAt: hourOfDay(addDays(issuedOn, 74), 15, CAPE_REACH),
          on: addDays(issuedOn, 74),
          by: engineer,
        },
      },
    ],
  };
  return { id: body.id, kind: 'release', happenedAt: recordedAt, recordedAt, body };
}

/** What is tested every one or two years, and was not long ago. */
function tests(today: CivilDate): RecordBatch['inspections'] {
  const completedOn = addDays(today, -75);
  return (['elt', 'transponder'] as const).map((kind) => ({
    id: id(`test/${kind}`),
    kind,
    completedOn,
    recordedAt: hourOfDay(completedOn, 16, CAPE_REACH),
    timeInService: null,
    outcome: 'approved',
    listCleared: null,
    signedBy: engineer,
    excess: null,
    testedToFeet: null,
  }));
}

/** The daily inspections of the last days on which it flew; today's is still to be signed. */
function dailies(days: readonly CivilDate[]): readonly OtherRecord[] {
  return days.map((on): OtherRecord => {
    const recordedAt = hourOfDay(on, 8.6, CAPE_REACH);
    const body: DailyInspection = { id: id(`daily/${on}`), recordedAt, on, signedBy: pilot };
    return { id: body.id, kind: 'daily-inspection', happenedAt: recordedAt, recordedAt, body };
  });
}

/** Makes the sister club as it stands at `now`. */
export async function makeSisterField(ports: Ports, now: Instant): Promise<void> {
  const today = civilDateAt(now, CAPE_REACH.zone);
  const founded = hourOfDay(addDays(today, -DAYS_BACK - 1), 12, CAPE_REACH);
  must(
    await foundClub(portsAt(ports, founded), {
      clubId: SISTER_ID,
      name: 'Cape Reach Aero Club',
      place: CAPE_REACH,
      packs: { authority: { id: 'au-maintenance-release' }, club: null },
      members: SISTER_PEOPLE.map((person) => ({
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
  const desk: Actor = {
    personId: personId('reach-dispatcher'),
    name: 'Lena Orr',
    clubId: SISTER_ID,
    roles: ['dispatcher'],
  };
  const aircraft = aircraftOf();
  const aircraftId = id(REGISTRATION);
  const past = historyOf(aircraft, today, CAPE_REACH, SEED + 77, id);
  const flown = flightsOf(aircraft, past.readings, today, CAPE_REACH, SEED + 77, id);
  const recent = [...new Set(flown.flights.map(({ leftAt }) => civilDateAt(leftAt, CAPE_REACH.zone)))]
    .sort()
    .slice(-9)
    .filter((on) => on < today);
  const joined = hourOfDay(addDays(today, -DAYS_BACK), 8, CAPE_REACH);
  must(
    await loadFolder(portsAt(ports, joined), desk, {
      aircraftId,
      registration: REGISTRATION,
      typeName: aircraft.typeName,
      category: 'standard',
      firstFlownOn: civilDate(aircraft.firstFlown),
      approvedFor: FITS.trainer,
      features: aircraft.features,
      particulars: particularsOf(aircraft),
      ...NO_RECORDS,
    }),
  );
  must(
    await loadRecords(portsAt(ports, now), desk, aircraftId, {
      documents: papers(today),
      inspections: tests(today),
      readings: flown.readings,
      dials: flown.dials,
      flights: flown.flights,
      others: [...fitOutOf(aircraft, today, CAPE_REACH, 3, id, past), release(today), ...dailies(recent)],
    }),
  );
}
