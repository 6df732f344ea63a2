import { boxesOf, difference, isEmpty, type UseSet } from '../envelope/use-set';
import { METER_NAMES, type Meter } from '../records/meters/meters';
import { packVersions } from '../rules/register';
import { canonicalJson, type Plain } from './canonical';
import type { DecidedConstraint, Decision, LimitAhead, Verdict } from './decision';

/** A constraint that is in both decisions but says something else, or ends or begins elsewhere. */
export interface Altered {
  readonly before: DecidedConstraint;
  readonly after: DecidedConstraint;
}

/** What changed from one decision to another on the same aircraft. */
export interface DecisionDiff {
  readonly registration: { readonly before: string; readonly after: string };
  readonly verdict: { readonly before: Verdict; readonly after: Verdict };
  readonly opened: UseSet;
  readonly closed: UseSet;
  /** In force now and not before, gone, and altered; by id. */
  readonly began: readonly DecidedConstraint[];
  readonly ended: readonly DecidedConstraint[];
  readonly altered: readonly Altered[];
  /** Limits ahead that moved, came or went. */
  readonly limits: readonly {
    readonly id: string;
    readonly before: LimitAhead | null;
    readonly after: LimitAhead | null;
  }[];
  readonly meters: readonly {
    readonly meter: Meter;
    readonly before: number | null;
    readonly after: number | null;
  }[];
  /** True when engine or packs differ: then not every change comes from the records. */
  readonly otherRules: boolean;
  readonly same: boolean;
}

const mapById = <T extends { readonly id: string }>(list: readonly T[]) =>
  new Map(list.map((one) => [one.id, one]));
const says = ({ reason, begins, notBefore, certainty, closes }: DecidedConstraint) =>
  canonicalJson({ reason, begins, notBefore, certainty, closes: boxesOf(closes) } as unknown as Plain);

/** What changed since an earlier decision. */
export function diffDecisions(before: Decision, after: Decision): DecisionDiff {
  const old = mapById(before.constraints);
  const now = mapById(after.constraints);
  const began = after.constraints.filter(({ id }) => !old.has(id));
  const ended = before.constraints.filter(({ id }) => !now.has(id));
  const altered = after.constraints.flatMap((one): readonly Altered[] => {
    const then = old.get(one.id);
    return then !== undefined && says(then) !== says(one) ? [{ before: then, after: one }] : [];
  });
  const oldLimits = new Map(before.limits.map((limit) => [limit.constraint.id, limit]));
  const newLimits = new Map(after.limits.map((limit) => [limit.constraint.id, limit]));
  const limits = [...new Set([...oldLimits.keys(), ...newLimits.keys()])]
    .sort()
    .map((id) => ({ id, before: oldLimits.get(id) ?? null, after: newLimits.get(id) ?? null }))
    .filter((one) => one.before?.at !== one.after?.at);
  const meters = METER_NAMES.map((meter) => ({
    meter,
    before: before.meters[meter],
    after: after.meters[meter],
  })).filter((one) => one.before !== one.after);
  const opened = difference(after.open, before.open);
  const closed = difference(before.open, after.open);
  const otherRules =
    before.engine !== after.engine
    || canonicalJson(packVersions(before.packs) as unknown as Plain)
      !== canonicalJson(packVersions(after.packs) as unknown as Plain);
  return {
    registration: { before: before.registration, after: after.registration },
    verdict: { before: before.verdict, after: after.verdict },
    opened,
    closed,
    began,
    ended,
    altered,
    limits,
    meters,
    otherRules,
    same:
      before.registration === after.registration
      && before.verdict === after.verdict
      && isEmpty(opened)
      && isEmpty(closed)
      && began.length + ended.length + altered.length + limits.length + meters.length === 0
      && !otherRules,
  };
}
