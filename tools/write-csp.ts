// Takes the hashes of the inline scripts from the static pages of the build, for the content security policy.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const pages = readdirSync('.next/server/app', { recursive: true, encoding: 'utf8' }).filter((name) =>
  name.endsWith('.html'),
);
if (pages.length === 0) throw new Error('the build has no static pages: every page must be a static shell');
const hashes = new Set<string>();
for (const page of pages) {
  for (const [, script] of readFileSync(join('.next/server/app', page), 'utf8').matchAll(
    /<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g,
  )) {
    if (script !== undefined && script !== '')
      hashes.add(`'sha256-${createHash('sha256').update(script).digest('base64')}'`);
  }
}
writeFileSync('.next/script-hashes.json', JSON.stringify([...hashes].sort()));
process.stdout.write(`${hashes.size} inline scripts of ${pages.length} pages\n`);
