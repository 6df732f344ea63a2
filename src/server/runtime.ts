import { createHash, randomUUID } from 'node:crypto';
import type { Ports } from '@/commands/kernel/command';
import { limitEachClub } from '@/db/kernel/club-share';
import { BULK_LIMITS, openDatabase, openPool, type Database } from '@/db/kernel/connection';
import type { Change } from '@/db/kernel/notify';
import { readSchema, schemaTrouble } from '@/db/kernel/schema-version';
import { instantFromMilliseconds, type Instant } from '@/core/time/instant';
import { openAccountPool, openAccounts, trustedOrigins, type Accounts } from './accounts';
import { readEnvironment, type Environment } from './environment';
import { LiveEvents } from './live-events';
import { openLog, type Log } from './log';
import { Attempts } from './attempts';
import { Bounded, Shares, TransferShares } from './bounded';
import { Passwords } from './passwords';
import { reencodePhoto } from './photos';
import { whyNoPush } from './push';
import { SessionTokens } from './session-tokens';
import { StreamWatch } from './stream-watch';
import { StreamShares } from './streams';

/** Everything that a process of the application has one of. */
export interface Runtime {
  readonly env: Environment;
  readonly log: Log;
  readonly db: Database;
  readonly accounts: Accounts;
  readonly sessions: SessionTokens;
  readonly attempts: Attempts;
  readonly passwords: Passwords;
  /** The database for whole files, on a few connections of its own: screens, health and signing in never wait behind it. */
  readonly bulk: Database;
  /** Whether the database answers and takes what is written; throws where it does not. */
  readonly probe: () => Promise<void>;
  /** Imports and exports: so many of one person, and of one club, at a time. */
  readonly transfers: TransferShares;
  /** Imports: one of a club at a time. */
  readonly imports: Shares;
  readonly streams: StreamShares;
  readonly watch: StreamWatch;
  readonly ports: Ports;
  /** Accounts whose address ends like this, for the demo's one-tap list. */
  readonly demoPeople: (
    addressEnd: string,
  ) => Promise<readonly { readonly email: string; readonly name: string }[]>;
  /** True when the clock is pinned: then screens must not let it run on either. */
  readonly pinned: boolean;
  /** Things to be closed at the end, last opened first. */
  readonly closers: (() => Promise<void>)[];
}

/** The part of the connections that one club may use. */
const CLUB_SHARE = 0.7;
/** Pictures are decoded beside the event loop, so many at once. */
const PICTURES_AT_ONCE = 2;
const PICTURES_WAITING = 20;
/** The health check asks the database at most so often. */
const PROBE_MS = 1000;
/** Imports and exports of one person, and of everybody. */
const TRANSFERS_EACH = 3;
const TRANSFERS_OF_A_CLUB = 8;
const TRANSFERS_ALTOGETHER = 24;

