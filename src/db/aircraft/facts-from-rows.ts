import { CERTIFICATE_KINDS, type Signature } from '@/core/records/club/certificate';
import {
  CLASSIFICATIONS,
  CLOSED_USES,
  type Deferral,
  type Discrepancy,
  type Triage,
  type Watch,
  RECTIFYING,
} from '@/core/records/findings/discrepancy';
import {
  type AircraftDocument,
  DOCUMENT_KINDS,
  REGISTRATION_ENDINGS,
} from '@/core/records/documents/document';
import { UNKNOWN_PARTICULARS } from '@/core/records/aircraft/aircraft';
import { EQUIPMENT_KINDS, type EquipmentKind } from '@/core/records/aircraft/equipment';
import { lastReturn, type AircraftFacts } from '@/core/records/facts';
import { fuellings, type Ramp } from '@/core/records/walkround/measurement';
import { INSPECTION_KINDS, type Inspection } from '@/core/records/maintenance/inspection';
import type { MeterReading } from '@/core/records/meters/meter-reading';
import { type Counter, METER_NAMES, isHourMeter } from '@/core/records/meters/meters';
import { hoursFromSeconds } from '@/core/quantities/hours';
import type { Instant } from '@/core/time/instant';
import type { Place } from '@/core/time/sun';
import { equipmentAt, stepOf } from '@/core/walkround/classify';
import { placeOnAircraft } from '@/core/walkround/place';
import { exactlyOneOf, oneOf, storedDate, storedDateOrNull, storedInstant } from '../kernel/checked-values';
import { reader } from '../kernel/stored-fields';
import { descriptionOf } from './descriptions';
import { boxReadingOf } from '../meters/meter-boxes';
import { movementOf } from '../flights/movements';
import { NO_OTHERS, type OtherFacts, othersByAircraft } from './other-facts';
import { copiedSignature } from './other-records';
import { strikeOf } from './strikes';
import { walkroundOnRecord, walkroundsOf, type StoredWalkround } from '../walkround/walkrounds';
import { type FactRows, countsSince } from './fact-rows';

/** An aircraft's facts with what identifies it here. */
export interface StoredAircraft {
  readonly aircraftId: string;
  readonly typeName: string;
  readonly revision: number;
  readonly features: readonly string[] | null;
  /** When it was entered here. */
  readonly addedAt: Instant;
  readonly facts: AircraftFacts;
}

interface SignatureColumns {
  readonly name: string | null;
  readonly certificate_kind: string | null;
  readonly certificate_number: string | null;
  readonly valid_from: string | null;
  readonly valid_until: string | null;
  readonly no_expiry: boolean | null;
}

function signatureOf(row: SignatureColumns): Signature | null {
  if (row.name === null || row.certificate_kind === null) return null;
  return {
    name: row.name,
    certificate: {
      kind: exactlyOneOf(CERTIFICATE_KINDS, row.certificate_kind, 'kind of certificate'),
      number: row.certificate_number,
      validFrom: storedDateOrNull(row.valid_from),
      validUntil: row.no_expiry === true ? 'no-expiry' : storedDateOrNull(row.valid_until),
    },
  };
}

function documentOf(row: FactRows['documents'][number]): AircraftDocument {
  const base = {
    id: row.sighting_id,
    happenedAt: storedInstant(row.happened_at),
    recordedAt: countsSince(row),
    aboard: row.aboard,
    legible: row.legible,
    vouched: row.vouched_at !== null,
  };
  const kind = exactlyOneOf(DOCUMENT_KINDS, row.kind, 'kind of document');
  switch (kind) {
    case 'airworthiness-certificate':
      return { ...base, kind, registrationShown: row.registration_shown, displayed: row.displayed };
    case 'registration-certificate': {
      const because = oneOf(REGISTRATION_ENDINGS, row.ended_because, 'end of a registration');
      return {
        ...base,
        kind,
        registrationShown: row.registration_shown,
        issuedOn: storedDateOrNull(row.issued_on),
        printedExpiry: storedDateOrNull(row.printed_expiry),
        ...(row.temporary === null ? {} : { temporary: row.temporary }),
        ended: row.ended_on === null || because === null ? null : { on: storedDate(row.ended_on), because },
      };
    }
    case 'operating-limitations':
      return {
        ...base,
        kind,
        form: oneOf(['flight-manual', 'placards-and-markings'], row.form, 'form of limitations'),
        revision: row.revision,
        serialShown: row.serial_shown,
        placards: row.placards,
      };
    case 'weight-and-balance':
      return { ...base, kind, datedOn: storedDateOrNull(row.dated_on) };
    case 'radio-licence':
      return { ...base, kind };
    case 'cabin-tank-form-337':
      return { ...base, kind, tankFitted: row.tank_fitted };
    default: {
      const missing: never = kind;
      throw new Error(`no such document: ${String(missing)}`);
    }
  }
}

