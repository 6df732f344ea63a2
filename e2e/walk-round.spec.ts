import { randomUUID } from 'node:crypto';
import type { APIRequestContext, BrowserContext, Page } from '@playwright/test';
import { expect, expectNoViolations, signIn, STILL, test } from './groval';
import { freePort, gone, startServer } from './servers';

interface Step {
  readonly key: string;
  readonly asks: { readonly kind: string };
}
interface Walk {
  readonly aircraftId: string;
  readonly plan: { readonly list: string; readonly steps: readonly Step[] };
  readonly current: {
    readonly walkroundId: string;
    readonly signed: boolean;
    readonly answers: readonly unknown[];
  } | null;
}

const PHONE = { ...STILL, viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true } as const;
/** A phone is slower than this machine: four times. */
async function slow(page: Page): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
}

const walkOf = async (request: APIRequestContext, registration: string): Promise<Walk> =>
  (await (await request.get(`/api/walkround/${registration}`)).json()) as Walk;

/** A whole walk-round by somebody else, so that the short list is asked for. */
async function firstOfTheDay(
  request: APIRequestContext,
  origin: string,
  registration: string,
): Promise<void> {
  const { aircraftId, plan } = await walkOf(request, registration);
  expect(plan.list).toBe('whole');
  const walkroundId = randomUUID();
  const at = new Date().toISOString();
  const post = async (path: string, data: object) => {
    const answer = await request.post(`/api/walkround${path}`, { data, headers: { origin } });
    expect([path, answer.status(), answer.ok() ? '' : await answer.text()]).toEqual([path, 200, '']);
  };
  await post('', { walkroundId, aircraftId, flightId: null, begunAt: at });
  const events = plan.steps.map(({ key, asks }, number) => ({
    eventId: randomUUID(),
    number,
    kind: 'answer',
    key,
    answer: 'fine',
    because: null,
    at,
    took: 5000,
    findingId: null,
    measured:
      asks.kind === 'fuel'
        ? { kind: 'figure', amount: '8.5', unit: 'US gal' }
        : asks.kind === 'figure'
          ? { kind: 'figure', amount: '6', unit: 'US qt' }
          : asks.kind === 'sample'
            ? { kind: 'sample', result: 'clean' }
            : null,
  }));
  for (let from = 0; from < events.length; from += 150)
    await post('/events', { walkroundId, aircraftId, events: events.slice(from, from + 150) });
  await post('/end', { walkroundId, aircraftId, how: 'signed', at });
}

/** A thumb that counts: taps on answers, and figures that were typed. */
class Thumb {
  taps = 0;
  figures = 0;

  constructor(private readonly page: Page) {}

  async tap(name: string | RegExp): Promise<void> {
    this.taps += 1;
    await this.page.getByRole('button', { name, exact: true }).tap();
  }

  async type(figure: string): Promise<void> {
    this.figures += 1;
    const keys = this.page.getByRole('group', { name: 'Keys for the figure' });
    for (const key of figure)
      await keys.getByRole('button', { name: key === '.' ? 'Point' : key, exact: true }).tap();
  }

  /** Answers the step that is shown, all fine. Answers false once every step is answered. */
  async step(): Promise<boolean> {
    const heading = this.page.getByRole('heading', { level: 1 });
    const title = (await heading.textContent()) ?? '';
    if (title === 'Every step is answered') return false;
    const key = await this.page.locator('h1').evaluate((node) => node.parentElement?.textContent ?? '');
    if (/fuel gauge$/u.test(title)) {
      this.taps += 1;
      const scale = this.page.getByRole('slider', { name: 'Where the needle stands' });
      const box = await scale.boundingBox();
      await scale.tap({ position: { x: (box?.width ?? 0) * 0.94, y: 30 } });
      await this.tap(/^Keep/u);
    } else if (title.startsWith('Dip the')) {
      await this.type('8.5');
      await this.tap(/^Keep/u);
    } else if (title === 'Read the oil') {
      await this.type('4');
      await this.tap(/^Keep/u);
    } else if ((await this.page.getByRole('button', { name: /^Clean:/u }).count()) > 0)
      await this.tap(/^Clean:/u);
    else await this.tap('Fine');
    await this.page.waitForFunction(
      (before) => document.querySelector('h1')?.parentElement?.textContent !== before,
      key,
    );
    return true;
  }

  async steps(most = 500): Promise<void> {
    for (let done = 0; done < most; done += 1) if (!(await this.step())) return;
  }
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
    await thumb.steps(12);
    await page.reload();
    await thumb.tap('Go on');
    await thumb.steps(4);
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
