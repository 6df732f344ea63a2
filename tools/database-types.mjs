// npm run db:types -- OWNER_URL [--verify]
// Writes the types of the live schema to src/db/schema.generated.ts; --verify only compares.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { PROJECT } from './provision/places.mjs';

const [url, ...flags] = process.argv.slice(2);
if (!url) {
  process.stderr.write('usage: npm run db:types -- DATABASE_URL [--verify]\n');
  process.exit(2);
}
const done = spawnSync(
  join(PROJECT, 'node_modules/.bin/kysely-codegen'),
  [
    '--dialect',
    'postgres',
    '--url',
    url,
    '--default-schema',
    'groval',
    '--include-pattern',
    'groval.*',
    '--exclude-pattern',
    'groval.counted_*',
    '--date-parser',
    'string',
    '--numeric-parser',
    'string',
    '--out-file',
    join(PROJECT, 'src/db/schema.generated.ts'),
    ...flags.filter((flag) => flag === '--verify'),
  ],
  { stdio: 'inherit' },
);
process.exit(done.status ?? 1);
