import { WALKED_FOR, type WalkedFor } from '../records/walkround/measurement';
import { CATALOGUE, catalogueStep, matters, type CatalogueStep } from './catalogue';
import { isMissing, type FlightFeature } from './features';
import type { Method } from './method';
import { inOrder, rulesFor } from './order-rules';
import type { PlanKind } from './plan-kinds';
import { comingsOf, stepAt, type PlanAircraft, type PlanMark, type PlanStep } from './plan-step';
import { lampPlace, visitsOf } from './route';
import { BETWEEN_FLIGHTS } from './step-scope';

/** What a walk-round is done by. */
export interface WalkPlan {
  /** What it is for; absent in plans of before there was more than the walk-round. */
  readonly kind?: PlanKind;
  readonly mode: Method['mode'];
  readonly list: 'whole' | 'short';
  readonly batteryMinutes: number | null;
  readonly interruptedAfter: number;
  readonly clearFuelBack: boolean;
  readonly drum: string | null;
  /** What these steps are enough for, beside a flight by day under visual rules. */
  readonly covers: readonly WalkedFor[];
  readonly steps: readonly PlanStep[];
}

/** Where a mark is compared: at its own step, or the first look at the structure of its place; at the latest at the last step. */
function stepOfMark(mark: PlanMark, steps: readonly PlanStep[]): string | undefined {
  const there = steps.filter(
    ({ station, side }) =>
      station === mark.station && (side === null || mark.side === null || side === mark.side),
  );
  const looks = there.filter(({ asks }) => asks.kind === 'look');
  const own = looks.find(({ code }) => code === mark.step);
  const structure = looks.find(({ code }) => catalogueStep(code)?.looksAt === 'structure');
  return (own ?? structure ?? looks[0] ?? there[0] ?? steps.at(-1))?.key;
}

/** The same steps, with each known mark at the one where it is compared. */
function withMarks(steps: readonly PlanStep[], marks: readonly PlanMark[]): readonly PlanStep[] {
  if (marks.length === 0) return steps;
  const at = new Map(marks.map((mark) => [mark.id, stepOfMark(mark, steps)] as const));
  return steps.map((step) => {
    const here = marks.filter(({ id }) => at.get(id) === step.key);
    return here.length === 0 ? step : { ...step, marks: here };
  });
}

/** Whether a step belongs to the plan of this aircraft and flight. What is not on record hides nothing. */
export function belongs(
  step: Pick<CatalogueStep, 'code' | 'looksAt' | 'appliesTo'>,
  aircraft: PlanAircraft,
  flight: readonly FlightFeature[],
  method: Method,
): boolean {
  if (aircraft.without.includes(step.code)) return false;
  // Either the ropes come off at their place, or last.
  if (step.code === 'K249' && method.tieDowns !== 'last') return false;
  if ((step.code === 'K117' || step.code === 'K189') && method.tieDowns === 'last') return false;
  if (
    typeof step.looksAt !== 'string'
    && step.looksAt.length > 0
    && step.looksAt.every((kind) => aircraft.notFitted.includes(kind))
  )
    return false;
  return step.appliesTo.some(
    (tag) =>
      tag === 'all'
      || (flight as readonly string[]).includes(tag)
      || (!isMissing(tag, aircraft.features) && !['night', 'ifr', 'training'].includes(tag)),
  );
}

/** Where a step stands in a school's own order: its code, and its side where it has one. What is several on a side stands together. */
export const slotOf = ({ code, side }: Pick<PlanStep, 'code' | 'side'>): string =>
  side === null ? code : `${code}.${side}`;
/** The step of the list that a slot is of. */
export const codeOfSlot = (slot: string): string => slot.slice(0, 4);

/** Whether an aircraft has no step of consequence that only such a flight brings. */
const bringsNothing = (what: WalkedFor, aircraft: PlanAircraft, method: Method): boolean =>
  CATALOGUE.every(
    (step) =>
      !matters(step) || !belongs(step, aircraft, [what], method) || belongs(step, aircraft, [], method),
  );

/**
 * The steps of a walk-round of this aircraft, in the school's order as far as the order rules allow. Deterministic: the same aircraft, flight and method
 * give the same plan.
 * @param list `short` for a later flight of a day whose first walk-round saw everything
 * @param seen what that first walk-round was enough for: the short list has every step that this flight needs beyond it
 */
export function planWalkround(
  aircraft: PlanAircraft,
  method: Method,
  flight: readonly FlightFeature[],
  list: 'whole' | 'short',
  seen: readonly WalkedFor[] = [],
): WalkPlan {
  const wanted = CATALOGUE.filter(
    (step) =>
      belongs(step, aircraft, flight, method)
      && (list === 'whole' || BETWEEN_FLIGHTS.has(step.code) || !belongs(step, aircraft, seen, method)),
  );
  const placed = visitsOf(method).flatMap((visit) =>
    wanted.flatMap((step) =>
      comingsOf(step, aircraft)
        .filter((coming) => visit.takes(step, coming.side, lampPlace(step.code, coming.which)))
        .map((coming) => stepAt(step, coming, visit.place, aircraft)),
    ),
  );
  const own = method.order === null ? null : new Map(method.order.map((slot, at) => [slot, at] as const));
  const sorted =
    own === null
      ? placed
      : [...placed].sort((a, b) => {
          // What a school's order does not name stays behind what it does.
          const of = (step: PlanStep) => own.get(slotOf(step)) ?? own.size;
          return of(a) - of(b);
        });
  return {
    mode: method.mode,
    list,
    batteryMinutes: method.batteryMinutes,
    interruptedAfter: method.interruptedAfter,
    clearFuelBack: method.clearFuelBack,
    drum: method.drum,
    covers: WALKED_FOR.filter(
      (what) => flight.includes(what) || seen.includes(what) || bringsNothing(what, aircraft, method),
    ),
    steps: withMarks(
      inOrder(sorted, ({ code }) => code, rulesFor(method.laps)),
      aircraft.marks,
    ),
  };
}
