import { ALL_USES, usesInAny } from '../envelope/use-set';
import { latestAll } from '../records/facts';
import type { ClubPaper } from '../records/movement';
import { endOfDay } from '../time/zone';
import { constraint, from, lift, OWNER, RECORD_KEEPER, type Constraint } from './parts/constraint';
import { each, result, rule } from './parts/rule';

const source = { kind: 'club-policy' } as const;

/** Whether a club wants proof of insurance on record. The second is the stricter. */
export const INSURANCE = ['not-asked', 'required'] as const;

/** Insurance and the club's own papers, each with its date. */
export const clubPapers = rule({
  id: 'club-papers',
  title: 'Insurance and club papers',
  source,
  explanation: 'Where the club asks for it, insurance in force must be on record; other papers of the club hold to their own dates, for the uses that need them.',
  judge: (facts, { insurance }: { readonly insurance: (typeof INSURANCE)[number] }) => {
    const missing: string[] = [];
    const byName = new Map<string, ClubPaper[]>();
    for (const paper of facts.clubPapers) {
      const key = `${paper.kind}/${paper.name}`;
      byName.set(key, [...byName.get(key) ?? [], paper]);
    }
    const constraints = [...byName].sort(([a], [b]) => (a < b ? -1 : 1)).flatMap(([key, papers]) => each(latestAll(papers), (paper): readonly Constraint[] => {
      if (paper.validUntil === 'no-expiry') return [];
      const made = { key, source, records: [paper.id], closes: usesInAny(paper.uses) };
      if (paper.validUntil === null) {
        missing.push(`clubPapers.${paper.id}.validUntil`);
        return [constraint({ ...made, certainty: 'unknown', reason: { code: 'paper-expiry-unknown', name: paper.name }, lifts: [lift('renew-paper', RECORD_KEEPER, key)] })];
      }
      return [constraint({ ...made, certainty: 'failed', reason: { code: 'paper-expires', name: paper.name, lastDay: paper.validUntil }, begins: from(endOfDay(paper.validUntil, facts.place.zone)), lifts: [lift('renew-paper', OWNER, key)] })];
    }));
    if (insurance === 'required' && !facts.clubPapers.some(({ kind }) => kind === 'insurance')) {
      missing.push('clubPapers (insurance)');
      constraints.push(constraint({ key: 'insurance', certainty: 'unknown', source, reason: { code: 'paper-missing', kind: 'insurance' }, closes: ALL_USES, lifts: [lift('renew-paper', RECORD_KEEPER, 'insurance')] }));
    }
    return result(constraints, missing);
  },
});
