import { RESERVE_MINUTES } from '../fuel/fuel-needed';
import { flightFuel } from './parts/flight-fuel';
import { NOT_ASKED, result, rule } from './parts/rule';

/** Reserves that a club asks for, in minutes: at least those of the regulation. */
export interface ClubReserves {
  readonly reserveDay: number;
  readonly reserveNight: number;
  readonly reserveIfr: number;
}

/** The club's own, larger reserve. */
export const clubFuelReserve = rule({
  id: 'club-fuel-reserve',
  title: 'Club fuel reserve',
  source: { kind: 'club-policy' },
  explanation:
    'A club may ask for a larger reserve than the regulation, by day, by night and by instruments.',
  judge: ({ ramp }) => (ramp === null ? NOT_ASKED : result([])),
  judgeFlight: (facts, { reserveDay, reserveNight, reserveIfr }: ClubReserves, flight, needs) => {
    if (
      reserveDay === RESERVE_MINUTES.day
      && reserveNight === RESERVE_MINUTES.night
      && reserveIfr === RESERVE_MINUTES.ifr
    )
      return [];
    return flightFuel(
      facts,
      { day: reserveDay, night: reserveNight, ifr: reserveIfr },
      { kind: 'club-policy' },
      flight,
      needs,
    );
  },
});