/** Opens a runtime. Connects to nothing until something is asked. */
export function openRuntime(env: Environment): Runtime {
  const log = openLog(env);
  const pool = openPool(env.DATABASE_URL, env.GROVAL_POOL_SIZE);
  pool.on('error', (error) => {
    log.warn({ err: error }, 'an idle database connection was lost');
  });
  const accountPool = openAccountPool(env.DATABASE_URL);
  accountPool.on('error', (error) => {
    log.warn({ err: error }, 'an idle database connection was lost');
  });
  const bulkPool = openPool(env.DATABASE_URL, env.GROVAL_BULK_POOL_SIZE, BULK_LIMITS);
  bulkPool.on('error', (error) => {
    log.warn({ err: error }, 'an idle database connection was lost');
  });
  const db = openDatabase(pool);
  const bulk = openDatabase(bulkPool);
  // A club may use most of the connections, and never all.
  limitEachClub(db, Math.max(1, Math.floor(env.GROVAL_POOL_SIZE * CLUB_SHARE)));
  if (env.GROVAL_BULK_POOL_SIZE > 1) limitEachClub(bulk, env.GROVAL_BULK_POOL_SIZE - 1);
  const attempts = new Attempts(accountPool, env.GROVAL_AUTH_SECRET);
  const passwords = new Passwords();
  const pictures = new Bounded(PICTURES_AT_ONCE, PICTURES_WAITING);
  const now = (): Instant => env.GROVAL_NOW ?? instantFromMilliseconds(Date.now());
  const ports: Ports = {
    db,
    now,
    newId: randomUUID,
    whyNoPush: (endpoint) => whyNoPush(env, endpoint),
    reencodePhoto: (bytes) => pictures.run(() => reencodePhoto(bytes)),
    hashPassword: (password) => passwords.hash(password),
    sha256: (bytes) => createHash('sha256').update(bytes).digest(),
    checkPassword: async (personId, password) => {
      const trier = { account: `sign:${personId}`, address: null, device: null };
      if (!(await attempts.begin(trier)).ok) return 'too-many-tries';
      const { rows } = await accountPool.query<{ password: string | null }>(
        'select password from account where "userId" = $1 and "providerId" = $2',
        [personId, 'credential'],
      );
      const hash = rows[0]?.password ?? null;
      if (hash === null || !(await passwords.verify(hash, password))) return 'wrong';
      await attempts.succeeded(trier);
      return 'right';
    },
  };
  const demoPeople = async (addressEnd: string) =>
    (
      await accountPool.query<{ email: string; name: string }>(
        'select email, name from "user" where right(email, length($1)) = $1 order by "createdAt", email',
        [addressEnd],
      )
    ).rows;
  let probed: { readonly at: number; readonly answer: Promise<void> } | null = null;
  // Asked by everybody: once a second is enough, however many ask.
  const probe = (): Promise<void> => {
    if (probed === null || Date.now() - probed.at > PROBE_MS)
      probed = {
        at: Date.now(),
        answer: Promise.all([
          accountPool.query('update health_probe set at = now()'),
          requireSchema(db),
        ]).then(() => undefined),
      };
    return probed.answer;
  };
  const accounts = openAccounts(env, accountPool, passwords);
  return {
    env,
    log,
    db,
    bulk,
    probe,
    demoPeople,
    accounts,
    sessions: new SessionTokens((headers) => accounts.api.getSession({ headers })),
    attempts,
    passwords,
    ports,
    pinned: env.GROVAL_NOW !== undefined,
    transfers: new TransferShares(
      new Shares(TRANSFERS_EACH, TRANSFERS_ALTOGETHER),
      new Shares(TRANSFERS_OF_A_CLUB, TRANSFERS_ALTOGETHER),
    ),
    imports: new Shares(1, TRANSFERS_ALTOGETHER),
    streams: new StreamShares(),
    watch: new StreamWatch(accountPool, db, log),
    closers: [() => db.destroy(), () => bulk.destroy(), () => accountPool.end()],
  };
}

/** The database is of another version than this program: nothing may be read from it or written to it. */
export class OtherSchema extends Error {}

/** @throws OtherSchema where the tables are not those that this program was written for, with what to do */
export async function requireSchema(db: Database): Promise<void> {
  const trouble = schemaTrouble(await readSchema(db));
  if (trouble !== null) throw new OtherSchema(trouble);
}

const KEY = Symbol.for('groval.runtime');
type Holder = { [KEY]: Runtime | undefined };

/** The runtime of this process. Kept on the global object because the framework loads modules more than once. */
export function runtime(): Runtime {
  const holder = globalThis as unknown as Holder;
  return (holder[KEY] ??= openRuntime(readEnvironment()));
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
  return (holder[LIVE] = live);
}

/** True for an origin that our own pages have. */
export function trusted(origin: string | null): boolean {
  return origin !== null && trustedOrigins(runtime().env.GROVAL_URL).includes(origin);
}
