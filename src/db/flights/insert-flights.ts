import type { PilotReport } from '@/core/records/flights/pilot-report';
import type { ClubTransaction } from '../kernel/connection';
import { asTheyAre, insertMany } from '../kernel/bulk';
import type { DepartedFlight, FlightReturn } from './flight-records';

/** A report as it is stored: its kind, and its words where it has any. */
export const reportColumns = (report: PilotReport) => ({
  report: report.kind,
  remarks: report.kind === 'words' ? report.words : null,
});

function departureRow(clubId: string, recordedBy: string, flight: DepartedFlight) {
  return {
    club_id: clubId,
    flight_id: flight.id,
    aircraft_id: flight.aircraftId,
    person_name: flight.personName,
    purpose: flight.purpose,
    crew: flight.crew,
    readings: JSON.stringify(flight.readings),
    fuel_aboard: flight.fuelAboard,
    oil_aboard: flight.oilAboard,
    remarks: flight.remarks,
    happened_at: new Date(flight.leftAt),
    recorded_at: new Date(flight.recordedAt),
    recorded_by: recordedBy,
  };
}

function returnRow(
  clubId: string,
  aircraftId: string,
  flightId: string,
  recordedBy: string,
  back: FlightReturn,
) {
  return {
    club_id: clubId,
    flight_id: flightId,
    aircraft_id: aircraftId,
    readings: JSON.stringify(back.readings),
    landings: back.landings,
    tow_launches: back.towLaunches,
    billed_s: back.billed,
    billed_from: back.billedFrom,
    fuel_added: back.fuelAdded,
    oil_added: back.oilAdded,
    ...reportColumns(back.report),
    happened_at: new Date(back.at),
    recorded_at: new Date(back.recordedAt),
    recorded_by: recordedBy,
  };
}

/** Writes a departure. */
export async function insertFlight(
  tx: ClubTransaction,
  clubId: string,
  recordedBy: string,
  flight: DepartedFlight,
): Promise<void> {
  await tx
    .insertInto('flight')
    .values(departureRow(clubId, recordedBy, flight))
    .execute();
}

/** Writes a return. */
export async function insertReturn(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  flightId: string,
  recordedBy: string,
  back: FlightReturn,
): Promise<void> {
  await tx
    .insertInto('flight_return')
    .values(returnRow(clubId, aircraftId, flightId, recordedBy, back))
    .execute();
}

const FLIGHT_COLUMNS = asTheyAre({
  club_id: 'uuid',
  flight_id: 'uuid',
  aircraft_id: 'uuid',
  person_name: 'text',
  purpose: 'text',
  crew: 'text',
  readings: 'jsonb',
  fuel_aboard: 'text',
  oil_aboard: 'text',
  remarks: 'text',
  happened_at: 'timestamptz',
  recorded_at: 'timestamptz',
  recorded_by: 'text',
});
const RETURN_COLUMNS = asTheyAre({
  club_id: 'uuid',
  flight_id: 'uuid',
  aircraft_id: 'uuid',
  readings: 'jsonb',
  landings: 'integer',
  tow_launches: 'integer',
  billed_s: 'integer',
  billed_from: 'text',
  fuel_added: 'text',
  oil_added: 'text',
  report: 'text',
  remarks: 'text',
  happened_at: 'timestamptz',
  recorded_at: 'timestamptz',
  recorded_by: 'text',
});

/** Writes flights of the past with their returns. */
export async function insertFlown(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  recordedBy: string,
  flights: readonly (DepartedFlight & { readonly returned: FlightReturn | null })[],
): Promise<void> {
  if (flights.length === 0) return;
  await insertMany(tx, {
    table: 'flight',
    columns: FLIGHT_COLUMNS,
    rows: flights.map((flight) => ({
      ...departureRow(clubId, recordedBy, { ...flight, aircraftId }),
      readings: flight.readings,
    })),
  });
  await insertMany(tx, {
    table: 'flight_return',
    columns: RETURN_COLUMNS,
    rows: flights.flatMap(({ id, returned }) =>
      returned === null
        ? []
        : [{ ...returnRow(clubId, aircraftId, id, recordedBy, returned), readings: returned.readings }],
    ),
  });
}
