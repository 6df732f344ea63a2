import { sql } from 'kysely';
import {
  USUAL_SETTINGS,
  type Notice,
  type NoticeSettings,
  type VoidRelease,
} from '@/core/records/notices/notice';
import { addSeconds, type Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction, Database } from '../kernel/connection';
import { insertOnce } from '../kernel/insert-once';
import { reader } from '../kernel/stored-fields';

/** A notice with its words. */
export interface WordedNotice extends Notice {
  readonly id: string;
  readonly aircraftId: string;
  readonly title: string;
  readonly body: string;
  /** Where it is looked at, from the root of the application. */
  readonly path: string;
}

/** A notice as it stands: whether it was seen, and when a mail with it went. */
export interface StoredNotice {
  readonly id: string;
  readonly personId: string;
  readonly title: string;
  readonly body: string;
  readonly path: string;
  readonly useUntil: Instant | null;
  readonly recordedAt: Instant;
  readonly isRead: boolean;
  readonly mail: { readonly outcome: string; readonly at: Instant } | null;
}

/** Every club that there is. */
export async function everyClub(db: Database): Promise<readonly string[]> {
  const { rows } = await sql<{ id: string }>`select groval.every_club()::text as id`.execute(db);
  return rows.map(({ id }) => id);
}

/** Aircraft about which something may be to be told: changed since the last look, or with a flight ahead and not looked at for a while. */
export async function aircraftToLookAt(
  tx: ClubTransaction,
  now: Instant,
  every: { readonly seconds: number; readonly ahead: number },
): Promise<readonly string[]> {
  const { rows } = await sql<{ id: string }>`
    select a.aircraft_id::text as id from aircraft a left join notice_look l using (club_id, aircraft_id)
    where l.revision is distinct from a.revision
      or (l.recorded_at <= ${new Date(addSeconds(now, -every.seconds))} and exists (
        select from planned_flight p where p.club_id = a.club_id and p.aircraft_id = a.aircraft_id
          and p.starts between ${new Date(now)} and ${new Date(addSeconds(now, every.ahead))}))`.execute(tx);
  return rows.map(({ id }) => id);
}

/** The revision that an aircraft is at; null where the club has no such aircraft. */
export async function revisionOf(tx: ClubTransaction, aircraftId: string): Promise<number | null> {
  const row = await tx
    .selectFrom('aircraft')
    .select('revision')
    .where('aircraft_id', '=', aircraftId)
    .executeTakeFirst();
  return row?.revision ?? null;
}

/** Keeps where somebody looked last. Of two that looked at once the further one counts. */
export async function keepLook(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  revision: number,
  at: Instant,
): Promise<void> {
  await sql`insert into notice_look (club_id, aircraft_id, revision, recorded_at) values (${clubId}, ${aircraftId}, ${revision}, ${new Date(at)})
    on conflict (club_id, aircraft_id) do update set revision = greatest(notice_look.revision, excluded.revision),
      recorded_at = greatest(notice_look.recorded_at, excluded.recorded_at)`.execute(tx);
}

/** Looks about one aircraft go one after another: what the one told, the next knows. Ends with the transaction. */
export async function lockNotices(tx: ClubTransaction, aircraftId: string): Promise<void> {
  await sql`select pg_advisory_xact_lock(hashtextextended(${`notices ${aircraftId}`}, 0))`.execute(tx);
}

/** How many times each flight of an aircraft was told of. */
export async function timesTold(
  tx: ClubTransaction,
  aircraftId: string,
): Promise<ReadonlyMap<string, number>> {
  const { rows } = await sql<{ about: string; n: string }>`
    select about, count(*) as n from notice where aircraft_id = ${aircraftId} and kind in ('flight-available', 'flight-not-available') group by about`.execute(
    tx,
  );
  return new Map(rows.map(({ about, n }) => [about, Number(n)]));
}

