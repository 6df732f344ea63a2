import type { Kysely } from 'kysely';
import { keepByClub, oneOf, runIn } from './kit';

export { down } from './kit';

/**
 * What people are told, whether they have seen it, how they want to be told, and the mails that were sent.
 * None of it is a record about an aircraft, so none is counted in its ledger. Older programs may still run:
 * they tell nobody.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(`create table notice (
    club_id uuid not null references club, notice_id uuid not null, person_id text not null,
    kind text not null ${oneOf('kind', ['flight-not-available', 'flight-available', 'finding'])},
    key text not null, about text not null, aircraft_id uuid not null,
    title text not null, body text not null, path text not null, use_until timestamptz, recorded_at timestamptz not null,
    primary key (club_id, notice_id), unique (club_id, person_id, key), foreign key (club_id, aircraft_id) references aircraft
  );
  create index notice_person on notice (club_id, person_id, recorded_at desc);
  create index notice_about on notice (club_id, aircraft_id, about);
  create table notice_read (
    club_id uuid not null, notice_id uuid not null, recorded_at timestamptz not null,
    primary key (club_id, notice_id), foreign key (club_id, notice_id) references notice
  );
  create table notice_setting (
    club_id uuid not null references club, setting_id uuid not null, person_id text not null, body jsonb not null, recorded_at timestamptz not null,
    primary key (club_id, setting_id)
  );
  create index notice_setting_person on notice_setting (club_id, person_id, recorded_at desc);
  create table notice_mail (
    club_id uuid not null references club, mail_id uuid not null, person_id text not null, notices uuid[] not null, recorded_at timestamptz not null,
    primary key (club_id, mail_id)
  );
  create index notice_mail_person on notice_mail (club_id, person_id, recorded_at desc);
  create table notice_mail_try (
    club_id uuid not null, mail_id uuid not null, recorded_at timestamptz not null,
    primary key (club_id, mail_id, recorded_at), foreign key (club_id, mail_id) references notice_mail
  );
  create table notice_mail_end (
    club_id uuid not null, mail_id uuid not null, outcome text not null ${oneOf('outcome', ['sent', 'refused'])}, note text not null,
    recorded_at timestamptz not null,
    primary key (club_id, mail_id), foreign key (club_id, mail_id) references notice_mail
  );
  create table notice_look (
    club_id uuid not null, aircraft_id uuid not null, revision int not null, recorded_at timestamptz not null,
    primary key (club_id, aircraft_id), foreign key (club_id, aircraft_id) references aircraft
  )`);
  await keepByClub(run, {
    notice: null,
    notice_read: null,
    notice_setting: null,
    notice_mail: null,
    notice_mail_try: null,
    notice_mail_end: null,
    notice_look: null,
  });
  // Where somebody last looked for what is to be told: it says nothing about an aircraft, and only the last counts.
  await run('grant update (revision, recorded_at) on notice_look to groval_app');
  // The work behind the screens goes through every club, one after another.
  await run(`create function groval.every_club() returns setof uuid language sql stable security definer set search_path = pg_catalog as
      $$ select club_id from groval.club order by club_id $$;
    revoke all on function groval.every_club() from public;
    grant execute on function groval.every_club() to groval_app`);
}
