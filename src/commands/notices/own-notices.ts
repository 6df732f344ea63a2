import type { DeviceEntry, EndDevice, NoticeSettingsEntry, ReadNotices } from '@/contracts/notices/notices';
import { inClub } from '@/db/kernel/club-transaction';
import { devicesOf, endDevices, insertDevice } from '@/db/notices/devices';
import { insertSettings, markRead } from '@/db/notices/notices';
import { Refused, refused, runCommand, type Actor, type Outcome, type Ports } from '../kernel/command';
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

/** On so many devices somebody can be told at most. */
const MOST_DEVICES = 10;

/**
 * Tells the person on one more device from now on. Somebody who was told in the same browser before is
 * not told there any more. Refused where its push service is none that this server may send to.
 */
export async function enterDevice(
  ports: Ports,
  actor: Actor,
  { deviceId, ...device }: DeviceEntry,
): Promise<Outcome<{ readonly deviceId: string }>> {
  const denied = denial(actor, 'manage-own-notices');
  if (denied !== null) return refused(denied);
  const why = ports.whyNoPush(device.endpoint);
  if (why !== null) return refused({ code: 'invalid', message: why, problems: [] });
  return runCommand(async () => {
    const at = ports.now();
    return inClub(ports.db, actor.clubId, async (tx) => {
      const own = await devicesOf(tx, actor.personId);
      if (own.some(({ id }) => id === deviceId)) return { deviceId };
      if (own.length >= MOST_DEVICES)
        throw new Refused({
          code: 'invalid',
          problems: [],
          message: `You are told on ${MOST_DEVICES} devices already. End one of them first.`,
        });
      await endDevices(tx, { endpoint: device.endpoint }, 'ended', at);
      await insertDevice(tx, actor.clubId, { ...device, id: deviceId, personId: actor.personId, at });
      return { deviceId };
    });
  });
}

/** Tells the person on one of their devices no more. Said twice it is said once; those of others stay as they are. */
export async function endDevice(
  ports: Ports,
  actor: Actor,
  { deviceId }: EndDevice,
): Promise<Outcome<{ readonly deviceId: string }>> {
  const denied = denial(actor, 'manage-own-notices');
  if (denied !== null) return refused(denied);
  return runCommand(async () => {
    const { personId, clubId } = actor;
    await inClub(ports.db, clubId, (tx) => endDevices(tx, { personId, deviceId }, 'ended', ports.now()));
    return { deviceId };
  });
}
