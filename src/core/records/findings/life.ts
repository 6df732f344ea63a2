import type { ZoneId } from '../../time/zone';
import type { Authority, EnteredWork } from '../club/certificate';
import type { AircraftAct } from '../ledger-act';
import { deferralFaults, isDeferrable, rectificationFaults, type Discrepancy } from './discrepancy';
import { mergedBy } from './triage';

/**
 * Where a finding stands, with what that does to the aircraft while it lasts. What comes back after it was closed is a finding of its own, so that nothing
 * that was signed is opened again.
 */
export const FINDING_STATES = {
  reported: 'closes what its first classification closes, which errs on the strict side',
  decided: 'closes what its classification closes; somebody has looked at it',
  grounded: 'closes every use until a mechanic has dealt with it',
  watched: 'closes nothing until the day or reading by which it is looked at again or corrected',
  deferred: 'closes the uses that need the item, until its last day or reading',
  'same-as-another': 'closes what its classification closes, until the other one is closed or deferred',
  'entry-not-valid': 'closes every use: what was done is not approved by anybody entitled',
  closed: 'closes nothing',
} as const;
export type FindingState = keyof typeof FINDING_STATES;

/** Where a finding stands, from what is known of it at a moment: `knownAt` has applied the decisions about it. */
export function stateOfFinding(discrepancy: Discrepancy, at: ZoneId, authority: Authority): FindingState {
  const { rectification, deferral, triage = [] } = discrepancy;
  if (rectification !== null)
    return rectificationFaults(discrepancy, rectification, at, authority).length === 0
      ? 'closed'
      : 'entry-not-valid';
  if (
    deferral !== null
    && isDeferrable(discrepancy.classification)
    && deferralFaults(discrepancy, deferral, at, authority).length === 0
  )
    return 'deferred';
  if (mergedBy(discrepancy) !== null) return 'same-as-another';
  if (discrepancy.watch !== null && discrepancy.classification === 'watch') return 'watched';
  if (triage.some(({ decision }) => decision === 'grounds')) return 'grounded';
  return triage.length > 0 ? 'decided' : 'reported';
}

/** A step from one state to the next. Who may is in the table of permissions, by the act. */
export interface FindingStep {
  readonly act: AircraftAct;
  readonly from: readonly (FindingState | 'nothing')[];
  readonly to: FindingState;
  /** As what it is signed, by a certificate that entitles to it; null where it is not. Several where the finding's class decides. */
  readonly signs: readonly EnteredWork[] | null;
  /** What it needs beside. */
  readonly needs: string;
  /** What it writes. */
  readonly records: 'discrepancy' | 'triage' | 'deferral' | 'rectification';
}

const OPEN = ['reported', 'decided', 'grounded', 'watched', 'same-as-another', 'deferred'] as const;

/** Every step that there is. Whatever is not named happens to no finding; the commands are tried against it at random. */
export const FINDING_STEPS: readonly FindingStep[] = [
  {
    act: 'report-finding',
    from: ['nothing'],
    to: 'reported',
    signs: null,
    needs: 'what and where, in words or by the list',
    records: 'discrepancy',
  },
  {
    act: 'triage-finding',
    from: ['reported', 'decided'],
    to: 'decided',
    signs: null,
    needs: 'somebody who has looked',
    records: 'triage',
  },
  // That somebody has looked once more changes nothing of what was decided before.
  ...(['grounded', 'watched', 'same-as-another', 'deferred'] as const).map((state): FindingStep => ({
    act: 'triage-finding',
    from: [state],
    to: state,
    signs: null,
    needs: 'somebody who has looked',
    records: 'triage',
  })),
  {
    act: 'triage-finding',
    from: OPEN,
    to: 'grounded',
    signs: null,
    needs: 'nothing: it only closes',
    records: 'triage',
  },
  {
    act: 'triage-finding',
    from: ['reported', 'decided', 'grounded', 'watched'],
    to: 'watched',
    signs: ['return-to-service', 'judgement'],
    needs: 'no equipment named; a day or reading by which it is looked at again',
    records: 'triage',
  },
  {
    act: 'triage-finding',
    from: OPEN,
    to: 'same-as-another',
    signs: null,
    needs: 'another open finding of the aircraft that stands by itself',
    records: 'triage',
  },
  {
    act: 'defer-finding',
    from: ['reported', 'decided', 'same-as-another', 'deferred'],
    to: 'deferred',
    signs: ['no-hazard'],
    needs: 'equipment that no rule asks for; removed or deactivated, placarded, entered',
    records: 'deferral',
  },
  {
    act: 'return-to-service',
    from: OPEN,
    to: 'closed',
    signs: ['return-to-service', 'service', 'judgement'],
    needs: 'what was done and when; of a repair, what it may have changed',
    records: 'rectification',
  },
  {
    act: 'return-to-service',
    from: ['same-as-another'],
    to: 'closed',
    signs: ['return-to-service', 'service', 'judgement'],
    needs: 'that the other finding is closed by what would close this one too',
    records: 'rectification',
  },
];

/** Whether an act may bring a finding from one state to another. */
export function isFindingStep(act: AircraftAct, from: FindingState | 'nothing', to: FindingState): boolean {
  return FINDING_STEPS.some((step) => step.act === act && step.from.includes(from) && step.to === to);
}
