import { alert, expect, row, signIn, test } from './groval';
import { freePort, gone, startServer as start } from './servers';

test('an open desk whose server was killed says so, and catches up by itself', async ({ browser }) => {
  const port = await freePort();
  let server = await start(port);
  const context = await browser.newContext({
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
  });
  try {
    const page = await signIn(await context.newPage(), 'dispatcher');
    await expect(row(page, 'N00TB')).toBeVisible();
    // The page itself is still arriving while its first row is there: what is cut off then says that it could not load.
    const wall = await context.newPage();
    await wall.goto('/wall');
    const onWall = wall.getByRole('listitem').filter({ hasText: 'N00TB' });
    await expect(onWall).toContainText('Grounded');
    await page.waitForTimeout(3000);
    await gone(server, 'SIGKILL');
    await expect(alert(page)).toContainText('do not release from it', { timeout: 30_000 });
    // The wall keeps what it shows, and says since when it may be old.
    await expect(alert(wall)).toContainText('No connection since', { timeout: 30_000 });
    await expect(onWall).toContainText('Grounded');
    server = await start(port);
    await expect(alert(wall)).toHaveCount(0, { timeout: 30_000 });
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
