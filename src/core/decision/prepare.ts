import { byId } from '../order';
import { ORDINARY_USES } from '../envelope/ordinary';
import {
  countUses,
  intersection,
  isWithin,
  NO_USES,
  overlaps,
  sameUses,
  usesInAny,
  type UseSet,
} from '../envelope/use-set';
import { windowParts, type WindowPart } from '../envelope/window-picture';
import { knownAt, type AircraftFacts, type KnownFacts } from '../records/facts';
import { isHourMeter, METER_NAMES, type Meter, type MeterValues } from '../records/meters/meters';
import { isWithinReachOfPermits, reliefsOf, type Relief } from '../records/maintenance/permit';
import { wasLookedAt } from '../records/walkround/measurement';
import { ANYBODY, remedy, RECORD_KEEPER, type Constraint } from '../rules/parts/constraint';
import { authorityOf, chosenRules, type ChosenRule, type PackChoices } from '../rules/register';
import type { Instant } from '../time/instant';
import type { Place } from '../time/sun';
import type { DecidedConstraint, DecisionParts, NotChecked, RuleAnswer } from './decision';

/** A constraint with what a decision asks of it again and again. */
export interface PreparedConstraint {
  readonly constraint: DecidedConstraint;
  /** It closes a use that the aircraft has. */
  readonly touches: boolean;
  /** It closes an ordinary use. */
  readonly ordinary: boolean;
  /** It restricts, though it closes nothing: the number is below the aircraft's own. */
  readonly caps: boolean;
  /** Every permit that still holds may cover it: what was not on record when one of them was issued is covered by none. */
  readonly coverable: boolean;
}

/** A rule's own constraints by id, before a moment has said which of them bite. */
export interface PreparedRule {
  readonly about: Omit<RuleAnswer, 'answer' | 'constraints'>;
  readonly notAsked: boolean;
  /** Its constraints by id, and their places in the preparation's. */
  readonly own: readonly DecidedConstraint[];
  readonly places: readonly number[];
}

/** Kinds of boundaries in the packed table. */
export const BY_RECORD = 0;
export const BY_INSTANT = 1;
export const BY_METER = 2;

/** A constraint with a boundary that may lie ahead. */
export interface MayComeAhead {
  readonly place: number;
  readonly constraint: DecidedConstraint;
  /** Null for a moment in time. */
  readonly meter: Meter | null;
  readonly hours: boolean;
  readonly boundary: number;
  /** It closes an ordinary use, and is no step before a flight. */
  readonly counts: boolean;
}

/** What a decision asks of each constraint, by its place, packed so that hundreds of them are compared without looking anything up. */
export interface Packed {
  readonly kind: Uint8Array;
  readonly at: Float64Array;
  readonly meter: Uint8Array;
  /** Minus infinity where it waits for no moment. */
  readonly notBefore: Float64Array;
  /** Infinity where only a remedy ends it. */
  readonly ends: Float64Array;
  /** The number of its set of uses. */
  readonly set: Uint16Array;
  readonly sets: readonly UseSet[];
  /** The constraints that may lie ahead on uses that the aircraft has: hours, counts, time; on each meter, and in time, the nearest first. */
  readonly ahead: readonly MayComeAhead[];
  /** True when more than one meter of a currency has limits: then what is nearest depends on what they show. */
  readonly mixed: boolean;
}

/**
 * Everything about an aircraft that does not change until its records do: what each rule found, and what the aircraft has at all.
 * Rules answer with boundaries in time and hours, never by comparing with a clock, so one preparation serves every later moment.
 */
