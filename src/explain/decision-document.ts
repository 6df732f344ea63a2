import type { DecidedConstraint, Decision, LimitAhead } from '../core/decision/decision';
import { boxesOf } from '../core/envelope/use-set';
import { decimalHours } from '../core/quantities/hours';
import { instantText } from '../core/time/instant';
import type { ZoneId } from '../core/time/zone';
import { hoursLeftText, hoursOverText, momentText, readingText, timeLeftText } from './formats';
import { ACT_NAMES, entitledText, sourceText } from './lifts';
import { NOT_CHECKED_NAMES } from './names';
import { tellDecided } from './reasons';
import { windowText } from './window-text';

/** Version of the decision document. */
export const DECISION_VERSION = 1;

function constraintDocument(constraint: DecidedConstraint, where: 'in-force' | 'ahead') {
  const { id, rule, pack, source, certainty, reason, records, closes, begins, ends, lifts, condition } = constraint;
  return {
    id, rule, pack, source: { kind: source.kind, text: sourceText(source) }, certainty, condition, ...tellDecided(constraint, where),
    reason, records: [...records], closes: boxesOf(closes),
    begins: begins.kind === 'recorded' ? { kind: begins.kind } : begins.kind === 'instant' ? { kind: begins.kind, at: instantText(begins.at) } : { kind: begins.kind, at: Number(decimalHours(begins.at, 2, 'down')) },
    ends: ends === null ? null : instantText(ends),
    lifts: lifts.map(({ act, by }) => ({ act, words: ACT_NAMES[act], by: entitledText(by) })),
  };
}

function limitDocument(limit: LimitAhead) {
  const constraint = constraintDocument(limit.constraint, 'ahead');
  return limit.currency === 'time'
    ? { currency: limit.currency, at: instantText(limit.at), left: Math.floor(limit.left / 1000), leftUnit: 's' as const, leftText: timeLeftText(limit.left), constraint }
    : { currency: limit.currency, at: Number(decimalHours(limit.at, 2, 'down')), left: Number(decimalHours(limit.left, 2, 'down')), leftUnit: 'h' as const, leftText: hoursLeftText(limit.left), constraint };
}

/** A decision as the published JSON document: codes and values for programs, words for people, in a stable order. */
export function decisionDocument(decision: Decision, zone: ZoneId) {
  const { flight } = decision;
  const limits = decision.limits.map(limitDocument);
  const limit = (wanted: LimitAhead | null) => (wanted === null ? null : limits[decision.limits.indexOf(wanted)] ?? null);
  const packs = [decision.packs.authority, ...(decision.packs.club === null ? [] : [decision.packs.club])];
  return {
    format: 'groval-decision' as const, version: DECISION_VERSION, engine: decision.engine, packs,
    registration: decision.registration, asOf: instantText(decision.asOf), verdict: decision.verdict,
    window: { ...decision.window, text: windowText(decision.window) },
    open: boxesOf(decision.open), full: boxesOf(decision.full),
    timeInService: decision.timeInService === null ? null : Number(decimalHours(decision.timeInService, 2, 'down')),
    rules: decision.rules.map(({ id, title, pack, source, explanation, answer, constraints, missing }) =>
      ({ id, title, pack, source: { kind: source.kind, text: sourceText(source) }, explanation, answer, constraints: [...constraints], missing: [...missing] })),
    constraints: decision.constraints.map((constraint) => constraintDocument(constraint, 'in-force')),
    conditions: decision.constraints.filter(({ condition }) => condition).map(({ id, lifts }) => ({ constraint: id, words: lifts[0] === undefined ? '' : ACT_NAMES[lifts[0].act] })),
    limits, firstLimit: { time: limit(decision.firstLimit.time), hours: limit(decision.firstLimit.hours), landings: decision.firstLimit.landings },
    flight: flight === null ? null : {
      id: flight.flight, answer: flight.answer, needs: boxesOf(flight.needs), closedBy: [...flight.closedBy], notApproved: flight.notApproved, timesContradict: flight.timesContradict,
      outruns: flight.outruns.map((outrun) => ({
        constraint: outrun.constraint.id, currency: outrun.currency,
        by: outrun.currency === 'hours' ? Number(decimalHours(outrun.by, 2, 'up')) : Math.ceil(outrun.by / 1000), byUnit: outrun.currency === 'hours' ? 'h' as const : 's' as const,
        words: outrun.currency === 'hours'
          ? `It would end ${hoursOverText(outrun.by)} past ${readingText(outrun.at)}.`
          : `It would end after ${momentText(outrun.at, zone)}.`,
      })),
    },
    notChecked: decision.notChecked.map((what) => ({ what, words: NOT_CHECKED_NAMES[what] })),
    holdsUntil: decision.holdsUntil === null ? null : instantText(decision.holdsUntil),
    advice: 'Groval advises. The pilot in command, licensed mechanics, the aircraft’s approved documents and local law decide.',
  };
}
