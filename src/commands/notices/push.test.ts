import { randomUUID } from 'node:crypto';
import webpush from 'web-push';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { SendPush } from '@/core/records/notices/notice';
import { addDays, type CivilDate } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { civilDateAt, momentsAt } from '@/core/time/zone';
import { insertAccount } from '@/db/club/accounts';
import { inClub } from '@/db/kernel/club-transaction';
import { devicesOf } from '@/db/notices/devices';
import { insertNotices } from '@/db/notices/notices';
import { readNoticesPage } from '@/queries/notices/notices';
import { openPusher } from '@/server/push';
import { good, testClub } from '@/testing/database';
import { startPushService, type PushService } from '../../../demo/stand-ins/push-service';
import { changeRoles } from '../club/members';
import { endDevice, enterDevice, readOwnNotices, setOwnNotices } from './own-notices';
import { peopleToPush, pushNotices } from './push';

const made = webpush.generateVAPIDKeys();
let club: Awaited<ReturnType<typeof testClub>>;
let service: PushService;
let send: SendPush;
type Role = Parameters<typeof club.actor>[0];
beforeAll(async () => {
  service = await startPushService();
  send = openPusher(made, 'mailto:notices@tern-bay.example', [service.host], () => club.ports.now());
});
afterAll(() => service.close());
beforeEach(async () => {
  club = await testClub();
  service.setMood('takes');
  for (const role of ['renter', 'student'] as const) await account(role);
});
const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const later = (seconds = 60) => {
  club.ports.at = addSeconds(club.ports.at, seconds);
};
const account = (role: Role) =>
  inTx((tx) =>
    insertAccount(tx, {
      personId: club.actor(role).personId,
      name: `The ${role}`,
      email: `${club.actor(role).personId}@tern-bay.example`,
      hash: 'none',
      clubId: club.clubId,
    }),
  );
/** Somebody is told on a device that was not there before. */
const device = async (role: Role) => {
  const { device: address, ...subscription } = service.subscribe();
  const deviceId = randomUUID();
  good(await enterDevice(club.ports, club.actor(role), { deviceId, name: 'Phone', ...subscription }));
  return { deviceId, address, subscription };
};
const notice = async (role: Role, useUntil: number | null = null) => {
  const id = randomUUID();
  await inTx((tx) =>
    insertNotices(
      tx,
      club.clubId,
      [
        {
          id,
          personId: club.actor(role).personId,
          aircraftId: club.aircraftId,
          kind: 'finding',
          key: id,
          about: id,
          title: 'What you found was looked at',
          body: 'A dent',
          path: '/aircraft/N02TB',
          useUntil: useUntil === null ? null : addSeconds(club.ports.at, useUntil),
        },
      ],
      club.ports.now(),
    ),
  );
  return id;
};
const push = (role: Role) =>
  pushNotices(club.ports, send, { clubId: club.clubId, personId: club.actor(role).personId });
const arrived = (address: string) =>
  service
    .messages()
    .filter((one) => one.device === address)
    .map(({ text }) => (JSON.parse(text) as { id: string }).id);
const page = (role: Role) =>
  inTx((tx) =>
    readNoticesPage(tx, club.actor(role), club.ports.now(), { mailIsSet: false, pushKey: made.publicKey }),
  );

describe('a device', () => {
  it('is told each notice once, from the moment on at which it was given', async () => {
    await notice('renter');
    later();
    const { address } = await device('renter');
    expect(await push('renter')).toBe(0);
    later();
    const [first, second] = [await notice('renter'), await notice('renter')];
    expect(await peopleToPush(club.ports, club.clubId)).toEqual([club.actor('renter').personId]);
    expect(await push('renter')).toBe(2);
    expect(await push('renter')).toBe(0);
    expect(arrived(address).toSorted()).toEqual([first, second].toSorted());
    expect(await peopleToPush(club.ports, club.clubId)).toEqual([]);
    expect((await page('renter')).notices.map(({ devices }) => devices)).toEqual([
      'on phone',
      'on phone',
      '',
    ]);
  });
  it('is told by one of several processes alone', async () => {
    const { address } = await device('renter');
    await notice('renter');
    const told = await Promise.all([push('renter'), push('renter'), push('renter')]);
    expect(told.toSorted()).toEqual([0, 0, 1]);
    expect(arrived(address)).toHaveLength(1);
  });
  it('is not told what its person has seen, what is of no use any more, nor what is another’s', async () => {
    const { address } = await device('renter');
    const seen = await notice('renter');
    await notice('renter', 30);
    await notice('student');
    good(await readOwnNotices(club.ports, club.actor('renter'), { noticeIds: [seen] }));
    later();
    expect(await push('renter')).toBe(0);
    expect(arrived(address)).toEqual([]);
  });
  it('waits through the quiet hours, and not through the digest', async () => {
    const { address } = await device('renter');
    const settings = { mail: false, quiet: { from: '22:00', until: '06:00' }, digestAt: '18:00' };
    good(await setOwnNotices(club.ports, club.actor('renter'), { settingId: randomUUID(), settings }));
    const night = (clock: string, day: CivilDate) =>
      momentsAt(day, clock, club.place.zone)[0] ?? club.ports.now();
    const evening = civilDateAt(club.ports.at, club.place.zone);
    club.ports.at = night('23:00', evening);
    await notice('renter');
    const urgent = await notice('renter', 3600);
    expect(await push('renter')).toBe(1);
    expect(arrived(address)).toEqual([urgent]);
    club.ports.at = addSeconds(night('06:00', addDays(evening, 1)), -1);
    expect(await push('renter')).toBe(0);
    club.ports.at = addSeconds(club.ports.at, 1);
    expect(await push('renter')).toBe(1);
  });
});

