import type { CheckOut } from '@/contracts/flights/dispatch';
import type { MeasuredAtDesk } from '@/core/decision/measured-at-desk';
import type { AircraftFacts } from '@/core/records/facts';
import { Refused } from '../kernel/command';

/** Fuel and oil as they are entered at the desk. */
type AtTheDesk = Pick<CheckOut, 'fuelAboard' | 'oilAboard'>;

/** What was measured, by the tanks that the aircraft has. @throws Refused for a tank that it has not, or one that was said twice */
export function measuredOf(
  { fuelAboard, oilAboard }: AtTheDesk,
  { aircraft }: AircraftFacts,
): MeasuredAtDesk {
  const tanks = (aircraft.particulars.fuel?.tanks ?? []).map(({ id }) => id);
  for (const [at, { tank }] of fuelAboard.entries()) {
    const twice = fuelAboard.findIndex((other) => other.tank === tank) !== at;
    if ((tank === null && fuelAboard.length === 1) || (tank !== null && tanks.includes(tank) && !twice))
      continue;
    throw new Refused({
      code: 'invalid',
      message: twice
        ? `The fuel in ${tank ?? 'all tanks together'} was said twice.`
        : tank === null
          ? 'Say the fuel tank by tank, or of all tanks together, not both.'
          : `This aircraft has no tank '${tank}': ${tanks.length === 0 ? 'its tanks are not on record' : `it has ${tanks.join(', ')}`}.`,
      problems: [{ path: `fuelAboard.${at}`, message: 'not a tank of this aircraft' }],
    });
  }
  const left =
    fuelAboard[0]?.tank === null ? [] : tanks.filter((id) => !fuelAboard.some(({ tank }) => tank === id));
  if (fuelAboard.length > 0 && left.length > 0)
    throw new Refused({
      code: 'invalid',
      message: `Say the fuel of every tank: ${left.join(' and ')} ${left.length === 1 ? 'is' : 'are'} missing. How much there is together is not known from some of them.`,
      problems: [{ path: 'fuelAboard', message: 'a tank is missing' }],
    });
  return {
    fuel: fuelAboard.map(({ tank, measured: { volume } }) => ({ tank, volume })),
    oil: oilAboard?.volume ?? null,
  };
}

/** As it is kept and shown: left 14 US gal, right 12 US gal. */
export const fuelText = (fuel: AtTheDesk['fuelAboard']): string | null =>
  fuel.length === 0
    ? null
    : fuel
        .map(({ tank, measured: { amount, unit } }) => `${tank === null ? '' : `${tank} `}${amount} ${unit}`)
        .join(', ');
/** The same of oil: 6 US qt. */
export const oilText = (oil: AtTheDesk['oilAboard']): string | null =>
  oil === null ? null : `${oil.amount} ${oil.unit}`;
