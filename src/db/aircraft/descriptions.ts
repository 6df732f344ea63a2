import type { FullBox } from '@/core/envelope/dimensions';
import {
  CATEGORIES,
  UNKNOWN_PARTICULARS,
  type Description,
  type Particulars,
} from '@/core/records/aircraft/aircraft';
import { oneOf, storedBoxes, storedDateOrNull, storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { reader } from '../kernel/stored-fields';

/** What aircraft were said to be after they were entered, oldest first. */
export function readDescriptions(tx: ClubTransaction, aircraftId: string | null) {
  return tx
    .selectFrom('aircraft_description')
    .select([
      'description_id',
      'aircraft_id',
      'category',
      'first_flown_on',
      'approved_for',
      'particulars',
      'recorded_at',
    ])
    .$if(aircraftId !== null, (query) => query.where('aircraft_id', '=', aircraftId))
    .orderBy('recorded_at')
    .orderBy('description_id')
    .execute();
}

/** Aircraft with what each was said to be last. */
export function describedAircraft(tx: ClubTransaction) {
  return tx
    .selectFrom('aircraft as a')
    .leftJoinLateral(
      (query) =>
        query
          .selectFrom('aircraft_description as x')
          .selectAll('x')
          .whereRef('x.club_id', '=', 'a.club_id')
          .whereRef('x.aircraft_id', '=', 'a.aircraft_id')
          .orderBy('x.recorded_at', 'desc')
          .orderBy('x.description_id', 'desc')
          .limit(1)
          .as('d'),
      (join) => join.onTrue(),
    )
    .select(['a.aircraft_id', 'a.registration', 'a.type_name', 'a.features', 'a.revision'])
    .select((select) => [
      select.fn.coalesce('d.particulars', 'a.particulars').as('particulars'),
      select
        .case()
        .when('d.description_id', 'is', null)
        .then(select.ref('a.category'))
        .else(select.ref('d.category'))
        .end()
        .as('category'),
      select
        .case()
        .when('d.description_id', 'is', null)
        .then(select.ref('a.first_flown_on'))
        .else(select.ref('d.first_flown_on'))
        .end()
        .as('first_flown_on'),
    ]);
}

type Row = Pick<
  Awaited<ReturnType<typeof readDescriptions>>[number],
  'description_id' | 'category' | 'first_flown_on' | 'approved_for' | 'recorded_at'
> & { readonly particulars: unknown };

/** What is on record of an aircraft's make and fittings. */
export const storedParticulars = reader<Particulars>(
  {
    serialNumber: 'text?',
    manufacturedOn: 'text?',
    certificatedOn: 'text?',
    seats: 'figure?',
    engine: 'text or group?',
    gear: 'text?',
    aircraftClass: 'text?',
    fuses: 'yes-no?',
    engineDrivenElectrical: 'yes-no?~',
    keptRigged: 'yes-no?~',
    programme: 'text?',
    ifrNavigation: 'text?',
    manualRevision: 'text?',
    minimumEquipmentList: 'text?',
    fuel: 'group?',
    authorised: 'list~',
    measured: 'list',
  },
  UNKNOWN_PARTICULARS,
);

/** A row as the core knows it. */
export function descriptionOf(row: Row): Description {
  return {
    id: row.description_id,
    recordedAt: storedInstant(row.recorded_at),
    category: oneOf(CATEGORIES, row.category, 'category'),
    firstFlownOn: storedDateOrNull(row.first_flown_on),
    approvedFor: storedBoxes(row.approved_for),
    // A description of before a field was there does not know it.
    particulars: storedParticulars(row.particulars, `description ${row.description_id}`),
  };
}

/** Writes one. */
export async function insertDescription(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  recordedBy: string,
  { id, recordedAt, category, firstFlownOn, approvedFor, particulars }: Description,
): Promise<void> {
  const boxes: readonly FullBox[] | null = approvedFor;
  await tx
    .insertInto('aircraft_description')
    .values({
      club_id: clubId,
      description_id: id,
      aircraft_id: aircraftId,
      category,
      first_flown_on: firstFlownOn,
      approved_for: boxes === null ? null : JSON.stringify(boxes),
      particulars: JSON.stringify(particulars),
      happened_at: new Date(recordedAt),
      recorded_at: new Date(recordedAt),
      recorded_by: recordedBy,
    })
    .execute();
}

/** Whether one was written under this id. */
export async function findDescription(tx: ClubTransaction, descriptionId: string): Promise<boolean> {
  return (
    (await tx
      .selectFrom('aircraft_description')
      .select('description_id')
      .where('description_id', '=', descriptionId)
      .executeTakeFirst()) !== undefined
  );
}
