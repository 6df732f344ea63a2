import type { CertificateKind } from '../../records/club/certificate';
import type { BoundRule } from '../packs/pack';
import type { Constraint, Entitled, Source } from './constraint';

/** Certificates that only the American system has; what their holders do there a licensed engineer does here. */
const AMERICAN: readonly CertificateKind[] = [
  'mechanic-airframe-powerplant',
  'inspection-authorisation',
  'light-sport-repairman',
  'light-sport-inspector',
  'experimental-builder',
];

function entitledHere(by: Entitled): Entitled {
  return by.kind === 'certificate'
    ? {
        ...by,
        anyOf: [...new Set(by.anyOf.map((kind) => (AMERICAN.includes(kind) ? 'licensed-engineer' : kind)))],
      }
    : by;
}

/**
 * A rule that both systems have, as it stands in Australia: what it asks is the same, its place in the law and the people entitled are not.
 * @param citation its published place (from memory); null for one that rests on no regulation
 */
export function inAustralia(rule: BoundRule, citation: string | null): BoundRule {
  const here = (source: Source): Source =>
    source.kind === 'regulation' && citation !== null ? { kind: 'regulation', citation } : source;
  const told = (one: Constraint): Constraint => ({
    ...one,
    source: here(one.source),
    remedies: one.remedies.map((remedy) => ({ ...remedy, by: entitledHere(remedy.by) })),
  });
  const { judge, judgeFlight } = rule;
  return {
    ...rule,
    source: here(rule.source),
    judge: (facts) => {
      const answer = judge(facts);
      return { ...answer, constraints: answer.constraints.map(told) };
    },
    ...(judgeFlight === undefined
      ? {}
      : {
          judgeFlight: (facts, parameters, flight, needs) =>
            judgeFlight(facts, parameters, flight, needs).map(told),
        }),
  };
}
