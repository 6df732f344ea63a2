import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cleanCase } from '@/testing/clean-case';
import { hours, hoursFromSeconds } from '../quantities/hours';
import { knownAt, presentFor, type AircraftFacts } from '../records/facts';
import type { Dial } from '../records/meters/dial';
import type { Meter } from '../records/meters/meters';
import { addSeconds, instant, type Instant } from '../time/instant';
import type { NewReading, ReadingRow } from './changes';
import { factsWithPanel, readPanel } from './check-out';
import { readOnReturn } from './check-in';
import { correctReading, type Corrected, type MeterHistory } from './correct-reading';
import { ListBeside, type ListedFlight } from './import-flights';
import { meterReading } from './reading';
import { attributeUnlogged, strikesWithEntry, stretchOfEntry, type UnloggedHistory } from './unlogged';

const START = instant('2026-11-24T12:00:00Z');
const HOUR = 3600;
const BLOCK: Dial = {
  id: 'block',
  happenedAt: START,
  recordedAt: START,
  name: 'Block meter',
  unit: 'h',
  counts: [{ meter: 'block', offset: 0 }],
  bills: true,
  wrapsAt: null,
  replaces: null,
};

/** Ids in order, the same in every run. */
function ids(): () => string {
  let count = 0;
  return () => `id-${String((count += 1)).padStart(4, '0')}`;
}

const row = (reading: NewReading): ReadingRow => ({
  id: reading.id,
  meter: reading.meter,
  value: reading.value,
  entered: reading.entered ?? '',
  basis: reading.basis,
  dialId: reading.dialId,
  flightId: reading.flightId,
  happenedAt: reading.happenedAt,
  recordedAt: reading.recordedAt,
  struck: false,
});

/** An aircraft with a block meter in its panel, and engine hours and a time in service that nothing shows. It plans as the commands do and writes into memory. */
class Aircraft {
  readonly newId = ids();
  rows: ReadingRow[] = [];
  readonly stretches: UnloggedHistory['stretches'][number][] = [];
  facts: AircraftFacts;
  now: Instant = START;

  constructor() {
    this.facts = { ...cleanCase().facts, readings: [], strikes: [], unlogged: [], flightsOut: [] };
    const stands = { block: 100, engine: 1000, 'time-in-service': 4150 } as const;
    for (const [meter, value] of Object.entries(stands))
      this.write([
        {
          ...meterReading(this.newId(), meter as Meter, value * HOUR, START, START),
          entered: String(value),
          basis: 'read',
          dialId: meter === 'block' ? 'block' : null,
          flightId: null,
        },
      ]);
  }

  write(readings: readonly NewReading[]): void {
    this.rows.push(...readings.map(row));
    this.facts = { ...this.facts, readings: [...this.facts.readings, ...readings] };
  }

  get meters() {
    return knownAt(this.facts, presentFor(this.facts, this.now), 'us').accounted;
  }

  stands(meter: Meter): number | null {
    const standing = this.meters[meter];
    return standing.state === 'known' ? standing.value / HOUR : null;
  }

  panel(shown: string, accepted: readonly string[] = [], flightId: string | null = null) {
    return readPanel(
      this.newId,
      this.meters,
      [BLOCK],
      { readings: [{ dial: 'block', shown }], accepted },
      flightId,
      this.now,
    );
  }

  /** Flies with the block meter from one figure to another. @param airborne hours in the air as the pilot says */
  fly(
    id: string,
    out: string,
    back: string,
    airborne: number,
  ): { readonly backId: string; readonly backAt: Instant } {
    const panel = this.panel(out, [`gap/block/${out}`], id);
    if (!('gaps' in panel)) throw new Error('was asked about leaving');
    this.facts = factsWithPanel(this.facts, panel, this.now);
    this.rows.push(...panel.readings.map(row));
    const leftAt = this.now;
    this.now = addSeconds(this.now, (Number(back) - Number(out)) * HOUR + 600);
    const read = readOnReturn(
      this.newId,
      this.meters,
      [BLOCK],
      { id, leftAt, readings: panel.dials },
      [],
      {
        readings: [{ dial: 'block', shown: back }],
        accepted: [],
        airborne: hoursFromSeconds(Math.round(airborne * HOUR)),
        landings: 1,
        towLaunches: null,
      },
      this.now,
      this.now,
    );
    if (!('billed' in read)) throw new Error(`was asked about coming back: ${JSON.stringify(read)}`);
    this.write(read.readings);
    const backId = read.readings.find(({ dialId }) => dialId === 'block')?.id ?? '';
    const backAt = this.now;
    this.now = addSeconds(this.now, 60);
    return { backId, backAt };
  }

