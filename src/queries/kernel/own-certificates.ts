import {
  mayBeSignedBy,
  signatureFaults,
  type Authority,
  type CertificateKind,
  type SignedWork,
} from '@/core/records/club/certificate';
import type { CivilDate } from '@/core/time/civil-date';
import { certificatesOf } from '@/db/aircraft/aircraft-documents';
import { storedDate } from '@/db/kernel/checked-values';
import type { ClubTransaction } from '@/db/kernel/connection';
import { CERTIFICATE_NAMES } from '@/explain/names';

/** A certificate of the reader's own, as a form offers it. */
export interface OfferedCertificate {
  readonly id: string;
  readonly name: string;
}

/** A certificate of somebody as it is on record. */
export interface OwnCertificate {
  readonly id: string;
  readonly kind: CertificateKind;
  readonly number: string;
  readonly validFrom: string;
  readonly validUntil: string | null;
}

/** Somebody's certificates on record. */
export async function ownCertificates(
  tx: ClubTransaction,
  personId: string,
): Promise<readonly OwnCertificate[]> {
  return (await certificatesOf(tx, personId)).map((row) => ({
    id: row.certificate_id,
    kind: row.kind as CertificateKind,
    number: row.number,
    validFrom: row.valid_from,
    validUntil: row.valid_until,
  }));
}

/** Those of somebody's certificates that may sign a piece of work today. */
export function certificatesFor(
  work: SignedWork,
  own: readonly OwnCertificate[],
  name: string,
  today: CivilDate,
  authority: Authority,
): readonly OfferedCertificate[] {
  return own
    .filter(
      ({ kind, number, validFrom, validUntil }) =>
        mayBeSignedBy(work, authority).includes(kind)
        && signatureFaults(
          {
            name,
            certificate: {
              kind,
              number,
              validFrom: storedDate(validFrom),
              validUntil: validUntil === null ? 'no-expiry' : storedDate(validUntil),
            },
          },
          work,
          today,
          authority,
        ).length === 0,
    )
    .map(({ id, kind, number }) => ({ id, name: `${CERTIFICATE_NAMES[kind]}, ${number}` }));
}
