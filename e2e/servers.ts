import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { expect } from './groval';

/** A port that nobody listens on. */
export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer()
      .once('error', reject)
      .listen(0, '127.0.0.1', () => {
        const address = probe.address();
        probe.close(() => {
          resolve(typeof address === 'object' && address !== null ? address.port : 0);
        });
      });
  });
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
      { timeout: 30_000 },
    )
    .toBe(true);
  return child;
}

/** Ends a server and answers its exit code. */
export const gone = (child: ChildProcess, signal: NodeJS.Signals) =>
  new Promise<number | null>((resolve) => {
    child.once('exit', (code) => {
      resolve(code);
    });
    child.kill(signal);
  });
