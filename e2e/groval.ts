import { AxeBuilder } from '@axe-core/playwright';
import { expect, test as base, type BrowserContext, type Locator, type Page } from '@playwright/test';

const PEOPLE = {
  dispatcher: 'Mira Holt',
  renter: 'Rolf Dane',
  student: 'Pia Okoro',
  instructor: 'Sefa Lund',
  mechanic: 'Tomas Brandl',
  'safety-officer': 'Ines Marrow',
  administrator: 'Agna Voss',
  'reach-dispatcher': 'Lena Orr',
  'reach-renter': 'Rosa Venn',
  'reach-mechanic': 'Owen Tarr',
} as const;

/** Every context watches itself: a request that leaves our origin, or a script error, fails the test. */
function watch(context: BrowserContext, origin: string, troubles: string[]): void {
  context.on('request', (request) => {
    if (!request.url().startsWith(origin) && !/^(data|blob):/.test(request.url()))
      troubles.push(`left the origin: ${request.url()}`);
  });
  context.on('weberror', (error) => {
    troubles.push(`script error: ${error.error().message}`);
  });
  context.on('console', (message) => {
    if (
      message.type() === 'error'
      && !/status of (401|403|404|409|422|429|503)|ERR_(INTERNET_DISCONNECTED|FAILED|CONNECTION_REFUSED|INCOMPLETE_CHUNKED_ENCODING|NETWORK_CHANGED)/.test(
        message.text(),
      )
    )
      troubles.push(`console: ${message.text()}`);
  });
}

/** Nothing moves: what is on its way from one tone or place to another is waited for at every step. */
export const STILL = { reducedMotion: 'reduce', locale: 'en-GB' } as const;

/** Where somebody landed who signed in, and the session that they got. */
interface Session {
  readonly cookies: Awaited<ReturnType<BrowserContext['cookies']>>;
  readonly landed: string;
}

/** Signs somebody in on a page of a context of their own: once through the sign-in page, from then on by the session that they have. */
async function enter(
  context: BrowserContext,
  person: keyof typeof PEOPLE,
  sessions: Map<string, Session>,
): Promise<Page> {
  const page = await context.newPage();
  const known = sessions.get(person);
  if (known !== undefined) {
    await context.addCookies([...known.cookies]);
    // A session may have been ended by what another test looks at.
    if ((await context.request.get('/api/me')).ok()) {
      await page.goto(known.landed);
      return page;
    }
    await context.clearCookies();
  }
  await signIn(page, person);
  sessions.set(person, { cookies: await context.cookies(), landed: new URL(page.url()).pathname });
  return page;
}

interface Fixtures {
  /** A signed-in page of one of the demo's people at the desk. */
  readonly desk: (person: keyof typeof PEOPLE) => Promise<Page>;
  /** The same on a phone: 390x844, touch. */
  readonly phone: (person: keyof typeof PEOPLE) => Promise<Page>;
}

export const test = base.extend<
  Fixtures & { readonly troubles: string[] },
  { readonly sessions: Map<string, Session> }
>({
  sessions: [
    async ({}, give) => {
      await give(new Map());
    },
    { scope: 'worker' },
  ],
  troubles: [
    async ({ baseURL, context }, give) => {
      const troubles: string[] = [];
      watch(context, baseURL ?? '', troubles);
      await give(troubles);
      expect(troubles).toEqual([]);
    },
    { auto: true },
  ],
  desk: async ({ browser, baseURL, troubles, sessions }, give) => {
    const open: BrowserContext[] = [];
    await give(async (person) => {
      const context = await browser.newContext({
        ...STILL,
        ...(baseURL === undefined ? {} : { baseURL }),
        viewport: { width: 1280, height: 800 },
      });
      open.push(context);
      watch(context, baseURL ?? '', troubles);
      return enter(context, person, sessions);
    });
    for (const context of open) await context.close();
  },
  phone: async ({ browser, baseURL, troubles, sessions }, give) => {
    const open: BrowserContext[] = [];
    await give(async (person) => {
      const context = await browser.newContext({
        ...STILL,
        ...(baseURL === undefined ? {} : { baseURL }),
        viewport: { width: 390, height: 844 },
        hasTouch: true,
        isMobile: true,
      });
      open.push(context);
      watch(context, baseURL ?? '', troubles);
      return enter(context, person, sessions);
    });
    for (const context of open) await context.close();
  },
});

