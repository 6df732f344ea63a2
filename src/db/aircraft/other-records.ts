import { sql } from 'kysely';
import type { Signature } from '@/core/records/club/certificate';
import { QUANTITY_NAMES } from '@/core/records/walkround/measurement';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { storedBody } from './other-bodies';
import type { OtherBodies, OtherKind, OtherRecord } from './other-kinds';

/** Writes such records. @param awaitsVouch true for copies: they count once somebody vouches for them */
export async function insertOthers(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  recordedBy: string,
  records: readonly OtherRecord[],
  awaitsVouch = false,
): Promise<void> {
  if (records.length === 0) return;
  await tx
    .insertInto('aircraft_record')
    .values(
      records.map(({ id, kind, happenedAt, recordedAt, body }) => ({
        club_id: clubId,
        record_id: id,
        aircraft_id: aircraftId,
        kind,
        body: JSON.stringify(body),
        happened_at: new Date(happenedAt),
        recorded_at: new Date(recordedAt),
        recorded_by: recordedBy,
        awaits_vouch: awaitsVouch,
      })),
    )
    .execute();
}

/** The raw rows. @param withoutRamp leaves out what was measured and sampled, of which the latest is enough about the present */
export async function readOthers(tx: ClubTransaction, aircraftId: string | null, withoutRamp = false) {
  return (
    tx
      .selectFrom('aircraft_record as r')
      .leftJoin('vouch as v', (join) =>
        join.onRef('v.club_id', '=', 'r.club_id').onRef('v.record_id', '=', 'r.record_id'),
      )
      .select([
        'r.aircraft_id',
        'r.record_id',
        'r.kind',
        'r.body',
        'r.recorded_at',
        'r.awaits_vouch',
        'v.recorded_at as vouched_at',
      ])
      // A copied release would take the place of the one that holds: it is not there before somebody vouches for it.
      .where((where) =>
        where.or([
          where('r.awaits_vouch', '=', false),
          where('r.kind', '<>', 'release'),
          where('v.vouch_id', 'is not', null),
        ]),
      )
      .$if(aircraftId !== null, (query) => query.where('r.aircraft_id', '=', aircraftId))
      .$if(withoutRamp, (query) => query.where('r.kind', 'not in', ['measurement', 'sample']))
      .execute()
  );
}

/** So many of the newest figures of a quantity hold at least one of each tank, side or wheel; and so many samples one of each drain. */
const NEWEST = 40;

/**
 * The newest measurements of each quantity and the newest samples; and every sample that was not clean,
 * however old: it speaks until somebody dealt with it. Found by index, without reading the years before.
 */
export async function readLatestOnRamp(tx: ClubTransaction, aircraftId: string | null) {
  const columns = sql`r.aircraft_id, r.record_id, r.kind, r.body, r.recorded_at, r.awaits_vouch, null::timestamptz as vouched_at`;
  const { rows } = await sql<Awaited<ReturnType<typeof readOthers>>[number]>`
    select m.* from aircraft a
      cross join (select unnest(${QUANTITY_NAMES as readonly string[]}::text[]) as quantity) q
      cross join lateral (select ${columns} from aircraft_record r
        where r.club_id = a.club_id and r.aircraft_id = a.aircraft_id and r.kind = 'measurement' and r.body->>'quantity' = q.quantity
        order by r.happened_at desc fetch first ${NEWEST} rows with ties) m
      where ${aircraftId}::uuid is null or a.aircraft_id = ${aircraftId}::uuid
    union
    select s.* from aircraft a
      cross join lateral (select ${columns} from aircraft_record r
        where r.club_id = a.club_id and r.aircraft_id = a.aircraft_id and r.kind = 'sample' and r.body->>'quantity' is null
        order by r.happened_at desc fetch first ${NEWEST} rows with ties) s
      where ${aircraftId}::uuid is null or a.aircraft_id = ${aircraftId}::uuid
    union
    select ${columns} from aircraft_record r
      where r.kind = 'sample' and coalesce(r.body->>'result', '') <> 'clean' and (${aircraftId}::uuid is null or r.aircraft_id = ${aircraftId}::uuid)`.execute(
    tx,
  );
  return rows;
}

