import { inClub } from '@/db/kernel/club-transaction';
import { endFeedOnce, insertFeed } from '@/db/exchange/calendar-feeds';
import { appendToLedger } from '@/db/kernel/ledger';
import { Refused, refused, runCommand, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';

/** The hash that an address is found by. */
export const feedHash = (sha256: Ports['sha256'], secret: string): Uint8Array =>
  sha256(Buffer.from(`calendar/${secret}`, 'utf8'));

/** Makes a secret address of the calendar of what is due. The secret is told once and kept nowhere. */
export async function makeFeed(
  ports: Ports,
  actor: Actor,
  { name }: { readonly name: string },
): Promise<Outcome<{ readonly feedId: string; readonly path: string }>> {
  const denied = denial(actor, 'keep-calendar');
  if (denied !== null) return refused(denied);
  const at = ports.now();
  const feedId = ports.newId();
  const secret = `${ports.newId()}${ports.newId()}`.replaceAll('-', '');
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      await insertFeed(tx, actor.clubId, {
        feedId,
        name,
        secretHash: feedHash(ports.sha256, secret),
        at,
        by: actor.personId,
      });
      await appendToLedger(
        tx,
        {
          clubId: actor.clubId,
          aircraftId: null,
          revision: null,
          act: 'make-calendar-address',
          actor,
          recordedAt: at,
          record: { id: feedId, name },
        },
        ports.sha256,
      );
      return { feedId, path: `/api/calendar/${actor.clubId}.${secret}.ics` };
    }),
  );
}

/** Revokes one: from then on it answers nothing. */
export async function revokeFeed(
  ports: Ports,
  actor: Actor,
  { feedId }: { readonly feedId: string },
): Promise<Outcome<{ readonly feedId: string }>> {
  const denied = denial(actor, 'keep-calendar');
  if (denied !== null) return refused(denied);
  const at = ports.now();
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      if ((await endFeedOnce(tx, actor.clubId, feedId, at, actor.personId)) !== 'written')
        throw new Refused({
          code: 'not-found',
          message: 'There is no such address in force. Load the page again.',
        });
      await appendToLedger(
        tx,
        {
          clubId: actor.clubId,
          aircraftId: null,
          revision: null,
          act: 'revoke-calendar-address',
          actor,
          recordedAt: at,
          record: { id: feedId },
        },
        ports.sha256,
      );
      return { feedId };
    }),
  );
}