/** A finding of a member, with who did the last thing about it, and when. */
export interface ReportedBy {
  readonly findingId: string;
  readonly personId: string;
  readonly what: string;
  readonly last: { readonly by: string; readonly at: Instant } | null;
}

/** Findings of an aircraft about which somebody did something since a moment. */
export async function findingsDealtWith(
  tx: ClubTransaction,
  aircraftId: string,
  since: Instant,
): Promise<readonly ReportedBy[]> {
  const { rows } = await sql<{
    id: string;
    person: string;
    what: string;
    by: string | null;
    at: Date | null;
  }>`
    select d.discrepancy_id::text as id, d.found_by as person, d.what, l.recorded_by as by, l.recorded_at as at
    from discrepancy d join membership m on m.club_id = d.club_id and m.person_id = d.found_by
      cross join lateral (
        select recorded_by, recorded_at from (
          select r.recorded_by, r.recorded_at from rectification r where r.club_id = d.club_id and r.discrepancy_id = d.discrepancy_id
          union all
          select t.recorded_by, t.recorded_at from aircraft_record t
            where t.club_id = d.club_id and t.aircraft_id = d.aircraft_id and t.kind in ('triage', 'deferral')
              and t.body->>'discrepancy' = d.discrepancy_id::text) all_of
        order by recorded_at desc limit 1) l
    where d.aircraft_id = ${aircraftId} and l.recorded_at >= ${new Date(since)}`.execute(tx);
  return rows.map(({ id, person, what, by, at }) => ({
    findingId: id,
    personId: person,
    what,
    last: by === null || at === null ? null : { by, at: storedInstant(at) },
  }));
}

/** Releases of an aircraft that became void since a moment, each with whose they are and why. */
export async function voidReleases(
  tx: ClubTransaction,
  aircraftId: string,
  since: Instant,
): Promise<readonly (VoidRelease & { readonly flightId: string; readonly words: readonly string[] })[]> {
  const rows = await tx
    .selectFrom('flight_release as r')
    .innerJoin('flight_release_end as e', (join) =>
      join.onRef('e.club_id', '=', 'r.club_id').onRef('e.release_id', '=', 'r.release_id'),
    )
    .innerJoin('planned_flight as p', (join) =>
      join.onRef('p.club_id', '=', 'r.club_id').onRef('p.flight_id', '=', 'r.flight_id'),
    )
    .where('r.aircraft_id', '=', aircraftId)
    .where('e.why', '=', 'void')
    .where('e.recorded_at', '>=', new Date(since))
    .select([
      'r.release_id',
      'r.flight_id',
      'r.recorded_by',
      'r.until',
      'p.person_id',
      'p.recorded_by as planned_by',
      'e.recorded_by as ended_by',
      'e.words',
    ])
    .execute();
  return rows.map((row) => ({
    releaseId: row.release_id,
    flightId: row.flight_id,
    holder: row.person_id ?? row.planned_by,
    signer: row.recorded_by,
    endedBy: row.ended_by,
    until: storedInstant(row.until),
    words: row.words as unknown as readonly string[],
  }));
}

/** Writes notices. What was told under the same key already is not told again. */
export async function insertNotices(
  tx: ClubTransaction,
  clubId: string,
  notices: readonly WordedNotice[],
  at: Instant,
): Promise<void> {
  for (const one of notices) {
    // Told already under its key is told: that is what the key is for.
    void (await insertOnce(
      tx,
      'notice',
      {
        club_id: clubId,
        notice_id: one.id,
        person_id: one.personId,
        kind: one.kind,
        key: one.key,
        about: one.about,
        aircraft_id: one.aircraftId,
        title: one.title,
        body: one.body,
        path: one.path,
        use_until: one.useUntil === null ? null : new Date(one.useUntil),
        recorded_at: new Date(at),
      },
      ['club_id', 'person_id', 'key'],
    ));
  }
}

const storedSettings = reader<NoticeSettings>({ mail: 'yes-no', quiet: 'group?', digestAt: 'text?' });

