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
