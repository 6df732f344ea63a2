import type { Standings } from './meter-reading';
import { COUNTERS, HOUR_METERS, type Counter, type HourMeter } from './meters';
import type { FlightOut } from '../flights/movement';
import { mostOf } from './unlogged';

/** Flights that came back after the last reading of the time in service: nobody read what they added. Oldest first. */
export function unreadFlights(flightsOut: readonly FlightOut[], meters: Standings): readonly FlightOut[] {
  const service = meters['time-in-service'];
  if (service.state !== 'known') return [];
  return flightsOut
    .filter(({ returned }) => returned !== null && returned.at > service.readAt)
    .sort((a, b) => (a.returned?.at ?? 0) - (b.returned?.at ?? 0));
}

/** Seconds from leaving to coming back. */
const elapsed = ({ happenedAt, returned }: FlightOut): number =>
  Math.max(0, Math.ceil(((returned?.at ?? happenedAt) - happenedAt) / 1000));

/** What a flight that nobody read counts on the time in service, in seconds: as planned, or else the whole time until it came back. */
export function unreadSeconds(flight: FlightOut): number {
  return flight.airborne ?? elapsed(flight);
}

/**
 * What the meters stand at with flights that nobody read: the planned time in the air on the time in service, the whole time from leaving to
 * coming back on the others and where no time was planned, and as many landings as it can have had. Until somebody reads the meters.
 */
export function withUnread(meters: Standings, flights: readonly FlightOut[]): Standings {
  const add = (meter: HourMeter | Counter, seconds: (flight: FlightOut) => number): Partial<Standings> => {
    const standing = meters[meter];
    if (standing.state !== 'known') return {};
    const more = flights
      .filter(({ returned }) => returned !== null && returned.at > standing.readAt)
      .reduce((sum, flight) => sum + seconds(flight), 0);
    return { [meter]: { ...standing, value: standing.value + more } };
  };
  return Object.assign(
    { ...meters },
    ...HOUR_METERS.map((meter) =>
      add(meter, (flight) => (meter === 'time-in-service' ? unreadSeconds(flight) : elapsed(flight))),
    ),
    ...COUNTERS.map((meter) => add(meter, (flight) => mostOf(elapsed(flight)))),
  ) as Standings;
}
