import { randomBytes } from 'node:crypto';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { alert, expect, expectNoViolations, inOwnWords, row, signIn, test } from './groval';

test('the phone without signal keeps a finding and sends it when the signal is back', async ({
  desk,
  phone,
}) => {
  const dispatcher = await desk('dispatcher');
  await expect(row(dispatcher, 'N01TG')).toContainText('Released');
  const student = await phone('student');
  await student.goto('/ramp/N01TG#report');
  await student.getByRole('button', { name: 'Left main gear' }).tap();
  await student.context().setOffline(true);
  await student.getByRole('button', { name: 'Tread, flat spots, cords, cuts' }).tap();
  await student.getByRole('button', { name: 'Bald; cut' }).tap();
  await student.getByRole('button', { name: 'Save' }).tap();
  await student.getByRole('button', { name: 'It is not right' }).tap();
  await expect(student.getByRole('heading', { name: 'Kept on this phone.' })).toBeVisible();
  await expect(student.getByRole('status')).toContainText('do not fly N01TG');
  await expect(student.getByText('1 kept on phone')).toBeVisible();
  await expectNoViolations(student);
  await expect(row(dispatcher, 'N01TG')).toContainText('Released');
  await student.context().setOffline(false);
  await expect(student.getByText('all sent')).toBeVisible({ timeout: 40_000 });
  await expect(row(dispatcher, 'N01TG')).toContainText('Grounded');
});

test('an answer that gets lost takes nothing with it: sent again it is there once, and what was seen since is not taken as received', async ({
  desk,
  phone,
}) => {
  const dispatcher = await desk('dispatcher');
  await expect(row(dispatcher, 'N02TB')).toContainText('Released');
  const student = await phone('student');
  await student.goto('/document-check/N02TB');
  const paper = (name: string) => student.getByRole('region', { name });
  // The round arrives; its answer does not.
  await student.route(
    '**/api/document-check',
    async (route) => {
      await route.fetch();
      await route.abort();
    },
    { times: 2 },
  );
  await paper('Airworthiness certificate').getByRole('radio', { name: 'Yes, readable and in view' }).tap();
  for (let tries = 0; tries < 2; tries += 1) {
    const answered = student.waitForEvent('requestfailed');
    await student.getByRole('button', { name: 'Save 1 of 6' }).tap();
    await answered;
    await expect(alert(student)).toBeVisible();
  }
  await paper('Weight-and-balance data').getByRole('radio', { name: 'Not there' }).tap();
  await student.getByRole('button', { name: 'Save 2 of 6, 1 not in order' }).tap();
  await expect(student.getByRole('status')).toContainText(
    'Weight-and-balance data: what is missing closes its uses',
  );
  await expect(row(dispatcher, 'N02TB')).toContainText('Grounded', { timeout: 15_000 });
  await dispatcher.goto('/aircraft/N02TB#history');
  // Once for the two tries with the same, once for what was tapped since.
  await expect(
    dispatcher.getByRole('region', { name: 'History' }).getByText(/Pia Okoro checked documents/),
  ).toHaveCount(2);
  // The dispatcher found it: what a student says would wait.
  await dispatcher.goto('/document-check/N02TB');
  await dispatcher
    .getByRole('region', { name: 'Weight-and-balance data' })
    .getByRole('radio', { name: 'Yes, aboard and readable' })
    .click();
  await dispatcher.getByRole('button', { name: 'Save 1 of 6' }).click();
  await expect(dispatcher.getByRole('status')).toContainText('is there and belongs to this aircraft');
});

/** What the phone itself keeps of findings, as text. */
const keptOnPhone = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<string>((resolve) => {
        const open = indexedDB.open('groval-ramp');
        open.onsuccess = () => {
          const all = open.result.transaction('kept').objectStore('kept').getAll();
          all.onsuccess = () => {
            open.result.close();
            resolve(JSON.stringify(all.result));
          };
        };
      }),
  );

test('what was typed survives a closed tab', async ({ phone }) => {
  const renter = await phone('renter');
  await inOwnWords(renter, 'N08TB', 'Right wing', 'A dent behind the');
  await expect(renter.getByLabel('In your words')).toHaveValue('A dent behind the');
  await expect.poll(() => keptOnPhone(renter)).toContain('A dent behind the');
  const again = await renter.context().newPage();
  await renter.close();
  await again.goto('/ramp/N08TB#report');
  await expect(again.getByRole('textbox')).toHaveValue('A dent behind the');
});

