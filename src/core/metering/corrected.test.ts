import { describe, expect, it } from 'vitest';
import { addSeconds, instant } from '../time/instant';
import { asCorrected, billedNow, type RecordedReading } from './corrected';

const LEFT = instant('2026-11-24T13:00:00Z');
const BACK = addSeconds(LEFT, 5400);
const H = 3600;

const row = (more: Partial<RecordedReading>): RecordedReading => ({
  dialId: 'block',
  meter: 'block',
  value: 1000 * H,
  entered: '1000.0',
  happenedAt: LEFT,
  recordedAt: LEFT,
  struck: false,
  ...more,
});
const written = [{ dial: 'block', shown: '1000.0', values: [{ meter: 'block' as const, value: 1000 * H }] }];
const corrected = row({ value: 1000.4 * H, entered: '1000.4', recordedAt: BACK });

describe('the readings of a flight as they count now', () => {
  it.each([
    ['nobody corrected it', [row({})], '1000.0', [1000 * H], null],
    ['corrected', [row({ struck: true }), corrected], '1000.4', [1000.4 * H], '1000.0'],
    ['corrected, in the other order', [corrected, row({ struck: true })], '1000.4', [1000.4 * H], '1000.0'],
    ['struck out with nothing in its place', [row({ struck: true })], '', [], '1000.0'],
    ['another moment was corrected', [row({ happenedAt: BACK, struck: true })], '1000.0', [1000 * H], null],
    ['another dial was corrected', [row({ dialId: 'tach', struck: true })], '1000.0', [1000 * H], null],
    ['another meter of the dial', [row({ meter: 'landings', struck: true })], '', [1000 * H], '1000.0'],
    ['nothing is on record of it', [], '1000.0', [1000 * H], null],
  ])('%s', (_, recorded, shown, values, before) => {
    const [now] = asCorrected(written, LEFT, recorded);
    expect([now?.shown, now?.values.map(({ value }) => value), now?.written]).toEqual([
      shown,
      values,
      before,
    ]);
  });
  it('of two that stand the one recorded later counts', () => {
    const later = row({ value: 1000.6 * H, entered: '1000.6', recordedAt: addSeconds(BACK, 60) });
    expect(asCorrected(written, LEFT, [later, row({ struck: true }), corrected])[0]?.shown).toBe('1000.6');
  });
});

describe('what a flight is billed as it counts now', () => {
  const reading = (name: string, hours: number, wasWritten: string | null = null) => ({
    dial: name,
    name,
    shown: String(hours),
    values: [{ meter: 'block' as const, value: hours * H }],
    written: wasWritten,
  });
  const nothing = { ...reading('Block meter', 0, '101.0'), values: [] };
  it.each<
    [
      about: string,
      out: ReturnType<typeof reading>,
      back: ReturnType<typeof reading>,
      by: string | null,
      billed: number | null,
    ]
  >([
    ['as written', reading('Block meter', 100), reading('Block meter', 101), 'Block meter', 0.9 * H],
    [
      'its return corrected',
      reading('Block meter', 100),
      reading('Block meter', 101.2, '102.1'),
      'Block meter',
      1.2 * H,
    ],
    [
      'its start corrected',
      reading('Block meter', 100.3, '100.0'),
      reading('Block meter', 101),
      'Block meter',
      0.7 * H,
    ],
    [
      'billed by the clock',
      reading('Block meter', 100),
      reading('Block meter', 101.2, '102.1'),
      'clock',
      0.9 * H,
    ],
    [
      'billed by another dial',
      reading('Block meter', 100),
      reading('Block meter', 101.2, '102.1'),
      'Tach',
      0.9 * H,
    ],
    ['billed by nothing', reading('Block meter', 100), reading('Block meter', 101.2, '102.1'), null, 0.9 * H],
    [
      'it ran backwards now',
      reading('Block meter', 102, '100.0'),
      reading('Block meter', 101),
      'Block meter',
      null,
    ],
    [
      'it did not run now',
      reading('Block meter', 101, '100.0'),
      reading('Block meter', 101),
      'Block meter',
      0,
    ],
    ['struck out with nothing in its place', reading('Block meter', 100), nothing, 'Block meter', null],
    ['struck out as it left', nothing, reading('Block meter', 101), 'Block meter', null],
  ])('%s', (_, out, back, by, billed) => {
    const now = billedNow([out], [back], by, 0.9 * H);
    expect(now === null ? null : Math.round(now)).toBe(billed === null ? null : Math.round(billed));
  });
});
