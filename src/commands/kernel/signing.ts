import type { SignedEntry } from '@/contracts/maintenance/new-entry';
import { CERTIFICATE_KINDS, type Certificate, type Signature } from '@/core/records/club/certificate';
import { exactlyOneOf, storedDate } from '@/db/kernel/checked-values';
import type { ClubTransaction } from '@/db/kernel/connection';
import { findCertificate } from '@/db/findings/discrepancies';
import { Refused, type Actor, type Ports, type Refusal } from './command';

/** Checks the password that stands for a signature; null where it is right. */
export async function passwordRefusal(ports: Ports, actor: Actor, password: string): Promise<Refusal | null> {
  const answer = await ports.checkPassword(actor.personId, password);
  if (answer === 'too-many-tries')
    return {
      code: 'too-many-tries',
      message: 'Too many wrong passwords. Wait half a minute, then sign again; nothing was signed.',
    };
  return answer === 'right'
    ? null
    : {
        code: 'invalid',
        message: 'The password is not right, so nothing was signed. Enter it again.',
        problems: [{ path: 'password', message: 'is not your password' }],
      };
}

/** One of the signer's own certificates as it is on record. @throws Refused where there is no such */
export async function ownCertificate(
  tx: ClubTransaction,
  actor: Actor,
  certificateId: string,
): Promise<Certificate> {
  const stored = await findCertificate(tx, certificateId, actor.personId);
  if (stored === undefined)
    throw new Refused({
      code: 'not-entitled',
      message:
        'You have no such certificate on record. The person who keeps the club’s records can enter it.',
    });
  return {
    kind: exactlyOneOf(CERTIFICATE_KINDS, stored.kind, 'kind of certificate'),
    number: stored.number,
    validFrom: storedDate(stored.valid_from),
    validUntil: stored.valid_until === null ? 'no-expiry' : storedDate(stored.valid_until),
  };
}

/** The signature that somebody gives by their own certificate, or copies from paper with who signed there. @throws Refused where there is no such certificate */
export async function signatureBy(
  tx: ClubTransaction,
  actor: Actor,
  signer: SignedEntry['signer'],
): Promise<Signature> {
  return signer.by === 'own-certificate'
    ? { name: actor.name, certificate: await ownCertificate(tx, actor, signer.certificateId) }
    : {
        name: signer.name,
        certificate: {
          kind: signer.kind,
          number: signer.number,
          validFrom: signer.validFrom,
          validUntil: signer.validUntil,
        },
      };
}
