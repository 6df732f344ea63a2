// npm run bench: what is measured, in one run. tools/bench.mjs makes the database and the server and calls this.
import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { BULK_LIMITS, openDatabase, openPool } from '../src/db/kernel/connection';
import { instantFromMilliseconds } from '../src/core/time/instant';
import { benchDecide } from './decide';
import { benchFindings, benchFindingsPage, withNewFindings } from './findings';
import { ageOneAircraft, benchFolder } from './folder';
import { benchImport } from './import';
import { makeLargeClub } from './large-club';
import { benchLine } from './line';
import { benchLineInTime } from './line-in-time';
import { benchLive } from './live';
import type { Figure } from './measure';
import { benchPage } from './page';
import { benchRamp } from './ramp';
import { benchRoutes } from './routes';

function need(name: string): string {
  const value = process.env[name];
  if (value === undefined || value === '')
    throw new Error(`${name} is not set: start the bench by npm run bench`);
  return value;
}

/** Somebody of the demo who dispatches in the large club too: nobody else of the bench signs in as they. */
const OF_TWO_CLUBS = 'instructor@ternbay.example';

const figures: Figure[] = [];
const report = (title: string, some: readonly Figure[]) => {
  process.stdout.write(`\n${title}\n`);
  for (const { name, value, note, met } of some)
    process.stdout.write(
      `  ${name.padEnd(62)} ${value.padStart(10)}${note === undefined ? '' : `   ${note}`}${met === undefined ? '' : met ? '   met' : '   NOT MET'}\n`,
    );
  figures.push(...some);
};

report('One decision', await benchDecide());

const pool = openPool(need('DATABASE_URL'), 4, BULK_LIMITS);
const db = openDatabase(pool);
const clubId = randomUUID();
let desk = '';
const superuser = new Client({ connectionString: need('GROVAL_BENCH_SUPERUSER_URL') });
await superuser.connect();
try {
  const now = instantFromMilliseconds(Date.now());
  const { rows } = await superuser.query<{ readonly id: string }>(
    'select id from auth."user" where email = $1',
    [OF_TWO_CLUBS],
  );
  desk = rows[0]?.id ?? '';
  await makeLargeClub(db, clubId, now, desk);
  await ageOneAircraft(db, clubId, now);
  // What the database does by itself within a minute of a bulk load: without it its first plans are guesses.
  await superuser.query('analyze');
  report('The Line', await benchLine(db, clubId, now));
  report('The Line in time', await benchLineInTime(db, clubId, now));
  report('The folder', await benchFolder(db, clubId, now));
  report('Bringing in', await benchImport(db, clubId, now));
} finally {
  await superuser.end();
  await db.destroy();
}

report('Live', await benchLive(need('GROVAL_URL')));
report('Routes', await benchRoutes(need('GROVAL_URL')));
report('Pages', await benchPage(need('GROVAL_URL'), { email: OF_TWO_CLUBS, clubId }));
report('The ramp', await benchRamp(need('GROVAL_URL')));
// Last: five thousand more findings would be in every other figure.
const again = openDatabase(openPool(need('DATABASE_URL'), 4, BULK_LIMITS));
try {
  const now = instantFromMilliseconds(Date.now());
  await withNewFindings(again, clubId, now);
  report('New findings', await benchFindings(again, clubId, now, desk));
} finally {
  await again.destroy();
}
report(
  'New findings in a browser',
  await benchFindingsPage(need('GROVAL_URL'), { email: OF_TWO_CLUBS, clubId }),
);
const met = figures.filter((figure) => figure.met !== undefined);
process.stdout.write(`\n${met.filter((figure) => figure.met).length} of ${met.length} budgets met\n`);
