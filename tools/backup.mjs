// npm run backup -- FILE: everything that this installation keeps, accounts included, in one file of PostgreSQL's own format.
// GROVAL_SUPERUSER_URL is a connection that may read past row-level security, to the application's database.
import { spawnSync } from 'node:child_process';
import { existsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Client } from 'pg';
import { postgresPrograms } from './provision/debian.mjs';

const [file] = process.argv.slice(2);
const url = process.env.GROVAL_SUPERUSER_URL;
const complain = (text, code = 2) => {
  process.stderr.write(`${text}\n`);
  process.exit(code);
};
if (!file) complain('usage: npm run backup -- FILE');
if (!url)
  complain(
    'GROVAL_SUPERUSER_URL is not set. Expected a superuser’s connection to the database, such as postgres://postgres:…@db.example:5432/groval',
  );
if (existsSync(file))
  complain(`${file} is there already. A backup never overwrites another; choose a new name.`);
const done = spawnSync(
  join(postgresPrograms() ?? '', 'pg_dump'),
  [
    '--format=custom',
    '--file',
    file,
    '--dbname',
    url,
    '--schema=groval',
    '--schema=auth',
    '--schema=guard',
    '--schema=migrations',
  ],
  { stdio: ['ignore', 'inherit', 'inherit'] },
);
if (done.status !== 0) complain('The backup was not made; the reason stands above.', done.status ?? 1);
// Where every chain of the ledger ended: kept apart from the backup, they show whether anybody has cut one since (npm run verify-ledger -- --heads FILE).
const client = new Client({ connectionString: url });
await client.connect();
const { rows } = await client.query(
  "select club_id as club, chain, seq, encode(hash, 'base64') as hash from guard.head order by 1, 2",
);
await client.end();
writeFileSync(
  `${file}.heads.json`,
  `${JSON.stringify({ format: 'groval-heads', heads: rows.map((row) => ({ ...row, hash: row.hash.replaceAll('\n', '') })) }, null, 1)}\n`,
  { flag: 'wx' },
);
process.stdout.write(`Where the chains of its ledger end is in ${file}.heads.json: keep it elsewhere.\n`);
process.stdout.write(
  `Everything is in ${file}. Keep it like the aircraft’s records: it holds people’s names and the hashes of their passwords.\n`,
);
