import { alert, expect, expectNoViolations, inOwnWords, openPart, row, test } from './groval';

test('from a find on the ramp to the return to service, seen on an open desk', async ({ desk, phone }) => {
  const dispatcher = await desk('dispatcher');
  await expect(row(dispatcher, 'N02TB')).toContainText('Released');
  await expectNoViolations(dispatcher);
  const first = await dispatcher.evaluate(() => {
    (window as unknown as { stays: boolean }).stays = true;
    return performance.timeOrigin;
  });

  // The renter, on the phone.
  const renter = await phone('renter');
  await expect(renter.getByRole('heading', { name: 'Which aircraft?' })).toBeVisible();
  await expectNoViolations(renter);
  await renter.getByRole('button', { name: 'N02TB' }).tap();
  await renter.getByRole('button', { name: 'Report a finding' }).tap();
  await expect(renter.getByRole('heading', { name: 'Where on the aircraft?' })).toBeVisible();
  await expectNoViolations(renter);
  await renter.getByRole('button', { name: 'Propeller' }).tap();
  await expectNoViolations(renter);
  await renter.getByRole('button', { name: 'Blade faces, both edges, each blade' }).tap();
  await expectNoViolations(renter);
  await renter.getByRole('button', { name: 'New nick' }).tap();
  await renter.getByLabel('Add what you see').fill('Blade 1, front edge, a hand from the tip, 3 mm deep');
  await renter
    .locator('input[type=file]')
    .setInputFiles({ name: 'nick.png', mimeType: 'image/png', buffer: await renter.screenshot() });
  await expect(renter.getByAltText('The photo that you took')).toBeVisible();
  await expectNoViolations(renter);
  await renter.getByRole('button', { name: 'Save' }).tap();
  await expect(renter.getByRole('heading', { name: 'How bad does it look to you?' })).toBeVisible();
  await expectNoViolations(renter);
  await renter.getByRole('button', { name: 'It looks small to me' }).tap();
  await expect(renter.getByRole('heading', { name: 'Reported.' })).toBeVisible();
  await expect(renter.getByRole('status')).toHaveText(
    'The dispatcher sees it now. Wait for an answer before you fly N02TB.',
  );
  await expectNoViolations(renter);

  // The dispatcher's open screen, not reloaded.
  await expect(row(dispatcher, 'N02TB')).toContainText('Grounded', { timeout: 15_000 });
  await expect(row(dispatcher, 'N02TB')).toContainText('Blade 1, front edge');
  await dispatcher.getByRole('button', { name: 'N02TB', exact: true }).click();
  await expect(dispatcher.getByRole('complementary')).toContainText(
    'The aircraft stays on the ground until a mechanic has looked',
  );
  expect(
    await dispatcher.evaluate(() => [
      (window as unknown as { stays: boolean }).stays,
      performance.timeOrigin,
    ]),
  ).toEqual([true, first]);

  // The mechanic.
  const mechanic = await desk('mechanic');
  await mechanic.goto('/aircraft/N02TB');
  await expect(mechanic.getByRole('heading', { name: 'Grounded N02TB' })).toBeVisible();
  await expect(
    mechanic.getByAltText('Photo of: Blade 1, front edge, a hand from the tip, 3 mm deep'),
  ).toBeVisible();
  await mechanic.getByRole('button', { name: 'Record what was done' }).click();
  await expectNoViolations(mechanic);
  await mechanic.getByRole('button', { name: 'Sign and return to service' }).click();
  await expect(mechanic.getByText('Describe the work: the record needs it.')).toBeVisible();
  await mechanic
    .getByLabel('Description of the work')
    .fill('Blended the nick within the maker’s limits, checked track.');
  await expect(mechanic.getByText('Say whether the work may have changed any of this.')).toBeVisible();
  await mechanic.getByRole('radio', { name: 'None of these' }).check();
  await mechanic.getByLabel('Your password').fill('not my password');
  await mechanic.getByRole('button', { name: 'Sign and return to service' }).click();
  await expect(alert(mechanic)).toContainText('The password is not right, so nothing was signed');
  await expect(mechanic.getByLabel('Description of the work')).toHaveValue(
    'Blended the nick within the maker’s limits, checked track.',
  );
  await mechanic.getByLabel('Your password').fill('tern-bay-demo');
  await mechanic.getByRole('button', { name: 'Sign and return to service' }).click();
  await expect(mechanic.getByRole('heading', { name: 'Released N02TB' })).toBeVisible();
  await expectNoViolations(mechanic);

  // The verdict is back, and the history can be read.
  await expect(row(dispatcher, 'N02TB')).toContainText('Released', { timeout: 15_000 });
  await openPart(mechanic, 'History');
  const story = mechanic.getByRole('region', { name: 'History' });
  await expect(story).toContainText(
    'Rolf Dane reported: Blade 1, front edge, a hand from the tip, 3 mm deep (Propeller)',
  );
  await expect(story).toContainText('Tomas Brandl repaired');
  await expect(story).toContainText('Signed as A&P mechanic, AP-2231');
  await openPart(mechanic, 'Marks and findings');
  await expect(mechanic.getByRole('region', { name: 'Closed' })).toContainText(
    'Blended the nick within the maker’s limits',
  );
});

test('every one of the demo’s people signs in and lands where their work is', async ({ desk }) => {
  for (const [person, place] of [
    ['dispatcher', 'line'],
    ['renter', 'ramp'],
    ['student', 'ramp'],
    ['instructor', 'line'],
    ['mechanic', 'line'],
    ['safety-officer', 'line'],
  ] as const) {
    const page = await desk(person);
    await expect(page).toHaveURL(new RegExp(`/${place}$`));
  }
});

test('two at once: a signature on what has changed meanwhile is refused, and nothing typed is lost', async ({
  desk,
  phone,
}) => {
  const report = async (what: string) => {
    const student = await phone('student');
    await inOwnWords(student, 'N03TG', 'Walking up', what);
    await student.getByRole('button', { name: 'Save' }).tap();
    await student.getByRole('button', { name: 'I would not fly it' }).tap();
    await expect(student.getByRole('heading', { name: 'Reported.' })).toBeVisible();
  };
  await report('Wing tip scraped');
  const mechanic = await desk('mechanic');
  await mechanic.goto('/aircraft/N03TG');
  await mechanic.getByRole('button', { name: 'Record what was done' }).click();
  await mechanic.getByLabel('Description of the work').fill('Checked the tip, painted.');
  await mechanic.getByRole('radio', { name: 'None of these' }).check();
  await mechanic.getByLabel('Your password').fill('tern-bay-demo');
  // The page follows live events; a second finding arrives between looking and signing.
  await mechanic.route('**/api/aircraft/N03TG', (route) => route.abort());
  await report('Fuel on the ground under the left tank');
  await mechanic.getByRole('button', { name: 'Sign and return to service' }).click();
  await expect(alert(mechanic).filter({ hasText: 'changed while you were writing' })).toContainText(
    'Pia Okoro reported: Fuel on the ground under the left tank',
  );
  await expect(mechanic.getByLabel('Description of the work')).toHaveValue('Checked the tip, painted.');
  await mechanic.unroute('**/api/aircraft/N03TG');
});
