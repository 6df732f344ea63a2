import { describe, expect, it } from 'vitest';
import { cleanCase, decideClean } from '@/testing/clean-case';
import type { DecidedConstraint } from '../core/decision/decision';
import { hours } from '../core/quantities/hours';
import { civilDate } from '../core/time/civil-date';
import { intervalText, tellDue } from './due';

const NOTHING = { items: null, ads: null };
const tell = (reason: DecidedConstraint['reason'], around: Parameters<typeof tellDue>[1] = NOTHING) =>
  tellDue({ reason, records: [] }, around);

describe('what is due, with its sum', () => {
  it.each([
    [
      {
        code: 'annual-expires' as const,
        completedOn: civilDate('2026-03-12'),
        lastDay: civilDate('2027-03-31'),
        discounted: [],
      },
      {
        interval: 'every 12 calendar months',
        last: '12 Mar 2026',
        next: '31 Mar 2027',
        sum: '12 Mar 2026 and 12 calendar months, to the end of that month: 31 Mar 2027.',
      },
    ],
    [
      {
        code: 'inspection-expires' as const,
        kind: 'transponder' as const,
        completedOn: civilDate('2026-02-10'),
        lastDay: civilDate('2028-02-29'),
        discounted: [],
      },
      {
        interval: 'every 24 calendar months',
        last: '10 Feb 2026',
        next: '29 Feb 2028',
        sum: '10 Feb 2026 and 24 calendar months, to the end of that month: 29 Feb 2028.',
      },
    ],
    [
      {
        code: 'hundred-hour-due' as const,
        dueAt: hours('1200'),
        lastAt: hours('1106.5'),
        lastKind: 'hundred-hour' as const,
        takenOff: hours('6.5'),
        discounted: [],
      },
      {
        interval: 'every 100.0 h',
        last: '1106.5 h',
        next: '1200.0 h',
        sum: 'Done at 1106.5 h, which was 6.5 h late: 1106.5 h + 100.0 h − 6.5 h = 1200.0 h.',
      },
    ],
    [
      {
        code: 'hundred-hour-due' as const,
        dueAt: hours('1150'),
        lastAt: hours('1050'),
        lastKind: 'annual' as const,
        takenOff: hours('0'),
        discounted: [],
      },
      {
        interval: 'every 100.0 h',
        last: '1050.0 h (annual inspection)',
        next: '1150.0 h',
        sum: '1050.0 h + 100.0 h = 1150.0 h. The annual inspection stands in for it.',
      },
    ],
    [
      { code: 'registration-expires' as const, lastDay: civilDate('2031-05-31'), basis: 'printed' as const },
      { interval: '', last: '', next: '31 May 2031', sum: '' },
    ],
    [
      {
        code: 'release-work-due' as const,
        what: 'Oil change',
        lastDay: civilDate('2027-01-02'),
        dueAt: hours('1200'),
      },
      { interval: 'once', last: '', next: '2 Jan 2027 or 1200.0 h', sum: '' },
    ],
  ])('%j', (reason, expected) => {
    expect(tell(reason)).toEqual(expected);
  });
  it('what is no thing to be done again is not told', () => {
    expect(tell({ code: 'items-unknown' })).toBeNull();
  });
  it('an item and an AD say how often, from their own records', () => {
    const { facts } = cleanCase({
      items: {
        oil: {
          name: 'Oil change',
          kind: 'service',
          recordedAt: '2026-10-02T12:00:00Z',
          interval: { months: 4, hours: [{ meter: 'time-in-service', every: 50 }] },
          signedAs: 'service',
          excess: 'taken-off',
          done: {
            one: {
              completedOn: '2026-10-02',
              recordedAt: '2026-10-02T12:00:00Z',
              readings: { hours: { 'time-in-service': 4108.7 } },
            },
          },
        },
      },
    });
    expect(
      tell(
        {
          code: 'item-due',
          name: 'Oil change',
          kind: 'service',
          meter: 'time-in-service',
          dueAt: hours('4156.2'),
          takenOff: hours('2.5'),
        },
        facts,
      ),
    ).toEqual({
      interval: 'every 4 calendar months or 50.0 h, whichever comes first',
      last: '4108.7 h',
      next: '4156.2 h',
      sum: '4108.7 h + 50.0 h − 2.5 h late = 4156.2 h.',
    });
    expect(
      tell(
        {
          code: 'item-expires',
          name: 'Oil change',
          kind: 'service',
          lastDay: civilDate('2027-02-28'),
          printed: false,
        },
        facts,
      ),
    ).toEqual({
      interval: 'every 4 calendar months or 50.0 h, whichever comes first',
      last: '2 Oct 2026',
      next: '28 Feb 2027',
      sum: 'Counted from 2 Oct 2026: 28 Feb 2027.',
    });
  });
  it.each([
    [{ months: 1, monthsToTheDay: null, days: null, meters: [] }, 'every 1 calendar month'],
    [
      { months: null, monthsToTheDay: 6, days: 90, meters: [] },
      'every 6 months to the day or 90 days, whichever comes first',
    ],
    [
      {
        months: null,
        monthsToTheDay: null,
        days: null,
        meters: [{ meter: 'landings' as const, every: 300 }],
      },
      'every 300 landings',
    ],
    [{ months: null, monthsToTheDay: null, days: null, meters: [] }, 'once'],
  ])('an interval %#', (interval, text) => {
    expect(intervalText(interval)).toBe(text);
  });
  it('everything dated that lies ahead of the clean aircraft has a next day', () => {
    const told = decideClean()
      .limits.map(({ constraint }) => tellDue(constraint, cleanCase().facts))
      .filter((one) => one !== null);
    expect(told.length).toBeGreaterThan(8);
    for (const { next } of told) expect(next).not.toBe('');
  });
});