function inspectionOf(
  row: FactRows['inspections'][number],
  later: OtherFacts['cleared'] | undefined,
): Inspection {
  const after = later?.get(row.inspection_id);
  const clearedBy = signatureOf({
    name: row.cleared_name,
    certificate_kind: row.cleared_kind,
    certificate_number: row.cleared_number,
    valid_from: row.cleared_from,
    valid_until: row.cleared_until,
    no_expiry: row.cleared_no_expiry,
  });
  return {
    id: row.inspection_id,
    kind: exactlyOneOf(INSPECTION_KINDS, row.kind, 'kind of inspection'),
    completedOn: storedDate(row.completed_on),
    recordedAt: storedInstant(row.recorded_at),
    timeInService: row.time_in_service_s === null ? null : hoursFromSeconds(row.time_in_service_s),
    outcome: oneOf(['approved', 'discrepancies-listed'], row.outcome, 'outcome of an inspection'),
    listCleared:
      after !== undefined
        ? { on: after.on, by: after.by, recordedAt: after.recordedAt }
        : row.cleared_on === null || clearedBy === null
          ? null
          : { on: storedDate(row.cleared_on), by: clearedBy },
    signedBy: row.awaits_vouch ? copiedSignature(signatureOf(row), row.vouched_at) : signatureOf(row),
    excess: oneOf(
      ['en-route-to-inspection', 'flown-on-uses-without-the-limit'],
      row.excess,
      'reason of an excess',
    ),
    testedToFeet: row.tested_to_feet,
  };
}

/**
 * What a finding names. Rows of before 0009 name one kind or none, and then the step of the walk-round list that they are about says what
 * it looks at.
 */
function equipmentOf({
  equipment,
  equipment_kinds: kinds,
  step,
}: Pick<
  FactRows['discrepancies'][number],
  'equipment' | 'equipment_kinds' | 'step'
>): readonly EquipmentKind[] {
  const named = kinds ?? (equipment === null ? null : [equipment]);
  if (named !== null) return named.map((kind) => exactlyOneOf(EQUIPMENT_KINDS, kind, 'equipment'));
  const known = step === null ? undefined : stepOf(step);
  return known === undefined ? [] : equipmentAt(known);
}

const storedWatch = reader<Watch>({ recheckBy: 'text?', recheckAt: 'figure?', correctBy: 'text?' });

function discrepancyOf(
  row: FactRows['discrepancies'][number],
  deferral: Deferral | null,
  triage: readonly Triage[] | undefined,
): Discrepancy {
  return {
    id: row.discrepancy_id,
    happenedAt: storedInstant(row.happened_at),
    recordedAt: storedInstant(row.recorded_at),
    what: row.what,
    where: placeOnAircraft(row.station, row.side),
    foundBy: row.found_by_name,
    classification: exactlyOneOf(CLASSIFICATIONS, row.classification, 'classification'),
    equipment: equipmentOf(row),
    knownMark: row.known_mark,
    watch: row.watch === null ? null : storedWatch(row.watch, `discrepancy ${row.discrepancy_id}`),
    deferral,
    ...(triage === undefined ? {} : { triage }),
    closesUses: row.closes_uses.map((word) => exactlyOneOf(CLOSED_USES, word, 'closed use')),
    rectification:
      row.rectification_id === null || row.rectified_at === null
        ? null
        : {
            id: row.rectification_id,
            recordedAt: storedInstant(row.rectified_at),
            work: oneOf(RECTIFYING, row.work, 'kind of work'),
            description: row.description,
            completedOn: storedDateOrNull(row.completed_on),
            signedBy: signatureOf(row),
          },
  };
}

