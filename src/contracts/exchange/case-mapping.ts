// From checked case records to the core's types: an absent field becomes null, which is unknown. Decides nothing.
import type { Particulars } from '../../core/records/aircraft/aircraft';
import type { Certificate, Signature } from '../../core/records/club/certificate';
import type { AirworthinessDirective } from '../../core/records/maintenance/ad';
import type { Deferral, Discrepancy } from '../../core/records/findings/discrepancy';
import type { AircraftDocument } from '../../core/records/documents/document';
import type { EquipmentItem, EquipmentKind, EquipmentList } from '../../core/records/aircraft/equipment';
import type { AircraftFacts } from '../../core/records/facts';
import type { Inspection } from '../../core/records/maintenance/inspection';
import type { Interval, ReadingThen } from '../../core/records/maintenance/interval';
import type { MaintenanceItem } from '../../core/records/maintenance/maintenance-item';
import type { MeterReading } from '../../core/records/meters/meter-reading';
import { METER_NAMES, type Meter } from '../../core/records/meters/meters';
import type { Database, Elt, VorCheck } from '../../core/records/aircraft/elt';
import type { ClubDocument, TowRope } from '../../core/records/flights/movement';
import type { Rigging } from '../../core/records/aircraft/rigging';
import type { FlightPermit, MaintenanceRelease, WorkEntry } from '../../core/records/maintenance/work-entry';
import { boxOf } from './case-boxes';
import { readingsOfPanel, readingsStruckWith } from './case-meters';
import type { CaseFile } from './case-file';

type Optional<T> = T | undefined;
type RecordLists =
  | 'riggings'
  | 'elts'
  | 'vorChecks'
  | 'databases'
  | 'clubDocuments'
  | 'documents'
  | 'inspections'
  | 'discrepancies'
  | 'meterReadings'
  | 'equipment'
  | 'items'
  | 'ads'
  | 'work'
  | 'permits'
  | 'releases'
  | 'towRopes';
type In<K extends RecordLists> = NonNullable<CaseFile[K]>[string];
type GivenSignature = In<'inspections'>['signedBy'];

/** An absent value is not known. */
export const known = <T>(value: Optional<T>): T | null => value ?? null;
/** Records with their ids. */
export const byId = <T>(records: Optional<Record<string, T>>): readonly [string, T][] =>
  Object.entries(records ?? {});
const boxes = (given: Optional<readonly Parameters<typeof boxOf>[0][]>) =>
  given === undefined ? null : given.map(boxOf);
const listed = <T, R>(
  records: Optional<Record<string, T>>,
  map: (id: string, record: T) => R,
): readonly R[] => byId(records).map(([id, record]) => map(id, record));
/** 1 lb = 453.59237 g exactly: in hundred-thousandths of a gram every whole pound is a whole number. */
const PER_POUND = 45_359_237;
const grams = (pounds: Optional<number>): number | null => (pounds === undefined ? null : pounds * PER_POUND);

function certificateOf(given: Optional<NonNullable<GivenSignature>['certificate']>): Certificate | null {
  return given === undefined
    ? null
    : {
        kind: given.kind,
        number: known(given.number),
        validFrom: known(given.validFrom),
        validUntil: known(given.validUntil),
      };
}

function signatureOf(given: GivenSignature): Signature | null {
  return given === undefined
    ? null
    : { name: known(given.name), certificate: certificateOf(given.certificate) };
}

const signed = (given: NonNullable<GivenSignature>): Signature => ({
  name: known(given.name),
  certificate: certificateOf(given.certificate),
});

function documentOf(id: string, given: In<'documents'>): AircraftDocument {
  const base = {
    id,
    happenedAt: given.happenedAt,
    recordedAt: given.recordedAt,
    aboard: known(given.aboard),
    legible: known(given.legible),
  };
  switch (given.kind) {
    case 'airworthiness-certificate':
      return {
        ...base,
        kind: given.kind,
        registrationShown: known(given.registrationShown),
        displayed: known(given.displayed),
      };
    case 'registration-certificate':
      return {
        ...base,
        kind: given.kind,
        registrationShown: known(given.registrationShown),
        issuedOn: known(given.issuedOn),
        printedExpiry: known(given.printedExpiry),
        temporary: given.temporary ?? false,
        ended: known(given.ended),
      };
    case 'operating-limitations':
      return {
        ...base,
        kind: given.kind,
        form: known(given.form),
        revision: known(given.revision),
        serialShown: known(given.serialShown),
        placards: known(given.placards),
      };
    case 'weight-and-balance':
      return { ...base, kind: given.kind, datedOn: known(given.datedOn) };
    case 'radio-licence':
      return { ...base, kind: given.kind };
    case 'cabin-tank-form-337':
      return { ...base, kind: given.kind, tankFitted: known(given.tankFitted) };
    default: {
      const missing: never = given;
      throw new RangeError(`no such document: ${JSON.stringify(missing)}`);
    }
  }
}

