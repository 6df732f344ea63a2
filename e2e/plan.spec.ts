import type { Page } from '@playwright/test';
import { expect, expectNoViolations, fillDay, test } from './groval';

const row = (page: Page, person: string) => page.getByRole('row').filter({ hasText: person });

/** Opens the day after tomorrow, for which no other test plans anything, and answers which that is. */
async function dayAfterTomorrow(page: Page): Promise<string> {
  await page.goto('/flights');
  for (const ahead of [1, 2]) {
    await page.getByRole('button', { name: 'Day after' }).click();
    await expect(page.getByRole('button', { name: 'Today' })).toBeEnabled();
    await expect.poll(() => new URL(page.url()).hash.length).toBeGreaterThan(ahead);
    await expect(page.getByRole('heading', { level: 1 })).not.toContainText('today');
  }
  return new URLSearchParams(new URL(page.url()).hash.slice(1)).get('day') ?? '';
}

/** Plans a guest's flight on a day that is open. */
async function planThen(page: Page, person: string, registration: string, day: string): Promise<void> {
  await page.getByRole('button', { name: 'Enter a flight' }).click();
  const form = page.getByRole('form', { name: 'Enter a flight' });
  await form.getByLabel('Who', { exact: true }).fill(person);
  await expect(form.getByText('A guest: no member has this name.')).toBeVisible();
  await fillDay(form, 'Day', day);
  await form.getByLabel('From', { exact: true }).fill('1000');
  await form.getByLabel('To', { exact: true }).fill('1130');
  await expect(form.getByRole('status')).toContainText('This flight c');
  await form.getByLabel('Aircraft', { exact: true }).click();
  await page.getByRole('option', { name: new RegExp(registration) }).click();
  await expectNoViolations(page);
  await form.getByRole('button', { name: 'Add' }).click();
  await expect(row(page, person)).toContainText(registration);
}

test('the plan: the fleet ranked by who can take a flight, a flight moved from the dispatch page to one that can, and cancelled only when that is meant', async ({
  desk,
}) => {
  const page = await desk('dispatcher');
  const day = await dayAfterTomorrow(page);
  await planThen(page, 'Guest Ahead', 'N05TB', day);

  // N05TB has a nick and cannot go: the dispatch page names others, and leads to the plan with the first of them chosen.
  await row(page, 'Guest Ahead').click();
  await page.getByRole('link', { name: 'Check it out' }).click();
  const answer = page.getByRole('region', { name: 'The answer for this flight, leaving now' });
  await expect(answer).toContainText('This flight cannot go.');
  const other = answer.getByText('Could take it:').locator('..').getByRole('link').first();
  const registration = await other.innerText();
  await expectNoViolations(page);
  await other.click();
  const move = page.getByRole('form', { name: 'Move a flight' });
  await expect(move.getByRole('combobox', { name: 'Aircraft' })).toContainText(registration);
  await move.getByRole('button', { name: 'Move it' }).click();
  await expect(move).toHaveCount(0);
  await page.goto(`/flights#day=${day}`);
  await expect(row(page, 'Guest Ahead')).toContainText(registration);

  // Cancelled by the keyboard: asked first, and kept where it was not meant.
  const flights = page.getByRole('region', { name: /^Flights;/ });
  await row(page, 'Guest Ahead').click();
  await flights.press('x');
  const ask = page.getByRole('dialog', { name: 'Cancel Guest Ahead’s flight?' });
  await expectNoViolations(page);
  await ask.getByRole('button', { name: 'Keep it' }).click();
  await expect(ask).toHaveCount(0);
  await expect(row(page, 'Guest Ahead')).toBeVisible();
  await flights.press('x');
  await ask.getByLabel('Why, if it matters').fill('Weather');
  await ask.getByRole('button', { name: 'Cancel the flight' }).click();
  await expect(row(page, 'Guest Ahead')).toHaveCount(0);
});
