import { LocalDate } from '@js-joda/core';
import { describe, expect, it } from 'vitest';
import { addDays, civilDate } from '@/core/time/civil-date';
import { decideBy } from '@/testing/clean-case';
import { source } from './source';

const YEAR_2026 = ['2026-01-22', '2026-02-19', '2026-03-19', '2026-04-16', '2026-05-14', '2026-06-11', '2026-07-09', '2026-08-06', '2026-09-03', '2026-10-01', '2026-10-29', '2026-11-26', '2026-12-24'];

describe(source.section, () => {
  it('every 28 days through 2026, as another library counts too', () => {
    for (const [at, day] of YEAR_2026.entries()) {
      expect(addDays(civilDate('2026-01-22'), at * 28)).toBe(day);
      expect(LocalDate.parse('2026-01-22').plusDays(at * 28).toString()).toBe(day);
    }
  });
  it.each([['2024-01-25', 13, '2025-01-23'], ['2025-01-23', 13, '2026-01-22'], ['1998-01-29', 339, '2024-01-25']] as const)('%s and %s cycles: %s', (from, cycles, to) => { expect(addDays(civilDate(from), cycles * 28)).toBe(to); });
  it.each([['2026-11-25', 'open'], ['2026-11-26', 'closed']] as const)('a database effective 2026-10-29 on %s: instrument flight %s', (day, state) => {
    const decision = decideBy(['navigation-database', 'approved-uses'], { asOf: `${day}T16:00:00Z`, aircraft: { approvedFor: 'all', ifrNavigation: 'satellite-only' }, databases: { d: { happenedAt: '2026-11-01T12:00:00Z', recordedAt: '2026-11-01T12:00:00Z', content: 'navigation', effectiveOn: '2026-10-29' } } });
    expect([decision.window.panes['day-ifr'], decision.window.panes['day-vfr']]).toEqual([state, 'open']);
  });
});