function inspectionOf(id: string, given: In<'inspections'>): Inspection {
  return {
    id,
    kind: given.kind,
    completedOn: given.completedOn,
    recordedAt: given.recordedAt,
    timeInService: known(given.timeInService),
    outcome: known(given.outcome),
    listCleared:
      given.listCleared === undefined
        ? null
        : {
            on: given.listCleared.on,
            by: signed(given.listCleared.by),
            ...(given.listCleared.recordedAt === undefined
              ? {}
              : { recordedAt: given.listCleared.recordedAt }),
          },
    signedBy: signatureOf(given.signedBy),
    excess: known(given.excess),
    testedToFeet: known(given.testedToFeet),
  };
}

function deferralOf(id: string, given: NonNullable<In<'discrepancies'>['deferral']>): Deferral {
  return {
    id,
    recordedAt: given.recordedAt,
    deferredOn: known(given.deferredOn),
    action: known(given.action),
    placarded: known(given.placarded),
    entered: known(given.entered),
    noHazard: signatureOf(given.noHazard),
    until: known(given.until),
    untilTimeInService: known(given.untilTimeInService),
    closes: boxes(given.closes) ?? [],
    cap: known(given.cap),
    listed:
      given.listed === undefined ? null : { category: given.listed.category, days: known(given.listed.days) },
  };
}

function discrepancyOf(id: string, given: In<'discrepancies'>): Discrepancy {
  const { rectification: done, deferral, watch } = given;
  return {
    id,
    happenedAt: given.happenedAt,
    recordedAt: given.recordedAt,
    what: given.what,
    where: known(given.where),
    foundBy: known(given.foundBy),
    classification: known(given.classification),
    closesUses: given.closesUses ?? [],
    equipment: given.equipment ?? [],
    knownMark: known(given.knownMark),
    rectification:
      done === undefined
        ? null
        : {
            id: `${id}.rectification`,
            recordedAt: done.recordedAt,
            work: known(done.work),
            description: known(done.description),
            completedOn: known(done.completedOn),
            signedBy: signatureOf(done.signedBy),
            major: done.major ?? false,
            preventive: known(done.preventive),
          },
    deferral: deferral === undefined ? null : deferralOf(`${id}.deferral`, deferral),
    watch:
      watch === undefined
        ? null
        : {
            recheckBy: known(watch.recheckBy),
            recheckAt: known(watch.recheckAt),
            correctBy: known(watch.correctBy),
          },
  };
}

function readingsOf(given: In<'ads'>['readingsThen']): readonly ReadingThen[] {
  return METER_NAMES.flatMap((meter) => {
    const value =
      (given?.hours as Partial<Record<Meter, number>> | undefined)?.[meter]
      ?? (given?.counts as Partial<Record<Meter, number>> | undefined)?.[meter];
    return value === undefined ? [] : [{ meter, value }];
  });
}

function intervalOf(given: In<'ads'>['initial']): Interval {
  return {
    ...(given?.whichever === undefined ? {} : { whichever: given.whichever }),
    months: known(given?.months),
    monthsToTheDay: known(given?.monthsToTheDay),
    days: known(given?.days),
    meters: [...(given?.hours ?? []), ...(given?.counts ?? [])],
  };
}

/** A maintenance item. */
export function itemOf(id: string, given: In<'items'>): MaintenanceItem {
  return {
    id,
    recordedAt: given.recordedAt,
    name: given.name,
    kind: given.kind,
    interval: intervalOf(given.interval),
    until: known(given.until),
    uses: boxes(given.uses),
    overrun: known(given.overrun),
    excess: given.excess ?? 'taken-off',
    signedAs: given.signedAs ?? 'return-to-service',
    oilLife: known(given.oilLife),
    basis: known(given.basis),
    done: listed(given.done, (doneId, one) => ({
      id: doneId,
      recordedAt: one.recordedAt,
      completedOn: one.completedOn,
      readings: readingsOf(one.readings),
      excessOnFreeUses: one.excessOnFreeUses ?? false,
      signedBy: signatureOf(one.signedBy),
    })),
  };
}