  get history(): MeterHistory {
    return {
      facts: this.facts,
      authority: 'us',
      rows: this.rows,
      dials: [BLOCK],
      stretches: this.stretches,
      attributions: [],
      uplifts: [],
      struck: new Set(this.facts.strikes.map(({ record }) => record)),
    };
  }

  correct(readingId: string, entered: string, back: Corrected['back']) {
    const reading = this.rows.find(({ id }) => id === readingId);
    if (reading === undefined) throw new Error('no such reading');
    const correction = correctReading(
      this.newId,
      this.history,
      {
        reading,
        now: Math.round(Number(entered) * HOUR),
        entered,
        strikeId: this.newId(),
        why: 'Slip',
        back,
      },
      this.now,
    );
    const gone = new Set(correction.strikes.map(({ record }) => record));
    this.rows = this.rows.map((one) => (gone.has(one.id) ? { ...one, struck: true } : one));
    this.write(correction.readings);
    this.facts = {
      ...this.facts,
      strikes: [
        ...this.facts.strikes,
        ...correction.strikes.map(({ id, record }) => ({ id, record, recordedAt: this.now })),
      ],
    };
    this.now = addSeconds(this.now, 60);
    const own = correction.strikes.find(({ record }) => record === readingId)?.replacedBy ?? '';
    return { correction, readingId: own };
  }
}

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

describe('an entry that tells of hours that nobody wrote down', () => {
  const entry = (value: number) => ({
    entryId: 'entry',
    readings: [{ meter: 'time-in-service' as const, value: value * HOUR }],
  });
  it('is unlogged time, with which meters go on that neither it nor a dial shows', () => {
    const kept = stretchOfEntry(ids(), new Aircraft().meters, ['block'], entry(4150.5), START);
    expect(kept?.stretch).toMatchObject({
      dial: 'entry',
      of: { meter: 'time-in-service' },
      seconds: 0.5 * HOUR,
      unseen: ['landings', 'cycles', 'tow-launches'],
    });
    expect(kept?.readings.map(({ meter, value }) => [meter, value / HOUR])).toEqual([['engine', 1000.5]]);
  });
  it.each([4150, 4149.9])('is none where it says %d h', (value) => {
    expect(stretchOfEntry(ids(), new Aircraft().meters, ['block'], entry(value), START)).toBeNull();
  });
  it('goes with the entry, with readings that were written because of it and were not struck out before', () => {
    const stretch = {
      id: 'u',
      seenAt: START,
      dial: 'entry',
      name: 'Time in service',
      from: '',
      to: '',
      length: '0.5 h',
      readings: ['r1', 'r2'],
      lastFlight: null,
      lastBy: null,
      seenBy: 'M',
    };
    const attributions = [{ unlogged: 'u', to: 'J. Sol', note: null, readings: ['r3'] }];
    const of = (struck: readonly string[], entryId = 'entry') =>
      strikesWithEntry(
        ids(),
        { stretches: [stretch], attributions, struck: new Set(struck) },
        entryId,
        'Slip',
      ).map(({ kind, record }) => `${kind} ${record}`);
    expect(of([])).toEqual(['unlogged u', 'reading r1', 'reading r2', 'reading r3']);
    expect(of(['r2'])).toEqual(['unlogged u', 'reading r1', 'reading r3']);
    expect(of(['u'])).toEqual([]);
    expect(of([], 'another')).toEqual([]);
  });
});

