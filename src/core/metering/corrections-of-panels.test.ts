import { describe, expect, it } from 'vitest';
import type { Dial } from '../records/meters/dial';
import type { UnloggedRecord } from '../records/meters/unlogged';
import { addSeconds, type Instant } from '../time/instant';
import { factsWithPanel, readPanel } from './check-out';
import type { NewReading, NewStretch } from './changes';
import { meterReading } from './reading';
import { Aircraft, BLOCK, HOUR, START } from '@/testing/metered-aircraft';

/** Shows engine hours, and the propeller's, which was new when the engine had run 800 h. */
const TACH: Dial = {
  ...BLOCK,
  id: 'tach',
  name: 'Tach',
  bills: false,
  counts: [
    { meter: 'engine', offset: 0 },
    { meter: 'propeller', offset: -800 * HOUR },
  ],
};

/** An aircraft with a tach and a block meter in its panel; nothing shows its time in service or its landings. */
class Panelled extends Aircraft {
  constructor() {
    super({ propeller: 200, landings: 1 });
    this.dials = [TACH, BLOCK];
    this.look('1000.0', '100.0');
  }

  /** Reads both, with whatever nobody wrote down. @param remember whether hours that turned up are kept as unlogged time */
  look(tach: string, block: string, remember = true): Readonly<Record<'tach' | 'block', string>> {
    this.now = addSeconds(this.now, 600);
    const panel = readPanel(
      this.newId,
      this.meters,
      this.dials,
      {
        readings: [
          { dial: 'tach', shown: tach },
          { dial: 'block', shown: block },
        ],
        accepted: [`gap/tach/${tach}`, `gap/block/${block}`],
      },
      null,
      this.now,
    );
    if (!('gaps' in panel)) throw new Error(`was asked: ${JSON.stringify(panel)}`);
    if (remember) {
      this.facts = factsWithPanel(this.facts, { readings: [], stretches: panel.stretches }, this.now);
      this.stretches.push(...panel.stretches.map(kept));
    }
    this.write(panel.readings);
    this.now = addSeconds(this.now, 600);
    const of = (meter: string) => panel.readings.find((reading) => reading.meter === meter)?.id ?? '';
    return { tach: of('engine'), block: of('block') };
  }

  get all(): readonly (number | null)[] {
    return [
      this.stands('engine'),
      this.stands('propeller'),
      this.stands('block'),
      this.stands('time-in-service'),
    ];
  }
}
const kept = ({ id, seenAt, dial, from, to, seconds, unseen, readings }: NewStretch): UnloggedRecord => ({
  id,
  seenAt,
  dial,
  name: dial,
  from: `${(from / HOUR).toFixed(2)} h`,
  to: `${(to / HOUR).toFixed(2)} h`,
  length: `${((to - from) / HOUR).toFixed(2)} h`,
  seconds,
  unseen,
  readings,
  lastFlight: null,
  lastBy: null,
  seenBy: 'M. Holt',
});

