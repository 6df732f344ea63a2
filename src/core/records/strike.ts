import type { Instant } from '../time/instant';

/**
 * An entry that somebody struck out, as in a paper logbook: it stays readable and stops counting from the moment at which it was struck out.
 * What should have been written instead is an entry of its own.
 */
export interface Strike {
  readonly id: string;
  readonly recordedAt: Instant;
  /** Id of the record that was struck out. */
  readonly record: string;
}
