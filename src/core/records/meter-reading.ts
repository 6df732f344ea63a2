import type { Hours } from '../quantities/hours';
import type { Instant } from '../time/instant';
import { endOfDay, startOfDay, type ZoneId } from '../time/zone';
import type { Inspection } from './inspection';
import { METER_NAMES, type Counter, type HourMeter, type Meter } from './meters';
import { isAheadOfItself, type RecordBase } from './record';

/** A reading of a meter, already on the airframe's, engine's or propeller's own basis. Hours as seconds, counters as numbers. */
export type MeterReading = RecordBase & ({ readonly meter: HourMeter; readonly value: Hours } | { readonly meter: Counter; readonly value: number });

/** What the records say about a meter now. */
export type Standing =
  | { readonly state: 'known'; readonly value: number; readonly from: string; readonly readAt: Instant }
  | { readonly state: 'unknown' }
  | { readonly state: 'ahead-of-itself'; readonly record: string }
  | { readonly state: 'contradiction'; readonly earlier: string; readonly later: string; readonly earlierValue: number; readonly laterValue: number };

/** What the records say about every meter. */
export type Standings = { readonly [M in Meter]: Standing };

interface Point { readonly id: string; readonly from: Instant; readonly to: Instant; readonly value: number }

const UNKNOWN: Standing = { state: 'unknown' };

/** Every meter at once: the time in service from its readings and the inspection entries, the others from their readings. */
export function standingsOf(readings: readonly MeterReading[], inspections: readonly Inspection[], at: ZoneId): Standings {
  const only = readings.every(({ meter }) => meter === 'time-in-service');
  const own = (meter: Meter) => readings.filter((reading) => reading.meter === meter);
  const service = timeInService(only ? readings : own('time-in-service'), inspections, at);
  const answer: { -readonly [M in Meter]: Standing } = { 'time-in-service': service, engine: UNKNOWN, propeller: UNKNOWN, block: UNKNOWN, landings: UNKNOWN, cycles: UNKNOWN, 'tow-launches': UNKNOWN };
  if (!only) for (const meter of METER_NAMES) if (meter !== 'time-in-service') answer[meter] = standing(own(meter), []);
  return answer;
}

/**
 * The highest recorded time in service. Meters do not run backwards: a later record with less time is a contradiction, and
 * then the time is not known. Inspection entries state a time on a day, so within that day any order is possible.
 * Of a contradiction the first record that falls is named, with the highest one before it.
 */
export function timeInService(readings: readonly MeterReading[], inspections: readonly Inspection[], at: ZoneId): Standing {
  const points: Point[] = [];
  for (const { id, completedOn, timeInService: value } of inspections) {
    if (value !== null) points.push({ id, from: startOfDay(completedOn, at), to: endOfDay(completedOn, at), value });
  }
  return standing(readings, points);
}

function standing(readings: readonly MeterReading[], more: readonly Point[]): Standing {
  // An inspection alone does not say what the meter shows today: without a reading of its own it is not known.
  if (readings.length === 0) return UNKNOWN;
  const ahead = readings.find(isAheadOfItself);
  if (ahead !== undefined) return { state: 'ahead-of-itself', record: ahead.id };
  const points: Point[] = readings.map(({ id, happenedAt, value }) => ({ id, from: happenedAt, to: happenedAt, value }));
  let readAt = 0 as Instant;
  for (const { happenedAt } of readings) if (happenedAt > readAt) readAt = happenedAt;
  points.push(...more);

  const [sole] = points;
  if (sole !== undefined && points.length === 1) return { state: 'known', value: sole.value, from: sole.id, readAt };
  const byId = (a: Point, b: Point) => (a.id < b.id ? -1 : 1);
  const byStart = [...points].sort((a, b) => a.from - b.from || a.to - b.to || a.value - b.value || byId(a, b));
  const byEnd = [...points].sort((a, b) => a.to - b.to || a.from - b.from || a.value - b.value || byId(a, b));
  let ended = 0;
  // The highest point that was over before the one looked at, and the highest of all so far.
  let before: Point | undefined;
  let highest: Point | undefined;
  for (const point of byStart) {
    for (let over = byEnd[ended]; over !== undefined && over.to < point.from; over = byEnd[ended]) {
      if (before === undefined || over.value > before.value) before = over;
      ended += 1;
    }
    if (before !== undefined && before.value > point.value) {
      return { state: 'contradiction', earlier: before.id, later: point.id, earlierValue: before.value, laterValue: point.value };
    }
    if (highest === undefined || point.value > highest.value) highest = point;
  }
  return highest === undefined ? UNKNOWN : { state: 'known', value: highest.value, from: highest.id, readAt };
}
