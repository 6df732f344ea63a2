import type { FullBox } from '@/core/envelope/dimensions';
import type { Particulars } from '@/core/records/aircraft/aircraft';
import type { Signature } from '@/core/records/club/certificate';
import type { AircraftDocument } from '@/core/records/documents/document';
import type { Inspection } from '@/core/records/maintenance/inspection';
import type { MeterReading } from '@/core/records/meters/meter-reading';
import { isHourMeter } from '@/core/records/meters/meters';
import { UNSAID, type FlightMore, type PlannedFlight } from '@/core/records/flights/planned-flight';
import type { Instant } from '@/core/time/instant';
import { asTheyAre, insertMany } from '../kernel/bulk';
import type { ClubTransaction } from '../kernel/connection';
import type { ReadingBasis } from '@/core/metering/changes';

const time = (moment: Instant) => new Date(moment);

/** Writes an aircraft with revision 1. */
export async function insertAircraft(
  tx: ClubTransaction,
  clubId: string,
  aircraft: {
    readonly aircraftId: string;
    readonly registration: string;
    readonly typeName: string;
    readonly category: string | null;
    readonly firstFlownOn: string | null;
    readonly approvedFor: readonly FullBox[] | null;
    readonly features: readonly string[] | null;
    readonly particulars: Particulars;
  },
  recordedAt: Instant,
): Promise<void> {
  await tx
    .insertInto('aircraft')
    .values({
      club_id: clubId,
      aircraft_id: aircraft.aircraftId,
      registration: aircraft.registration,
      type_name: aircraft.typeName,
      category: aircraft.category,
      first_flown_on: aircraft.firstFlownOn,
      approved_for: aircraft.approvedFor === null ? null : JSON.stringify(aircraft.approvedFor),
      features: aircraft.features === null ? null : [...aircraft.features],
      particulars: JSON.stringify(aircraft.particulars),
      happened_at: time(recordedAt),
      recorded_at: time(recordedAt),
    })
    .execute();
}

/** Writes document checks. */
export async function insertDocumentChecks(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  recordedBy: string,
  documents: readonly (AircraftDocument & {
    readonly keptWhere: string | null;
    readonly number?: string | null;
    readonly awaitsVouch?: boolean;
  })[],
): Promise<void> {
  if (documents.length === 0) return;
  await tx
    .insertInto('document_sighting')
    .values(
      documents.map((document) => ({
        club_id: clubId,
        sighting_id: document.id,
        aircraft_id: aircraftId,
        kind: document.kind,
        kept_where: document.keptWhere,
        number: document.number ?? null,
        aboard: document.aboard,
        legible: document.legible,
        registration_shown: 'registrationShown' in document ? document.registrationShown : null,
        displayed: document.kind === 'airworthiness-certificate' ? document.displayed : null,
        issued_on: document.kind === 'registration-certificate' ? document.issuedOn : null,
        printed_expiry: document.kind === 'registration-certificate' ? document.printedExpiry : null,
        ended_on: document.kind === 'registration-certificate' ? (document.ended?.on ?? null) : null,
        ended_because:
          document.kind === 'registration-certificate' ? (document.ended?.because ?? null) : null,
        form: document.kind === 'operating-limitations' ? document.form : null,
        revision: document.kind === 'operating-limitations' ? document.revision : null,
        serial_shown: document.kind === 'operating-limitations' ? document.serialShown : null,
        placards: document.kind === 'operating-limitations' ? document.placards : null,
        dated_on: document.kind === 'weight-and-balance' ? document.datedOn : null,
        tank_fitted: document.kind === 'cabin-tank-form-337' ? document.tankFitted : null,
        happened_at: time(document.happenedAt),
        recorded_at: time(document.recordedAt),
        recorded_by: recordedBy,
        awaits_vouch: document.awaitsVouch ?? false,
        temporary: document.kind === 'registration-certificate' ? (document.temporary ?? null) : null,
      })),
    )
    .execute();
}

/** Writes a signature as it was given; the certificate is kept as it was on record then. @param personId who gave it here; null for one that was brought in */
export async function insertSignature(
  tx: ClubTransaction,
  clubId: string,
  signatureId: string,
  { name, certificate }: Signature,
  recordedAt: Instant,
  personId: string | null = null,
): Promise<void> {
  if (
    name === null
    || certificate === null
    || certificate.number === null
    || certificate.validFrom === null
    || certificate.validUntil === null
  ) {
    throw new Error(
      'a signature without name, certificate, number or validity cannot be stored: leave the entry unsigned',
    );
  }
  await tx
    .insertInto('signature')
    .values({
      club_id: clubId,
      signature_id: signatureId,
      person_id: personId,
      name,
      certificate_kind: certificate.kind,
      certificate_number: certificate.number,
      valid_from: certificate.validFrom,
      valid_until: certificate.validUntil === 'no-expiry' ? null : certificate.validUntil,
      no_expiry: certificate.validUntil === 'no-expiry',
      happened_at: time(recordedAt),
      recorded_at: time(recordedAt),
    })
    .execute();
}

