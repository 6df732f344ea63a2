import type { Meter } from '../records/meters/meters';

/** What a dial showed at one end of a flight, by what its meters stood at. */
export interface EndReading {
  readonly dial: string;
  readonly values: readonly { readonly meter: Meter; readonly value: number }[];
}

/** What each dial ran on every flight that came back, in seconds or counts. A dial that was exchanged or not read at both ends is left out. */
export function ranOn(
  flights: readonly {
    readonly readings: readonly EndReading[];
    readonly returned: { readonly readings: readonly EndReading[] } | null;
  }[],
): readonly ReadonlyMap<string, number>[] {
  return flights.flatMap(({ readings, returned }) => {
    if (returned === null) return [];
    const ran = new Map<string, number>();
    for (const { dial, values } of returned.readings) {
      const [now] = values;
      const then = readings
        .find((one) => one.dial === dial)
        ?.values.find(({ meter }) => meter === now?.meter);
      if (now !== undefined && then !== undefined) ran.set(dial, now.value - then.value);
    }
    return [ran];
  });
}
