import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { alert, expect, row, signIn, test } from './groval';

/** A server of this test's own, on the same database, which may be killed. */
function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer().once('error', reject).listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => { resolve(typeof address === 'object' && address !== null ? address.port : 0); });
    });
  });
}

async function start(port: number): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '--hostname', '127.0.0.1', '--port', String(port)], {
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', GROVAL_DEMO_PASSWORD: 'tern-bay-demo', GROVAL_URL: `http://127.0.0.1:${port}` }, stdio: 'ignore',
  });
  await expect.poll(() => fetch(`http://127.0.0.1:${port}/api/health`).then((answer) => answer.ok, () => false), { timeout: 30_000 }).toBe(true);
  return child;
}

const gone = (child: ChildProcess, signal: NodeJS.Signals) => new Promise<number | null>((resolve) => { child.once('exit', (code) => { resolve(code); }); child.kill(signal); });

test('an open desk whose server was killed says so, and catches up by itself', async ({ browser }) => {
  const port = await freePort();
  let server = await start(port);
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}`, viewport: { width: 1280, height: 800 } });
  try {
    const page = await signIn(await context.newPage(), 'dispatcher');
    await expect(row(page, 'N00TB')).toBeVisible();
    await gone(server, 'SIGKILL');
    await expect(alert(page)).toContainText('do not release from it', { timeout: 30_000 });
    server = await start(port);
    await expect(alert(page)).toHaveCount(0, { timeout: 30_000 });
    await expect(row(page, 'N00TB')).toContainText('Grounded');
  } finally {
    await context.close();
    await gone(server, 'SIGTERM');
  }
});

test('a server that is asked to end does so in order, open streams and all', async ({ browser }) => {
  const port = await freePort();
  const server = await start(port);
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}` });
  const page = await signIn(await context.newPage(), 'dispatcher');
  await expect(row(page, 'N00TB')).toBeVisible();
  // 143 is the framework's way to say that it was asked to.
  expect([0, 143]).toContain(await gone(server, 'SIGTERM'));
  await context.close();
});