/** An AD. */
export function adOf(id: string, given: In<'ads'>): AirworthinessDirective {
  return {
    id,
    recordedAt: given.recordedAt,
    number: given.number,
    title: given.title,
    applies: known(given.applies),
    effectiveOn: known(given.effectiveOn),
    initial: intervalOf(given.initial),
    component:
      given.component === undefined
        ? null
        : {
            ...given.component,
            hoursThen: known(given.component.hoursThen),
            readingThen: known(given.component.readingThen),
          },
    readingsThen: readingsOf(given.readingsThen),
    noFerry: known(given.noFerry),
    equipment: known(given.equipment),
    methods: listed(given.methods, (methodId, { name, repeats, pilotMaySign }) => ({
      id: methodId,
      name,
      repeats: repeats === undefined ? null : intervalOf(repeats),
      pilotMaySign: pilotMaySign ?? false,
    })),
    done: listed(given.done, (doneId, one) => ({
      id: doneId,
      recordedAt: one.recordedAt,
      completedOn: one.completedOn,
      readings: readingsOf(one.readings),
      excessOnFreeUses: one.excessOnFreeUses ?? false,
      signedBy: signatureOf(one.signedBy),
      method: known(one.method),
    })),
  };
}

type GivenAsked = Extract<
  In<'equipment'>['items'][EquipmentKind],
  { readonly fitted?: unknown }
>['equipmentList'];
const askedOf = (given: GivenAsked): EquipmentItem['equipmentList'] =>
  given === undefined ? null : typeof given === 'string' ? given : given.map(boxOf);

/** An equipment list. */
export function equipmentOf(id: string, given: In<'equipment'>): EquipmentList {
  return {
    id,
    happenedAt: given.happenedAt,
    recordedAt: given.recordedAt,
    approved: known(given.approved),
    items: (
      Object.entries(given.items) as [EquipmentKind, In<'equipment'>['items'][EquipmentKind]][]
    ).flatMap(([kind, line]): readonly EquipmentItem[] => {
      if (line === undefined) return [];
      if (typeof line === 'string')
        return [
          {
            kind,
            fitted: line === 'fitted',
            typeCertification: null,
            equipmentList: null,
            kindsOfOperation: null,
            expiresOn: null,
          },
        ];
      return [
        {
          kind,
          fitted: known(line.fitted),
          typeCertification: known(line.typeCertification),
          equipmentList: askedOf(line.equipmentList),
          kindsOfOperation: askedOf(line.kindsOfOperation),
          expiresOn: known(line.expiresOn),
        },
      ];
    }),
  };
}

function workOf(id: string, given: In<'work'>): WorkEntry {
  const { checkFlight, independentInspection } = given;
  return {
    id,
    recordedAt: given.recordedAt,
    completedOn: known(given.completedOn),
    description: known(given.description),
    signedBy: signatureOf(given.signedBy),
    major: given.major ?? false,
    preventive: known(given.preventive),
    mayChangeFlight: known(given.mayChangeFlight),
    groundTestsConclusive: known(given.groundTestsConclusive),
    checkFlight:
      checkFlight === undefined
        ? null
        : {
            recordedAt: checkFlight.recordedAt,
            on: checkFlight.on,
            pilot: signed(checkFlight.pilot),
            logged: known(checkFlight.logged),
          },
    flightControls: known(given.flightControls),
    independentInspection:
      independentInspection === undefined
        ? null
        : {
            recordedAt: independentInspection.recordedAt,
            on: independentInspection.on,
            by: signed(independentInspection.by),
          },
    staticOpened: known(given.staticOpened),
    altitudeReportingTouched: known(given.altitudeReportingTouched),
    weightChanged: known(given.weightChanged),
  };
}

function permitOf(id: string, given: In<'permits'>): FlightPermit {
  return {
    id,
    recordedAt: given.recordedAt,
    number: known(given.number),
    registrationShown: known(given.registrationShown),
    validFrom: known(given.validFrom),
    validUntil: known(given.validUntil),
    uses: boxes(given.uses) ?? [boxOf({})],
    untilTimeInService: known(given.untilTimeInService),
    aboard: known(given.aboard),
    safeForFlight:
      given.safeForFlight === undefined
        ? null
        : { on: given.safeForFlight.on, by: signed(given.safeForFlight.by) },
  };
}

