import type { Restrict, WithdrawRestriction } from '@/contracts/flights/dispatch-restriction';
import type { DispatchRestriction } from '@/core/records/flights/movement';
import { closedBoxes } from '@/core/rules/parts/closed-uses';
import { civilDateAt, endOfDay } from '@/core/time/zone';
import { findOther, insertOthers } from '@/db/aircraft/other-records';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';

/** Restricts an aircraft beyond what the records ask, with a reason and an end. It only ever closes. */
export async function restrict(
  ports: Ports,
  actor: Actor,
  entry: Restrict,
): Promise<Outcome<{ readonly restrictionId: string; readonly revision: number }>> {
  const denied = denial(actor, 'restrict-dispatch');
  if (denied !== null) return refused(denied);
  const { restrictionId: id, aircraftId, why, closes, until } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'restrict-dispatch',
    null,
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
      return {
        value: { restrictionId: id },
        ledger: { id, why, closes: [...closes], until },
      };
    },
    {
      request: entry,
      found: async (tx) =>
        (await findOther(tx, id))?.aircraftId === aircraftId ? { restrictionId: id } : null,
    },
  );
}

/** Takes a restriction back, with why; what the records close stays closed. */
export async function withdrawRestriction(
  ports: Ports,
  actor: Actor,
  entry: WithdrawRestriction,
): Promise<Outcome<{ readonly withdrawalId: string; readonly revision: number }>> {
  const denied = denial(actor, 'withdraw-restriction');
  if (denied !== null) return refused(denied);
  const { withdrawalId: id, aircraftId, restrictionId, why } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'withdraw-restriction',
    null,
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
      return {
        value: { withdrawalId: id },
        ledger: { id, restriction: restrictionId, of: restriction.by, was: restriction.why, why },
      };
    },
    {
      request: entry,
      found: async (tx) =>
        (await findOther(tx, id))?.aircraftId === aircraftId ? { withdrawalId: id } : null,
    },
  );
}
