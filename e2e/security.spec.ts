import { alert, expect, expectNoViolations, test } from './groval';

const ANY = '0b9df6c4-3d8f-4c6e-9f0a-6a1d1f6f3f11';

test('nobody gets an answer without a session', async ({ request }) => {
  for (const path of [
    '/api/line',
    '/api/aircraft/N02TB',
    '/api/ramp',
    '/api/ramp/N02TB',
    '/api/me',
    '/api/events',
    `/api/photos/${ANY}`,
  ])
    expect([path, (await request.get(path)).status()]).toEqual([path, 401]);
  for (const path of ['/api/findings', '/api/returns'])
    expect([
      path,
      (
        await request.post(path, {
          data: {},
          headers: { origin: new URL(test.info().project.use.baseURL ?? '').origin },
        })
      ).status(),
    ]).toEqual([path, 401]);
});

test('a change from a foreign page is refused, with a session too', async ({ desk, baseURL }) => {
  const page = await desk('mechanic');
  const send = (origin: string) => page.request.post('/api/findings', { data: {}, headers: { origin } });
  expect((await send('https://elsewhere.example')).status()).toBe(403);
  expect((await send(baseURL ?? '')).status()).toBe(422);
});

test('roles are checked on the server, whatever a page shows', async ({ desk, baseURL }) => {
  const page = await desk('student');
  const entry = {
    rectificationId: ANY,
    discrepancyId: ANY,
    seenRevision: 1,
    work: 'repaired',
    description: 'Done.',
    completedOn: '2026-11-24',
    certificateId: ANY,
    password: 'tern-bay-demo',
  };
  const answer = await page.request.post('/api/returns', { data: entry, headers: { origin: baseURL ?? '' } });
  expect([answer.status(), await answer.json()]).toMatchObject([403, { error: { code: 'not-entitled' } }]);
});

test('the session cookie is out of reach of scripts, and pages allow only our own', async ({
  desk,
  troubles,
}) => {
  const page = await desk('dispatcher');
  const cookies = (await page.context().cookies()).filter(({ name }) => name.startsWith('groval'));
  expect(cookies.length).toBeGreaterThan(0);
  for (const cookie of cookies) expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Lax' });
  const policy = (await page.goto('/line'))?.headers()['content-security-policy'] ?? '';
  expect(policy).toContain("script-src 'self' 'sha256-");
  expect(policy).not.toMatch(/script-src[^;]*unsafe/);
  // What the policy is for: a script that was injected does not run.
  await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'window.injected = true';
    document.body.append(script);
  });
  expect(await page.evaluate(() => 'injected' in window)).toBe(false);
  await expect
    .poll(() => troubles.filter((trouble) => trouble.includes('Content Security Policy')))
    .toHaveLength(1);
  troubles.length = 0;
});

test('sign-in: a clear message, a limit by account that locks nobody out, and no sign-up', async ({
  page,
  request,
  baseURL,
  playwright,
}) => {
  await page.goto('/sign-in');
  await expectNoViolations(page);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('Enter your e-mail address.')).toBeVisible();
  await page.getByLabel('E-mail address').fill('safety-officer@ternbay.example');
  await page.getByLabel('Password').fill('not it, surely');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(alert(page)).toContainText('The address or the password is not right.');
  await expect(page.getByLabel('E-mail address')).toHaveValue('safety-officer@ternbay.example');
  const attempt = (email: string, address: string, password = 'wrong-wrong') =>
    request.post('/api/auth/sign-in/email', {
      data: { email, password },
      headers: { origin: baseURL ?? '', 'x-forwarded-for': address },
    });
  const statuses: number[] = [];
  for (let at = 0; at < 12; at += 1)
    statuses.push((await attempt('safety-officer@ternbay.example', `10.0.0.${at}`)).status());
  // A made-up network address does not help: tries are counted by account, and after a few each has to wait.
  expect(statuses.slice(0, 5)).toEqual([401, 401, 401, 401, 401]);
  expect(statuses.filter((status) => status === 429).length).toBeGreaterThanOrEqual(5);
  // Strangers slow an account down and never lock it: the right password gets in within half a minute.
  await expect
    .poll(
      async () => (await attempt('safety-officer@ternbay.example', '10.0.0.1', 'tern-bay-demo')).status(),
      { timeout: 45_000, intervals: [1000] },
    )
    .toBe(200);
  // From then on this device is known, and what strangers do elsewhere does not slow it down.
  const elsewhere = await playwright.request.newContext({ baseURL: baseURL ?? '' });
  for (let at = 0; at < 9; at += 1)
    await elsewhere.post('/api/auth/sign-in/email', {
      data: { email: 'safety-officer@ternbay.example', password: 'wrong-wrong' },
      headers: { origin: baseURL ?? '' },
    });
  await elsewhere.dispose();
  expect((await attempt('safety-officer@ternbay.example', '10.0.0.1', 'tern-bay-demo')).status()).toBe(200);
  expect(
    (
      await request.post('/api/auth/sign-in/email', {
        data: { email: 'safety-officer@ternbay.example', password: 'tern-bay-demo' },
      })
    ).status(),
  ).toBe(403);
  expect(
    (
      await request.post('/api/auth/sign-up/email', {
        data: { email: 'x@y.example', password: 'long-enough-1', name: 'X' },
        headers: { origin: baseURL ?? '' },
      })
    ).status(),
  ).toBe(404);
});

test('an upload is looked at only where it belongs to something, and held to its size', async ({
  desk,
  baseURL,
}) => {
  const page = await desk('student');
  const put = (data: Buffer) =>
    page.request.put(`/api/findings/${ANY}/photos/${ANY}`, { data, headers: { origin: baseURL ?? '' } });
  expect((await put(Buffer.from('not a picture'))).status()).toBe(404);
  expect((await put(Buffer.alloc(16 * 1024 * 1024 + 1))).status()).toBe(413);
});

test('health says whether the database answers', async ({ request }) => {
  const answer = await request.get('/api/health');
  expect([answer.status(), await answer.json()]).toEqual([200, { ok: true, database: 'answers' }]);
});
