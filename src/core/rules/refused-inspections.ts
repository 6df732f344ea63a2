import { ALL_USES } from '../envelope/use-set';
import { ANNUALS, INSPECTION_KINDS, refusal, type InspectionKind } from '../records/inspection';
import { constraint, remedy, MECHANICS, type Constraint } from './parts/constraint';
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
  explanation: 'The person who inspects an aircraft and does not find it airworthy gives a signed list of what is wrong. Until every item of it is cleared and the aircraft is approved, or a later inspection of the kind approves it, nobody flies it for any use: it is known not to be airworthy, whatever the inspection was for.',
  judge: ({ inspections, place, authority }) => result(INSPECTION_KINDS.flatMap((kind): readonly Constraint[] => {
    const refused = refusal(inspections, kind, APPROVED_BY[kind], place.zone, authority);
    if (refused === null) return [];
    return [constraint({ key: kind, certainty: 'failed', source, reason: { code: 'inspection-not-approved', kind, completedOn: refused.completedOn }, records: [refused.id], closes: ALL_USES, remedies: [remedy('clear-inspection-list', MECHANICS, kind)], permitMayCover: true })];
  })),
});
