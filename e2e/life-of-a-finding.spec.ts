import { alert, expect, expectNoViolations, openPart, test } from './groval';
import { firstOfTheDay, Thumb, walkAsFarAs } from './walking';

const PASSWORD = 'tern-bay-demo';

test('a nick that is known and has grown is found on the walk-round, and dealt with', async ({
  desk,
  phone,
  baseURL,
}) => {
  test.slow();
  // N05TB has a blended nick that a mechanic accepted: picture and size stand at its step.
  const renter = await phone('renter');
  const instructor = await desk('instructor');
  await firstOfTheDay(instructor.request, baseURL ?? '', 'N05TB');
  await renter.goto('/ramp/N05TB');
  const thumb = new Thumb(renter);
  await thumb.tap('Begin');
  await thumb.steps({ until: renter.getByText('4 mm long, 1 mm deep') });
  await expect(renter.getByText('4 mm long, 1 mm deep')).toBeVisible();
  await expect(renter.getByRole('button', { name: 'Fine, and the mark is the same' })).toBeVisible();
  await expectNoViolations(renter);
  await renter.getByRole('button', { name: 'Found something' }).tap();
  await renter.getByRole('button', { name: /^Changed: Blended nick on blade 2/ }).tap();
  await expect(renter.getByText('4 mm long, 1 mm deep').first()).toBeVisible();
  const words = renter.getByLabel(/^Where exactly/);
  await expect(words).toHaveValue(/^Known mark changed \(Blended nick on blade 2.*Now: $/);
  await words.fill(`${await words.inputValue()}7 mm long, sharp at its bottom`);
  await renter.getByRole('button', { name: 'Save' }).tap();
  // Whatever the renter thinks of it, a mechanic looks first.
  await renter.getByRole('button', { name: /^It looks small to me/ }).tap();
  await expect(renter.getByRole('heading', { level: 1 })).toBeVisible();

  const mechanic = await desk('mechanic');
  await mechanic.goto('/triage');
  const grown = mechanic.getByRole('option', { name: /Now: 7 mm long/ });
  await grown.click();
  const detail = mechanic.getByRole('region', { name: /Known mark changed/ });
  await expect(detail).toContainText('The aircraft stays on the ground until a mechanic has looked.');
  await mechanic.goto('/aircraft/N05TB#open-items');
  await mechanic.reload();
  const open = mechanic.getByRole('listitem').filter({ hasText: 'Now: 7 mm long' });
  await open.getByRole('button', { name: 'Record what was done' }).click();
  await open
    .getByLabel('Description of the work')
    .fill('Blended again within the limits of the propeller manual');
  await open.getByRole('radio', { name: 'None of these' }).check();
  await open.getByLabel('Your password').fill(PASSWORD);
  await open.getByRole('button', { name: 'Sign and return to service' }).click();
  await expect(open.getByRole('button', { name: 'Sign and return to service' })).toHaveCount(0);

  // What is accepted from now on is the larger one; the walk-rounds to come compare with it.
  await openPart(mechanic, 'Marks');
  await mechanic.getByRole('button', { name: 'Accept a mark …' }).click();
  const form = mechanic.getByRole('form', { name: 'Accept a mark' });
  await mechanic
    .getByRole('img', { name: /^The aircraft from above/ })
    .click({ position: { x: 200, y: 40 } });
  await form.getByLabel('What it looks like').fill('Nick on blade 2, blended twice');
  await form.getByLabel('How large it is').fill('8 mm long, 1.5 mm deep');
  await form.getByLabel('Where', { exact: true }).click();
  await mechanic.getByRole('option', { name: 'Propeller' }).click();
  await form.getByLabel('Your password').fill(PASSWORD);
  await form.getByRole('button', { name: 'Accept the mark' }).click();
  await expect(form).toHaveCount(0);
  await expect(mechanic.getByText('8 mm long, 1.5 mm deep')).toBeVisible();
  await expectNoViolations(mechanic);
});

test('water that keeps coming back closes until its cause is found and the caps are replaced', async ({
  desk,
  phone,
  baseURL,
}) => {
  test.slow();
  const mechanic = await desk('mechanic');
  // The aircraft that lets water in stands at the head of the chronic defects by itself.
  await mechanic.goto('/chronic');
  await expect(mechanic.getByRole('article').first()).toContainText('N02TG');
  await mechanic.goto('/aircraft/N02TG');
  await expect(mechanic.getByText('Water came three times out of the left drain.').first()).toBeVisible();

  // Draining once more does not cure it, however clean the next cup is.
  const renter = await phone('renter');
  await walkAsFarAs(renter.request, baseURL ?? '', 'N02TG', ({ asks }) => asks.kind === 'sample');
  await mechanic.reload();
  await expect(mechanic.getByText('Water came three times out of the left drain.').first()).toBeVisible();

  const part = mechanic.getByRole('region', { name: 'Suspect fuel' });
  await part.getByRole('button', { name: 'Record what was done …' }).click();
  const form = part.getByRole('form', { name: 'Suspect fuel was dealt with' });
  await form
    .getByLabel('What was done, and what was found')
    .fill('Seal of the left filler cap perished: both caps replaced, tanks and strainer drained until clean');
  await expectNoViolations(mechanic);
  await form.getByLabel('Your password').fill('wrong');
  await form.getByRole('button', { name: 'Sign and return to service' }).click();
  await expect(alert(mechanic).first()).toBeVisible();
  await expect(form.getByLabel('What was done, and what was found')).toHaveValue(/both caps replaced/);
  await form.getByLabel('Your password').fill(PASSWORD);
  await form.getByRole('button', { name: 'Sign and return to service' }).click();
  await expect(part).toHaveCount(0);
  await expect(mechanic.getByText('Water came three times out of the left drain.')).toHaveCount(0);
  await openPart(mechanic, 'History');
  await expect(mechanic.getByText(/both caps replaced/)).toBeVisible();
});
