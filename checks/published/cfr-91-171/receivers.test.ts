import { describe, expect, it } from 'vitest';
import { decideBy } from '@/testing/clean-case';
import { source } from './source';

const ask = (happenedAt: string, asOf: string, method = 'dual', errorDegrees = 4, change: object = {}) =>
  decideBy(['vor-check', 'approved-uses'], {
    asOf,
    aircraft: { approvedFor: 'all', ifrNavigation: 'vor-only' },
    vorChecks: {
      c: {
        happenedAt,
        recordedAt: happenedAt,
        method,
        errorDegrees,
        place: 'Tern Bay',
        signedBy: 'Rosa Dane',
        ...change,
      },
    },
  });
const open = (...args: Parameters<typeof ask>) => ask(...args).window.panes['day-ifr'] === 'open';

describe(source.section, () => {
  it.each([
    ['2025-01-31', '2025-03-02', true],
    ['2025-01-31', '2025-03-03', false],
    ['2024-01-31', '2024-03-01', true],
    ['2024-01-31', '2024-03-02', false],
  ] as const)('done %s, asked on %s: good %s', (done, asked, good) => {
    expect(open(`${done}T18:00:00Z`, `${asked}T18:00:00Z`)).toBe(good);
  });
  it.each([
    ['test-signal', 4, true],
    ['test-signal', 4.1, false],
    ['ground-point', 4, true],
    ['ground-point', 5, false],
    ['airborne-point', 6, true],
    ['airborne-point', 6.1, false],
    ['airway', 6, true],
    ['airway', 7, false],
    // 358 and 002 are 4 apart, 131 and 126 are 5 apart.
    ['dual', 4, true],
    ['dual', 5, false],
  ] as const)('%s off by %s: good %s', (method, error, good) => {
    expect(open('2025-01-31T18:00:00Z', '2025-02-01T18:00:00Z', method, error)).toBe(good);
  });
  it.each(['place', 'signedBy', 'errorDegrees', 'method'])('an entry without %s does not count', (field) => {
    expect(open('2025-01-31T18:00:00Z', '2025-02-01T18:00:00Z', 'dual', 2, { [field]: undefined })).toBe(
      false,
    );
  });
  it('leaves visual flight alone', () => {
    expect(ask('2025-01-31T18:00:00Z', '2025-06-01T18:00:00Z').window.panes['day-vfr']).toBe('open');
  });
});