export interface Prepared {
  readonly packs: PackChoices;
  readonly registration: string;
  readonly place: Place;
  /** The facts are those known at this moment; only this and later moments may be decided from them. */
  readonly knownAt: Instant;
  readonly full: UseSet;
  /** The ordinary uses that the aircraft has. */
  readonly ordinary: UseSet;
  readonly window: readonly WindowPart[];
  /** Every meter, where the records agree on it. */
  readonly meters: MeterValues;
  /** What the rules see; for the questions that only a flight raises. */
  readonly facts: KnownFacts;
  readonly flightRules: readonly ChosenRule[];
  readonly reliefs: readonly Relief[];
  /** What is worth telling though it closes nothing. */
  readonly notices: readonly DecidedConstraint[];
  readonly notChecked: readonly NotChecked[];
  readonly availability: DecisionParts['availability'];
  readonly rules: readonly PreparedRule[];
  /** Every constraint, in the order in which people are told. Equal sets of uses are one and the same object. */
  readonly constraints: readonly PreparedConstraint[];
  readonly packed: Packed;
}

interface Weighed {
  readonly constraint: DecidedConstraint;
  readonly closes: Known;
  place: number;
}

/** Workshop before a step, failed before unknown, what is known to bite before what may, more closed uses first; the id settles the rest. */
function byWeight(a: Weighed, b: Weighed): number {
  const rank = ({ constraint: { condition, certainty, begins } }: Weighed) =>
    Number(condition) * 4
    + Number(certainty === 'unknown') * 2
    + Number(certainty === 'unknown' && begins.kind === 'meter');
  return rank(a) - rank(b) || b.closes.uses - a.closes.uses || byId(a.constraint, b.constraint);
}

/** A set of uses with what is asked of it again and again. */
interface Known {
  readonly set: UseSet;
  readonly number: number;
  readonly uses: number;
  readonly touches: boolean;
  readonly ordinary: boolean;
}

/** Answers one object for equal sets, so that a decision adds each only once. */
function interned(full: UseSet): (set: UseSet) => Known {
  const known: Known[] = [];
  const seen = new Map<UseSet, Known>();
  return (set) => {
    let same = seen.get(set);
    if (same !== undefined) return same;
    same = known.find((one) => sameUses(one.set, set));
    if (same === undefined) {
      same = {
        set,
        number: known.length,
        uses: countUses(set),
        touches: overlaps(set, full),
        ordinary: overlaps(set, ORDINARY_USES),
      };
      known.push(same);
    }
    seen.set(set, same);
    return same;
  };
}

/** What follows from an aircraft's approvals alone. */
interface Approved {
  readonly ordinary: UseSet;
  readonly window: readonly WindowPart[];
}

const approvedKnown = new WeakMap<UseSet, Approved>();

/** Aircraft with the same approvals share one set, and so what follows from it. */
function approvedFor(full: UseSet): Approved {
  let approved = approvedKnown.get(full);
  if (approved === undefined) {
    approved = { ordinary: intersection(full, ORDINARY_USES), window: windowParts(full) };
    approvedKnown.set(full, approved);
  }
  return approved;
}

function metersOf({ meters }: KnownFacts): MeterValues {
  const value = (meter: Meter) => {
    const standing = meters[meter];
    return standing.state === 'known' ? standing.value : null;
  };
  return {
    'time-in-service': value('time-in-service'),
    engine: value('engine'),
    propeller: value('propeller'),
    block: value('block'),
    landings: value('landings'),
    cycles: value('cycles'),
    'tow-launches': value('tow-launches'),
  };
}

function notCheckedIn({ ramp }: KnownFacts, { authority, club }: PackChoices): readonly NotChecked[] {
  return [
    'pilot-licence-medical-currency',
    'weather-and-notices',
    'loading',
    ...(!wasLookedAt(ramp) ? (['fuel-and-oil-aboard', 'walk-round'] as const) : []),
    ...(club === null ? (['club-policy'] as const) : []),
    ...(authority.id === 'au-maintenance-release' ? (['australian-equipment'] as const) : []),
  ];
}

function availabilityOf({ flightsOut }: KnownFacts): DecisionParts['availability'] {
  const open = flightsOut.filter(({ returned }) => returned === null).length;
  return open === 0 ? 'here' : open === 1 ? 'out' : 'contradicts';
}