describe('landings of unlogged time', () => {
  const stretch = {
    id: 'u',
    happenedAt: START,
    recordedAt: START,
    seconds: HOUR,
    unseen: ['landings', 'tow-launches'] as const,
    said: null,
  };
  const meters = {
    ...new Aircraft().meters,
    landings: { state: 'known', value: 100, from: 'r', readAt: START } as const,
    'tow-launches': { state: 'known', value: 7, from: 'r', readAt: START } as const,
  };
  const said = (landings: number | null, towLaunches: number | null, inPanel: readonly Meter[] = []) =>
    attributeUnlogged(ids(), meters, [stretch], stretch, inPanel, { landings, towLaunches }, START)?.map(
      ({ meter, value }) => [meter, value],
    ) ?? null;
  it('count as they are said, on meters that nothing shows', () => {
    expect(said(3, 2)).toEqual([
      ['landings', 103],
      ['tow-launches', 9],
    ]);
    expect(said(3, 2, ['landings'])).toEqual([['tow-launches', 9]]);
  });
  it('are not written while nobody knows them, and tow launches are asked where they are counted', () => {
    expect(said(null, null)).toEqual([]);
    expect(said(3, null)).toBeNull();
    expect(said(3, null, ['tow-launches'])).toEqual([['landings', 103]]);
  });
});

describe('a list of flights', () => {
  const flight = (change: Partial<ListedFlight> = {}): ListedFlight => ({
    left_at: addSeconds(START, HOUR),
    back_at: addSeconds(START, 2 * HOUR),
    time_in_service_out: 4150 * HOUR,
    time_in_service_in: 4151 * HOUR,
    block_out: null,
    block_in: null,
    landings: 2,
    tow_launches: null,
    ...change,
  });
  /** Brings in some flights, as an import does: the readings that they hold, then what goes on beside them. */
  const brought = (flights: readonly ListedFlight[]) => {
    const aircraft = new Aircraft();
    const beside = ListBeside.of(aircraft.meters, []);
    if (beside === null) throw new Error('nothing beside');
    for (const one of flights) {
      beside.see(one);
      for (const [meter, value] of [
        ['time-in-service', one.time_in_service_in],
        ['block', one.block_in],
      ] as const)
        if (value !== null)
          aircraft.write([
            {
              ...meterReading(aircraft.newId(), meter, value, one.back_at, one.back_at),
              entered: '',
              basis: 'read',
              dialId: null,
              flightId: null,
            },
          ]);
    }
    aircraft.now = addSeconds(START, 100 * HOUR);
    const after = beside.finish(aircraft.newId, aircraft.facts, 'us', [], aircraft.now);
    return {
      readings: after.readings.map(({ meter, value, basis }) => [meter, value / HOUR, basis]),
      stretch: after.stretch,
    };
  };
  it('has engine hours go on by as much as the time in service rose, and the block time by the flights that do not say', () => {
    expect(brought([flight()])).toEqual({
      readings: [
        ['engine', 1001, 'calculated'],
        ['block', 101, 'calculated'],
      ],
      stretch: null,
    });
  });
  it('goes by the clock where a flight says nothing at all', () => {
    expect(brought([flight({ time_in_service_out: null, time_in_service_in: null })]).readings).toEqual([
      ['time-in-service', 4151, 'calculated'],
      ['engine', 1001, 'calculated'],
      ['block', 101, 'calculated'],
    ]);
  });
  it('leaves a flight alone that came back before the meters were read', () => {
    expect(
      brought([
        flight({
          left_at: addSeconds(START, -2 * HOUR),
          back_at: addSeconds(START, -HOUR),
          time_in_service_out: 4148 * HOUR,
          time_in_service_in: 4149 * HOUR,
        }),
      ]),
    ).toEqual({ readings: [], stretch: null });
  });
  it('has nothing to go on where every known meter hangs in the panel', () => {
    expect(ListBeside.of(new Aircraft().meters, ['block', 'engine', 'time-in-service'])).toBeNull();
  });
});
