// Installs the Debian packages that are missing, as root or through sudo.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { Explained } from './steps.mjs';

const POSTGRES = '/usr/lib/postgresql';

/** The newest installed PostgreSQL's program folder, or undefined. */
export function postgresPrograms() {
  if (!existsSync(POSTGRES)) return undefined;
  const version = readdirSync(POSTGRES)
    .filter((name) =>
      ['initdb', 'pg_ctl', 'postgres'].every((program) => existsSync(join(POSTGRES, name, 'bin', program))),
    )
    .sort((a, b) => Number(b) - Number(a))[0];
  return version === undefined ? undefined : join(POSTGRES, version, 'bin');
}

/** The Chromium that the browser tests drive, or undefined. The one without windows does the same with a fifth less work. */
export function chromiumProgram() {
  return ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) =>
    existsSync(path),
  );
}

const WANTED = {
  postgresql: { there: () => postgresPrograms() !== undefined },
  'chromium-headless-shell': { there: () => chromiumProgram() !== undefined },
};

// Installing a server package starts a cluster of its own on port 5432, which nobody asked for.
// Debian's own switch for that is a policy file; it is put back as it was right after.
const INSTALL = `set -e
export DEBIAN_FRONTEND=noninteractive
made=no
if [ ! -e /usr/sbin/policy-rc.d ]; then printf '#!/bin/sh\\nexit 101\\n' > /usr/sbin/policy-rc.d; chmod 755 /usr/sbin/policy-rc.d; made=yes; fi
trap 'if [ "$made" = yes ]; then rm -f /usr/sbin/policy-rc.d; fi' EXIT
apt-get update -q
apt-get install -q -y --no-install-recommends "$@"
`;

/**
 * Makes sure that the named Debian packages are there.
 * @param {('postgresql' | 'chromium-headless-shell')[]} names
 * @param {string} log path of the log file
 * @returns {string} what was done, in a few words
 */
export function ensureDebianPackages(names, log) {
  const missing = names.filter((name) => !WANTED[name].there());
  if (missing.length === 0) return 'already there';
  const byHand = `Install them by hand and start again: apt-get install ${missing.join(' ')}`;
  if (!existsSync('/usr/bin/apt-get'))
    throw new Explained(`Missing: ${missing.join(', ')}, and this machine has no apt-get. ${byHand}`);
  const root = process.getuid?.() === 0;
  if (!root && spawnSync('sudo', ['--version']).error)
    throw new Explained(
      `Missing: ${missing.join(', ')}. Installing needs root or sudo, and sudo is not here. ${byHand}`,
    );
  const shell = ['sh', '-c', `(${INSTALL}) > "$0" 2>&1`, log, ...missing];
  const done = root
    ? spawnSync(shell[0], shell.slice(1), { stdio: 'inherit' })
    : spawnSync('sudo', shell, { stdio: 'inherit' });
  if (done.status !== 0 || missing.some((name) => !WANTED[name].there())) {
    throw new Explained(`Installing ${missing.join(', ')} failed; the output is in ${log}. ${byHand}`);
  }
  return `installed ${missing.join(', ')}`;
}
