import { compareTexts } from '../order';
import { complement, isWithin, overlaps, type UseSet } from '../envelope/use-set';
import type { Estimate } from '../records/flights/movement';
import { FERRY, isWithinReachOfPermits } from '../records/maintenance/permit';
import { OWNER, remedy, type Act, type Entitled, type Remedy } from '../rules/parts/constraint';
import { ACT_ESTIMATES } from './act-estimates';
import type { DecidedConstraint } from './decision';

/** One act of a remedy, done once for everything that it clears. */
export interface Action {
  readonly act: Act;
  readonly on: string | null;
  readonly by: Entitled;
  /** Whole minutes out of service and whole cents, as estimated. */
  readonly minutes: number;
  readonly cents: number;
  /** Ids of the constraints that it clears. */
  readonly remedies: readonly string[];
}

/** A set of acts that together open what is wanted. */
export interface RemedyPlan {
  readonly actions: readonly Action[];
  readonly minutes: number;
  readonly cents: number;
}

/** The remedies, the best first, and what no act clears. */
export interface RemedyPlans {
  readonly plans: readonly RemedyPlan[];
  /** Constraints in the plan that no act clears: then there is no remedy. */
  readonly withoutRemedy: readonly string[];
}

/** The best plan and up to four next-best ones. */
export const MAX_PLANS = 5;

/** Ferry flights, which a special permit may open. */
const PERMIT: Remedy = remedy('obtain-special-flight-permit', OWNER, null, complement(FERRY));

/** The permit by which a ferry flight may go in spite of a constraint; nothing where none may cover it. */
export const permitFor = ({ permitMayCover, closes }: DecidedConstraint): readonly Remedy[] =>
  permitMayCover && isWithinReachOfPermits(closes) ? [PERMIT] : [];

const keyOf = ({ act, on }: Pick<Remedy, 'act' | 'on'>): string => `${act} ${on ?? ''}`;

interface Option {
  readonly key: string;
  readonly remedy: Remedy;
  readonly minutes: number;
  readonly cents: number;
}

function priced(one: Remedy, estimates: readonly Estimate[]): Option {
  const own =
    estimates.find(({ act, on }) => act === one.act && on === one.on)
    ?? estimates.find(({ act, on }) => act === one.act && on === null);
  return {
    key: keyOf(one),
    remedy: one,
    minutes: (own ?? ACT_ESTIMATES[one.act]).minutes,
    cents: (own ?? ACT_ESTIMATES[one.act]).cents,
  };
}

/** The alternatives that clear a constraint for the wanted uses: those that leave some of them closed do not. */
function optionsOf(
  constraint: DecidedConstraint,
  wanted: UseSet,
  estimates: readonly Estimate[],
  helps: (one: Remedy) => boolean,
): readonly Option[] {
  const own = [...constraint.remedies, ...(isWithin(wanted, FERRY) ? permitFor(constraint) : [])];
  const seen = new Map<string, Option>();
  for (const one of own) {
    if ((one.leaves !== null && overlaps(one.leaves, wanted)) || !helps(one)) continue;
    const option = priced(one, estimates);
    if (!seen.has(option.key)) seen.set(option.key, option);
  }
  return [...seen.values()];
}

/** Order of plans: time out of service, then cost, then the number of acts. */
export interface Price {
  readonly minutes: number;
  readonly cents: number;
  readonly acts: number;
}

/** Negative where `a` is the better. */
export function comparePrice(a: Price, b: Price): number {
  return a.minutes - b.minutes || a.cents - b.cents || a.acts - b.acts;
}

/** Acts in the order of their keys, and what they take together. */
interface Found {
  readonly acts: readonly Option[];
  readonly price: Price;
}

const FREE: Price = { minutes: 0, cents: 0, acts: 0 };
const priceOf = ({ minutes, cents }: Option): Price => ({ minutes, cents, acts: 1 });
const sum = (a: Price, b: Price): Price => ({
  minutes: a.minutes + b.minutes,
  cents: a.cents + b.cents,
  acts: a.acts + b.acts,
});
const byKey = (a: Option, b: Option): number => compareTexts(a.key, b.key);
const keysOf = ({ acts }: Found): string => acts.map(({ key }) => key).join();
const better = (a: Found, b: Found): number =>
  comparePrice(a.price, b.price) || compareTexts(keysOf(a), keysOf(b));

/** Each list of alternatives is a demand: at least one of them must be done. */
type Demand = readonly Option[];

