import { createHash, createHmac, randomUUID, timingSafeEqual } from 'node:crypto';
import type { Pool } from 'pg';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';

/** So many wrong tries of an account cost nothing. */
const FREE_TRIES = 5;
/** After them each try has to wait, twice as long each time, up to this: about 100 tries an hour of one account, no matter who makes them. Source: OWASP ASVS 4.0 2.2.1 (from memory). */
const LONGEST_WAIT_S = 30;
const HOUR_S = 3600;
/** So many wrong tries of any accounts from one network address. A whole school signs in behind one. */
const BY_ADDRESS = { points: 100, duration: 600 };
/** So many wrong tries on a device on which this account has signed in before; then it counts like any other. */
const BY_DEVICE = { points: 10, duration: 900 };
/** A device is known for so long. */
const DEVICE_SECONDS = 365 * 24 * HOUR_S;

export const DEVICE_COOKIE = 'groval.device';

/** Whether a try may be made now. */
export type Attempt = { readonly ok: true } | { readonly ok: false; readonly retryAfterSeconds: number };
const MAY: Attempt = { ok: true };

/** Who tries: the account, the network address where it is known, and the device where this account has signed in on it before. */
export interface Trier {
  readonly account: string;
  readonly address: string | null;
  readonly device: string | null;
}

const hashed = (text: string): string => createHash('sha256').update(text).digest('base64url');

/** What a limiter throws is either its own answer or trouble with the database. */
function waitOf(error: unknown): Attempt {
  if (error instanceof RateLimiterRes)
    return { ok: false, retryAfterSeconds: Math.max(1, Math.ceil(error.msBeforeNext / 1000)) };
  throw error;
}

/**
 * Tries of passwords and codes, counted in the database so that every copy of the application counts together, and before anything is
 * looked at so that guesses made at once do not slip through. Strangers slow an account down and never lock it: on a device on which its
 * owner has signed in before, their tries do not count.
 */
export class Attempts {
  private readonly byAccount: RateLimiterPostgres;
  private readonly gate: RateLimiterPostgres;
  private readonly byAddress: RateLimiterPostgres;
  private readonly byDevice: RateLimiterPostgres;

  constructor(
    pool: Pool,
    private readonly secret: string,
  ) {
    const limiter = (keyPrefix: string, points: number, duration: number) =>
      new RateLimiterPostgres({
        storeClient: pool,
        storeType: 'pool',
        schemaName: 'auth',
        tableName: 'attempts',
        tableCreated: true,
        clearExpiredByTimeout: keyPrefix === 'account',
        keyPrefix,
        points,
        duration,
      });
    this.byAccount = limiter('account', 1_000_000, HOUR_S);
    this.gate = limiter('gate', 1, LONGEST_WAIT_S);
    this.byAddress = limiter('address', BY_ADDRESS.points, BY_ADDRESS.duration);
    this.byDevice = limiter('device', BY_DEVICE.points, BY_DEVICE.duration);
  }

  /** Counts one try of somebody. */
  async begin({ account, address, device }: Trier): Promise<Attempt> {
    const key = hashed(account);
    try {
      if (
        device !== null
        && (await this.byDevice.consume(`${device}:${key}`).then(
          () => true,
          (error: unknown) => {
            waitOf(error);
            return false;
          },
        ))
      )
        return MAY;
      if (address !== null) await this.byAddress.consume(hashed(address));
      const { consumedPoints } = await this.byAccount.consume(key);
      if (consumedPoints <= FREE_TRIES) return MAY;
      await this.gate.consume(key, 1, {
        customDuration: Math.min(LONGEST_WAIT_S, 2 ** (consumedPoints - FREE_TRIES)),
      });
      return MAY;
    } catch (error) {
      return waitOf(error);
    }
  }

  /** It was right: the account's tries are forgotten, and this one does not count against its address. */
  async succeeded({ account, address, device }: Trier): Promise<void> {
    const key = hashed(account);
    await this.byAccount.delete(key);
    await this.gate.delete(key);
    if (device !== null) await this.byDevice.delete(`${device}:${key}`);
    if (address !== null) await this.byAddress.reward(hashed(address));
  }

  private signatureOf(device: string, account: string): Buffer {
    return createHmac('sha256', this.secret).update(`device/${device}/${account}`).digest();
  }

  /** What a cookie says of the device, where this account has signed in on it before; null otherwise. */
  deviceOf(cookies: string | null, account: string): string | null {
    for (const [, device, signature] of (cookies ?? '').matchAll(
      /(?:^|;\s*)groval\.device=([0-9a-f-]{36})\.([\w-]{43})(?=;|$)/g,
    )) {
      if (device === undefined || signature === undefined) continue;
      const known = Buffer.from(signature, 'base64url');
      const right = this.signatureOf(device, account);
      if (known.length === right.length && timingSafeEqual(known, right)) return device;
    }
    return null;
  }

  /** The cookie by which this device is known for this account from now on. @param secure whether it travels over TLS only */
  deviceCookie(account: string, secure: boolean, device: string = randomUUID()): string {
    return `${DEVICE_COOKIE}=${device}.${this.signatureOf(device, account).toString('base64url')}; Max-Age=${DEVICE_SECONDS}; Path=/; HttpOnly; SameSite=Lax${secure ? '; Secure' : ''}`;
  }
}
