import type { AircraftFacts } from '../records/facts';
import type { Dial } from '../records/meters/dial';
import type { Standings } from '../records/meters/meter-reading';
import { COUNTERS } from '../records/meters/meters';
import type { Instant } from '../time/instant';
import type { NewReading, NewStretch, ShownReading } from './changes';
import { asksAtCheckOut, dialState, unanswered, type DialState, type Entered, type Question } from './desk';
import { metersRead, ranOnBeside, readDials, type BelowOffset, type Read } from './reading';
import { readingOf } from './slips';

/** Readings about which something is asked that nobody has answered: nothing is written. */
export interface Unanswered {
  readonly asks: readonly Question[];
  readonly dials: readonly DialState[];
}

/** What the panel shows while the aircraft stands. */
export interface PanelRead {
  readonly dials: readonly ShownReading[];
  /** Readings to be written: of the dials, and of meters that no dial shows where hours turned up. */
  readonly readings: readonly NewReading[];
  readonly wrapped: Read['wrapped'];
  /** Dials that show more than the record says. */
  readonly gaps: readonly {
    readonly dial: string;
    readonly shown: string;
    readonly last: number;
    readonly length: number;
  }[];
  readonly stretches: readonly NewStretch[];
}

/**
 * Compares what the panel shows with the record, while the aircraft stands: what is more becomes unlogged time, with which meters that
 * no dial shows go on.
 * @param meters what the meters stand at by everything on record
 * @param flightId the flight that is to leave; null where the meters are read without one
 */
export function readPanel(
  newId: () => string,
  meters: Standings,
  dials: readonly Dial[],
  entry: { readonly readings: readonly Entered[]; readonly accepted: readonly string[] },
  flightId: string | null,
  now: Instant,
): PanelRead | Unanswered | BelowOffset {
  const states = dials.map((dial) => dialState(dial, meters));
  const asks = asksAtCheckOut(states, entry.readings);
  const open = unanswered(asks, entry.accepted);
  if (open.length > 0) return { asks: open, dials: states };
  const read = readDials(newId, states, entry.readings, asks, flightId, now, now);
  if ('belowOffset' in read) return read;
  const shownMeters = metersRead(read);
  // A meter that passed its highest figure and has run on since shows hours that nobody wrote down as well.
  const gaps = asks.flatMap((ask): PanelRead['gaps'] =>
    ask.kind === 'gap'
      ? [ask]
      : ask.kind === 'below' && ask.run !== null && ask.run > 0
        ? [{ ...ask, length: ask.run }]
        : [],
  );
  const beside =
    gaps.length === 0
      ? []
      : ranOnBeside(
          newId,
          meters,
          shownMeters,
          read.ran,
          { landings: 0, towLaunches: 0, airborne: null },
          { flightId, happenedAt: now, recordedAt: now },
        );
  const stretches = gaps.map((gap): NewStretch => {
    const dial = dials.find(({ id }) => id === gap.dial);
    const unit = dial?.unit ?? 'h';
    return {
      id: newId(),
      seenAt: now,
      dial: gap.dial,
      of: { name: dial?.name ?? '', unit },
      from: gap.last,
      to: readingOf(gap.shown, unit) ?? 0,
      length: gap.length,
      seconds: unit === 'h' ? gap.length : null,
      unseen: COUNTERS.filter((meter) => !shownMeters.has(meter)),
      readings: [],
    };
  });
  return {
    dials: read.dials,
    readings: [...read.readings, ...beside],
    wrapped: read.wrapped,
    gaps,
    stretches,
  };
}

/** The records as they stand with what the panel shows: hours that somebody flew and did not write down decide at once. */
export function factsWithPanel(
  facts: AircraftFacts,
  { readings, stretches }: Pick<PanelRead, 'readings' | 'stretches'>,
  now: Instant,
): AircraftFacts {
  return {
    ...facts,
    readings: [...facts.readings, ...readings],
    unlogged: [
      ...facts.unlogged,
      ...stretches.map(({ id, seenAt, seconds, unseen }) => ({
        id,
        happenedAt: seenAt,
        recordedAt: now,
        seconds,
        unseen,
        said: null,
      })),
    ],
  };
}
