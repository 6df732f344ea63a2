// npm run restore -- FILE: puts a backup into an empty database. GROVAL_SUPERUSER_URL is a superuser's connection to that database; the
// roles must be there (npm run db:roles). A database that holds a club already is not touched.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { Client } from 'pg';
import { join } from 'node:path';
import { postgresPrograms } from './provision/debian.mjs';

const [file] = process.argv.slice(2);
const url = process.env.GROVAL_SUPERUSER_URL;
const complain = (text, code = 2) => {
  process.stderr.write(`${text}\n`);
  process.exit(code);
};
if (!file) complain('usage: npm run restore -- FILE');
if (!url)
  complain(
    'GROVAL_SUPERUSER_URL is not set. Expected a superuser’s connection to the empty database, such as postgres://postgres:…@db.example:5432/groval',
  );
if (!existsSync(file)) complain(`${file} is not there.`);

const client = new Client({ connectionString: url });
await client.connect();
const {
  rows: [found],
} = await client.query(
  `select to_regclass('groval.club') is not null as tables, exists (select from pg_roles where rolname = 'groval_owner') and exists (select from pg_roles where rolname = 'groval_app') as roles`,
);
if (!found.roles) {
  await client.end();
  complain('The roles groval_owner and groval_app are not there. Make them first: npm run db:roles');
}
if (found.tables && (await client.query('select exists (select from groval.club) as any')).rows[0].any) {
  await client.end();
  complain('This database holds a club already. A backup is put into an empty one; nothing was changed.', 1);
}
// Tables of a fresh installation without anything in them make way.
await client.query('drop schema if exists groval, auth, guard, migrations cascade');
await client.end();
const done = spawnSync(
  join(postgresPrograms() ?? '', 'pg_restore'),
  ['--exit-on-error', '--single-transaction', '--dbname', url, file],
  { stdio: ['ignore', 'inherit', 'inherit'] },
);
if (done.status !== 0)
  complain(
    'The backup was not put back; the reason stands above. The database is empty: try again.',
    done.status ?? 1,
  );
process.stdout.write(
  'Everything is back. Two more steps: npm run migrate (the job queue’s own tables), then look at it: npm run verify-ledger\n',
);
