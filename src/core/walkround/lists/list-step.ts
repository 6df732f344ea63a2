import type { Classification } from '../../records/findings/discrepancy';
import type { StepMeasure } from '../step-scope';
import type { Step } from '../steps';

/** A step of a list beside the master list, with its words. */
export interface ListStep extends Step {
  readonly title: string;
  readonly right: string;
  readonly why: string;
  readonly caution: string | null;
  /** Once, or for each of the two ignitions. */
  readonly scope: 'once' | 'ignition';
  readonly measure: StepMeasure | null;
}

/** What a step of such a list says; the rest is what is usual there. */
export type Row = Pick<ListStep, 'code' | 'title' | 'right' | 'why' | 'typicalDefect'>
  & Partial<ListStep> & { readonly firstAction: Classification };

/** A list from its rows, at one station of the aircraft where a row does not say another. */
export const listOf = (station: ListStep['station'], rows: readonly Row[]): readonly ListStep[] =>
  rows.map((row) => ({
    station,
    item: row.title,
    closesUses: [],
    appliesTo: ['all'],
    looksAt: 'preparation',
    caution: null,
    scope: 'once',
    measure: null,
    ...row,
  }));
