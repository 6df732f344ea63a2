import type { Page } from '@playwright/test';
import type { ChildProcess } from 'node:child_process';
import { alert, expect, expectNoViolations, fillDay, openPart, row, test, STILL } from './groval';
import { freePort, gone, startServer } from './servers';

const PASSWORD = 'a-password-of-mine';
let server: ChildProcess;
let base: string;
let printed = '';

test.beforeAll(async () => {
  const port = await freePort();
  base = `http://127.0.0.1:${port}`;
  server = await startServer(
    port,
    {
      DATABASE_URL: process.env['GROVAL_TEST_EMPTY_URL'],
      GROVAL_DEMO_PASSWORD: undefined,
      GROVAL_TEST_EMPTY_URL: undefined,
    },
    (text) => {
      printed += text;
    },
  );
});
test.afterAll(async () => {
  await gone(server, 'SIGTERM');
});

async function choose(page: Page, label: string, option: string): Promise<void> {
  await page.getByLabel(label, { exact: true }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
}

test('from nothing to the first aircraft that may go: founded by the code, people by links, closed until the facts are in', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  const open = async () =>
    (await browser.newContext({ ...STILL, baseURL: base, viewport: { width: 1280, height: 800 } })).newPage();
  const admin = await open();
  await expect
    .poll(() => /\n {4}([0-9a-f-]{23})\n/.exec(printed)?.[1] ?? '', { timeout: 20_000 })
    .not.toBe('');
  const code = /\n {4}([0-9a-f-]{23})\n/.exec(printed)?.[1] ?? '';

  // A stranger finds the way, and needs the code.
  await admin.goto('/sign-in');
  await admin.getByRole('link', { name: 'founds the club' }).click();
  await expect(admin.getByRole('heading', { name: 'A new club' })).toBeVisible();
  await expectNoViolations(admin);
  await admin.getByRole('button', { name: 'Found the club' }).click();
  await expect(admin.getByText('Enter the code that was printed when the server started.')).toBeVisible();
  await admin.getByLabel('One-time code').fill('00000-00000-00000-00000');
  await admin.getByLabel('Your name').fill('Ada Quill');
  await admin.getByLabel('Your e-mail address').fill('Ada@Example.org');
  await admin.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await admin.getByLabel('The password again').fill(PASSWORD);
  await admin.getByLabel('Name of the club').fill('Gull Point Flyers');
  await admin.getByLabel('Name of the field').fill('Gull Point');
  await admin.getByLabel('Latitude, degrees').fill('44.53');
  await admin.getByLabel('Longitude, degrees').fill('64.02');
  await admin.getByLabel('Time zone of the field').fill('America/Halifax');
  await admin.getByRole('option', { name: 'America/Halifax' }).click();
  await choose(admin, 'Under which part the school trains', 'Part 61');
  await admin.getByRole('button', { name: 'Found the club' }).click();
  // West without its sign would move day and night by hours.
  await expect(
    admin.getByText('the sun is 8 hours off the clock of America/Halifax', { exact: false }).first(),
  ).toBeVisible();
  await admin.getByLabel('Longitude, degrees').fill('-64.02');
  await admin.getByRole('button', { name: 'Found the club' }).click();
  await expect(alert(admin)).toContainText('This is not the code.');
  // What was typed stands.
  await admin.getByLabel('One-time code').fill(code);
  await admin.getByRole('button', { name: 'Found the club' }).click();
  await admin.waitForURL('**/club');
  await expect(admin.getByRole('heading', { name: 'Gull Point Flyers' })).toBeVisible();
  await expect(admin.getByText('There is no aircraft yet.')).toBeVisible();
  await expectNoViolations(admin);
  // The code worked once.
  expect(await (await admin.request.get('/api/founding')).json()).toEqual({ open: false, club: null });

  // The administrator keeps the records too, and admits a mechanic, who chooses a password.
  await admin.getByRole('tab', { name: 'People' }).click();
  await admin.getByRole('button', { name: 'Ada Quill', exact: true }).click();
  await admin.getByRole('button', { name: 'Roles of Ada Quill' }).click();
  const roles = admin
    .getByRole('listitem')
    .filter({ hasText: 'Ada Quill' })
    .getByRole('group', { name: 'Roles' });
  await roles.getByLabel('Administrator').uncheck();
  await admin.getByRole('button', { name: 'End the membership …' }).click();
  await admin.getByRole('dialog').getByRole('button', { name: 'End the membership' }).click();
  await expect(alert(admin)).toContainText('is the only administrator');
  await admin.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  await roles.getByLabel('Administrator').check();
  await roles.getByLabel('Dispatcher').check();
  await admin.getByRole('button', { name: 'Save roles' }).click();
  await expect(admin.getByRole('grid', { name: 'People' })).toContainText('Administrator, Dispatcher');
  await admin.getByRole('button', { name: 'Admit somebody …' }).click();
  const admit = admin.getByRole('form', { name: 'Admit somebody' });
  await admit.getByLabel('Name', { exact: true }).fill('Bo Tarn');
  await admit.getByLabel('E-mail address to sign in by').fill('bo@example.org');
  await admit.getByLabel('Mechanic').check();
  await admit.getByRole('button', { name: 'Admit and make a link' }).click();
  const link = await admin.getByRole('status').filter({ hasText: 'shown once' }).locator('code').innerText();
  const bo = await open();
  await bo.goto(link);
  await expect(bo.getByText('Gull Point Flyers admits you, Bo Tarn.')).toBeVisible();
  await expectNoViolations(bo);
  await bo.getByLabel('Password', { exact: true }).fill('short');
  await bo.getByRole('button', { name: 'Save password' }).click();
  await expect(bo.getByText('Choose at least 10 characters.')).toBeVisible();
  await bo.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await bo.getByLabel('The password again').fill(PASSWORD);
  await bo.getByRole('button', { name: 'Save password' }).click();
  await expect.poll(async () => (await bo.request.get('/api/me')).status()).toBe(200);
  const second = await open();
  await second.goto(link);
  await expect(alert(second)).toContainText('This link does not work any more');
  await admin.reload();
  await admin.getByRole('button', { name: 'Bo Tarn', exact: true }).click();
  await admin.getByRole('button', { name: 'Enter a certificate of Bo Tarn' }).click();
  const certificate = admin.getByRole('form', { name: 'Certificate of Bo Tarn' });
  await certificate.getByLabel('Kind').click();
  await admin.getByRole('option', { name: /inspection authorisation/i }).click();
  await certificate.getByLabel('Number').fill('IA-77');
  await fillDay(certificate, 'Valid from', '2020-01-01');
  await certificate.getByRole('button', { name: 'Save' }).click();
  await expect(admin.getByRole('grid', { name: 'People' })).toContainText(
    'IA-77, from 1 Jan 2020, no expiry',
  );

  // The first aircraft is closed, and says what is missing.
  await admin.getByRole('tab', { name: 'Aircraft' }).click();
  const enter = admin.getByRole('form', { name: 'Enter an aircraft' });
  await enter.getByLabel('Registration, as painted').fill('n0gpf');
  await enter.getByLabel('Type', { exact: true }).fill('Quorin 160');
  await enter.getByRole('button', { name: 'Add' }).click();
  await admin.waitForURL('**/aircraft-data/N0GPF');
  await expect(admin.getByRole('heading', { name: 'Still missing' })).toBeVisible();
  await expectNoViolations(admin);
  const missing = admin.getByRole('region', { name: 'Still missing' }).getByRole('listitem');
  await expect(missing.first()).toBeVisible();
  expect(await missing.count()).toBeGreaterThan(8);

  const about = admin.getByRole('form', { name: 'What it is' });
  await choose(admin, 'Category of its certificate', 'Standard');
  for (const [label, value] of [
    ['Serial number', 'Q-17'],
    ['Seats, the pilot’s included', '4'],
    ['Revision of its manual in force', '7'],
    ['Burnt in an hour at cruise', '8.4'],
    ['Minimum for flight', '4'],
  ] as const)
    await about.getByLabel(label).fill(value);
  for (const [label, day] of [
    ['First flown on', '1998-04-02'],
    ['Made on', '1998-02-16'],
    ['Type certificated on', '1962-05-14'],
  ] as const)
    await fillDay(about, label, day);
  await choose(admin, 'Engine', 'air-cooled');
  await choose(admin, 'Landing gear', 'fixed');
  await choose(admin, 'Inspections', 'annual and 100-hour');
  await choose(admin, 'Navigation by instruments rests on', 'VOR only');
  await choose(admin, 'Minimum equipment list', 'none');
  await about.getByRole('button', { name: 'Another tank' }).click();
  await about.getByLabel('Tank', { exact: true }).fill('both');
  await about.getByLabel('Usable when full').fill('36');
  await about.getByRole('button', { name: 'Say what it is approved for' }).click();
  await about.getByRole('button', { name: 'Save' }).click();
  await expect(admin.getByText(/^standard$/)).toBeVisible();
  const equipment = admin.getByRole('form', { name: 'Equipment' });
  // A template has not seen the aircraft: what it says has to be compared with it, on a day that somebody names.
  await choose(admin, 'Begin from', 'Quorin 160, trainer, day and night VFR');
  await expect(equipment.getByLabel('transponder', { exact: true })).toHaveValue('yes');
  await equipment.getByRole('button', { name: 'Save this list' }).click();
  await expect(equipment.getByText('Say on which day it was compared with the aircraft.')).toBeVisible();
  const { today } = (await (await admin.request.get('/api/facts/N0GPF')).json()) as {
    readonly today: string;
  };
  await fillDay(equipment, 'Compared with the aircraft on', today);
  const line = async (name: string, state: 'fitted' | 'not fitted') => {
    await equipment.getByLabel(name, { exact: true }).selectOption({ label: state });
  };
  for (const name of [
    'airspeed indicator',
    'altimeter',
    'magnetic compass',
    'tachometer',
    'oil pressure gauge',
    'oil temperature gauge',
    'fuel gauge for each tank',
    'safety belt for everybody',
    'shoulder harness at each front seat',
    'shoulder harness at every seat',
    'fire extinguisher',
    'carbon-monoxide detector',
  ])
    await line(name, 'fitted');
  for (const name of ['transponder', 'ADS-B Out']) await line(name, 'not fitted');
  for (const name of ['fire extinguisher', 'carbon-monoxide detector'])
    await fillDay(
      equipment.getByRole('row').filter({ hasText: new RegExp(`^${name}`, 'i') }),
      'Its own date',
      '2031-05-01',
    );
  await equipment.getByRole('button', { name: 'Save this list' }).click();
  await expect(admin.getByText(/^as of /)).toBeVisible();
  const none = admin.getByRole('button', { name: 'There are none' });
  await none.first().click();
  await expect(none).toHaveCount(1);
  await none.click();
  await expect(none).toHaveCount(0);
  const locator = admin.getByRole('form', { name: 'ELT' });
  await locator.getByLabel('It is').click();
  await admin.getByRole('option', { name: 'fitted', exact: true }).click();
  await fillDay(locator, 'Battery to be replaced by', '2031-05-01');
  await locator.getByLabel('Minutes used since').fill('0');
  await locator.getByRole('button', { name: 'Save' }).click();
  await expect(admin.getByText('battery to be replaced by 1 May 2031')).toBeVisible();
  const insurance = admin.getByRole('form', { name: 'Club document' });
  await fillDay(insurance, 'Valid to, that day included', '2031-05-01');
  await insurance.getByRole('button', { name: 'Save' }).click();
  await expect(admin.getByText('insurance, valid to 1 May 2031')).toBeVisible();

  // Its documents, by taps.
  await bo.goto('/document-check/N0GPF');
  const paper = (name: string) => bo.getByRole('region', { name });
  await paper('Airworthiness certificate').getByRole('radio', { name: 'Yes, readable and in view' }).click();
  await paper('Airworthiness certificate')
    .getByLabel('Where in the aircraft it is kept')
    .fill('pouch behind the left seat');
  await paper('Registration certificate').getByRole('radio', { name: 'Yes, aboard and readable' }).click();
  await fillDay(paper('Registration certificate'), 'Issued on', '2025-05-14');
  await fillDay(paper('Registration certificate'), 'Printed expiry', '2032-05-31');
  await paper('Flight manual or operating limitations')
    .getByRole('radio', { name: 'Yes, and placards are in place' })
    .click();
  await paper('Flight manual or operating limitations').getByLabel('Revision of the manual aboard').fill('7');
  await paper('Weight-and-balance data').getByRole('radio', { name: 'Yes, aboard and readable' }).click();
  await fillDay(paper('Weight-and-balance data'), 'Dated', '2024-03-01');
  await paper('Form 337 for the cabin fuel tank').getByRole('radio', { name: 'No tank' }).click();
  await bo.getByRole('button', { name: 'Save 5 of 6' }).click();
  await expect(bo.getByRole('status')).toContainText('belongs to this aircraft');

  // Its meter, and its last inspections, signed by the mechanic's own certificate.
  await bo.goto('/aircraft/N0GPF#documents');
  await expect(bo.getByText('pouch behind the left seat')).toBeVisible();
  await openPart(bo, 'Flights and meters');
  await bo.getByRole('button', { name: 'Enter a meter …' }).click();
  const meter = bo.getByRole('form', { name: 'Enter a meter' });
  await meter.getByLabel('Name, as people call it').fill('Block meter');
  await meter.getByLabel('It shows now').fill('4150.3');
  await meter.getByRole('button', { name: 'Enter this meter' }).click();
  await expect(bo.getByText('4150.3 h').first()).toBeVisible();
  const sign = async (what: string) => {
    await bo.goto('/aircraft/N0GPF#maintenance');
    await bo.getByRole('button', { name: 'Record maintenance …' }).click();
    const entry = bo.getByRole('form', { name: 'Record maintenance' });
    await choose(bo, 'What was done', what);
    await entry.getByLabel('Time in service then').fill('4150.3');
    await entry.getByLabel('Your password, as your signature').fill(PASSWORD);
    await entry.getByRole('button', { name: 'Sign the entry' }).click();
    await expect(entry).toHaveCount(0);
  };
  await sign('Annual inspection');
  // One thing is still not known, and that is enough.
  await bo.goto('/aircraft-data/N0GPF');
  await expect(bo.getByRole('region', { name: 'Still missing' }).getByRole('listitem')).toHaveText([
    /^No ELT inspection is on record/,
  ]);
  await admin.goto('/line');
  await expect(row(admin, 'N0GPF')).toContainText('Grounded');
  await sign('ELT inspection');
  await expect(row(admin, 'N0GPF')).toContainText('Released', { timeout: 15_000 });
  await bo.goto('/aircraft-data/N0GPF');
  await expect(bo.getByRole('heading', { name: 'All required data is on record' })).toBeVisible();

  // Other rules: what they would change is shown before anybody signs for them, and every aircraft is decided by them at once.
  await admin.goto('/club#rules');
  await expect(admin.getByRole('row', { name: /Field Gull Point, 44.53° north, 64.02° west/ })).toBeVisible();
  await admin.getByRole('button', { name: 'Change field or rules …' }).click();
  const change = admin.getByRole('form', { name: 'Field and rules' });
  await change.getByLabel('Name of the field').fill('Gull Point North');
  await change.getByRole('button', { name: 'See what it would change' }).click();
  await expect(change.getByRole('status')).toContainText(
    'Of 1 aircraft none would be answered otherwise just now.',
  );
  await choose(admin, 'Authority', 'Australian maintenance release');
  await expect(change.getByRole('button', { name: 'Sign the change' })).toHaveCount(0);
  await change.getByRole('button', { name: 'See what it would change' }).click();
  await expect(change.getByRole('row', { name: /N0GPF.*Released.*Grounded/ })).toBeVisible();
  await expectNoViolations(admin);
  await choose(admin, 'Authority', 'US part 91');
  await change.getByRole('button', { name: 'See what it would change' }).click();
  await change.getByLabel('Why it changes').fill('The field took another name');
  await change.getByLabel('Your password, to sign it').fill('not-my-password');
  await change.getByRole('button', { name: 'Sign the change' }).click();
  await expect(alert(admin)).toContainText('The password is not right');
  await change.getByLabel('Your password, to sign it').fill(PASSWORD);
  await change.getByRole('button', { name: 'Sign the change' }).click();
  await expect(change).toHaveCount(0);
  await expect(admin.getByText('Ada Quill: The field took another name', { exact: false })).toBeVisible();
  await admin.goto('/aircraft/N0GPF#history');
  await expect(admin.getByText('changed the club’s field or rules', { exact: false }).first()).toBeVisible();

  // A new password by a link of the administrator ends every session of that person.
  await admin.goto('/club#people');
  await admin.getByRole('button', { name: 'Bo Tarn', exact: true }).click();
  await admin.getByRole('button', { name: 'Make a link for Bo Tarn' }).click();
  const again = await admin.getByRole('status').filter({ hasText: 'shown once' }).locator('code').innerText();
  await second.goto('/');
  await second.goto(again);
  await expect(second.getByText('this sets a new password')).toBeVisible();
  await second.getByLabel('Password', { exact: true }).fill(`${PASSWORD}-2`);
  await second.getByLabel('The password again').fill(`${PASSWORD}-2`);
  await second.getByRole('button', { name: 'Save password' }).click();
  await expect.poll(async () => (await second.request.get('/api/me')).status()).toBe(200);
  expect((await bo.request.get('/api/me')).status()).toBe(401);
});
