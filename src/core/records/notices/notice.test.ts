import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addSeconds, instant, instantText, type Instant } from '../../time/instant';
import { wallClock, zone } from '../../time/zone';
import {
  findingNotices,
  flightNotices,
  GATHERED_S,
  mailAt,
  pushAt,
  USUAL_SETTINGS,
  type NoticeSettings,
} from './notice';

const ZONE = zone('America/New_York');
const NOON = instant('2026-11-24T17:00:00Z');
const flight = (isAvailable: boolean, starts = addSeconds(NOON, 7200)) => ({
  flightId: 'f',
  personId: 'p',
  starts,
  isAvailable,
});
const kinds = (isAvailable: boolean, told: number) =>
  flightNotices([flight(isAvailable)], new Map([['f', told]]), NOON).map(({ kind, key }) => [kind, key]);

describe('what is told of a flight', () => {
  it('is each turn once: not available, available again, not available', () => {
    expect(kinds(true, 0)).toEqual([]);
    expect(kinds(false, 0)).toEqual([['flight-not-available', 'flight/f/1']]);
    expect(kinds(false, 1)).toEqual([]);
    expect(kinds(true, 1)).toEqual([['flight-available', 'flight/f/2']]);
    expect(kinds(true, 2)).toEqual([]);
    expect(kinds(false, 2)).toEqual([['flight-not-available', 'flight/f/3']]);
  });
  it('ends when it starts', () => {
    expect(flightNotices([flight(false, NOON)], new Map(), NOON)).toEqual([]);
  });
});

describe('what is told of a finding', () => {
  const finding = { findingId: 'd', personId: 'p', byPersonId: 'm' } as const;
  it.each(['decided', 'grounded', 'watched', 'deferred', 'same-as-another', 'closed'] as const)(
    'is that it is %s, to who reported it',
    (state) => {
      expect(findingNotices([{ ...finding, state }])).toMatchObject([
        { personId: 'p', key: `finding/d/${state}` },
      ]);
    },
  );
  it.each(['reported', 'entry-not-valid'] as const)('is not that it is %s', (state) => {
    expect(findingNotices([{ ...finding, state }])).toEqual([]);
  });
  it('is not what the reporter did', () => {
    expect(findingNotices([{ ...finding, state: 'closed', byPersonId: 'p' }])).toEqual([]);
  });
});

describe('when a mail is sent', () => {
  const at = (recordedAt: string, settings: Partial<NoticeSettings> = {}, useUntil: string | null = null) => {
    const sent = mailAt(
      [{ recordedAt: instant(recordedAt), useUntil: useUntil === null ? null : instant(useUntil) }],
      { ...USUAL_SETTINGS, ...settings },
      ZONE,
    );
    return sent === null ? null : new Date(sent).toISOString().slice(0, 16);
  };
  it.each([
    ['by day soon', '2026-11-24T17:00:00Z', {}, '2026-11-24T17:01'],
    ['at ten in the evening when the quiet hours end', '2026-11-25T03:00:00Z', {}, '2026-11-25T11:00'],
    ['at midnight too', '2026-11-25T05:00:00Z', {}, '2026-11-25T11:00'],
    ['at six soon', '2026-11-25T11:00:00Z', {}, '2026-11-25T11:01'],
    ['without quiet hours soon', '2026-11-25T05:00:00Z', { quiet: null }, '2026-11-25T05:01'],
    ['as a digest at its time', '2026-11-24T17:00:00Z', { digestAt: '18:00' }, '2026-11-24T23:00'],
    ['as a digest of the next day', '2026-11-24T23:30:00Z', { digestAt: '18:00' }, '2026-11-25T23:00'],
    [
      'as a digest in quiet hours at their end',
      '2026-11-24T17:00:00Z',
      { digestAt: '23:00' },
      '2026-11-25T11:00',
    ],
    ['a minute before the quiet hours at their end', '2026-11-25T02:59:00Z', {}, '2026-11-25T11:00'],
    ['two minutes before them at once', '2026-11-25T02:58:00Z', {}, '2026-11-25T02:59'],
    ['not to who wants none', '2026-11-24T17:00:00Z', { mail: false }, null],
  ] as const)('%s', (_, recordedAt, settings, sent) => {
    expect(at(recordedAt, settings)).toBe(sent);
  });
  it('at once where it would be of no use later', () => {
    expect(at('2026-11-25T03:30:00Z', {}, '2026-11-25T10:00:00Z')).toBe('2026-11-25T03:31');
    expect(at('2026-11-25T03:30:00Z', {}, '2026-11-25T15:00:00Z')).toBe('2026-11-25T11:00');
  });
  it('not at all for nothing', () => {
    expect(mailAt([], USUAL_SETTINGS, ZONE)).toBeNull();
  });
  it('never in quiet hours, nor before it was written, however they lie', () => {
    const clock = fc
      .tuple(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 0, max: 59 }))
      .map(([hour, minute]) => `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 366 * 24 * 60 }), clock, clock, (minutes, from, until) => {
        const recordedAt = addSeconds(instant('2026-01-01T00:00:00Z'), minutes * 60);
        const sent = mailAt(
          [{ recordedAt, useUntil: null }],
          { mail: true, quiet: { from, until }, digestAt: null },
          ZONE,
        );
        expect(sent).toBeGreaterThanOrEqual(addSeconds(recordedAt, GATHERED_S) as number);
        const { hour, minute } = wallClock(sent as Instant, ZONE);
        const shown = `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
        const isQuiet =
          from < until ? shown >= from && shown < until : from > until && (shown >= from || shown < until);
        // On the night on which the clock goes forward the hours that it leaves out are nobody's.
        if (!['02', '03'].some((one) => from.startsWith(one) || until.startsWith(one)))
          expect(isQuiet).toBe(false);
      }),
    );
  });
});

describe('a device is told', () => {
  const quiet = { mail: false, quiet: { from: '22:00', until: '06:00' }, digestAt: '18:00' };
  // 2026-01-10: the field’s clock is five hours behind.
  it.each([
    ['at once by day, whatever the mail waits for', '2026-01-10T15:00:00Z', null, '2026-01-10T15:00:00Z'],
    ['after the quiet hours', '2026-01-11T04:00:00Z', null, '2026-01-11T11:00:00Z'],
    [
      'in quiet hours of a flight that starts in them',
      '2026-01-11T04:00:00Z',
      '2026-01-11T10:00:00Z',
      '2026-01-11T04:00:00Z',
    ],
    [
      'in quiet hours of a flight that starts as they end',
      '2026-01-11T04:00:00Z',
      '2026-01-11T11:00:00Z',
      '2026-01-11T04:00:00Z',
    ],
    [
      'after them of a flight that starts later',
      '2026-01-11T04:00:00Z',
      '2026-01-11T11:01:00Z',
      '2026-01-11T11:00:00Z',
    ],
    ['as the quiet hours begin: after them', '2026-01-11T03:00:00Z', null, '2026-01-11T11:00:00Z'],
    ['as they end: at once', '2026-01-11T11:00:00Z', null, '2026-01-11T11:00:00Z'],
  ])('%s', (_, recordedAt, useUntil, at) => {
    const told = { recordedAt: instant(recordedAt), useUntil: useUntil === null ? null : instant(useUntil) };
    expect(instantText(pushAt(told, quiet, ZONE))).toBe(at);
  });
  it('at any hour where none is quiet', () => {
    const at = instant('2026-01-11T04:00:00Z');
    expect(pushAt({ recordedAt: at, useUntil: null }, { ...quiet, quiet: null }, ZONE)).toBe(at);
  });
});
