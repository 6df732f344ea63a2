import type { Signature } from '../core/records/club/certificate';
import { CERTIFICATE_NAMES } from './names';

/** Who signed, and by what. The number of the certificate is for some readers only. @param showsNumber whether this reader may see it */
export function signedText(signature: Signature | null, showsNumber: boolean): string {
  if (signature === null) return 'not signed';
  const { name, certificate } = signature;
  const number = !showsNumber || certificate === null ? '' : `, ${certificate.number ?? 'no number'}`;
  return `${name ?? 'nobody'}${certificate === null ? '' : `, ${CERTIFICATE_NAMES[certificate.kind]}${number}`}`;
}

/** Parts of a ledger's entry that say by which certificate somebody signed. */
const SIGNED = ['certificate', 'signed', 'certificates'];

/** A record of the ledger without the numbers of certificates, for readers who may not see them. What it was made from stays as it is. */
export function withoutNumbers(record: unknown, within = false): unknown {
  if (Array.isArray(record)) return record.map((one) => withoutNumbers(one, within));
  if (typeof record !== 'object' || record === null) return record;
  return Object.fromEntries(
    Object.entries(record).flatMap(([key, value]) =>
      within && key === 'number'
        ? []
        : [[key, withoutNumbers(value, SIGNED.includes(key) || (within && key !== 'ad'))]],
    ),
  );
}
