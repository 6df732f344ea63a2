import { exactlyOneOf, storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';
import type { Instant } from '@/core/time/instant';

/** A link that lets somebody choose a password, once; the secret itself is nowhere. */
export interface Invitation {
  readonly invitationId: string;
  /** Null for somebody who has an account and is no member yet: they become one by accepting. */
  readonly personId: string | null;
  readonly kind: 'join' | 'new-password' | 'second-club';
  /** What they become by accepting. */
  readonly offers: { readonly name: string; readonly roles: readonly string[] } | null;
  readonly email: string | null;
  readonly validUntil: Instant;
  readonly madeAt: Instant;
  readonly madeBy: string;
  readonly ended: 'used' | 'revoked' | null;
}

function invitations(tx: ClubTransaction) {
  return tx
    .selectFrom('invitation as i')
    .leftJoin('invitation_end as e', (join) =>
      join.onRef('e.club_id', '=', 'i.club_id').onRef('e.invitation_id', '=', 'i.invitation_id'),
    )
    .select([
      'i.invitation_id',
      'i.person_id',
      'i.display_name',
      'i.roles',
      'i.kind',
      'i.email',
      'i.valid_until',
      'i.recorded_at',
      'i.recorded_by_name',
      'e.because as ended',
    ]);
}

const invitationOf = (
  row: Awaited<ReturnType<ReturnType<typeof invitations>['execute']>>[number],
): Invitation => ({
  invitationId: row.invitation_id,
  personId: row.person_id,
  kind: exactlyOneOf(['join', 'new-password', 'second-club'], row.kind, 'kind of link'),
  offers:
    row.display_name === null || row.roles === null ? null : { name: row.display_name, roles: row.roles },
  email: row.email,
  validUntil: storedInstant(row.valid_until),
  madeAt: storedInstant(row.recorded_at),
  madeBy: row.recorded_by_name,
  ended: row.ended === null ? null : row.ended === 'used' ? 'used' : 'revoked',
});

/** Writes a link by the hash of its secret. */
export async function insertInvitation(
  tx: ClubTransaction,
  clubId: string,
  one: Omit<Invitation, 'ended' | 'madeBy'> & {
    readonly secretHash: Uint8Array;
    readonly by: { readonly personId: string; readonly name: string };
  },
): Promise<void> {
  const at = new Date(one.madeAt);
  await tx
    .insertInto('invitation')
    .values({
      club_id: clubId,
      invitation_id: one.invitationId,
      person_id: one.personId,
      display_name: one.offers?.name ?? null,
      roles: one.offers === null ? null : [...one.offers.roles],
      kind: one.kind,
      email: one.email,
      secret_hash: Buffer.from(one.secretHash),
      valid_until: new Date(one.validUntil),
      happened_at: at,
      recorded_at: at,
      recorded_by: one.by.personId,
      recorded_by_name: one.by.name,
    })
    .execute();
}

/** The newest link of each member. */
export async function readInvitations(tx: ClubTransaction): Promise<ReadonlyMap<string, Invitation>> {
  const rows = await invitations(tx)
    .where('i.person_id', 'is not', null)
    .distinctOn('i.person_id')
    .orderBy('i.person_id')
    .orderBy('i.recorded_at', 'desc')
    .orderBy('e.recorded_at', (order) => order.desc().nullsFirst())
    .orderBy('i.invitation_id')
    .execute();
  return new Map(rows.map((row) => [row.person_id ?? '', invitationOf(row)]));
}

/** Links of a person that were neither used nor revoked. */
export async function openInvitations(tx: ClubTransaction, personId: string): Promise<readonly Invitation[]> {
  return (
    await invitations(tx).where('i.person_id', '=', personId).where('e.invitation_id', 'is', null).execute()
  ).map(invitationOf);
}

/** Links for people who have an account and have neither accepted nor been taken off the list, newest first. */
export async function openOffers(tx: ClubTransaction): Promise<readonly Invitation[]> {
  return (
    await invitations(tx)
      .where('i.kind', '=', 'second-club')
      .where('e.invitation_id', 'is', null)
      .orderBy('i.recorded_at', 'desc')
      .execute()
  ).map(invitationOf);
}

/** Whether a link was made under this id. */
export async function invitationExists(tx: ClubTransaction, invitationId: string): Promise<boolean> {
  return (
    (await tx
      .selectFrom('invitation')
      .select('invitation_id')
      .where('invitation_id', '=', invitationId)
      .executeTakeFirst()) !== undefined
  );
}

/** The link with this hash. */
export async function findInvitation(
  tx: ClubTransaction,
  secretHash: Uint8Array,
): Promise<Invitation | undefined> {
  const row = await invitations(tx).where('i.secret_hash', '=', Buffer.from(secretHash)).executeTakeFirst();
  return row === undefined ? undefined : invitationOf(row);
}

/** Ends a link. Answers false where it had ended, or there is none. */
export async function endInvitationOnce(
  tx: ClubTransaction,
  clubId: string,
  invitationId: string,
  because: 'used' | 'revoked',
  at: Instant,
  by: string,
): Promise<Once | 'none'> {
  if (
    (await tx
      .selectFrom('invitation')
      .select('invitation_id')
      .where('invitation_id', '=', invitationId)
      .executeTakeFirst()) === undefined
  )
    return 'none';
  return insertOnce(
    tx,
    'invitation_end',
    {
      club_id: clubId,
      invitation_id: invitationId,
      because,
      happened_at: new Date(at),
      recorded_at: new Date(at),
      recorded_by: by,
    },
    ['club_id', 'invitation_id'],
  );
}
