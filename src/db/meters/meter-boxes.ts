import { sql } from 'kysely';
import type { BoxReading } from '@/core/records/meters/box-reading';
import type { Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';

/** A box as it is fitted. */
export interface MeterBox {
  readonly boxId: string;
  readonly aircraftId: string;
  readonly name: string;
  readonly offset: number;
  readonly fittedAt: Instant;
  readonly removed: boolean;
}

const boxes = (tx: ClubTransaction) =>
  tx
    .selectFrom('meter_box as b')
    .leftJoin('meter_box_end as e', (join) =>
      join.onRef('e.club_id', '=', 'b.club_id').onRef('e.box_id', '=', 'b.box_id'),
    )
    .select(['b.box_id', 'b.aircraft_id', 'b.name', 'b.offset_s', 'b.happened_at', 'e.box_id as ended']);

const boxOf = (row: Awaited<ReturnType<ReturnType<typeof boxes>['execute']>>[number]): MeterBox => ({
  boxId: row.box_id,
  aircraftId: row.aircraft_id,
  name: row.name,
  offset: row.offset_s,
  fittedAt: storedInstant(row.happened_at),
  removed: row.ended !== null,
});

/** Writes a box by the hash of its key; one under this id that is there already stays. Answers whether it was written. */
export async function insertBoxOnce(
  tx: ClubTransaction,
  clubId: string,
  box: {
    readonly boxId: string;
    readonly aircraftId: string;
    readonly name: string;
    readonly keyHash: Uint8Array;
    readonly offset: number;
    readonly at: Instant;
    readonly by: string;
  },
): Promise<Once> {
  const at = new Date(box.at);
  return insertOnce(
    tx,
    'meter_box',
    {
      club_id: clubId,
      box_id: box.boxId,
      aircraft_id: box.aircraftId,
      name: box.name,
      key_hash: Buffer.from(box.keyHash),
      offset_s: box.offset,
      happened_at: at,
      recorded_at: at,
      recorded_by: box.by,
    },
    ['club_id', 'box_id'],
  );
}

/** Takes a box out. Answers false where there is none such on that aircraft, or it was taken out already. */
export async function endBoxOnce(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  boxId: string,
  why: string,
  at: Instant,
  by: string,
): Promise<Once | 'none'> {
  if (
    (await tx
      .selectFrom('meter_box')
      .select('box_id')
      .where('box_id', '=', boxId)
      .where('aircraft_id', '=', aircraftId)
      .executeTakeFirst()) === undefined
  )
    return 'none';
  return insertOnce(
    tx,
    'meter_box_end',
    {
      club_id: clubId,
      box_id: boxId,
      why,
      happened_at: new Date(at),
      recorded_at: new Date(at),
      recorded_by: by,
    },
    ['club_id', 'box_id'],
  );
}

/** The box that has this key and is still fitted. */
export async function boxByKey(tx: ClubTransaction, keyHash: Uint8Array): Promise<MeterBox | undefined> {
  const row = await boxes(tx)
    .where('b.key_hash', '=', Buffer.from(keyHash))
    .where('e.box_id', 'is', null)
    .executeTakeFirst();
  return row === undefined ? undefined : boxOf(row);
}

/** The boxes of an aircraft, with what each said last by its own numbering; `fell` where it counts less by now than it did: then it was reset, and says nothing until it catches up. */
export async function boxesOf(
  tx: ClubTransaction,
  aircraftId: string,
): Promise<
  readonly (MeterBox & {
    readonly last: {
      readonly sequence: number;
      readonly total: number;
      readonly at: Instant;
      readonly fell: boolean;
    } | null;
  })[]
> {
  const rows = await boxes(tx)
    .where('b.aircraft_id', '=', aircraftId)
    .orderBy('b.happened_at')
    .orderBy('b.box_id')
    .execute();
  const last = await tx
    .selectFrom('box_reading')
    .distinctOn('box_id')
    .select(['box_id', 'sequence', 'total_s', 'happened_at'])
    .where('aircraft_id', '=', aircraftId)
    .orderBy('box_id')
    .orderBy('sequence', 'desc')
    .execute();
  const most = await tx
    .selectFrom('box_reading')
    .select('box_id')
    .select((select) => select.fn.max('total_s').as('most'))
    .where('aircraft_id', '=', aircraftId)
    .groupBy('box_id')
    .execute();
  return rows.map((row) => {
    const said = last.find((one) => one.box_id === row.box_id);
    return {
      ...boxOf(row),
      last:
        said === undefined
          ? null
          : {
              sequence: said.sequence,
              total: said.total_s,
              at: storedInstant(said.happened_at),
              fell: said.total_s < Number(most.find((one) => one.box_id === row.box_id)?.most ?? 0),
            },
    };
  });
}

/** A reading as a box sent it. */
export interface Sent {
  readonly sequence: number;
  readonly total: number;
  readonly value: number;
  readonly at: Instant;
}

/** The readings of a box under some of its numbers. */
export async function readingsUnder(
  tx: ClubTransaction,
  boxId: string,
  sequences: readonly number[],
): Promise<ReadonlyMap<number, number>> {
  const rows = await tx
    .selectFrom('box_reading')
    .select(['sequence', 'total_s'])
    .where('box_id', '=', boxId)
    .where('sequence', '=', sql<number>`any(${sequences}::int[])`)
    .execute();
  return new Map(rows.map((row) => [row.sequence, row.total_s]));
}

/** Writes readings under numbers that have none yet. */
export async function insertBoxReadings(
  tx: ClubTransaction,
  clubId: string,
  { boxId, aircraftId }: MeterBox,
  readings: readonly Sent[],
  recordedAt: Instant,
): Promise<void> {
  if (readings.length === 0) return;
  await tx
    .insertInto('box_reading')
    .values(
      readings.map(({ sequence, total, value, at }) => ({
        club_id: clubId,
        box_id: boxId,
        sequence,
        aircraft_id: aircraftId,
        total_s: total,
        value_s: value,
        happened_at: new Date(at),
        recorded_at: new Date(recordedAt),
      })),
    )
    .execute();
}

/** The raw rows that decisions rest on: all of them, or for the present only the highest of each box. */
export async function readBoxReadings(tx: ClubTransaction, aircraftId: string | null, presentOnly: boolean) {
  const columns = [
    'r.aircraft_id',
    'r.box_id',
    'r.sequence',
    'r.value_s',
    'r.happened_at',
    'r.recorded_at',
  ] as const;
  if (!presentOnly)
    return tx
      .selectFrom('box_reading as r')
      .select(columns)
      .$if(aircraftId !== null, (query) => query.where('r.aircraft_id', '=', aircraftId))
      .execute();
  return tx
    .selectFrom('meter_box as b')
    .innerJoinLateral(
      (query) =>
        query
          .selectFrom('box_reading as x')
          .selectAll('x')
          .whereRef('x.club_id', '=', 'b.club_id')
          .whereRef('x.aircraft_id', '=', 'b.aircraft_id')
          .whereRef('x.box_id', '=', 'b.box_id')
          .orderBy('x.value_s', 'desc')
          .limit(1)
          .as('r'),
      (join) => join.onTrue(),
    )
    .select(columns)
    .$if(aircraftId !== null, (query) => query.where('b.aircraft_id', '=', aircraftId))
    .execute();
}

/** A row as the core knows it. */
export function boxReadingOf(row: Awaited<ReturnType<typeof readBoxReadings>>[number]): BoxReading {
  return {
    id: `${row.box_id}/${row.sequence}`,
    box: row.box_id,
    value: row.value_s,
    happenedAt: storedInstant(row.happened_at),
    recordedAt: storedInstant(row.recorded_at),
  };
}
