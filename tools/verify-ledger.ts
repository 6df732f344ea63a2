// npm run verify-ledger: reads every chain of the ledger and says whether it is whole.
// GROVAL_SUPERUSER_URL is a superuser's connection to the application's database: only such a one sees every club.
import { Client } from 'pg';
import { checkChain, type LedgerRow } from './database/check-chain';

const url = process.env['GROVAL_SUPERUSER_URL'];
if (url === undefined || url === '') {
  process.stderr.write('GROVAL_SUPERUSER_URL is not set. Expected a superuser’s connection to the application’s database, such as postgres://postgres:…@127.0.0.1:5432/groval\n');
  process.exit(2);
}
const client = new Client({ connectionString: url });
await client.connect();
let chains = 0;
let entries = 0;
const troubles: string[] = [];
try {
  const { rows: found } = await client.query<{ club_id: string; chain: string }>('select distinct club_id, chain from groval.ledger order by 1, 2');
  for (const { club_id: club, chain } of found) {
    const { rows } = await client.query<LedgerRow>('select l.chain, l.seq, l.revision, l.body, l.previous, l.hash, a.revision as aircraft_revision from groval.ledger l left join groval.aircraft a on a.club_id = l.club_id and a.aircraft_id = l.aircraft_id where l.club_id = $1 and l.chain = $2 order by l.seq', [club, chain]);
    chains += 1;
    entries += rows.length;
    troubles.push(...checkChain(rows).map((trouble) => `club ${club}, ${chain}: ${trouble}`));
  }
} finally {
  await client.end();
}
for (const trouble of troubles) process.stderr.write(`${trouble}\n`);
process.stdout.write(`${entries} entries in ${chains} chains, ${troubles.length} ${troubles.length === 1 ? 'trouble' : 'troubles'}\n`);
process.exitCode = troubles.length > 0 ? 1 : 0;
