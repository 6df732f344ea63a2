import type { Reason, ReasonCode } from '../core/rules/parts/reason';
import type { DecidedConstraint } from '../core/decision/decision';
import { EQUIPMENT } from './reasons/equipment';
import { MAINTENANCE } from './reasons/maintenance';
import { PAPERS } from './reasons/papers';
import { RAMP } from './reasons/ramp';
import type { ReasonWords, Tellers, Tense } from './reasons/teller';

export type { ReasonWords, Tense } from './reasons/teller';

/** One teller a code; a code without words does not compile. */
const TELLERS: Tellers<ReasonCode> = { ...PAPERS, ...MAINTENANCE, ...EQUIPMENT, ...RAMP };

/** The words of a constraint, in force or ahead. A limit on a meter that bites only because the meter is not known says so. */
export function tellDecided({ reason, certainty, begins }: Pick<DecidedConstraint, 'reason' | 'certainty' | 'begins'>, where: 'in-force' | 'ahead'): ReasonWords {
  return tellReason(reason, where === 'in-force' && begins.kind === 'meter' && certainty === 'unknown' ? 'unsure' : where);
}

/** A reason in plain words that a student understands. */
export function tellReason(reason: Reason, tense: Tense): ReasonWords {
  // The table pairs every code with its own teller; TypeScript cannot follow that pairing through the look-up.
  const tellers = TELLERS as unknown as Readonly<Record<ReasonCode, (reason: Reason, tense: Tense) => ReasonWords>>;
  return tellers[reason.code](reason, tense);
}

/** Every code that has words. */
export const TOLD_CODES = Object.keys(TELLERS) as readonly ReasonCode[];
