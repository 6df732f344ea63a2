import { describe, expect, it } from 'vitest';
import type { Meter } from '../records/meters/meters';
import { addSeconds } from '../time/instant';
import { ListBeside, type ListedFlight } from './import-flights';
import { meterReading } from './reading';
import { Aircraft, HOUR, START } from '@/testing/metered-aircraft';

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
  const brought = (
    flights: readonly ListedFlight[],
    aircraft = new Aircraft(),
    inPanel: readonly Meter[] = [],
    calculated: readonly { readonly id: string; readonly meter: Meter }[] = [],
  ) => {
    const beside = ListBeside.of(aircraft.meters, inPanel);
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
    const after = beside.finish(aircraft.newId, aircraft.facts, 'us', calculated, aircraft.now);
    return {
      readings: after.readings.map(({ meter, value, basis }) => [meter, value / HOUR, basis]),
      at: after.readings.map(({ happenedAt }) => (happenedAt - START) / 1000 / HOUR),
      stretch: after.stretch,
      strikes: after.strikes,
      leaves: beside.leavesAnything(),
    };
  };
  it('has engine hours go on by as much as the time in service rose, and the block time by the flights that do not say', () => {
    expect(brought([flight()])).toMatchObject({
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
    ).toMatchObject({ readings: [], stretch: null });
  });
  it('has nothing to go on where every known meter hangs in the panel', () => {
    expect(ListBeside.of(new Aircraft().meters, ['block', 'engine', 'time-in-service'])).toBeNull();
  });
  const silent = { time_in_service_out: null, time_in_service_in: null };
  it('goes by the block time where a flight says that alone, and by the time in service where it says that', () => {
    const byBlock = { ...silent, block_out: 100 * HOUR, block_in: 101.2 * HOUR };
    expect(brought([flight(byBlock)]).readings).toEqual([
      ['time-in-service', 4151.2, 'calculated'],
      ['engine', 1001.2, 'calculated'],
    ]);
    const byService = { time_in_service_in: 4150.8 * HOUR };
    expect(brought([flight(byService)]).readings).toEqual([
      ['engine', 1000.8, 'calculated'],
      ['block', 100.8, 'calculated'],
    ]);
  });
  it('adds up flights that say nothing, as of the last of them', () => {
    const second = {
      ...silent,
      left_at: addSeconds(START, 5 * HOUR),
      back_at: addSeconds(START, 5.5 * HOUR),
    };
    const { readings, at } = brought([flight(silent), flight(second)]);
    expect([readings, at]).toEqual([
      [
        ['time-in-service', 4151.5, 'calculated'],
        ['engine', 1001.5, 'calculated'],
        ['block', 101.5, 'calculated'],
      ],
      [5.5, 5.5, 5.5],
    ]);
  });
  it('a later reading has the flights before it already', () => {
    const second = {
      left_at: addSeconds(START, 5 * HOUR),
      back_at: addSeconds(START, 6 * HOUR),
      time_in_service_out: 4151 * HOUR,
      time_in_service_in: 4152 * HOUR,
    };
    expect(brought([flight(silent), flight(second)]).readings).toEqual([
      ['engine', 1002, 'calculated'],
      ['block', 102, 'calculated'],
    ]);
  });
  it('counts landings and launches as the flights say them, one landing where a flight does not say', () => {
    const counted = (...flights: readonly Partial<ListedFlight>[]) =>
      brought(
        flights.map((one, at) =>
          flight({
            left_at: addSeconds(START, (at + 1) * 2 * HOUR),
            back_at: addSeconds(START, ((at + 1) * 2 + 1) * HOUR),
            ...silent,
            ...one,
          }),
        ),
        new Aircraft({ landings: 1, 'tow-launches': 1 }),
      )
        .readings.filter(([meter]) => meter === 'landings' || meter === 'tow-launches')
        .map(([meter, hoursOf]) => [meter, Math.round((Number(hoursOf) - 1) * HOUR)]);
    expect([
      counted({ landings: 2, tow_launches: 3 }, { landings: 4, tow_launches: 1 }),
      counted({ landings: 2 }, { landings: null }),
      counted({ landings: 0, tow_launches: 0 }),
    ]).toEqual([
      [
        ['landings', 6],
        ['tow-launches', 4],
      ],
      [['landings', 3]],
      [],
    ]);
  });
  it('hours for which there is no flight are unlogged time where landings are counted, beyond what meters round', () => {
    const gap = (hoursBetween: number, landings = true) =>
      brought(
        [
          flight(),
          flight({
            left_at: addSeconds(START, 20 * HOUR),
            back_at: addSeconds(START, 21 * HOUR),
            time_in_service_out: 4151 * HOUR + Math.round(hoursBetween * HOUR),
            time_in_service_in: 4152 * HOUR + Math.round(hoursBetween * HOUR),
          }),
        ],
        new Aircraft(landings ? { landings: 1 } : {}),
      ).stretch;
    expect(gap(2)).toMatchObject({
      of: { meter: 'time-in-service' },
      from: 4152 * HOUR,
      to: 4154 * HOUR,
      length: 2 * HOUR,
      seconds: 2 * HOUR,
      unseen: ['landings'],
    });
    expect([gap(0.1), gap(0.11)?.seconds, gap(2, false)]).toEqual([null, 396, null]);
  });
  it('leaves alone what hangs in the panel, and says whether it leaves anything open', () => {
    const inPanel = brought([flight(silent)], new Aircraft(), ['block']);
    expect([inPanel.readings.map(([meter]) => meter), inPanel.leaves]).toEqual([
      ['time-in-service', 'engine'],
      true,
    ]);
    const whole = { block_out: 100 * HOUR, block_in: 101 * HOUR };
    const withoutEngine = brought([flight(whole)], new Aircraft(), ['engine']);
    expect([withoutEngine.readings, withoutEngine.leaves]).toEqual([[], false]);
    expect(brought([flight()], new Aircraft(), ['engine']).leaves).toBe(true);
  });
  it('what was only calculated gives way to what the list says somebody read', () => {
    const aircraft = new Aircraft();
    const at = addSeconds(START, 600);
    aircraft.write([
      {
        ...meterReading('guess', 'time-in-service', 4153 * HOUR, at, at),
        entered: null,
        basis: 'calculated',
        dialId: null,
        flightId: null,
      },
    ]);
    const { strikes, readings } = brought(
      [flight()],
      aircraft,
      [],
      [{ id: 'guess', meter: 'time-in-service' }],
    );
    expect(strikes.map(({ record, kind, replacedBy }) => [record, kind, replacedBy])).toEqual([
      ['guess', 'reading', null],
    ]);
    expect(readings.map(([meter]) => meter)).not.toContain('time-in-service');
    // One that contradicts nothing stands.
    const fitting = new Aircraft();
    fitting.write([
      {
        ...meterReading('fits', 'time-in-service', 4150.2 * HOUR, at, at),
        entered: null,
        basis: 'calculated',
        dialId: null,
        flightId: null,
      },
    ]);
    expect(brought([flight()], fitting, [], [{ id: 'fits', meter: 'time-in-service' }]).strikes).toEqual([]);
  });
});
