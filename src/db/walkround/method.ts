import { USUAL_METHOD, type Method } from '@/core/walkround/method';
import type { Instant } from '@/core/time/instant';
import type { ClubTransaction } from '../kernel/connection';
import { reader } from '../kernel/stored-fields';

/** How a school walks round, and whether a flight waits for a walk-round on the phone. */
export interface SchoolMethod {
  readonly method: Method;
  /** True where a flight waits for it also when nobody has begun one. */
  readonly required: boolean;
  /** How often it was changed; 0 where nobody has said anything, and what is usual holds. */
  readonly number: number;
}

const stored = reader<Method & { readonly required: boolean }>({
  required: 'yes-no',
  laps: 'text',
  start: 'text',
  direction: 'text',
  samples: 'text',
  tieDowns: 'text',
  mode: 'text',
  between: 'text',
  batteryMinutes: 'figure?',
  interruptedAfter: 'figure',
  clearFuelBack: 'yes-no',
  drum: 'text?',
  order: 'list?',
});

/** The school's method as it was last said; what is usual where nobody has. */
export async function readMethod(tx: ClubTransaction): Promise<SchoolMethod> {
  const row = await tx
    .selectFrom('walkround_method')
    .select(['number', 'method'])
    .orderBy('number', 'desc')
    .limit(1)
    .executeTakeFirst();
  if (row === undefined) return { method: USUAL_METHOD, required: false, number: 0 };
  const { required, ...method } = stored(row.method, `walk-round method ${row.number}`);
  return { method, required, number: row.number };
}

/** Writes the school's method from now on. */
export async function insertMethod(
  tx: ClubTransaction,
  clubId: string,
  changeId: string,
  { method, required, number }: SchoolMethod,
  by: { readonly personId: string; readonly name: string },
  at: Instant,
): Promise<void> {
  await tx
    .insertInto('walkround_method')
    .values({
      club_id: clubId,
      number,
      change_id: changeId,
      method: JSON.stringify({ ...method, required }),
      said_by: by.name,
      happened_at: new Date(at),
      recorded_at: new Date(at),
      recorded_by: by.personId,
    })
    .execute();
}

/** Which change of the method has an id; undefined where none has. */
export async function findMethodChange(tx: ClubTransaction, changeId: string): Promise<number | undefined> {
  const row = await tx
    .selectFrom('walkround_method')
    .select('number')
    .where('change_id', '=', changeId)
    .executeTakeFirst();
  return row?.number;
}
