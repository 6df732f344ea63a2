import type { Classification } from '../records/findings/discrepancy';
import {
  WALKED_FOR,
  type MeasureLimit,
  type Quantity,
  type WalkedFor,
} from '../records/walkround/measurement';
import type { DipStick, RampData } from '../records/walkround/ramp-data';
import type { EquipmentKind } from '../records/aircraft/equipment';
import type { FullBox } from '../envelope/dimensions';
import { CATALOGUE, catalogueStep, matters, type CatalogueStep } from './catalogue';
import { isMissing, type FlightFeature } from './features';
import type { Method } from './method';
import { inOrder, rulesFor } from './order-rules';
import { placeOnAircraft } from './place';
import { lampPlace, visitsOf, type Place } from './route';
import { BETWEEN_FLIGHTS, LAMPS } from './step-scope';

/** A lasting mark that somebody entitled accepted: it is compared on each walk-round. */
export interface PlanMark {
  readonly id: string;
  readonly what: string;
  readonly size: string | null;
  readonly station: string;
  readonly side: 'left' | 'right' | null;
  /** The step that looks at it, by its code; null where nobody said. */
  readonly step: string | null;
  /** Where on the drawing, in thousandths of its width and height. */
  readonly x: number;
  readonly y: number;
  readonly photos: readonly string[];
}

/** What decides which steps an aircraft has, and what its figures are held to. A field that is null is not known: then nothing is left out for it. */
export interface PlanAircraft {
  readonly features: readonly string[] | null;
  /** Kinds of equipment that the equipment list says are not fitted. */
  readonly notFitted: readonly EquipmentKind[];
  /** Steps whose item somebody entitled has said this aircraft does not have. */
  readonly without: readonly string[];
  readonly tanks: readonly {
    readonly id: string;
    readonly usable: number;
    readonly dip: DipStick | null;
  }[];
  /** Drains by name; null is not known, and then the strainer and one at each tank are asked for. */
  readonly drains: readonly string[] | null;
  readonly measured: readonly MeasureLimit[];
  readonly blades: number;
  readonly tab: RampData['tab'];
  readonly propeller: RampData['propeller'];
  readonly sampleSeconds: number;
  readonly marks: readonly PlanMark[];
  /** Drains whose cups often had water lately. */
  readonly oftenWet: readonly string[];
}

/** What one limit says of a figure, in base units. */
export type PlanLimit = Pick<MeasureLimit, 'min' | 'max' | 'open' | 'remedy'> & {
  readonly uses: readonly FullBox[] | null;
};

/** What is answered at a step beside fine, found and not seen. */
export type Asks =
  | { readonly kind: 'look' }
  | { readonly kind: 'good'; readonly quantity: Quantity; readonly which: string | null }
  | {
      readonly kind: 'figure';
      readonly quantity: Quantity;
      readonly which: string | null;
      readonly limits: readonly PlanLimit[];
    }
  | {
      readonly kind: 'fuel';
      readonly how: 'gauge' | 'dip' | 'drain-gauge' | 'sight-gauge';
      readonly tank: string;
      readonly holds: number;
      readonly dip: DipStick | null;
    }
  | { readonly kind: 'sample'; readonly drain: string; readonly seconds: number };

/** A step as it is done on one aircraft, with everything that a phone needs for it. */
export interface PlanStep {
  /** Which step and which of several: 'K136.left'. Stable for one aircraft and method. */
  readonly key: string;
  readonly code: string;
  readonly station: string;
  readonly side: 'left' | 'right' | null;
  /** Where, in words: 'left wing'. */
  readonly place: string;
  readonly title: string;
  readonly right: string;
  readonly why: string;
  readonly caution: string | null;
  /** What is usually wrong here, and how a finding of just that is classified first. */
  readonly typical: string;
  readonly listedAs: Classification;
  readonly asks: Asks;
  /** What this aircraft has taught about this step; absent where nothing. */
  readonly learnt?: string;
  /** Known marks that are compared here; fine says that each is as it was. Absent in plans of before marks belonged to steps. */
  readonly marks?: readonly PlanMark[];
  /** Whether one that nobody saw keeps uses unavailable. */
  readonly matters: boolean;
}

/** What a walk-round is done by. */
export interface WalkPlan {
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

/** The name of the strainer's drain, where an aircraft's drains are not on record by name. */
export const STRAINER = 'strainer';

const PROPELLER: Readonly<Record<NonNullable<PlanAircraft['propeller']>, string>> = {
  never: 'This type is not turned by hand at all.',
  'hub-twist': 'Only a gentle twist at the hub.',
  'turn-for-oil': 'Forward only, until the oil gurgles back to its tank.',
};
const TAB: Readonly<Record<NonNullable<PlanAircraft['tab']>, string>> = {
  'anti-servo': 'This tab moves the same way as its surface.',
  servo: 'This tab moves the opposite way to its surface.',
};
const TAB_UNKNOWN =
  'The aircraft’s data does not say which way: ask an instructor, and answer “could not see”.';
const PROPELLER_UNKNOWN = 'The aircraft’s data does not say: do not turn it.';

const drainsAt = (aircraft: PlanAircraft, strainer: boolean): readonly string[] => {
  const named = aircraft.drains;
  if (named === null) return strainer ? [STRAINER] : aircraft.tanks.map(({ id }) => id);
  const lowest = named.filter((name) => !aircraft.tanks.some(({ id }) => id === name));
  return strainer ? lowest : named.filter((name) => !lowest.includes(name));
};

const sideOf = (name: string): 'left' | 'right' | null =>
  /\bleft\b/u.test(name) ? 'left' : /\bright\b/u.test(name) ? 'right' : null;

/** A name as it stands in a key: letters, digits and hyphens. */
const slug = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/gu, '-')
    .replaceAll(/^-|-$/gu, '');

