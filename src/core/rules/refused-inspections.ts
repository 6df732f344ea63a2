import { ALL_USES } from '../envelope/use-set';
import { mayBeSignedBy } from '../records/club/certificate';
import {
  ANNUALS,
  INSPECTION_KINDS,
  INSPECTION_WORK,
  refusal,
  undecided,
  unsignedSince,
  type InspectionKind,
} from '../records/maintenance/inspection';
import {
  constraint,
  remedy,
  INSPECTORS,
  MECHANICS,
  type Act,
  type Constraint,
  type Entitled,
  type Remedy,
} from './parts/constraint';
import { result, rule } from './parts/rule';

/** An inspection is maintenance too. */
const afterMaintenance = { kind: 'regulation', citation: '14 CFR 91.407(a) and 43.11' } as const;
const source = { kind: 'regulation', citation: '14 CFR 91.7(a) and 43.11(b)' } as const;

/** The kinds of later entries that take a refusal away by approving the aircraft: its own, and whatever looks at as much. */
export const APPROVED_BY: Readonly<Record<InspectionKind, readonly InspectionKind[]>> = {
  annual: ANNUALS,
  'programme-left': ANNUALS,
  'certificate-issue': ANNUALS,
  'hundred-hour': ['hundred-hour', ...ANNUALS, 'condition'],
  condition: ['condition'],
  'altimeter-static': ['altimeter-static'],
  'static-system': ['static-system', 'altimeter-static'],
  transponder: ['transponder'],
  elt: ['elt'],
};

/** Doing the inspection again, by the act that every rule on it names. */
const AGAIN: Readonly<Partial<Record<InspectionKind, Act>>> = {
  annual: 'complete-annual',
  'hundred-hour': 'complete-hundred-hour',
  condition: 'complete-condition-inspection',
};

function again(kind: InspectionKind, signers: Entitled): readonly Remedy[] {
  const act = AGAIN[kind];
  // What looks at more takes its place.
  return act === undefined
    ? []
    : [remedy(act, signers), ...(kind === 'hundred-hour' ? [remedy('complete-annual', INSPECTORS)] : [])];
}

/** An aircraft that somebody inspected and did not find airworthy does not fly for any use, whatever the inspection was for. */
export const refusedInspections = rule({
  id: 'refused-inspections',
  title: 'Inspection found the aircraft not airworthy',
  source,
  explanation:
    'The person who inspects an aircraft and does not find it airworthy gives a signed list of what is wrong. Until every item of it is cleared and the aircraft is approved, or a later inspection of the kind approves it, nobody flies it for any use: it is known not to be airworthy, whatever the inspection was for. An entry that does not say whether the aircraft was approved counts as one that refused it until it says; and one that nobody entitled signed keeps the aircraft down as any maintenance does, also while an earlier one is still in its time.',
  judge: ({ inspections, place, authority }) =>
    result(
      INSPECTION_KINDS.flatMap((kind): readonly Constraint[] => {
        const refused = refusal(inspections, kind, APPROVED_BY[kind], place.zone, authority);
        const unsaid = undecided(inspections, kind, APPROVED_BY[kind], place.zone, authority);
        const unsigned = unsignedSince(inspections, kind, APPROVED_BY[kind], place.zone, authority);
        const signers: Entitled = {
          kind: 'certificate',
          anyOf: mayBeSignedBy(INSPECTION_WORK[kind], authority),
        };
        return [
          ...(refused === null
            ? []
            : [
                constraint({
                  key: kind,
                  certainty: 'failed',
                  source,
                  reason: { code: 'inspection-not-approved', kind, completedOn: refused.completedOn },
                  records: [refused.id],
                  closes: ALL_USES,
                  remedies: [remedy('clear-inspection-list', MECHANICS, kind)],
                  permitMayCover: true,
                }),
              ]),
          // An entry that nobody finished may be a refusal.
          ...(unsaid === null
            ? []
            : [
                constraint({
                  key: `${kind}.outcome`,
                  certainty: 'unknown',
                  source,
                  reason: { code: 'inspection-outcome-unknown', kind, completedOn: unsaid.completedOn },
                  records: [unsaid.id],
                  closes: ALL_USES,
                  remedies: [remedy('complete-inspection-entry', signers, kind), ...again(kind, signers)],
                  permitMayCover: true,
                }),
              ]),
          ...(unsigned === null
            ? []
            : [
                constraint({
                  key: `${kind}.unsigned`,
                  certainty: 'failed',
                  source: afterMaintenance,
                  reason: {
                    code: 'inspection-not-signed',
                    kind,
                    completedOn: unsigned.entry.completedOn,
                    faults: unsigned.faults,
                  },
                  records: [unsigned.entry.id],
                  closes: ALL_USES,
                  remedies: [remedy('complete-inspection-entry', signers, kind), ...again(kind, signers)],
                  permitMayCover: true,
                }),
              ]),
        ];
      }),
    ),
});
