import webpush from 'web-push';
import { startPushService } from '../demo/stand-ins/push-service';
import { expect, expectNoViolations, reportFinding, signIn, test, withoutQuietHours } from './groval';
import { freePort, gone, startServer } from './servers';

test('a device is told at once what came of a finding, and nothing more after signing out', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const service = await startPushService();
  const keys = webpush.generateVAPIDKeys();
  const port = await freePort();
  const server = await startServer(port, {
    GROVAL_PUSH_KEYS: `${keys.publicKey}.${keys.privateKey}`,
    GROVAL_PUSH_HOSTS: service.host,
  });
  const origin = `http://127.0.0.1:${port}`;
  const context = await browser.newContext({ baseURL: origin, locale: 'en-GB' });
  const other = await browser.newContext({ baseURL: origin, locale: 'en-GB' });
  try {
    // The browser's own push service would be outside this machine: the stand-in takes its place.
    const { device, ...given } = service.subscribe();
    const page = await context.newPage();
    await page.addInitScript((subscription) => {
      let isSubscribed = false;
      const own = {
        unsubscribe: () => {
          isSubscribed = false;
          return Promise.resolve(true);
        },
        toJSON: () => ({
          endpoint: subscription.endpoint,
          keys: { p256dh: subscription.p256dh, auth: subscription.auth },
        }),
      };
      Notification.requestPermission = () => Promise.resolve('granted');
      Object.assign(PushManager.prototype, {
        getSubscription: () => Promise.resolve(isSubscribed ? own : null),
        subscribe: () => {
          isSubscribed = true;
          return Promise.resolve(own);
        },
      });
    }, given);
    const renter = await signIn(page, 'student');
    await withoutQuietHours(renter);
    await renter.goto('/notices');
    await renter.getByRole('button', { name: 'Tell me on this device too' }).click();
    await expect(renter.getByRole('list', { name: 'Your devices' })).toContainText('Computer (this one)');
    await expectNoViolations(renter);

    await reportFinding(renter, 'N06TB', 'A scratch under the left tip');
    await reportFinding(renter, 'N06TB', 'A loose screw under the left tip');
    const mechanic = await signIn(await other.newPage(), 'mechanic');
    const decide = async (what: RegExp) => {
      await mechanic.goto('/triage');
      await mechanic.getByRole('option', { name: what }).click();
      await mechanic.getByRole('button', { name: /^Stays as it is/ }).click();
      await expect(mechanic.getByRole('option', { name: what })).toHaveCount(0);
    };
    const told = (what: string) =>
      service.messages().filter((one) => one.device === device && one.text.includes(what));
    await decide(/A scratch under the left tip/);
    await expect.poll(() => told('A scratch under').length, { timeout: 60_000 }).toBe(1);
    await renter.reload();
    await expect(renter.getByText(/, on computer/).first()).toBeVisible();

    await renter.getByRole('button', { name: /▾$/ }).click();
    await renter.getByRole('menuitem', { name: 'Sign out' }).click();
    await renter.waitForURL('**/sign-in');
    await decide(/A loose screw under the left tip/);
    // The notice itself is written; the device that it would have gone to has ended.
    await signIn(renter, 'student');
    await expect(async () => {
      await renter.goto('/notices');
      await expect(renter.getByText('“A loose screw under the left tip”')).toBeVisible({ timeout: 2000 });
    }).toPass({ timeout: 90_000 });
    await expect(renter.getByText('On no device yet.')).toBeVisible();
    expect(told('A loose screw')).toEqual([]);
    expect(told('A scratch under')).toHaveLength(1);
  } finally {
    await context.close();
    await other.close();
    await gone(server, 'SIGTERM');
    await service.close();
  }
});
