import type { BrowserContext, Page } from '@playwright/test';
import { expect, expectNoViolations, signIn, STILL, test } from './groval';
import { freePort, gone, startServer } from './servers';
import { firstOfTheDay, Thumb, walkOf } from './walking';

const PHONE = { ...STILL, viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true } as const;
/** A phone is slower than this machine: four times. */
async function slow(page: Page): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
}

/** The page says itself when it is kept on the phone. */
const kept = (page: Page) =>
  expect(page.getByText('Kept on this phone: works without signal.')).toBeVisible();

test('a walk-round of about sixty steps takes at most 70 taps and three typed figures when all is fine', async ({
  desk,
  phone,
  baseURL,
}) => {
  const instructor = await desk('instructor');
  await firstOfTheDay(instructor.request, baseURL ?? '', 'N04TG');
  const renter = await phone('renter');
  await slow(renter);
  await renter.goto('/ramp/N04TG');
  await expectNoViolations(renter);
  const thumb = new Thumb(renter);
  await thumb.tap('Begin');
  await expect(renter.getByRole('button', { name: 'Fine' })).toBeVisible();
  await expectNoViolations(renter);
  await thumb.steps();
  await expectNoViolations(renter);
  await thumb.tap('Sign as Rolf Dane');
  await expect(renter.getByText('Signed. The desk has all of it.')).toBeVisible({ timeout: 60_000 });
  const { current, plan } = await walkOf(renter.request, 'N04TG');
  expect(plan.list).toBe('short');
  expect(plan.steps.length).toBeGreaterThan(55);
  expect(current).toMatchObject({ signed: true });
  expect(current?.answers).toHaveLength(plan.steps.length);
  expect(thumb.taps).toBeLessThanOrEqual(70);
  expect(thumb.figures).toBe(3);
});

test('without a signal from the first screen on, with a reload, a killed server and a session that ran out, everything arrives once', async ({
  browser,
}) => {
  const port = await freePort();
  const origin = `http://127.0.0.1:${port}`;
  let server = await startServer(port);
  const context: BrowserContext = await browser.newContext({ ...PHONE, baseURL: origin });
  try {
    const instructor = await signIn(
      await (await browser.newContext({ ...STILL, baseURL: origin })).newPage(),
      'instructor',
    );
    await firstOfTheDay(instructor.request, origin, 'N05TG');
    await instructor.context().close();
    // Opened once this day, with a signal.
    const first = await signIn(await context.newPage(), 'student');
    await first.goto('/ramp/N05TG');
    await expect(first.getByRole('button', { name: 'Begin' })).toBeVisible();
    await kept(first);
    await first.close();
    // Then none, from a cold start.
    await gone(server, 'SIGKILL');
    await context.setOffline(true);
    const page = await context.newPage();
    await page.goto('/ramp/N05TG');
    await expect(page.getByText('No signal.')).toBeVisible();
    const thumb = new Thumb(page);
    await thumb.tap('Begin');
    await thumb.steps({ most: 12 });
    await page.reload();
    await thumb.tap('Go on');
    await thumb.steps({ most: 4 });
    // A cable that cannot be seen in the dark, and a cup with water.
    await thumb.tap('Could not see it');
    await thumb.tap(/^Nothing of it/u);
    await thumb.tap('Too dark');
    await thumb.tap('I was interrupted');
    await expect(page.getByText('You were away: two steps back.')).toBeVisible();
    await thumb.steps();
    await thumb.tap('Sign as Pia Okoro');
    await expect(page.getByText('Signed, and kept on this phone.')).toBeVisible();
    // The session has run out when the signal comes back.
    await context.clearCookies();
    server = await startServer(port);
    await context.setOffline(false);
    await page.goto('/ramp/N05TG');
    await expect(page.getByText('Signed out: what you enter is kept on this phone.')).toBeVisible();
    await signIn(page, 'student');
    await page.goto('/ramp/N05TG');
    await expect(page.getByText('all sent')).toBeVisible({ timeout: 90_000 });
    const { current, plan } = await walkOf(page.request, 'N05TG');
    expect(current).toMatchObject({ signed: true });
    expect(current?.answers).toHaveLength(plan.steps.length);
  } finally {
    await context.close();
    await gone(server, 'SIGTERM');
  }
});
