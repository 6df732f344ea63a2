import { LocalDate } from '@js-joda/core';
import { describe, expect, it } from 'vitest';
import { addDays, civilDate } from '@/core/time/civil-date';
import { decideBy } from '@/testing/clean-case';
import { source } from './source';

const YEAR_2026 = [
  '2026-01-22',
  '2026-02-19',
  '2026-03-19',
  '2026-04-16',
  '2026-05-14',
  '2026-06-11',
  '2026-07-09',
  '2026-08-06',
  '2026-09-03',
  '2026-10-01',
  '2026-10-29',
  '2026-11-26',
  '2026-12-24',
];

describe(source.section, () => {
  it('every 28 days through 2026, as another library counts too', () => {
    for (const [at, day] of YEAR_2026.entries()) {
      expect(addDays(civilDate('2026-01-22'), at * 28)).toBe(day);
      expect(
        LocalDate.parse('2026-01-22')
          .plusDays(at * 28)
          .toString(),
      ).toBe(day);
    }
  });
  it.each([
    ['2024-01-25', 13, '2025-01-23'],
    ['2025-01-23', 13, '2026-01-22'],
    ['1998-01-29', 339, '2024-01-25'],
  ] as const)('%s and %s cycles: %s', (from, cycles, to) => {
    expect(addDays(civilDate(from), cycles * 28)).toBe(to);
  });
  it.each([
    ['2026-11-25', 'open'],
    ['2026-11-26', 'closed'],
  ] as const)('a database effective 2026-10-29 on %s: instrument flight %s', (day, state) => {
    const decision = decideBy(['navigation-database', 'approved-uses'], {
      asOf: `${day}T16:00:00Z`,
      aircraft: { approvedFor: 'all', ifrNavigation: 'satellite-only' },
      databases: {
        d: {
          happenedAt: '2026-11-01T12:00:00Z',
          recordedAt: '2026-11-01T12:00:00Z',
          content: 'navigation',
          effectiveOn: '2026-10-29',
        },
      },
    });
    expect([decision.window.panes['day-ifr'], decision.window.panes['day-vfr']]).toEqual([state, 'open']);
  });
  const ask = (
    asOf: string,
    databases: { readonly [id: string]: { readonly effectiveOn?: string; readonly lastDay?: string } },
  ) => {
    const loaded = Object.fromEntries(
      Object.entries(databases).map(([id, one]) => [
        id,
        {
          happenedAt: '2026-08-20T12:00:00Z',
          recordedAt: '2026-08-20T12:00:00Z',
          content: 'navigation',
          ...one,
        },
      ]),
    );
    const decision = decideBy(['navigation-database', 'approved-uses'], {
      asOf,
      aircraft: { approvedFor: 'all', ifrNavigation: 'satellite-only' },
      databases: loaded,
    });
    return decision.constraints.map(({ reason }) => reason.code);
  };
  // Local midnight at Halifax lies at 03:00 UTC in October and at 04:00 in November.
  it.each([
    [
      'the next cycle, loaded early, before it takes effect',
      '2026-10-29T02:59:59Z',
      { next: { effectiveOn: '2026-10-29' } },
      ['database-not-yet'],
    ],
    ['from its first moment on', '2026-10-29T03:00:00Z', { next: { effectiveOn: '2026-10-29' } }, []],
    [
      'the one before it still current',
      '2026-10-28T16:00:00Z',
      { next: { effectiveOn: '2026-10-29' }, now: { effectiveOn: '2026-10-01' } },
      [],
    ],
    [
      'one cycle left out: the one before it has run out',
      '2026-10-28T16:00:00Z',
      { next: { effectiveOn: '2026-10-29' }, old: { effectiveOn: '2026-09-03' } },
      ['database-not-yet'],
    ],
    [
      'one cycle left out: while the one before it runs',
      '2026-09-30T16:00:00Z',
      { next: { effectiveOn: '2026-10-29' }, old: { effectiveOn: '2026-09-03' } },
      [],
    ],
    [
      'a last day that lies further than a cycle does not count',
      '2026-11-26T16:00:00Z',
      { now: { effectiveOn: '2026-10-29', lastDay: '2027-11-25' } },
      ['database-expires'],
    ],
    [
      'a last day before the cycle’s end does',
      '2026-11-20T16:00:00Z',
      { now: { effectiveOn: '2026-10-29', lastDay: '2026-11-19' } },
      ['database-expires'],
    ],
  ] as const)('%s', (_, asOf, databases, expected) => {
    expect(ask(asOf, databases)).toEqual(expected);
  });
});
