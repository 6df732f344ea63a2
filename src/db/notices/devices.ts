import { sql } from 'kysely';
import type { PushAddress, PushOutcome } from '@/core/records/notices/notice';
import { addSeconds, type Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce } from '../kernel/insert-once';
import { STALE_S, type Unsent } from './mails';
import { told, type ToldRow } from './notices';

/** A device on which somebody is told. */
export interface Device extends PushAddress {
  readonly id: string;
  readonly name: string;
  readonly since: Instant;
}

/** The devices on which a person is told, oldest first. */
export async function devicesOf(tx: ClubTransaction, personId: string): Promise<readonly Device[]> {
  const { rows } = await sql<{
    id: string;
    name: string;
    endpoint: string;
    p256dh: string;
    auth: string;
    recorded_at: Date;
  }>`
    select d.device_id::text as id, d.name, d.endpoint, d.p256dh, d.auth, d.recorded_at
    from push_device d left join push_device_end e using (club_id, device_id)
    where d.person_id = ${personId} and e.device_id is null order by d.recorded_at, d.device_id`.execute(tx);
  return rows.map(({ recorded_at, ...row }) => ({ ...row, since: storedInstant(recorded_at) }));
}

/** Ends devices of one person, or every device at an address. One that has ended stays as it ended. */
export async function endDevices(
  tx: ClubTransaction,
  which: { readonly personId: string; readonly deviceId: string } | { readonly endpoint: string },
  why: 'ended' | 'gone',
  at: Instant,
): Promise<void> {
  const where =
    'endpoint' in which
      ? sql`endpoint = ${which.endpoint}`
      : sql`person_id = ${which.personId} and device_id = ${which.deviceId}::uuid`;
  await sql`insert into push_device_end (club_id, device_id, why, recorded_at)
    select club_id, device_id, ${why}, ${new Date(at)} from push_device where ${where}
    on conflict do nothing`.execute(tx);
}

/** Keeps a device on which a person is told from now on. */
export async function insertDevice(
  tx: ClubTransaction,
  clubId: string,
  device: PushAddress & {
    readonly id: string;
    readonly personId: string;
    readonly name: string;
    readonly at: Instant;
  },
): Promise<void> {
  void (await insertOnce(
    tx,
    'push_device',
    {
      club_id: clubId,
      device_id: device.id,
      person_id: device.personId,
      name: device.name,
      endpoint: device.endpoint,
      p256dh: device.p256dh,
      auth: device.auth,
      recorded_at: new Date(device.at),
    },
    ['club_id', 'device_id'],
  ));
}

/** A notice that a device has not been told of. */
export interface Unpushed extends Unsent {
  readonly device: PushAddress & { readonly id: string };
}

/** One that was tried so recently, in seconds, may still be on its way from another process. */
const UNDER_WAY_S = 300;

/**
 * What devices are still to be told, oldest first: of one person, or of everybody. Not what was seen already,
 * what is of no use any more, what was written before the device was given, nor what another process may be
 * sending just now.
 */
export async function readUnpushed(
  tx: ClubTransaction,
  now: Instant,
  personId: string | null,
): Promise<readonly Unpushed[]> {
  const { rows } = await sql<
    ToldRow & {
      readonly device: string;
      readonly endpoint: string;
      readonly p256dh: string;
      readonly auth: string;
    }
  >`
    select n.notice_id::text as id, n.person_id as person, n.title, n.body, n.path, n.use_until, n.recorded_at,
      d.device_id::text as device, d.endpoint, d.p256dh, d.auth
    from push_device d join notice n on n.club_id = d.club_id and n.person_id = d.person_id and n.recorded_at >= d.recorded_at
    where (${personId}::text is null or d.person_id = ${personId})
      and n.recorded_at > ${new Date(addSeconds(now, -STALE_S))} and (n.use_until is null or n.use_until > ${new Date(now)})
      and not exists (select from push_device_end e where e.club_id = d.club_id and e.device_id = d.device_id)
      and not exists (select from notice_read r where r.club_id = n.club_id and r.notice_id = n.notice_id)
      and not exists (select from notice_push_end e where e.club_id = n.club_id and e.device_id = d.device_id and e.notice_id = n.notice_id)
      and not exists (select from notice_push_try t where t.club_id = n.club_id and t.device_id = d.device_id and t.notice_id = n.notice_id
        and t.recorded_at > ${new Date(addSeconds(now, -UNDER_WAY_S))})
    order by n.recorded_at, n.notice_id, d.device_id`.execute(tx);
  return rows.map(({ device, endpoint, p256dh, auth, ...row }) => ({
    ...told(row),
    device: { id: device, endpoint, p256dh, auth },
  }));
}

/** Says that somebody is about to tell a device, so that nobody else does at the same time. */
export async function tryPush(
  tx: ClubTransaction,
  clubId: string,
  { id, device }: Pick<Unpushed, 'id' | 'device'>,
  at: Instant,
): Promise<void> {
  await sql`insert into notice_push_try (club_id, device_id, notice_id, recorded_at)
    values (${clubId}, ${device.id}, ${id}, ${new Date(at)}) on conflict do nothing`.execute(tx);
}

/** Says how the telling of a device ended. The first word on it stands; a device that is gone is told nothing more. */
export async function endPush(
  tx: ClubTransaction,
  clubId: string,
  { id, personId, device }: Pick<Unpushed, 'id' | 'personId' | 'device'>,
  { outcome, note, at }: PushOutcome & { readonly at: Instant },
): Promise<void> {
  await sql`insert into notice_push_end (club_id, device_id, notice_id, outcome, note, recorded_at)
    values (${clubId}, ${device.id}, ${id}, ${outcome}, ${note}, ${new Date(at)}) on conflict do nothing`.execute(
    tx,
  );
  if (outcome === 'gone') await endDevices(tx, { personId, deviceId: device.id }, 'gone', at);
}

/** Devices of one person are told one after another. Ends with the transaction. */
export async function lockPush(tx: ClubTransaction, personId: string): Promise<void> {
  await sql`select pg_advisory_xact_lock(hashtextextended(${`push ${personId}`}, 0))`.execute(tx);
}

/** How the devices of a person were told of some notices, the last first. */
export async function readPushes(
  tx: ClubTransaction,
  personId: string,
  most: number,
): Promise<
  readonly {
    readonly noticeId: string;
    readonly device: string;
    readonly outcome: string;
    readonly note: string;
    readonly at: Instant;
  }[]
> {
  const { rows } = await sql<{ notice: string; device: string; outcome: string; note: string; at: Date }>`
    select e.notice_id::text as notice, d.name as device, e.outcome, e.note, e.recorded_at as at
    from notice_push_end e join push_device d using (club_id, device_id)
    where d.person_id = ${personId} order by e.recorded_at desc limit ${most}`.execute(tx);
  return rows.map(({ notice, at, ...row }) => ({ ...row, noticeId: notice, at: storedInstant(at) }));
}
