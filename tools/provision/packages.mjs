// Installs the npm packages from the lock file, only when it changed since the last time.
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PROJECT } from './places.mjs';
import { run } from './steps.mjs';

/** Runs `npm ci` when node_modules does not match the lock file. @param {string} log @param {string} folder where both are */
export async function ensureNpmPackages(log, folder = PROJECT) {
  const stamp = join(folder, 'node_modules', '.groval-lock');
  const hash = createHash('sha256')
    .update(readFileSync(join(folder, 'package-lock.json')))
    .update(process.version)
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return 'already there';
  await run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund'], { cwd: folder, log });
  writeFileSync(stamp, hash);
  return 'installed';
}
