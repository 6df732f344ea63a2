import { Temporal } from 'temporal-polyfill';
import type { Brand } from '../brand';
import { remembered } from '../remembered';

/** A calendar day without a zone, `YYYY-MM-DD`, years 1900 to 2199. Such texts order by `<` as the days do. */
export type CivilDate = Brand<string, 'CivilDate'>;

const FORM = /^(19|20|21)\d\d-\d\d-\d\d$/;

/** Reads `YYYY-MM-DD`; undefined when it is not a day that exists (2025-02-29) or lies outside 1900 to 2199. */
export function parseCivilDate(text: string): CivilDate | undefined {
  return FORM.test(text) ? parsed(text) : undefined;
}

const parsed = remembered((text: string): CivilDate | undefined => {
  try {
    return Temporal.PlainDate.from(text, { overflow: 'reject' }).toString() as CivilDate;
  } catch {
    return undefined;
  }
}, 50_000);

/** The same for a date written in code; throws on one that does not exist. */
export function civilDate(text: string): CivilDate {
  const date = parseCivilDate(text);
  if (date === undefined)
    throw new RangeError(`'${text}' is no date: expected YYYY-MM-DD, a day that exists, 1900 to 2199`);
  return date;
}

/** @internal shared with zone.ts only */
export function civilDateFrom(date: Temporal.PlainDate): CivilDate {
  // A computed day may lie beyond what is read (2199 and some years); four digits keep the texts in order.
  if (date.year < 1000 || date.year > 9999)
    throw new RangeError(`${date.toString()} lies outside the years 1000 to 9999`);
  return date.toString() as CivilDate;
}

/**
 * The last day on which something done on `done` counts, when it counts for `months` calendar months:
 * the last day of the Nth month after the month of the action, whatever the day.
 * Source: 14 CFR 91.409(a) and its like, 'within the preceding N calendar months' (from memory).
 * @param months whole months, 0 or more
 */
export function lastDayOfCalendarMonths(done: CivilDate, months: number): CivilDate {
  if (!Number.isInteger(months) || months < 0)
    throw new RangeError(`calendar months must be a whole number from 0, not ${months}`);
  return lastDays(`${done} ${months}`);
}

const lastDays = remembered((key: string): CivilDate => {
  const [done = '', months = ''] = key.split(' ');
  const first = Temporal.PlainDate.from(done)
    .with({ day: 1 })
    .add({ months: Number(months) });
  return civilDateFrom(first.with({ day: first.daysInMonth }));
}, 20_000);

/** `years` later on the same day of the same month; 29 February becomes the 28th where there is no 29th. */
export function addYears(date: CivilDate, years: number): CivilDate {
  return civilDateFrom(Temporal.PlainDate.from(date).add({ years }, { overflow: 'constrain' }));
}

/** `days` later (earlier when negative). */
export function addDays(date: CivilDate, days: number): CivilDate {
  return daysLater(`${date} ${days}`);
}

const daysLater = remembered((key: string): CivilDate => {
  const [date = '', days = ''] = key.split(' ');
  return civilDateFrom(Temporal.PlainDate.from(date).add({ days: Number(days) }));
}, 20_000);

/** The day of the week, 1 for Monday to 7 for Sunday. */
export function dayOfWeek(date: CivilDate): number {
  return Temporal.PlainDate.from(date).dayOfWeek;
}

/** `months` later on the same day of the month; a day that the month does not have becomes its last. */
export function addMonths(date: CivilDate, months: number): CivilDate {
  return civilDateFrom(Temporal.PlainDate.from(date).add({ months }, { overflow: 'constrain' }));
}
