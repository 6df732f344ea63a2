import type { Page } from '@playwright/test';
import { alert, expect, expectNoViolations, openPart, reportFinding, row, STILL, test } from './groval';

const PASSWORD = 'tern-bay-demo';
/** The wall clock at the field, so many minutes from now. */
const fieldClock = (minutes: number) =>
  new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: 'America/Halifax',
  }).format(Date.now() + minutes * 60_000);

async function plan(desk: Page, person: string): Promise<void> {
  await desk.goto('/flights');
  await desk.getByRole('button', { name: 'Enter a flight' }).click();
  await desk.getByLabel('Who', { exact: true }).fill(person);
  await desk.getByLabel('Aircraft', { exact: true }).click();
  await desk.getByRole('option', { name: /N03TB/ }).click();
  await desk.getByLabel('From', { exact: true }).fill(fieldClock(-5).replace(':', ''));
  await desk.getByLabel('To', { exact: true }).fill(fieldClock(70));
  await desk.getByLabel('Hours in the air').fill('1.0');
  await expect(desk.getByRole('form', { name: 'Enter a flight' }).getByRole('status')).toContainText(
    'This flight c',
  );
  await desk.getByRole('button', { name: 'Add' }).click();
  await expect(desk.getByRole('row').filter({ hasText: person })).toBeVisible();
}

/** From the plan to the dispatch page with somebody's flight. */
async function toDispatch(desk: Page, person: string): Promise<void> {
  await desk.getByRole('row').filter({ hasText: person }).click();
  await desk.getByRole('link', { name: 'Check it out' }).click();
}

/** The pilot reads every restriction back, and the dispatcher enters their password. */
async function readBack(dispatcher: Page): Promise<void> {
  const restrictions = dispatcher.getByRole('region', { name: 'Restrictions, read back by the pilot' });
  for (const box of await restrictions.getByRole('checkbox').all()) await box.check();
  await dispatcher.getByLabel('Your password, as your signature').fill(PASSWORD);
}

