import { sql } from 'kysely';
import type { ClubTransaction } from './connection';

/** The channel that live screens listen on. */
export const CHANNEL = 'groval';

/** What changed, sent when the transaction commits. */
export interface Change {
  readonly club: string;
  readonly aircraft: string;
  readonly revision: number;
}

/** Tells every listening process that an aircraft changed, once the transaction has committed. */
export async function notifyChange(tx: ClubTransaction, change: Change): Promise<void> {
  await sql`select pg_notify(${CHANNEL}, ${JSON.stringify(change)})`.execute(tx);
}
