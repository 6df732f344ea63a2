import type { Pool } from 'pg';

const MOST_FAILURES = 10;
const WINDOW_MINUTES = 15;

/**
 * Counts tries by account in the database, so that every copy of the application counts together and a made-up network
 * address does not help. A try is counted before the password is looked at: parallel guesses cannot slip through.
 */
export class SignInLimit {
  constructor(private readonly pool: Pool) {}

  /** Counts one try. False when the account has used up its tries. @param account the person's id or address */
  async mayTry(account: string): Promise<boolean> {
    const { rows } = await this.pool.query<{ failures: number }>(
      `insert into sign_in_attempt as a (account, failures, since) values ($1, 1, now())
       on conflict (account) do update set
         failures = case when a.since < now() - make_interval(mins => $2) then 1 else a.failures + 1 end,
         since = case when a.since < now() - make_interval(mins => $2) then now() else a.since end
       returning failures`, [account.toLowerCase(), WINDOW_MINUTES]);
    return (rows[0]?.failures ?? MOST_FAILURES + 1) <= MOST_FAILURES;
  }

  /** Forgets the tries after a right password. */
  async succeeded(account: string): Promise<void> {
    await this.pool.query('delete from sign_in_attempt where account = $1', [account.toLowerCase()]);
  }
}
