import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hours, hoursFromSeconds } from '../quantities/hours';
import type { Dial } from '../records/meters/dial';
import { addSeconds } from '../time/instant';
import { factsWithPanel, readPanel } from './check-out';
import { readOnReturn } from './check-in';
import { Aircraft, HOUR, ids, BLOCK, START } from '@/testing/metered-aircraft';

describe('checking out', () => {
  it('with what the last flight ended at writes what the dial shows, and nothing else', () => {
    const aircraft = new Aircraft();
    const panel = aircraft.panel('100.0');
    expect(panel).toMatchObject({ gaps: [], stretches: [], wrapped: [] });
    expect('gaps' in panel && panel.readings.map(({ meter, basis }) => [meter, basis])).toEqual([
      ['block', 'read'],
    ]);
  });
  it('with more asks, and once it is said the hours are unlogged time with which the others go on', () => {
    const aircraft = new Aircraft();
    expect(aircraft.panel('100.4')).toMatchObject({ asks: [{ kind: 'gap', length: 0.4 * HOUR }] });
    const panel = aircraft.panel('100.4', ['gap/block/100.4']);
    if (!('gaps' in panel)) throw new Error('was asked again');
    expect(panel.stretches).toMatchObject([
      { dial: 'block', from: 100 * HOUR, to: 100.4 * HOUR, seconds: 0.4 * HOUR },
    ]);
    expect(panel.readings.map(({ meter, value, basis }) => [meter, value / HOUR, basis])).toEqual([
      ['block', 100.4, 'read'],
      ['time-in-service', 4150.4, 'ran-on'],
      ['engine', 1000.4, 'ran-on'],
    ]);
    aircraft.facts = factsWithPanel(aircraft.facts, panel, aircraft.now);
    expect([aircraft.stands('engine'), aircraft.facts.unlogged.length]).toEqual([1000.4, 1]);
  });
  it('a meter that started again from zero is another from then on, and what it ran meanwhile nobody wrote down', () => {
    const wraps: Dial = { ...BLOCK, wrapsAt: 1000 * HOUR };
    const aircraft = new Aircraft({ block: 999.5 });
    const read = (accepted: readonly string[]) =>
      readPanel(
        aircraft.newId,
        aircraft.meters,
        [wraps],
        { readings: [{ dial: 'block', shown: '0.3' }], accepted },
        null,
        START,
      );
    const asked = read([]);
    if (!('asks' in asked)) throw new Error('was not asked');
    const over = asked.asks.find(({ accept }) => accept === 'started-again-from-zero');
    const panel = read([over?.key ?? '']);
    if (!('gaps' in panel)) throw new Error(`was asked again: ${JSON.stringify(panel)}`);
    expect(panel.wrapped).toMatchObject([
      { replaces: 'block', counts: [{ meter: 'block', offset: 1000 * HOUR }] },
    ]);
    expect(panel.gaps.map(({ length }) => length / HOUR)).toEqual([0.8]);
    expect(panel.readings.map(({ meter, value }) => [meter, value / HOUR])).toEqual([
      ['block', 1000.3],
      ['time-in-service', 4150.8],
      ['engine', 1000.8],
    ]);
    expect(panel.stretches.map(({ seconds }) => (seconds ?? 0) / HOUR)).toEqual([0.8]);
  });
  it('says which dial stands below its offset, and writes nothing', () => {
    const low = { ...BLOCK, counts: [{ meter: 'engine' as const, offset: -2000 * HOUR }] };
    expect(
      readPanel(
        ids(),
        { ...new Aircraft().meters, engine: { state: 'unknown' } },
        [low],
        { readings: [{ dial: 'block', shown: '10.0' }], accepted: [] },
        null,
        START,
      ),
    ).toEqual({ belowOffset: low });
  });
});