describe('a correction of one of several meters', () => {
  it('takes with it every meter that it counts towards, and none of another', () => {
    const aircraft = new Panelled();
    const { tach } = aircraft.look('1000.4', '100.0', false);
    expect(aircraft.all).toEqual([1000.4, 200.4, 100, 4150.4]);
    const { correction } = aircraft.correct(tach, '1000.60', null);
    expect(aircraft.all).toEqual([1000.6, 200.6, 100, 4150.6]);
    expect(
      correction.readings.map(({ meter, basis, entered, dialId }) => [meter, basis, entered, dialId]),
    ).toEqual([
      ['engine', 'read', '1000.60', 'tach'],
      ['propeller', 'read', '1000.60', 'tach'],
      ['time-in-service', 'ran-on', '4150.60', null],
    ]);
    // The strike that somebody signs is that of the reading itself.
    expect(correction.strikes.map(({ id, kind }) => [id === correction.strikes[0]?.id, kind])).toEqual([
      [true, 'reading'],
      [false, 'reading'],
    ]);
    expect(correction.strikes[0]?.record).toBe(tach);
  });
  it('moves what no meter shows only as far as the meter that ran most', () => {
    const aircraft = new Panelled();
    const { tach } = aircraft.look('1000.4', '100.9', false);
    expect(aircraft.all).toEqual([1000.4, 200.4, 100.9, 4150.9]);
    const less = aircraft.correct(tach, '1000.20', null);
    expect(aircraft.all).toEqual([1000.2, 200.2, 100.9, 4150.9]);
    const more = aircraft.correct(less.readingId, '1001.50', null);
    expect(aircraft.all).toEqual([1001.5, 201.5, 100.9, 4151.5]);
    expect(more.correction.stretch).toMatchObject({
      dial: 'tach',
      of: { name: 'Tach', unit: 'h' },
      from: 1000 * HOUR,
      to: 1001.5 * HOUR,
      length: 1.5 * HOUR,
      unseen: ['landings', 'cycles', 'tow-launches'],
    });
    expect(more.correction.stretch?.readings).toEqual(
      more.correction.readings.filter(({ basis }) => basis === 'ran-on').map(({ id }) => id),
    );
  });
  it('measures unlogged time again that was seen on it, instead of telling of more', () => {
    const aircraft = new Panelled();
    const { tach } = aircraft.look('1000.4', '100.0');
    const [stretch] = aircraft.stretches;
    aircraft.attributions = [
      { unlogged: stretch?.id ?? '', to: 'R. Dane', note: null, landings: 2, recordedAt: aircraft.now },
    ];
    const { correction } = aircraft.correct(tach, '1000.70', null);
    expect(correction.stretch).toBeNull();
    expect(
      correction.remeasured.map(({ before, from, to, seconds }) => [before.id, from, to, seconds]),
    ).toEqual([[stretch?.id, 1000 * HOUR, 1000.7 * HOUR, 0.7 * HOUR]]);
    // What was said of it goes over.
    expect(correction.attributions.map(({ unlogged, landings }) => [unlogged, landings])).toEqual([
      [correction.remeasured[0]?.id, 2],
    ]);
    expect(aircraft.all).toEqual([1000.7, 200.7, 100, 4150.7]);
  });
  it('tells of no more where another meter already showed flying of that moment that is as long', () => {
    const told = (block: string) => {
      const aircraft = new Panelled();
      const { tach } = aircraft.look('1000.0', block);
      return aircraft.correct(tach, '1000.50', null).correction.stretch;
    };
    expect(told('100.5')).toBeNull();
    expect(told('100.9')).toBeNull();
    expect(told('100.4')).toMatchObject({ dial: 'tach', seconds: 0.5 * HOUR });
  });
  it('of what was read at another moment changes nothing of this one', () => {
    const aircraft = new Panelled();
    aircraft.look('1000.4', '100.0', false);
    const second = aircraft.look('1001.0', '100.0', false);
    const { correction } = aircraft.correct(second.tach, '1001.20', null);
    expect(correction.strikes.map(({ record }) => record)).toContain(second.tach);
    expect(correction.strikes).toHaveLength(2);
    expect(aircraft.all).toEqual([1001.2, 201.2, 100, 4151.2]);
  });
  it('can put a meter to zero, which is no less than nothing', () => {
    const aircraft = new Aircraft({ block: 0.5 });
    const reading = aircraft.rows.find(({ meter }) => meter === 'block');
    aircraft.correct(reading?.id ?? '', '0.00', null);
    expect(aircraft.stands('block')).toBe(0);
  });
});

describe('a correction of a return', () => {
  it('has meters without a dial follow it down where a meter shows the time in service itself', () => {
    const aircraft = new Aircraft();
    const service: Dial = { ...BLOCK, counts: [{ meter: 'time-in-service', offset: 4050 * HOUR }] };
    aircraft.dials = [service];
    const [backAt, leftAt] = [addSeconds(START, 7200), addSeconds(START, 3600)];
    const reading = (
      id: string,
      meter: 'engine' | 'time-in-service',
      value: number,
      at: Instant,
    ): NewReading => ({
      ...meterReading(id, meter, value * HOUR, at, at),
      entered: null,
      basis: meter === 'engine' ? 'ran-on' : 'read',
      dialId: meter === 'engine' ? null : 'block',
      flightId: 'f',
    });
    aircraft.write([
      reading('out', 'time-in-service', 4150, leftAt),
      reading('in', 'time-in-service', 4151, backAt),
      reading('engine', 'engine', 1001, backAt),
    ]);
    aircraft.now = addSeconds(backAt, 600);
    const { correction } = aircraft.correct('in', '4150.60', { recordedAt: backAt });
    expect([aircraft.stands('time-in-service'), aircraft.stands('engine')]).toEqual([4150.6, 1000.6]);
    expect(correction.strikes.map(({ record }) => record)).toEqual(['in', 'engine']);
  });
  it('carries on a meter that nothing shows only where something was calculated from it since, and nothing hangs there now', () => {
    const carried = (later: 'none' | 'without a dial' | 'in the panel' | 'in the panel and without one') => {
      const aircraft = new Aircraft();
      aircraft.fly('f1', '100.0', '101.0', 0.8);
      const engine = aircraft.rows.find(({ meter, flightId }) => meter === 'engine' && flightId === 'f1');
      const at = addSeconds(aircraft.now, 60);
      const more = (id: string, dialId: string | null): NewReading => ({
        ...meterReading(id, 'engine', 1002 * HOUR, at, at),
        entered: null,
        basis: 'read',
        dialId,
        flightId: null,
      });
      if (later !== 'none') {
        if (later !== 'in the panel') aircraft.write([more('free', null)]);
        if (later !== 'without a dial') aircraft.write([more('shown', 'tach')]);
      }
      aircraft.now = addSeconds(at, 60);
      const { correction } = aircraft.correct(engine?.id ?? '', '1001.50', { recordedAt: START });
      return correction.readings
        .filter(({ basis }) => basis === 'calculated')
        .map(({ value, happenedAt }) => [value / HOUR, happenedAt === at]);
    };
    expect([
      carried('none'),
      carried('without a dial'),
      carried('in the panel'),
      carried('in the panel and without one'),
    ]).toEqual([[], [[1002.5, true]], [], []]);
  });
});
