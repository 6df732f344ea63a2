import type { Verdict } from './decision';
import type { Instant } from '../time/instant';

/** What stands on a release, in words, as it was signed. */
export interface ReleaseCard {
  readonly registration: string;
  readonly typeName: string;
  readonly field: string;
  readonly verdict: Verdict;
  readonly window: string;
  readonly flight: { readonly person: string; readonly purpose: string; readonly when: string };
  readonly signed: { readonly by: string; readonly at: string };
  readonly until: string;
  /** What the pilot reads back: each restriction, item lawfully deferred and figure that the aircraft is held to. */
  readonly restrictions: readonly Restriction[];
  readonly walkRound: string;
  readonly measured: readonly string[];
  readonly documents: readonly string[];
  /** Known marks and watched items, to compare on the aircraft. */
  readonly compare: readonly string[];
  /** What is left to the first limit, in each currency. */
  readonly limits: readonly string[];
  readonly notChecked: readonly string[];
}

/** One restriction, by a key that says the same in every decision over the same records. */
export interface Restriction {
  readonly key: string;
  readonly words: string;
  readonly meaning: string;
}

/** How a release ended: `void` where something new came up, `back` where its flight came back. */
export type ReleaseEnd = 'void' | 'withdrawn' | 'replaced' | 'cancelled' | 'back';

/** Until when a release was to hold, and how it ended before. */
export interface ReleaseStanding {
  readonly until: Instant;
  readonly end: { readonly why: ReleaseEnd; readonly words: readonly string[]; readonly at: Instant } | null;
}
