import type { DecidedConstraint } from '../core/decision/decision';
import type { ReasonCode } from '../core/rules/parts/reason';

/** Short names of limits that can lie ahead, for a row: 'to …'. */
const NAMES: Partial<Readonly<Record<ReasonCode, string>>> = {
  'registration-expires': 'registration',
  'registration-ended': 'end of registration',
  'annual-expires': 'annual',
  'hundred-hour-due': '100-hour',
  'hundred-hour-overrun-ends': 'end of the 10 h overrun',
};

/** What a limit is of, in one or two words. */
export function limitName({ reason }: DecidedConstraint): string {
  return NAMES[reason.code] ?? 'limit';
}