function releaseOf(id: string, given: In<'releases'>): MaintenanceRelease {
  return {
    id,
    recordedAt: given.recordedAt,
    registrationShown: known(given.registrationShown),
    issuedOn: known(given.issuedOn),
    issuedAt: known(given.issuedAt),
    expiresOn: known(given.expiresOn),
    expiresAt: known(given.expiresAt),
    signedBy: signatureOf(given.signedBy),
    aboard: known(given.aboard),
    standing: known(given.standing),
    required: listed(given.required, (requiredId, one) => ({
      id: requiredId,
      what: one.what,
      by: known(one.by),
      at: known(one.at),
      certified:
        one.certified === undefined
          ? null
          : { recordedAt: one.certified.recordedAt, on: one.certified.on, by: signed(one.certified.by) },
    })),
  };
}

function ropeOf(id: string, given: In<'towRopes'>): TowRope {
  const link = (value: Optional<number | 'none'>) => (value === 'none' ? value : grams(value));
  return {
    id,
    happenedAt: given.happenedAt,
    recordedAt: given.recordedAt,
    strength: grams(given.strength),
    sound: known(given.sound),
    gliderLink: link(given.gliderLink),
    tugLink: link(given.tugLink),
    gliderWeight: grams(given.gliderWeight),
  };
}

/** The ELT. */
export function eltOf(id: string, one: In<'elts'>): Elt {
  return {
    id,
    happenedAt: one.happenedAt,
    recordedAt: one.recordedAt,
    state: known(one.state),
    batteryReplaceBy: known(one.batteryReplaceBy),
    usedSeconds: one.usedMinutes === undefined ? null : Math.ceil(one.usedMinutes * 60),
    removedOn: known(one.removedOn),
    removalEntered: known(one.removalEntered),
    removalPlacarded: known(one.removalPlacarded),
    noHazard: signatureOf(one.noHazard),
  };
}

/** A VOR check: a tenth of a degree more rather than less. */
export function vorCheckOf(id: string, one: In<'vorChecks'>): VorCheck {
  return {
    id,
    happenedAt: one.happenedAt,
    recordedAt: one.recordedAt,
    method: known(one.method),
    error: one.errorDegrees === undefined ? null : Math.ceil(one.errorDegrees * 10 - 1e-9),
    place: known(one.place),
    signedBy: known(one.signedBy),
  };
}

/** A database aboard. */
export function databaseOf(id: string, one: In<'databases'>): Database {
  return {
    id,
    happenedAt: one.happenedAt,
    recordedAt: one.recordedAt,
    content: one.content,
    effectiveOn: known(one.effectiveOn),
    lastDay: known(one.lastDay),
  };
}

/** Insurance or a club document. */
export function clubDocumentOf(id: string, one: In<'clubDocuments'>): ClubDocument {
  return {
    id,
    happenedAt: one.happenedAt,
    recordedAt: one.recordedAt,
    kind: one.kind,
    name: one.name,
    validUntil: known(one.validUntil),
    uses: boxes(one.uses),
  };
}

/** That a glider was rigged or derigged. */
export function riggingOf(id: string, one: In<'riggings'>): Rigging {
  return {
    id,
    happenedAt: one.happenedAt,
    recordedAt: one.recordedAt,
    state: one.state,
    assemblyCheckedBy: known(one.assemblyCheckedBy),
    controlsCheckedBy: known(one.controlsCheckedBy),
    toolsComplete: known(one.toolsComplete),
  };
}

/** What rules ask of the aircraft as built. */
export function particularsOf(
  given: Omit<CaseFile['aircraft'], 'registration' | 'category' | 'firstFlownOn' | 'approvedFor'>,
): Particulars {
  const { fuel } = given;
  return {
    serialNumber: known(given.serialNumber),
    manufacturedOn: known(given.manufacturedOn),
    certificatedOn: known(given.certificatedOn),
    seats: known(given.seats),
    engine: known(given.engine),
    gear: known(given.gear),
    aircraftClass: known(given.aircraftClass),
    fuses: known(given.fuses),
    programme: known(given.programme),
    ifrNavigation: known(given.ifrNavigation),
    manualRevision: known(given.manualRevision),
    minimumEquipmentList: known(given.minimumEquipmentList),
    fuel:
      fuel === undefined
        ? null
        : {
            burnPerHour: known(fuel.burnPerHour),
            minimum: known(fuel.minimum),
            tanks: fuel.tanks,
            drains: known(fuel.drains),
            grades: known(fuel.grades),
          },
    ...(given.keptRigged === undefined ? {} : { keptRigged: given.keptRigged }),
    ...(given.engineDrivenElectrical === undefined
      ? {}
      : { engineDrivenElectrical: given.engineDrivenElectrical }),
    ...(given.authorised === undefined ? {} : { authorised: given.authorised }),
    measured: (given.measured ?? []).map(
      ({ quantity, which, min, max, open, uses, remedy, everyFlight }) => ({
        quantity,
        which: known(which),
        min,
        max,
        open: open ?? false,
        uses: boxes(uses),
        remedy,
        everyFlight: everyFlight ?? false,
      }),
    ),
  };
}