/** One tap on one of the demo's people. */
export async function signIn(page: Page, person: keyof typeof PEOPLE): Promise<Page> {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: PEOPLE[person] }).click();
  // What the page says instead is worth more than that the time ran out.
  await page.waitForURL(/\/(line|ramp)$/, { timeout: 20_000 }).catch(async (error: unknown) => {
    throw new Error(`signing in did not lead on; the page says: ${await page.locator('main').innerText()}`, {
      cause: error,
    });
  });
  return page;
}

/** No accessibility violation on what is shown now. */
export async function expectNoViolations(page: Page): Promise<void> {
  // A button on its way from one tone to another has neither: what counts is what it comes to.
  await page.emulateMedia({ reducedMotion: 'reduce' });
  // A page that has not come yet has nothing to look at: every page of ours has one heading of the first level.
  await page.locator('h1').first().waitFor();
  // In the page itself, and violations alone: with no frame of another origin the second page that it would open finds nothing more.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ['violations'], preload: false })
    .analyze();
  expect(
    violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes.map(({ target, failureSummary }) => `${target.join(' ')} ${failureSummary ?? ''}`).join('; ')}`,
    ),
  ).toEqual([]);
}

/** What a page of ours says is wrong; the framework has an empty alert of its own on every page. */
export const alert = (page: Page) => page.getByRole('alert').filter({ hasText: /./ });

/** On the phone: starts a finding that is on no list, at a place, in one's own words. */
export async function inOwnWords(
  page: Page,
  registration: string,
  place: string,
  words: string,
): Promise<void> {
  await page.goto(`/ramp/${registration}#report`);
  await page.getByRole('button', { name: place }).tap();
  await page.getByRole('button', { name: 'Something that is not on this list' }).tap();
  await page.getByLabel('In your words').fill(words);
}

/** Reports a finding on a wing that is on no list, as the person who is signed in on a page. */
export async function reportFinding(
  page: Page,
  registration: string,
  what: string,
  change: { readonly looks?: 'would-not-fly' | 'looks-small'; readonly foundAt?: string } = {},
): Promise<void> {
  const { aircraft } = (await (await page.request.get('/api/ramp')).json()) as {
    aircraft: readonly { registration: string; aircraftId: string }[];
  };
  const sent = await page.request.post('/api/findings', {
    headers: { origin: new URL(page.url()).origin },
    data: {
      findingId: crypto.randomUUID(),
      aircraftId: aircraft.find((one) => one.registration === registration)?.aircraftId ?? '',
      station: 'wing',
      side: 'left',
      step: null,
      asListed: false,
      what,
      looks: 'would-not-fly',
      foundAt: new Date(Date.now() - 60_000).toISOString(),
      ...change,
    },
  });
  expect([sent.status(), sent.ok() ? '' : await sent.text()]).toEqual([200, '']);
}

/** Somebody is told at any hour from now on: a test runs by the wall clock, and at night the usual quiet hours would hold its mail. */
export async function withoutQuietHours(page: Page): Promise<void> {
  const sent = await page.request.post('/api/notices/settings', {
    headers: { origin: new URL(page.url()).origin },
    data: { settingId: crypto.randomUUID(), settings: { mail: true, quiet: null, digestAt: null } },
  });
  expect([sent.status(), sent.ok() ? '' : await sent.text()]).toEqual([200, '']);
}

/** Opens a part of an aircraft's page. */
export const openPart = (page: Page, name: string) =>
  page.getByRole('tab', { name: new RegExp(`^${name}`) }).click();

/** Types a day into a day field. @param iso such as 2031-05-01 */
export async function fillDay(scope: Page | Locator, label: string, iso: string): Promise<void> {
  const [year, month, day] = iso.split('-');
  const field = scope.getByRole('group', { name: label, exact: true });
  await field.getByRole('spinbutton', { name: 'Day' }).click();
  // A section is full after two figures, and the next one follows.
  await field.page().keyboard.type(`${day ?? ''}${month ?? ''}${year ?? ''}`);
}

/** The Line's row of an aircraft. */
export const row = (page: Page, registration: string) =>
  page.getByRole('row').filter({ has: page.getByRole('rowheader').filter({ hasText: registration }) });

export { expect };
