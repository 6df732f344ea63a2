import { hours, hoursBeyond, hoursFromSeconds, type Hours } from '../quantities/hours';
import type { Inspection } from './inspection';

const NO_HOURS = hours('0');

/** Where an hour interval stands. */
export interface IntervalState {
  /** The entry that it now counts from. */
  readonly last: Inspection;
  readonly lastAt: Hours;
  /** The last reading at which the interval still holds. */
  readonly dueAt: Hours;
  /** How much of the last interval's excess was taken off this one. */
  readonly takenOff: Hours;
}

/** So much may be flown past while en route to the inspection, and no more of it comes off. Source: 14 CFR 91.409(b) (from memory). */
export const MOST_EXCESS = hours('10');

/** Entries of one day are one moment: the lowest reading counts, and an excess is excused only where all of them say so. */
function byMoment(inspections: readonly Inspection[]): readonly Inspection[] {
  const days: Inspection[] = [];
  for (const one of inspections) {
    const before = days.at(-1);
    if (before === undefined || before.completedOn !== one.completedOn) {
      days.push(one);
      continue;
    }
    const lower = (one.timeInService ?? NO_HOURS) < (before.timeInService ?? NO_HOURS) ? one : before;
    days[days.length - 1] = { ...lower, excess: one.excess === before.excess ? one.excess : null };
  }
  return days;
}

/**
 * Walks through the completed inspections (oldest first) and says when the next is due.
 * Done early or in time: a full interval from when it was done. Done late: the time flown past it on the way to the inspection, at
 * most ten hours, is taken off the next interval, unless the record says that it was flown on uses that need no such inspection; so a
 * fresh inspection is never due before it was done.
 * Source: 14 CFR 91.409(b), 'the excess time used to reach a place where the inspection can be done must be included in computing the
 * next 100 hours' (from memory); without a recorded reason as much as that may have been is taken off, which is the stricter reading.
 * Answers null without any inspection. Every entry must state its time in service.
 */
export function hourInterval(inspections: readonly Inspection[], interval: Hours): IntervalState | null {
  let state: IntervalState | null = null;
  for (const last of byMoment(inspections)) state = afterInspection(state, last, interval);
  return state;
}

function afterInspection(before: IntervalState | null, last: Inspection, interval: Hours): IntervalState {
  if (last.timeInService === null)
    throw new RangeError(`inspection ${last.id} has no time in service and does not count`);
  const lastAt = last.timeInService;
  const excess =
    before === null || last.excess === 'flown-on-uses-without-the-limit'
      ? NO_HOURS
      : hoursBeyond(lastAt, before.dueAt);
  const takenOff = excess > MOST_EXCESS ? MOST_EXCESS : excess;
  return { last, lastAt, dueAt: hoursFromSeconds(lastAt + interval - takenOff), takenOff };
}
