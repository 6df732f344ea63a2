import type { UseSet } from '../../envelope/use-set';
import type { Meter } from '../../records/meters';
import type { CivilDate } from '../../time/civil-date';
import { endOfDay, type ZoneId } from '../../time/zone';
import { atReading, constraint, from, type Constraint, type Lift, type Source } from './constraint';
import type { Reason } from './reason';

/** What the boundaries of one due thing have in common. */
export interface DueParts {
  readonly key: string;
  readonly source: Source;
  readonly records: readonly string[];
  readonly closes: UseSet;
  readonly lifts: readonly Lift[];
  readonly permitMayCover: boolean;
}

/** Closes when the last good day at the field is over. */
export function closesAfter(lastDay: CivilDate, zone: ZoneId, reason: Reason, parts: DueParts): Constraint {
  return constraint({ ...parts, key: `${parts.key}.date`, certainty: 'failed', reason, begins: from(endOfDay(lastDay, zone)) });
}

/** Closes with nothing left to a reading. */
export function closesAt(meter: Meter, at: number, reason: Reason, parts: DueParts): Constraint {
  return constraint({ ...parts, key: `${parts.key}.${meter}`, certainty: 'failed', reason, begins: atReading(meter, at) });
}
