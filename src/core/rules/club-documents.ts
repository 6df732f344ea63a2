import { compareTexts } from '../order';
import { ALL_USES, usesInAny } from '../envelope/use-set';
import { latestAll } from '../records/facts';
import type { ClubDocument } from '../records/flights/movement';
import { endOfDay } from '../time/zone';
import { constraint, from, remedy, OWNER, RECORD_KEEPER, type Constraint } from './parts/constraint';
import { each, result, rule } from './parts/rule';

const source = { kind: 'club-policy' } as const;

/** Whether a club wants proof of insurance on record. The second is the stricter. */
export const INSURANCE = ['not-asked', 'required'] as const;

/** Insurance and the club's own documents, each with its date. */
export const clubDocuments = rule({
  id: 'club-documents',
  title: 'Insurance and club documents',
  source,
  explanation:
    'Where the club asks for it, insurance in force must be on record; other club documents hold to their own dates, for the uses that need them.',
  judge: (facts, { insurance }: { readonly insurance: (typeof INSURANCE)[number] }) => {
    const missing: string[] = [];
    const byName = new Map<string, ClubDocument[]>();
    for (const paper of facts.clubDocuments) {
      const key = `${paper.kind}/${paper.name}`;
      byName.set(key, [...(byName.get(key) ?? []), paper]);
    }
    const constraints = [...byName]
      .sort(([a], [b]) => compareTexts(a, b))
      .flatMap(([key, papers]) =>
        each(latestAll(papers), (paper): readonly Constraint[] => {
          if (paper.validUntil === 'no-expiry') return [];
          const made = { key, source, records: [paper.id], closes: usesInAny(paper.uses) };
          if (paper.validUntil === null) {
            missing.push(`clubDocuments.${paper.id}.validUntil`);
            return [
              constraint({
                ...made,
                certainty: 'unknown',
                reason: { code: 'club-document-expiry-unknown', name: paper.name },
                remedies: [remedy('renew-club-document', RECORD_KEEPER, key)],
              }),
            ];
          }
          return [
            constraint({
              ...made,
              certainty: 'failed',
              reason: { code: 'club-document-expires', name: paper.name, lastDay: paper.validUntil },
              begins: from(endOfDay(paper.validUntil, facts.place.zone)),
              remedies: [remedy('renew-club-document', OWNER, key)],
            }),
          ];
        }),
      );
    if (insurance === 'required' && !facts.clubDocuments.some(({ kind }) => kind === 'insurance')) {
      missing.push('clubDocuments (insurance)');
      constraints.push(
        constraint({
          key: 'insurance',
          certainty: 'unknown',
          source,
          reason: { code: 'club-document-missing', kind: 'insurance' },
          closes: ALL_USES,
          remedies: [remedy('renew-club-document', RECORD_KEEPER, 'insurance')],
        }),
      );
    }
    return result(constraints, missing);
  },
});
