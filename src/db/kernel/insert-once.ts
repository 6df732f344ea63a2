import type { Insertable } from 'kysely';
import type { ClubTransaction } from './connection';
import type { DB } from '../schema.generated';

/**
 * What came of writing a row whose key may be taken. An answer that nobody looks at loses a record without a word, so every function that
 * gives one has a name that ends in `Once`, and the lint refuses a call whose answer is dropped.
 */
export type Once = 'written' | 'there-already';

/**
 * Writes one row unless a row with this key is there; that one stays as it is. The only place in which an insert may do nothing.
 * @param key the columns that must be unique
 */
export async function insertOnce<Table extends keyof DB & string>(
  tx: ClubTransaction,
  table: Table,
  row: Insertable<DB[Table]>,
  key: readonly (keyof DB[Table] & string)[],
): Promise<Once> {
  // The builder cannot follow a table that is a type parameter; what comes in here is checked by this function's own types.
  const { numInsertedOrUpdatedRows: rows } = await tx
    .insertInto(table as 'strike')
    .values(row as never)
    .onConflict((conflict) => conflict.columns(key as never).doNothing())
    .executeTakeFirstOrThrow();
  return rows === 1n ? 'written' : 'there-already';
}
