// Starts the production server as a child, waits until it answers, and ends it in order.
import { spawn } from 'node:child_process';
import { closeSync, openSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PROJECT } from './places.mjs';
import { Explained } from './steps.mjs';

const READY_MS = 60_000;

/** Arguments for Node that start the production server. */
export const serverArguments = (host, port) => [
  join(PROJECT, 'tools', 'server.mjs'),
  '--hostname',
  host,
  '--port',
  String(port),
];

async function answers(url) {
  try {
    return (await fetch(`${url}/api/health`, { signal: AbortSignal.timeout(2000) })).ok;
  } catch {
    return false;
  }
}

/**
 * @param {{ host: string, port: number, log: string, env: Record<string, string> }} options
 * @returns {Promise<{ child: import('node:child_process').ChildProcess, url: string, stop: () => Promise<void> }>}
 */
export async function serve({ host, port, log, env }) {
  const out = openSync(log, 'a');
  // Its standard input is our pipe: when we are gone, however that came, it ends too.
  const child = spawn(process.execPath, serverArguments(host, port), {
    cwd: PROJECT,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      GROVAL_EXIT_WITH_PARENT: '1',
      ...env,
    },
    stdio: ['pipe', out, out],
    // A group of its own: Ctrl-C reaches us first, and we end it in order.
    detached: true,
  });
  closeSync(out);
  let over = false;
  const ended = new Promise((resolve) => {
    child.once('exit', () => {
      over = true;
      resolve();
    });
    child.once('error', () => {
      over = true;
      resolve();
    });
  });
  const url = `http://${host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host.includes(':') ? `[${host}]` : host}:${port}`;
  const until = Date.now() + READY_MS;
  while (!over && !(await answers(url))) {
    if (Date.now() > until) {
      child.kill('SIGKILL');
      over = true;
      break;
    }
    await new Promise((resolve) => {
      setTimeout(resolve, 100);
    });
  }
  if (over)
    throw new Explained(
      `The server did not start; its output is in ${log}\n${readFileSync(log, 'utf8').split('\n').slice(-15).join('\n')}`,
    );
  const stop = async () => {
    if (!over) child.kill('SIGTERM');
    const timer = setTimeout(() => {
      child.kill('SIGKILL');
    }, 10_000);
    await ended;
    clearTimeout(timer);
  };
  return { child, url, stop };
}