/** An inspection with the ids of its signatures and its time in service as it was entered. */
export type InspectionRow = Inspection & {
  readonly signatureId: string | null;
  readonly clearedSignatureId: string | null;
  readonly entered: string | null;
  readonly description?: string | null;
  readonly signerId?: string | null;
  /** True for a copy: it counts once somebody vouches for it. */ readonly awaitsVouch?: boolean;
};

/** Writes inspections with their signatures. */
export async function insertInspections(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  recordedBy: string,
  inspections: readonly InspectionRow[],
): Promise<void> {
  for (const {
    id,
    signedBy,
    signatureId,
    listCleared,
    clearedSignatureId,
    signerId,
    ...inspection
  } of inspections) {
    if (signedBy !== null && signatureId !== null)
      await insertSignature(tx, clubId, signatureId, signedBy, inspection.recordedAt, signerId ?? null);
    if (listCleared !== null && clearedSignatureId !== null)
      await insertSignature(tx, clubId, clearedSignatureId, listCleared.by, inspection.recordedAt);
    await tx
      .insertInto('inspection')
      .values({
        club_id: clubId,
        inspection_id: id,
        aircraft_id: aircraftId,
        kind: inspection.kind,
        completed_on: inspection.completedOn,
        time_in_service_s: inspection.timeInService,
        time_in_service_entered: inspection.entered,
        outcome: inspection.outcome,
        excess: inspection.excess,
        tested_to_feet: inspection.testedToFeet,
        signature_id: signatureId,
        cleared_on: listCleared?.on ?? null,
        cleared_signature_id: clearedSignatureId,
        description: inspection.description ?? null,
        recorded_at: time(inspection.recordedAt),
        recorded_by: recordedBy,
        awaits_vouch: inspection.awaitsVouch ?? false,
      })
      .execute();
  }
}

const READING_COLUMNS = asTheyAre({
  club_id: 'uuid',
  reading_id: 'uuid',
  aircraft_id: 'uuid',
  meter: 'text',
  value_s: 'integer',
  entered: 'text',
  entered_unit: 'text',
  basis: 'text',
  dial_id: 'uuid',
  flight_id: 'uuid',
  happened_at: 'timestamptz',
  recorded_at: 'timestamptz',
  recorded_by: 'text',
});

/** Writes meter readings. */
export async function insertReadings(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  recordedBy: string,
  readings: readonly (MeterReading & {
    readonly entered: string;
    /** Absent where somebody read it. */
    readonly basis?: ReadingBasis;
    readonly dialId?: string | null;
    readonly flightId?: string | null;
  })[],
): Promise<void> {
  if (readings.length === 0) return;
  await insertMany(tx, {
    table: 'meter_reading',
    columns: READING_COLUMNS,
    rows: readings.map((reading) => ({
      club_id: clubId,
      reading_id: reading.id,
      aircraft_id: aircraftId,
      meter: reading.meter,
      value_s: reading.value,
      entered: reading.entered,
      entered_unit: isHourMeter(reading.meter) ? 'h' : 'count',
      basis: reading.basis ?? 'read',
      dial_id: reading.dialId ?? null,
      flight_id: reading.flightId ?? null,
      happened_at: time(reading.happenedAt),
      recorded_at: time(reading.recordedAt),
      recorded_by: recordedBy,
    })),
  });
}

/** What a flight says beyond the uses that it needs; null when it says nothing more. */
function moreOf(flight: PlannedFlight): string | null {
  const more = Object.fromEntries(
    (Object.keys(UNSAID) as (keyof FlightMore)[]).map((field) => [field, flight[field]]),
  );
  return Object.values(more).every((value) => value === null || (Array.isArray(value) && value.length === 0))
    ? null
    : JSON.stringify(more);
}

/** Writes planned flights. */
export async function insertFlights(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  recordedBy: string,
  flights: readonly (PlannedFlight & {
    readonly personName: string;
    readonly personId?: string | null;
    readonly recordedAt: Instant;
    readonly replaces?: string | null;
  })[],
): Promise<void> {
  if (flights.length === 0) return;
  await tx
    .insertInto('planned_flight')
    .values(
      flights.map((flight) => ({
        club_id: clubId,
        flight_id: flight.id,
        aircraft_id: aircraftId,
        person_name: flight.personName,
        person_id: flight.personId ?? null,
        starts: time(flight.starts),
        ends: time(flight.ends),
        airborne_s: flight.airborne,
        purpose: flight.purpose,
        crew: flight.crew,
        rules: flight.rules,
        range: flight.range,
        transponder_airspace: flight.transponderAirspace,
        broadcast_airspace: flight.adsbAirspace,
        beyond_glide: flight.beyondGlideOverWater,
        passengers: flight.passengers,
        more: moreOf(flight),
        replaces: flight.replaces ?? null,
        happened_at: time(flight.recordedAt),
        recorded_at: time(flight.recordedAt),
        recorded_by: recordedBy,
      })),
    )
    .execute();
}
