import type { Admission, CertificateEnd, NewCertificate, NewLink, RolesChange } from '@/contracts/people';
import type { TakeUp } from '@/contracts/founding';
import { addSeconds } from '@/core/time/instant';
import { findAccount, insertAccount, setPassword } from '@/db/accounts';
import { insertMembers } from '@/db/club-rows';
import { inClub } from '@/db/club-transaction';
import type { ClubTransaction } from '@/db/connection';
import { endInvitation, findInvitation, insertInvitation, openInvitations, type Invitation } from '@/db/invitations';
import { appendToLedger } from '@/db/ledger';
import { insertCertificate, insertCertificateEnd, insertMembershipChange, lockPeople, membershipChangeExists, readMembers, type Member } from '@/db/people';
import type { Plain } from '@/core/decision/canonical';
import type { Instant } from '@/core/time/instant';
import { laterThan } from './change-aircraft';
import { Refused, refused, settle, type Actor, type Outcome, type Ports } from './command';

const DAY = 86_400;
/** So long a link holds: one to join, and one for a new password. */
const HOLDS = { join: 7 * DAY, 'new-password': DAY } as const;

const secretHash = (sha256: Ports['sha256'], secret: string): Uint8Array => sha256(Buffer.from(`invitation/${secret}`, 'utf8'));

/** What an administrator changes about people, in one transaction with its entry in the club's ledger. */
function changePeople<T>(ports: Ports, actor: Actor, act: string, work: (tx: ClubTransaction, at: Instant) => Promise<{ readonly value: T; readonly ledger: Plain | null }>): Promise<Outcome<T>> {
  if (!actor.roles.includes('administrator')) return Promise.resolve(refused({ code: 'not-entitled', message: 'Only the club’s administrator admits people and changes what they may do.' }));
  const at = ports.now();
  return settle(() => inClub(ports.db, actor.clubId, async (tx) => {
    const { value, ledger } = await work(tx, at);
    if (ledger !== null) await appendToLedger(tx, { clubId: actor.clubId, aircraftId: null, revision: null, act, actor, recordedAt: at, record: ledger }, ports.sha256);
    return value;
  }));
}

async function memberOf(tx: ClubTransaction, personId: string): Promise<Member> {
  const member = (await readMembers(tx)).find((one) => one.personId === personId);
  if (member === undefined) throw new Refused({ code: 'not-found', message: 'The club has no such person. Load the page again.' });
  return member;
}

/** Makes a link, and revokes every other of that person: only the newest works. The secret is told once and kept nowhere. */
async function makeLink(ports: Ports, actor: Actor, tx: ClubTransaction, personId: string, kind: Invitation['kind'], email: string | null, at: Instant): Promise<{ readonly path: string; readonly invitationId: string }> {
  for (const { invitationId } of await openInvitations(tx, personId)) await endInvitation(tx, actor.clubId, invitationId, 'revoked', at, actor.personId);
  const secret = `${ports.newId()}${ports.newId()}`.replaceAll('-', '');
  const invitationId = ports.newId();
  await insertInvitation(tx, actor.clubId, { invitationId, personId, kind, email, validUntil: addSeconds(at, HOLDS[kind]), madeAt: at, secretHash: secretHash(ports.sha256, secret), by: actor });
  // Behind the hash sign: a browser never sends that part, so it stands in no server's log.
  return { path: `/join#${actor.clubId}.${secret}`, invitationId };
}

/** Admits somebody, with a link by which they choose a password. */
export function admit(ports: Ports, actor: Actor, { personId, name, email, roles }: Admission): Promise<Outcome<{ readonly path: string }>> {
  return changePeople(ports, actor, 'admit-person', async (tx, at) => {
    if (await findAccount(tx, { email }) !== undefined) throw new Refused({ code: 'invalid', message: 'Somebody has an account with this address already. Choose another address, or find them in the list.', problems: [{ path: 'email', message: 'has an account already' }] });
    if ((await readMembers(tx)).some((one) => one.personId === personId)) throw new Refused({ code: 'invalid', message: 'This person was admitted already. Make another link in the list if the first was lost.', problems: [] });
    await insertMembers(tx, actor.clubId, [{ personId, name, roles, certificates: [] }], at);
    const { path, invitationId } = await makeLink(ports, actor, tx, personId, 'join', email, at);
    return { value: { path }, ledger: { personId, name, email, roles: [...roles], invitationId } };
  });
}

/** Makes a link for somebody: to join where they have no account yet, for a new password otherwise. It is on record who made it. */
export function makeLinkFor(ports: Ports, actor: Actor, { personId, email }: NewLink): Promise<Outcome<{ readonly path: string }>> {
  return changePeople(ports, actor, 'make-link', async (tx, at) => {
    const member = await memberOf(tx, personId);
    if (member.roles.length === 0) throw new Refused({ code: 'invalid', message: `${member.name} belongs to the club no longer. Give them a role first.`, problems: [] });
    const account = await findAccount(tx, { personId });
    // Somebody who came with an archive has no account and no address here.
    const address = account === undefined ? email ?? await lastEmail(tx, personId) : null;
    if (account === undefined && address === null) throw new Refused({ code: 'invalid', message: `No e-mail address is on record for ${member.name}. Enter the one that they will sign in by.`, problems: [{ path: 'email', message: 'is needed to sign in by' }] });
    const kind = account === undefined ? 'join' : 'new-password';
    const { path, invitationId } = await makeLink(ports, actor, tx, personId, kind, address, at);
    return { value: { path }, ledger: { personId, name: member.name, kind, invitationId } };
  });
}

async function lastEmail(tx: ClubTransaction, personId: string): Promise<string | null> {
  const row = await tx.selectFrom('invitation').select('email').where('person_id', '=', personId).where('email', 'is not', null).orderBy('recorded_at', 'desc').limit(1).executeTakeFirst();
  return row?.email ?? null;
}

