import { byId } from '../../order';
import type { Hours } from '../../quantities/hours';
import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import { endOfDay, startOfDay, type ZoneId } from '../../time/zone';
import type { AirworthinessDirective } from '../maintenance/ad';
import type { Inspection } from '../maintenance/inspection';
import type { Doing } from '../maintenance/interval';
import type { MaintenanceItem } from '../maintenance/maintenance-item';
import type { Uplift } from '../walkround/measurement';
import { METER_NAMES, type Counter, type HourMeter, type Meter } from './meters';
import { isAheadOfItself, type RecordBase } from '../record';

/** A reading of a meter, already on the airframe's, engine's or propeller's own basis. Hours as seconds, counters as numbers. */
export type MeterReading = RecordBase
  & (
    { readonly meter: HourMeter; readonly value: Hours } | { readonly meter: Counter; readonly value: number }
  );

/** What the records say about a meter now. */
export type Standing =
  | { readonly state: 'known'; readonly value: number; readonly from: string; readonly readAt: Instant }
  | { readonly state: 'unknown' }
  | { readonly state: 'ahead-of-itself'; readonly record: string }
  | {
      readonly state: 'contradiction';
      readonly earlier: string;
      readonly later: string;
      readonly earlierValue: number;
      readonly laterValue: number;
      /** The most that any record says: at least so much it may stand at. */ readonly highest: number;
    };

/** What the records say about every meter. */
export type Standings = { readonly [M in Meter]: Standing };

interface Point {
  readonly id: string;
  readonly from: Instant;
  readonly to: Instant;
  readonly value: number;
}

const UNKNOWN: Standing = { state: 'unknown' };

/** Every record that says what meters showed: the readings, and whatever was done and says at which reading. */
export interface MeterWitnesses {
  readonly readings: readonly MeterReading[];
  readonly inspections: readonly Pick<Inspection, 'id' | 'completedOn' | 'timeInService'>[];
  readonly items: readonly Pick<MaintenanceItem, 'done'>[] | null;
  readonly ads:
    readonly Pick<AirworthinessDirective, 'id' | 'effectiveOn' | 'readingsThen' | 'done'>[] | null;
  readonly ramp: { readonly uplifts: readonly Uplift[] } | null;
}

/** What a record of a day says of a meter: within that day any order is possible. */
function onDay(id: string, day: CivilDate, value: number, at: ZoneId): Point {
  return { id, from: startOfDay(day, at), to: endOfDay(day, at), value };
}

/** What all but its readings say of a meter. A slip of the pen there would carry a limit away as far as one on the meter itself. */
function otherPoints({ inspections, items, ads, ramp }: MeterWitnesses, meter: Meter, at: ZoneId): Point[] {
  const points: Point[] = [];
  const see = (id: string, day: CivilDate, readings: Doing['readings']) => {
    for (const one of readings) if (one.meter === meter) points.push(onDay(id, day, one.value, at));
  };
  for (const { done } of items ?? [])
    for (const { id, completedOn, readings } of done) see(id, completedOn, readings);
  for (const { id, effectiveOn, readingsThen, done } of ads ?? []) {
    if (effectiveOn !== null) see(id, effectiveOn, readingsThen);
    for (const one of done) see(one.id, one.completedOn, one.readings);
  }
  if (meter !== 'time-in-service') return points;
  for (const { id, completedOn, timeInService: value } of inspections)
    if (value !== null) points.push(onDay(id, completedOn, value, at));
  for (const { id, happenedAt, timeInService: value } of ramp?.uplifts ?? [])
    if (value !== null) points.push({ id, from: happenedAt, to: happenedAt, value });
  return points;
}

/**
 * Every meter at once: the highest that any record says. Meters do not run backwards: a later record with less is a
 * contradiction, and then the meter is not known. Of a contradiction the first record that falls is named, with the highest one before it.
 */
export function standingsOf(records: MeterWitnesses, at: ZoneId): Standings {
  const answer: { -readonly [M in Meter]: Standing } = {
    'time-in-service': UNKNOWN,
    engine: UNKNOWN,
    propeller: UNKNOWN,
    block: UNKNOWN,
    landings: UNKNOWN,
    cycles: UNKNOWN,
    'tow-launches': UNKNOWN,
  };
  for (const meter of METER_NAMES) {
    const own = records.readings.filter((reading) => reading.meter === meter);
    // A record of work alone does not say what the meter shows today: without a reading of its own it is not known.
    if (own.length > 0) answer[meter] = standing(own, otherPoints(records, meter, at));
  }
  return answer;
}

function standing(readings: readonly MeterReading[], more: readonly Point[]): Standing {
  const ahead = readings.find(isAheadOfItself);
  if (ahead !== undefined) return { state: 'ahead-of-itself', record: ahead.id };
  const points: Point[] = readings.map(({ id, happenedAt, value }) => ({
    id,
    from: happenedAt,
    to: happenedAt,
    value,
  }));
  let readAt = 0 as Instant;
  for (const { happenedAt } of readings) if (happenedAt > readAt) readAt = happenedAt;
  points.push(...more);

  const [sole] = points;
  if (sole !== undefined && points.length === 1)
    return { state: 'known', value: sole.value, from: sole.id, readAt };
  const byStart = [...points].sort(
    (a, b) => a.from - b.from || a.to - b.to || a.value - b.value || byId(a, b),
  );
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
      return {
        state: 'contradiction',
        earlier: before.id,
        later: point.id,
        earlierValue: before.value,
        laterValue: point.value,
        highest: points.reduce((most, { value }) => Math.max(most, value), 0),
      };
    }
    if (highest === undefined || point.value > highest.value) highest = point;
  }
  return highest === undefined ? UNKNOWN : { state: 'known', value: highest.value, from: highest.id, readAt };
}
