import type { Instant } from '../time/instant';

/**
 * What every record carries. Two times: when it happened, and when it was written down here.
 * A decision about a past moment uses only what had been recorded by then.
 */
export interface RecordBase {
  /** Stable and unique within the aircraft's records. */
  readonly id: string;
  /** When the thing itself happened: the document check, the reading, the find. */
  readonly happenedAt: Instant;
  /** When it was entered. Later than `happenedAt` in normal life; earlier is a contradiction. */
  readonly recordedAt: Instant;
}

/** True for a record that claims to have happened after it was written down. */
export function isAheadOfItself(record: RecordBase): boolean {
  return record.happenedAt > record.recordedAt;
}
