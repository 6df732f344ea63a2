import type { Act } from '@/contracts/kernel/permissions';
import type { Plain } from '@/core/decision/canonical';
import type { AircraftAct } from '@/core/records/ledger-act';
import { findOther } from '@/db/aircraft/other-records';
import { changeAircraft, type Changing } from './change-aircraft';
import { refused, type Actor, type Outcome, type Ports } from './command';
import { denial } from './permissions';
import { passwordRefusal } from './signing';

/** What was sent: about which aircraft; what the sender had seen, where that must not have changed; the password, where it is signed. */
interface Sent {
  readonly aircraftId: string;
  readonly seenRevision?: number;
  readonly password?: string;
}

/** The record that an entry makes, by the id that its sender gave it, and what is answered once it is there. */
interface Made<T> {
  readonly id: string;
  readonly value: T;
}

/**
 * Enters one record about an aircraft: looks who may, checks the password where there is one, and answers an
 * entry that was received already as received. What the permission table calls the act is what the ledger
 * calls it.
 * @param work writes the record, and gives what the ledger keeps of it
 */
export async function enterOnce<T extends object>(
  ports: Ports,
  actor: Actor,
  act: Act & AircraftAct,
  entry: Sent,
  { id, value }: Made<T>,
  work: (changing: Changing) => Promise<Plain>,
): Promise<Outcome<T & { readonly revision: number }>> {
  const denied = denial(actor, act);
  if (denied !== null) return refused(denied);
  const wrong = entry.password === undefined ? null : await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  const { aircraftId } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    act,
    entry.seenRevision ?? null,
    async (changing) => ({ value, ledger: await work(changing) }),
    {
      request: entry,
      found: async (tx) => ((await findOther(tx, id))?.aircraftId === aircraftId ? value : null),
    },
  );
}
