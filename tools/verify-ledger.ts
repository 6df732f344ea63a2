// npm run verify-ledger [-- --heads FILE] [--save-heads FILE]: reads every chain of the ledger and every record, and says whether they hold each other.
// GROVAL_SUPERUSER_URL is a superuser's connection to the application's database: only such a one sees every club.
import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { verify, type SavedHeads } from './database/verify';

const complain = (text: string): never => {
  process.stderr.write(`${text}\n`);
  process.exit(2);
};
const url = process.env['GROVAL_SUPERUSER_URL'] ?? '';
if (url === '')
  complain(
    'GROVAL_SUPERUSER_URL is not set. Expected a superuser’s connection to the application’s database, such as postgres://postgres:…@127.0.0.1:5432/groval',
  );
const { values } = parseArgs({ options: { heads: { type: 'string' }, 'save-heads': { type: 'string' } } });
let saved: SavedHeads | null = null;
if (values.heads !== undefined) {
  const given = JSON.parse(readFileSync(values.heads, 'utf8')) as
    | SavedHeads
    | {
        readonly format: 'groval-club';
        readonly clubId: string;
        readonly heads: readonly { readonly chain: string; readonly seq: number; readonly hash: string }[];
      };
  if (given.format === 'groval-heads') saved = given;
  else if ((given.format as string) === 'groval-club')
    saved = { format: 'groval-heads', heads: given.heads.map((head) => ({ ...head, club: given.clubId })) };
  else complain(`${values.heads} holds no heads: expected a file of --save-heads, or the archive of a club.`);
}
const { clubs, chains, entries, records, heads, troubles } = await verify(url, saved);
for (const trouble of troubles) process.stderr.write(`${trouble}\n`);
if (values['save-heads'] !== undefined)
  writeFileSync(values['save-heads'], `${JSON.stringify(heads, null, 1)}\n`, { flag: 'wx' });
process.stdout.write(
  `${clubs} ${clubs === 1 ? 'club' : 'clubs'}, ${chains} chains with ${entries} entries, ${records} records: ${troubles.length} ${troubles.length === 1 ? 'trouble' : 'troubles'}\n`,
);
process.exitCode = troubles.length > 0 ? 1 : 0;
