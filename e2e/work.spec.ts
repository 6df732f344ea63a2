import { expect, expectNoViolations, fillDay, reportFinding, test } from './groval';

const PASSWORD = 'tern-bay-demo';

test('ten findings are decided about in a minute, by keyboard', async ({ desk, phone }) => {
  test.slow();
  const student = await phone('student');
  for (let n = 1; n <= 10; n += 1)
    await reportFinding(student, 'N00TB', `Small thing ${n}`, {
      looks: 'looks-small',
      foundAt: '2026-01-01T12:00:00Z',
    });
  const mechanic = await desk('mechanic');
  await mechanic.goto('/triage');
  const waiting = mechanic.getByRole('option').filter({ hasText: 'Small thing' });
  await expect(waiting).toHaveCount(10);
  await expectNoViolations(mechanic);
  const chosen = mechanic.getByRole('option', { selected: true });
  const started = Date.now();
  let keys = 0;
  const press = async (key: string) => {
    await mechanic.keyboard.press(key);
    keys += 1;
  };
  await press('End');
  for (let left = 10; left > 0; left -= 1) {
    while (!(await chosen.innerText()).includes('Small thing')) await press('ArrowUp');
    // In own words each grounds already: it stays as it is.
    await press('1');
    await expect(waiting).toHaveCount(left - 1);
  }
  const seconds = (Date.now() - started) / 1000;
  console.log(`ten findings in ${seconds.toFixed(1)} s and ${keys} keys`);
  expect(seconds).toBeLessThan(60);
  await mechanic.goto('/aircraft/N00TB');
  await expect(mechanic.getByText('Small thing 10', { exact: true })).toBeVisible();
});

test('work that may have changed how it flies: begun, approved, flown, and a pilot’s tyre change with its words', async ({
  desk,
}) => {
  test.slow();
  const dispatcher = await desk('dispatcher');
  await dispatcher.goto('/aircraft/N00TB');
  await dispatcher.getByRole('button', { name: 'Work is begun' }).click();
  await dispatcher.getByLabel('What is being worked on').fill('Elevator trim cable');
  await dispatcher.getByRole('button', { name: /ground N00TB/ }).click();
  await expect(dispatcher.getByText('Work in progress: “Elevator trim cable”.').first()).toBeVisible();

  const mechanic = await desk('mechanic');
  await mechanic.goto('/aircraft/N00TB');
  await mechanic.getByRole('button', { name: 'Approve for return to service' }).click();
  const form = mechanic.getByRole('form', { name: 'Approve: Elevator trim cable' });
  await form.getByLabel('Description of the work').fill('Elevator trim cable replaced and rigged');
  await form.getByLabel('Your password').fill(PASSWORD);
  await form.getByRole('button', { name: 'Sign and return to service' }).click();
  await expect(form.getByText('Say whether the work may have changed any of this.')).toBeVisible();
  await form.getByRole('radio', { name: 'Some of these' }).check();
  await form.getByRole('checkbox', { name: /^how it flies/ }).check();
  await expectNoViolations(mechanic);
  await form.getByRole('button', { name: 'Sign and return to service' }).click();
  await expect(mechanic.getByText(/a check flight is needed/).first()).toBeVisible();

  const instructor = await desk('instructor');
  await instructor.goto('/aircraft/N00TB');
  await instructor.getByRole('button', { name: /^Check flight/ }).click();
  const flown = instructor.getByRole('form', { name: /^Check flight after/ });
  await flown.getByLabel('What was flown').fill('Trim through its range at three speeds');
  await flown.getByLabel('Your password').fill(PASSWORD);
  await flown.getByRole('combobox', { name: 'How it flew' }).click();
  await instructor.getByRole('option', { name: 'As it should', exact: true }).click();
  await flown.getByRole('button', { name: 'Sign: flown and logged' }).click();
  await expect(instructor.getByText(/a check flight is needed/)).toHaveCount(0);

  await instructor.getByRole('button', { name: 'Record work done' }).click();
  const tyre = instructor.getByRole('form', { name: 'Record work' });
  await tyre.getByLabel('Description of the work').fill('Replaced left main tyre and tube');
  await tyre.getByRole('button', { name: 'Add a part' }).click();
  await tyre.getByLabel('Part', { exact: true }).fill('Tyre');
  await tyre.getByLabel('Serial on').fill('B2');
  await tyre.getByRole('radio', { name: 'None of these' }).check();
  await tyre.getByLabel('Your password').fill(PASSWORD);
  await tyre.getByRole('button', { name: 'Sign and return to service' }).click();
  await expect(tyre).toHaveCount(0);
  await instructor.goto('/aircraft/N00TB#maintenance');
  await instructor.getByRole('button', { name: /^Words for the paper logbook: Work of/ }).click();
  await expect(instructor.getByLabel('Words of the entry')).toHaveValue(
    /Replaced left main tyre and tube\. Parts changed: Tyre, serial on B2\.\nApproved for return to service/u,
  );
  // Printed, the words stand alone.
  await instructor.emulateMedia({ media: 'print' });
  await expect(instructor.locator('pre').filter({ hasText: 'Approved for return to service' })).toBeVisible();
  await expect(instructor.getByRole('heading', { name: /N00TB/ })).toBeHidden();
  await expect(instructor.getByRole('button', { name: 'Print' })).toBeHidden();
  await instructor.emulateMedia({ media: 'screen' });
});

