import { Temporal } from 'temporal-polyfill';
import type { Brand } from '../brand';
import { addDays, civilDateFrom, type CivilDate } from './civil-date';
import type { Instant } from './instant';
import { remembered } from '../remembered';

/** An IANA time zone that this machine knows, such as America/Halifax. */
export type ZoneId = Brand<string, 'ZoneId'>;

/** Reads a zone's name; undefined when it is unknown, or an offset such as +03:00, which knows no daylight saving. */
export function parseZone(name: string): ZoneId | undefined {
  if (!/^[A-Za-z_]+(\/[A-Za-z0-9_+-]+)*$/.test(name)) return undefined;
  try {
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(name);
    return name as ZoneId;
  } catch {
    return undefined;
  }
}

/** The same for a zone written in code; throws on an unknown one. */
export function zone(name: string): ZoneId {
  const found = parseZone(name);
  if (found === undefined)
    throw new RangeError(`'${name}' is no time zone: expected an IANA name such as America/Halifax`);
  return found;
}

const MOST_REMEMBERED = 20_000;
const QUARTER_MS = 15 * 60_000;
/** Since 1973 every zone's offset, and every change of one, lies on a quarter of an hour: so does every midnight. */
const QUARTERS_SINCE = Date.UTC(1973, 0, 1);

/** The days of one zone. Asking the time zone database is slow, so its answers are remembered. */
function daysIn(at: ZoneId) {
  const dateAt = (moment: number): CivilDate =>
    civilDateFrom(Temporal.Instant.fromEpochMilliseconds(moment).toZonedDateTimeISO(at).toPlainDate());
  const startOf = (date: CivilDate): Instant =>
    Temporal.PlainDate.from(date).toZonedDateTime(at).startOfDay().epochMilliseconds as Instant;
  return {
    dateAt,
    dateAtQuarter: remembered((quarter: number) => dateAt(quarter * QUARTER_MS), MOST_REMEMBERED),
    startOf: remembered(startOf, MOST_REMEMBERED),
    endOf: remembered((date: CivilDate) => startOf(addDays(date, 1)), MOST_REMEMBERED),
  };
}

const daysOf = remembered(daysIn, 50);

/** The calendar day that it is at `moment` in `at`. */
export function civilDateAt(moment: Instant, at: ZoneId): CivilDate {
  const days = daysOf(at);
  return moment < QUARTERS_SINCE ? days.dateAt(moment) : days.dateAtQuarter(Math.floor(moment / QUARTER_MS));
}

/** The first moment of a day: local midnight, or the first moment after it where daylight saving skips midnight. */
export function startOfDay(date: CivilDate, at: ZoneId): Instant {
  return daysOf(at).startOf(date);
}

/** The moment at which a day is over: dates of the records hold to local midnight at the field. */
export function endOfDay(date: CivilDate, at: ZoneId): Instant {
  return daysOf(at).endOf(date);
}

/** The wall clock at `moment`, for people to read: `hour` and `minute` cut off, never rounded up. */
export function wallClock(
  moment: Instant,
  at: ZoneId,
): { readonly date: CivilDate; readonly hour: number; readonly minute: number } {
  const local = Temporal.Instant.fromEpochMilliseconds(moment).toZonedDateTimeISO(at);
  return { date: civilDateFrom(local.toPlainDate()), hour: local.hour, minute: local.minute };
}

/**
 * The moments at which the wall clock in `at` shows a time of a day: one, two where the clock is set back over it, none where it is
 * set forward over it or the text is no time. @param clock `HH:MM`, 00:00 to 23:59
 */
export function momentsAt(date: CivilDate, clock: string, at: ZoneId): readonly Instant[] {
  if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(clock)) return [];
  const local = Temporal.PlainDateTime.from(`${date}T${clock}`);
  const moments = (['earlier', 'later'] as const)
    .map((disambiguation) => local.toZonedDateTime(at, { disambiguation }))
    .filter((moment) => moment.toPlainDateTime().equals(local))
    .map((moment) => moment.epochMilliseconds as Instant);
  return [...new Set(moments)];
}

const HOUR_MS = 3_600_000;
const WINTER = Temporal.Instant.from('2026-01-01T00:00:00Z').epochMilliseconds;
const SUMMER = Temporal.Instant.from('2026-07-01T00:00:00Z').epochMilliseconds;

/**
 * How far the clock of a zone, without daylight saving, is from the sun at a longitude, in hours from 0 to 12. Fifteen degrees are an hour.
 * No inhabited place is much more than three hours off (common practice, no source): more tells of a longitude with the wrong sign, or of the wrong zone.
 * @param longitude east positive, -180 to 180 degrees
 */
export function hoursFromTheSun(at: ZoneId, longitude: number): number {
  const offset = (moment: number) =>
    Temporal.Instant.fromEpochMilliseconds(moment).toZonedDateTimeISO(at).offsetNanoseconds / 1e6 / HOUR_MS;
  const apart = Math.abs(Math.min(offset(WINTER), offset(SUMMER)) - longitude / 15) % 24;
  return Math.min(apart, 24 - apart);
}
