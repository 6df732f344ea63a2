// npm run new-password -- EMAIL: for somebody who has forgotten their password and whom no club's administrator may help: prints another one, once,
// and ends all their sessions. For the person who runs the server and has seen that it is really them. DATABASE_URL is the application's connection.
import { randomBytes } from 'node:crypto';
import { hashPassword } from 'better-auth/crypto';
import { findAccount, setPassword } from '../src/db/club/accounts';
import { asPerson } from '../src/db/kernel/club-transaction';
import { openDatabase, openPool } from '../src/db/kernel/connection';

const [email] = process.argv.slice(2);
const url = process.env['DATABASE_URL'] ?? '';
const complain = (text: string, code: number): never => {
  process.stderr.write(`${text}\n`);
  process.exit(code);
};
if (email === undefined) complain('usage: npm run new-password -- somebody@example.org', 2);
if (url === '')
  complain('DATABASE_URL is not set. Expected the address of the database for the application’s role.', 2);
const db = openDatabase(openPool(url, 1));
const word = randomBytes(12).toString('base64url');
const hash = await hashPassword(word);
const found = await asPerson(db, 'nobody', async (tx) => {
  const account = await findAccount(tx, { email: (email ?? '').trim().toLowerCase() });
  if (account !== undefined) await setPassword(tx, account.personId, hash);
  return account;
});
await db.destroy();
if (found === undefined) complain(`Nobody signs in by ${email ?? ''}.`, 1);
process.stdout.write(
  `${email ?? ''} signs in by this password from now on, and changes it under Account:\n\n    ${word}\n\nEvery session of theirs has ended.\n`,
);
