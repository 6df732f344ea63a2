import { chosenRules } from '@/core/rules/register';
import { readClub } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { sourceText } from '@/explain/remedies';

/** A rule for somebody who never read it. */
export interface RuleHelp {
  readonly id: string;
  readonly title: string;
  readonly explanation: string;
  readonly source: string;
}

/** Every rule that decides the club's aircraft, in its published order. */
export async function clubRules(
  tx: ClubTransaction,
  clubId: string,
): Promise<{ readonly rules: readonly RuleHelp[] }> {
  const { packs } = await readClub(tx, clubId);
  return {
    rules: chosenRules(packs).map(({ rule: { id, title, explanation, source } }) => ({
      id,
      title,
      explanation,
      source: sourceText(source),
    })),
  };
}
