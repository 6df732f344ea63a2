import type { Admission, NewLink } from '@/contracts/club/people';
import { type Instant, addSeconds } from '@/core/time/instant';
import { accountIsOurs, findAccount } from '@/db/club/accounts';
import { insertMembers } from '@/db/club/club-rows';
import type { ClubTransaction } from '@/db/kernel/connection';
import {
  type Invitation,
  endInvitationOnce,
  insertInvitation,
  invitationExists,
  openInvitations,
  openOffers,
} from '@/db/club/invitations';
import { readMembers } from '@/db/club/people';
import { type Actor, type Outcome, type Ports, type Refusal, Refused } from '../kernel/command';
import { changePeople, memberOf } from './change-people';

const DAY = 86_400;
/** So long a link holds: one to join, and one for a new password. */
const HOLDS = { join: 7 * DAY, 'second-club': 7 * DAY, 'new-password': DAY } as const;

export const secretHash = (sha256: Ports['sha256'], secret: string): Uint8Array =>
  sha256(Buffer.from(`invitation/${secret}`, 'utf8'));

type Link = Pick<Invitation, 'kind' | 'email' | 'personId' | 'offers'>;

/** Makes a link, and revokes every other of that person: only the newest works. The secret is told once and kept nowhere. */
async function makeLink(
  ports: Ports,
  actor: Actor,
  tx: ClubTransaction,
  link: Link,
  at: Instant,
  invitationId = ports.newId(),
): Promise<{ readonly path: string; readonly invitationId: string }> {
  const older =
    link.personId !== null
      ? await openInvitations(tx, link.personId)
      : (await openOffers(tx)).filter(({ email }) => email === link.email);
  for (const { invitationId: old } of older) {
    // One that was used in the same moment is no link any more either.
    const ended = await endInvitationOnce(tx, actor.clubId, old, 'revoked', at, actor.personId);
    if (ended === 'none') throw new Error(`link ${old} is not there`);
  }
  const secret = `${ports.newId()}${ports.newId()}`.replaceAll('-', '');
  await insertInvitation(tx, actor.clubId, {
    ...link,
    invitationId,
    validUntil: addSeconds(at, HOLDS[link.kind]),
    madeAt: at,
    secretHash: secretHash(ports.sha256, secret),
    by: actor,
  });
  // Behind the hash sign: a browser never sends that part, so it stands in no server's log.
  return { path: `/join#${actor.clubId}.${secret}`, invitationId };
}

/**
 * Admits somebody. With no account yet they get an id of the server's and a link to choose a password by. Somebody who has an account
 * already gets a link to accept by, signed in: until then they are no member, and nothing of their account is touched or shown.
 */
export function admit(
  ports: Ports,
  actor: Actor,
  { admissionId, name, email, roles }: Admission,
): Promise<
  Outcome<{
    readonly path: string;
    /** Null for somebody who has an account and has to accept. */ readonly personId: string | null;
  }>
> {
  return changePeople<{ readonly path: string; readonly personId: string | null }>(
    ports,
    actor,
    'admit-person',
    async (tx, at) => {
      if (await invitationExists(tx, admissionId))
        throw new Refused({
          code: 'invalid',
          message: 'This person was admitted already. Make another link in the list if the first was lost.',
          problems: [],
        });
      const account = await findAccount(tx, { email });
      if (account !== undefined) {
        const member = (await readMembers(tx)).find(
          (one) => one.personId === account.personId && one.roles.length > 0,
        );
        if (member !== undefined)
          throw new Refused({
            code: 'invalid',
            message: `${member.name} signs in by this address and belongs to the club already. Find them in the list.`,
            problems: [{ path: 'email', message: 'belongs to a member already' }],
          });
        const { path } = await makeLink(
          ports,
          actor,
          tx,
          { kind: 'second-club', email, personId: null, offers: { name, roles } },
          at,
          admissionId,
        );
        return {
          value: { path, personId: null },
          ledger: { name, roles: [...roles], invitationId: admissionId, accepts: true },
        };
      }
      const personId = ports.newId();
      await insertMembers(tx, actor.clubId, [{ personId, name, roles, certificates: [] }], at);
      const { path } = await makeLink(
        ports,
        actor,
        tx,
        { kind: 'join', email, personId, offers: null },
        at,
        admissionId,
      );
      return {
        value: { path, personId },
        ledger: { personId, name, roles: [...roles], invitationId: admissionId },
      };
    },
  );
}

const NOT_OURS = (name: string): Refusal => ({
  code: 'not-entitled',
  message: `${name} has an account that this club did not make, or belongs to another club as well: nobody but they themselves sets its password. They change it under Account, or ask the person who runs this server.`,
});

/** Makes a link for somebody: to join where they have no account yet, for a new password otherwise. It is on record who made it. */
export function makeLinkFor(
  ports: Ports,
  actor: Actor,
  { personId, email }: NewLink,
): Promise<Outcome<{ readonly path: string }>> {
  return changePeople(ports, actor, 'make-link', async (tx, at) => {
    const member = await memberOf(tx, personId);
    if (member.roles.length === 0)
      throw new Refused({
        code: 'invalid',
        message: `${member.name} belongs to the club no longer. Give them a role first.`,
        problems: [],
      });
    const account = await findAccount(tx, { personId });
    if (account !== undefined && !(await accountIsOurs(tx, actor.clubId, personId)))
      throw new Refused(NOT_OURS(member.name));
    // Somebody who came with an archive has no account and no address here.
    const address = account === undefined ? (email ?? (await lastEmail(tx, personId))) : null;
    if (account === undefined && address === null)
      throw new Refused({
        code: 'invalid',
        message: `No e-mail address is on record for ${member.name}. Enter the one that they will sign in by.`,
        problems: [{ path: 'email', message: 'is needed to sign in by' }],
      });
    const kind = account === undefined ? 'join' : 'new-password';
    const { path, invitationId } = await makeLink(
      ports,
      actor,
      tx,
      { kind, email: address, personId, offers: null },
      at,
    );
    return { value: { path }, ledger: { personId, name: member.name, kind, invitationId } };
  });
}

async function lastEmail(tx: ClubTransaction, personId: string): Promise<string | null> {
  const row = await tx
    .selectFrom('invitation')
    .select('email')
    .where('person_id', '=', personId)
    .where('email', 'is not', null)
    .orderBy('recorded_at', 'desc')
    .limit(1)
    .executeTakeFirst();
  return row?.email ?? null;
}

/** Revokes a link. */
export function revokeLink(
  ports: Ports,
  actor: Actor,
  invitationId: string,
): Promise<Outcome<{ readonly invitationId: string }>> {
  return changePeople(ports, actor, 'revoke-link', async (tx, at) => {
    if (
      (await endInvitationOnce(tx, actor.clubId, invitationId, 'revoked', at, actor.personId)) !== 'written'
    )
      throw new Refused({
        code: 'not-found',
        message: 'This link was used or revoked already. Load the page again.',
      });
    return { value: { invitationId }, ledger: { invitationId } };
  });
}
