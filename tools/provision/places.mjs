// Where this checkout keeps its cluster, secrets and logs.
import { createHash } from 'node:crypto';
import { existsSync, lstatSync, mkdirSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Explained } from './steps.mjs';

/** The checkout's root folder. */
export const PROJECT = resolve(dirname(fileURLToPath(import.meta.url)), '..', '..');

const others = 0o001;

/** True when every folder above `path` lets another user pass through: PostgreSQL never runs as root. */
export function otherUsersMayReach(path) {
  for (let at = path; at !== '/'; at = dirname(at))
    if (existsSync(at) && (statSync(at).mode & others) === 0) return false;
  return true;
}

/**
 * The folder for everything that a start makes and git ignores: `.groval` in the checkout,
 * or one under /var/tmp named after the checkout where the database's user could not enter the first.
 * @param {string} purpose `demo`, `test` or `bench`: each has its own cluster, so that they can run side by side
 */
export function stateFolder(purpose) {
  const inside = join(PROJECT, '.groval');
  const isRoot = process.getuid?.() === 0;
  const name = `groval-${process.getuid?.() ?? 0}-${createHash('sha256').update(PROJECT).digest('hex').slice(0, 12)}`;
  const base = isRoot && !otherUsersMayReach(PROJECT) ? join('/var/tmp', name) : inside;
  mkdirSync(base, { recursive: true, mode: 0o711 });
  if (lstatSync(base).isSymbolicLink() || lstatSync(base).uid !== process.getuid?.())
    throw new Explained(`${base} belongs to somebody else. Remove it, or start as its owner.`);
  const folder = join(base, purpose);
  mkdirSync(join(folder, 'logs'), { recursive: true, mode: 0o711 });
  return folder;
}
