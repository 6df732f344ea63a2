// An aircraft with meters, in memory: it plans as the commands do. For tests only.
import { cleanCase } from '@/testing/clean-case';
import { hoursFromSeconds } from '@/core/quantities/hours';
import { knownAt, presentFor, type AircraftFacts } from '@/core/records/facts';
import type { Dial } from '@/core/records/meters/dial';
import type { Meter } from '@/core/records/meters/meters';
import type { Uplift } from '@/core/records/walkround/measurement';
import { addSeconds, instant, type Instant } from '@/core/time/instant';
import type { NewReading, ReadingRow } from '@/core/metering/changes';
import { factsWithPanel, readPanel } from '@/core/metering/check-out';
import { readOnReturn } from '@/core/metering/check-in';
import { correctReading, type Corrected, type MeterHistory } from '@/core/metering/correct-reading';
import { meterReading } from '@/core/metering/reading';
import { type UnloggedHistory } from '@/core/metering/unlogged';

export const START = instant('2026-11-24T12:00:00Z');
export const HOUR = 3600;
export const BLOCK: Dial = {
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
export function ids(): () => string {
  let count = 0;
  return () => `id-${String((count += 1)).padStart(4, '0')}`;
}
export const row = (reading: NewReading): ReadingRow => ({
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
export class Aircraft {
  readonly newId = ids();
  rows: ReadingRow[] = [];
  readonly stretches: UnloggedHistory['stretches'][number][] = [];
  uplifts: readonly Uplift[] = [];
  dials: readonly Dial[] = [BLOCK];
  attributions: UnloggedHistory['attributions'] = [];
  facts: AircraftFacts;
  now: Instant = START;

  /** @param more what other meters stand at, and counters: a count is written as so many hours of it */
  constructor(more: Partial<Record<Meter, number>> = {}) {
    this.facts = { ...cleanCase().facts, readings: [], strikes: [], unlogged: [], flightsOut: [] };
    const stands = { block: 100, engine: 1000, 'time-in-service': 4150, ...more };
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
      this.dials,
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
      this.dials,
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
      dials: this.dials,
      stretches: this.stretches,
      attributions: this.attributions,
      uplifts: this.uplifts,
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
