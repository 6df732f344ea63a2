import { alert, expect, expectNoViolations, test } from './groval';

const csv = (rows: readonly string[]) => ({
  name: 'old-flights.csv',
  mimeType: 'text/csv',
  buffer: Buffer.from(['Registration;Pilot;Left at;Back at;Landings;Remarks', ...rows].join('\r\n')),
});
const GOOD = [
  'N06TG;"Quist; E.";2020-05-01 10:00;2020-05-01 11:00;2;"Nothing; ""really"""',
  'N06TG;R. Dane;2020-05-02 10:00;2020-05-02 11:00;007;Nothing to report',
];

test('flights come in from a file: told first, all or nothing, twice changes nothing, and out again', async ({
  desk,
  browser,
  baseURL,
}) => {
  const dispatcher = await desk('dispatcher');
  await dispatcher.goto('/import-export#import');
  await expectNoViolations(dispatcher);
  const file = dispatcher.getByLabel('File', { exact: true });
  const see = dispatcher.getByRole('button', { name: 'See what would happen' });
  await file.setInputFiles(csv([...GOOD, 'N0ZZZ;;2020-05-03 10:00;2020-05-03 09:00;1;']));
  await expect(dispatcher.getByText('person still needed')).toBeVisible();
  await expect(see).toBeDisabled();
  await dispatcher.getByLabel('person (needed)').click();
  await dispatcher.getByRole('option', { name: 'Pilot' }).click();
  await see.click();
  await expect(dispatcher.getByText('3 rows: 2 new, 0 there already, 1 rejected.')).toBeVisible();
  await expect(dispatcher.getByRole('grid', { name: 'Rejected rows' })).toContainText('person: is empty');
  await expect(dispatcher.getByRole('button', { name: /^Import / })).toBeDisabled();
  const download = dispatcher.waitForEvent('download');
  await dispatcher.getByRole('button', { name: 'Download the rejected rows' }).click();
  expect((await download).suggestedFilename()).toBe('rejected-flights.csv');
  await expectNoViolations(dispatcher);

  // The mapping is remembered; the file without the wrong row goes in.
  await file.setInputFiles(csv(GOOD));
  await see.click();
  await expect(dispatcher.getByText('2 rows: 2 new, 0 there already, 0 rejected.')).toBeVisible();
  await dispatcher.getByRole('button', { name: 'Import 2' }).click();
  await expect(dispatcher.getByText('Imported.')).toBeVisible();
  await see.click();
  await expect(dispatcher.getByText('2 rows: 0 new, 2 there already, 0 rejected.')).toBeVisible();
  const out = await (await dispatcher.request.get('/api/export/flights.csv')).text();
  expect(out).toContain('N06TG,Quist; E.,2020-05-01T13:00:00.000Z,2020-05-01T14:00:00.000Z');
  expect(out).toContain('"Nothing; ""really"""');

  await file.setInputFiles({
    name: 'picture.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('registration,person,left_at,back_at\nN06TG,"never ends'),
  });
  await see.click();
  await expect(alert(dispatcher)).toContainText('The file is no CSV that can be read');

  // The calendar needs no session, only its secret address, and none once that is revoked.
  await dispatcher.getByRole('tab', { name: 'Calendar' }).click();
  await dispatcher.getByLabel('What for').fill('Workshop');
  await dispatcher.getByRole('button', { name: 'Make an address' }).click();
  const address = await dispatcher
    .getByRole('status')
    .filter({ hasText: 'shown once' })
    .locator('code')
    .innerText();
  const stranger = await browser.newContext();
  const path = new URL(address).pathname;
  expect(await (await stranger.request.get(`${baseURL ?? ''}${path}`)).text()).toContain('BEGIN:VCALENDAR');
  expect((await stranger.request.get(`${baseURL ?? ''}/api/export/club.json`)).status()).toBe(401);
  await dispatcher.getByRole('button', { name: 'Revoke Workshop' }).click();
  await dispatcher.getByRole('button', { name: 'Revoke the address' }).click();
  await expect(dispatcher.getByText('revoked')).toBeVisible();
  expect((await stranger.request.get(`${baseURL ?? ''}${path}`)).status()).toBe(404);
  await stranger.close();
});

test('records of an aircraft, however long ago: the server sorts, searches and pages them, and who flew is for those who may list it', async ({
  desk,
  phone,
}) => {
  const dispatcher = await desk('dispatcher');
  await dispatcher.goto('/aircraft/N02TB#flights');
  await dispatcher.getByRole('link', { name: 'All flights' }).click();
  const flights = dispatcher.getByRole('grid', { name: 'Flights' });
  const first = flights.getByRole('row').nth(1);
  const whenOf = async () => (await first.getByRole('gridcell').first().textContent()) ?? '';
  await expect(first).toContainText('Tach');
  await expectNoViolations(dispatcher);
  const newest = await whenOf();
  await flights.getByRole('columnheader', { name: 'Left' }).click();
  await expect(dispatcher).toHaveURL(/#flights\?sort=left&order=asc$/);
  await expect(first).not.toContainText(newest);
  expect(Date.parse(await whenOf())).toBeLessThan(Date.parse(newest));
  await dispatcher.getByRole('button', { name: 'Search' }).click();
  await dispatcher.getByRole('textbox', { name: 'For' }).fill('brandt');
  await expect(dispatcher).toHaveURL(/column=person&text=brandt/);
  await expect(first).toContainText('L. Brandt');
  // The address brings the same back.
  await dispatcher.reload();
  await expect(first).toContainText('L. Brandt');
  await dispatcher.goto('/records/N02TB#flights?column=person&text=nobody%20of%20that%20name');
  await expect(flights).toContainText('No line has that in it.');

  const renter = await phone('renter');
  await renter.goto('/records/N02TB#flights');
  await expect(renter.getByRole('tab')).toHaveText(['Meter readings', 'Maintenance record']);
  await expect(renter.getByRole('grid', { name: 'Meter readings' })).toContainText('Tach');
  await expectNoViolations(renter);
  const refused = await renter.request.get('/api/aircraft/N02TB/records/flights');
  expect(refused.status()).toBe(403);
});