type GivenCleared = NonNullable<NonNullable<CaseFile['ramp']>['samples']>[string]['cleared'];
const clearedOf = (given: GivenCleared) =>
  given === undefined ? null : { recordedAt: given.recordedAt, on: given.on, by: signed(given.by) };

/** Every record of a case. */
export function recordsOf(given: CaseFile): Omit<AircraftFacts, 'place' | 'aircraft'> {
  const { ramp } = given;
  return {
    descriptions: [],
    boxReadings: [],
    unlogged: [],
    documents: listed(given.documents, documentOf),
    inspections: listed(given.inspections, inspectionOf),
    readings: [
      ...listed(given.meterReadings, (id, record): MeterReading => ({ id, ...record })),
      ...readingsOfPanel(given),
    ],
    discrepancies: listed(given.discrepancies, discrepancyOf),
    equipment: listed(given.equipment, equipmentOf),
    items: given.items === undefined ? null : listed(given.items, itemOf),
    ads: given.ads === undefined ? null : listed(given.ads, adOf),
    elts: listed(given.elts, eltOf),
    vorChecks: listed(given.vorChecks, vorCheckOf),
    databases: listed(given.databases, databaseOf),
    fuelStretches: listed(given.fuelStretches, (id, one) => ({
      id,
      recordedAt: one.recordedAt,
      fromReading: one.from,
      toReading: one.to,
      grade: known(one.grade),
    })),
    work: listed(given.work, workOf),
    permits: listed(given.permits, permitOf),
    releases: listed(given.releases, releaseOf),
    dailyInspections: listed(given.dailyInspections, (id, one) => ({
      id,
      recordedAt: one.recordedAt,
      on: one.on,
      signedBy: signatureOf(one.signedBy),
    })),
    flightsOut: listed(given.flightsOut, (id, one) => ({
      id,
      happenedAt: one.happenedAt,
      recordedAt: one.recordedAt,
      by: known(one.by),
      airborne: known(one.airborne),
      returned: known(one.returned),
    })),
    dispatchRestrictions: listed(given.dispatchRestrictions, (id, one) => ({
      id,
      happenedAt: one.happenedAt,
      recordedAt: one.recordedAt,
      by: one.by,
      why: one.why,
      uses: boxes(one.uses),
      cap: known(one.cap),
      until: known(one.until),
      withdrawn: known(one.withdrawn),
    })),
    clubDocuments: listed(given.clubDocuments, clubDocumentOf),
    towRopes: listed(given.towRopes, ropeOf),
    riggings: listed(given.riggings, riggingOf),
    strikes: byId(given.strikes).flatMap(([id, { recordedAt, record }]) =>
      [record, ...readingsStruckWith(given, record)].map((struck, at) => ({
        id: at === 0 ? id : `${id}.${struck}`,
        recordedAt,
        record: struck,
      })),
    ),
    ramp:
      ramp === undefined
        ? null
        : {
            measurements: listed(ramp.measurements, (id, one) => ({
              id,
              happenedAt: one.happenedAt,
              recordedAt: one.recordedAt,
              quantity: one.quantity,
              which: known(one.which),
              value: one.value,
            })),
            samples: listed(ramp.samples, (id, one) => ({
              id,
              happenedAt: one.happenedAt,
              recordedAt: one.recordedAt,
              result: known(one.result),
              drain: known(one.drain),
              cleared: clearedOf(one.cleared),
            })),
            uplifts: listed(ramp.uplifts, (id, one) => ({
              id,
              happenedAt: one.happenedAt,
              recordedAt: one.recordedAt,
              what: one.what,
              added: one.added,
              grade: known(one.grade),
              timeInService: known(one.timeInService),
              cleared: clearedOf(one.cleared),
            })),
          },
    estimates: listed(given.estimates, (_, one) => ({
      act: one.act,
      on: known(one.on),
      minutes: one.minutes,
      cents: Math.round(one.cost * 100),
    })),
  };
}
