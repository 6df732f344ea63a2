import { fuellings } from '@/core/records/walkround/measurement';
import type { Instant } from '@/core/time/instant';
import { outcomeOf } from '@/core/walkround/walk';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import type { ClubTransaction } from '@/db/kernel/connection';
import { ofKind, readWalkroundsSince } from '@/db/walkround/walkrounds';
import { Refused, type Actor } from '../kernel/command';

/**
 * Where the daily inspection of this day was begun by its list, it is certified only once every step is
 * answered and whatever decides about flying was seen, by the person who did it. Where nobody began one here,
 * the list was on paper, and the certificate answers for it. Common practice, no source.
 * @throws Refused with what is left
 */
export async function requireWholeList(
  tx: ClubTransaction,
  actor: Actor,
  { aircraftId, facts }: StoredAircraft,
  since: Instant,
): Promise<void> {
  const lists = ofKind(await readWalkroundsSince(tx, aircraftId, new Date(since)), 'daily-inspection');
  if (lists.length === 0) return;
  const [own] = lists
    .filter(({ personId }) => personId === actor.personId)
    .sort((a, b) => b.begunAt - a.begunAt);
  const refuse = (message: string): never => {
    throw new Refused({ code: 'invalid', message, problems: [] });
  };
  if (own === undefined) {
    const names = [...new Set(lists.map(({ by }) => by))].join(', ');
    refuse(
      `${names} began the daily inspection by its list today, and certifies what they saw. Do the list yourself to certify it.`,
    );
    return;
  }
  const { steps, answered } = outcomeOf(own.plan.steps, own.events, fuellings(facts.ramp?.uplifts ?? []));
  if (answered < steps || own.end === null)
    refuse(
      answered < steps
        ? `${steps - answered} of ${steps} steps of the daily inspection have no answer yet. Answer each and sign the list; then certify it.`
        : 'The list of the daily inspection is not signed yet. Sign it on the phone; then certify it.',
    );
  const unseen = facts.ramp?.walkround?.unseen ?? [];
  if (unseen.length > 0)
    refuse(
      `${unseen.map(({ title, place }) => `“${title}” (${place})`).join(', ')} was not seen. Look at it and answer it on the phone; then certify the inspection.`,
    );
}