test('a 100-hour inspection that did not approve the aircraft is worked off item by item, and then cleared', async ({
  desk,
}) => {
  test.slow();
  const mechanic = await desk('mechanic');
  const folder = (await (await mechanic.request.get('/api/aircraft/N00TB/folder')).json()) as {
    readonly dials: readonly {
      readonly counts: readonly { readonly meter: string; readonly stands: string }[];
    }[];
    readonly panel: { readonly service: string | null };
  };
  const counted = folder.dials
    .flatMap(({ counts }) => counts)
    .find(({ meter }) => meter === 'time-in-service');
  const stands = (counted?.stands ?? folder.panel.service ?? '').replace(/[^\d.]/gu, '');
  await mechanic.goto('/aircraft/N00TB#maintenance');
  await mechanic.getByRole('button', { name: 'Record maintenance' }).click();
  const entry = mechanic.getByRole('form', { name: 'Record maintenance' });
  await entry.getByLabel('What was done').click();
  await mechanic.getByRole('option', { name: /^100-hour inspection/ }).click();
  await entry.getByLabel('Outcome').click();
  await mechanic.getByRole('option', { name: /^Not approved/ }).click();
  await entry.getByLabel(/in service then$/).fill(stands);
  await entry.getByLabel(/^Items of the list/).fill('Exhaust clamp cracked\nTail wheel bearing rough');
  await entry.getByLabel('Your password').fill(PASSWORD);
  await entry.getByRole('button', { name: 'Sign the entry' }).click();
  await expect(entry).toHaveCount(0);
  await expect(mechanic.getByText(/did not approve the aircraft/).first()).toBeVisible();

  const clear = async () => {
    // The same page with another part: loaded again, so that what is signed is what stands now.
    await mechanic.goto('/aircraft/N00TB#maintenance');
    await mechanic.reload();
    await mechanic.getByRole('button', { name: 'Every item is cleared' }).click();
    const form = mechanic.getByRole('form', { name: /^Clear the list of/ });
    await form.getByLabel('What was done about each item').fill('Both corrected');
    await form.getByLabel('Your password').fill(PASSWORD);
    await form.getByRole('button', { name: 'Sign and return to service' }).click();
    return form;
  };
  await expect((await clear()).getByText('2 items of the list are still open')).toBeVisible();
  for (const item of ['Exhaust clamp cracked', 'Tail wheel bearing rough']) {
    await mechanic.goto('/aircraft/N00TB');
    await mechanic.reload();
    const open = mechanic.getByRole('listitem').filter({ hasText: item });
    await open.getByRole('button', { name: 'Record what was done' }).click();
    await open.getByLabel('Description of the work').fill('Replaced');
    await open.getByRole('radio', { name: 'None of these' }).check();
    await open.getByLabel('Your password').fill(PASSWORD);
    await open.getByRole('button', { name: 'Sign and return to service' }).click();
    // The form is gone once it is recorded; its opener is gone as long as it is open.
    await expect(open.getByRole('button', { name: 'Sign and return to service' })).toHaveCount(0);
  }
  await expect(await clear()).toHaveCount(0);
  await expect(mechanic.getByText(/did not approve the aircraft/)).toHaveCount(0);
});

