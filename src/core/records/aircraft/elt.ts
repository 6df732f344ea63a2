import type { CivilDate } from '../../time/civil-date';
import type { Signature } from '../club/certificate';
import type { RecordBase } from '../record';

/** The ELT transmitter as it stands. A field that is null is not known. */
export interface Elt extends RecordBase {
  readonly state: 'fitted' | 'removed-for-repair' | 'deactivated' | 'not-fitted' | null;
  /** Marked on the outside and entered in the record: 50 % of the battery's useful life. */
  readonly batteryReplaceBy: CivilDate | null;
  /** Seconds that it transmitted since the battery was replaced. */
  readonly usedSeconds: number | null;
  /** When removed or deactivated: the day, whether the entry names date, make, model, serial number and reason, and whether the placard is up. */
  readonly removedOn: CivilDate | null;
  readonly removalEntered: boolean | null;
  readonly removalPlacarded: boolean | null;
  /** For one that is deactivated: a rated pilot's or a mechanic's determination that it is no hazard. Absent in old records. */
  readonly noHazard?: Signature | null;
}

/** A VOR check. Errors in whole tenths of a degree. */
export interface VorCheck extends RecordBase {
  readonly method: 'test-signal' | 'ground-point' | 'airborne-point' | 'airway' | 'dual' | null;
  /** The largest bearing error found; for `dual` the difference between the two. */
  readonly error: number | null;
  readonly place: string | null;
  readonly signedBy: string | null;
}

/** A database aboard, by the last day on which it holds. */
export interface Database extends RecordBase {
  readonly content: 'navigation' | 'obstacles' | 'terrain' | 'charts';
  /** First day of its 28-day cycle; null where only the last day is known. */
  readonly effectiveOn: CivilDate | null;
  readonly lastDay: CivilDate | null;
}
