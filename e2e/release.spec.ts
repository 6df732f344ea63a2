import type { Page } from '@playwright/test';
import { alert, expect, expectNoViolations, reportFinding, test } from './groval';

const PASSWORD = 'tern-bay-demo';
/** The wall clock at the field, so many minutes from now. */
const fieldClock = (minutes: number) =>
  new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: 'America/Halifax',
  }).format(Date.now() + minutes * 60_000);

/** Plans a flight that begins now, and opens it at the dispatch page. */
async function planAndOpen(desk: Page, aircraft: string, person: string): Promise<void> {
  await desk.goto('/flights');
  await desk.getByRole('button', { name: 'Enter a flight' }).click();
  await desk.getByLabel('Who', { exact: true }).fill(person);
  await desk.getByLabel('Aircraft', { exact: true }).click();
  await desk.getByRole('option', { name: new RegExp(aircraft) }).click();
  await desk.getByLabel('From', { exact: true }).fill(fieldClock(-5).replace(':', ''));
  await desk.getByLabel('To', { exact: true }).fill(fieldClock(70));
  await desk.getByLabel('Hours in the air').fill('1.0');
  await desk.getByRole('button', { name: 'Add' }).click();
  await desk.getByRole('row').filter({ hasText: person }).click();
  await desk.getByRole('link', { name: 'Check it out' }).click();
}
