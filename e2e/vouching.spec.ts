import { expect, expectNoViolations, fillDay, openPart, row, test } from './groval';

test('a copy from the logbook opens nothing until somebody else vouches for it, and what a renter sees of a document waits too', async ({
  desk,
}) => {
  const [dispatcher, renter, mechanic] = [
    await desk('dispatcher'),
    await desk('renter'),
    await desk('mechanic'),
  ];
  // The annual of this one is what limits it next: copied again it would hold longer.
  await dispatcher.goto('/aircraft/N07TB#maintenance');
  await dispatcher.getByRole('button', { name: 'Record maintenance …' }).click();
  const entry = dispatcher.getByRole('form', { name: 'Record maintenance' });
  await dispatcher.getByLabel('What was done', { exact: true }).click();
  await dispatcher.getByRole('option', { name: 'Annual inspection', exact: true }).click();
  const stands =
    /([\d.]+)\s*h in service/.exec(await dispatcher.getByText('h in service').first().innerText())?.[1] ?? '';
  await entry.getByLabel('Time in service then').fill(stands);
  await entry.getByLabel('Who signed there').fill('Ida Quell');
  await entry.getByLabel('Certificate number').fill('none');
  await fillDay(entry, 'Valid from', '2015-01-01');
  await entry.getByLabel('Your password, as your signature').fill('tern-bay-demo');
  await entry.getByRole('button', { name: 'Record the copy' }).click();
  await expect(entry.getByText('expected a number with digits in it').first()).toBeVisible();
  await entry.getByLabel('Certificate number').fill('IA-0417');
  await entry.getByLabel('Your password, as your signature').fill('tern-bay-demo');
  await entry.getByRole('button', { name: 'Record the copy' }).click();
  await expect(entry).toHaveCount(0);
  await expect(
    dispatcher.getByText('Copied from paper; nobody has vouched for it yet, so it does not count.'),
  ).toBeVisible();
  await openPart(dispatcher, 'Now');
  const waiting = (page: typeof dispatcher) =>
    page.getByRole('region', { name: 'Waiting to be vouched for' });
  await expect(waiting(dispatcher).getByText('Annual inspection of', { exact: false })).toBeVisible();
  await expect(waiting(dispatcher).getByRole('checkbox')).toHaveCount(0);

  await renter.goto('/document-check/N07TB');
  const paper = renter.getByRole('region', { name: 'Registration certificate' });
  await paper.getByRole('radio', { name: 'Yes, aboard and readable' }).click();
  await fillDay(paper, 'Printed expiry', '2039-05-31');
  await renter.getByRole('button', { name: /^Save 1 of/ }).click();
  await expect(renter.getByText('Does not count yet:')).toBeVisible();
  await expectNoViolations(renter);

  await mechanic.goto('/aircraft/N07TB');
  await expect(waiting(mechanic).getByRole('checkbox')).toHaveCount(2);
  await waiting(mechanic).getByRole('button', { name: 'Tick all' }).click();
  await waiting(mechanic).getByLabel('Your password, as your signature').fill('tern-bay-demo');
  await expectNoViolations(mechanic);
  await waiting(mechanic).getByRole('button', { name: 'Vouch for 2' }).click();
  await expect(waiting(mechanic)).toHaveCount(0);
  await openPart(mechanic, 'Maintenance');
  await expect(mechanic.getByText('Copied from paper; Tomas Brandl vouched for it.')).toBeVisible();
  await openPart(mechanic, 'Documents');
  await expect(mechanic.getByText('expires 31 May 2039', { exact: false }).first()).toBeVisible();
  await mechanic.goto('/line');
  await expect(row(mechanic, 'N07TB')).toBeVisible();
});
