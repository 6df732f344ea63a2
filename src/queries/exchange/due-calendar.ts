import { decidePrepared } from '@/core/decision/decide';
import type { LimitAhead } from '@/core/decision/decision';
import { addDays, type CivilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { readClub } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { tellDue } from '@/explain/due';
import { sentenceCase } from '@/explain/wording';
import { limitName } from '@/explain/limits';
import { tellDecided } from '@/explain/reasons';
import { entitledText } from '@/explain/remedies';
import { keptFacts } from '../kernel/kept-facts';
import { preparedFor, rulesOf } from '../kernel/prepared';

/** A day in the calendar: the last one on which something is still good. */
export interface DueDay {
  readonly uid: string;
  readonly date: CivilDate;
  readonly summary: string;
  readonly description: string;
}

/** Every limit of the fleet that has a day of its own. Limits in hours have none: the folder says what is left of them. */
export async function dueCalendar(
  tx: ClubTransaction,
  clubId: string,
  now: Instant,
): Promise<{ readonly club: string; readonly days: readonly DueDay[] }> {
  const club = await readClub(tx, clubId);
  const rules = rulesOf(club);
  const days = (await keptFacts(tx, club, null)).flatMap((stored): readonly DueDay[] => {
    const { prepared, present } = preparedFor(stored, club, rules, now);
    const decision = decidePrepared(prepared, null, present);
    const seen = new Set<string>();
    return decision.limits
      .filter((limit): limit is Extract<LimitAhead, { currency: 'time' }> => limit.currency === 'time')
      .flatMap(({ at, constraint }) => {
        if (tellDue(constraint, stored.facts) === null) return [];
        // It bites when the last good day is over: that day is the one before.
        const date = addDays(civilDateAt(at, club.place.zone), -1);
        const summary = `${decision.registration}: last day of ${limitName(constraint)}`;
        if (seen.has(`${summary} ${date}`)) return [];
        seen.add(`${summary} ${date}`);
        const words = tellDecided(constraint, 'ahead');
        const who =
          constraint.remedies[0] === undefined ? '' : ` Signs: ${entitledText(constraint.remedies[0].by)}.`;
        return [
          {
            uid: `${stored.aircraftId}/${constraint.id}`,
            date,
            summary,
            description: `${sentenceCase(words.headline)} ${words.meaning}${who}`,
          },
        ];
      });
  });
  return { club: club.name, days };
}
