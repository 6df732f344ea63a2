import { alert, expect, expectNoViolations, row, test } from './groval';

const PASSWORD = 'tern-bay-demo';

test('under the maintenance release: the daily inspection signed once with yesterday carried over, work put on the release and signed off', async ({
  desk,
  phone,
}) => {
  const dispatcher = await desk('reach-dispatcher');
  await expect(row(dispatcher, 'VH-TB0X1')).toContainText('Grounded');
  await expect(row(dispatcher, 'VH-TB0X1')).toContainText('The daily inspection is not signed');
  // The sister club's own aircraft and nothing of Tern Bay.
  await expect(dispatcher.getByRole('rowheader')).toHaveCount(1);

  // On the ramp, with the phone.
  const pilot = await phone('reach-renter');
  await pilot.goto('/ramp/VH-TB0X1');
  await pilot.getByRole('link', { name: 'The daily inspection is not signed for today.' }).tap();
  const release = pilot.getByRole('region', { name: 'Maintenance release' });
  await expect(release.getByText(/^Carried over from .*: \d flights? · .* h · \d+ landings?/)).toBeVisible();
  await expectNoViolations(pilot);
  await release.getByRole('button', { name: 'Sign the daily inspection' }).tap();
  const daily = pilot.getByRole('form', { name: 'Daily inspection' });
  await daily.getByLabel('Your password, as your signature').fill('not my password');
  await daily.getByRole('button', { name: 'Inspected and fit for today’s flights' }).click();
  await expect(alert(pilot)).toContainText('The password is not right');
  await daily.getByLabel('Your password, as your signature').fill(PASSWORD);
  await daily.getByRole('button', { name: 'Inspected and fit for today’s flights' }).click();
  await expect(release.getByText('Signed for today')).toBeVisible();
  await expect(row(dispatcher, 'VH-TB0X1')).toContainText('Released', { timeout: 15_000 });

  // The dispatcher puts work on it, due before the next flight; the engineer signs that it was done.
  await dispatcher.goto('/aircraft/VH-TB0X1');
  await dispatcher.getByRole('button', { name: 'Work to be done …' }).click();
  await dispatcher.getByLabel('Work', { exact: true }).fill('Tighten the exhaust clamp');
  await dispatcher.getByRole('button', { name: 'Put it on its list' }).click();
  await expect(dispatcher.getByRole('heading', { level: 1 })).toContainText('Grounded');
  const engineer = await desk('reach-mechanic');
  await engineer.goto('/aircraft/VH-TB0X1');
  const work = engineer
    .getByRole('list', { name: 'Maintenance required' })
    .getByRole('listitem')
    .filter({ hasText: 'Tighten the exhaust clamp' });
  await work.getByRole('button', { name: 'Done …' }).click();
  await expectNoViolations(engineer);
  await engineer.getByLabel('Your password, as your signature').fill(PASSWORD);
  await engineer.getByRole('button', { name: 'Sign that it was done' }).click();
  await expect(work).toContainText('licensed aircraft maintenance engineer, L-0771');
  await expect(dispatcher.getByRole('heading', { level: 1 })).toContainText('Released', { timeout: 15_000 });

  // Suspended at once by the person who keeps it.
  await dispatcher.getByRole('button', { name: 'Suspend …' }).click();
  await dispatcher.getByLabel('Why', { exact: true }).fill('Fuel smell in the cabin');
  await dispatcher.getByRole('button', { name: 'Suspend it' }).click();
  await expect(dispatcher.getByRole('heading', { level: 1 })).toContainText('Grounded');
  await expect(pilot.getByRole('heading', { level: 1 })).toContainText('Grounded', { timeout: 15_000 });
});
