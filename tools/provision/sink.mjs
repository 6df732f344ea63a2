// The demo's mail sink, as a process of its own.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { PROJECT } from './places.mjs';

/**
 * Starts the mail sink and waits until it listens.
 * @returns {Promise<{ smtp: string, page: string, stop: () => Promise<void> }>} where mail is sent to, where it is looked at, and what
 * ends it
 */
export async function startSink() {
  const child = spawn(process.execPath, ['--import', 'tsx', join('demo', 'stand-ins', 'mail-sink.ts')], {
    cwd: PROJECT,
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  const lines = createInterface({ input: child.stdout });
  const said = await new Promise((resolve, reject) => {
    lines.once('line', resolve);
    child.once('exit', (code) => reject(new Error(`the mail sink ended by itself (${code})`)));
  });
  child.removeAllListeners('exit');
  return {
    ...JSON.parse(said),
    stop: () =>
      new Promise((resolve) => {
        if (child.exitCode !== null || child.signalCode !== null) {
          resolve();
          return;
        }
        child.once('exit', () => resolve());
        child.kill('SIGTERM');
      }),
  };
}