describe('checking in', () => {
  it('has the engine go on by the dial that ran most, and the time in service by what the pilot says', () => {
    const aircraft = new Aircraft();
    aircraft.fly('f1', '100.0', '101.0', 0.8);
    expect([aircraft.stands('block'), aircraft.stands('engine'), aircraft.stands('time-in-service')]).toEqual(
      [101, 1001, 4150.8],
    );
  });
  it.each<[about: string, airborne: number | null, answer: 'missing' | 'longer-than-away']>([
    ['nobody says how long it was in the air', null, 'missing'],
    ['it was in the air for longer than it was away', 2 * HOUR, 'longer-than-away'],
  ])('where no meter shows the time in service and %s is asked', (_, airborne, answer) => {
    const aircraft = new Aircraft();
    expect(
      readOnReturn(
        ids(),
        aircraft.meters,
        [BLOCK],
        { id: 'f', leftAt: START, readings: [] },
        [],
        {
          readings: [{ dial: 'block', shown: '101.0' }],
          accepted: [],
          airborne: airborne === null ? null : hoursFromSeconds(airborne),
          landings: 1,
          towLaunches: null,
        },
        addSeconds(START, 1.2 * HOUR),
        addSeconds(START, 1.2 * HOUR),
      ),
    ).toEqual({ airborne: answer });
  });
  it('asks what does not add up, and writes nothing before it is answered', () => {
    const aircraft = new Aircraft();
    const read = (shown: string, accepted: readonly string[] = []) =>
      readOnReturn(
        aircraft.newId,
        aircraft.meters,
        [BLOCK],
        { id: 'f', leftAt: START, readings: [] },
        [],
        {
          readings: [{ dial: 'block', shown }],
          accepted,
          airborne: hours('0.5'),
          landings: 1,
          towLaunches: null,
        },
        addSeconds(START, HOUR),
        addSeconds(START, HOUR),
      );
    expect(Object.keys(read('109.0'))).toEqual(['asks', 'dials']);
    expect(Object.keys(read('99.0'))).toEqual(['asks', 'dials']);
    expect('billed' in read('101.0')).toBe(true);
  });
  it('a dial that shows the time in service says it itself: nobody is asked how long it was in the air', () => {
    const tach: Dial = {
      ...BLOCK,
      id: 'tach',
      name: 'Tach',
      counts: [{ meter: 'time-in-service', offset: 0 }],
    };
    const aircraft = new Aircraft({ 'tow-launches': 1 });
    const read = readOnReturn(
      aircraft.newId,
      aircraft.meters,
      [tach],
      { id: 'f', leftAt: START, readings: [] },
      [],
      {
        readings: [{ dial: 'tach', shown: '4150.9' }],
        accepted: [],
        airborne: null,
        landings: 2,
        towLaunches: 3,
      },
      addSeconds(START, HOUR),
      addSeconds(START, HOUR),
    );
    if (!('billed' in read)) throw new Error(`was asked: ${JSON.stringify(read)}`);
    expect([read.billed, read.timeInService]).toEqual([
      { seconds: hours('0.9'), by: { dial: 'Tach' } },
      hours('4150.9'),
    ]);
    expect(read.readings.map(({ meter, value, basis }) => [meter, value, basis])).toEqual([
      ['time-in-service', hours('4150.9'), 'read'],
      ['engine', hours('1000.9'), 'ran-on'],
      ['block', hours('100.9'), 'ran-on'],
      ['tow-launches', HOUR + 3, 'ran-on'],
    ]);
  });
  it('a dial that was never read before bills nothing', () => {
    const aircraft = new Aircraft();
    const read = readOnReturn(
      aircraft.newId,
      { ...aircraft.meters, block: { state: 'unknown' } },
      [BLOCK],
      { id: 'f', leftAt: START, readings: [] },
      [],
      {
        readings: [{ dial: 'block', shown: '50.0' }],
        accepted: [],
        airborne: hours('0.5'),
        landings: 1,
        towLaunches: null,
      },
      addSeconds(START, HOUR),
      addSeconds(START, HOUR),
    );
    expect('billed' in read && read.billed).toBeNull();
  });
  it('bills by the dial that bills, by the clock where none does', () => {
    const back = (dials: readonly Dial[]) => {
      const read = readOnReturn(
        ids(),
        new Aircraft().meters,
        dials,
        { id: 'f', leftAt: START, readings: [] },
        [],
        {
          readings: [{ dial: 'block', shown: '101.0' }],
          accepted: [],
          airborne: hours('0.8'),
          landings: 1,
          towLaunches: null,
        },
        addSeconds(START, 1.2 * HOUR),
        addSeconds(START, 1.2 * HOUR),
      );
      return 'billed' in read ? read.billed : read;
    };
    expect(back([BLOCK])).toEqual({ seconds: HOUR, by: { dial: 'Block meter' } });
    expect(back([{ ...BLOCK, bills: false }])).toEqual({ seconds: 1.2 * HOUR, by: 'clock' });
    expect(back([])).toEqual({ seconds: 1.2 * HOUR, by: 'clock' });
  });
  it('never takes an hour away, whatever was flown (property)', () => {
    const tenth = fc.integer({ min: 1, max: 40 });
    fc.assert(
      fc.property(fc.array(fc.tuple(tenth, tenth), { minLength: 1, maxLength: 6 }), (flights) => {
        const aircraft = new Aircraft();
        let shown = 1000;
        for (const [at, [ran, air]] of flights.entries()) {
          const before = (['block', 'engine', 'time-in-service'] as const).map(
            (meter) => aircraft.stands(meter) ?? 0,
          );
          aircraft.fly(
            `f${at}`,
            (shown / 10).toFixed(1),
            ((shown + ran) / 10).toFixed(1),
            Math.min(air, ran) / 10,
          );
          shown += ran;
          const after = (['block', 'engine', 'time-in-service'] as const).map(
            (meter) => aircraft.stands(meter) ?? 0,
          );
          expect(after.every((value, one) => value > (before[one] ?? 0))).toBe(true);
        }
        expect(aircraft.stands('block')).toBeCloseTo(shown / 10, 6);
        expect(aircraft.stands('engine')).toBeCloseTo(1000 + (shown - 1000) / 10, 6);
      }),
      { numRuns: 60 },
    );
  });
});
