import { spawn } from 'node:child_process';
import { expect, expectNoViolations, test } from './groval';

test('a box that was fitted sends late, twice and out of order, and what it counted beside the meters is told', async ({
  desk,
  baseURL,
}) => {
  const mechanic = await desk('mechanic');
  await mechanic.goto('/aircraft/N04TB#flights');
  await mechanic.getByRole('button', { name: 'Fit a meter recorder …' }).click();
  const form = mechanic.getByRole('form', { name: 'Fit a meter recorder' });
  await form.getByLabel('Name of the box').fill('Box in the tail');
  await form.getByRole('button', { name: 'Fit it' }).click();
  const key = await mechanic
    .getByRole('status')
    .filter({ hasText: 'shown once' })
    .locator('code')
    .innerText();
  await expectNoViolations(mechanic);

  // The stand-in that ships with the demo: a second of its flight lasts a hundredth here.
  let printed = '';
  const box = spawn(
    process.execPath,
    [
      '--import',
      'tsx',
      'demo/stand-ins/meter-box.ts',
      '--url',
      baseURL ?? '',
      '--key',
      key,
      '--every',
      '0.2',
      '--speed',
      '300',
      '--seed',
      '5',
      '--for',
      '8',
    ],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  box.stdout.on('data', (text: Buffer) => {
    printed += text.toString('utf8');
  });
  expect(
    await new Promise((resolve) => {
      box.once('exit', resolve);
    }),
  ).toBe(0);
  expect(printed).toMatch(/repeated \d/);
  expect(printed).not.toMatch(/refused|: [45]\d\d /);
  // Whatever came late or twice, every number was taken once.
  const taken = [...printed.matchAll(/taken ([\d ]+)/g)]
    .flatMap(([, numbers]) => (numbers ?? '').trim().split(' ').map(Number))
    .sort((a, b) => a - b);
  expect(taken).toEqual(Array.from({ length: taken.length }, (_, at) => at + 1));
  expect(taken.length).toBeGreaterThan(5);
  // Everything has come: what is recorded against an older page would be told that it has changed meanwhile.
  await mechanic.reload();
  const line = mechanic
    .getByRole('region', { name: 'Meters' })
    .getByRole('listitem')
    .filter({ hasText: 'Box in the tail' });
  await expect(line).toContainText('more than the flights and readings on record', { timeout: 15_000 });
  await line.getByRole('button', { name: 'Remove Box in the tail' }).click();
  await line.getByLabel('Why it was taken out').fill('Lent from the sister field');
  await line.getByRole('button', { name: 'Record it' }).click();
  await expect(line).toContainText('Removed.');
  const refused = await mechanic.request.post('/api/box/readings', {
    headers: { authorization: `Bearer ${key}` },
    data: { readings: [{ sequence: 999, at: new Date().toISOString(), totalSeconds: 1 }] },
  });
  expect([
    refused.status(),
    (await mechanic.request.post('/api/box/readings', { data: { readings: [] } })).status(),
  ]).toEqual([403, 401]);
});
