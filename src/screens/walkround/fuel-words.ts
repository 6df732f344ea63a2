import type { WalkroundEventInput } from '@/contracts/walkround/walkround';
import type { PlanStep } from '@/core/walkround/plan-step';
import { fuelMass } from '@/core/fuel/fuel-mass';
import type { FuelGrade } from '@/core/records/walkround/measurement';
import { enduranceSeconds, toAdd } from '@/core/walkround/judge';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import { dipValue, inUnit, type FuelAsks } from './figures';

type Said = readonly WalkroundEventInput[];

/** The last figure of a tank by a method, in picolitres; null where nobody read it. */
export function lastFuel(
  steps: readonly PlanStep[],
  said: Said,
  tank: string,
  isGauge: boolean,
): number | null {
  for (const event of [...said].reverse()) {
    if (event.kind !== 'answer' || event.measured?.kind !== 'figure') continue;
    const asks = steps.find(({ key }) => key === event.key)?.asks;
    if (asks?.kind !== 'fuel' || asks.tank !== tank || (asks.how === 'gauge') !== isGauge) continue;
    return dipValue(isGauge ? null : asks.dip, event.measured.amount, event.measured.unit);
  }
  return null;
}

/** What it weighs, where one grade is all that it may have. */
function massText(amount: number, grade: FuelGrade | null): string {
  if (grade === null) return '';
  const { pounds, kilograms } = fuelMass(amount, grade);
  return `, about ${pounds.toFixed(0)} lb or ${kilograms.toFixed(0)} kg`;
}

const hoursText = (seconds: number): string =>
  `${Math.floor(seconds / 3600)} h ${Math.floor((seconds % 3600) / 60)} min`;

/**
 * What is aboard together, how long it lasts, and how much is to be added for the flight: what is wanted less what is there, so that 5 aboard and 13 wanted
 * is 8 to add.
 * @param dip what was typed for this tank, not kept yet
 */
export function fuelWords(
  view: RampWalk,
  steps: readonly PlanStep[],
  said: Said,
  asks: FuelAsks,
  dip: number | null,
  unit: string,
): { readonly words: string; readonly short: number | null } | null {
  if (dip === null) return null;
  const tanks = [...new Set(steps.flatMap(({ asks: one }) => (one.kind === 'fuel' ? [one.tank] : [])))];
  const amounts = tanks.map((tank) => (tank === asks.tank ? dip : lastFuel(steps, said, tank, false)));
  if (amounts.some((one) => one === null))
    return {
      words: `${tanks.length - amounts.filter((one) => one !== null).length} more to dip.`,
      short: null,
    };
  const together = amounts.reduce<number>((sum, one) => sum + (one ?? 0), 0);
  const show = (value: number) => `${inUnit('fuel-dip', value, unit)} ${unit}`;
  const other =
    unit === 'L'
      ? `${inUnit('fuel-dip', together, 'US gal')} US gal`
      : `${inUnit('fuel-dip', together, 'L', 0)} L`;
  const lasts = view.burnPerHour === null ? null : enduranceSeconds(together, view.burnPerHour);
  const wanted = Math.max(view.flight?.needs ?? 0, view.leastFuel ?? 0);
  const missing = toAdd(wanted, together);
  const up = Math.ceil(Number(inUnit('fuel-dip', missing, unit, 3)) * 10 - 1e-6) / 10;
  return {
    words: [
      `Together ${show(together)} (${other}${massText(together, view.fuelGrade ?? null)})${lasts === null ? '' : `, ${hoursText(lasts)} at its burn`}.`,
      wanted === 0
        ? ''
        : missing === 0
          ? `The flight needs ${show(wanted)}${view.flight === null ? '' : ` with ${view.flight.reserveMinutes} minutes reserve`}: enough.`
          : `The flight needs ${show(wanted)}${view.flight === null ? '' : ` with ${view.flight.reserveMinutes} minutes reserve`}: add ${up} ${unit}, dip again, and sample every drain again.`,
    ]
      .filter((words) => words !== '')
      .join(' '),
    short: missing === 0 ? null : up,
  };
}
