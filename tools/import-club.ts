// npm run import-club -- FILE: brings a whole club from its archive into an empty installation. DATABASE_URL is the application's connection.
import { readFileSync } from 'node:fs';
import { importClub } from '../src/commands/exchange/import-club';
import { openDatabase, openPool } from '../src/db/kernel/connection';

const [file] = process.argv.slice(2);
const url = process.env['DATABASE_URL'];
const complain = (text: string, code: number): never => {
  process.stderr.write(`${text}\n`);
  process.exit(code);
};
if (file === undefined) complain('usage: npm run import-club -- FILE.groval.json', 2);
if (url === undefined || url === '')
  complain('DATABASE_URL is not set. Expected the address of the database for the application’s role.', 2);
let given: unknown = null;
try {
  given = JSON.parse(readFileSync(file ?? '', 'utf8'));
} catch (error) {
  complain(`${file ?? ''} cannot be read: ${error instanceof Error ? error.message : String(error)}`, 2);
}
const db = openDatabase(openPool(url ?? '', 2));
const outcome = await importClub({ db }, given);
await db.destroy();
if (!outcome.ok) complain(outcome.refusal.message, 1);
else
  process.stdout.write(
    `The club is there: ${outcome.value.rows} records. Its people have no accounts here yet: passwords are not part of an archive.\n`,
  );
