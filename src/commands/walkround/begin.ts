import type { BeginWalkround } from '@/contracts/walkround/walkround';
import { authorityFor } from '@/core/records/club/certificate';
import { authorityOf } from '@/core/rules/register';
import { onServerClock } from '@/core/walkround/phone-clock';
import { instantText } from '@/core/time/instant';
import { insertOthers } from '@/db/aircraft/other-records';
import { findPlanned } from '@/db/flights/planned-flights';
import { readPlans } from '@/db/walkround/plan-now';
import { findWalkround, insertWalkroundOnce } from '@/db/walkround/walkrounds';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { ACT_OF, requireList } from './list-entitlement';
import { apart } from './rigging';

/**
 * Records that a walk-round was begun, with the plan that it is done by. Any member with a role may, also for a flight of somebody else: it makes
 * nothing available by itself; to begin rigging says that the glider is apart. A phone may have been away: the plan is that of now, and
 * steps that it did not know of are left to be done.
 */
export async function beginWalkround(
  ports: Ports,
  actor: Actor,
  entry: BeginWalkround,
): Promise<Outcome<{ readonly walkroundId: string; readonly steps: number; readonly revision: number }>> {
  const denied = denial(actor, ACT_OF[entry.kind]);
  if (denied !== null) return refused(denied);
  const { walkroundId, aircraftId } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'begin-walk-round',
    null,
    async ({ tx, club, stored, recordedAt }) => {
      const known = await findWalkround(tx, walkroundId);
      if (known !== undefined) {
        if (known.aircraftId !== aircraftId || known.personId !== actor.personId)
          throw new Refused({
            code: 'invalid',
            message: 'Another walk-round has this id already. Begin it again.',
            problems: [{ path: 'walkroundId', message: 'is in use' }],
          });
        return { value: { walkroundId, steps: known.plan.steps.length }, ledger: null };
      }
      // Planned for another aircraft, or moved meanwhile: the walk-round is of this aircraft anyway.
      const planned = entry.flightId === null ? undefined : await findPlanned(tx, entry.flightId);
      const flight = planned?.aircraftId === aircraftId ? planned.flight : null;
      const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
      await requireList(tx, actor, entry.kind, stored, authority, recordedAt);
      const plan = (await readPlans(tx, stored, flight, recordedAt))(entry.kind);
      if (plan.steps.length === 0)
        throw new Refused({
          code: 'invalid',
          message: 'No step of the list belongs to this aircraft. Look at what its data says that it has.',
          problems: [],
        });
      const begunAt = onServerClock(entry.begunAt, entry.sentAt, recordedAt);
      const written = await insertWalkroundOnce(tx, actor.clubId, {
        walkroundId,
        aircraftId,
        flightId: flight === null ? null : entry.flightId,
        plan,
        begunBy: { personId: actor.personId, name: actor.name },
        begunAt,
        recordedAt,
      });
      if (written === 'there-already') throw new Error(`walk-round ${walkroundId} came while it was locked`);
      // What is being put together is apart until it is signed for.
      if (entry.kind === 'rigging')
        await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
          apart(ports.newId(), begunAt, recordedAt),
        ]);
      return {
        value: { walkroundId, steps: plan.steps.length },
        ledger: {
          id: walkroundId,
          list: plan.list,
          plan: entry.kind,
          steps: plan.steps.length,
          flight: flight === null ? null : entry.flightId,
          begunAt: instantText(begunAt),
        },
      };
    },
  );
}
