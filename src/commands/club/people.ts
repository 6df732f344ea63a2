import type {
  Admission,
  CertificateEnd,
  NewCertificate,
  NewLink,
  RolesChange,
} from '@/contracts/club/people';
import type { TakeUp } from '@/contracts/club/founding';
import { addSeconds } from '@/core/time/instant';
import { accountIsOurs, findAccount, insertAccount, setPassword } from '@/db/club/accounts';
import { insertMembers } from '@/db/club/club-rows';
import { STRANGERS } from '@/db/kernel/club-share';
import { inClub } from '@/db/kernel/club-transaction';
import type { ClubTransaction } from '@/db/kernel/connection';
import {
  endInvitationOnce,
  findInvitation,
  insertInvitation,
  invitationExists,
  openInvitations,
  openOffers,
  type Invitation,
} from '@/db/club/invitations';
import { appendToLedger } from '@/db/kernel/ledger';
import { findCertificate } from '@/db/findings/discrepancies';
import {
  findMembershipChange,
  insertCertificateEndOnce,
  insertCertificateOnce,
  insertMembershipChange,
  lockPeople,
  readMembers,
  type Member,
} from '@/db/club/people';
import { readClub } from '@/db/club/clubs';
import type { Plain } from '@/core/decision/canonical';
import type { Instant } from '@/core/time/instant';
import { laterThan } from '../kernel/change-aircraft';
import { denial } from '../kernel/permissions';
import {
  Refused,
  refused,
  runCommand,
  type Actor,
  type Outcome,
  type Ports,
  type Refusal,
} from '../kernel/command';

const DAY = 86_400;
/** So long a link holds: one to join, and one for a new password. */
const HOLDS = { join: 7 * DAY, 'second-club': 7 * DAY, 'new-password': DAY } as const;

const secretHash = (sha256: Ports['sha256'], secret: string): Uint8Array =>
  sha256(Buffer.from(`invitation/${secret}`, 'utf8'));

/** What an administrator changes about people, in one transaction with its entry in the club's ledger. */
function changePeople<T>(
  ports: Ports,
  actor: Actor,
  act: string,
  work: (tx: ClubTransaction, at: Instant) => Promise<{ readonly value: T; readonly ledger: Plain | null }>,
): Promise<Outcome<T>> {
  const denied = denial(actor, 'manage-people');
  if (denied !== null) return Promise.resolve(refused(denied));
  const at = ports.now();
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      const { value, ledger } = await work(tx, at);
      if (ledger !== null)
        await appendToLedger(
          tx,
          {
            clubId: actor.clubId,
            aircraftId: null,
            revision: null,
            act,
            actor,
            recordedAt: at,
            record: ledger,
          },
          ports.sha256,
        );
      return value;
    }),
  );
}

async function memberOf(tx: ClubTransaction, personId: string): Promise<Member> {
  const member = (await readMembers(tx)).find((one) => one.personId === personId);
  if (member === undefined)
    throw new Refused({ code: 'not-found', message: 'The club has no such person. Load the page again.' });
  return member;
}

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

/** Changes what somebody may do; without any role the membership ends. There is always an administrator. */
export function changeRoles(
  ports: Ports,
  actor: Actor,
  { changeId, personId, name, roles }: RolesChange,
): Promise<Outcome<{ readonly personId: string }>> {
  return changePeople(ports, actor, 'change-roles', async (tx, at) => {
    // Two administrators who take the role from each other at the same moment: the second waits, and is refused.
    await lockPeople(tx, actor.clubId);
    const same = await findMembershipChange(tx, changeId);
    if (same !== undefined) {
      if (same.personId === personId && same.name === name && same.roles.join() === [...roles].join())
        return { value: { personId }, ledger: null };
      throw new Refused({
        code: 'invalid',
        message:
          'This change was received already as it was before you wrote it differently. Load the page again and change what is different.',
        problems: [],
      });
    }
    const before = await memberOf(tx, personId);
    const others = (await readMembers(tx)).some(
      (one) => one.personId !== personId && one.roles.includes('administrator'),
    );
    if (before.roles.includes('administrator') && !roles.includes('administrator') && !others)
      throw new Refused({
        code: 'invalid',
        message: `${before.name} is the only administrator. Make somebody else administrator first.`,
        problems: [{ path: 'roles', message: 'is the only administrator' }],
      });
    // The last word counts, also where the clock was set back since the one before, or both fall on one moment.
    await insertMembershipChange(tx, actor.clubId, {
      changeId,
      personId,
      name,
      roles,
      at: laterThan(before.changedAt, at),
      by: actor.personId,
    });
    return { value: { personId }, ledger: { personId, name, before: [...before.roles], roles: [...roles] } };
  });
}

/** Enters a certificate that somebody showed: from then on they may sign by it. */
export function enterCertificate(
  ports: Ports,
  actor: Actor,
  { certificateId, personId, ...certificate }: NewCertificate,
): Promise<Outcome<{ readonly certificateId: string }>> {
  return changePeople(ports, actor, 'enter-certificate', async (tx, at) => {
    const member = await memberOf(tx, personId);
    if (
      (await insertCertificateOnce(tx, actor.clubId, personId, { certificateId, ...certificate }, at))
      === 'there-already'
    ) {
      const there = await findCertificate(tx, certificateId, personId);
      const same =
        there !== undefined
        && there.kind === certificate.kind
        && there.number === certificate.number
        && there.valid_from === certificate.validFrom
        && (there.valid_until ?? 'no-expiry') === certificate.validUntil;
      if (same) return { value: { certificateId }, ledger: null };
      throw new Refused({
        code: 'invalid',
        message:
          'Another certificate was received under this id already, so this one was not entered. Load the page again and enter it once more.',
        problems: [],
      });
    }
    return {
      value: { certificateId },
      ledger: { certificateId, personId, name: member.name, ...certificate },
    };
  });
}

/** Ends a certificate: nobody signs by it any more; what it signed stays. */
export function endCertificate(
  ports: Ports,
  actor: Actor,
  { certificateId, why }: CertificateEnd,
): Promise<Outcome<{ readonly certificateId: string }>> {
  return changePeople(ports, actor, 'end-certificate', async (tx, at) => {
    if (
      (await insertCertificateEndOnce(tx, actor.clubId, certificateId, why, at, actor.personId)) !== 'written'
    )
      throw new Refused({
        code: 'not-found',
        message: 'This certificate ended already. Load the page again.',
      });
    return { value: { certificateId }, ledger: { certificateId, why } };
  });
}

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
