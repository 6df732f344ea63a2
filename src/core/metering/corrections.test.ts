import { describe, expect, it } from 'vitest';
import { addSeconds } from '../time/instant';
import { correctReading } from './correct-reading';
import { Aircraft, HOUR, ids, START } from '@/testing/metered-aircraft';

describe('a correction', () => {
  const all = (aircraft: Aircraft) => [
    aircraft.stands('block'),
    aircraft.stands('engine'),
    aircraft.stands('time-in-service'),
  ];
  it.each([
    ['103.00', 1003],
    ['100.90', 1000.9],
    ['100.50', 1000.8],
    ['100.00', 1000.8],
  ])(
    'of a return to %s h: the engine ran as far as the meter, never less than was flown',
    (shown, engine) => {
      const aircraft = new Aircraft();
      const { backId, backAt } = aircraft.fly('f1', '100.0', '101.0', 0.8);
      const first = aircraft.correct(backId, shown, { recordedAt: backAt });
      expect(all(aircraft)).toEqual([Number(shown), engine, 4150.8]);
      // Corrected twice it is as if it had been right at once.
      aircraft.correct(first.readingId, '101.00', { recordedAt: backAt });
      expect(all(aircraft)).toEqual([101, 1001, 4150.8]);
    },
  );
  it('that puts up a reading of no return is unlogged time of so many hours', () => {
    const aircraft = new Aircraft();
    const [first] = aircraft.rows.filter(({ dialId }) => dialId === 'block');
    aircraft.now = addSeconds(START, 600);
    const panel = aircraft.panel('100.0');
    if (!('gaps' in panel)) throw new Error('was asked');
    aircraft.write(panel.readings);
    aircraft.now = addSeconds(START, 1200);
    const { correction } = aircraft.correct(panel.readings[0]?.id ?? '', '100.40', null);
    expect(correction.stretch).toMatchObject({ from: 100 * HOUR, to: 100.4 * HOUR, seconds: 0.4 * HOUR });
    expect(all(aircraft)).toEqual([100.4, 1000.4, 4150.4]);
    expect(correction.strikes.map(({ record }) => record)).not.toContain(first?.id);
  });
  it('of a meter that nothing shows is carried on to what was calculated from it since, and only upwards', () => {
    const aircraft = new Aircraft();
    aircraft.fly('f1', '100.0', '101.0', 0.8);
    const engine = aircraft.rows.find(({ meter, flightId }) => meter === 'engine' && flightId === 'f1');
    aircraft.fly('f2', '101.0', '102.0', 0.8);
    const { correction, readingId } = aircraft.correct(engine?.id ?? '', '1001.50', { recordedAt: START });
    expect(correction.readings.map(({ meter, basis }) => [meter, basis])).toEqual([
      ['engine', 'read'],
      ['engine', 'calculated'],
    ]);
    expect(all(aircraft)).toEqual([102, 1002.5, 4151.6]);
    aircraft.correct(readingId, '1001.00', { recordedAt: START });
    expect(aircraft.stands('engine')).toBe(1002.5);
  });
  it('says what stood before and what stands after, for the person who is asked whether it is meant', () => {
    const aircraft = new Aircraft();
    const { backId, backAt } = aircraft.fly('f1', '100.0', '101.0', 0.8);
    aircraft.fly('f2', '101.0', '102.0', 0.8);
    const { correction } = aircraft.correct(backId, '110.00', { recordedAt: backAt });
    expect([correction.before.block.state, correction.after.block.state]).toEqual(['known', 'contradiction']);
  });
  it('of what is not there is an error and never a guess', () => {
    const aircraft = new Aircraft();
    const [reading] = aircraft.rows;
    if (reading === undefined) throw new Error('no reading');
    expect(() =>
      correctReading(
        ids(),
        { ...aircraft.history, rows: [] },
        { reading, now: HOUR, entered: '1.0', strikeId: 's', why: 'x', back: null },
        START,
      ),
    ).toThrow('cannot be corrected');
    expect(() =>
      correctReading(
        ids(),
        aircraft.history,
        { reading, now: -1, entered: '1.0', strikeId: 's', why: 'x', back: null },
        START,
      ),
    ).toThrow('cannot be corrected');
  });
});