/** How somebody wants to be told. */
export async function readSettings(tx: ClubTransaction, personId: string): Promise<NoticeSettings> {
  const row = await tx
    .selectFrom('notice_setting')
    .select(['body', 'setting_id'])
    .where('person_id', '=', personId)
    .orderBy('recorded_at', 'desc')
    .orderBy('setting_id', 'desc')
    .limit(1)
    .executeTakeFirst();
  return row === undefined ? USUAL_SETTINGS : storedSettings(row.body, `notice setting ${row.setting_id}`);
}

/** Keeps how somebody wants to be told from now on. */
export async function insertSettings(
  tx: ClubTransaction,
  clubId: string,
  {
    id,
    personId,
    settings,
    at,
  }: {
    readonly id: string;
    readonly personId: string;
    readonly settings: NoticeSettings;
    readonly at: Instant;
  },
): Promise<void> {
  // Sent twice it is the same setting.
  void (await insertOnce(
    tx,
    'notice_setting',
    {
      club_id: clubId,
      setting_id: id,
      person_id: personId,
      body: JSON.stringify(settings),
      recorded_at: new Date(at),
    },
    ['club_id', 'setting_id'],
  ));
}

/** What was told, as a row has it. */
export interface ToldRow {
  readonly id: string;
  readonly person: string;
  readonly title: string;
  readonly body: string;
  readonly path: string;
  readonly use_until: Date | null;
  readonly recorded_at: Date;
}

/** What was told, from its row. */
export const told = (row: ToldRow): Omit<StoredNotice, 'isRead' | 'mail'> => ({
  id: row.id,
  personId: row.person,
  title: row.title,
  body: row.body,
  path: row.path,
  useUntil: row.use_until === null ? null : storedInstant(row.use_until),
  recordedAt: storedInstant(row.recorded_at),
});

/** The newest notices of one person. */
export async function readNotices(
  tx: ClubTransaction,
  personId: string,
  most: number,
): Promise<readonly StoredNotice[]> {
  const { rows } = await sql<
    ToldRow & { readonly read: boolean; readonly outcome: string | null; readonly mailed_at: Date | null }
  >`
    select n.notice_id::text as id, n.person_id as person, n.title, n.body, n.path, n.use_until, n.recorded_at, r.notice_id is not null as read,
      m.outcome, m.recorded_at as mailed_at
    from notice n
      left join notice_read r using (club_id, notice_id)
      left join lateral (
        select e.outcome, e.recorded_at from notice_mail s join notice_mail_end e using (club_id, mail_id)
        where s.club_id = n.club_id and s.person_id = n.person_id and n.notice_id = any(s.notices) order by e.recorded_at limit 1) m on true
    where n.person_id = ${personId}
    order by n.recorded_at desc, n.notice_id limit ${most}`.execute(tx);
  return rows.map((row) => ({
    ...told(row),
    isRead: row.read,
    mail:
      row.outcome === null || row.mailed_at === null
        ? null
        : { outcome: row.outcome, at: storedInstant(row.mailed_at) },
  }));
}

/** Marks notices of a person as seen. Those of others are left alone. */
export async function markRead(
  tx: ClubTransaction,
  personId: string,
  ids: readonly string[],
  at: Instant,
): Promise<void> {
  await sql`insert into notice_read (club_id, notice_id, recorded_at)
    select club_id, notice_id, ${new Date(at)} from notice where person_id = ${personId} and notice_id = any(${ids}::uuid[])
    on conflict do nothing`.execute(tx);
}

/** How many a person has not seen. */
export async function countUnread(tx: ClubTransaction, personId: string): Promise<number> {
  const { rows } = await sql<{
    n: string;
  }>`select count(*) as n from notice n left join notice_read r using (club_id, notice_id)
    where n.person_id = ${personId} and r.notice_id is null`.execute(tx);
  return Number(rows[0]?.n ?? 0);
}
