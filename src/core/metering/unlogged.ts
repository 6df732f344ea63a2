import type { Standings } from '../records/meters/meter-reading';
import { COUNTERS, isHourMeter, type Meter } from '../records/meters/meters';
import {
  unsaidStretches,
  type AttributionRecord,
  type UnloggedRecord,
  type UnloggedStretch,
} from '../records/meters/unlogged';
import type { Instant } from '../time/instant';
import {
  readingsOfDial,
  type NewReading,
  type NewStretch,
  type ReadingRow,
  type StruckEntry,
} from './changes';
import { meterReading, notBefore, ranOnBeside } from './reading';

/**
 * Hours of which only an entry tells (a signature, a meter that is entered or exchanged) and that nobody wrote down: unlogged time, like
 * one that the dispatch page sees. Meters that neither the entry nor a meter in the panel shows went on
 * likewise; of landings nobody knows yet.
 * @param meters what they stood at before the entry
 * @param inPanel meters that a dial shows
 * @returns null where the entry says nothing more than was known
 */
export function stretchOfEntry(
  newId: () => string,
  meters: Standings,
  inPanel: readonly Meter[],
  entry: {
    readonly entryId: string;
    readonly readings: readonly { readonly meter: Meter; readonly value: number }[];
  },
  now: Instant,
): { readonly readings: readonly NewReading[]; readonly stretch: NewStretch } | null {
  const beyond = entry.readings.flatMap(({ meter, value }) => {
    const standing = meters[meter];
    return isHourMeter(meter) && standing.state === 'known' && value > standing.value
      ? [{ meter, from: standing.value as number, to: value }]
      : [];
  });
  const [most] = beyond.sort((a, b) => b.to - b.from - (a.to - a.from));
  if (most === undefined) return null;
  const shown = new Set([...entry.readings.map(({ meter }) => meter), ...inPanel]);
  const seconds = most.to - most.from;
  const readings = ranOnBeside(
    newId,
    meters,
    shown,
    new Map([[entry.entryId, seconds]]),
    { landings: 0, towLaunches: 0, airborne: null },
    { flightId: null, happenedAt: null, recordedAt: now },
  );
  return {
    readings,
    stretch: {
      id: newId(),
      seenAt: now,
      dial: entry.entryId,
      of: { meter: most.meter },
      from: most.from,
      to: most.to,
      length: seconds,
      seconds,
      unseen: COUNTERS.filter((meter) => !shown.has(meter)),
      readings: readings.map(({ id }) => id),
    },
  };
}

/** What was said of unlogged time, and that it is: both as they were written down, struck out ones among them. */
export interface UnloggedHistory {
  readonly stretches: readonly UnloggedRecord[];
  readonly attributions: readonly AttributionRecord[];
  /** Ids of everything that was struck out. */
  readonly struck: ReadonlySet<string>;
}

/** Strikes a stretch with readings that were written because of it; of those, what was struck out before for a reason of its own stays as it is. */
const strikesOf = (
  newId: () => string,
  struck: ReadonlySet<string>,
  stretch: UnloggedRecord,
  readings: readonly string[],
  why: string,
  replacedBy: string | null,
): readonly StruckEntry[] => [
  { id: newId(), record: stretch.id, kind: 'unlogged', why, replacedBy },
  ...[...new Set(readings)]
    .filter((record) => !struck.has(record))
    .map((record): StruckEntry => ({ id: newId(), record, kind: 'reading', why, replacedBy: null })),
];

/** A signed entry was struck out: what it said of hours that nobody wrote down goes with it, and what was said of their landings. */
export function strikesWithEntry(
  newId: () => string,
  { stretches, attributions, struck }: UnloggedHistory,
  entryId: string,
  why: string,
): readonly StruckEntry[] {
  return stretches
    .filter(({ dial, id }) => dial === entryId && !struck.has(id))
    .flatMap((stretch) =>
      strikesOf(
        newId,
        struck,
        stretch,
        [
          ...(stretch.readings ?? []),
          ...attributions
            .filter(({ unlogged }) => unlogged === stretch.id)
            .flatMap((one) => one.readings ?? []),
        ],
        why,
        null,
      ),
    );
}

