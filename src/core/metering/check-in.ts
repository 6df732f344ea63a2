import { hoursFromSeconds, type Hours } from '../quantities/hours';
import type { Dial } from '../records/meters/dial';
import type { Standings } from '../records/meters/meter-reading';
import type { Instant } from '../time/instant';
import type { NewReading, ShownReading } from './changes';
import type { Unanswered } from './check-out';
import { asksAtCheckIn, dialState, unanswered, usualRatios, type Entered } from './desk';
import { ranOn, type EndReading } from './ran-on';
import { metersRead, ranOnBeside, readDials, type BelowOffset, type Read } from './reading';

/** What a flight is billed by, in seconds: a dial by its name, or the clock. Never an invoice. */
export interface Billed {
  readonly seconds: number;
  readonly by: 'clock' | { readonly dial: string };
}

/** What is written down of the meters when a flight comes back. */
export interface BackRead {
  readonly dials: readonly ShownReading[];
  readonly readings: readonly NewReading[];
  readonly wrapped: Read['wrapped'];
  /** Null where the dial that bills was not read against anything, or counts no hours. */
  readonly billed: Billed | null;
  /** What the time in service stands at then; null where nothing says. */
  readonly timeInService: Hours | null;
}

/** What somebody who takes an aircraft back says of its meters. */
export interface BackEntry {
  readonly readings: readonly Entered[];
  readonly accepted: readonly string[];
  /** How long it was in the air, in seconds; asked where no meter shows the time in service. */
  readonly airborne: Hours | null;
  readonly landings: number;
  readonly towLaunches: number | null;
}

/** A flight with both ends, for what is usual between two dials. */
type Flown = Parameters<typeof ranOn>[0][number];

/**
 * What the meters say when a flight comes back, and what is asked before anything is written. Every number moves what comes due.
 * @param flight what the dials showed when it left @param latest the last flights, for what is usual between two dials
 * @param backAt never before the flight left
 */
export function readOnReturn(
  newId: () => string,
  meters: Standings,
  dials: readonly Dial[],
  flight: { readonly id: string; readonly leftAt: Instant; readonly readings: readonly EndReading[] },
  latest: readonly Flown[],
  entry: BackEntry,
  backAt: Instant,
  recordedAt: Instant,
): BackRead | Unanswered | BelowOffset | { readonly airborne: 'missing' | 'longer-than-away' } {
  const states = dials.map((dial) =>
    dialState(dial, meters, flight.readings.find((one) => one.dial === dial.id)?.values),
  );
  const elapsed = Math.ceil((backAt - flight.leftAt) / 1000);
  const asks = asksAtCheckIn(states, entry.readings, elapsed, usualRatios(ranOn(latest)));
  const open = unanswered(asks, entry.accepted);
  if (open.length > 0) return { asks: open, dials: states };
  const showsService = dials.some(({ counts }) => counts.some(({ meter }) => meter === 'time-in-service'));
  if (!showsService && meters['time-in-service'].state === 'known' && entry.airborne === null)
    return { airborne: 'missing' };
  if (entry.airborne !== null && entry.airborne > elapsed) return { airborne: 'longer-than-away' };
  const read = readDials(newId, states, entry.readings, asks, flight.id, backAt, recordedAt);
  if ('belowOffset' in read) return read;
  const beside = ranOnBeside(
    newId,
    meters,
    metersRead(read),
    read.ran,
    {
      landings: entry.landings,
      towLaunches: entry.towLaunches ?? 0,
      airborne: showsService ? null : entry.airborne,
    },
    { flightId: flight.id, happenedAt: backAt, recordedAt },
  );
  const readings = [...read.readings, ...beside];
  const service = readings.find(({ meter }) => meter === 'time-in-service')?.value;
  return {
    dials: read.dials,
    readings,
    wrapped: read.wrapped,
    billed: billedBy(dials, read, elapsed),
    timeInService: service === undefined ? null : hoursFromSeconds(service),
  };
}

function billedBy(dials: readonly Dial[], read: Read, elapsed: number): Billed | null {
  const biller = dials.find(({ bills }) => bills);
  if (biller === undefined) return { seconds: elapsed, by: 'clock' };
  const shown = read.dials.find(({ name }) => name === biller.name);
  const ran = shown === undefined ? undefined : read.ran.get(shown.dial);
  return ran === undefined || biller.unit !== 'h' ? null : { seconds: ran, by: { dial: biller.name } };
}
