import type { Sha256, HistoryLine } from '@/db/kernel/ledger';
import type { Database } from '@/db/kernel/connection';
import type { Problem } from '@/contracts/kernel/problem';
import type { Instant } from '@/core/time/instant';

/** Who does it, in which club, and with which club roles. The roles permit the act; a certificate permits the signature. */
export interface Actor {
  readonly personId: string;
  readonly name: string;
  readonly clubId: string;
  readonly roles: readonly string[];
}

/** What a command needs from the outside. Nothing here reads a clock, makes an id or knows a library by itself. */
export interface Ports {
  readonly db: Database;
  readonly now: () => Instant;
  readonly newId: () => string;
  readonly sha256: Sha256;
  /** Whether this is the person's password; wrong tries are counted and end in 'too-many-tries'. */
  readonly checkPassword: (
    personId: string,
    password: string,
  ) => Promise<'right' | 'wrong' | 'too-many-tries'>;
  /** The hash that a password is kept by. */
  readonly hashPassword: (password: string) => Promise<string>;
  /** Why nobody can be told at an address that a browser gave; null where they can. */
  readonly whyNoPush: (endpoint: string) => string | null;
  /** Re-encodes a picture without its metadata; null when the bytes are no picture that can be read. */
  readonly reencodePhoto: (
    bytes: Uint8Array,
  ) => Promise<{ readonly bytes: Uint8Array; readonly width: number; readonly height: number } | null>;
}

/** Why a command was refused. Nothing was written. */
export type Refusal =
  | { readonly code: 'not-entitled'; readonly message: string }
  | { readonly code: 'not-found'; readonly message: string }
  | { readonly code: 'invalid'; readonly message: string; readonly problems: readonly Problem[] }
  | {
      readonly code: 'conflict';
      readonly message: string;
      readonly revision: number;
      readonly changes: readonly HistoryLine[];
    }
  | { readonly code: 'too-many-tries'; readonly message: string; readonly retryAfterSeconds?: number }
  /** Nothing is wrong with what was sent: it could not be done just now. */
  | { readonly code: 'busy'; readonly message: string };

/** What a command answers. */
export type Outcome<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: Refusal };

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const refused = (refusal: Refusal): Outcome<never> => ({ ok: false, refusal });

/** Ends a transaction without a trace: thrown inside, turned into a refusal outside. */
export class Refused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.message);
  }
}

/** What the database says of a transaction that lost a race: done over it may well succeed. */
const LOST_A_RACE = ['40001', '40P01'];
/** What it says where somebody else held a lock, or an answer took, for too long. */
const TOOK_TOO_LONG = ['55P03', '57014', '25P03'];
/** What it says of input that only the database can refuse. */
const BROKEN_INPUT: Readonly<Record<string, string>> = {
  '23505':
    'Another record has this id already, so nothing was recorded. Load the page again and enter it once more.',
  '23503':
    'This belongs to something that the club does not have, so nothing was recorded. Load the page again and choose it once more.',
};
/** So often a transaction that lost a race is done over. */
const MAX_TRIES = 5;

/** The code of an error of the database; empty for any other error. */
export const databaseCode = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';

/**
 * Runs the transaction of a command; a Refused thrown inside rolls back and becomes its refusal. A transaction that lost a race against
 * others (a deadlock, a chain that somebody else continued) is done over a bounded number of times.
 * @param tries 1 for work that cannot be done over, such as one that reads a stream
 */
export async function runCommand<T>(work: () => Promise<T>, tries = MAX_TRIES): Promise<Outcome<T>> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return done(await work());
    } catch (error) {
      if (error instanceof Refused) return refused(error.refusal);
      const code = databaseCode(error);
      if (LOST_A_RACE.includes(code) && attempt < tries) continue;
      if (LOST_A_RACE.includes(code) || TOOK_TOO_LONG.includes(code))
        return refused({
          code: 'busy',
          message:
            'Others are changing the same records just now, so nothing was recorded. What you wrote is kept; send it again in a moment.',
        });
      const broken = BROKEN_INPUT[code];
      if (broken !== undefined) return refused({ code: 'invalid', message: broken, problems: [] });
      throw error;
    }
  }
}