test('a ferry flight under a permit: to the workshop by day, with its crew alone, until something new is found', async ({
  desk,
}) => {
  test.slow();
  const mechanic = await desk('mechanic');
  const dispatcher = await desk('dispatcher');
  /** Says the flight of tomorrow at noon on the form, and gives what the form answers. */
  const open = async () => {
    await dispatcher.goto('/flights');
    await dispatcher.reload();
    await dispatcher.getByRole('button', { name: 'Enter a flight' }).click();
    const form = dispatcher.getByRole('form', { name: 'Enter a flight' });
    await form.getByLabel('Who', { exact: true }).fill('Ferry Guest');
    await form.getByLabel('Aircraft', { exact: true }).click();
    await dispatcher.getByRole('option', { name: /N00TB/ }).click();
    const tomorrow = new Date(Date.now() + 86_400_000);
    const day = new Intl.DateTimeFormat('sv-SE', { timeZone: 'America/Halifax' }).format(tomorrow);
    await fillDay(form, 'Day', day);
    await form.getByLabel('From', { exact: true }).fill('1200');
    await form.getByLabel('To', { exact: true }).fill('1300');
    await form.getByLabel('What for').click();
    // A list that is drawn again under the finger takes no tap: it is tapped once more while it stands.
    await expect(async () => {
      await dispatcher.getByRole('option', { name: 'A flight to the workshop' }).click({ timeout: 2000 });
      await expect(dispatcher.getByRole('listbox')).toHaveCount(0, { timeout: 2000 });
    }).toPass();
    return { form, answer: form.getByRole('status').first() };
  };
  const before = await open();
  await expect(before.answer).toContainText('This flight cannot go.');
  await before.answer.getByRole('button', { name: 'Why, and what would open it' }).click();
  await expect(before.answer).toContainText('pecial flight permit');

  await mechanic.goto('/aircraft/N00TB#permit');
  await mechanic.reload();
  await mechanic.getByRole('button', { name: 'Enter a permit …' }).click();
  const permit = mechanic.getByRole('form', { name: 'Special flight permit' });
  await permit.getByLabel('Number of the permit').fill('SFP-26-118');
  await permit
    .getByLabel('Route and conditions, as they stand on it')
    .fill('Direct to the workshop at Kirren Field, day VFR, required crew only');
  const until = new Intl.DateTimeFormat('sv-SE', { timeZone: 'America/Halifax' }).format(
    new Date(Date.now() + 3 * 86_400_000),
  );
  await fillDay(permit, 'Valid until', until);
  await permit.getByLabel('Your password').fill(PASSWORD);
  await expectNoViolations(mechanic);
  await permit.getByRole('button', { name: 'Sign: safe for this flight' }).click();
  await expect(permit).toHaveCount(0);

  const { form, answer } = await open();
  await expect(answer).toContainText('This flight can go');
  await form.getByRole('button', { name: 'Airspace, people, landings, fuel' }).click();
  await form.getByRole('checkbox', { name: 'Carries passengers' }).check();
  await expect(answer).toContainText('This flight cannot go.');
  await form.getByRole('checkbox', { name: 'Carries passengers' }).uncheck();
  await expect(answer).toContainText('This flight can go');
  // By night it covers nothing.
  await form.getByLabel('From', { exact: true }).fill('2200');
  await form.getByLabel('To', { exact: true }).fill('2300');
  await expect(answer).toContainText('This flight cannot go.');

  // What is found after it was issued it does not cover.
  await reportFinding(mechanic, 'N00TB', 'Aileron hinge loose');
  const after = await open();
  await expect(after.answer).toContainText('This flight cannot go.');
  await expect(after.answer).toContainText('Aileron hinge loose');
});
