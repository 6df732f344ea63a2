import type { MethodChange } from '@/contracts/walkround/walkround';
import {} from '@/db/aircraft/aircraft-facts';
import { lockClub } from '@/db/club/clubs';
import { lockFleet } from '@/db/kernel/bulk';
import { inClub } from '@/db/kernel/club-transaction';
import { appendToLedger } from '@/db/kernel/ledger';
import { notifyChange } from '@/db/kernel/notify';
import { findMethodChange, insertMethod, readMethod } from '@/db/walkround/method';
import { catalogueStep } from '@/core/walkround/catalogue';
import { orderFaults, rulesFor } from '@/core/walkround/order-rules';
import type { Plain } from '@/core/decision/canonical';
import { codeOfSlot } from '@/core/walkround/plan';
import { Refused, refused, runCommand, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { nextRevision } from '../kernel/next-revision';

const nameOf = (code: string): string => catalogueStep(code)?.title ?? code;

/**
 * Says how the school walks round from now on. Walk-rounds that were begun keep the plan that they were begun with. A school's own order must break no
 * order rule: what would be put right silently in the plan is refused here with its reason.
 */
export async function setMethod(
  ports: Ports,
  actor: Actor,
  { changeId, seen, method, required }: MethodChange,
): Promise<Outcome<{ readonly number: number }>> {
  const denied = denial(actor, 'set-walk-round-method');
  if (denied !== null) return refused(denied);
  const [fault] =
    method.order === null ? [] : orderFaults(method.order.map(codeOfSlot), rulesFor(method.laps));
  if (fault !== undefined)
    return refused({
      code: 'invalid',
      message: `“${nameOf(fault.first)}” comes before “${nameOf(fault.early)}”: ${fault.why}. Move one of them.`,
      problems: [{ path: 'method.order', message: fault.why }],
    });
  const recordedAt = ports.now();
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      await lockClub(tx, actor.clubId);
      const known = await findMethodChange(tx, changeId);
      if (known !== undefined) return { number: known };
      const fleet = await lockFleet(tx);
      const before = await readMethod(tx);
      if (before.number !== seen)
        throw new Refused({
          code: 'conflict',
          message:
            'Somebody changed how the school walks round while you were writing. Nothing was recorded; what you wrote is kept. Look at it, then save again.',
          revision: before.number,
          changes: [],
        });
      const number = before.number + 1;
      await insertMethod(tx, actor.clubId, changeId, { method, required, number }, actor, recordedAt);
      const record = { number, required, method: method as unknown as Plain };
      const told = { actor, recordedAt, record } as const;
      await appendToLedger(
        tx,
        { clubId: actor.clubId, aircraftId: null, revision: null, act: 'set-walk-round-method', ...told },
        ports.sha256,
      );
      // Whether a flight waits for a walk-round is decided by it, so what is kept of every aircraft is read again.
      for (const { aircraftId } of fleet.values()) {
        const { revision, withEnded } = await nextRevision(tx, actor, aircraftId, told.recordedAt);
        await appendToLedger(
          tx,
          {
            clubId: actor.clubId,
            aircraftId,
            revision,
            act: 'set-walk-round-method',
            ...told,
            record: withEnded(record),
          },
          ports.sha256,
        );
        await notifyChange(tx, { club: actor.clubId, aircraft: aircraftId, revision });
      }
      return { number };
    }),
  );
}
