import { sql } from 'kysely';
import { inItsTurn } from './club-share';
import type { ClubTransaction, Database } from './connection';

/**
 * Runs `work` in one transaction that sees and writes only one club's rows: row-level security reads these settings.
 * They are local to the transaction, so a pooled connection never carries them to the next user.
 * @param turn whose share of the connections it uses: the club's own, or that of strangers who only name the club
 */
export function inClub<T>(
  db: Database,
  clubId: string,
  work: (tx: ClubTransaction) => Promise<T>,
  turn: string = clubId,
): Promise<T> {
  return inItsTurn(db, turn, () =>
    db.transaction().execute(async (tx) => {
      // The batch marks every row of this transaction: the ledger counts them by it.
      await sql`select set_config('groval.club', ${clubId}, true), set_config('groval.batch', gen_random_uuid()::text, true)`.execute(
        tx,
      );
      return work(tx);
    }),
  );
}

/** The same for what a person may see before a club is chosen: only their own memberships. */
export function asPerson<T>(
  db: Database,
  personId: string,
  work: (tx: ClubTransaction) => Promise<T>,
): Promise<T> {
  return db.transaction().execute(async (tx) => {
    await sql`select set_config('groval.person', ${personId}, true)`.execute(tx);
    return work(tx);
  });
}
