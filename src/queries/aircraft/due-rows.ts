import type { DecidedConstraint, LimitAhead } from '@/core/decision/decision';
import { tellDue } from '@/explain/due';
import { sentenceCase } from '@/explain/wording';
import { entitledText } from '@/explain/remedies';
import { leftText, limitName } from '@/explain/limits';
import type { DueRow } from './folder-view';

const DAY = 86_400_000;

export function dueRows(
  limits: readonly LimitAhead[],
  inForce: readonly DecidedConstraint[],
  facts: Parameters<typeof tellDue>[1],
): readonly DueRow[] {
  const seen = new Set<string>();
  const row = (
    constraint: DecidedConstraint,
    left: string,
    daysLeft: number | null,
    hoursLeft: number | null,
  ): readonly DueRow[] => {
    const words = tellDue(constraint, facts);
    if (words === null) return [];
    const name = sentenceCase(limitName(constraint));
    // What two rules ask of one thing is due once.
    const key = `${name} ${words.next}`;
    if (seen.has(key)) return [];
    seen.add(key);
    return [
      {
        id: constraint.id,
        name,
        ...words,
        left,
        daysLeft,
        hoursLeft,
        signs: constraint.remedies[0] === undefined ? '' : entitledText(constraint.remedies[0].by),
      },
    ];
  };
  return [
    ...inForce.flatMap((constraint) =>
      constraint.begins.kind === 'recorded' ? [] : row(constraint, 'now', 0, null),
    ),
    ...limits.flatMap((limit) =>
      row(
        limit.constraint,
        leftText(limit),
        limit.currency === 'time' ? Math.floor(limit.left / DAY) : null,
        limit.currency === 'hours' ? limit.left / 3600 : null,
      ),
    ),
  ];
}
