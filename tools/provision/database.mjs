// Roles, tables and (where wanted) demo data in a running cluster.
import { join } from 'node:path';
import { PROJECT } from './places.mjs';
import { run } from './steps.mjs';

/**
 * The environment of the application for a cluster.
 * @param {import('./cluster.mjs').Cluster} cluster @param {string} database @param {string} url address that people open
 */
export function applicationEnvironment(cluster, database, url) {
  const { app, secrets } = cluster.urls(database);
  return { DATABASE_URL: app, GROVAL_AUTH_SECRET: secrets.auth, GROVAL_URL: url };
}

/**
 * @param {import('./cluster.mjs').Cluster} cluster
 * @param {{ database: string, demo: boolean, log: string, env?: Record<string, string> }} options
 * @returns {Promise<string>} what was done, in a few words
 */
export async function prepareDatabase(cluster, { database, demo, log, env = {} }) {
  const { superuser, secrets } = cluster.urls(database);
  const text = await run(process.execPath, ['--import', 'tsx', join('tools', 'database', 'prepare.ts')], {
    cwd: PROJECT,
    log,
    env: {
      ...process.env,
      ...applicationEnvironment(cluster, database, 'http://127.0.0.1'),
      ...env,
      GROVAL_LOG_LEVEL: 'warn',
      GROVAL_SUPERUSER_URL: superuser,
      GROVAL_DATABASE: database,
      GROVAL_OWNER_WORD: secrets.owner,
      GROVAL_APP_WORD: secrets.app,
      GROVAL_PREPARE_DEMO: demo ? '1' : '',
    },
  });
  return text.trim().split('\n').at(-1) ?? '';
}
