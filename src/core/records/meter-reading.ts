import type { Hours } from '../quantities/hours';
import type { Instant } from '../time/instant';
import { endOfDay, startOfDay, type ZoneId } from '../time/zone';
import type { Inspection } from './inspection';
import { isAheadOfItself, type RecordBase } from './record';

/** A reading of the meter that inspections count on, already as airframe time in service. */
export interface MeterReading extends RecordBase {
  readonly meter: 'time-in-service';
  readonly value: Hours;
}

/** What the records say about the time in service now. */
export type TimeInService =
  | { readonly state: 'known'; readonly value: Hours; readonly from: string }
  | { readonly state: 'unknown' }
  | { readonly state: 'ahead-of-itself'; readonly record: string }
  | { readonly state: 'contradiction'; readonly earlier: string; readonly later: string; readonly earlierValue: Hours; readonly laterValue: Hours };

interface Point { readonly id: string; readonly from: Instant; readonly to: Instant; readonly value: Hours }

/**
 * The highest recorded time in service. Meters do not run backwards: a later record with less time is a contradiction, and
 * then the time is not known. Inspection entries state a time on a day, so within that day any order is possible.
 * Of a contradiction the first record that falls is named, with the highest one before it.
 */
export function timeInService(readings: readonly MeterReading[], inspections: readonly Inspection[], at: ZoneId): TimeInService {
  const points: Point[] = readings.map(({ id, happenedAt, value }) => ({ id, from: happenedAt, to: happenedAt, value }));
  for (const { id, completedOn, timeInService: value } of inspections) {
    if (value !== null) points.push({ id, from: startOfDay(completedOn, at), to: endOfDay(completedOn, at), value });
  }
  // An inspection alone does not say what the meter shows today: without a reading of its own it is not known.
  if (readings.length === 0) return { state: 'unknown' };
  const ahead = readings.find(isAheadOfItself);
  if (ahead !== undefined) return { state: 'ahead-of-itself', record: ahead.id };

  const [sole] = points;
  if (sole !== undefined && points.length === 1) return { state: 'known', value: sole.value, from: sole.id };
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
  return highest === undefined ? { state: 'unknown' } : { state: 'known', value: highest.value, from: highest.id };
}
