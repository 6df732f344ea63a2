// npm run schemas: writes the JSON Schemas of the open formats into docs/. --check only compares.
import { readFileSync, writeFileSync } from 'node:fs';
import { SCHEMAS } from './cases/published-schemas';

const check = process.argv.includes('--check');
let stale = 0;
for (const { file, text } of SCHEMAS()) {
  const known = (() => {
    try {
      return readFileSync(file, 'utf8');
    } catch {
      return '';
    }
  })();
  if (known === text) continue;
  stale += 1;
  if (check) process.stderr.write(`${file} is not what the code says: run npm run schemas\n`);
  else writeFileSync(file, text);
}
process.stdout.write(`${stale} schemas ${check ? 'stale' : 'written'}\n`);
process.exitCode = check && stale > 0 ? 1 : 0;
