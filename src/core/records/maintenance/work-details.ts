import type { Hours } from '../../quantities/hours';

/** The paper logbooks that an entry may stand in: each engine and each propeller has one of its own. */
export const LOGBOOKS = ['airframe', 'engine', 'propeller'] as const;
export type LogbookKind = (typeof LOGBOOKS)[number];

/** A part that was changed. Null where the work order does not say. */
export interface PartChanged {
  readonly name: string;
  readonly number: string | null;
  readonly serialOff: string | null;
  readonly serialOn: string | null;
}

/** What an entry of work says beside what the rules ask of it. */
export interface WorkDetails {
  readonly logbook: LogbookKind;
  /** The data that it was done by: manual, chapter, service bulletin, drawing. */
  readonly references: string | null;
  readonly parts: readonly PartChanged[];
  readonly timeInService: Hours | null;
  /** The form that describes a major repair or alteration, by its number or its day. */
  readonly form: string | null;
}
