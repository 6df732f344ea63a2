import type { Restrict, WithdrawRestriction } from '@/contracts/flights/dispatch-restriction';
import type { DispatchRestriction } from '@/core/records/flights/movement';
import { closedBoxes } from '@/core/rules/parts/closed-uses';
import { civilDateAt, endOfDay } from '@/core/time/zone';
import { insertOthers } from '@/db/aircraft/other-records';
import { Refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { enterOnce } from '../kernel/enter-once';

/** Restricts an aircraft beyond what the records ask, with a reason and an end. It only ever closes. */
export async function restrict(
  ports: Ports,
  actor: Actor,
  entry: Restrict,
): Promise<Outcome<{ readonly restrictionId: string; readonly revision: number }>> {
  const { restrictionId: id, aircraftId, why, closes, until } = entry;
  return enterOnce(
    ports,
    actor,
    'restrict-dispatch',
    entry,
    { id: id, value: { restrictionId: id } },
    async ({ tx, club, recordedAt }) => {
      const { zone } = club.place;
      if (until !== null && until < civilDateAt(recordedAt, zone))
        throw new Refused({
          code: 'invalid',
          message:
            'Its end is over already. Choose a later one, or give none: then it holds until it is withdrawn.',
          problems: [{ path: 'until', message: 'is over already' }],
        });
      const body: DispatchRestriction = {
        id,
        happenedAt: recordedAt,
        recordedAt,
        by: actor.name,
        why,
        uses: closes.length === 0 ? null : closedBoxes(closes),
        cap: null,
        until: until === null ? null : endOfDay(until, zone),
        withdrawn: null,
      };
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        { id, kind: 'dispatch-restriction', happenedAt: recordedAt, recordedAt, body },
      ]);
      return { id, why, closes: [...closes], until };
    },
  );
}

/** Takes a restriction back, with why; what the records close stays closed. */
export async function withdrawRestriction(
  ports: Ports,
  actor: Actor,
  entry: WithdrawRestriction,
): Promise<Outcome<{ readonly withdrawalId: string; readonly revision: number }>> {
  const { withdrawalId: id, aircraftId, restrictionId, why } = entry;
  return enterOnce(
    ports,
    actor,
    'withdraw-restriction',
    entry,
    { id: id, value: { withdrawalId: id } },
    async ({ tx, stored, recordedAt }) => {
      const restriction = stored.facts.dispatchRestrictions.find((one) => one.id === restrictionId);
      if (restriction === undefined)
        throw new Refused({
          code: 'not-found',
          message: 'There is no such restriction. Open the aircraft’s page again.',
        });
      if (restriction.withdrawn !== null)
        throw new Refused({
          code: 'invalid',
          message: 'This restriction was withdrawn already.',
          problems: [],
        });
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        {
          id,
          kind: 'restriction-withdrawn',
          happenedAt: recordedAt,
          recordedAt,
          body: { restriction: restrictionId, recordedAt, by: actor.name, why },
        },
      ]);
      return { id, restriction: restrictionId, of: restriction.by, was: restriction.why, why };
    },
  );
}