function readingOf(row: FactRows['readings'][number]): MeterReading {
  const base = {
    id: row.reading_id,
    happenedAt: storedInstant(row.happened_at),
    recordedAt: storedInstant(row.recorded_at),
  };
  const meter = exactlyOneOf(METER_NAMES, row.meter, 'meter');
  return isHourMeter(meter)
    ? { ...base, meter, value: hoursFromSeconds(row.value_s) }
    : { ...base, meter: meter as Counter, value: row.value_s };
}

function grouped<Row extends { readonly aircraft_id: string }, T>(
  rows: readonly Row[],
  map: (row: Row) => T,
): ReadonlyMap<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const group = groups.get(row.aircraft_id);
    if (group === undefined) groups.set(row.aircraft_id, [map(row)]);
    else group.push(map(row));
  }
  return groups;
}

/**
 * What was found on the ramp, with the walk-round that was begun since the last flight; and that one is asked for, where the school says
 * so.
 */
function withWalkround(
  ramp: Ramp | null,
  uplifts: Ramp['uplifts'],
  walkrounds: readonly StoredWalkround[],
  flightsOut: AircraftFacts['flightsOut'],
  isRequired: boolean,
): Ramp | null {
  const returned = lastReturn({ flightsOut });
  const current = walkroundOnRecord(walkrounds, returned, fuellings(uplifts));
  if (current === null && !isRequired) return ramp;
  const found = ramp ?? { measurements: [], samples: [], uplifts };
  return {
    ...found,
    walkround: current,
    // Stated to be all of it, it counts as it did.
    ...(ramp !== null && ramp.gaps === undefined ? {} : { gaps: 'for-flights' as const }),
  };
}

/**
 * An aircraft's records with the walk-round as it stood at a moment that is over.
 * @param stored all of its history, without a walk-round
 * @param walkrounds what had been recorded of its walk-rounds by then
 */
export function withWalkroundAt(
  stored: StoredAircraft,
  walkrounds: readonly StoredWalkround[],
  isRequired: boolean,
  at: Instant,
): AircraftFacts {
  const { facts } = stored;
  const isKnown = ({ recordedAt }: { readonly recordedAt: Instant }) => recordedAt <= at;
  const flightsOut = facts.flightsOut
    .filter(isKnown)
    .map((flight) =>
      flight.returned === null || isKnown(flight.returned) ? flight : { ...flight, returned: null },
    );
  const uplifts = facts.ramp?.uplifts.filter(isKnown) ?? [];
  const ramp = withWalkround(facts.ramp, uplifts, walkrounds, flightsOut, isRequired);
  // What was filled in is kept whole: only what counts at the moment decides, and the core leaves the rest out.
  return {
    ...facts,
    ramp: ramp === null || facts.ramp === null ? ramp : { ...ramp, uplifts: facts.ramp.uplifts },
  };
}

