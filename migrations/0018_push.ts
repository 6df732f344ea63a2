import type { Kysely } from 'kysely';
import { keepByClub, oneOf, runIn } from './kit';

export { down } from './kit';

/**
 * The devices on which people want to be told, and which notice went to which of them. None of it is a record
 * about an aircraft. Older programs may still run: they tell no device.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(`create table push_device (
    club_id uuid not null references club, device_id uuid not null, person_id text not null,
    name text not null, endpoint text not null, p256dh text not null, auth text not null, recorded_at timestamptz not null,
    primary key (club_id, device_id)
  );
  create index push_device_person on push_device (club_id, person_id);
  create index push_device_endpoint on push_device (club_id, endpoint);
  create table push_device_end (
    club_id uuid not null, device_id uuid not null, why text not null ${oneOf('why', ['ended', 'gone'])}, recorded_at timestamptz not null,
    primary key (club_id, device_id), foreign key (club_id, device_id) references push_device
  );
  create table notice_push_try (
    club_id uuid not null, device_id uuid not null, notice_id uuid not null, recorded_at timestamptz not null,
    primary key (club_id, device_id, notice_id, recorded_at),
    foreign key (club_id, device_id) references push_device, foreign key (club_id, notice_id) references notice
  );
  create table notice_push_end (
    club_id uuid not null, device_id uuid not null, notice_id uuid not null,
    outcome text not null ${oneOf('outcome', ['sent', 'gone', 'refused'])}, note text not null, recorded_at timestamptz not null,
    primary key (club_id, device_id, notice_id),
    foreign key (club_id, device_id) references push_device, foreign key (club_id, notice_id) references notice
  )`);
  await keepByClub(run, {
    push_device: null,
    push_device_end: null,
    notice_push_try: null,
    notice_push_end: null,
  });
}
