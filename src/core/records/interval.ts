import { addDays, addMonths, lastDayOfCalendarMonths, type CivilDate } from '../time/civil-date';
import type { Meter } from './meters';

/**
 * How long something counts: whichever comes first of all that is given. `months` are calendar months, to the end of the month;
 * `monthsToTheDay` run to the same day; meters in seconds or counts.
 */
export interface Interval {
  readonly months: number | null;
  readonly monthsToTheDay: number | null;
  readonly days: number | null;
  readonly meters: readonly { readonly meter: Meter; readonly every: number }[];
}

/** What a meter showed when something was done. */
export interface ReadingThen { readonly meter: Meter; readonly value: number }

/** What was done once. A reading that is not there is not known. */
export interface Doing {
  readonly completedOn: CivilDate;
  readonly readings: readonly ReadingThen[];
  /** True where it was flown past its limit on uses that need no such limit, so that the excess is not taken off. */
  readonly excessOnFreeUses: boolean;
}

/** Until when something counts: the last good day, and the last good readings. */
export interface Due {
  readonly lastDay: CivilDate | null;
  readonly meters: readonly { readonly meter: Meter; readonly at: number; readonly takenOff: number }[];
  /** Meters of the interval whose reading then is not on record: their limit cannot be said. */
  readonly unknownMeters: readonly Meter[];
}

/** The last day of an interval in days and months that starts on `done`: the earliest of all that is given. */
export function lastDayOf({ months, monthsToTheDay, days }: Pick<Interval, 'months' | 'monthsToTheDay' | 'days'>, done: CivilDate): CivilDate | null {
  const ends = [
    ...(months === null ? [] : [lastDayOfCalendarMonths(done, months)]),
    ...(monthsToTheDay === null ? [] : [addMonths(done, monthsToTheDay)]),
    ...(days === null ? [] : [addDays(done, days)]),
  ];
  return ends.sort()[0] ?? null;
}

/**
 * When it is due again after `doings` (oldest first; at least one). On a meter, done early or in time counts from when it was
 * done; done late, the excess is taken off the next interval where `takeOff` says so and it was not flown on free uses.
 * In time it always counts from the day on which it was done.
 */
export function nextDue(doings: readonly Doing[], interval: Interval, takeOff: boolean): Due {
  const last = doings.at(-1);
  if (last === undefined) throw new RangeError('nothing was done yet, so nothing is due from it');
  const meters: Due['meters'][number][] = [];
  const unknownMeters: Meter[] = [];
  for (const { meter, every } of interval.meters) {
    let due: { at: number; takenOff: number } | null = null;
    for (const { readings, excessOnFreeUses } of doings) {
      const then = readings.find((reading) => reading.meter === meter);
      if (then === undefined) { due = null; continue; }
      const excess: number = due === null ? 0 : Math.max(0, then.value - due.at);
      due = excess > 0 && takeOff && !excessOnFreeUses && due !== null ? { at: due.at + every, takenOff: excess } : { at: then.value + every, takenOff: 0 };
    }
    if (due === null) unknownMeters.push(meter);
    else meters.push({ meter, ...due });
  }
  return { lastDay: lastDayOf(interval, last.completedOn), meters, unknownMeters };
}
