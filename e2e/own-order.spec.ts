import type { Page } from '@playwright/test';
import { expect, expectNoViolations, signIn, STILL, test } from './groval';

test.use({ ...STILL, viewport: { width: 1280, height: 800 } });

/** Lifts a stop by keyboard and moves it. */
async function move(page: Page, name: string, key: 'ArrowUp' | 'ArrowDown', times: number): Promise<void> {
  const handle = page.getByRole('button', { name: `Move ${name}`, exact: true });
  await handle.focus();
  await page.keyboard.press('Space');
  await expect(handle).toHaveAttribute('aria-pressed', 'true');
  // It is announced once it has moved; before that the next key would be lost.
  const said = page.locator('[id^=DndLiveRegion]');
  for (let turn = 0; turn < times; turn += 1) {
    const before = (await said.textContent()) ?? '';
    await page.keyboard.press(key);
    await expect(said).not.toHaveText(before);
    await page.waitForTimeout(250);
  }
  await page.keyboard.press('Space');
  await expect(handle).not.toHaveAttribute('aria-pressed', 'true');
}
const order = async (page: Page) =>
  (await page.getByRole('button', { name: /^Move / }).all()).map((button) =>
    button.getAttribute('aria-label'),
  );

test('a school arranges its own order by keyboard: what breaks a rule is said and cannot be saved', async ({
  page,
}) => {
  await signIn(page, 'administrator');
  await page.goto('/club#walk-round');
  await page.getByLabel('This school walks in an order of its own').check();
  await expect(page.getByText(/the shortest that breaks no rule is \d+ m/)).toBeVisible({ timeout: 30_000 });
  const save = page.getByRole('button', { name: 'Save', exact: true });

  await move(page, 'left wing', 'ArrowUp', 3);
  await expect(page.getByText(/“Make it safe to work here” comes before “.+” and \d+ more/)).toBeVisible();
  await expect(save).toBeDisabled();
  await expectNoViolations(page);
  await page.getByRole('button', { name: 'Put it right' }).click();
  await expect(save).toBeEnabled();

  await move(page, 'left main gear', 'ArrowUp', 1);
  await expect(save).toBeEnabled();
  await save.click();
  await expect(page.getByText('It is on record.')).toBeVisible();
  const arranged = await Promise.all(await order(page));
  await page.reload();
  await expect(page.getByRole('button', { name: 'Move left main gear' })).toBeVisible();
  expect(await Promise.all(await order(page))).toEqual(arranged);
  const walk = (await (await page.request.get('/api/walkround/N02TB')).json()) as {
    readonly plan: { readonly steps: readonly { readonly key: string }[] };
  };
  const keys = walk.plan.steps.map(({ key }) => key);
  expect(keys.indexOf('K136.left')).toBeLessThan(keys.indexOf('K120.left'));
  expect(keys.indexOf('K136.left')).toBeGreaterThan(-1);
});
