import type { Reason, ReasonCode } from '../core/rules/parts/reason';
import type { DecidedConstraint } from '../core/decision/decision';
import { EQUIPMENT, inoperativeText } from './reasons/equipment';
import { MAINTENANCE } from './reasons/maintenance';
import { PAPERS } from './reasons/documents';
import { RAMP } from './reasons/ramp';
import type { ReasonWords, Tellers, Tense } from './reasons/teller';
import { DIMENSIONS } from '../core/envelope/dimensions';
import { isWithin, usesIn } from '../core/envelope/use-set';
import { list } from './wording';
import { USE_NAMES } from './names';
import { usesText } from './uses-text';

export type { ReasonWords, Tense } from './reasons/teller';

/** One teller a code; a code without words does not compile. */
const TELLERS: Tellers<ReasonCode> = { ...PAPERS, ...MAINTENANCE, ...EQUIPMENT, ...RAMP };

/** What a 100-hour inspection that is overdue is needed for: the purposes that it closes as a whole. */
function neededFor({ closes }: Pick<DecidedConstraint, 'closes'>): string {
  const purposes = DIMENSIONS.purpose
    .flatMap((purpose) => {
      if (isWithin(usesIn({ purpose: [purpose] }), closes)) return [USE_NAMES[purpose]];
      return isWithin(usesIn({ purpose: [purpose], crew: ['dual'] }), closes)
        ? [`dual ${USE_NAMES[purpose]}`]
        : [];
    })
    .filter((name) => name !== '');
  return purposes.length === 0 ? '' : `: no ${list(purposes, 'or')}`;
}

/** The words of a constraint, in force or ahead. A limit on a meter that bites only because the meter is not known says so. */
export function tellDecided(
  {
    reason,
    certainty,
    begins,
    closes,
  }: Pick<DecidedConstraint, 'reason' | 'certainty' | 'begins' | 'closes'>,
  where: 'in-force' | 'ahead',
): ReasonWords {
  const told = tellReason(
    reason,
    where === 'in-force' && begins.kind === 'meter' && certainty === 'unknown' ? 'unsure' : where,
  );
  if (reason.code === 'item-inoperative')
    return { ...told, meaning: inoperativeText(reason.because, usesText(closes)) };
  if (reason.code !== 'hundred-hour-due' || where === 'ahead' || certainty === 'unknown') return told;
  return { ...told, headline: `${told.headline.slice(0, -1)}${neededFor({ closes })}.` };
}

/** A reason in plain words that a student understands. */
export function tellReason(reason: Reason, tense: Tense): ReasonWords {
  // The table pairs every code with its own teller; TypeScript cannot follow that pairing through the look-up.
  const tellers = TELLERS as unknown as Readonly<
    Record<ReasonCode, (reason: Reason, tense: Tense) => ReasonWords>
  >;
  return tellers[reason.code](reason, tense);
}

/** Every code that has words. */
export const TOLD_CODES = Object.keys(TELLERS) as readonly ReasonCode[];
