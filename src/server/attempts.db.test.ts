import { afterAll, describe, expect, it } from 'vitest';
import { given } from '@/testing/database';
import { openAccountPool } from './accounts';
import { Attempts, DEVICE_COOKIE } from './attempts';

const pool = openAccountPool(given('DATABASE_URL'));
afterAll(async () => {
  await pool.end();
});
const attempts = new Attempts(pool, 'x'.repeat(32));

let made = 0;
/** An account and an address of a test's own. */
const somebody = (
  change: Partial<{ account: string; address: string | null; device: string | null }> = {},
) => {
  made += 1;
  return {
    account: `somebody-${process.pid}-${made}@ternbay.example`,
    address: `test-${process.pid}-${made}`,
    device: null,
    ...change,
  };
};
const many = async (times: number, trier: ReturnType<typeof somebody>) => {
  const answers = [];
  for (let at = 0; at < times; at += 1) answers.push(await attempts.begin(trier));
  return answers;
};

describe('tries of an account', () => {
  it('cost nothing five times, and then one has to wait for seconds, never for a quarter of an hour', async () => {
    const answers = await many(40, somebody());
    expect(answers.slice(0, 5).every(({ ok }) => ok)).toBe(true);
    const waits = answers.flatMap((one) => (one.ok ? [] : [one.retryAfterSeconds]));
    expect(waits.length).toBeGreaterThan(30);
    expect(Math.max(...waits)).toBeLessThanOrEqual(30);
  });
  it('made at once do not slip through', async () => {
    const trier = somebody();
    const answers = await Promise.all(Array.from({ length: 30 }, () => attempts.begin(trier)));
    expect(answers.filter(({ ok }) => ok).length).toBeLessThanOrEqual(6);
  });
  it('by strangers do not slow the owner down on a device on which they have signed in', async () => {
    const stranger = somebody();
    await many(30, stranger);
    expect(await attempts.begin(stranger)).toMatchObject({ ok: false });
    const cookie = attempts.deviceCookie(stranger.account, false);
    expect(cookie).toMatch(new RegExp(`^${DEVICE_COOKIE.replace('.', '\\.')}=.*HttpOnly; SameSite=Lax$`));
    expect(attempts.deviceCookie(stranger.account, true)).toMatch(/; Secure$/);
    const device = attempts.deviceOf(`a=b; ${cookie.split(';')[0] ?? ''}`, stranger.account);
    expect(device).not.toBeNull();
    expect(await attempts.begin({ ...stranger, device })).toEqual({ ok: true });
    // A device that somebody stole has ten tries, and then it is a stranger like any other.
    const answers = await many(14, { ...stranger, device });
    expect(answers.filter(({ ok }) => ok).length).toBeLessThanOrEqual(10);
  });
  it('are forgotten after the right password', async () => {
    const trier = somebody();
    await many(12, trier);
    await attempts.succeeded(trier);
    expect((await many(5, trier)).every(({ ok }) => ok)).toBe(true);
  });
  it('of many accounts from one address end', async () => {
    const address = `spray-${process.pid}`;
    const answers = [];
    for (let at = 0; at < 105; at += 1) answers.push(await attempts.begin(somebody({ address })));
    expect([answers.slice(0, 100).every(({ ok }) => ok), answers.slice(100).some(({ ok }) => ok)]).toEqual([
      true,
      false,
    ]);
    // Where nobody tells the address, it is not counted: otherwise strangers would lock everybody out.
    expect(await attempts.begin(somebody({ address: null }))).toEqual({ ok: true });
  });
});

describe('the cookie of a device', () => {
  const cookie = attempts.deviceCookie('mira@ternbay.example', false).split(';')[0] ?? '';
  it.each([
    ['of another account', cookie, 'rolf@ternbay.example'],
    ['with another signature', `${cookie.slice(0, -3)}AAA`, 'mira@ternbay.example'],
    [
      'of another server',
      new Attempts(pool, 'y'.repeat(32)).deviceCookie('mira@ternbay.example', false).split(';')[0] ?? '',
      'mira@ternbay.example',
    ],
    ['that is none', 'groval.device=x.y', 'mira@ternbay.example'],
    ['that is not there', null, 'mira@ternbay.example'],
  ])('%s is worth nothing', (_, cookies, account) => {
    expect(attempts.deviceOf(cookies, account)).toBeNull();
  });
  it('is known for its account', () => {
    expect(attempts.deviceOf(cookie, 'mira@ternbay.example')).toMatch(/^[0-9a-f-]{36}$/);
  });
});
