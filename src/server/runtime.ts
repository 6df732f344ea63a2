import { createHash, randomUUID } from 'node:crypto';
import { hashPassword, verifyPassword } from 'better-auth/crypto';
import type { Ports } from '@/commands/command';
import { openDatabase, openPool, type Database } from '@/db/connection';
import type { Change } from '@/db/notify';
import { instantFromMilliseconds, type Instant } from '@/core/time/instant';
import { openAccountPool, openAccounts, trustedOrigins, type Accounts } from './accounts';
import { readEnvironment, type Environment } from './environment';
import { LiveEvents } from './live-events';
import { openLog, type Log } from './log';
import { reencodePhoto } from './photos';
import { SignInLimit } from './sign-in-limit';

/** Everything that a process of the application has one of. */
export interface Runtime {
  readonly env: Environment;
  readonly log: Log;
  readonly db: Database;
  readonly accounts: Accounts;
  readonly limit: SignInLimit;
  readonly ports: Ports;
  /** Accounts whose address ends like this, for the demo's one-tap list. */
  readonly demoPeople: (addressEnd: string) => Promise<readonly { readonly email: string; readonly name: string }[]>;
  /** True when the clock is pinned: then screens must not let it run on either. */
  readonly pinned: boolean;
  /** Things to be closed at the end, last opened first. */
  readonly closers: (() => Promise<void>)[];
}

/** Opens a runtime. Connects to nothing until something is asked. */
export function openRuntime(env: Environment): Runtime {
  const log = openLog(env);
  const pool = openPool(env.DATABASE_URL, env.GROVAL_POOL_SIZE);
  pool.on('error', (error) => { log.warn({ err: error }, 'an idle database connection was lost'); });
  const accountPool = openAccountPool(env.DATABASE_URL);
  accountPool.on('error', (error) => { log.warn({ err: error }, 'an idle database connection was lost'); });
  const db = openDatabase(pool);
  const limit = new SignInLimit(accountPool);
  const now = (): Instant => env.GROVAL_NOW ?? instantFromMilliseconds(Date.now());
  const ports: Ports = {
    db, now, newId: randomUUID, reencodePhoto, hashPassword,
    sha256: (bytes) => createHash('sha256').update(bytes).digest(),
    checkPassword: async (personId, password) => {
      if (!await limit.mayTry(`sign:${personId}`)) return 'too-many-tries';
      const { rows } = await accountPool.query<{ password: string | null }>('select password from account where "userId" = $1 and "providerId" = $2', [personId, 'credential']);
      const hash = rows[0]?.password ?? null;
      if (hash === null || !await verifyPassword({ hash, password })) return 'wrong';
      await limit.succeeded(`sign:${personId}`);
      return 'right';
    },
  };
  const demoPeople = async (addressEnd: string) => (await accountPool.query<{ email: string; name: string }>('select email, name from "user" where right(email, length($1)) = $1 order by "createdAt", email', [addressEnd])).rows;
  return { env, log, db, demoPeople, accounts: openAccounts(env, accountPool), limit, ports, pinned: env.GROVAL_NOW !== undefined, closers: [() => db.destroy(), () => accountPool.end()] };
}

const KEY = Symbol.for('groval.runtime');
type Holder = { [KEY]: Runtime | undefined };

/** The runtime of this process. Kept on the global object because the framework loads modules more than once. */
export function runtime(): Runtime {
  const holder = globalThis as unknown as Holder;
  return holder[KEY] ??= openRuntime(readEnvironment());
}

/** Closes everything that this process opened, once. */
export async function closeRuntime(): Promise<void> {
  const holder = globalThis as unknown as Holder;
  const open = holder[KEY];
  if (open === undefined) return;
  holder[KEY] = undefined;
  for (const close of [...open.closers].reverse()) await close();
}

const LIVE = Symbol.for('groval.live');
type LiveHolder = { [LIVE]: LiveEvents | undefined };

/** The live events of this process. @param describe turns a change into the text that screens get; the first caller's is used */
export function liveEvents(describe: (change: Change) => Promise<string>): LiveEvents {
  const holder = globalThis as unknown as LiveHolder;
  const known = holder[LIVE];
  if (known !== undefined) return known;
  const { env, log, closers } = runtime();
  const live = new LiveEvents(env.DATABASE_URL, log, describe);
  closers.push(() => live.close());
  return holder[LIVE] = live;
}

/** True for an origin that our own pages have. */
export function trusted(origin: string | null): boolean {
  return origin !== null && trustedOrigins(runtime().env.GROVAL_URL).includes(origin);
}