/** A signature that was copied from paper, with who vouched for the copy. */
export function copiedSignature(signature: Signature | null, vouchedAt: Date | null): Signature | null {
  return signature === null
    ? null
    : { ...signature, vouched: vouchedAt === null ? 'nobody' : { recordedAt: storedInstant(vouchedAt) } };
}

type Copies = {
  readonly [K in OtherKind]?: (body: OtherBodies[K], vouchedAt: Date | null) => OtherBodies[K];
};
const COPIES: Copies = {
  done: (copied, vouchedAt) => ({
    ...copied,
    done: { ...copied.done, signedBy: copiedSignature(copied.done.signedBy, vouchedAt) },
  }),
  compliance: (copied, vouchedAt) => ({
    ...copied,
    done: { ...copied.done, signedBy: copiedSignature(copied.done.signedBy, vouchedAt) },
  }),
  release: (copied, vouchedAt) =>
    vouchedAt === null ? copied : { ...copied, recordedAt: storedInstant(vouchedAt) },
};

/** What a copy says, with who vouched for it. Only kinds that can be copied from paper wait. */
export function copyOf<K extends OtherKind>(
  kind: K,
  body: OtherBodies[K],
  vouchedAt: Date | null,
): OtherBodies[K] {
  const copy: Copies[K] = COPIES[kind];
  if (copy === undefined) throw new Error(`records of kind ${kind} never wait for anybody to vouch for them`);
  return copy(body, vouchedAt);
}

/** An aircraft's records of one kind, oldest first. */
export async function othersOfKind<K extends OtherKind>(
  tx: ClubTransaction,
  aircraftId: string | null,
  kind: K,
): Promise<readonly OtherBodies[K][]> {
  const rows = await tx
    .selectFrom('aircraft_record')
    .select(['record_id', 'body'])
    .$if(aircraftId !== null, (query) => query.where('aircraft_id', '=', aircraftId))
    .where('kind', '=', kind)
    .orderBy('recorded_at')
    .orderBy('record_id')
    .execute();
  return rows.map(({ record_id: id, body }) => storedBody(kind, body, id));
}

/** Whether somebody has recorded an inspection or a completion under this id already. */
export async function entryExists(tx: ClubTransaction, id: string, personId: string): Promise<boolean> {
  const [inspection, other] = [
    await tx
      .selectFrom('inspection')
      .select('inspection_id')
      .where('inspection_id', '=', id)
      .where('recorded_by', '=', personId)
      .executeTakeFirst(),
    await tx
      .selectFrom('aircraft_record')
      .select('record_id')
      .where('record_id', '=', id)
      .where('recorded_by', '=', personId)
      .executeTakeFirst(),
  ];
  return inspection !== undefined || other !== undefined;
}

/** Where one such record belongs. */
export async function findOther(
  tx: ClubTransaction,
  recordId: string,
): Promise<{ readonly aircraftId: string; readonly kind: string; readonly recordedBy: string } | undefined> {
  const row = await tx
    .selectFrom('aircraft_record')
    .select(['aircraft_id', 'kind', 'recorded_by'])
    .where('record_id', '=', recordId)
    .executeTakeFirst();
  return row === undefined
    ? undefined
    : { aircraftId: row.aircraft_id, kind: row.kind, recordedBy: row.recorded_by };
}

/** Whether a version of the maintenance release was written after this one. */
export async function newerReleaseThan(
  tx: ClubTransaction,
  aircraftId: string,
  recordId: string,
): Promise<boolean> {
  const newer = await tx
    .selectFrom('aircraft_record as r')
    .innerJoin('aircraft_record as of', (join) =>
      join.onRef('of.club_id', '=', 'r.club_id').onRef('of.aircraft_id', '=', 'r.aircraft_id'),
    )
    .select('r.record_id')
    .where('r.aircraft_id', '=', aircraftId)
    .where('r.kind', '=', 'release')
    .where('of.record_id', '=', recordId)
    .whereRef('r.record_id', '<>', 'of.record_id')
    .whereRef('r.recorded_at', '>=', 'of.recorded_at')
    .executeTakeFirst();
  return newer !== undefined;
}
