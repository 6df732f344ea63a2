import type { Meter } from '../records/meters/meters';
import type { CivilDate } from '../time/civil-date';

interface Values {
  readonly values: readonly { readonly meter: Meter; readonly value: number }[];
}

/** What one flight of a day adds to what is carried over. */
export interface FlownThatDay {
  readonly readings: readonly Values[];
  readonly returned: {
    readonly readings: readonly Values[];
    readonly landings: number | null;
    readonly oilAdded: string | null;
  } | null;
}

/** What the next daily inspection carries over from the last day on which the aircraft flew. Common practice, no source. */
export interface Carried {
  readonly day: CivilDate;
  readonly flights: number;
  /** Seconds in service that were flown on that day; null where a flight does not say. */
  readonly flown: number | null;
  readonly landings: number | null;
  /** Oil that was added, as it was entered. */
  readonly oil: readonly string[];
  /** Seconds in service at the end; null where it is not known. */
  readonly timeInService: number | null;
}

const service = (readings: readonly Values[]): number | null =>
  readings.flatMap(({ values }) => values).find(({ meter }) => meter === 'time-in-service')?.value ?? null;

/** Adds up one day. One flight that does not say how long it was, or how often it landed, makes the sum unknown: it is never guessed. */
export function carriedFrom(
  day: CivilDate,
  flights: readonly FlownThatDay[],
  timeInService: number | null,
): Carried {
  let flown: number | null = 0;
  let landings: number | null = 0;
  for (const { readings, returned } of flights) {
    const [out, back] = [service(readings), returned === null ? null : service(returned.readings)];
    flown = flown === null || out === null || back === null ? null : flown + back - out;
    landings = landings === null || returned?.landings == null ? null : landings + returned.landings;
  }
  return {
    day,
    flights: flights.length,
    flown,
    landings,
    oil: flights.flatMap(({ returned }) => (returned?.oilAdded == null ? [] : [returned.oilAdded])),
    timeInService,
  };
}