/** One coming of a step: which of several it is, and where. */
interface Coming {
  readonly which: string | null;
  readonly side: 'left' | 'right' | null;
}

/** How often a step comes on this aircraft. */
function comingsOf(step: CatalogueStep, aircraft: PlanAircraft): readonly Coming[] {
  switch (step.scope) {
    case 'side':
      return [
        { which: 'left', side: 'left' },
        { which: 'right', side: 'right' },
      ];
    case 'left':
      return [{ which: null, side: 'left' }];
    case 'tank':
      return aircraft.tanks.map(({ id }) => ({ which: id, side: sideOf(id) }));
    case 'drain':
      return drainsAt(aircraft, false).map((which) => ({ which, side: sideOf(which) }));
    case 'blade':
      return Array.from({ length: aircraft.blades }, (_, at) => ({ which: `blade ${at + 1}`, side: null }));
    case 'lamp':
      return LAMPS.map((which) => ({ which, side: null }));
    case 'once':
      return step.code === 'K126'
        ? drainsAt(aircraft, true).map((which) => ({ which, side: null }))
        : [{ which: null, side: null }];
    default: {
      const missing: never = step.scope;
      throw new RangeError(`no such scope: ${String(missing)}`);
    }
  }
}

/** A drain that often has water runs at least so many seconds. Common practice, no source. */
const WET_SECONDS = 5;
const isOftenWet = (which: string | null, { oftenWet }: PlanAircraft): boolean =>
  oftenWet.includes(which ?? STRAINER);

function asksOf(
  { measure }: CatalogueStep,
  which: string | null,
  aircraft: PlanAircraft,
  code: string,
): Asks {
  if (measure === null) return { kind: 'look' };
  switch (measure.kind) {
    case 'fuel': {
      const tank = aircraft.tanks.find(({ id }) => id === which);
      if (tank === undefined) return { kind: 'look' };
      return { kind: 'fuel', how: measure.how, tank: tank.id, holds: tank.usable, dip: tank.dip };
    }
    case 'sample':
      return {
        kind: 'sample',
        drain: which ?? STRAINER,
        seconds: isOftenWet(which, aircraft)
          ? Math.max(WET_SECONDS, aircraft.sampleSeconds)
          : aircraft.sampleSeconds,
      };
    case 'good': {
      const wheel = measure.quantity === 'tyre' ? (which ?? 'nose') : null;
      return { kind: 'good', quantity: measure.quantity, which: wheel };
    }
    case 'figure': {
      // A main strut has a side; the nose strut is one of its own.
      const of = measure.quantity === 'strut' ? (code === 'K228' ? 'nose' : (which ?? null)) : which;
      const limits = aircraft.measured.filter((limit) => limit.quantity === measure.quantity);
      const own = limits.filter((limit) => limit.which === of);
      const held = own.length > 0 ? own : limits.filter((limit) => limit.which === null);
      if (held.length === 0) return { kind: 'look' };
      return {
        kind: 'figure',
        quantity: measure.quantity,
        which: held[0]?.which ?? null,
        limits: held.map(({ min, max, open, remedy, uses }) => ({ min, max, open, remedy, uses })),
      };
    }
    default: {
      const missing: never = measure;
      throw new RangeError(`no such measure: ${JSON.stringify(missing)}`);
    }
  }
}

function worded(text: string, which: string | null, aircraft: PlanAircraft): string {
  return text
    .replaceAll('{tank}', which ?? '')
    .replaceAll('{drain}', which ?? '')
    .replaceAll('{blade}', which ?? 'each blade')
    .replaceAll('{tab}', aircraft.tab === null ? TAB_UNKNOWN : TAB[aircraft.tab])
    .replaceAll(
      '{propeller}',
      aircraft.propeller === null ? PROPELLER_UNKNOWN : PROPELLER[aircraft.propeller],
    );
}

const SINGLE_LAMP: Readonly<Record<string, string>> = {
  'left, red': 'Look at the left navigation light',
  'right, green': 'Look at the right navigation light',
  'tail, white': 'Look at the tail navigation light',
};
const LAMP_COLOUR: Readonly<Record<string, string>> = {
  'left, red': 'Lit, and red.',
  'right, green': 'Lit, and green.',
  'tail, white': 'Lit, and white.',
};

function stepAt(
  step: CatalogueStep,
  { which, side }: Coming,
  place: Place,
  aircraft: PlanAircraft,
): PlanStep {
  const lamp = step.scope === 'lamp' && which !== null ? which : null;
  const title =
    lamp !== null
      ? (SINGLE_LAMP[lamp] ?? step.title)
      : step.code === 'K126' && which !== STRAINER && which !== null
        ? `Sample the ${which} drain`
        : worded(step.title, which, aircraft);
  return {
    key: which === null ? step.code : `${step.code}.${slug(which)}`,
    code: step.code,
    station: step.station,
    side,
    place: placeOnAircraft(place.station, place.side),
    title,
    right: lamp === null ? worded(step.right, which, aircraft) : (LAMP_COLOUR[lamp] ?? step.right),
    why: step.why,
    caution: step.caution,
    typical: step.typicalDefect,
    listedAs: step.firstAction,
    asks: asksOf(step, which, aircraft, step.code),
    ...(step.measure?.kind === 'sample' && isOftenWet(which, aircraft)
      ? {
          learnt: `This aircraft often has water here: let it run for ${Math.max(WET_SECONDS, aircraft.sampleSeconds)} seconds.`,
        }
      : {}),
    matters: matters(step),
  };
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
function belongs(
  step: CatalogueStep,
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
