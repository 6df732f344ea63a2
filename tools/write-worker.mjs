// Part of npm run build: writes public/ramp-offline.js, which keeps the ramp's page on the phone and names
// the files of this build, and public/notices-worker.js, which shows notices.
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

const PROJECT = fileURLToPath(new URL('..', import.meta.url));

const html = readFileSync(join(PROJECT, '.next/server/app/ramp.html'), 'utf8');
const named = (text, pattern) => [...text.matchAll(pattern)].map(([, url]) => url);
const files = new Set(
  named(html, /["'(](\/_next\/static\/[^"'()\\ ]+?\.(?:js|css|woff2|svg))(?:[?"'()\\ ])/gu),
);
// Fonts are named by the styles.
for (const url of [...files].filter((file) => file.endsWith('.css'))) {
  const css = readFileSync(join(PROJECT, '.next', url.replace('/_next/', '')), 'utf8');
  for (const font of named(css, /url\(([^)]+\.woff2)\)/gu))
    files.add(
      font.startsWith('/') ? font : new URL(font.replaceAll(/["']/gu, ''), `http://x${url}`).pathname,
    );
}
const revision = createHash('sha256').update(html).digest('hex').slice(0, 16);
const entries = [
  { url: '/ramp', revision },
  { url: '/icon.svg', revision },
  // Their names hold a digest of what they are.
  ...[...files].sort().map((url) => ({ url, revision: null })),
];
mkdirSync(join(PROJECT, 'public'), { recursive: true });
for (const [source, written] of [
  ['ramp-offline', 'ramp-offline'],
  ['notices', 'notices-worker'],
])
  await build({
    entryPoints: [join(PROJECT, `src/workers/${source}.ts`)],
    outfile: join(PROJECT, `public/${written}.js`),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: { RAMP_FILES: JSON.stringify(entries), 'process.env.NODE_ENV': '"production"' },
    logLevel: 'warning',
  });
process.stdout.write(`${entries.length} files are kept for the ramp\n`);
