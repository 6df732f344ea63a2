import type { UseSet } from '../../envelope/use-set';
import type { Meter } from '../../records/meters';
import type { CivilDate } from '../../time/civil-date';
import { endOfDay, type ZoneId } from '../../time/zone';
import { atReading, from, type Begins, type Constraint, type Lift, type Source } from './constraint';
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

// Written out: of a few hundred such constraints an aircraft has, copying with a spread would cost more than the rules.
function made(key: string, reason: Reason, begins: Begins, { source, records, closes, lifts, permitMayCover }: DueParts): Constraint {
  return { key, certainty: 'failed', source, reason, records, closes, begins, ends: null, lifts, condition: false, cap: null, permitMayCover, knownSince: null };
}

/** Closes when the last good day at the field is over. */
export function closesAfter(lastDay: CivilDate, zone: ZoneId, reason: Reason, parts: DueParts): Constraint {
  return made(`${parts.key}.date`, reason, from(endOfDay(lastDay, zone)), parts);
}

/** Closes with nothing left to a reading. */
export function closesAt(meter: Meter, at: number, reason: Reason, parts: DueParts): Constraint {
  return made(`${parts.key}.${meter}`, reason, atReading(meter, at), parts);
}
