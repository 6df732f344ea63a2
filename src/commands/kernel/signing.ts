import type { SignedEntry } from '@/contracts/maintenance/new-entry';
import {
  CERTIFICATE_KINDS,
  signatureFaults,
  type Authority,
  type Certificate,
  type Signature,
} from '@/core/records/club/certificate';
import type { CivilDate } from '@/core/time/civil-date';
import { exactlyOneOf, storedDate } from '@/db/kernel/checked-values';
import type { ClubTransaction } from '@/db/kernel/connection';
import { findCertificate } from '@/db/findings/discrepancies';
import { FAULT_NAMES } from '@/explain/names';
import { list, sentenceCase } from '@/explain/wording';
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

/**
 * The signature that somebody gives by their own certificate, or copies from paper with who signed there.
 * @throws Refused where there is no such certificate
 */
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

/** What can be wrong with something signed, by the names that people are told. */
type Fault = keyof typeof FAULT_NAMES;

/**
 * Refuses to sign with everything that is wrong, so that nothing is signed that would not count.
 * @param pathOf the field of the form at which a fault is shown
 * @throws Refused where there is one
 */
export function requireNoFaults(faults: readonly Fault[], pathOf: (fault: Fault) => string): void {
  const each = [...new Set(faults)];
  if (each.length === 0) return;
  throw new Refused({
    code: 'invalid',
    message: `This cannot be signed: ${list(each.map((fault) => FAULT_NAMES[fault]))}.`,
    problems: each.map((fault) => ({ path: pathOf(fault), message: sentenceCase(FAULT_NAMES[fault]) })),
  });
}

/** What is wrong with a certificate stands at the field where it is chosen, all else at another one. */
export const certificateOr =
  (other: string) =>
  (fault: Fault): string =>
    fault.startsWith('certificate') ? 'certificateId' : other;

/**
 * Looks whether work may be signed for as a return to service: the certificate entitles to it on the day of the work and today, and
 * nothing else speaks against it.
 * @param further what else is wrong with it, by the names that people are told
 * @throws Refused with every fault
 */
export function requireReturnable(
  by: Signature,
  { on, today }: { readonly on: CivilDate; readonly today: CivilDate },
  authority: Authority,
  further: readonly Fault[],
): void {
  requireNoFaults(
    [
      ...signatureFaults(by, 'return-to-service', on, authority),
      ...signatureFaults(by, 'return-to-service', today, authority),
      ...further,
      ...(on > today ? ['completed-after-recorded' as const] : []),
    ],
    certificateOr('on'),
  );
}
