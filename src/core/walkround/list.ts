import type { WalkedFor } from '../records/walkround/measurement';
import type { CivilDate } from '../time/civil-date';
import type { Instant } from '../time/instant';
import type { Method } from './method';

/** What is known of the walk-round before. */
export interface WalkBefore {
  readonly list: 'whole' | 'short';
  readonly day: CivilDate;
  readonly isSigned: boolean;
  readonly begunAt: Instant;
  /** Steps that were left, or that nobody saw. */
  readonly open: number;
  readonly covers: readonly WalkedFor[];
}

/**
 * Which list a walk-round goes by. The short one only where the school says so, for an aircraft of which somebody saw everything on this day: the first
 * of the day and the first after fuelling are always whole. Common practice, no source.
 * @param before the walk-rounds of the aircraft that were not given up, in any order
 * @param fuelledAt when fuel was last put in; null where nobody knows of any
 * @returns with what the whole ones of the day were enough for together
 */
export function listFor(
  { between }: Pick<Method, 'between'>,
  before: readonly WalkBefore[],
  today: CivilDate,
  fuelledAt: Instant | null,
): { readonly list: 'whole' | 'short'; readonly seen: readonly WalkedFor[] } {
  const whole = before.filter(
    ({ list, day, isSigned, open }) => list === 'whole' && day === today && isSigned && open === 0,
  );
  const since = whole.filter(({ begunAt }) => fuelledAt === null || fuelledAt < begunAt);
  return between === 'short-list' && since.length > 0
    ? { list: 'short', seen: since.flatMap(({ covers }) => covers) }
    : { list: 'whole', seen: [] };
}
