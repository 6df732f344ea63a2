import type { Page } from '@playwright/test';
import { expect, expectNoViolations, test } from './groval';

/** Plans a lesson of two hours at noon, so many days from today. */
async function planAhead(page: Page, aircraftId: string, days: number): Promise<void> {
  const day = new Intl.DateTimeFormat('sv-SE', { timeZone: 'America/Halifax' });
  const sent = await page.request.post('/api/flights', {
    headers: { origin: new URL(page.url()).origin },
    data: {
      flightId: crypto.randomUUID(),
      replaces: null,
      flight: {
        aircraftId,
        person: 'Ahead Guest',
        starts: { date: day.format(Date.now() + days * 86_400_000), clock: '12:00' },
        endsClock: '14:00',
        airborne: 1.8,
        purpose: 'instruction-school-aircraft',
        crew: 'dual',
        rules: 'vfr',
        range: 'local',
        transponderAirspace: false,
        adsbAirspace: false,
        beyondGlide: false,
        passengers: false,
        persons: null,
        landings: 2,
        towLaunches: null,
        fuelPlanned: null,
        reliesOnVor: false,
        reliesOnDatabase: false,
      },
    },
  });
  expect([sent.status(), sent.ok() ? '' : await sent.text()]).toEqual([200, '']);
}

test('the Line in time: as it is planned, with what would let a flight go, and as it was known a year ago', async ({
  desk,
}) => {
  const page = await desk('dispatcher');
  await page.goto('/line');
  const table = page.getByRole('region', { name: /^The Line;/ });
  await expect(table.getByRole('row', { name: /N07TB/ })).toBeVisible();
  const { rows } = (await (await page.request.get('/api/line')).json()) as {
    readonly rows: readonly { readonly registration: string; readonly aircraftId: string }[];
  };
  await planAhead(page, rows.find(({ registration }) => registration === 'N07TB')?.aircraftId ?? '', 4);
  await page.keyboard.press('t');
  const cursor = page.getByRole('region', { name: 'The Line at another moment' });
  await expect(cursor.getByText('As it is planned')).toBeVisible();

  // Four days ahead: the flights before it have used up what was left to the 100-hour inspection.
  for (let day = 0; day < 4; day += 1) await page.keyboard.press('Shift+Period');
  await expect(page).toHaveURL(/#at=20\d\d-/);
  await table.getByRole('button', { name: 'N07TB' }).click();
  const panel = page.getByRole('complementary', { name: 'Verdict for N07TB' });
  await expect(cursor.getByRole('status')).toContainText('As it is planned');
  await expect(panel).toContainText('Not now:');
  await expect(panel).toContainText('Ahead Guest');
  await panel.getByRole('button', { name: 'What would let it go' }).click();
  await expect(panel.getByRole('region', { name: 'Acts' })).toContainText('100-hour inspection');
  await expectNoViolations(page);
  // It leads to where the flight is moved, filled in; nothing is changed before it is saved there.
  await panel.getByRole('region', { name: 'Another aircraft' }).getByRole('link').first().click();
  await expect(page.getByRole('form', { name: 'Move a flight' })).toContainText('N0');

  await page.goBack();
  await expect(cursor).toBeVisible();
  // A year back: what was known then, with the flights that had left.
  await cursor.getByRole('slider', { name: 'Moment' }).focus();
  await page.keyboard.press('Home');
  await expect(cursor.getByText('As it was known then')).toBeVisible();
  for (let year = 0; year < 20; year += 1) await page.keyboard.press('ArrowRight');
  // The first look back reads everything that ever was.
  await expect(cursor.getByRole('status')).toContainText('As it was known then', { timeout: 60_000 });
  await expect(table.getByRole('row', { name: /N02TB/ })).toContainText(/Released|Restricted|Grounded/);
  await expectNoViolations(page);
  await page.keyboard.press('Escape');
  await expect(cursor).toHaveCount(0);
  await expect(page).toHaveURL(/\/line(#.*)?$/);
});

test('a moment that the Line cannot be moved to is refused, and nothing old stands in its place', async ({
  desk,
}) => {
  const page = await desk('dispatcher');
  await expect(page.getByRole('row', { name: /N03TB/ })).toBeVisible();
  await page.goto('/line#at=1999-01-01T12:00:00.000Z');
  await expect(page.getByText('Choose a moment from three years back to 60 days ahead')).toBeVisible();
  await expect(page.getByRole('region', { name: /^The Line;/ })).not.toContainText('Released');
});

test('what needs somebody, most urgent first: in the address, and as this person chose it last', async ({
  desk,
}) => {
  const page = await desk('instructor');
  const table = page.getByRole('region', { name: /^The Line;/ });
  await expect(table.getByRole('row', { name: /N00TB/ })).toBeVisible();
  await page.getByRole('button', { name: /^Grounded \d/ }).click();
  await page.getByRole('button', { name: 'Most urgent first' }).click();
  await expect(page).toHaveURL(/#show=Grounded&order=need$/);
  await expect(table).not.toContainText('Released');
  await expectNoViolations(page);
  await page.goto('/flights');
  await page.goto('/line');
  await expect(page).toHaveURL(/#show=Grounded&order=need$/);
  await page.getByRole('button', { name: /^Show all/ }).click();
  await expect(table).toContainText('Released');
  await page.goto('/wall');
  await expect(page.getByRole('listitem')).not.toHaveCount(0);
  await expectNoViolations(page);
});
