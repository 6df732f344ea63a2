import type { Classification } from '../records/findings/discrepancy';
import type { MeasureLimit, Quantity } from '../records/walkround/measurement';
import type { DipStick, RampData } from '../records/walkround/ramp-data';
import type { EquipmentKind } from '../records/aircraft/equipment';
import type { FullBox } from '../envelope/dimensions';
import { matters, type CatalogueStep } from './catalogue';
import { placeOnAircraft } from './place';
import type { Place } from './route';
import { LAMPS } from './step-scope';

/** A lasting mark that somebody entitled accepted: it is compared on each walk-round. */
export interface PlanMark {
  readonly id: string;
  readonly what: string;
  readonly size: string | null;
  readonly station: string;
  readonly side: 'left' | 'right' | null;
  /** The step that looks at it, by its code; null where nobody said. */
  readonly step: string | null;
  /** Where on the drawing, in thousandths of its width and height; null where nobody said. */
  readonly x: number | null;
  readonly y: number | null;
  readonly photos: readonly string[];
}

/**
 * What decides which steps an aircraft has, and what its figures are held to. A field that is null is not known: then nothing is left
 * out for it.
 */
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
export const slug = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/gu, '-')
    .replaceAll(/^-|-$/gu, '');

/** One coming of a step: which of several it is, and where. */
export interface Coming {
  readonly which: string | null;
  readonly side: 'left' | 'right' | null;
}

/** How often a step comes on this aircraft. */
export function comingsOf(step: CatalogueStep, aircraft: PlanAircraft): readonly Coming[] {
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

export function asksOf(
  { measure }: Pick<CatalogueStep, 'measure'>,
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
        // A limit that names none holds for each of several: one figure never speaks for another.
        which: of,
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

/** A step as it is done on one aircraft: one coming of it, at one place. */
export function stepAt(
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
