import { CATALOGUE, matters } from './catalogue';
import type { FlightFeature } from './features';
import { BRIEFING } from './lists/briefing';
import { DAILY } from './lists/daily';
import type { ListStep } from './lists/list-step';
import { RIGGING, RIGGING_CHECKS } from './lists/rigging';
import { RUN_UP } from './lists/run-up';
import type { Method } from './method';
import { belongs, planWalkround, type WalkPlan } from './plan';
import type { PlanKind } from './plan-kinds';
import { asksOf, slug, stepAt, type PlanAircraft, type PlanStep } from './plan-step';

/** Where each list is gone through, as people say it. */
const PLACES: Readonly<Record<Exclude<PlanKind, 'walk-round'>, string>> = {
  'daily-inspection': 'Maintenance release',
  'run-up': 'At the hold',
  briefing: 'Passengers',
  rigging: 'Rigging',
};
const IGNITIONS = ['left', 'right'] as const;

/** A step of a list as it is done on one aircraft: once, or for each ignition. */
function stepsOf(step: ListStep, kind: keyof typeof PLACES, aircraft: PlanAircraft): readonly PlanStep[] {
  const which = step.scope === 'ignition' ? IGNITIONS : [null];
  return which.map((one) => ({
    key: one === null ? step.code : `${step.code}.${slug(one)}`,
    code: step.code,
    station: step.station,
    side: null,
    place: PLACES[kind],
    title: step.title.replaceAll('{ignition}', one ?? ''),
    right: step.right,
    why: step.why,
    caution: step.caution,
    typical: step.typicalDefect,
    listedAs: step.firstAction,
    asks: asksOf(step, one, aircraft, step.code),
    // What passengers were not told says nothing about the aircraft.
    matters: kind !== 'briefing' && matters(step),
  }));
}

/** The checks of the master list that end the rigging: a glider has every one. */
const checks = (aircraft: PlanAircraft): readonly PlanStep[] =>
  CATALOGUE.filter(({ code }) => RIGGING_CHECKS.includes(code)).map((step) => ({
    ...stepAt(step, { which: null, side: null }, { station: 'glider', side: null }, aircraft),
    place: PLACES.rigging,
  }));

/**
 * The plan of a list on this aircraft. Deterministic. The daily inspection is the whole walk-round after what
 * the maintenance release asks for; the others stand for no walk-round.
 * @param flight what the flight brings that it is gone through for
 */
export function planOfList(
  kind: Exclude<PlanKind, 'walk-round'>,
  aircraft: PlanAircraft,
  method: Method,
  flight: readonly FlightFeature[],
): WalkPlan {
  const own = (rows: readonly ListStep[]) =>
    rows
      .filter((step) => belongs(step, aircraft, flight, method))
      .flatMap((step) => stepsOf(step, kind, aircraft));
  const whole = planWalkround(aircraft, method, flight, 'whole');
  // Read and do, each step by itself: none of these is a flow round the aircraft.
  const list = (steps: readonly PlanStep[]): WalkPlan => ({
    ...whole,
    kind,
    mode: 'read-and-do',
    batteryMinutes: null,
    covers: [],
    steps,
  });
  switch (kind) {
    case 'daily-inspection':
      return { ...whole, kind, steps: [...own(DAILY), ...whole.steps] };
    case 'run-up':
      return list(own(RUN_UP));
    case 'briefing':
      return list(own(BRIEFING));
    case 'rigging':
      return list([...own(RIGGING), ...checks(aircraft)]);
    default: {
      const missing: never = kind;
      throw new RangeError(`no such list: ${String(missing)}`);
    }
  }
}