/** A stretch that is as long as its readings say now. Figures are seconds, on the meter's own basis. */
export interface Remeasured {
  readonly id: string;
  readonly before: UnloggedRecord;
  readonly from: number;
  readonly to: number;
  readonly seconds: number;
}

/**
 * A reading of a meter was corrected: a stretch that was seen on that meter is now as long as its readings say, or never was. What was said
 * of it goes over to the new one; landings that were said of one that never was go too.
 * @param rows every reading, as they count after the correction
 * @param counting ids of stretches that count
 */
export function remeasured(
  newId: () => string,
  { stretches, attributions, struck }: UnloggedHistory,
  rows: readonly ReadingRow[],
  counting: ReadonlySet<string>,
  reading: Pick<ReadingRow, 'dialId' | 'meter'>,
  why: string,
  now: Instant,
): {
  readonly strikes: readonly StruckEntry[];
  readonly stretches: readonly Remeasured[];
  readonly attributions: readonly (AttributionRecord & { readonly id: string })[];
} {
  const strikes: StruckEntry[] = [];
  const longer: Remeasured[] = [];
  const goesOver: (AttributionRecord & { readonly id: string })[] = [];
  if (reading.dialId !== null && isHourMeter(reading.meter)) {
    const chain = readingsOfDial(rows, reading.dialId, reading.meter);
    for (const stretch of stretches) {
      if (stretch.dial !== reading.dialId || struck.has(stretch.id) || !counting.has(stretch.id)) continue;
      const at = (when: (happenedAt: Instant) => boolean) =>
        Math.max(...chain.filter(({ happenedAt }) => when(happenedAt)).map(({ value }) => value));
      const to = at((happenedAt) => happenedAt === stretch.seenAt);
      const from = at((happenedAt) => happenedAt < stretch.seenAt);
      const seconds = to - from;
      if (!Number.isFinite(seconds) || seconds === stretch.seconds) continue;
      const said = attributions.filter(({ unlogged }) => unlogged === stretch.id);
      if (seconds <= 0) {
        const readings = [...(stretch.readings ?? []), ...said.flatMap((one) => one.readings ?? [])];
        strikes.push(...strikesOf(newId, struck, stretch, readings, why, null));
        continue;
      }
      const id = newId();
      strikes.push(...strikesOf(newId, struck, stretch, [], why, id));
      longer.push({ id, before: stretch, from, to, seconds });
      goesOver.push(...said.map((one) => ({ ...one, id: newId(), unlogged: id, recordedAt: now })));
    }
  }
  return { strikes, stretches: longer, attributions: goesOver };
}

/**
 * Readings of counters that no meter shows, where somebody says how many landings and launches unlogged time had. They stand at the moment of the last
 * reading: what was flown since counts on from there, and no later flight is contradicted.
 * @param inPanel meters that a dial shows since: they show them themselves
 * @returns null where tow launches are counted and nobody said how many there were
 */
export function attributeUnlogged(
  newId: () => string,
  meters: Standings,
  unlogged: readonly UnloggedStretch[],
  stretch: UnloggedStretch,
  inPanel: readonly Meter[],
  said: { readonly landings: number | null; readonly towLaunches: number | null },
  now: Instant,
): readonly NewReading[] | null {
  const open = unsaidStretches(unlogged).some(({ happenedAt }) => happenedAt === stretch.happenedAt);
  if (said.landings === null || !open) return [];
  const readings: NewReading[] = [];
  for (const meter of stretch.unseen) {
    const standing = meters[meter];
    if (inPanel.includes(meter) || standing.state !== 'known') continue;
    const more = meter === 'tow-launches' ? said.towLaunches : said.landings;
    if (more === null) return null;
    const value = standing.value + more;
    readings.push({
      ...meterReading(newId(), meter, value, standing.readAt, notBefore(standing.readAt, now)),
      entered: String(value),
      basis: 'ran-on',
      dialId: null,
      flightId: null,
    });
  }
  return readings;
}
