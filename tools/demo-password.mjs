// One home for the demo's public password: scripts without TypeScript read it from the demo's own file.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PROJECT } from './provision/places.mjs';

const found = /DEMO_PASSWORD = '([^']+)'/.exec(readFileSync(join(PROJECT, 'demo', 'people.ts'), 'utf8'));
if (found === null) throw new Error('demo/people.ts names no DEMO_PASSWORD');
/** The password of every demo account. */
export const DEMO_PASSWORD = found[1];