/** Rows as the core's own types. Decides nothing and fills in nothing: what is not stored is null, which is unknown. */
export function factsFromRows(rows: FactRows, place: Place): readonly StoredAircraft[] {
  const documents = grouped(rows.documents, documentOf);
  const readings = grouped(rows.readings, readingOf);
  const others = othersByAircraft(rows.others);
  const inspections = grouped(rows.inspections, (row) =>
    inspectionOf(row, others.get(row.aircraft_id)?.cleared),
  );
  const strikes = grouped(rows.strikes, strikeOf);
  const movements = grouped(rows.movements, movementOf);
  const descriptions = grouped(rows.descriptions, descriptionOf);
  const boxReadings = grouped(rows.boxReadings, boxReadingOf);
  const walkrounds = grouped(
    walkroundsOf(rows.walkrounds).map((one) => ({ aircraft_id: one.aircraftId, one })),
    ({ one }) => one,
  );
  const discrepancies = grouped(rows.discrepancies, (row) =>
    discrepancyOf(
      row,
      others.get(row.aircraft_id)?.deferrals.get(row.discrepancy_id) ?? null,
      others.get(row.aircraft_id)?.triages.get(row.discrepancy_id),
    ),
  );
  return rows.aircraft.map((row) => {
    const own = others.get(row.aircraft_id) ?? NO_OTHERS;
    const first = descriptionOf({ ...row, description_id: row.aircraft_id });
    const later = descriptions.get(row.aircraft_id) ?? [];
    const flightsOut = [...own.flightsOut, ...(movements.get(row.aircraft_id) ?? [])];
    const uplifts = own.uplifts;
    const { category, firstFlownOn, approvedFor, particulars } = later.at(-1) ?? first;
    return {
      aircraftId: row.aircraft_id,
      typeName: row.type_name,
      revision: row.revision,
      features: row.features,
      addedAt: first.recordedAt,
      facts: {
        place,
        aircraft: { registration: row.registration, category, firstFlownOn, approvedFor, particulars },
        descriptions: later.length === 0 ? [] : [first, ...later],
        boxReadings: boxReadings.get(row.aircraft_id) ?? [],
        ...own,
        ramp: withWalkround(
          own.ramp,
          uplifts,
          walkrounds.get(row.aircraft_id) ?? [],
          flightsOut,
          rows.method.required,
        ),
        flightsOut,
        strikes: strikes.get(row.aircraft_id) ?? [],
        documents: documents.get(row.aircraft_id) ?? [],
        inspections: inspections.get(row.aircraft_id) ?? [],
        readings: readings.get(row.aircraft_id) ?? [],
        discrepancies: discrepancies.get(row.aircraft_id) ?? [],
      },
    };
  });
}

/** The rows of one aircraft. */
function rowsOf(rows: FactRows, id: string): FactRows {
  const own = <Row extends { readonly aircraft_id: string }>(list: readonly Row[]): Row[] =>
    list.filter((row) => row.aircraft_id === id);
  const walks = own(rows.walkrounds.rows);
  const known = new Set(walks.map((row) => row.walkround_id));
  return {
    aircraft: own(rows.aircraft),
    documents: own(rows.documents),
    inspections: own(rows.inspections),
    readings: own(rows.readings),
    discrepancies: own(rows.discrepancies),
    others: own(rows.others),
    strikes: own(rows.strikes),
    movements: own(rows.movements),
    descriptions: own(rows.descriptions),
    boxReadings: own(rows.boxReadings),
    walkrounds: {
      rows: walks,
      events: rows.walkrounds.events.filter((event) => known.has(event.walkround_id)),
    },
    method: rows.method,
  };
}

/** What is left of an aircraft whose records cannot be read: that it is there. It closes every use. */
function withoutRecords(rows: FactRows, place: Place, error: unknown): readonly StoredAircraft[] {
  return rows.aircraft.map((row) => ({
    aircraftId: row.aircraft_id,
    typeName: row.type_name,
    revision: row.revision,
    features: null,
    addedAt: storedInstant(row.recorded_at),
    facts: {
      ...NO_OTHERS,
      place,
      aircraft: {
        registration: row.registration,
        category: null,
        firstFlownOn: null,
        approvedFor: null,
        particulars: UNKNOWN_PARTICULARS,
      },
      ramp: null,
      descriptions: [],
      boxReadings: [],
      strikes: [],
      documents: [],
      inspections: [],
      readings: [],
      discrepancies: [],
      unreadable: error instanceof Error ? error.message : 'nobody knows why',
    },
  }));
}

/**
 * The same for reading alone: where a record of one aircraft cannot be read, that aircraft is closed, and the others
 * are as they are. Nothing may be written from what is left.
 */
export function readableFacts(rows: FactRows, place: Place): readonly StoredAircraft[] {
  try {
    return factsFromRows(rows, place);
  } catch (error) {
    const [only, ...more] = rows.aircraft;
    if (only === undefined) throw error;
    return more.length === 0
      ? withoutRecords(rows, place, error)
      : rows.aircraft.flatMap((row) => readableFacts(rowsOf(rows, row.aircraft_id), place));
  }
}
