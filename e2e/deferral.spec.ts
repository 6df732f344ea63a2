import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { alert, expect, expectNoViolations, openPart, row, test } from './groval';

test('a light out before a night lesson: deferred, night closed, placard printed, repaired, open again', async ({
  desk,
  phone,
}) => {
  test.slow();
  const student = await phone('student');
  await student.goto('/ramp/N01TB#report');
  await student.getByRole('button', { name: 'Power on', exact: true }).tap();
  await student.getByRole('button', { name: /^Navigation lights/ }).tap();
  await student.getByRole('button', { name: /lamp or lens failed/i }).tap();
  await student.getByLabel('Add what you see').fill('The tail light stays dark');
  await student.getByRole('button', { name: 'Save' }).tap();
  await student.getByRole('button', { name: 'It looks small to me' }).tap();
  await expect(student.getByRole('heading', { name: 'Reported.' })).toBeVisible();

  const instructor = await desk('instructor');
  await instructor.goto('/aircraft/N01TB');
  await expect(instructor.getByRole('heading', { name: 'Grounded N01TB' })).toBeVisible();
  const item = instructor.getByRole('listitem').filter({ hasText: 'The tail light stays dark' });
  await item.getByRole('button', { name: 'Deferral' }).click();
  await expect(instructor.getByRole('table', { name: 'What asks for it' })).toBeVisible();
  await expect(instructor.getByText(/Not available .*(sunset|night)/).first()).toBeVisible();
  await expectNoViolations(instructor);
  const form = instructor.getByRole('form', { name: /^Defer:/ });
  await form.getByLabel('How, as the record needs it').fill('Circuit breaker pulled and collared');
  await form.getByRole('button', { name: 'Sign: no hazard' }).click();
  await expect(form.getByText('Say whether it was deactivated or removed.')).toBeVisible();
  await form.getByRole('combobox', { name: 'What was done to it' }).click();
  await instructor.getByRole('option', { name: 'It was deactivated' }).click();
  await form.getByRole('combobox', { name: 'Maintenance record' }).click();
  await instructor.getByRole('option', { name: 'Entered in the maintenance record' }).click();
  await form.getByLabel('Your password').fill('tern-bay-demo');
  await form.getByRole('button', { name: 'Sign: no hazard' }).click();
  await expect(form.getByText('Put the placard up first')).toBeVisible();
  await form.getByRole('checkbox').check();
  await form.getByLabel('Your password').fill('wrong');
  await form.getByRole('button', { name: 'Sign: no hazard' }).click();
  await expect(alert(instructor)).toContainText('The password is not right, so nothing was signed');
  await form.getByLabel('Your password').fill('tern-bay-demo');
  await form.getByRole('button', { name: 'Sign: no hazard' }).click();
  await expect(instructor.getByRole('heading', { name: 'Restricted N01TB' })).toBeVisible();

  const answer = await instructor.request.get(
    (await item.getByRole('link', { name: 'Placard as PDF' }).getAttribute('href')) ?? '',
  );
  expect(answer.headers()['content-type']).toBe('application/pdf');
  const pdf = await getDocument({ data: new Uint8Array(await answer.body()), verbosity: 0 }).promise;
  const { items } = await (await pdf.getPage(1)).getTextContent();
  const words = items.map((item) => ('str' in item ? item.str : '')).join(' ');
  expect(words).toContain('INOPERATIVE');
  expect(words).toContain('N01TB');

  const mechanic = await desk('mechanic');
  await mechanic.goto('/aircraft/N01TB');
  const open = mechanic.getByRole('listitem').filter({ hasText: 'The tail light stays dark' });
  await open.getByRole('button', { name: 'Record what was done' }).click();
  await mechanic.getByLabel('Description of the work').fill('Replaced the tail lamp, checked.');
  await open.getByRole('radio', { name: 'None of these' }).check();
  await mechanic.getByLabel('Your password').fill('tern-bay-demo');
  await mechanic.getByRole('button', { name: 'Sign and return to service' }).click();
  // Its pitot heat stays deferred; night is open again.
  await expect(open.getByRole('button', { name: 'Sign and return to service' })).toHaveCount(0);
  await expect(mechanic.getByRole('heading', { name: 'Restricted N01TB' })).toBeVisible();
  await expect(mechanic.getByText(/from sunset to sunrise/)).toHaveCount(0);
  await openPart(mechanic, 'History');
  await expect(mechanic.getByText(/deferred: .*Circuit breaker pulled and collared/)).toBeVisible();
});

