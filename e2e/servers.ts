import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { expect } from './groval';

/** A port that nobody listens on, below those that outgoing connections get: one of these could take it while a server is started again. */
export async function freePort(): Promise<number> {
  for (let tries = 0; tries < 50; tries += 1) {
    const port = 20_000 + Math.floor(Math.random() * 12_000);
    const isFree = await new Promise<boolean>((resolve) => {
      const probe = createServer()
        .once('error', () => {
          resolve(false);
        })
        .listen(port, '127.0.0.1', () => {
          probe.close(() => {
            resolve(true);
          });
        });
    });
    if (isFree) return port;
  }
  throw new Error('no port is free');
}

/** A server of a test's own, which may be killed. @param heard gets what it prints */
export async function startServer(
  port: number,
  env: Readonly<Record<string, string | undefined>> = {},
  heard: (text: string) => void = () => {
    /* not listened to */
  },
): Promise<ChildProcess> {
  const child = spawn(
    process.execPath,
    ['tools/server.mjs', '--hostname', '127.0.0.1', '--port', String(port)],
    {
      env: {
        ...process.env,
        NODE_ENV: 'production',
        NEXT_TELEMETRY_DISABLED: '1',
        GROVAL_DEMO_PASSWORD: 'tern-bay-demo',
        GROVAL_URL: `http://127.0.0.1:${port}`,
        ...env,
      },
      stdio: ['ignore', 'pipe', 'ignore'],
    },
  );
  child.stdout.on('data', (text: Buffer) => {
    heard(text.toString('utf8'));
  });
  await expect
    .poll(
      () =>
        fetch(`http://127.0.0.1:${port}/api/health`).then(
          (answer) => answer.ok,
          () => false,
        ),
      { timeout: 60_000 },
    )
    .toBe(true);
  return child;
}

/** Ends a server and answers its exit code. */
export const gone = (child: ChildProcess, signal: NodeJS.Signals) =>
  new Promise<number | null>((resolve) => {
    // One that is gone already says so no more.
    if (child.exitCode !== null || child.signalCode !== null) {
      resolve(child.exitCode);
      return;
    }
    child.once('exit', (code) => {
      resolve(code);
    });
    child.kill(signal);
  });
