import type { DecidedConstraint, Decision, LimitAhead, Exceedance } from '../core/decision/decision';
import type { Action, RemedyPlans } from '../core/decision/remedy-plans';
import { boxesOf } from '../core/envelope/use-set';
import { hoursFromSeconds, decimalHours } from '../core/quantities/hours';
import { isHourMeter, METER_NAMES, type Meter } from '../core/records/meters/meters';
import { packVersions } from '../core/rules/register';
import type { Begins, Cap } from '../core/rules/parts/constraint';
import { instantText, type Instant } from '../core/time/instant';
import type { ZoneId } from '../core/time/zone';
import { capText, durationText, moneyText } from './formats';
import { exceedanceText, leftText } from './limits';
import { ACT_NAMES, actsText, entitledText, sourceText } from './remedies';
import { METER_NAMES_IN_WORDS, NOT_CHECKED_NAMES } from './names';
import { tellDecided } from './reasons';
import { windowText } from './window-text';

/** Version of the decision document. */
export const DECISION_VERSION = 4;

/** The way every document ends. */
export const ADVICE =
  'Groval advises. The pilot in command, licensed mechanics, the aircraft’s approved documents and local law decide.';

/** A meter's value as documents give it: hours with two decimals cut off, or a count. */
export function meterNumber(meter: Meter, value: number, rounding: 'down' | 'up' = 'down'): number {
  return isHourMeter(meter) ? Number(decimalHours(hoursFromSeconds(value), 2, rounding)) : value;
}

function beginsDocument(begins: Begins) {
  switch (begins.kind) {
    case 'recorded':
      return { kind: begins.kind };
    case 'instant':
      return { kind: begins.kind, at: instantText(begins.at) };
    case 'meter':
      return { kind: begins.kind, meter: begins.meter, at: meterNumber(begins.meter, begins.at) };
    default: {
      const missing: never = begins;
      throw new RangeError(`no such boundary: ${JSON.stringify(missing)}`);
    }
  }
}

function capDocument({ quantity, bound, value, own }: Cap) {
  return { quantity, bound, value, own, words: capText({ quantity, bound, value }) };
}

/** A constraint for programs and people. */
export function constraintDocument(constraint: DecidedConstraint, where: 'in-force' | 'ahead') {
  const {
    id,
    rule,
    pack,
    source,
    certainty,
    reason,
    records,
    closes,
    begins,
    notBefore,
    ends,
    remedies,
    condition,
    cap,
    permitMayCover,
  } = constraint;
  return {
    id,
    rule,
    pack,
    source: { kind: source.kind, text: sourceText(source) },
    certainty,
    condition,
    ...tellDecided(constraint, where),
    reason,
    records: [...records],
    closes: boxesOf(closes),
    begins: beginsDocument(begins),
    notBefore: notBefore === null ? null : instantText(notBefore),
    ends: ends === null ? null : instantText(ends),
    cap: cap === null ? null : capDocument(cap),
    permitMayCover,
    remedies: remedies.map(({ act, by, on, leaves }) => ({
      act,
      on,
      words: ACT_NAMES[act],
      by: entitledText(by),
      leaves: leaves === null ? [] : boxesOf(leaves),
    })),
  };
}

function limitDocument(limit: LimitAhead) {
  const constraint = constraintDocument(limit.constraint, 'ahead');
  const leftWords = leftText(limit);
  switch (limit.currency) {
    case 'time':
      return {
        currency: limit.currency,
        meter: null,
        at: instantText(limit.at),
        left: Math.floor(limit.left / 1000),
        leftUnit: 's' as const,
        leftText: leftWords,
        constraint,
      };
    case 'hours':
      return {
        currency: limit.currency,
        meter: limit.meter,
        at: meterNumber(limit.meter, limit.at),
        left: meterNumber(limit.meter, limit.left),
        leftUnit: 'h' as const,
        leftText: leftWords,
        constraint,
      };
    case 'count':
      return {
        currency: limit.currency,
        meter: limit.meter,
        at: limit.at,
        left: limit.left,
        leftUnit: 'count' as const,
        leftText: leftWords,
        constraint,
      };
    default: {
      const missing: never = limit;
      throw new RangeError(`no such currency: ${JSON.stringify(missing)}`);
    }
  }
}

/** A limit that a flight crosses, and by how much. */
export function exceedanceDocument(exceedance: Exceedance, zone: ZoneId) {
  const base = {
    constraint: exceedance.constraint.id,
    currency: exceedance.currency,
    condition: exceedance.constraint.condition,
  };
  const words = exceedanceText(exceedance, zone);
  switch (exceedance.currency) {
    case 'time':
      return { ...base, meter: null, by: Math.ceil(exceedance.by / 1000), byUnit: 's' as const, words };
    case 'hours':
      return {
        ...base,
        meter: exceedance.meter,
        by: meterNumber(exceedance.meter, exceedance.by, 'up'),
        byUnit: 'h' as const,
        words,
      };
    case 'count':
      return { ...base, meter: exceedance.meter, by: exceedance.by, byUnit: 'count' as const, words };
    default: {
      const missing: never = exceedance;
      throw new RangeError(`no such currency: ${JSON.stringify(missing)}`);
    }
  }
}

