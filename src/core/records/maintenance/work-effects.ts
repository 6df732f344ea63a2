import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import type { Signature } from '../club/certificate';
import type { WorkEffects, WorkEntry } from './work-entry';

/** Nothing is said yet of what the work may have changed: until somebody signs, all of it counts as possible. */
export const UNSAID_EFFECTS = {
  mayChangeFlight: null,
  groundTestsConclusive: null,
  checkFlight: null,
  flightControls: null,
  independentInspection: null,
  staticOpened: null,
  altitudeReportingTouched: null,
  weightChanged: null,
} as const;

/**
 * The work that was done for an item or an AD, where it may have changed something: it waits for its check
 * flight, its second inspection or its test like all other work. Null where nothing can have changed.
 * Source: 14 CFR 91.407(b) (from memory).
 */
export function workWithEffects(
  entry: {
    readonly id: string;
    readonly recordedAt: Instant;
    readonly completedOn: CivilDate;
    readonly description: string;
    readonly signedBy: Signature | null;
  },
  effects: WorkEffects | undefined,
): WorkEntry | null {
  return effects === undefined
    || (!Object.values(effects).includes(true) && (effects.exchanged ?? []).length === 0)
    ? null
    : { ...entry, ...UNSAID_EFFECTS, ...effects };
}
