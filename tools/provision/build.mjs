// Makes the production build when any of its sources changed.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PROJECT } from './places.mjs';
import { run } from './steps.mjs';

const SOURCES = [
  'src',
  'next.config.ts',
  'tsconfig.json',
  'package-lock.json',
  'package.json',
  'tools/write-csp.ts',
  'tools/write-worker.mjs',
];

function* files(path) {
  if (!existsSync(path)) return;
  if (statSync(path).isFile()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) yield* files(join(path, name));
}

function sourceHash() {
  const hash = createHash('sha256');
  for (const source of SOURCES)
    for (const file of files(join(PROJECT, source))) {
      if (/\.test\.tsx?$/.test(file)) continue;
      hash.update(file.slice(PROJECT.length)).update('\0').update(readFileSync(file)).update('\0');
    }
  return hash.digest('hex');
}

/** Builds, unless the last complete build was of exactly these sources. @param {string} log */
export async function ensureBuild(log) {
  const stamp = join(PROJECT, '.next', 'groval-sources');
  const hash = sourceHash();
  const workers = ['ramp-offline.js', 'notices-worker.js'].map((name) => join(PROJECT, 'public', name));
  if (
    workers.every((worker) => existsSync(worker))
    && existsSync(stamp)
    && readFileSync(stamp, 'utf8') === hash
  )
    return 'up to date';
  await run('npm', ['run', 'build'], {
    cwd: PROJECT,
    log,
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
  });
  writeFileSync(stamp, hash);
  return 'built';
}
