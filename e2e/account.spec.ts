import { alert, expect, expectNoViolations, test, STILL } from './groval';

test('somebody with an account joins a second club by accepting it themselves, chooses where they work, and changes their own password', async ({
  desk,
  browser,
  baseURL,
}) => {
  test.setTimeout(300_000);
  const [here, there] = [await desk('administrator'), await desk('reach-renter')];
  // Somebody of the sister field is admitted here: they have an account, so they are asked, and nothing of it is touched.
  await here.goto('/club#people');
  await here.getByRole('button', { name: 'Admit somebody …' }).click();
  const admit = here.getByRole('form', { name: 'Admit somebody' });
  await admit.getByLabel('Name', { exact: true }).fill('Rosa Venn');
  await admit.getByLabel('E-mail address to sign in by').fill('renter.sister-field@ternbay.example');
  await admit.getByLabel('Instructor').check();
  await admit.getByRole('button', { name: 'Admit and make a link' }).click();
  const link = await here.getByRole('status').filter({ hasText: 'shown once' }).locator('code').innerText();
  await expect(
    here.getByText('they have an account already and are members once they accept', { exact: false }),
  ).toBeVisible();
  await expect(here.getByRole('grid', { name: 'People' })).not.toContainText('Rosa Venn');

  const stranger = await (await browser.newContext({ ...STILL, baseURL: baseURL ?? '' })).newPage();
  await stranger.goto(link);
  await expect(stranger.getByText('Sign in first.', { exact: false })).toBeVisible();
  await expect(stranger.getByLabel('Password')).toHaveCount(0);

  await there.goto(link);
  await expectNoViolations(there);
  await there.getByRole('button', { name: 'Join Tern Bay Flying Club' }).click();
  await there.waitForURL('**/account');
  // Asked once; until then they work where they were.
  const choice = there.getByRole('dialog', { name: 'In which club do you work?' });
  await expect(choice).toBeVisible();
  await choice.getByRole('button', { name: 'Later' }).click();
  expect((await there.request.get('/api/line')).ok()).toBe(true);
  expect(JSON.stringify(await (await there.request.get('/api/me')).json())).toContain('"renter"');
  await there.getByRole('button', { name: 'Work in Tern Bay Flying Club' }).click();
  await expect(there.getByText('you work in it')).toBeVisible();
  expect(await (await there.request.get('/api/me')).json()).toMatchObject({
    roles: ['instructor'],
    chosen: true,
  });
  await here.reload();
  await here.getByRole('button', { name: 'Rosa Venn' }).click();
  await expect(here.getByRole('button', { name: 'Roles of Rosa Venn' })).toBeVisible();
  await expect(here.getByRole('button', { name: 'Make a link for Rosa Venn' })).toHaveCount(0);

  const form = there.getByRole('form', { name: 'Change your password' });
  const change = async (current: string, password: string) => {
    await form.getByLabel('The password that you have now').fill(current);
    await form.getByLabel('New password', { exact: true }).fill(password);
    await form.getByLabel('The new password again').fill(password);
    await form.getByRole('button', { name: 'Change the password' }).click();
  };
  await change('not-it-at-all', 'another-word-1');
  await expect(alert(there)).toContainText('is not right');
  await change('tern-bay-demo', 'another-word-1');
  await expect(there.getByRole('status')).toContainText('Your password is changed');
  await change('another-word-1', 'tern-bay-demo');
  await expect(there.getByRole('status')).toContainText('Your password is changed');
  await expectNoViolations(there);
  // What is kept of them, for themselves.
  expect(await (await there.request.get('/api/me/data')).json()).toMatchObject({
    format: 'groval-person',
    person: { name: 'Rosa Venn' },
  });

  // The membership ends, and they are back in their one club.
  const { personId } = (await (await there.request.get('/api/me')).json()) as { readonly personId: string };
  const ended = await here.request.post('/api/people/roles', {
    data: { changeId: crypto.randomUUID(), personId, name: 'Rosa Venn', roles: [] },
    headers: { origin: baseURL ?? '' },
  });
  expect(ended.ok()).toBe(true);
  expect(await (await there.request.get('/api/me')).json()).toMatchObject({ roles: ['renter'], clubs: [{}] });
});
