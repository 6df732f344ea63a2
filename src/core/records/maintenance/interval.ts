import { addDays, addMonths, lastDayOfCalendarMonths, type CivilDate } from '../../time/civil-date';
import type { Meter } from '../meters/meters';

/**
 * How long something counts: whichever comes first of all that is given, unless it says later. `months` are calendar months, to the end of the month;
 * `monthsToTheDay` run to the same day; meters in seconds or counts.
 */
export interface Interval {
  readonly months: number | null;
  readonly monthsToTheDay: number | null;
  readonly days: number | null;
  readonly meters: readonly { readonly meter: Meter; readonly every: number }[];
  /** 'later' where all that is given has to have passed, as an airworthiness directive may say. Absent is first. */
  readonly whichever?: 'first' | 'later';
}

/** What a meter showed when something was done. */
export interface ReadingThen {
  readonly meter: Meter;
  readonly value: number;
}

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
export function lastDayOf(
  { months, monthsToTheDay, days }: Pick<Interval, 'months' | 'monthsToTheDay' | 'days'>,
  done: CivilDate,
): CivilDate | null {
  const ends = [
    ...(months === null ? [] : [lastDayOfCalendarMonths(done, months)]),
    ...(monthsToTheDay === null ? [] : [addMonths(done, monthsToTheDay)]),
    ...(days === null ? [] : [addDays(done, days)]),
  ];
  return ends.sort()[0] ?? null;
}

interface Moment {
  readonly on: CivilDate;
  readonly value: number | null;
  readonly excessOnFreeUses: boolean;
}

/** What a meter showed each time. Doings of one day are one moment: the lowest reading counts, one without a reading makes it unknown, and an excess is excused only where all say so. */
function byMoment(doings: readonly Doing[], meter: Meter): readonly Moment[] {
  const moments: Moment[] = [];
  for (const { completedOn: on, readings, excessOnFreeUses } of doings) {
    const value = readings.find((reading) => reading.meter === meter)?.value ?? null;
    const before = moments.at(-1);
    if (before === undefined || before.on !== on) moments.push({ on, value, excessOnFreeUses });
    else
      moments[moments.length - 1] = {
        on,
        value: value === null || before.value === null ? null : Math.min(value, before.value),
        excessOnFreeUses: excessOnFreeUses && before.excessOnFreeUses,
      };
  }
  return moments;
}

/**
 * When it is due again after `doings` (oldest first; at least one). On a meter, done early or in time counts from when it was
 * done; done late, the excess is taken off the next interval, no more than `mostTakenOff` of it (0: nothing is taken off) and
 * nothing of what was flown on free uses.
 * In time it always counts from the day on which it was done.
 */
export function nextDue(doings: readonly Doing[], interval: Interval, mostTakenOff: number): Due {
  const last = doings.at(-1);
  if (last === undefined) throw new RangeError('nothing was done yet, so nothing is due from it');
  const meters: Due['meters'][number][] = [];
  const unknownMeters: Meter[] = [];
  for (const { meter, every } of interval.meters) {
    let due: { at: number; takenOff: number } | null = null;
    for (const { value, excessOnFreeUses } of byMoment(doings, meter)) {
      if (value === null) {
        due = null;
        continue;
      }
      const excess: number = due === null || excessOnFreeUses ? 0 : Math.max(0, value - due.at);
      // What was just done is never due before it was done.
      const takenOff = Math.min(excess, every, mostTakenOff);
      due = { at: value + every - takenOff, takenOff };
    }
    if (due === null) unknownMeters.push(meter);
    else meters.push({ meter, ...due });
  }
  return { lastDay: lastDayOf(interval, last.completedOn), meters, unknownMeters };
}
