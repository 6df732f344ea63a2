import { LocalDate, YearMonth } from '@js-joda/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addDays,
  addMonths,
  addYears,
  civilDate,
  lastDayOfCalendarMonths,
  parseCivilDate,
  type CivilDate,
} from './civil-date';

const someDay = fc.integer({ min: 0, max: 73_000 }).map((days) => addDays(civilDate('1990-01-01'), days));

describe('civil dates', () => {
  it.each(['2024-02-29', '1900-01-01', '2199-12-31'])('reads %s', (text) => {
    expect(parseCivilDate(text)).toBe(text);
  });
  it.each([
    '2025-02-29',
    '2024-13-01',
    '2024-00-10',
    '2024-1-1',
    '1899-12-31',
    '2200-01-01',
    '24-01-01',
    '2024-01-01T00:00',
    '',
  ])('refuses %j', (text) => {
    expect(parseCivilDate(text)).toBeUndefined();
    expect(() => civilDate(text)).toThrow('is no date');
  });

  it('counts calendar months like an independent library does', () => {
    // Reference: js-joda, the JavaScript port of java.time.
    fc.assert(
      fc.property(someDay, fc.integer({ min: 0, max: 120 }), (day, months) => {
        expect(lastDayOfCalendarMonths(day, months)).toBe(
          YearMonth.from(LocalDate.parse(day)).plusMonths(months).atEndOfMonth().toString(),
        );
      }),
      { numRuns: 500 },
    );
  });

  it('holds to a month’s last day whatever the day of the action, and never shortens', () => {
    fc.assert(
      fc.property(someDay, fc.integer({ min: 0, max: 60 }), (day, months) => {
        const last = lastDayOfCalendarMonths(day, months);
        expect(addDays(last, 1).endsWith('-01')).toBe(true);
        expect(last >= day).toBe(true);
        expect(lastDayOfCalendarMonths(`${day.slice(0, 8)}01` as CivilDate, months)).toBe(last);
        expect(lastDayOfCalendarMonths(day, months + 1) > last).toBe(true);
      }),
      { numRuns: 500 },
    );
  });

  it('refuses part of a month', () => {
    expect(() => lastDayOfCalendarMonths(civilDate('2025-01-31'), 1.5)).toThrow('whole number');
    expect(() => lastDayOfCalendarMonths(civilDate('2025-01-31'), -1)).toThrow('whole number');
  });

  it('adds years and days as an independent library does', () => {
    fc.assert(
      fc.property(
        someDay,
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: -400, max: 400 }),
        (day, years, days) => {
          expect(addYears(day, years)).toBe(LocalDate.parse(day).plusYears(years).toString());
          expect(addDays(day, days)).toBe(LocalDate.parse(day).plusDays(days).toString());
        },
      ),
      { numRuns: 300 },
    );
  });

  it('adds months as an independent library does, to the last day where the month is shorter', () => {
    fc.assert(
      fc.property(someDay, fc.integer({ min: -60, max: 60 }), (day, months) => {
        expect(addMonths(day, months)).toBe(LocalDate.parse(day).plusMonths(months).toString());
      }),
      { numRuns: 300 },
    );
    expect(addMonths(civilDate('2025-01-31'), 1)).toBe('2025-02-28');
  });

  it('computes beyond the years that it reads', () => {
    expect(lastDayOfCalendarMonths(civilDate('2199-05-14'), 12)).toBe('2200-05-31');
  });

  it('computes to the ends of the four-digit years, whose texts still order as the days do, and not beyond', () => {
    const first = civilDate('1900-06-01');
    expect([addYears(first, -900), addYears(first, 8099)]).toEqual(['1000-06-01', '9999-06-01']);
    expect(() => addYears(first, -901)).toThrow('0999-06-01 lies outside the years 1000 to 9999');
    expect(() => addYears(first, 8100)).toThrow('lies outside the years 1000 to 9999');
  });
});
