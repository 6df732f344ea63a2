import { rateOf, rateRatio, type Rate, type RateRatio } from '../../quantities/event-rate';
import type { Instant } from '../../time/instant';
import { civilDateAt, type ZoneId } from '../../time/zone';
import type { Rectification } from './discrepancy';

/** What came: a finding, or water in a cup of fuel. */
export interface Occurrence {
  readonly id: string;
  readonly aircraftId: string;
  /** What it is about: equipment by its kinds, a step of the list, or the place where that is all that is known. */
  readonly part: string;
  /** As it was written down. */
  readonly what: string;
  readonly side: string | null;
  readonly at: Instant;
  /** Time in service then, in seconds; null where nobody knows. */
  readonly flown: number | null;
  /** When it was returned to service, with the time in service then and what was done; null while it is open. */
  readonly returned: {
    readonly at: Instant;
    readonly flown: number | null;
    readonly work: Rectification['work'];
  } | null;
}

/** Why a defect counts as chronic. */
export const CHRONIC_BECAUSE = ['often', 'back-soon', 'no-fault-found'] as const;
export type ChronicBecause = (typeof CHRONIC_BECAUSE)[number];

/** The same thing again and again on one aircraft. */
export interface Chronic {
  readonly aircraftId: string;
  readonly part: string;
  /** Each time, the oldest first; what came while it was still open, or again on the same day, is one time. */
  readonly times: readonly Occurrence[];
  /** A second in service; null where nobody knows how much the aircraft flew. */
  readonly rate: Rate | null;
  /** Of the club's other aircraft together. */
  readonly others: Rate | null;
  readonly ratio: RateRatio | null;
  /** The fewest seconds in service between a return to service and the next time; null where it never came back, or nobody knows. */
  readonly soonest: number | null;
  readonly noFaultFound: number;
  readonly because: readonly ChronicBecause[];
}

/** So many times in the window are the fewest that can be often. Common practice, no source. */
export const FEWEST_TIMES = 3;
/** Back within so many seconds in service is soon: twenty-five hours. Common practice, no source. */
export const SOON = 25 * 3600;
/** So often 'no fault found' of the same thing is a pattern. Common practice, no source. */
export const FEWEST_NO_FAULT = 2;

/** Whether two may be about the same side: where nobody said, it may have been either. */
const maybeSameSide = (a: Occurrence, b: Occurrence): boolean =>
  a.side === b.side || a.side === null || b.side === null;

/** Those that stand by themselves: not what came on the day of the one before, or while that was still open. */
function apart(all: readonly Occurrence[], zone: ZoneId): readonly Occurrence[] {
  const times: Occurrence[] = [];
  for (const one of all.toSorted((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))) {
    const sameTime = times.some(
      (before) =>
        civilDateAt(before.at, zone) === civilDateAt(one.at, zone)
        || (maybeSameSide(before, one) && (before.returned === null || before.returned.at > one.at)),
    );
    if (!sameTime) times.push(one);
  }
  return times;
}

/** The fewest seconds in service from a return to service to the next time. */
function soonestReturn(times: readonly Occurrence[]): number | null {
  const gaps = times.flatMap((one, at) => {
    const before = times
      .slice(0, at)
      .findLast(
        (other) => maybeSameSide(other, one) && other.returned !== null && other.returned.at <= one.at,
      );
    const from = before?.returned?.flown ?? null;
    return from === null || one.flown === null ? [] : [Math.max(0, one.flown - from)];
  });
  return gaps.length === 0 ? null : Math.min(...gaps);
}

/**
 * What comes again and again, the surest first: by the lower end of the interval of how many times as often
 * it comes on this aircraft as on the club's others, then by how often it came. It is chronic where it came
 * at least three times and the whole interval lies above the others' rate, where it was back within 25 hours
 * in service of its return, or where twice no fault was found.
 * @param flown seconds in service of each aircraft within the window
 * @param zone where days begin and end
 */
export function chronicDefects(
  occurrences: readonly Occurrence[],
  flown: ReadonlyMap<string, number>,
  zone: ZoneId,
): readonly Chronic[] {
  const groups = new Map<string, Map<string, Occurrence[]>>();
  for (const one of occurrences) {
    const byAircraft = groups.get(one.part) ?? new Map<string, Occurrence[]>();
    groups.set(one.part, byAircraft);
    byAircraft.set(one.aircraftId, [...(byAircraft.get(one.aircraftId) ?? []), one]);
  }
  const whole = [...flown.values()].reduce((sum, each) => sum + each, 0);
  const found = [...groups].flatMap(([part, byAircraft]) => {
    const apartOf = new Map([...byAircraft].map(([id, all]) => [id, apart(all, zone)] as const));
    const events = [...apartOf.values()].reduce((sum, { length }) => sum + length, 0);
    return [...apartOf].flatMap(([aircraftId, times]): readonly Chronic[] => {
      const here = { events: times.length, exposure: flown.get(aircraftId) ?? 0 };
      const elsewhere = { events: events - here.events, exposure: whole - here.exposure };
      const ratio = rateRatio(here, elsewhere);
      const soonest = soonestReturn(times);
      const noFaultFound = times.filter(({ returned }) => returned?.work === 'no-fault-found').length;
      const because = CHRONIC_BECAUSE.filter(
        (one) =>
          ({
            often: times.length >= FEWEST_TIMES && ratio !== null && ratio.low > 1,
            'back-soon': soonest !== null && soonest <= SOON,
            'no-fault-found': noFaultFound >= FEWEST_NO_FAULT,
          })[one],
      );
      if (because.length === 0) return [];
      return [
        {
          aircraftId,
          part,
          times,
          rate: rateOf(here),
          others: rateOf(elsewhere),
          ratio,
          soonest,
          noFaultFound,
          because,
        },
      ];
    });
  });
  return found.toSorted(
    (a, b) =>
      (b.ratio?.low ?? 0) - (a.ratio?.low ?? 0)
      || b.times.length - a.times.length
      || (`${a.aircraftId}/${a.part}` < `${b.aircraftId}/${b.part}` ? -1 : 1),
  );
}
