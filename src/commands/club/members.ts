import type { CertificateEnd, NewCertificate, RolesChange } from '@/contracts/club/people';
import { findCertificate } from '@/db/findings/discrepancies';
import {
  findMembershipChange,
  insertCertificateEndOnce,
  insertCertificateOnce,
  insertMembershipChange,
  lockPeople,
  readMembers,
} from '@/db/club/people';
import { laterThan } from '../kernel/change-aircraft';
import { type Actor, type Outcome, type Ports, Refused } from '../kernel/command';
import { changePeople, memberOf } from './change-people';

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
