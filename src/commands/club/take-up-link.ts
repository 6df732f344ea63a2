import type { TakeUp } from '@/contracts/club/founding';
import { accountIsOurs, findAccount, insertAccount, setPassword } from '@/db/club/accounts';
import { insertMembers } from '@/db/club/club-rows';
import { STRANGERS } from '@/db/kernel/club-share';
import { inClub } from '@/db/kernel/club-transaction';
import type { ClubTransaction } from '@/db/kernel/connection';
import { type Invitation, endInvitationOnce, findInvitation } from '@/db/club/invitations';
import { appendToLedger } from '@/db/kernel/ledger';
import { insertMembershipChange, lockPeople, readMembers } from '@/db/club/people';
import { readClub } from '@/db/club/clubs';
import { laterThan } from '../kernel/change-aircraft';
import { type Outcome, type Ports, Refused, refused, runCommand } from '../kernel/command';
import { secretHash } from './links';

const DEAD = {
  code: 'not-found',
  message:
    'This link does not work any more: it was used, revoked, or is too old. Ask the club’s administrator for another.',
} as const;

/** Whom a link that works is for: a member, or somebody who becomes one by accepting. */
type LiveLink = Invitation & { readonly name: string };

async function liveLink(
  ports: Ports,
  tx: ClubTransaction,
  clubId: string,
  secret: string,
): Promise<LiveLink> {
  const link = await findInvitation(tx, secretHash(ports.sha256, secret));
  if (link === undefined || link.ended !== null || link.validUntil < ports.now()) throw new Refused(DEAD);
  if (link.offers !== null) return { ...link, name: link.offers.name };
  const member = (await readMembers(tx)).find((one) => one.personId === link.personId);
  if (member === undefined || member.roles.length === 0) throw new Refused(DEAD);
  // Somebody may have joined another club since the link was made.
  if (link.kind === 'new-password' && !(await accountIsOurs(tx, clubId, member.personId)))
    throw new Refused(DEAD);
  return { ...link, name: member.name };
}

/** Whose link it is, for the page that asks for the password or for consent. */
export function lookAtLink(
  ports: Ports,
  clubId: string,
  secret: string,
): Promise<
  Outcome<{
    readonly name: string;
    readonly kind: Invitation['kind'];
    readonly email: string | null;
    readonly club: string;
  }>
> {
  return runCommand(() =>
    inClub(
      ports.db,
      clubId,
      async (tx) => {
        const { name, kind, email, personId } = await liveLink(ports, tx, clubId, secret);
        return {
          name,
          kind,
          email: email ?? (personId === null ? null : ((await findAccount(tx, { personId }))?.email ?? null)),
          club: (await readClub(tx, clubId)).name,
        };
      },
      STRANGERS,
    ),
  );
}

/** Takes up a link, once: makes the account, or sets the new password and ends all sessions. The password is hashed only for a link that works. */
export async function takeUpLink(
  ports: Ports,
  { club: clubId, secret, password }: TakeUp,
): Promise<Outcome<{ readonly email: string }>> {
  const looked = await runCommand(() =>
    inClub(ports.db, clubId, (tx) => liveLink(ports, tx, clubId, secret), STRANGERS),
  );
  if (!looked.ok) return looked;
  if (looked.value.kind === 'second-club')
    return refused({
      code: 'invalid',
      message: 'You have an account already. Sign in and accept there; your password stays as it is.',
      problems: [],
    });
  const hash = await ports.hashPassword(password);
  return runCommand(() =>
    inClub(
      ports.db,
      clubId,
      async (tx) => {
        const { invitationId, personId, kind, name, email } = await liveLink(ports, tx, clubId, secret);
        const at = ports.now();
        if (
          personId === null
          || (await endInvitationOnce(tx, clubId, invitationId, 'used', at, personId)) !== 'written'
        )
          throw new Refused(DEAD);
        const account = await findAccount(tx, { personId });
        if (account === undefined) {
          if (kind !== 'join' || email === null) throw new Refused(DEAD);
          if ((await findAccount(tx, { email })) !== undefined)
            throw new Refused({
              code: 'invalid',
              message:
                'Somebody made an account with this address meanwhile. Ask the administrator to admit you again.',
              problems: [],
            });
          await insertAccount(tx, { personId, name, email, hash, clubId });
        } else if (kind === 'join') throw new Refused(DEAD);
        else await setPassword(tx, personId, hash);
        await appendToLedger(
          tx,
          {
            clubId,
            aircraftId: null,
            revision: null,
            act: kind === 'join' ? 'join' : 'new-password',
            actor: { personId, name },
            recordedAt: at,
            record: { invitationId },
          },
          ports.sha256,
        );
        return { email: account?.email ?? email ?? '' };
      },
      STRANGERS,
    ),
  );
}

/**
 * Joins a second club: by the person themselves, signed in by the address that the link is for. Their account and the clubs that they
 * belong to already stay as they are, and so does the club that they work in.
 */
export function acceptLink(
  ports: Ports,
  person: { readonly personId: string; readonly email: string },
  { club: clubId, secret }: { readonly club: string; readonly secret: string },
): Promise<Outcome<{ readonly clubId: string }>> {
  return runCommand(() =>
    inClub(ports.db, clubId, async (tx) => {
      const { invitationId, offers, email, name } = await liveLink(ports, tx, clubId, secret);
      if (offers === null)
        throw new Refused({
          code: 'invalid',
          message:
            'This link is for choosing a password, not for joining with an account. Sign out and open it again.',
          problems: [],
        });
      if (email !== person.email)
        throw new Refused({
          code: 'not-entitled',
          message:
            'This link is for somebody else. Sign in by the address that the administrator was given, and open it again.',
        });
      const at = ports.now();
      if ((await endInvitationOnce(tx, clubId, invitationId, 'used', at, person.personId)) !== 'written')
        throw new Refused(DEAD);
      const { personId } = person;
      await lockPeople(tx, clubId);
      const before = (await readMembers(tx)).find((member) => member.personId === personId);
      if (before === undefined)
        await insertMembers(tx, clubId, [{ personId, name, roles: offers.roles, certificates: [] }], at);
      else
        await insertMembershipChange(tx, clubId, {
          changeId: ports.newId(),
          personId,
          name,
          roles: offers.roles,
          at: laterThan(before.changedAt, at),
          by: personId,
        });
      await appendToLedger(
        tx,
        {
          clubId,
          aircraftId: null,
          revision: null,
          act: 'accept-admission',
          actor: { personId, name },
          recordedAt: at,
          record: { invitationId, roles: [...offers.roles] },
        },
        ports.sha256,
      );
      return { clubId };
    }),
  );
}
