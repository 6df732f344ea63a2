import { sql } from 'kysely';
import type { Certificate } from '@/core/records/club/certificate';
import type { Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';

/** Somebody of the club as they stand now. Without a role they belong to it no longer. */
export interface Member {
  readonly personId: string;
  readonly name: string;
  readonly roles: readonly string[];
  readonly since: Instant;
  /** When their roles were changed last; null where they are those of the beginning. */ readonly changedAt: Instant | null;
}

/** Everybody who ever belonged to the club, by name. */
export async function readMembers(tx: ClubTransaction): Promise<readonly Member[]> {
  const rows = await tx
    .selectFrom('membership')
    .select(['person_id', 'display_name', 'roles', 'recorded_at'])
    .orderBy('person_id')
    .execute();
  const changes = await tx
    .selectFrom('membership_change')
    .distinctOn('person_id')
    .select(['person_id', 'display_name', 'roles', 'recorded_at'])
    .orderBy('person_id')
    .orderBy('recorded_at', 'desc')
    .orderBy('change_id', 'desc')
    .execute();
  const latest = new Map(changes.map((change) => [change.person_id, change]));
  return rows
    .map((row) => {
      const change = latest.get(row.person_id);
      return {
        personId: row.person_id,
        name: (change ?? row).display_name,
        roles: (change ?? row).roles,
        since: storedInstant(row.recorded_at),
        changedAt: change === undefined ? null : storedInstant(change.recorded_at),
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
}

/** Waits for anybody else who is changing what people of the club may do. */
export async function lockPeople(tx: ClubTransaction, clubId: string): Promise<void> {
  await sql`select pg_advisory_xact_lock(hashtextextended(${`${clubId}/people`}, 0))`.execute(tx);
}

/** Writes the roles that somebody has from now on. */
export async function insertMembershipChange(
  tx: ClubTransaction,
  clubId: string,
  change: {
    readonly changeId: string;
    readonly personId: string;
    readonly name: string;
    readonly roles: readonly string[];
    readonly at: Instant;
    readonly by: string;
  },
): Promise<void> {
  const at = new Date(change.at);
  await tx
    .insertInto('membership_change')
    .values({
      club_id: clubId,
      change_id: change.changeId,
      person_id: change.personId,
      display_name: change.name,
      roles: [...change.roles],
      happened_at: at,
      recorded_at: at,
      recorded_by: change.by,
    })
    .execute();
}

/** A change that was written under this id already. */
export async function findMembershipChange(
  tx: ClubTransaction,
  changeId: string,
): Promise<
  { readonly personId: string; readonly name: string; readonly roles: readonly string[] } | undefined
> {
  const row = await tx
    .selectFrom('membership_change')
    .select(['person_id', 'display_name', 'roles'])
    .where('change_id', '=', changeId)
    .executeTakeFirst();
  return row === undefined
    ? undefined
    : { personId: row.person_id, name: row.display_name, roles: row.roles };
}

/** Every certificate of the club, with whether it ended here. */
export async function readCertificates(tx: ClubTransaction) {
  return tx
    .selectFrom('certificate as c')
    .leftJoin('certificate_end as e', (join) =>
      join.onRef('e.club_id', '=', 'c.club_id').onRef('e.certificate_id', '=', 'c.certificate_id'),
    )
    .select([
      'c.certificate_id',
      'c.person_id',
      'c.kind',
      'c.number',
      'c.valid_from',
      'c.valid_until',
      'e.why as ended_because',
    ])
    .orderBy('c.recorded_at')
    .orderBy('c.certificate_id')
    .execute();
}

/** Writes a certificate; one under this id that is there already stays. Answers whether it was written. */
export async function insertCertificateOnce(
  tx: ClubTransaction,
  clubId: string,
  personId: string,
  {
    certificateId,
    kind,
    number,
    validFrom,
    validUntil,
  }: Certificate & {
    readonly certificateId: string;
    readonly number: string;
    readonly validFrom: string;
    readonly validUntil: string;
  },
  at: Instant,
): Promise<Once> {
  return insertOnce(
    tx,
    'certificate',
    {
      club_id: clubId,
      certificate_id: certificateId,
      person_id: personId,
      kind,
      number,
      valid_from: validFrom,
      valid_until: validUntil === 'no-expiry' ? null : validUntil,
      no_expiry: validUntil === 'no-expiry',
      happened_at: new Date(at),
      recorded_at: new Date(at),
    },
    ['club_id', 'certificate_id'],
  );
}

/** Ends a certificate. Answers false where there is none such, or it had ended. */
export async function insertCertificateEndOnce(
  tx: ClubTransaction,
  clubId: string,
  certificateId: string,
  why: string,
  at: Instant,
  by: string,
): Promise<Once | 'none'> {
  if (
    (await tx
      .selectFrom('certificate')
      .select('certificate_id')
      .where('certificate_id', '=', certificateId)
      .executeTakeFirst()) === undefined
  )
    return 'none';
  return insertOnce(
    tx,
    'certificate_end',
    {
      club_id: clubId,
      certificate_id: certificateId,
      why,
      happened_at: new Date(at),
      recorded_at: new Date(at),
      recorded_by: by,
    },
    ['club_id', 'certificate_id'],
  );
}
