import { hours, hoursFromSeconds, type Hours } from '../../quantities/hours';
import type { Inspection } from './inspection';
import { nextDue, type Doing } from './interval';

/** Where an hour interval stands. */
export interface IntervalState {
  /** The entry that it now counts from: of several of one day the one with the lowest reading, its reason only where all of them give it. */
  readonly last: Inspection;
  readonly lastAt: Hours;
  /** The last reading at which the interval still holds. */
  readonly dueAt: Hours;
  /** How much of the last interval's excess was taken off this one. */
  readonly takenOff: Hours;
}

/** So much may be flown past while en route to the inspection, and no more of it comes off. Source: 14 CFR 91.409(b) (from memory). */
export const MOST_EXCESS = hours('10');

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
  const newest = inspections.at(-1);
  if (newest === undefined) return null;
  const [due] = nextDue(
    inspections.map(doingOf),
    { ...NO_TIME, meters: [{ meter: 'time-in-service', every: interval }] },
    MOST_EXCESS,
  ).meters;
  const onThatDay = inspections.filter(({ completedOn }) => completedOn === newest.completedOn);
  const last = onThatDay.reduce((lowest, entry) => (readingOf(entry) < readingOf(lowest) ? entry : lowest));
  const agreed = onThatDay.every(({ excess }) => excess === last.excess);
  if (due === undefined) throw new RangeError('no reading is there to count from');
  return {
    last: agreed ? last : { ...last, excess: null },
    lastAt: readingOf(last),
    dueAt: hoursFromSeconds(due.at),
    takenOff: hoursFromSeconds(due.takenOff),
  };
}

const NO_TIME = { months: null, monthsToTheDay: null, days: null };

function readingOf({ id, timeInService }: Inspection): Hours {
  if (timeInService === null)
    throw new RangeError(`inspection ${id} has no time in service and does not count`);
  return timeInService;
}

const doingOf = (entry: Inspection): Doing => ({
  completedOn: entry.completedOn,
  readings: [{ meter: 'time-in-service', value: readingOf(entry) }],
  excessOnFreeUses: entry.excess === 'flown-on-uses-without-the-limit',
});
