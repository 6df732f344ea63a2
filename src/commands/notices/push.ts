import { pushAt, type SendPush } from '@/core/records/notices/notice';
import { accountsOf } from '@/db/club/accounts';
import { membershipsOf, readClub } from '@/db/club/clubs';
import { inClub } from '@/db/kernel/club-transaction';
import { endPush, lockPush, readUnpushed, tryPush, type Unpushed } from '@/db/notices/devices';
import { readSettings } from '@/db/notices/notices';
import type { Ports } from '../kernel/command';

/** So many are told at once; the rest comes with the next look. */
const MOST = 20;

/** What the devices of a person are to be told now, begun in the database. */
async function due(
  ports: Pick<Ports, 'db' | 'now'>,
  clubId: string,
  personId: string,
): Promise<readonly Unpushed[]> {
  const now = ports.now();
  return inClub(ports.db, clubId, async (tx) => {
    await lockPush(tx, personId);
    // Whose membership or account has ended is told nothing of the club any more.
    const hasAccount = (await accountsOf(tx, [personId])).has(personId);
    const isMember = (await membershipsOf(tx, personId)).some(
      (one) => one.clubId === clubId && one.roles.length > 0,
    );
    if (!hasAccount || !isMember) return [];
    const { zone } = (await readClub(tx, clubId)).place;
    const settings = await readSettings(tx, personId);
    const begun = (await readUnpushed(tx, now, personId))
      .filter((one) => pushAt(one, settings, zone) <= now)
      .slice(0, MOST);
    for (const one of begun) await tryPush(tx, clubId, one, now);
    return begun;
  });
}

/**
 * Tells the devices of a person what they are to be told now. Said to be sent only once the push service has
 * taken it; one that it could not take now goes again under the same id, and the others still go.
 * @returns how many went
 * @throws the first trouble, after all were tried
 */
export async function pushNotices(
  ports: Pick<Ports, 'db' | 'now'>,
  send: SendPush,
  { clubId, personId }: { readonly clubId: string; readonly personId: string },
): Promise<number> {
  const troubles: unknown[] = [];
  let sent = 0;
  for (const one of await due(ports, clubId, personId)) {
    try {
      const { outcome, note } = await send(one.device, one);
      await inClub(ports.db, clubId, (tx) => endPush(tx, clubId, one, { outcome, note, at: ports.now() }));
      if (outcome === 'sent') sent += 1;
    } catch (error) {
      troubles.push(error);
    }
  }
  if (troubles.length > 0) throw troubles[0];
  return sent;
}

/** The people of a club whose devices are still to be told something. */
export async function peopleToPush(
  ports: Pick<Ports, 'db' | 'now'>,
  clubId: string,
): Promise<readonly string[]> {
  return inClub(ports.db, clubId, async (tx) => [
    ...new Set((await readUnpushed(tx, ports.now(), null)).map(({ personId }) => personId)),
  ]);
}
