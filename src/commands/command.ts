import type { Sha256, StoryLine } from '@/db/ledger';
import type { Database } from '@/db/connection';
import type { Problem } from '@/contracts/problem';
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
  readonly checkPassword: (personId: string, password: string) => Promise<'right' | 'wrong' | 'too-many-tries'>;
  /** The hash that a password is kept by. */
  readonly hashPassword: (password: string) => Promise<string>;
  /** Re-encodes a picture without its metadata; null when the bytes are no picture that can be read. */
  readonly reencodePhoto: (bytes: Uint8Array) => Promise<{ readonly bytes: Uint8Array; readonly width: number; readonly height: number } | null>;
}

/** Why a command was refused. Nothing was written. */
export type Refusal =
  | { readonly code: 'not-entitled'; readonly message: string }
  | { readonly code: 'not-found'; readonly message: string }
  | { readonly code: 'invalid'; readonly message: string; readonly problems: readonly Problem[] }
  | { readonly code: 'conflict'; readonly message: string; readonly revision: number; readonly changes: readonly StoryLine[] }
  | { readonly code: 'too-many-tries'; readonly message: string };

/** What a command answers. */
export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: Refusal };

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const refused = (refusal: Refusal): Outcome<never> => ({ ok: false, refusal });

/** Ends a transaction without a trace: thrown inside, turned into a refusal outside. */
export class Refused extends Error {
  constructor(readonly refusal: Refusal) { super(refusal.message); }
}

/** Runs the transaction of a command; a Refused thrown inside rolls back and becomes its refusal. */
export async function settle<T>(work: () => Promise<T>): Promise<Outcome<T>> {
  try {
    return done(await work());
  } catch (error) {
    if (error instanceof Refused) return refused(error.refusal);
    throw error;
  }
}
