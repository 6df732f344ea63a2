import { addHours, hours, hoursBeyond, type Hours } from '../quantities/hours';
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

/**
 * Walks through the completed inspections (oldest first) and says when the next is due.
 * Done early or in time: a full interval from when it was done. Done late: the excess is taken off the next interval,
 * unless the record says that it was flown on uses that need no such inspection.
 * Source: 14 CFR 91.409(b), 'the excess time ... must be included in computing the next 100 hours' (from memory);
 * without a recorded reason it is taken off, which is the stricter reading.
 * Answers null without any inspection. Every entry must state its time in service.
 */
export function hourInterval(inspections: readonly Inspection[], interval: Hours): IntervalState | null {
  let state: IntervalState | null = null;
  for (const last of inspections) state = afterInspection(state, last, interval);
  return state;
}

function afterInspection(before: IntervalState | null, last: Inspection, interval: Hours): IntervalState {
  if (last.timeInService === null) throw new RangeError(`inspection ${last.id} has no time in service and does not count`);
  const lastAt = last.timeInService;
  const excess = before === null ? NO_HOURS : hoursBeyond(lastAt, before.dueAt);
  if (before === null || excess === NO_HOURS || last.excess === 'flown-on-uses-without-the-limit') {
    return { last, lastAt, dueAt: addHours(lastAt, interval), takenOff: NO_HOURS };
  }
  return { last, lastAt, dueAt: addHours(before.dueAt, interval), takenOff: excess };
}