test('what a dispatcher closes is closed on every screen at once, and withdrawn with why', async ({
  desk,
}) => {
  const dispatcher = await desk('dispatcher');
  const officer = await desk('safety-officer');
  await officer.goto('/aircraft/N09TB');
  await officer.getByRole('button', { name: 'Restrict it' }).click();
  await officer.getByRole('button', { name: /^Restrict N09TB/ }).click();
  await expect(officer.getByText('Say why: everybody reads it.')).toBeVisible();
  await officer.getByLabel('Why').fill('Hard landing seen from the desk');
  await expectNoViolations(officer);
  await officer.getByRole('button', { name: /^Restrict N09TB/ }).click();
  await expect(officer.getByRole('heading', { name: 'Grounded N09TB' })).toBeVisible();
  await expect(row(dispatcher, 'N09TB')).toContainText('Grounded', { timeout: 15_000 });
  await expect(officer.getByRole('button', { name: 'Withdraw' })).toHaveCount(0);
  await dispatcher.goto('/aircraft/N09TB');
  await dispatcher.getByRole('button', { name: 'Withdraw' }).click();
  await dispatcher.getByLabel('Why it can be withdrawn').fill('A mechanic looked, nothing found');
  await dispatcher.getByRole('button', { name: 'Withdraw it' }).click();
  await expect(dispatcher.getByRole('heading', { name: 'Grounded N09TB' })).toHaveCount(0);
});

test('a glider is rigged by its list on the phone, and unavailable until somebody has signed', async ({
  desk,
  phone,
}) => {
  test.slow();
  const renter = await phone('renter');
  await renter.goto('/ramp/N09TB');
  await renter.getByRole('button', { name: /^Rigging/ }).tap();
  await expect(renter.getByText('To begin says that the glider is apart')).toBeVisible();
  await expectNoViolations(renter);
  await renter.getByRole('button', { name: 'Begin', exact: true }).tap();
  await expect(renter.getByRole('heading', { name: 'Read the papers before rigging' })).toBeVisible();
  const dispatcher = await desk('dispatcher');
  await dispatcher.goto('/aircraft/N09TB');
  await expect(dispatcher.getByRole('heading', { name: 'Grounded N09TB' })).toBeVisible({ timeout: 20_000 });
  for (let left = 13; left > 0; left -= 1) {
    const title = (await renter.locator('h1').textContent()) ?? '';
    await renter.getByRole('button', { name: 'Fine', exact: true }).tap();
    await expect(renter.locator('h1')).not.toHaveText(title);
  }
  await renter.getByLabel('Who held the surfaces?').fill('Pia Okoro');
  await expectNoViolations(renter);
  await renter.getByRole('button', { name: /^Sign as/ }).tap();
  await expect(renter.getByText('Signed. The desk has all of it.')).toBeVisible({ timeout: 20_000 });
  await expect(dispatcher.getByRole('heading', { name: 'Grounded N09TB' })).toHaveCount(0, {
    timeout: 20_000,
  });
  const student = await phone('student');
  await student.goto('/ramp/N09TB');
  await student.getByRole('button', { name: /^Rigging/ }).tap();
  await expect(student.getByText('Rigging is answered for by a pilot or a mechanic.')).toBeVisible();
  await student.getByRole('button', { name: 'It was taken apart' }).tap();
  await expect(dispatcher.getByRole('heading', { name: 'Grounded N09TB' })).toBeVisible({ timeout: 20_000 });
});

test('the run-up out of limits sends the aircraft back to the stand', async ({ desk, phone }) => {
  test.slow();
  const renter = await phone('renter');
  await renter.goto('/ramp/N03TG');
  await renter.getByRole('button', { name: /^Run-up/ }).tap();
  await renter.getByRole('button', { name: 'Begin', exact: true }).tap();
  for (let step = 0; step < 3; step += 1) {
    const title = (await renter.locator('h1').textContent()) ?? '';
    await renter.getByRole('button', { name: 'Fine', exact: true }).tap();
    await expect(renter.locator('h1')).not.toHaveText(title);
  }
  await expect(renter.locator('h1')).toHaveText('Read the drop, left ignition off');
  for (const digit of ['1', '9', '0']) await renter.getByRole('button', { name: digit, exact: true }).tap();
  await expect(renter.getByText('The aircraft stays until a mechanic has looked')).toBeVisible();
  await expectNoViolations(renter);
  await renter.getByRole('button', { name: /^Keep 190/ }).tap();
  const dispatcher = await desk('dispatcher');
  await dispatcher.goto('/aircraft/N03TG');
  await expect(dispatcher.getByText(/ignition drop/i).first()).toBeVisible({ timeout: 20_000 });
});
