import type { NoticeSettingsEntry, ReadNotices } from '@/contracts/notices/notices';
import { inClub } from '@/db/kernel/club-transaction';
import { insertSettings, markRead } from '@/db/notices/notices';
import { refused, runCommand, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';

/** Marks one's own notices as seen. Said twice it is said once; those of others stay as they are. */
export async function readOwnNotices(
  ports: Ports,
  actor: Actor,
  { noticeIds }: ReadNotices,
): Promise<Outcome<{ readonly read: true }>> {
  const denied = denial(actor, 'manage-own-notices');
  if (denied !== null) return refused(denied);
  return runCommand(async () => {
    await inClub(ports.db, actor.clubId, (tx) => markRead(tx, actor.personId, noticeIds, ports.now()));
    return { read: true as const };
  });
}

/** Keeps how one wants to be told. Mail that waits goes by it too. */
export async function setOwnNotices(
  ports: Ports,
  actor: Actor,
  { settingId, settings }: NoticeSettingsEntry,
): Promise<Outcome<{ readonly settingId: string }>> {
  const denied = denial(actor, 'manage-own-notices');
  if (denied !== null) return refused(denied);
  return runCommand(async () => {
    await inClub(ports.db, actor.clubId, (tx) =>
      insertSettings(tx, actor.clubId, {
        id: settingId,
        personId: actor.personId,
        settings,
        at: ports.now(),
      }),
    );
    return { settingId };
  });
}