test('a full day of an aircraft: documents, check-out, transposition, check-in, gap, inspection with the excess taken off, correction', async ({
  desk,
  phone,
}) => {
  test.setTimeout(300_000);
  const dispatcher = await desk('dispatcher');
  const student = await phone('student');

  // The documents: one is missing and closes the aircraft at once; what a student finds again counts once the dispatcher vouches for it.
  await student.goto('/document-check/N03TB');
  await expectNoViolations(student);
  const loading = student.getByRole('region', { name: 'Weight-and-balance data' });
  await loading.getByRole('radio', { name: 'Not there' }).tap();
  await student.getByRole('button', { name: 'Save 1 of 6, 1 not in order' }).tap();
  await expect(student.getByRole('status')).toContainText(
    'Weight-and-balance data: what is missing closes its uses',
  );
  await expect(row(dispatcher, 'N03TB')).toContainText('Grounded', { timeout: 15_000 });
  await student.goto('/document-check/N03TB');
  await student
    .getByRole('region', { name: 'Airworthiness certificate' })
    .getByRole('radio', { name: 'Yes, readable and in view' })
    .tap();
  await student
    .getByRole('region', { name: 'Registration certificate' })
    .getByRole('radio', { name: 'Yes, aboard and readable' })
    .tap();
  await student
    .getByRole('region', { name: 'Weight-and-balance data' })
    .getByRole('radio', { name: 'Yes, aboard and readable' })
    .tap();
  await student.getByRole('button', { name: 'Save 3 of 6' }).tap();
  await expect(student.getByText('Does not count yet:')).toBeVisible();
  await expect(row(dispatcher, 'N03TB')).toContainText('Grounded');
  await dispatcher.goto('/aircraft/N03TB');
  const waiting = dispatcher.getByRole('region', { name: 'Waiting to be vouched for' });
  await waiting.getByRole('checkbox', { name: /Weight-and-balance data/ }).check();
  await waiting.getByLabel('Your password, as your signature').fill('tern-bay-demo');
  await waiting.getByRole('button', { name: 'Vouch for 1' }).click();
  await expect(waiting).toHaveCount(0);
  await dispatcher.goto('/line');
  await expect(row(dispatcher, 'N03TB')).toContainText('Released', { timeout: 15_000 });

  // Planned, and checked out: the meter is typed with two digits swapped.
  await plan(dispatcher, 'V. Aster');
  await expectNoViolations(dispatcher);
  await toDispatch(dispatcher, 'V. Aster');
  await expect(
    dispatcher.getByRole('region', { name: 'The answer for this flight, leaving now' }),
  ).toContainText('This flight can go.');
  const air = dispatcher.getByLabel('Tach shows');
  const block = dispatcher.getByLabel('Hour meter shows');
  const onRecord = async (name: string) =>
    /([\d.]+) h/.exec(
      await dispatcher
        .getByText(new RegExp(`^(on record|at check-out): `))
        .nth(name === 'air' ? 0 : 1)
        .innerText(),
    )?.[1] ?? '';
  const airOut = await onRecord('air');
  const blockOut = await onRecord('block');
  expect(airOut).toBe('6390.6');
  await air.fill('6930.6');
  await block.fill(blockOut);
  await readBack(dispatcher);
  await dispatcher.getByRole('button', { name: 'check out N03TB' }).click();
  await expect(alert(dispatcher).filter({ hasText: '540.0 h more than 6390.6 h' })).toBeVisible();
  await expect(alert(dispatcher).filter({ hasText: 'Nothing was recorded yet' })).toBeVisible();
  await expectNoViolations(dispatcher);
  await dispatcher.getByRole('button', { name: '6390.6', exact: true }).click();
  await dispatcher.getByRole('button', { name: 'check out N03TB' }).click();

  // Out: the dispatch page says who has it. Back: a slip is asked while the person is still there.
  await expect(dispatcher.getByRole('button', { name: 'Take back N03TB' })).toBeVisible();
  await expectNoViolations(dispatcher);
  await air.fill('6930.7');
  await block.fill((Number(blockOut) + 0.1).toFixed(2));
  await dispatcher.getByLabel('Landings').fill('1');
  await dispatcher.getByRole('button', { name: 'Take back N03TB' }).click();
  await expect(
    dispatcher.getByText('Write it down, or choose that there is nothing to report.'),
  ).toBeVisible();
  await expect(dispatcher.getByText('Say whether any of it is a defect.')).toBeVisible();
  await dispatcher.getByLabel('Nothing to report').check();
  await dispatcher.getByRole('button', { name: '6390.7', exact: true }).click();
  await expect(dispatcher.getByText('0.1 h by Hour meter')).toBeVisible();
  await dispatcher.getByRole('button', { name: 'Take back N03TB' }).click();
  await expect(dispatcher.getByRole('region', { name: 'Back' })).toContainText('0.1 h by Hour meter');
  await expectNoViolations(dispatcher);

  // The next flight finds a gap that ends the hundred hours: the hours count, and it stays.
  await plan(dispatcher, 'W. Birk');
  await toDispatch(dispatcher, 'W. Birk');
  await expect(dispatcher.getByRole('region', { name: 'What the last pilot reported' })).toContainText(
    'V. Aster',
  );
  await air.fill('6401.9');
  await block.fill((Number(blockOut) + 0.1).toFixed(2));
  await readBack(dispatcher);
  await dispatcher.getByRole('button', { name: 'check out N03TB' }).click();
  await dispatcher.getByLabel('I have read it again: somebody flew and did not write it down').check();
  await dispatcher.getByRole('button', { name: 'check out N03TB' }).click();
  await expect(alert(dispatcher).filter({ hasText: 'cannot leave for this flight' })).toContainText(
    'The readings are on record, with the unlogged time.',
  );
  await dispatcher.goto('/aircraft/N03TB#flights');
  const meters = dispatcher.getByRole('region', { name: 'Meters' });
  await expect(meters).toContainText('11.2 h on Tach');
  await meters.getByLabel('Flown by').fill('V. Aster');
  await meters.getByRole('button', { name: 'Save' }).click();
  await expect(meters).toContainText('Flown by V. Aster.');
  await expectNoViolations(dispatcher);

  // The mechanic signs the 100-hour inspection: what was flown over is taken off, and the sum is shown before.
  const mechanic = await desk('mechanic');
  await mechanic.goto('/aircraft/N03TB#maintenance');
  await mechanic.getByRole('button', { name: 'Record maintenance' }).click();
  const form = mechanic.getByRole('form', { name: 'Record maintenance' });
  await form.getByLabel('What was done').click();
  await mechanic.getByRole('option', { name: 'Annual inspection', exact: true }).click();
  await expect(form.getByRole('status')).toContainText('May be signed by: IA or repair station.');
  await form.getByLabel('What was done').click();
  await mechanic.getByRole('option', { name: '100-hour inspection' }).click();
  await form.getByLabel('Time in service then').fill('6401.9');
  await expect(form.getByRole('status')).toContainText(
    'Done at 6401.9 h, which was 1.9 h late: 6401.9 h + 100.0 h − 1.9 h = 6500.0 h.',
  );
  await expectNoViolations(mechanic);
  await form.getByLabel('Your password').fill('wrong');
  await form.getByRole('button', { name: 'Sign the entry' }).click();
  await expect(alert(mechanic)).toContainText('The password is not right');
  await form.getByLabel('Your password').fill(PASSWORD);
  await form.getByRole('button', { name: 'Sign the entry' }).click();
  await expect(mechanic.getByRole('heading', { name: 'Released N03TB' })).toBeVisible();
  await expect(mechanic.getByRole('region', { name: 'Maintenance record' })).toContainText(
    '100-hour inspection at 6401.9 h, approved',
  );
  await openPart(mechanic, 'Now');
  await expect(mechanic.getByRole('region', { name: 'What is due next' })).toContainText('6500.0 h');

  // A correction: the old reading stays readable.
  await dispatcher.reload();
  await meters
    .getByRole('button', { name: /^Correct Hour meter/ })
    .first()
    .click();
  await meters.getByLabel('What the meter really showed').fill((Number(blockOut) + 0.05).toFixed(2));
  await meters.getByLabel('Why it is corrected').fill('The last digit was misread');
  await meters.getByLabel('Your password').fill(PASSWORD);
  await meters.getByRole('button', { name: 'Strike and write again' }).click();
  // Less than the flight before came back with: that is asked, as it is at the dispatch page.
  await expect(alert(dispatcher)).toContainText('Then block time would fall from');
  await expect(meters.getByLabel('It is right even so')).toBeVisible();
  await expectNoViolations(dispatcher);
  // What is said of one figure is not said of another.
  await meters.getByLabel('It is right even so').check();
  await meters.getByLabel('What the meter really showed').fill((Number(blockOut) + 0.15).toFixed(2));
  await expect(meters.getByLabel('It is right even so')).toHaveCount(0);
  await meters.getByLabel('Your password').fill(PASSWORD);
  await meters.getByRole('button', { name: 'Strike and write again' }).click();
  await expect(meters).toContainText('Struck by Mira Holt');
  await expect(meters).toContainText('The last digit was misread');
  await openPart(dispatcher, 'History');
  await expect(dispatcher.getByRole('region', { name: 'History' })).toContainText(
    'Tomas Brandl signed: hundred-hour.',
  );
  await openPart(dispatcher, 'Flights and meters');

  // Its meters may be read while it stands, with the same questions as at the dispatch page.
  await meters.getByRole('button', { name: 'Read the meters' }).click();
  const panel = dispatcher.getByRole('form', { name: 'Read the meters' });
  await panel.getByLabel('Tach shows').fill('6410.9');
  await panel.getByLabel('Hour meter shows').fill((Number(blockOut) + 0.15).toFixed(2));
  await panel.getByRole('button', { name: 'Keep what they show' }).click();
  await expect(panel.getByRole('alert')).toContainText('9.0 h more than 6401.9 h');
  await expectNoViolations(dispatcher);
  await panel.getByLabel('Tach shows').fill('6401.9');
  await panel.getByRole('button', { name: 'Keep what they show' }).click();
  await expect(panel).toHaveCount(0);
  await openPart(dispatcher, 'History');
  await expect(dispatcher.getByRole('region', { name: 'History' })).toContainText('read its meters');

  // What a pilot reports is a defect or it is not: somebody says which, and a defect keeps the aircraft on the ground.
  await plan(dispatcher, 'X. Cove');
  await toDispatch(dispatcher, 'X. Cove');
  await expect(
    dispatcher.getByRole('region', { name: 'The answer for this flight, leaving now' }),
  ).toContainText('This flight can go.');
  const blockNow = await onRecord('block');
  await air.fill('6401.9');
  await block.fill(blockNow);
  await readBack(dispatcher);
  await dispatcher.getByRole('button', { name: 'check out N03TB' }).click();
  await expect(dispatcher.getByRole('button', { name: 'Take back N03TB' })).toBeVisible();
  await air.fill('6401.9');
  await block.fill(blockNow);
  await dispatcher.getByLabel('Landings').fill('0');
  await dispatcher.getByLabel('What the pilot reports').fill('Left brake soft');
  await dispatcher.getByRole('button', { name: 'Take back N03TB' }).click();
  await expect(dispatcher.getByText('Say whether any of it is a defect.')).toBeVisible();
  await expectNoViolations(dispatcher);
  await dispatcher.getByLabel('Yes, or not sure.').check();
  await dispatcher.getByRole('button', { name: 'Take back N03TB' }).click();
  await expect(dispatcher.getByRole('region', { name: 'Back' })).toContainText('Left brake soft');
  await dispatcher.goto('/line');
  await expect(row(dispatcher, 'N03TB')).toContainText('Grounded');
  await expect(row(dispatcher, 'N03TB')).toContainText('Left brake soft');
  await student.goto('/ramp/N03TB');
  await expect(student.getByText('The last pilot, X. Cove')).toBeVisible();
  await expectNoViolations(student);

  // And the day on paper.
  await dispatcher.goto('/sheet/N03TB');
  await expect(dispatcher.getByRole('heading', { name: /Trip sheet N03TB/ })).toBeVisible();
  await expect(dispatcher.getByRole('table').first()).toContainText('V. Aster');
  await expectNoViolations(dispatcher);
});

