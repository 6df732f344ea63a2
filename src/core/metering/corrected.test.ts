import { describe, expect, it } from 'vitest';
import { addSeconds, instant } from '../time/instant';
import { asCorrected, type RecordedReading } from './corrected';

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
