import { sql } from 'kysely';
import { CERTIFICATE_KINDS, type Signature } from '@/core/records/club/certificate';
import {
  CLASSIFICATIONS,
  CLOSED_USES,
  type Deferral,
  type Discrepancy,
  type Watch,
} from '@/core/records/findings/discrepancy';
import {
  DOCUMENT_KINDS,
  REGISTRATION_ENDINGS,
  type AircraftDocument,
} from '@/core/records/documents/document';
import { EQUIPMENT_KINDS, type EquipmentKind } from '@/core/records/aircraft/equipment';
import type { AircraftFacts } from '@/core/records/facts';
import { INSPECTION_KINDS, type Inspection } from '@/core/records/maintenance/inspection';
import type { MeterReading } from '@/core/records/meters/meter-reading';
import type { Instant } from '@/core/time/instant';
import { isHourMeter, METER_NAMES, type Counter } from '@/core/records/meters/meters';
import { hoursFromSeconds } from '@/core/quantities/hours';
import type { Place } from '@/core/time/sun';
import { equipmentAt, stepOf } from '@/core/walkround/classify';
import { placeOnAircraft } from '@/core/walkround/place';
import { exactlyOneOf, oneOf, storedDate, storedDateOrNull, storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { descriptionOf, readDescriptions } from './descriptions';
import { boxReadingOf, readBoxReadings } from '../meters/meter-boxes';
import { movementOf, readMovements } from '../flights/flights';
import { copiedSignature, NO_OTHERS, othersByAircraft, readOthers, type OtherFacts } from './other-records';
import { readStandings, type StoredStanding } from '../meters/standings';
import { readStrikes, strikeOf } from './strikes';

/** An aircraft's facts with what identifies it here. */
export interface StoredAircraft {
  readonly aircraftId: string;
  readonly typeName: string;
  readonly revision: number;
  readonly features: readonly string[] | null;
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

/** Whether a document check counts: it never waited, or somebody vouched for it. Expects `vouch as v` to be joined. */
const counts = sql<boolean>`(not s.awaits_vouch or v.vouch_id is not null)`;

/** Since when a document check counts, for the database: of two that were seen at one moment the one that somebody vouched for is the last word, also where that was within the same millisecond. */

/** When a record that waited began to count: when somebody vouched for it, so that a decision about an earlier moment does not see it. */
const countsSince = (row: { readonly recorded_at: Date; readonly vouched_at: Date | null }): Instant =>
  storedInstant(
    row.vouched_at !== null && row.vouched_at > row.recorded_at ? row.vouched_at : row.recorded_at,
  );

/** The latest document check of each kind of document, one index look-up each; and every one that tells of a registration's end, which later document checks do not undo. */
async function readDocuments(tx: ClubTransaction, aircraftId: string | null) {
  const endings = await tx
    .selectFrom('document_sighting')
    .leftJoin('vouch as v', (join) =>
      join
        .onRef('v.club_id', '=', 'document_sighting.club_id')
        .onRef('v.record_id', '=', 'document_sighting.sighting_id'),
    )
    .selectAll('document_sighting')
    .select('v.recorded_at as vouched_at')
    .where('ended_on', 'is not', null)
    .where(({ not, exists, selectFrom }) =>
      not(
        exists(
          selectFrom('strike as x')
            .select('x.strike_id')
            .whereRef('x.club_id', '=', 'document_sighting.club_id')
            .whereRef('x.record_id', '=', 'document_sighting.sighting_id'),
        ),
      ),
    )
    .$if(aircraftId !== null, (query) => query.where('document_sighting.aircraft_id', '=', aircraftId))
    .execute();
  const latest = await tx
    .selectFrom('aircraft as a')
    .innerJoin(
      sql<{ kind: string }>`(select unnest(${DOCUMENT_KINDS as readonly string[]}::text[]) as kind)`.as('k'),
      (join) => join.onTrue(),
    )
    .innerJoinLateral(
      (query) =>
        query
          .selectFrom('document_sighting as s')
          .leftJoin('vouch as v', (join) =>
            join.onRef('v.club_id', '=', 's.club_id').onRef('v.record_id', '=', 's.sighting_id'),
          )
          .selectAll('s')
          .select('v.recorded_at as vouched_at')
          .where(counts)
          .whereRef('s.club_id', '=', 'a.club_id')
          .whereRef('s.aircraft_id', '=', 'a.aircraft_id')
          .whereRef('s.kind', '=', 'k.kind')
          .where(({ not, exists, selectFrom }) =>
            not(
              exists(
                selectFrom('strike as x')
                  .select('x.strike_id')
                  .whereRef('x.club_id', '=', 's.club_id')
                  .whereRef('x.record_id', '=', 's.sighting_id'),
              ),
            ),
          )
          // Of one moment all: where they differ the stricter holds, and the database does not know which that is.
          .orderBy('s.happened_at', 'desc')
          .fetch(1, 'with ties')
          .as('d'),
      (join) => join.onTrue(),
    )
    .selectAll('d')
    .$if(aircraftId !== null, (query) => query.where('a.aircraft_id', '=', aircraftId))
    .execute();
  const seen = new Set(latest.map(({ sighting_id: id }) => id));
  return [...latest, ...endings.filter(({ sighting_id: id }) => !seen.has(id))];
}

const READING = [
  'm.reading_id',
  'm.aircraft_id',
  'm.meter',
  'm.value_s',
  'm.happened_at',
  'm.recorded_at',
] as const;

/** Every reading; or, of aircraft whose meter records agree, only the newest of each meter, which is the highest. */
async function readReadings(
  tx: ClubTransaction,
  aircraftId: string | null,
  standings: readonly StoredStanding[] | null,
) {
  if (standings === null)
    return tx
      .selectFrom('meter_reading as m')
      .select(READING)
      .$if(aircraftId !== null, (query) => query.where('m.aircraft_id', '=', aircraftId))
      .execute();
  const agreeing = standings.filter(({ agrees }) => agrees).map((one) => one.aircraftId);
  const disputed = standings.filter(({ agrees }) => !agrees).map((one) => one.aircraftId);
  const newest =
    agreeing.length === 0
      ? []
      : await tx
          .selectFrom('aircraft as a')
          .innerJoin(
            sql<{ meter: string }>`(select unnest(${METER_NAMES as readonly string[]}::text[]) as meter)`.as(
              'n',
            ),
            (join) => join.onTrue(),
          )
          .innerJoinLateral(
            (query) =>
              query
                .selectFrom('meter_reading as r')
                .selectAll('r')
                .whereRef('r.club_id', '=', 'a.club_id')
                .whereRef('r.aircraft_id', '=', 'a.aircraft_id')
                .whereRef('r.meter', '=', 'n.meter')
                .where(({ not, exists, selectFrom }) =>
                  not(
                    exists(
                      selectFrom('strike as x')
                        .select('x.strike_id')
                        .whereRef('x.club_id', '=', 'r.club_id')
                        .whereRef('x.record_id', '=', 'r.reading_id'),
                    ),
                  ),
                )
                .orderBy('r.happened_at', 'desc')
                .orderBy('r.value_s', 'desc')
                .limit(1)
                .as('m'),
            (join) => join.onTrue(),
          )
          .select(READING)
          .where('a.aircraft_id', '=', sql<string>`any(${agreeing}::uuid[])`)
          .execute();
  return disputed.length === 0
    ? newest
    : [
        ...newest,
        ...(await tx
          .selectFrom('meter_reading as m')
          .select(READING)
          .where('m.aircraft_id', 'in', disputed)
          .execute()),
      ];
}

/**
 * The movements, with every flight of those aircraft whose last flight came back after their newest reading of the time in service: what nobody read
 * counts, and it may be more than one flight. Mostly there are none, and nothing more is read.
 */
async function withUnreadFlights(
  tx: ClubTransaction,
  movements: Awaited<ReturnType<typeof readMovements>>,
  readings: Awaited<ReturnType<typeof readReadings>>,
) {
  const readAt = new Map<string, number>();
  for (const { aircraft_id: id, meter, happened_at: at } of readings)
    if (meter === 'time-in-service') readAt.set(id, Math.max(readAt.get(id) ?? 0, at.getTime()));
  const behind = new Set(
    movements
      .filter(
        ({ aircraft_id: id, in_at: back }) =>
          back !== null && back.getTime() > (readAt.get(id) ?? Number.POSITIVE_INFINITY),
      )
      .map((row) => row.aircraft_id),
  );
  if (behind.size === 0) return movements;
  const whole = await readMovements(
    tx,
    null,
    [...behind].map((id) => ({ aircraftId: id, agrees: true, openFlights: null, lastReturn: null })),
  );
  return [...movements.filter((row) => !behind.has(row.aircraft_id)), ...whole];
}

/**
 * The raw rows behind a list of aircraft. Separate from the mapping so that the two can be measured side by side.
 * @param presentOnly leaves out what cannot change an answer about the present: discrepancies that an entry without faults has
 * closed, older document checks, older readings of a meter whose records agree, and flights that are long back
 * @param everyReading reads older readings anyway, as the person who judges whether they agree needs them
 */
export async function readFactRows(
  tx: ClubTransaction,
  aircraftId: string | null,
  presentOnly: boolean,
  everyReading = false,
) {
  const one = <Q extends { where: (column: never, op: never, value: never) => Q }>(
    query: Q,
    column = 'aircraft_id',
  ): Q => (aircraftId === null ? query : query.where(column as never, '=' as never, aircraftId as never));
  const aircraft = await one(tx.selectFrom('aircraft').selectAll()).orderBy('registration').execute();
  const documents = await readDocuments(tx, aircraftId);
  const inspections = await one(
    tx
      .selectFrom('inspection as i')
      .leftJoin('signature as s', (join) =>
        join.onRef('s.club_id', '=', 'i.club_id').onRef('s.signature_id', '=', 'i.signature_id'),
      )
      .leftJoin('signature as c', (join) =>
        join.onRef('c.club_id', '=', 'i.club_id').onRef('c.signature_id', '=', 'i.cleared_signature_id'),
      )
      .leftJoin('vouch as v', (join) =>
        join.onRef('v.club_id', '=', 'i.club_id').onRef('v.record_id', '=', 'i.inspection_id'),
      )
      .select([
        'v.recorded_at as vouched_at',
        'i.awaits_vouch',
        'i.inspection_id',
        'i.aircraft_id',
        'i.kind',
        'i.completed_on',
        'i.time_in_service_s',
        'i.outcome',
        'i.excess',
        'i.tested_to_feet',
        'i.recorded_at',
        'i.cleared_on',
        's.name',
        's.certificate_kind',
        's.certificate_number',
        's.valid_from',
        's.valid_until',
        's.no_expiry',
        'c.name as cleared_name',
        'c.certificate_kind as cleared_kind',
        'c.certificate_number as cleared_number',
        'c.valid_from as cleared_from',
        'c.valid_until as cleared_until',
        'c.no_expiry as cleared_no_expiry',
      ]),
    'i.aircraft_id',
  ).execute();
  const standings = presentOnly ? await readStandings(tx, aircraftId) : null;
  const readings = await readReadings(tx, aircraftId, everyReading ? null : standings);
  const discrepancies = await one(
    tx
      .selectFrom('discrepancy as d')
      .leftJoin('rectification as r', (join) =>
        join.onRef('r.club_id', '=', 'd.club_id').onRef('r.discrepancy_id', '=', 'd.discrepancy_id'),
      )
      .leftJoin('signature as s', (join) =>
        join.onRef('s.club_id', '=', 'r.club_id').onRef('s.signature_id', '=', 'r.signature_id'),
      )
      .select([
        'd.discrepancy_id',
        'd.aircraft_id',
        'd.station',
        'd.side',
        'd.what',
        'd.found_by_name',
        'd.classification',
        'd.closes_uses',
        'd.equipment',
        'd.equipment_kinds',
        'd.step',
        'd.known_mark',
        'd.watch',
        'd.happened_at',
        'd.recorded_at',
        'r.rectification_id',
        'r.work',
        'r.description',
        'r.completed_on',
        'r.recorded_at as rectified_at',
        's.name',
        's.certificate_kind',
        's.certificate_number',
        's.valid_from',
        's.valid_until',
        's.no_expiry',
      ])
      .$if(presentOnly, (query) =>
        query.where((where) => where.or([where('r.closes', 'is', null), where('r.closes', '=', false)])),
      ),
    'd.aircraft_id',
  ).execute();
  const others = await readOthers(tx, aircraftId);
  const strikes = await readStrikes(tx, aircraftId);
  const movements = await withUnreadFlights(tx, await readMovements(tx, aircraftId, standings), readings);
  const descriptions = await readDescriptions(tx, aircraftId);
  const boxReadings = await readBoxReadings(tx, aircraftId, presentOnly);
  return {
    aircraft,
    documents,
    inspections,
    readings,
    discrepancies,
    others,
    strikes,
    movements,
    descriptions,
    boxReadings,
  };
}

/** Rows of `readFactRows`. */
export type FactRows = Awaited<ReturnType<typeof readFactRows>>;

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

/** What a finding names. Rows of before 0009 name one kind or none, and then the step of the walk-round list that they are about says what it looks at. */
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

function discrepancyOf(row: FactRows['discrepancies'][number], deferral: Deferral | null): Discrepancy {
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
    watch: row.watch as Watch | null,
    deferral,
    closesUses: row.closes_uses.map((word) => exactlyOneOf(CLOSED_USES, word, 'closed use')),
    rectification:
      row.rectification_id === null || row.rectified_at === null
        ? null
        : {
            id: row.rectification_id,
            recordedAt: storedInstant(row.rectified_at),
            work: oneOf(
              ['repaired', 'no-fault-found', 'serviced', 'judged-acceptable'],
              row.work,
              'kind of work',
            ),
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
  const discrepancies = grouped(rows.discrepancies, (row) =>
    discrepancyOf(row, others.get(row.aircraft_id)?.deferrals.get(row.discrepancy_id) ?? null),
  );
  return rows.aircraft.map((row) => {
    const own = others.get(row.aircraft_id) ?? NO_OTHERS;
    const first = descriptionOf({ ...row, description_id: row.aircraft_id });
    const later = descriptions.get(row.aircraft_id) ?? [];
    const { category, firstFlownOn, approvedFor, particulars } = later.at(-1) ?? first;
    return {
      aircraftId: row.aircraft_id,
      typeName: row.type_name,
      revision: row.revision,
      features: row.features,
      facts: {
        place,
        aircraft: { registration: row.registration, category, firstFlownOn, approvedFor, particulars },
        descriptions: later.length === 0 ? [] : [first, ...later],
        boxReadings: boxReadings.get(row.aircraft_id) ?? [],
        ...own,
        flightsOut: [...own.flightsOut, ...(movements.get(row.aircraft_id) ?? [])],
        strikes: strikes.get(row.aircraft_id) ?? [],
        documents: documents.get(row.aircraft_id) ?? [],
        inspections: inspections.get(row.aircraft_id) ?? [],
        readings: readings.get(row.aircraft_id) ?? [],
        discrepancies: discrepancies.get(row.aircraft_id) ?? [],
      },
    };
  });
}

/** The facts of the whole fleet, or of one aircraft. `presentOnly` as in readFactRows(): for decisions about the present only. */
export async function loadAircraft(
  tx: ClubTransaction,
  place: Place,
  aircraftId: string | null,
  presentOnly: boolean,
): Promise<readonly StoredAircraft[]> {
  return factsFromRows(await readFactRows(tx, aircraftId, presentOnly), place);
}

/** One aircraft as it stands at present, with every reading there ever was of its meters; undefined where it is not there. */
export async function loadForMeters(
  tx: ClubTransaction,
  place: Place,
  aircraftId: string,
): Promise<StoredAircraft | undefined> {
  return factsFromRows(await readFactRows(tx, aircraftId, true, true), place)[0];
}

/** Locks one aircraft for the rest of the transaction and answers its revision; undefined when the club has no such aircraft. */
export async function lockAircraft(
  tx: ClubTransaction,
  aircraftId: string,
): Promise<{ readonly revision: number; readonly registration: string } | undefined> {
  return tx
    .selectFrom('aircraft')
    .select(['revision', 'registration'])
    .where('aircraft_id', '=', aircraftId)
    .forUpdate()
    .executeTakeFirst();
}

/** Locks several aircraft, always in the order of their ids, so that two who want the same ones never wait for each other. One that is not there is left out. */
export async function lockInOrder(
  tx: ClubTransaction,
  aircraftIds: readonly string[],
): Promise<ReadonlyMap<string, { readonly revision: number; readonly registration: string }>> {
  const locked = new Map<string, { readonly revision: number; readonly registration: string }>();
  for (const id of [...new Set(aircraftIds)].sort()) {
    const aircraft = await lockAircraft(tx, id);
    if (aircraft !== undefined) locked.set(id, aircraft);
  }
  return locked;
}

/** Raises an aircraft's revision by one and answers the new one. Only after lockAircraft(). */
export async function raiseRevision(tx: ClubTransaction, aircraftId: string): Promise<number> {
  const row = await tx
    .updateTable('aircraft')
    .set({ revision: sql`revision + 1` })
    .where('aircraft_id', '=', aircraftId)
    .returning('revision')
    .executeTakeFirstOrThrow();
  return row.revision;
}