test('a release is read back and signed, its card is looked at by who was given it, and it is void at once', async ({
  desk,
  phone,
  browser,
  baseURL,
}) => {
  test.slow();
  // The brake of the day before is dealt with, so that the aircraft may go.
  const mechanic = await desk('mechanic');
  await mechanic.goto('/aircraft/N03TB#open-items');
  const brake = mechanic.getByRole('listitem').filter({ hasText: 'Left brake soft' });
  await brake.getByRole('button', { name: 'Record what was done' }).click();
  await brake.getByLabel('Description of the work').fill('Brake bled');
  await brake.getByRole('radio', { name: 'None of these' }).check();
  await brake.getByLabel('Your password').fill(PASSWORD);
  await brake.getByRole('button', { name: 'Sign and return to service' }).click();
  await expect(brake.getByRole('button', { name: 'Sign and return to service' })).toHaveCount(0);
  // Something to read back: it closes instrument flight, which this flight does not need.
  const restricted = await mechanic.request.post('/api/restrictions', {
    headers: { origin: baseURL ?? '' },
    data: {
      restrictionId: crypto.randomUUID(),
      aircraftId: (
        (await (await mechanic.request.get('/api/aircraft/N03TB')).json()) as { aircraftId: string }
      ).aircraftId,
      why: 'landing light flickers',
      closes: ['night-for-hire'],
      until: null,
    },
  });
  expect(restricted.ok()).toBe(true);

  const dispatcher = await desk('dispatcher');
  await plan(dispatcher, 'Y. Dunn');
  await toDispatch(dispatcher, 'Y. Dunn');
  const sign = dispatcher.getByRole('button', { name: 'Sign the release only' });
  await dispatcher.getByLabel('Your password, as your signature').fill(PASSWORD);
  await dispatcher.getByLabel('Tach shows').fill('6401.9');
  await dispatcher.getByLabel('Hour meter shows').fill(
    /([\d.]+) h/.exec(
      await dispatcher
        .getByText(/^on record: /)
        .nth(1)
        .innerText(),
    )?.[1] ?? '',
  );
  await sign.click();
  await expect(
    alert(dispatcher).filter({ hasText: 'the pilot has not read back one restriction' }),
  ).toBeVisible();
  await expectNoViolations(dispatcher);
  await readBack(dispatcher);
  await sign.click();
  const signed = dispatcher.getByRole('region', { name: 'Release', exact: true });
  await expect(signed).toContainText('signed by Mira Holt');
  await signed.getByRole('button', { name: 'Decide it again' }).click();
  await expect(signed).toContainText('Decided again from what was known then: The same, byte for byte.');
  await expectNoViolations(dispatcher);

  // Somebody who was given the address sees the card and nothing else; every other address answers the same.
  const path = (await signed.getByRole('link', { name: 'Card', exact: true }).getAttribute('href')) ?? '';
  const stranger = await browser.newContext({ ...STILL, ...(baseURL === undefined ? {} : { baseURL }) });
  const card = await stranger.newPage();
  await card.goto(path);
  await expect(card.getByRole('heading', { level: 1 })).toContainText('N03TB');
  await expect(card.getByRole('region', { name: 'Restrictions, read back' })).toContainText(
    'Landing light flickers',
  );
  await expect(alert(card).filter({ hasText: 'This release holds until' })).toBeVisible();
  await expectNoViolations(card);
  const pdf = await stranger.request.get(`/api${path}/pdf`);
  expect([pdf.status(), pdf.headers()['content-type']]).toEqual([200, 'application/pdf']);
  const [, club = '', release = ''] = /card\/([^.]+)\.([^.]+)\./u.exec(path) ?? [];
  const answers = await Promise.all(
    [
      `${club}.${release}.${'0'.repeat(64)}`,
      `${release}.${club}.${'0'.repeat(64)}`,
      `${club}.${crypto.randomUUID()}.${path.slice(-64)}`,
      `${club}.${release}`,
      'nothing',
    ].map(async (address) => {
      const answer = await stranger.request.get(`/api/card/${address}`);
      return [answer.status(), await answer.text()] as const;
    }),
  );
  expect(new Set(answers.map(([status]) => status))).toEqual(new Set([404]));
  expect(new Set(answers.map(([, body]) => body)).size).toBe(1);
  for (const other of ['/api/line', '/api/dispatch', '/api/aircraft/N03TB', `/api${path}/replay`])
    expect((await stranger.request.get(other)).ok()).toBe(false);

  // Somebody finds something: the desk and who holds the card see it by themselves.
  const renter = await phone('renter');
  const before = Date.now();
  await reportFinding(renter, 'N03TB', 'Fuel drips from the left drain');
  await expect(signed.getByRole('alert').filter({ hasText: 'The release is void.' })).toContainText(
    'Fuel drips from the left drain',
  );
  await expect(card.getByRole('heading', { level: 1 })).toContainText('Not released');
  await expect(alert(card).filter({ hasText: 'Fuel drips from the left drain' })).toBeVisible();
  // Said of both within a moment: a timed bound would fail on a busy machine, and a minute would prove nothing.
  expect(Date.now() - before).toBeLessThan(15_000);
  await dispatcher.getByRole('button', { name: 'Check out N03TB' }).click();
  await expect(alert(dispatcher).filter({ hasText: 'cannot leave for this flight' })).toBeVisible();
  await expectNoViolations(card);
  await stranger.close();

  // And the next on duty reads what is open, and what came up.
  await dispatcher.goto('/dispatch');
  await dispatcher.getByRole('link', { name: 'Hand over' }).click();
  await expect(dispatcher.getByRole('region', { name: 'Not released' })).toContainText(
    'Fuel drips from the left drain',
  );
  await expect(dispatcher.getByRole('region', { name: 'Changed' })).toContainText(
    'A release that was signed before became void by this.',
  );
  await expect(
    dispatcher.getByRole('region', { name: 'Findings that nobody has decided about' }),
  ).toContainText('Fuel drips from the left drain');
  await expectNoViolations(dispatcher);
});
