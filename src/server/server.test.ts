import { execFileSync } from 'node:child_process';
import sharp from 'sharp';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Passwords } from './passwords';
import { openAccountPool, openAccounts, trustedOrigins } from './accounts';
import { isLoopback, readEnvironment } from './environment';
import { reencodePhoto } from './photos';
import { endStreams, rememberStream } from './streams';

describe('the environment', () => {
  afterEach(() => {
    vi.unstubAllEnvs();
  });
  // Whatever the shell that starts the tests has set.
  const set = (values: Record<string, string>) => {
    for (const name of Object.keys(process.env)) if (name.startsWith('GROVAL_')) vi.stubEnv(name, undefined);
    for (const [name, value] of Object.entries({
      DATABASE_URL: 'postgres://groval_app:x@127.0.0.1:5432/groval',
      GROVAL_AUTH_SECRET: 'x'.repeat(24),
      ...values,
    }))
      vi.stubEnv(name, value);
  };
  it('is read with its defaults', () => {
    set({});
    expect(readEnvironment()).toMatchObject({
      GROVAL_URL: 'http://127.0.0.1:3600',
      GROVAL_LOG_LEVEL: 'info',
      GROVAL_POOL_SIZE: 10,
    });
    set({ GROVAL_NOW: '2026-11-24T13:42:00Z' });
    expect(readEnvironment().GROVAL_NOW).toBe(Date.UTC(2026, 10, 24, 13, 42));
  });
  it.each([
    [{ DATABASE_URL: 'no' }, 'DATABASE_URL: expected the address of the database'],
    [{ GROVAL_AUTH_SECRET: 'short' }, 'GROVAL_AUTH_SECRET: expected at least 24'],
    [{ GROVAL_NOW: 'today' }, 'GROVAL_NOW: expected a moment'],
  ])('%j is refused by name', (values, message) => {
    set(values);
    expect(() => readEnvironment()).toThrow(message);
  });
  it.each([
    ['http://127.0.0.1:3600', true],
    ['http://localhost', true],
    ['http://[::1]:3600', true],
    ['http://10.0.0.4', false],
    ['https://groval.example', false],
    ['http://127.0.0.1.example', false],
  ])('%s is this machine only: %s', (url, loopback) => {
    expect(isLoopback(url)).toBe(loopback);
  });
  it('trusts both names of this machine, and outside it only the one address', () => {
    expect(trustedOrigins('http://127.0.0.1:3600')).toEqual([
      'http://127.0.0.1:3600',
      'http://localhost:3600',
    ]);
    expect(trustedOrigins('https://groval.example/line')).toEqual(['https://groval.example']);
  });
});

describe('accounts', () => {
  const options = (GROVAL_URL: string) => {
    const pool = openAccountPool('postgres://nobody@127.0.0.1:1/none');
    return openAccounts({ GROVAL_URL, GROVAL_AUTH_SECRET: 'x'.repeat(32) }, pool, new Passwords()).options;
  };
  it('cookies go over TLS only outside this machine, and are out of reach of scripts everywhere', () => {
    expect(options('https://groval.example').advanced).toMatchObject({
      useSecureCookies: true,
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax' },
    });
    expect(options('http://10.1.2.3:3600').advanced.useSecureCookies).toBe(true);
    expect(options('http://127.0.0.1:3600').advanced.useSecureCookies).toBe(false);
  });
  it('nobody signs up by themselves', () => {
    expect(options('https://groval.example').emailAndPassword).toMatchObject({ disableSignUp: true });
  });
});

describe('photos', () => {
  const picture = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#888' } });
  it('come out bounded, as WebP, and without what the phone wrote into them', async () => {
    const given = await picture(3000, 1000)
      .withExif({ IFD0: { Copyright: 'Pia Okoro', Artist: 'secret place 44.53N' } })
      .jpeg()
      .toBuffer();
    expect(given.includes('secret place')).toBe(true);
    const out = await reencodePhoto(given);
    expect(out).toMatchObject({ width: 2000, height: 667 });
    const read = await sharp(out?.bytes).metadata();
    expect([read.format, read.exif]).toEqual(['webp', undefined]);
    expect(Buffer.from(out?.bytes ?? []).includes('secret place')).toBe(false);
  });
  it('are turned upright', async () => {
    expect(
      await reencodePhoto(await picture(400, 200).withMetadata({ orientation: 6 }).jpeg().toBuffer()),
    ).toMatchObject({ width: 200, height: 400 });
  });
  it.each([
    ['a text', Buffer.from('%PDF-1.4 no picture')],
    ['nothing', Buffer.alloc(0)],
    [
      'a script that calls itself a picture',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'),
    ],
  ])('%s is no picture, whatever it is called', async (_, bytes) => {
    expect(await reencodePhoto(bytes)).toBeNull();
  });
  it('a picture that was cut off is refused', async () => {
    const whole = await picture(800, 600).jpeg().toBuffer();
    expect(await reencodePhoto(whole.subarray(0, whole.length / 2))).toBeNull();
  });
  it('a small file that unpacks to a huge picture is refused', async () => {
    expect(
      await reencodePhoto(await picture(10_000, 9_000).png({ compressionLevel: 9 }).toBuffer()),
    ).toBeNull();
  });
});

describe('streams', () => {
  it('are ended once, also when ending one forgets another', () => {
    const ended: string[] = [];
    const forget: () => void = rememberStream(() => {
      ended.push('a');
      forget();
    });
    rememberStream(() => {
      ended.push('b');
    });
    endStreams();
    expect(ended).toEqual(['a', 'b']);
    rememberStream(() => {
      ended.push('late');
    });
    expect(ended).toEqual(['a', 'b', 'late']);
  });
});

describe('a start without an environment', () => {
  it('says what is missing', () => {
    expect(() =>
      execFileSync(process.execPath, ['tools/start.mjs'], {
        env: { PATH: process.env['PATH'] ?? '', NODE_ENV: 'test' },
        encoding: 'utf8',
        stdio: 'pipe',
      }),
    ).toThrow('DATABASE_URL is not set');
  });
});