/** A rule's constraint with its rule and pack. Written out: a spread here costs more than all the rest. */
export function decided(
  constraint: Constraint,
  rule: string,
  pack: string,
  closes: UseSet,
  certainty: Constraint['certainty'],
  remedies: Constraint['remedies'] = constraint.remedies,
): DecidedConstraint {
  const {
    key,
    source,
    reason,
    records,
    begins,
    notBefore,
    ends,
    condition,
    atStart,
    notice,
    cap,
    permitMayCover,
  } = constraint;
  return {
    key,
    certainty,
    source,
    reason,
    records,
    closes,
    begins,
    notBefore,
    ends,
    remedies,
    condition,
    atStart,
    notice,
    cap,
    permitMayCover,
    id: `${rule}/${key}`,
    rule,
    pack,
  };
}

const CURRENCY = (meter: Meter): number => (isHourMeter(meter) ? 0 : 1);

/** The packed table of constraints that are in their final order. */
function pack(weighed: readonly Weighed[]): Packed {
  const count = weighed.length;
  const table = {
    kind: new Uint8Array(count),
    at: new Float64Array(count),
    meter: new Uint8Array(count),
    notBefore: new Float64Array(count),
    ends: new Float64Array(count),
    set: new Uint16Array(count),
  };
  const sets: UseSet[] = [];
  const ahead: (MayComeAhead & { readonly rank: number })[] = [];
  const meters = [new Set<Meter>(), new Set<Meter>()];
  for (const [place, { constraint, closes }] of weighed.entries()) {
    const { begins, notBefore, ends } = constraint;
    sets[closes.number] = closes.set;
    table.set[place] = closes.number;
    table.notBefore[place] = notBefore ?? Number.NEGATIVE_INFINITY;
    table.ends[place] = ends ?? Number.POSITIVE_INFINITY;
    if (begins.kind === 'recorded') continue;
    table.at[place] = begins.at;
    if (begins.kind === 'instant') table.kind[place] = BY_INSTANT;
    else {
      table.kind[place] = BY_METER;
      table.meter[place] = METER_NAMES.indexOf(begins.meter);
      meters[CURRENCY(begins.meter)]?.add(begins.meter);
    }
    if (!closes.touches) continue;
    const meter = begins.kind === 'instant' ? null : begins.meter;
    ahead.push({
      place,
      constraint,
      meter,
      hours: meter !== null && isHourMeter(meter),
      boundary: begins.at,
      counts: closes.ordinary && !constraint.condition,
      rank: meter === null ? 1000 : CURRENCY(meter) * 100 + METER_NAMES.indexOf(meter),
    });
  }
  ahead.sort((a, b) => a.rank - b.rank || a.boundary - b.boundary || byId(a.constraint, b.constraint));
  return { ...table, sets, ahead, mixed: meters.some(({ size }) => size > 1) };
}

/**
 * Whether a constraint stood when a permit was issued: the same one, resting on the same records, for the same reason, and closing no
 * more than then. Later work, refusals, removals, measurements and finds are not what somebody looked at who issued it.
 */
function onRecordAt(
  facts: AircraftFacts,
  moment: Instant,
  packs: PackChoices,
  chosen: readonly ChosenRule[],
): (constraint: DecidedConstraint) => boolean {
  const then = knownAt(facts, moment, authorityOf(packs));
  const stood = new Map<string, Constraint>(
    chosen.flatMap(({ pack: of, rule }) =>
      rule.judge(then).constraints.map((one) => [`${of} ${rule.id}/${one.key}`, one] as const),
    ),
  );
  return ({ pack: of, id, reason, records, closes }) => {
    const was = stood.get(`${of} ${id}`);
    return (
      was !== undefined
      && was.reason.code === reason.code
      && was.records.join('\n') === records.join('\n')
      && isWithin(closes, was.closes)
    );
  };
}

