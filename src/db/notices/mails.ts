import { sql } from 'kysely';
import { addSeconds, type Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { told, type ToldRow } from './notices';

/** A notice that no mail has taken along yet. */
export interface Unsent {
  readonly id: string;
  readonly personId: string;
  readonly title: string;
  readonly body: string;
  readonly path: string;
  readonly useUntil: Instant | null;
  readonly recordedAt: Instant;
}

/** What nobody could send for so long is told inside the application alone: a week. */
export const STALE_S = 7 * 86_400;

/**
 * Notices that no mail has brought to its end, oldest first: of one person, or of everybody. What was seen already is not sent any more,
 * nor what is of no use any more.
 */
export async function readUnsent(
  tx: ClubTransaction,
  now: Instant,
  personId: string | null,
): Promise<readonly Unsent[]> {
  const { rows } = await sql<ToldRow>`
    select n.notice_id::text as id, n.person_id as person, n.title, n.body, n.path, n.use_until, n.recorded_at
    from notice n left join notice_read r using (club_id, notice_id)
    where r.notice_id is null and n.recorded_at > ${new Date(addSeconds(now, -STALE_S))} and (n.use_until is null or n.use_until > ${new Date(now)})
      and (${personId}::text is null or n.person_id = ${personId})
      and not exists (select from notice_mail m join notice_mail_end e using (club_id, mail_id)
        where m.club_id = n.club_id and m.person_id = n.person_id and n.notice_id = any(m.notices))
    order by n.recorded_at, n.notice_id`.execute(tx);
  return rows.map(told);
}

/** A mail that was begun, with when it was last tried, and perhaps accepted by the mail server, and of which nobody knows how it ended. */
export async function openMail(
  tx: ClubTransaction,
  personId: string,
): Promise<{ readonly id: string; readonly notices: readonly string[]; readonly at: Instant } | null> {
  const { rows } = await sql<{ id: string; notices: readonly string[]; at: Date }>`
    select m.mail_id::text as id, m.notices::text[] as notices,
      (select max(t.recorded_at) from notice_mail_try t where t.club_id = m.club_id and t.mail_id = m.mail_id) as at
    from notice_mail m left join notice_mail_end e using (club_id, mail_id)
    where m.person_id = ${personId} and e.mail_id is null order by m.recorded_at limit 1`.execute(tx);
  const [row] = rows;
  return row === undefined ? null : { ...row, at: storedInstant(row.at) };
}

/** The notices of a mail, as they were written. */
export async function noticesOfMail(tx: ClubTransaction, ids: readonly string[]): Promise<readonly Unsent[]> {
  const rows = await tx
    .selectFrom('notice')
    .selectAll()
    .where('notice_id', 'in', [...ids])
    .orderBy('recorded_at')
    .orderBy('notice_id')
    .execute();
  return rows.map((row) => told({ ...row, id: row.notice_id, person: row.person_id }));
}

/** Says that a mail is begun, before anybody sends it. */
export async function beginMail(
  tx: ClubTransaction,
  clubId: string,
  mail: {
    readonly id: string;
    readonly personId: string;
    readonly notices: readonly string[];
    readonly at: Instant;
  },
): Promise<void> {
  await sql`insert into notice_mail (club_id, mail_id, person_id, notices, recorded_at)
    values (${clubId}, ${mail.id}, ${mail.personId}, ${mail.notices}::uuid[], ${new Date(mail.at)})`.execute(
    tx,
  );
}

/** Says that somebody is about to send a mail, so that nobody else does at the same time. */
export async function tryMail(tx: ClubTransaction, clubId: string, id: string, at: Instant): Promise<void> {
  await sql`insert into notice_mail_try (club_id, mail_id, recorded_at) values (${clubId}, ${id}, ${new Date(at)}) on conflict do nothing`.execute(
    tx,
  );
}

/** Says how a mail ended. The first word on it stands. */
export async function endMail(
  tx: ClubTransaction,
  clubId: string,
  mail: {
    readonly id: string;
    readonly outcome: 'sent' | 'refused';
    readonly note: string;
    readonly at: Instant;
  },
): Promise<void> {
  await sql`insert into notice_mail_end (club_id, mail_id, outcome, note, recorded_at)
    values (${clubId}, ${mail.id}, ${mail.outcome}, ${mail.note}, ${new Date(mail.at)}) on conflict do nothing`.execute(
    tx,
  );
}

/** Mails of one person go one after another. Ends with the transaction. */
export async function lockMail(tx: ClubTransaction, personId: string): Promise<void> {
  await sql`select pg_advisory_xact_lock(hashtextextended(${`mail ${personId}`}, 0))`.execute(tx);
}

/** A mail as the page of what was sent shows it. */
export interface MailShown {
  readonly id: string;
  readonly personId: string;
  readonly person: string;
  readonly begunAt: Instant;
  readonly titles: readonly string[];
  readonly end: { readonly outcome: string; readonly note: string; readonly at: Instant } | null;
}

/** The newest mails of the club, or of one person. */
export async function readMails(
  tx: ClubTransaction,
  personId: string | null,
  most: number,
): Promise<readonly MailShown[]> {
  const { rows } = await sql<{
    id: string;
    person: string;
    name: string | null;
    begun: Date;
    titles: readonly string[];
    outcome: string | null;
    note: string | null;
    ended: Date | null;
  }>`
    select m.mail_id::text as id, m.person_id as person, p.display_name as name, m.recorded_at as begun,
      array(select n.title from notice n where n.club_id = m.club_id and n.notice_id = any(m.notices) order by n.recorded_at) as titles,
      e.outcome, e.note, e.recorded_at as ended
    from notice_mail m left join notice_mail_end e using (club_id, mail_id)
      left join membership p on p.club_id = m.club_id and p.person_id = m.person_id
    where ${personId}::text is null or m.person_id = ${personId}
    order by m.recorded_at desc, m.mail_id limit ${most}`.execute(tx);
  return rows.map((row) => ({
    id: row.id,
    personId: row.person,
    person: row.name ?? '',
    begunAt: storedInstant(row.begun),
    titles: row.titles,
    end:
      row.outcome === null || row.ended === null
        ? null
        : { outcome: row.outcome, note: row.note ?? '', at: storedInstant(row.ended) },
  }));
}