/** Revokes a link. */
export function revokeLink(ports: Ports, actor: Actor, invitationId: string): Promise<Outcome<{ readonly invitationId: string }>> {
  return changePeople(ports, actor, 'revoke-link', async (tx, at) => {
    if (!await endInvitation(tx, actor.clubId, invitationId, 'revoked', at, actor.personId)) throw new Refused({ code: 'not-found', message: 'This link was used or revoked already. Load the page again.' });
    return { value: { invitationId }, ledger: { invitationId } };
  });
}

/** Changes what somebody may do; without any role the membership ends. There is always an administrator. */
export function changeRoles(ports: Ports, actor: Actor, { changeId, personId, name, roles }: RolesChange): Promise<Outcome<{ readonly personId: string }>> {
  return changePeople(ports, actor, 'change-roles', async (tx, at) => {
    // Two administrators who take the role from each other at the same moment: the second waits, and is refused.
    await lockPeople(tx, actor.clubId);
    if (await membershipChangeExists(tx, changeId)) return { value: { personId }, ledger: null };
    const before = await memberOf(tx, personId);
    const others = (await readMembers(tx)).some((one) => one.personId !== personId && one.roles.includes('administrator'));
    if (before.roles.includes('administrator') && !roles.includes('administrator') && !others) throw new Refused({ code: 'invalid', message: `${before.name} is the only administrator. Make somebody else administrator first.`, problems: [{ path: 'roles', message: 'is the only administrator' }] });
    // The last word counts, also where the clock was set back since the one before, or both fall on one moment.
    await insertMembershipChange(tx, actor.clubId, { changeId, personId, name, roles, at: laterThan(before.changedAt, at), by: actor.personId });
    return { value: { personId }, ledger: { personId, name, before: [...before.roles], roles: [...roles] } };
  });
}

/** Enters a certificate that somebody showed: from then on they may sign by it. */
export function enterCertificate(ports: Ports, actor: Actor, { certificateId, personId, ...certificate }: NewCertificate): Promise<Outcome<{ readonly certificateId: string }>> {
  return changePeople(ports, actor, 'enter-certificate', async (tx, at) => {
    const member = await memberOf(tx, personId);
    if (!await insertCertificate(tx, actor.clubId, personId, { certificateId, ...certificate }, at)) return { value: { certificateId }, ledger: null };
    return { value: { certificateId }, ledger: { certificateId, personId, name: member.name, ...certificate } };
  });
}

/** Ends a certificate: nobody signs by it any more; what it signed stays. */
export function endCertificate(ports: Ports, actor: Actor, { certificateId, why }: CertificateEnd): Promise<Outcome<{ readonly certificateId: string }>> {
  return changePeople(ports, actor, 'end-certificate', async (tx, at) => {
    if (!await insertCertificateEnd(tx, actor.clubId, certificateId, why, at, actor.personId)) throw new Refused({ code: 'not-found', message: 'This certificate ended already. Load the page again.' });
    return { value: { certificateId }, ledger: { certificateId, why } };
  });
}

const DEAD = { code: 'not-found', message: 'This link does not work any more: it was used, revoked, or is too old. Ask the club’s administrator for another.' } as const;

async function liveLink(ports: Ports, tx: ClubTransaction, secret: string): Promise<Invitation & { readonly name: string }> {
  const link = await findInvitation(tx, secretHash(ports.sha256, secret));
  if (link === undefined || link.ended !== null || link.validUntil < ports.now()) throw new Refused(DEAD);
  const member = (await readMembers(tx)).find((one) => one.personId === link.personId);
  if (member === undefined || member.roles.length === 0) throw new Refused(DEAD);
  return { ...link, name: member.name };
}

/** Whose link it is, for the page that asks for the password. */
export function lookAtLink(ports: Ports, clubId: string, secret: string): Promise<Outcome<{ readonly name: string; readonly kind: Invitation['kind']; readonly email: string | null; readonly club: string }>> {
  return settle(() => inClub(ports.db, clubId, async (tx) => {
    const { name, kind, email, personId } = await liveLink(ports, tx, secret);
    const club = await tx.selectFrom('club').select('name').executeTakeFirstOrThrow();
    return { name, kind, email: email ?? (await findAccount(tx, { personId }))?.email ?? null, club: club.name };
  }));
}

/** Takes up a link, once: makes the account, or sets the new password and ends all sessions. */
export async function takeUpLink(ports: Ports, { club: clubId, secret, password }: TakeUp): Promise<Outcome<{ readonly email: string }>> {
  const hash = await ports.hashPassword(password);
  return settle(() => inClub(ports.db, clubId, async (tx) => {
    const { invitationId, personId, kind, name, email } = await liveLink(ports, tx, secret);
    const at = ports.now();
    if (!await endInvitation(tx, clubId, invitationId, 'used', at, personId)) throw new Refused(DEAD);
    const account = await findAccount(tx, { personId });
    if (account === undefined) {
      if (kind !== 'join' || email === null) throw new Refused(DEAD);
      if (await findAccount(tx, { email }) !== undefined) throw new Refused({ code: 'invalid', message: 'Somebody made an account with this address meanwhile. Ask the administrator to admit you with another.', problems: [] });
      await insertAccount(tx, { personId, name, email, hash });
    } else if (kind === 'join') throw new Refused(DEAD);
    else await setPassword(tx, personId, hash);
    await appendToLedger(tx, { clubId, aircraftId: null, revision: null, act: kind === 'join' ? 'join' : 'new-password', actor: { personId, name }, recordedAt: at, record: { invitationId } }, ports.sha256);
    return { email: account?.email ?? email ?? '' };
  }));
}
