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
  /** Reads the block meter with hours that nobody wrote down before, and answers that reading. */
  const found = (aircraft: Aircraft, shown: string) => {
    aircraft.now = addSeconds(aircraft.now, 600);
    const panel = aircraft.panel(shown, [`gap/block/${shown}`]);
    if (!('gaps' in panel)) throw new Error('was asked');
    aircraft.write(panel.readings);
    aircraft.now = addSeconds(aircraft.now, 600);
    return panel.readings.find(({ dialId }) => dialId === 'block')?.id ?? '';
  };
  it('that puts down hours that nobody wrote down takes them back from the meters that went on with it', () => {
    const aircraft = new Aircraft();
    const reading = found(aircraft, '102.00');
    expect(all(aircraft)).toEqual([102, 1002, 4152]);
    const { correction } = aircraft.correct(reading, '100.50', null);
    expect(all(aircraft)).toEqual([100.5, 1000.5, 4150.5]);
    expect(correction.stretch).toBeNull();
    // What nobody read went on beside it, and still says so.
    expect(correction.readings.map(({ meter, basis, entered }) => [meter, basis, entered])).toEqual([
      ['block', 'read', '100.50'],
      ['time-in-service', 'ran-on', null],
      ['engine', 'ran-on', null],
    ]);
  });
  it('takes nothing back from a meter that has gone on since', () => {
    const aircraft = new Aircraft();
    const reading = found(aircraft, '102.00');
    aircraft.fly('f', '102.0', '103.0', 0.8);
    const { correction } = aircraft.correct(reading, '101.00', null);
    expect(correction.strikes.map(({ record }) => record)).toEqual([reading]);
    expect(all(aircraft)).toEqual([103, 1003, 4152.8]);
  });
  it('that puts up what was read before a flight leaves the engine as it is: the flight was so much shorter', () => {
    const aircraft = new Aircraft();
    const reading = found(aircraft, '100.00');
    aircraft.fly('f', '100.0', '102.0', 1);
    expect(all(aircraft)).toEqual([102, 1002, 4151]);
    const { correction } = aircraft.correct(reading, '100.50', null);
    expect(correction.stretch).toMatchObject({ from: 100 * HOUR, to: 100.5 * HOUR, seconds: 0.5 * HOUR });
    // It left with less than that: which of the two is right is asked.
    expect([correction.after.block.state, ...all(aircraft).slice(1)]).toEqual([
      'contradiction',
      1002,
      4151.5,
    ]);
  });
  it('of the time in service takes fuel and oil with it that were filled in at it', () => {
    const aircraft = new Aircraft();
    const { backAt } = aircraft.fly('f', '100.0', '101.0', 0.8);
    const service = aircraft.rows.find(
      ({ meter, flightId }) => meter === 'time-in-service' && flightId === 'f',
    );
    if (service === undefined) throw new Error('nothing was written');
    const uplift = (id: string, change: object = {}) =>
      ({ id, happenedAt: backAt, recordedAt: backAt, timeInService: service.value, ...change }) as never;
    aircraft.uplifts = [
      uplift('with it'),
      uplift('of another moment', { happenedAt: addSeconds(backAt, -1) }),
      uplift('at another reading', { timeInService: 4149 * HOUR }),
      uplift('struck before'),
    ];
    aircraft.facts = {
      ...aircraft.facts,
      strikes: [{ id: 's', record: 'struck before', recordedAt: aircraft.now }],
    };
    const { correction } = aircraft.correct(service.id, '4151.00', { recordedAt: backAt });
    expect(correction.uplifts.map(({ timeInService, happenedAt }) => [timeInService, happenedAt])).toEqual([
      [4151 * HOUR, backAt],
    ]);
    expect(correction.strikes.filter(({ kind }) => kind === 'uplift').map(({ record }) => record)).toEqual([
      'with it',
    ]);
    // The block meter says nothing of them.
    const block = aircraft.rows.find(({ dialId, flightId }) => dialId === 'block' && flightId === 'f');
    expect(aircraft.correct(block?.id ?? '', '101.00', { recordedAt: backAt }).correction.uplifts).toEqual(
      [],
    );
  });
});