/** Demands that share an act belong together; the parts have nothing to do with each other. */
function independentParts(demands: readonly Demand[]): readonly (readonly Demand[])[] {
  const parts: { keys: Set<string>; demands: Demand[] }[] = [];
  for (const demand of demands) {
    const touching = parts.filter(({ keys }) => demand.some(({ key }) => keys.has(key)));
    const merged = {
      keys: new Set([...touching.flatMap(({ keys }) => [...keys]), ...demand.map(({ key }) => key)]),
      demands: [...touching.flatMap((part) => part.demands), demand],
    };
    for (const part of touching) parts.splice(parts.indexOf(part), 1);
    parts.push(merged);
  }
  return parts.map((part) => part.demands);
}

/**
 * The best sets of acts that meet every demand of one part, none with an act that could be left out.
 * Branches over the demand with the fewest alternatives and leaves a branch as soon as it cannot be among the best.
 */
function bestOfPart(part: readonly Demand[]): readonly Found[] {
  const best: Found[] = [];
  const meets = (chosen: ReadonlyMap<string, Option>, demand: Demand) =>
    demand.some(({ key }) => chosen.has(key));
  const visit = (chosen: ReadonlyMap<string, Option>, banned: ReadonlySet<string>, price: Price): void => {
    const open = part
      .filter((demand) => !meets(chosen, demand))
      .map((demand) => demand.filter(({ key }) => !banned.has(key)));
    if (open.some((demand) => demand.length === 0)) return;
    if (open.length === 0) {
      const acts = [...chosen.values()].sort(byKey);
      const needed = acts.every(({ key }) =>
        part.some(
          (demand) =>
            demand.filter((option) => chosen.has(option.key)).every((option) => option.key === key)
            && demand.some((option) => option.key === key),
        ),
      );
      if (!needed) return;
      best.push({ acts, price });
      best.sort(better);
      best.splice(MAX_PLANS);
      return;
    }
    // At least one alternative of some open demand is still to come: the cheapest of the dearest demand.
    const least = open
      .map((demand) => demand.map(priceOf).reduce((a, b) => (comparePrice(a, b) <= 0 ? a : b)))
      .reduce((a, b) => (comparePrice(a, b) >= 0 ? a : b));
    const worst = best[MAX_PLANS - 1];
    if (worst !== undefined && comparePrice(sum(price, least), worst.price) > 0) return;
    const [first] = [...open].sort((a, b) => a.length - b.length);
    const skipped = new Set(banned);
    for (const option of first ?? []) {
      visit(new Map([...chosen, [option.key, option]]), skipped, sum(price, priceOf(option)));
      // What was tried here is left out from now on, so that no set is found twice.
      skipped.add(option.key);
    }
  };
  visit(new Map(), new Set(), FREE);
  return best;
}

/** The best combinations of one set from each part. */
function combine(parts: readonly (readonly Found[])[]): readonly Found[] {
  let sofar: readonly Found[] = [{ acts: [], price: FREE }];
  for (const part of parts) {
    sofar = sofar
      .flatMap((a) =>
        part.map((b): Found => ({
          acts: [...a.acts, ...b.acts].sort(byKey),
          price: sum(a.price, b.price),
        })),
      )
      .sort(better)
      .slice(0, MAX_PLANS);
  }
  return sofar;
}

/**
 * The smallest sets of acts that open `wanted`: exact, with up to four next-best. One act counts once for all that it clears.
 * Minutes and costs are added up, as if one thing were done after the other.
 * @param helps false for an act that would not be enough: what it leaves would close again at once
 * @param inTheWay the constraints that have to go: those in force on the wanted uses, and limits that a flight would cross
 */
export function remedyPlans(
  inTheWay: readonly DecidedConstraint[],
  wanted: UseSet,
  estimates: readonly Estimate[],
  helps: (one: Remedy) => boolean,
): RemedyPlans {
  const demands = inTheWay.map((constraint) => ({
    constraint,
    options: optionsOf(constraint, wanted, estimates, helps),
  }));
  const withoutRemedy = demands
    .filter(({ options }) => options.length === 0)
    .map(({ constraint }) => constraint.id);
  if (withoutRemedy.length > 0) return { plans: [], withoutRemedy };
  const distinct = new Map(
    demands.map(({ options }) => [
      options
        .map(({ key }) => key)
        .sort()
        .join('\n'),
      options,
    ]),
  );
  const found = combine(independentParts([...distinct.values()]).map(bestOfPart));
  return {
    withoutRemedy: [],
    plans: found.map(({ acts, price: { minutes, cents } }): RemedyPlan => ({
      minutes,
      cents,
      actions: acts.map((option): Action => ({
        act: option.remedy.act,
        on: option.remedy.on,
        by: option.remedy.by,
        minutes: option.minutes,
        cents: option.cents,
        remedies: demands
          .filter(({ options }) => options.some(({ key }) => key === option.key))
          .map(({ constraint }) => constraint.id),
      })),
    })),
  };
}
