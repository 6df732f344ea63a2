import { describe, expect, it } from 'vitest';
import { hours } from '../core/quantities/hours';
import { civilDate } from '../core/time/civil-date';
import { instant } from '../core/time/instant';
import { clockText, hoursLeftText, hoursOverText, momentText, readingText, timeLeftText } from './formats';
import { dateText, list, sentenceCase } from './wording';
import { ACT_NAMES, entitledText, sourceText } from './remedies';
import { CERTIFICATE_NAMES, FAULT_NAMES } from './names';
import { tellReason, TOLD_CODES } from './reasons';
import { HALIFAX, REASONS } from '@/testing/reasons';

const DAY = civilDate('2026-03-31');

describe('reasons in words', () => {
  it('every code has words, and there is one example of each here', () => {
    expect([...TOLD_CODES].sort()).toEqual(Object.keys(REASONS).sort());
    expect(TOLD_CODES.length).toBeGreaterThan(100);
  });
  it.each(Object.values(REASONS))('$code is told in whole sentences, without codes', (reason) => {
    for (const tense of ['in-force', 'ahead', 'unsure'] as const) {
      const { headline, meaning } = tellReason(reason, tense);
      for (const sentence of [headline, meaning]) {
        expect(sentence).toMatch(/^[A-Z0-9“].*[.”]$/);
        expect(sentence).not.toMatch(
          /undefined|null|\[object|NaN|\b[a-z]+-[a-z]+-[a-z]+\b(?<!weight-and-balance)/,
        );
      }
    }
  });
  it('says what lies ahead as ahead, what is past as past, and what nobody knows as not known', () => {
    const tell = (tense: 'in-force' | 'ahead' | 'unsure') =>
      tellReason(REASONS['hundred-hour-due'], tense).headline;
    expect([tell('ahead'), tell('in-force'), tell('unsure')]).toEqual([
      '100-hour inspection due at 1100.0 h.',
      '100-hour inspection overdue since 1100.0 h.',
      '100-hour inspection due at 1100.0 h; whether that has come is not known.',
    ]);
  });
  it('a find that has a colon of its own gets no second', () => {
    const tell = (what: string) => tellReason({ ...REASONS['item-not-deferred'], what }, 'in-force').headline;
    expect([tell('Pitot heat: cold.'), tell('landing light dark')]).toEqual([
      'Pitot heat: cold; inoperative and not yet deferred.',
      'Landing light dark: inoperative and not yet deferred.',
    ]);
  });
  it('names the arithmetic: the excess that was taken off, and the entry that did not count', () => {
    expect(tellReason(REASONS['hundred-hour-due'], 'ahead').meaning).toContain(
      '6.5 h late, which is taken off',
    );
    expect(tellReason(REASONS['annual-expires'], 'ahead').meaning).toContain(
      'does not count: the entry lacks the total time in service (43.11(a))',
    );
  });
});

describe('formats', () => {
  it.each([
    [dateText(DAY), '31 Mar 2026'],
    [momentText(instant('2026-11-24T13:42:59Z'), HALIFAX), '24 Nov 2026 09:42'],
    [clockText(instant('2026-11-24T13:42:59Z'), HALIFAX), '09:42'],
    [readingText(hours('1100')), '1100.0 h'],
    [readingText(hours('1100.05')), '1100.05 h'],
    [hoursLeftText(hours('1.69')), '1.6 h'],
    [hoursOverText(hours('0.41')), '0.5 h'],
    [timeLeftText(59 * 60_000), '59 min'],
    [timeLeftText(47 * 3_600_000), '47 h'],
    [timeLeftText(48 * 3_600_000), '2 days'],
    [timeLeftText(731 * 86_400_000), '731 days'],
    [timeLeftText(1100 * 86_400_000), '3 years'],
    [list([]), ''],
    [list(['a']), 'a'],
    [list(['a', 'b']), 'a and b'],
    [list(['a', 'b', 'c'], 'or'), 'a, b or c'],
    [sentenceCase('left wing'), 'Left wing'],
  ])('%s', (ours, expected) => {
    expect(ours).toBe(expected);
  });
});

describe('names', () => {
  it('are there for every act, certificate and fault', () => {
    for (const names of [ACT_NAMES, CERTIFICATE_NAMES, FAULT_NAMES])
      for (const name of Object.values(names)) expect(name).not.toBe('');
    expect(entitledText({ kind: 'certificate', anyOf: ['pilot', 'flight-instructor'] })).toBe(
      'pilot or flight instructor',
    );
    expect([
      entitledText({ kind: 'owner' }),
      entitledText({ kind: 'anybody-at-the-aircraft' }),
      entitledText({ kind: 'record-keeper' }),
    ]).toEqual(['the owner', 'anybody at the aircraft', 'a record keeper']);
    expect([
      sourceText({ kind: 'club-policy' }),
      sourceText({ kind: 'common-practice' }),
      sourceText({ kind: 'regulation', citation: '14 CFR 91.7' }),
    ]).toEqual(['club policy', 'common practice', '14 CFR 91.7']);
  });
});
