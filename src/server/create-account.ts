import { hashPassword } from 'better-auth/crypto';
import type { Pool } from 'pg';

/** A new account of the authentication library: its user and its password, hashed by the library's default. */
export async function createAccount(pool: Pool, account: { readonly personId: string; readonly name: string; readonly email: string; readonly password: string }): Promise<void> {
  const { personId, name, email, password } = account;
  const hash = await hashPassword(password);
  const client = await pool.connect();
  try {
    await client.query('begin');
    await client.query('insert into "user" (id, name, email, "emailVerified", "createdAt", "updatedAt") values ($1, $2, $3, true, clock_timestamp(), now())', [personId, name, email.toLowerCase()]);
    await client.query('insert into account (id, "accountId", "providerId", "userId", password, "updatedAt") values ($1, $1, $2, $1, $3, now())', [personId, 'credential', hash]);
    await client.query('commit');
  } catch (error) {
    await client.query('rollback');
    throw error;
  } finally {
    client.release();
  }
}
