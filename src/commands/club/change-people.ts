import type { ClubAct } from '@/core/records/ledger-act';
import type { Instant } from '@/core/time/instant';
import { inClub } from '@/db/kernel/club-transaction';
import type { ClubTransaction } from '@/db/kernel/connection';
import { appendToLedger } from '@/db/kernel/ledger';
import { type Member, readMembers } from '@/db/club/people';
import type { Plain } from '@/core/decision/canonical';
import { denial } from '../kernel/permissions';
import { type Actor, type Outcome, type Ports, Refused, refused, runCommand } from '../kernel/command';

/** What an administrator changes about people, in one transaction with its entry in the club's ledger. */
export function changePeople<T>(
  ports: Ports,
  actor: Actor,
  act: ClubAct,
  work: (tx: ClubTransaction, at: Instant) => Promise<{ readonly value: T; readonly ledger: Plain | null }>,
): Promise<Outcome<T>> {
  const denied = denial(actor, 'manage-people');
  if (denied !== null) return Promise.resolve(refused(denied));
  const at = ports.now();
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      const { value, ledger } = await work(tx, at);
      if (ledger !== null)
        await appendToLedger(
          tx,
          {
            clubId: actor.clubId,
            aircraftId: null,
            revision: null,
            act,
            actor,
            recordedAt: at,
            record: ledger,
          },
          ports.sha256,
        );
      return value;
    }),
  );
}

export async function memberOf(tx: ClubTransaction, personId: string): Promise<Member> {
  const member = (await readMembers(tx)).find((one) => one.personId === personId);
  if (member === undefined)
    throw new Refused({ code: 'not-found', message: 'The club has no such person. Load the page again.' });
  return member;
}
