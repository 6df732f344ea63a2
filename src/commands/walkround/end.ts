import type { EndWalkround } from '@/contracts/walkround/walkround';
import { authorityFor } from '@/core/records/club/certificate';
import { fuellings } from '@/core/records/walkround/measurement';
import { authorityOf } from '@/core/rules/register';
import { instantText, type Instant } from '@/core/time/instant';
import { onServerClock } from '@/core/walkround/phone-clock';
import { kindOf } from '@/core/walkround/plan-kinds';
import { outcomeOf } from '@/core/walkround/walk';
import { insertOthers } from '@/db/aircraft/other-records';
import { insertEndOnce, findWalkround } from '@/db/walkround/walkrounds';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial, requireAct } from '../kernel/permissions';
import { requireList } from './list-entitlement';
import { requireStillTogether, riggingOf } from './rigging';

/**
 * Ends a walk-round. Signed by the person who began it, once every step has an answer, whatever it is; or given up by the desk, and then nothing of it
 * counts as a walk-round, while what was found and measured stays.
 */
export async function endWalkround(
  ports: Ports,
  actor: Actor,
  { walkroundId, aircraftId, how, helper = null, at, sentAt }: EndWalkround,
): Promise<Outcome<{ readonly walkroundId: string; readonly revision: number }>> {
  const denied = denial(actor, 'do-walk-round');
  if (denied !== null) return refused(denied);
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    how === 'signed' ? 'sign-walk-round' : 'give-up-walk-round',
    null,
    async ({ tx, club, stored, recordedAt }) => {
      if (how === 'given-up') requireAct(actor, 'give-up-walk-round');
      const walkround = await findWalkround(tx, walkroundId);
      if (walkround?.aircraftId !== aircraftId)
        throw new Refused({
          code: 'not-found',
          message: 'The walk-round itself has not arrived yet. It is sent first; this will be sent again.',
        });
      if (walkround.end !== null) {
        if (walkround.end.how === how) return { value: { walkroundId }, ledger: null };
        throw new Refused({
          code: 'invalid',
          message:
            walkround.end.how === 'signed'
              ? `${walkround.end.by} has signed this walk-round already. What is not right is reported as a finding.`
              : `${walkround.end.by} gave this walk-round up at the desk. Begin a new one.`,
          problems: [],
        });
      }
      const kind = kindOf(walkround.plan);
      if (how === 'signed') {
        const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
        await requireList(tx, actor, kind, stored, authority, recordedAt);
        if (walkround.personId !== actor.personId)
          throw new Refused({
            code: 'not-entitled',
            message: `Only ${walkround.by}, who did this walk-round, signs it.`,
          });
        const { steps, answered } = outcomeOf(
          walkround.plan.steps,
          walkround.events,
          fuellings(stored.facts.ramp?.uplifts ?? []),
        );
        if (answered < steps)
          throw new Refused({
            code: 'invalid',
            message: `${steps - answered} of ${steps} steps have no answer yet. Answer each, also where you could not see it; then sign.`,
            problems: [],
          });
      }
      const { unseen } = outcomeOf(walkround.plan.steps, walkround.events);
      const waiting = unseen.filter(({ matters }) => matters);
      // What nobody saw would be forgotten with it.
      if (how === 'given-up' && waiting.length > 0)
        throw new Refused({
          code: 'invalid',
          message: `${waiting.map(({ title, place }) => `“${title}” (${place})`).join(', ')} was not seen on it, and waits until somebody has seen it. Have somebody look and answer it on the phone; then give the walk-round up.`,
          problems: [],
        });
      if (kind === 'rigging' && how === 'signed') requireStillTogether(stored.facts.riggings, walkround);
      const lastAt = walkround.events.at(-1)?.at ?? walkround.begunAt;
      const ended = Math.max(lastAt, onServerClock(at, sentAt, recordedAt)) as Instant;
      if (kind === 'rigging' && how === 'signed')
        await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
          riggingOf(ports.newId(), walkround, helper, ended, recordedAt),
        ]);
      const written = await insertEndOnce(
        tx,
        actor.clubId,
        walkroundId,
        how,
        actor,
        kind === 'rigging' ? helper : null,
        ended,
        recordedAt,
      );
      if (written === 'there-already') throw new Error(`walk-round ${walkroundId} ended while it was locked`);
      return {
        value: { walkroundId },
        ledger: {
          id: walkroundId,
          of: walkround.by,
          plan: kind,
          ...(kind === 'rigging' && helper !== null ? { helper } : {}),
          at: instantText(ended),
        },
      };
    },
  );
}
