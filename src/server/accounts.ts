import { betterAuth } from 'better-auth';
import { Pool } from 'pg';
import { isLoopback, type Environment } from './environment';

const SESSION_SECONDS = 14 * 24 * 3600;

/** Origins that may send changes: the public address, and on this machine both of its names. */
export function trustedOrigins(url: string): readonly string[] {
  const { origin, port } = new URL(url);
  return isLoopback(url) ? [...new Set([origin, `http://127.0.0.1:${port}`, `http://localhost:${port}`])] : [origin];
}

/** A pool for the authentication library, whose tables live in their own schema. */
export function openAccountPool(url: string): Pool {
  return new Pool({ connectionString: url, max: 4, options: '-c search_path=auth' });
}

/**
 * Accounts and sessions. Passwords are hashed by the library's own default. Nobody signs up by themselves: a club admits people.
 * The library's limit on tries counts by network address; SignInLimit counts by account.
 */
export function openAccounts(env: Pick<Environment, 'GROVAL_URL' | 'GROVAL_AUTH_SECRET'>, pool: Pool) {
  return betterAuth({
    appName: 'Groval',
    baseURL: env.GROVAL_URL,
    secret: env.GROVAL_AUTH_SECRET,
    database: pool,
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 10 },
    session: { expiresIn: SESSION_SECONDS, updateAge: 24 * 3600 },
    // The library starts its count anew only after a whole window without any request from that address: a long window would lock out a school
    // whose people sign in one after the other behind one address. Guessing is held off by SignInLimit, account by account.
    rateLimit: { enabled: true, storage: 'database', window: 10, max: 120, customRules: { '/sign-in/email': { window: 10, max: 30 } } },
    trustedOrigins: [...trustedOrigins(env.GROVAL_URL)],
    advanced: {
      cookiePrefix: 'groval',
      useSecureCookies: !isLoopback(env.GROVAL_URL),
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax', path: '/' },
    },
    telemetry: { enabled: false },
    logger: { level: 'error' },
  });
}

export type Accounts = ReturnType<typeof openAccounts>;