test('what was written at a step of the walk-round survives a closed tab', async ({ phone }) => {
  const page = await phone('mechanic');
  await page.goto('/ramp/N02TG');
  await page.getByRole('button', { name: 'Begin', exact: true }).tap();
  await page.getByRole('button', { name: 'Found something' }).tap();
  await page.getByRole('button', { name: /^Something else/ }).tap();
  const words = page.getByLabel('Where exactly, and how large.');
  await words.fill('A dent as large as a thumb');
  // It is written to the phone's own store; nobody closes a tab sooner after the last letter.
  await page.waitForTimeout(1000);
  await page.reload();
  await page.getByRole('link', { name: /You began to report a finding/ }).tap();
  await expect(page.getByRole('textbox')).toHaveValue('A dent as large as a thumb');
});

test('a photo that cannot be read is never lost: the words arrive, the file stays until its taker decides', async ({
  phone,
}) => {
  const renter = await phone('renter');
  await inOwnWords(renter, 'N06TG', 'Walking up', 'Dent in the left wing tip');
  const photo = renter.locator('input[type=file]');
  await photo.setInputFiles({
    name: 'dent.png',
    mimeType: 'image/png',
    buffer: Buffer.from('no picture at all'),
  });
  await expect(alert(renter)).toContainText('cannot read that file as a picture');
  await expect(renter.getByRole('textbox')).toHaveValue('Dent in the left wing tip');
  await photo.setInputFiles({ name: 'dent.png', mimeType: 'image/png', buffer: await renter.screenshot() });
  // It is damaged on its way.
  await renter.route('**/photos/*', (route) => route.continue({ postData: 'no picture at all' }));
  await renter.getByRole('button', { name: 'Save' }).tap();
  await renter.getByRole('button', { name: 'It is not right' }).tap();
  await expect(renter.getByRole('heading', { name: 'Reported.' })).toBeVisible();
  await expect(alert(renter)).toContainText('The words have arrived; only the photo has not.');
  await expect(renter.getByRole('link', { name: 'Save the photo' })).toBeVisible();
  await expectNoViolations(renter);
  await renter.getByRole('button', { name: 'Leave the photo out' }).tap();
  await expect(renter.getByText('all sent')).toBeVisible();
});

test('a photo of 20 MB is made small on the phone, with an arrow where it was tapped, and arrives', async ({
  phone,
}) => {
  test.slow();
  const renter = await phone('renter');
  await inOwnWords(renter, 'N06TG', 'Walking up', 'Scratch under the left flap');
  const [width, height] = [3200, 2400];
  // By its path: as a message to the browser it would take half a minute.
  const noise = test.info().outputPath('scratch.png');
  const { size: large } = await sharp(randomBytes(width * height * 3), {
    raw: { width, height, channels: 3 },
  })
    .png({ compressionLevel: 0 })
    .toFile(noise);
  expect(large).toBeGreaterThan(20 * 1024 * 1024);
  await renter.locator('input[type=file]').setInputFiles(noise);
  const taken = renter.getByAltText('The photo that you took');
  const before = await taken.getAttribute('src');
  await taken.tap({ position: { x: 40, y: 40 } });
  await expect(taken).not.toHaveAttribute('src', before ?? '');
  const sent = renter.waitForRequest((request) => request.url().includes('/photos/'));
  await renter.getByRole('button', { name: 'Save' }).tap();
  await renter.getByRole('button', { name: 'It is not right' }).tap();
  await expect(renter.getByText('all sent')).toBeVisible({ timeout: 20_000 });
  const size = Number(await (await sent).headerValue('content-length'));
  expect(size).toBeGreaterThan(10_000);
  expect(size).toBeLessThan(4 * 1024 * 1024);
});

test('a key tag of no aircraft of the club says what to do', async ({ phone }) => {
  const renter = await phone('renter');
  await renter.goto('/ramp/N99ZZ');
  await expect(renter.getByText('The club has no such aircraft. Look at the key tag again')).toBeVisible();
  const made = await renter.request.get('/api/key-tags?sheet=single&aircraft=N02TB');
  expect([made.status(), made.headers()['content-type']]).toEqual([200, 'application/pdf']);
  expect((await made.body()).subarray(0, 5).toString()).toBe('%PDF-');
  expect((await renter.request.get('/api/key-tags?sheet=none')).status()).toBe(400);
  expect((await renter.request.get('/api/key-tags?aircraft=N99ZZ')).status()).toBe(404);
});

test('a signed-out phone keeps the finding until its writer signs in again', async ({ phone }) => {
  const renter = await phone('renter');
  await inOwnWords(renter, 'N06TB', 'Walking up', 'Oil puddle under the nose');
  await renter.context().clearCookies();
  await renter.getByRole('button', { name: 'Save' }).tap();
  await renter.getByRole('button', { name: 'It is not right' }).tap();
  await expect(renter.getByRole('heading', { name: 'Kept on this phone.' })).toBeVisible();
  await signIn(renter, 'renter');
  await expect(renter.getByText('all sent')).toBeVisible({ timeout: 40_000 });
});

