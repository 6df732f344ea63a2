import { sql } from 'kysely';
import { DOCUMENT_KINDS } from '@/core/records/documents/document';
import type { Instant } from '@/core/time/instant';
import { METER_NAMES } from '@/core/records/meters/meters';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { readDescriptions } from './descriptions';
import { readBoxReadings } from '../meters/meter-boxes';
import { readMovements } from '../flights/movements';
import { readLatestOnRamp, readOthers } from './other-records';
import { readMethod } from '../walkround/method';
import { readWalkroundRows } from '../walkround/walkrounds';
import { type StoredStanding, readStandings } from '../meters/standings';
import { readStrikes } from './strikes';

/** Whether a document check counts: it never waited, or somebody vouched for it. Expects `vouch as v` to be joined. */
const counts = sql<boolean>`(not s.awaits_vouch or v.vouch_id is not null)`;

/** Since when a document check counts, for the database: of two that were seen at one moment the one that somebody vouched for is the last word, also where that was within the same millisecond. */

/** When a record that waited began to count: when somebody vouched for it, so that a decision about an earlier moment does not see it. */
export const countsSince = (row: { readonly recorded_at: Date; readonly vouched_at: Date | null }): Instant =>
  storedInstant(
    row.vouched_at !== null && row.vouched_at > row.recorded_at ? row.vouched_at : row.recorded_at,
  );

/**
 * Every document check that counts or did until it was struck out; or the latest document check of each kind of document,
 * one index look-up each; and every one that tells of a registration's end, which later document checks do not undo.
 */
async function readDocuments(tx: ClubTransaction, aircraftId: string | null, every: boolean) {
  if (every)
    return tx
      .selectFrom('document_sighting as s')
      .leftJoin('vouch as v', (join) =>
        join.onRef('v.club_id', '=', 's.club_id').onRef('v.record_id', '=', 's.sighting_id'),
      )
      .selectAll('s')
      .select('v.recorded_at as vouched_at')
      .where(counts)
      .$if(aircraftId !== null, (query) => query.where('s.aircraft_id', '=', aircraftId))
      .execute();
  const endings = await tx
    .selectFrom('counted_document_sighting as s')
    .leftJoin('vouch as v', (join) =>
      join.onRef('v.club_id', '=', 's.club_id').onRef('v.record_id', '=', 's.sighting_id'),
    )
    .selectAll('s')
    .select('v.recorded_at as vouched_at')
    .where('ended_on', 'is not', null)
    .$if(aircraftId !== null, (query) => query.where('s.aircraft_id', '=', aircraftId))
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
          .selectFrom('counted_document_sighting as s')
          .leftJoin('vouch as v', (join) =>
            join.onRef('v.club_id', '=', 's.club_id').onRef('v.record_id', '=', 's.sighting_id'),
          )
          .selectAll('s')
          .select('v.recorded_at as vouched_at')
          .where(counts)
          .whereRef('s.club_id', '=', 'a.club_id')
          .whereRef('s.aircraft_id', '=', 'a.aircraft_id')
          .whereRef('s.kind', '=', 'k.kind')
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
                .selectFrom('counted_meter_reading as r')
                .selectAll('r')
                .whereRef('r.club_id', '=', 'a.club_id')
                .whereRef('r.aircraft_id', '=', 'a.aircraft_id')
                .whereRef('r.meter', '=', 'n.meter')
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
 * How much of an aircraft's records is read: what can change an answer about the present; that with everything a page lists; or all that
 * an answer about any moment that is over rests on, without the walk-round, which is another at every moment.
 */
export type Reach = 'present' | 'whole' | 'history';

/**
 * The raw rows behind a list of aircraft. Separate from the mapping so that the two can be measured side by side.
 * @param reach `present` leaves out what cannot change an answer about the present: discrepancies that an entry without faults has
 * closed, older document checks, older readings of a meter whose records agree, and flights that are long back
 * @param everyReading reads older readings anyway, as the person who judges whether they agree needs them
 */
export async function readFactRows(
  tx: ClubTransaction,
  aircraftId: string | null,
  reach: Reach,
  everyReading = false,
) {
  const presentOnly = reach === 'present';
  const one = <Q extends { where: (column: never, op: never, value: never) => Q }>(
    query: Q,
    column = 'aircraft_id',
  ): Q => (aircraftId === null ? query : query.where(column as never, '=' as never, aircraftId as never));
  const aircraft = await one(tx.selectFrom('aircraft').selectAll()).orderBy('registration').execute();
  const documents = await readDocuments(tx, aircraftId, reach === 'history');
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
  const others = [
    ...(await readOthers(tx, aircraftId, presentOnly)),
    ...(presentOnly ? await readLatestOnRamp(tx, aircraftId) : []),
  ];
  const walkrounds =
    reach === 'history'
      ? { rows: [], events: [] }
      : await readWalkroundRows(tx, aircraftId === null ? null : { aircraft: aircraftId });
  const { required } = await readMethod(tx);
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
    walkrounds,
    // Of a moment that is over its own walk-rounds say it.
    method: { required: required && reach !== 'history' },
  };
}

/** Rows of `readFactRows`. */
export type FactRows = Awaited<ReturnType<typeof readFactRows>>;
