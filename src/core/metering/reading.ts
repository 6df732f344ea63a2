import { hoursFromSeconds, type Hours } from '../quantities/hours';
import { countsAfterWrap, valuesAt, type Dial } from '../records/meters/dial';
import type { MeterReading, Standings } from '../records/meters/meter-reading';
import { COUNTERS, HOUR_METERS, isHourMeter, type Counter, type Meter } from '../records/meters/meters';
import type { Instant } from '../time/instant';
import type { NewReading, ShownReading } from './changes';
import type { DialState, Entered, Question } from './desk';
import { readingOf } from './slips';

/** Readings as they are kept: each dial with what it showed and what its meters stand at. */
export interface Read {
  readonly dials: readonly ShownReading[];
  readonly readings: readonly NewReading[];
  /** Dials that started again from zero: each goes on under a new entry. */
  readonly wrapped: readonly Dial[];
  /** How far each dial of hours ran on, in seconds. What a counter counted on is no time. */
  readonly ran: ReadonlyMap<string, number>;
}

/** The meters that were read. */
export const metersRead = ({ readings }: Pick<Read, 'readings'>): ReadonlySet<Meter> =>
  new Set(readings.map(({ meter }) => meter));

/** When something that belongs to an earlier reading is written down: now, or with that reading where the clock was set back since. Otherwise it would seem to have happened after it was written. */
export const notBefore = (reading: Instant, recordedAt: Instant): Instant =>
  reading > recordedAt ? reading : recordedAt;

/** A reading of a meter. @param value seconds of an hour meter, a whole number of a counter */
export function meterReading(
  id: string,
  meter: Meter,
  value: number,
  happenedAt: Instant,
  recordedAt: Instant,
): MeterReading {
  return isHourMeter(meter)
    ? { id, meter, value: hoursFromSeconds(value), happenedAt, recordedAt }
    : { id, meter: meter as Counter, value, happenedAt, recordedAt };
}

/** A dial shows less than its offset allows: a meter would stand below zero, so the meter's own entry is wrong. */
export interface BelowOffset {
  readonly belowOffset: Dial;
}

/**
 * Turns what was typed into readings. Every question about it must have been answered before.
 * @throws Error where a reading is missing or cannot be read, which is asked before
 */
export function readDials(
  newId: () => string,
  states: readonly DialState[],
  entered: readonly Entered[],
  asks: readonly Question[],
  flightId: string | null,
  happenedAt: Instant,
  recordedAt: Instant,
): Read | BelowOffset {
  const dials: ShownReading[] = [];
  const readings: NewReading[] = [];
  const wrapped: Dial[] = [];
  const ran = new Map<string, number>();
  for (const { dial, last } of states) {
    const shown = entered.find((one) => one.dial === dial.id)?.shown.trim() ?? '';
    const value = readingOf(shown, dial.unit);
    if (value === undefined) throw new Error(`the reading of ${dial.name} was not checked`);
    const over = asks.find((ask) => ask.dial === dial.id && ask.accept === 'started-again-from-zero');
    const counts = over === undefined ? dial.counts : (countsAfterWrap(dial) ?? dial.counts);
    const current: Dial =
      over === undefined ? dial : { ...dial, id: newId(), counts, replaces: dial.id, happenedAt, recordedAt };
    if (over !== undefined) wrapped.push(current);
    const values = valuesAt(current, value);
    if (values === null) return { belowOffset: dial };
    dials.push({ dial: current.id, name: dial.name, shown, values });
    if (last !== null && dial.unit === 'h')
      ran.set(current.id, over?.kind === 'below' ? (over.run ?? 0) : value - last);
    for (const { meter, value: at } of values)
      readings.push({
        ...meterReading(newId(), meter, at, happenedAt, recordedAt),
        entered: shown,
        basis: 'read',
        dialId: current.id,
        flightId,
      });
  }
  return { dials, readings, wrapped, ran };
}

/**
 * Meters on record that no dial shows: they go on with the flight anyway. Hours by the dial that ran most, never less than what
 * was flown; landings and cycles by the landings, tow launches by the launches.
 * @param shown meters that were read, and say themselves what they stand at
 * @param at when it was flown; without a moment, each meter's is that of its last reading, so that no later one is contradicted
 */
export function ranOnBeside(
  newId: () => string,
  meters: Standings,
  shown: ReadonlySet<Meter>,
  ran: Read['ran'],
  more: { readonly landings: number; readonly towLaunches: number; readonly airborne: Hours | null },
  at: { readonly flightId: string | null; readonly happenedAt: Instant | null; readonly recordedAt: Instant },
): readonly NewReading[] {
  const most = Math.max(0, more.airborne ?? 0, ...ran.values());
  const added = (meter: Meter): number =>
    isHourMeter(meter)
      ? meter === 'time-in-service'
        ? (more.airborne ?? most)
        : most
      : meter === 'tow-launches'
        ? more.towLaunches
        : more.landings;
  return [...HOUR_METERS, ...COUNTERS].flatMap((meter): readonly NewReading[] => {
    const standing = meters[meter];
    // Where two readings contradict each other it goes on from the most that any says: flown is flown, whichever of them is wrong.
    const [stood, moment] =
      standing.state === 'known'
        ? [standing.value, at.happenedAt ?? standing.readAt]
        : [standing.state === 'contradiction' ? standing.highest : null, at.happenedAt];
    if (shown.has(meter) || stood === null || moment === null || added(meter) === 0) return [];
    const value = stood + added(meter);
    return [
      {
        ...meterReading(newId(), meter, value, moment, notBefore(moment, at.recordedAt)),
        entered: isHourMeter(meter) ? (value / 3600).toFixed(2) : String(value),
        basis: 'ran-on',
        dialId: null,
        flightId: at.flightId,
      },
    ];
  });
}
