import { startMailSink } from '../demo/stand-ins/mail-sink';
import { expect, expectNoViolations, reportFinding, signIn, test, withoutQuietHours } from './groval';
import { freePort, gone, startServer } from './servers';

test('who found something is told what came of it, by mail too, though the server is killed before it goes', async ({
  browser,
}) => {
  test.setTimeout(420_000);
  const sink = await startMailSink({ smtp: 0, page: 0 });
  // Other tests’ people are told things too while this runs.
  const mine = (of: 'mails' | 'received') =>
    sink[of]().filter(({ text }) => text.includes('A fold in the fabric near the tip'));
  const port = await freePort();
  const env = { GROVAL_SMTP_URL: sink.smtpUrl };
  // The server that is killed knows of no mail server: on a slow machine it would have sent the mail before it ends.
  let server = await startServer(port);
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}`, locale: 'en-GB' });
  try {
    const renter = await signIn(await context.newPage(), 'student');
    await withoutQuietHours(renter);
    const told = () => renter.getByRole('listitem').filter({ hasText: 'A fold in the fabric near the tip' });
    await reportFinding(renter, 'N06TB', 'A fold in the fabric near the tip');
    // Each in their own window: the cookie is one for the whole of a window.
    const other = await browser.newContext({ baseURL: `http://127.0.0.1:${port}`, locale: 'en-GB' });
    const mechanic = await signIn(await other.newPage(), 'mechanic');
    await mechanic.goto('/triage');
    await mechanic.getByRole('option', { name: /A fold in the fabric/ }).click();
    await mechanic.getByRole('button', { name: /^Stays as it is/ }).click();
    await expect(mechanic.getByRole('option', { name: /A fold in the fabric/ })).toHaveCount(0);

    await expect(async () => {
      await renter.goto('/notices');
      await expect(told()).toContainText('N06TB: what you found was looked at', { timeout: 2000 });
    }).toPass({ timeout: 90_000 });
    // Its mail waits; nobody is there to send it, and then somebody is.
    await gone(server, 'SIGKILL');
    expect(mine('mails')).toEqual([]);
    server = await startServer(port, env);
    await expect.poll(() => mine('mails').length, { timeout: 200_000 }).toBe(1);
    expect(mine('mails')[0]?.text).toContain('A fold in the fabric near the tip');
    // Nothing comes twice, however long somebody waits for it.
    await renter.waitForTimeout(65_000);
    expect(mine('received')).toHaveLength(1);

    await renter.goto('/notices');
    await expect(renter.getByRole('link', { name: /^\d+ notices?$/ })).toBeVisible();
    await expectNoViolations(renter);
    await expect(renter.getByText(/, by mail /).first()).toBeVisible();
    await told().getByRole('button', { name: 'Seen' }).click();
    await expect(told().getByRole('button', { name: 'Seen' })).toHaveCount(0);
    await renter.getByRole('checkbox', { name: 'By mail too' }).uncheck();
    await renter.getByRole('button', { name: 'Save' }).click();
    await renter.reload();
    await expect(renter.getByRole('checkbox', { name: 'By mail too' })).not.toBeChecked();
    await other.close();
  } finally {
    await context.close();
    await gone(server, 'SIGTERM');
    await sink.close();
  }
});