const actionDocument = ({ act, on, by, minutes, cents, remedies }: Action) => ({
  act,
  on,
  words: ACT_NAMES[act],
  by: entitledText(by),
  minutes,
  cost: cents / 100,
  remedies: [...remedies],
});

/** Remedies for programs and people; null where there is nothing to get out of. */
export function plansDocument(plans: RemedyPlans | null) {
  if (plans === null) return null;
  return {
    withoutRemedy: [...plans.withoutRemedy],
    plans: plans.plans.map(({ actions, minutes, cents }) => ({
      minutes,
      cost: cents / 100,
      acts: actions.map(actionDocument),
      words: `${actsText(actions)}. Estimated: out of service ${durationText(minutes)}${cents === 0 ? '' : `, cost ${moneyText(cents)}`}.`,
    })),
  };
}

const sunText = (moment: Instant | null) => (moment === null ? null : instantText(moment));

/** The remedies of a decision, as they were calculated. */
export interface DecisionPlans {
  readonly flight: RemedyPlans | null;
  readonly wanted: RemedyPlans | null;
  readonly release: RemedyPlans | null;
}

/** A decision as the published JSON document: codes and values for programs, words for people, in a stable order. */
export function decisionDocument(
  decision: Decision,
  zone: ZoneId,
  plans: DecisionPlans,
  inputsHash: string | null = null,
) {
  const { flight, wanted } = decision;
  const limits = decision.limits.map(limitDocument);
  const limit = (one: LimitAhead | null) =>
    one === null ? null : (limits[decision.limits.indexOf(one)] ?? null);
  const packs = [decision.packs.authority, ...(decision.packs.club === null ? [] : [decision.packs.club])];
  return {
    format: 'groval-decision' as const,
    version: DECISION_VERSION,
    engine: decision.engine,
    inputsHash,
    packs: packVersions(decision.packs).map(({ id, version }) => ({ id, version })),
    parameters: Object.fromEntries(
      packs.flatMap((pack) =>
        'parameters' in pack
          ? Object.entries(pack.parameters as unknown as Record<string, string | number>).map(
              ([name, value]) => [`${pack.id}.${name}`, value],
            )
          : [],
      ),
    ),
    registration: decision.registration,
    asOf: instantText(decision.asOf),
    verdict: decision.verdict,
    availability: decision.availability,
    window: { ...decision.window, text: windowText(decision.window) },
    open: boxesOf(decision.open),
    full: boxesOf(decision.full),
    caps: decision.caps.map(capDocument),
    permits: decision.reliefs.map(({ permit, uses, until, covers }) => ({
      permit,
      opens: boxesOf(uses),
      until: instantText(until),
      covers: [...covers],
    })),
    meters: Object.fromEntries(
      METER_NAMES.map((meter) => {
        const value = decision.meters[meter];
        return [meter, value === null ? null : meterNumber(meter, value)];
      }),
    ),
    rules: decision.rules.map(({ id, title, pack, source, explanation, answer, constraints, missing }) => ({
      id,
      title,
      pack,
      source: { kind: source.kind, text: sourceText(source) },
      explanation,
      answer,
      constraints: [...constraints],
      missing: [...missing],
    })),
    constraints: decision.constraints.map((constraint) => constraintDocument(constraint, 'in-force')),
    notices: decision.notices.map((constraint) => constraintDocument(constraint, 'in-force')),
    conditions: decision.constraints
      .filter(({ condition }) => condition)
      .map(({ id, remedies }) => ({
        constraint: id,
        words: remedies[0] === undefined ? '' : ACT_NAMES[remedies[0].act],
      })),
    limits,
    firstLimit: {
      time: limit(decision.firstLimit.time),
      hours: limit(decision.firstLimit.hours),
      landings: limit(decision.firstLimit.landings),
    },
    flight:
      flight === null
        ? null
        : {
            id: flight.flight,
            answer: flight.answer,
            needs: boxesOf(flight.needs),
            closedBy: [...flight.closedBy],
            authorisedWithout: [...flight.authorisedWithout],
            notApproved: flight.notApproved,
            timesContradict: flight.timesContradict,
            own: flight.own.map((constraint) => constraintDocument(constraint, 'in-force')),
            exceedances: flight.exceedances.map((exceedance) => exceedanceDocument(exceedance, zone)),
            light: flight.light.map(({ place, light, sun }) => ({
              place,
              light: [...light],
              date: sun.date,
              dawn: sunText(sun.dawn),
              sunrise: sunText(sun.sunrise),
              sunset: sunText(sun.sunset),
              nightfall: sunText(sun.nightfall),
            })),
            remedyPlans: plansDocument(plans.flight),
          },
    wanted:
      wanted === null
        ? null
        : {
            answer: wanted.answer,
            uses: boxesOf(wanted.wanted),
            closedBy: [...wanted.closedBy],
            notApproved: wanted.notApproved,
            remedyPlans: plansDocument(plans.wanted),
          },
    toRelease: plansDocument(plans.release),
    notChecked: decision.notChecked.map((what) => ({ what, words: NOT_CHECKED_NAMES[what] })),
    holdsUntil: decision.holdsUntil === null ? null : instantText(decision.holdsUntil),
    advice: ADVICE,
  };
}

/** What a meter is called, for lists. */
export function meterName(meter: Meter): string {
  return METER_NAMES_IN_WORDS[meter];
}
