// A fresh installation of this checkout's own for tools that need one and throw it away: packages, cluster, build.
import { join } from 'node:path';
import { ensureBuild } from './build.mjs';
import { Cluster } from './cluster.mjs';
import { ensureDebianPackages } from './debian.mjs';
import { takeLock } from './lock.mjs';
import { ensureNpmPackages } from './packages.mjs';
import { stateFolder } from './places.mjs';
import { Explained, step } from './steps.mjs';

/**
 * Makes it, has `work` use it, and ends whatever was started, however that ends.
 * @param {string} purpose its state folder
 * @param {string} what what is being done, for the message when it is being done already
 * @param {(made: { cluster: Cluster, log: (name: string) => string, closers: (() => unknown)[] }) => Promise<void>} work
 *   adds to `closers` what it starts; the last started is ended first
 */
export async function withInstallation(purpose, what, work) {
  const closers = [];
  const stop = async () => {
    for (const close of closers.splice(0).reverse()) await close();
  };
  for (const [signal, code] of [
    ['SIGINT', 130],
    ['SIGTERM', 143],
  ])
    process.on(signal, () => {
      void stop().then(() => process.exit(code));
    });
  try {
    const folder = stateFolder(purpose);
    const log = (name) => join(folder, 'logs', `${name}.log`);
    closers.push(takeLock(folder, what));
    await step('Debian packages', () =>
      ensureDebianPackages(['postgresql', 'chromium-headless-shell'], log('debian')),
    );
    await step('npm packages', () => ensureNpmPackages(log('npm')));
    const cluster = new Cluster(folder);
    closers.push(() => cluster.stop());
    cluster.remove();
    await step('database', () => cluster.start());
    await step('application', () => ensureBuild(log('build')));
    await work({ cluster, log, closers });
  } catch (error) {
    process.stderr.write(`${error instanceof Explained ? error.message : error.stack}\n`);
    process.exitCode = 1;
  } finally {
    await stop();
  }
}
