import type { FullBox } from '../envelope/dimensions';
import type { CivilDate } from '../time/civil-date';

/** Certification categories. Only those that a rule pack covers can be decided; the rest are closed, not guessed. */
export const CATEGORIES = ['standard', 'light-sport', 'experimental', 'glider', 'restricted', 'provisional'] as const;
export type Category = (typeof CATEGORIES)[number];

/** The aircraft itself. A field that is null is not known. */
export interface Aircraft {
  readonly registration: string;
  readonly category: Category | null;
  /** Day of its first flight: decides whether a flight manual must be aboard (before or from 1 March 1979). */
  readonly firstFlownOn: CivilDate | null;
  /** Everything that it is fitted and approved for: the uses in any of the boxes. */
  readonly approvedFor: readonly FullBox[] | null;
}
