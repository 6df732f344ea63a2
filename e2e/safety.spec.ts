import { readFile } from 'node:fs/promises';
import { expect, expectNoViolations, test } from './groval';

test('the safety page: each picture with its table, both to be taken away; and not for everybody', async ({
  desk,
}) => {
  test.setTimeout(180_000);
  const page = await desk('safety-officer');
  await page.goto('/safety');
  const available = page.getByRole('region', { name: 'Availability by aircraft' });
  await expect(available.getByRole('img')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('the others are on the way')).toHaveCount(0, { timeout: 120_000 });
  const line = available.getByRole('row', { name: /N06TB/ });
  // Without its radio station licence it was restricted all the time, and never grounded for it.
  await expect(line).toContainText('100');
  await expect(page.getByRole('region', { name: 'Hours lost by cause' })).toContainText('Documents on board');
  await expectNoViolations(page);

  const [csv] = await Promise.all([
    page.waitForEvent('download'),
    available.getByRole('button', { name: 'Table as CSV' }).click(),
  ]);
  expect(csv.suggestedFilename()).toBe('groval-90-days-availability.csv');
  const text = await readFile(await csv.path(), 'utf8');
  expect(text.split(/\r?\n/u)[0]).toBe('Aircraft,Released %,Restricted %,Grounded %,Hours');
  expect(text).toMatch(/^N00TB,/mu);
  const [svg] = await Promise.all([
    page.waitForEvent('download'),
    available.getByRole('button', { name: 'Picture as SVG' }).click(),
  ]);
  const picture = await readFile(await svg.path(), 'utf8');
  // It needs no page of ours: its tones are written out.
  expect(picture).toContain('xmlns="http://www.w3.org/2000/svg"');
  expect(picture).not.toContain('var(--');
  expect(picture).toContain('N00TB');

  await page.getByRole('button', { name: '30 days' }).click();
  await expect(page).toHaveURL(/#days=30$/);
});

test('the safety page is closed to a student', async ({ desk }) => {
  const page = await desk('student');
  await page.goto('/safety');
  await expect(
    page.getByText('This page is for instructors, the safety officer and the administrator.'),
  ).toBeVisible();
});