describe('a push service', () => {
  it('that cannot take it now gets it again, and the other device is told', async () => {
    const { address } = await device('renter');
    const id = await notice('renter');
    service.setMood('busy');
    await expect(push('renter')).rejects.toThrow('answered 503');
    service.setMood('takes');
    // Another process may still be at it.
    expect(await push('renter')).toBe(0);
    later(301);
    expect(await push('renter')).toBe(1);
    expect(arrived(address)).toEqual([id]);
  });
  it('holds up no other device', async () => {
    const [one, two] = [await device('renter'), await device('renter')];
    await notice('renter');
    const halting: SendPush = (to, told) =>
      to.endpoint === one.subscription.endpoint ? Promise.reject(new Error('away')) : send(to, told);
    const to = { clubId: club.clubId, personId: club.actor('renter').personId };
    await expect(pushNotices(club.ports, halting, to)).rejects.toThrow('away');
    expect([arrived(one.address).length, arrived(two.address).length]).toEqual([0, 1]);
  });
  it('that says a device is gone ends it', async () => {
    const { address } = await device('renter');
    await notice('renter');
    service.setMood('gone');
    expect(await push('renter')).toBe(0);
    service.setMood('takes');
    later(301);
    await notice('renter');
    expect(await push('renter')).toBe(0);
    expect(arrived(address)).toEqual([]);
    const shown = await page('renter');
    expect(shown.devices).toEqual([]);
    expect(shown.notices.map(({ devices }) => devices)).toEqual(['', 'phone is not told any more']);
  });
  it('that refuses it for good is not asked again, and the page says why', async () => {
    await device('renter');
    await notice('renter');
    service.setMood('refuses');
    expect(await push('renter')).toBe(0);
    service.setMood('takes');
    later(301);
    expect(await push('renter')).toBe(0);
    expect((await page('renter')).notices[0]?.devices).toBe('not on phone: the push service answered 413');
  });
});

describe('whose device it is', () => {
  it('is who gave it last: in one browser nobody reads what is another’s', async () => {
    const { subscription, address } = await device('renter');
    later();
    good(
      await enterDevice(club.ports, club.actor('student'), {
        deviceId: randomUUID(),
        name: 'Phone',
        ...subscription,
      }),
    );
    later();
    await notice('renter');
    const own = await notice('student');
    expect([await push('renter'), await push('student')]).toEqual([0, 1]);
    expect(arrived(address)).toEqual([own]);
  });
  it('ends by its person alone', async () => {
    const { deviceId } = await device('renter');
    good(await endDevice(club.ports, club.actor('student'), { deviceId }));
    expect(await inTx((tx) => devicesOf(tx, club.actor('renter').personId))).toHaveLength(1);
    good(await endDevice(club.ports, club.actor('renter'), { deviceId }));
    good(await endDevice(club.ports, club.actor('renter'), { deviceId }));
    await notice('renter');
    expect(await push('renter')).toBe(0);
  });
  it('ends with the membership', async () => {
    const { address } = await device('renter');
    await notice('renter');
    const { personId, name } = club.actor('renter');
    const change = { changeId: randomUUID(), personId, name, roles: [] };
    good(await changeRoles(club.ports, club.actor('administrator'), change));
    expect(await push('renter')).toBe(0);
    expect(arrived(address)).toEqual([]);
  });
  it('is one once, though it was sent twice; there are ten at most, and none where the server does not send', async () => {
    const { subscription } = await device('renter');
    const entry = { deviceId: randomUUID(), name: 'Phone', ...subscription };
    good(await enterDevice(club.ports, club.actor('renter'), entry));
    good(await enterDevice(club.ports, club.actor('renter'), entry));
    expect((await page('renter')).devices).toHaveLength(1);
    for (let n = 1; n < 10; n += 1) await device('renter');
    const { endpoint, p256dh, auth } = service.subscribe();
    const eleventh = { deviceId: randomUUID(), name: 'Phone', endpoint, p256dh, auth };
    expect(await enterDevice(club.ports, club.actor('renter'), eleventh)).toMatchObject({
      ok: false,
      refusal: { message: expect.stringContaining('10 devices already') as string },
    });
    const refusing = { ...club.ports, whyNoPush: () => 'not there' };
    expect(await enterDevice(refusing, club.actor('student'), eleventh)).toMatchObject({
      ok: false,
      refusal: { message: 'not there' },
    });
    expect((await page('student')).devices).toEqual([]);
  });
});
