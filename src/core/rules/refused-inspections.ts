import { ALL_USES } from '../envelope/use-set';
import { mayBeSignedBy } from '../records/certificate';
import { ANNUALS, INSPECTION_KINDS, INSPECTION_WORK, refusal, undecided, type InspectionKind } from '../records/inspection';
import { constraint, remedy, MECHANICS, type Constraint, type Entitled } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.7(a) and 43.11(b)' } as const;

/** The kinds of later entries that take a refusal away by approving the aircraft: its own, and whatever looks at as much. */
export const APPROVED_BY: Readonly<Record<InspectionKind, readonly InspectionKind[]>> = {
  annual: ANNUALS, 'programme-left': ANNUALS, 'certificate-issue': ANNUALS, 'hundred-hour': ['hundred-hour', ...ANNUALS, 'condition'], condition: ['condition'], 'altimeter-static': ['altimeter-static'], 'static-system': ['static-system', 'altimeter-static'], transponder: ['transponder'], elt: ['elt'],
};

/** An aircraft that somebody inspected and did not find airworthy does not fly for any use, whatever the inspection was for. */
export const refusedInspections = rule({
  id: 'refused-inspections',
  title: 'Inspection found the aircraft not airworthy',
  source,
  explanation: 'The person who inspects an aircraft and does not find it airworthy gives a signed list of what is wrong. Until every item of it is cleared and the aircraft is approved, or a later inspection of the kind approves it, nobody flies it for any use: it is known not to be airworthy, whatever the inspection was for. An entry that does not say whether the aircraft was approved counts as one that refused it until it says.',
  judge: ({ inspections, place, authority }) => result(INSPECTION_KINDS.flatMap((kind): readonly Constraint[] => {
    const refused = refusal(inspections, kind, APPROVED_BY[kind], place.zone, authority);
    const unsaid = undecided(inspections, kind, APPROVED_BY[kind], place.zone, authority);
    const signers: Entitled = { kind: 'certificate', anyOf: mayBeSignedBy(INSPECTION_WORK[kind], authority) };
    return [
      ...(refused === null ? [] : [constraint({ key: kind, certainty: 'failed', source, reason: { code: 'inspection-not-approved', kind, completedOn: refused.completedOn }, records: [refused.id], closes: ALL_USES, remedies: [remedy('clear-inspection-list', MECHANICS, kind)], permitMayCover: true })]),
      // An entry that nobody finished may be a refusal.
      ...(unsaid === null ? [] : [constraint({ key: `${kind}.outcome`, certainty: 'unknown', source, reason: { code: 'inspection-outcome-unknown', kind, completedOn: unsaid.completedOn }, records: [unsaid.id], closes: ALL_USES, remedies: [remedy('complete-inspection-entry', signers, kind)], permitMayCover: true })]),
    ];
  })),
});
