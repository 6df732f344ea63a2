import { betterAuth } from 'better-auth';
import { Pool } from 'pg';
import { connectionOptions, SCREEN_LIMITS } from '@/db/kernel/connection';
import { isLoopback, type Environment } from './environment';
import type { Passwords } from './passwords';

const SESSION_SECONDS = 14 * 24 * 3600;

/** Origins that may send changes: the public address, and on this machine both of its names. */
export function trustedOrigins(url: string): readonly string[] {
  const { origin, port } = new URL(url);
  return isLoopback(url)
    ? [...new Set([origin, `http://127.0.0.1:${port}`, `http://localhost:${port}`])]
    : [origin];
}

/** A pool for the authentication library, whose tables live in their own schema. */
export function openAccountPool(url: string): Pool {
  return new Pool({
    connectionString: url,
    max: 4,
    options: connectionOptions('auth', SCREEN_LIMITS),
    connectionTimeoutMillis: SCREEN_LIMITS.connection * 1000,
  });
}

/**
 * Accounts and sessions. Passwords are hashed by the library's own default, in a bounded queue. Nobody signs up by themselves: a club
 * admits people. The library's own limit on tries trusts addresses that a client makes up, so it is off; Attempts counts.
 */
export function openAccounts(
  env: Pick<Environment, 'GROVAL_URL' | 'GROVAL_AUTH_SECRET'>,
  pool: Pool,
  passwords: Passwords,
) {
  return betterAuth({
    appName: 'Groval',
    baseURL: env.GROVAL_URL,
    secret: env.GROVAL_AUTH_SECRET,
    database: pool,
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: 10,
      password: {
        hash: (password) => passwords.hash(password),
        verify: ({ hash, password }) => passwords.verify(hash, password),
      },
    },
    session: { expiresIn: SESSION_SECONDS, updateAge: 24 * 3600 },
    rateLimit: { enabled: false },
    trustedOrigins: [...trustedOrigins(env.GROVAL_URL)],
    advanced: {
      cookiePrefix: 'groval',
      // An address that a header says is not one: sessions keep none.
      ipAddress: { disableIpTracking: true },
      useSecureCookies: !isLoopback(env.GROVAL_URL),
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax', path: '/' },
    },
    telemetry: { enabled: false },
    logger: { level: 'error' },
  });
}

export type Accounts = ReturnType<typeof openAccounts>;