/** While a meter is not known, only knowing it clears the limits on it: doing the work over would not say what it shows. */
function meterRemedies({ meters }: KnownFacts, meter: Meter): Constraint['remedies'] {
  return meters[meter].state === 'unknown'
    ? [remedy('record-meter-reading', ANYBODY, meter)]
    : [remedy('correct-meter-reading', RECORD_KEEPER, meter)];
}

/**
 * Asks every rule of the chosen packs about the facts as they were known at `moment`.
 * @param chosen the rules; only checks of single rules give fewer than the packs have
 */
export function prepare(
  facts: AircraftFacts,
  packs: PackChoices,
  moment: Instant,
  chosen: readonly ChosenRule[] = chosenRules(packs),
): Prepared {
  const known = knownAt(facts, moment, authorityOf(packs));
  const meters = metersOf(known);
  const full = known.aircraft.approvedFor === null ? NO_USES : usesInAny(known.aircraft.approvedFor);
  const one = interned(full);
  const weighed: Weighed[] = [];
  const notices: DecidedConstraint[] = [];
  const answered = chosen.map(({ pack: of, rule }) => {
    const { id, title, source, explanation } = rule;
    const { constraints, missing, notAsked } = rule.judge(known);
    const own: Weighed[] = [];
    for (const constraint of constraints) {
      const { begins } = constraint;
      if (constraint.notice) {
        notices.push(decided(constraint, id, of, constraint.closes, constraint.certainty));
        continue;
      }
      const closes = one(constraint.closes);
      // What closes only uses that the aircraft never had is no constraint on it.
      if (!closes.touches && known.aircraft.approvedFor !== null) continue;
      // A limit on a meter bites while the meter is not known, because nobody can say that it has not come: that is not knowing, not failing.
      const unsure = begins.kind === 'meter' && meters[begins.meter] === null ? begins.meter : null;
      const made = decided(
        constraint,
        id,
        of,
        closes.set,
        unsure === null ? constraint.certainty : 'unknown',
        unsure === null ? constraint.remedies : meterRemedies(known, unsure),
      );
      own.push({ constraint: made, closes, place: 0 });
    }
    if (own.length > 1) own.sort((a, b) => byId(a.constraint, b.constraint));
    weighed.push(...own);
    return { about: { id, title, pack: of, source, explanation, missing }, notAsked: notAsked === true, own };
  });
  weighed.sort(byWeight);
  for (let place = 0; place < weighed.length; place += 1) {
    const at = weighed[place];
    if (at !== undefined) at.place = place;
  }
  const rules = answered.map(({ about, notAsked, own }): PreparedRule => ({
    about,
    notAsked,
    own: own.map(({ constraint }) => constraint),
    places: own.map(({ place }) => place),
  }));
  const { registration } = known.aircraft;
  const reliefs = reliefsOf(known.permits, registration, known.place.zone, known.authority).filter(
    ({ until }) => until > moment,
  );
  const stood = reliefs.map(({ knows }) => onRecordAt(facts, knows, packs, chosen));
  const constraints = weighed.map(({ constraint, closes: { touches, ordinary } }): PreparedConstraint => {
    const { cap } = constraint;
    const below =
      cap !== null && (cap.own === null || (cap.bound === 'at-most' ? cap.value < cap.own : true));
    const { permitMayCover } = constraint;
    return {
      constraint,
      touches,
      ordinary,
      caps: below && ordinary,
      coverable:
        permitMayCover
        && reliefs.length > 0
        && isWithinReachOfPermits(constraint.closes)
        && stood.every((was) => was(constraint)),
    };
  });
  return {
    packs,
    registration,
    place: known.place,
    knownAt: moment,
    full,
    ...approvedFor(full),
    meters,
    facts: known,
    rules,
    constraints,
    packed: pack(weighed),
    flightRules: chosen.filter(({ rule }) => rule.judgeFlight !== undefined),
    reliefs,
    notices: notices.sort(byId),
    notChecked: notCheckedIn(known, packs),
    availability: availabilityOf(known),
  };
}
