import { CERTIFICATE_KINDS, signatureFaults, type Authority } from '@/core/records/club/certificate';
import { SIGNED_AS, type PlanKind } from '@/core/walkround/plan-kinds';
import type { CivilDate } from '@/core/time/civil-date';
import { certificatesOf } from '../aircraft/aircraft-documents';
import { exactlyOneOf, storedDate } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';

/** Whether somebody may go through a list and sign it: where it asks for a certificate, one of their own that is good for it today. */
export async function mayGoThrough(
  tx: ClubTransaction,
  person: { readonly personId: string; readonly name: string },
  kind: PlanKind,
  authority: Authority,
  today: CivilDate,
): Promise<boolean> {
  const work = SIGNED_AS[kind];
  if (work === null) return true;
  return (await certificatesOf(tx, person.personId)).some(
    (one) =>
      signatureFaults(
        {
          name: person.name,
          certificate: {
            kind: exactlyOneOf(CERTIFICATE_KINDS, one.kind, 'kind of certificate'),
            number: one.number,
            validFrom: storedDate(one.valid_from),
            validUntil: one.valid_until === null ? 'no-expiry' : storedDate(one.valid_until),
          },
        },
        work,
        today,
        authority,
      ).length === 0,
  );
}