test('a phone that changed hands sends nothing of the one under the name of the other', async ({ phone }) => {
  const page = await phone('renter');
  await inOwnWords(page, 'N06TB', 'Walking up', 'Written by its renter');
  // Somebody else signs in in another tab; this one still shows the renter's.
  const answer = await page.request.post('/api/demo', {
    data: { email: 'student@ternbay.example' },
    headers: { origin: new URL(page.url()).origin },
  });
  expect(answer.status()).toBe(200);
  await page.getByRole('button', { name: 'Save' }).tap();
  await page.getByRole('button', { name: 'It is not right' }).tap();
  await expect(page.getByRole('heading', { name: 'Kept on this phone.' })).toBeVisible();
  const story = async () =>
    (await (await page.request.get('/api/aircraft/N06TB')).text()).split('"story"')[1] ?? '';
  expect(await story()).not.toContain('Written by its renter');
  await signIn(page, 'renter');
  await expect(page.getByText('all sent')).toBeVisible({ timeout: 40_000 });
  expect(await story()).toMatch(/"who":"Rolf Dane","words":"[^"]*Written by its renter/);
});

test('the Line by keyboard alone', async ({ desk }) => {
  const page = await desk('dispatcher');
  await expect(row(page, 'N00TB')).toBeVisible();
  await page.getByRole('region', { name: /^The Line/ }).focus();
  const chosen = () => page.getByRole('complementary').getAttribute('aria-label');
  const before = await chosen();
  await page.keyboard.press('ArrowDown');
  expect(await chosen()).not.toBe(before);
  await page.keyboard.press('ArrowUp');
  expect(await chosen()).toBe(before);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/aircraft\/N\d\dT/);
});

test('what was begun for one aircraft is not carried to another that is found by its letters', async ({
  desk,
}) => {
  const page = await desk('mechanic');
  await page.goto('/aircraft/N08TB#maintenance');
  await page.getByRole('button', { name: 'Record maintenance' }).click();
  await page.getByLabel('Description, as the record needs it').fill('Meant for N08TB alone');
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Aircraft, flight, person' }).fill('Record maintenance of N09TB');
  await expect(page.getByRole('option', { name: 'Record maintenance of N09TB' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /N09TB/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Record maintenance' })).toBeVisible();
  await expect(page.getByRole('form', { name: 'Record maintenance' })).toHaveCount(0);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
});

test('a page of an older program shows nothing that a newer one answered, and says so', async ({ desk }) => {
  const dispatcher = await desk('dispatcher');
  // One that no other test changes meanwhile.
  const one = row(dispatcher, 'N07TB');
  await expect(one).toContainText(/Released|Restricted/);
  // The server is updated while the page is open: from now on an answer names another program, and would say something else.
  await dispatcher.route('**/api/line', async (route) => {
    const answer = await route.fetch();
    expect(answer.headers()['x-groval-program']).toMatch(/^[0-9a-f-]{36}$/);
    await route.fulfill({
      response: answer,
      headers: { ...answer.headers(), 'x-groval-program': 'a newer one' },
      body: (await answer.text()).replaceAll(/Released|Restricted/g, 'Withdrawn'),
    });
  });
  // Somebody comes back to the window. A question that is under way already is not asked again: then they come back once more.
  await expect(async () => {
    await dispatcher.evaluate(() => window.dispatchEvent(new Event('visibilitychange')));
    await expect(alert(dispatcher)).toContainText('Groval was updated', { timeout: 2000 });
  }).toPass({ timeout: 20_000 });
  await expect(one).toContainText(/Released|Restricted/);
  await expect(dispatcher.getByText('Withdrawn')).toHaveCount(0);
  await expectNoViolations(dispatcher);
  await dispatcher.unroute('**/api/line');
  await dispatcher.getByRole('button', { name: 'Load again' }).click();
  await expect(one).toContainText(/Released|Restricted/);
  await expect(alert(dispatcher)).toHaveCount(0);
});

test('addresses that lead nowhere say what to do', async ({ desk }) => {
  const page = await desk('dispatcher');
  await page.goto('/aircraft/N99XX');
  await expect(alert(page)).toContainText('The club has no such aircraft. Choose one from the Line.');
  await expectNoViolations(page);
  await page.goto('/hangar');
  await expect(page.getByRole('heading', { name: 'There is nothing at this address.' })).toBeVisible();
});

test('the dim theme has no violation either', async ({ desk }) => {
  const page = await desk('dispatcher');
  await expect(row(page, 'N00TB')).toBeVisible();
  await page.getByRole('button', { name: 'Mira Holt' }).click();
  await page.getByRole('menuitem', { name: 'Dark theme' }).click();
  await expect(row(page, 'N00TB')).toBeVisible();
  await expectNoViolations(page);
  await page.goto('/aircraft/N07TB');
  await expect(page.getByRole('heading', { name: 'Restricted N07TB' })).toBeVisible();
  await expectNoViolations(page);
});
