import type { Certificate } from '@/core/records/club/certificate';
import type { PackChoices } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import type { Place } from '@/core/time/sun';
import type { ClubTransaction } from '../kernel/connection';

/** Writes a club. */
export async function insertClub(
  tx: ClubTransaction,
  {
    clubId,
    name,
    place,
    packs,
  }: { readonly clubId: string; readonly name: string; readonly place: Place; readonly packs: PackChoices },
  recordedAt: Instant,
): Promise<void> {
  await tx
    .insertInto('club')
    .values({
      club_id: clubId,
      name,
      field_name: place.name,
      latitude: place.latitude,
      longitude: place.longitude,
      time_zone: place.zone,
      packs: JSON.stringify(packs),
      happened_at: new Date(recordedAt),
      recorded_at: new Date(recordedAt),
    })
    .execute();
}

interface Member {
  readonly personId: string;
  readonly name: string;
  readonly roles: readonly string[];
  readonly certificates: readonly (Certificate & { readonly certificateId: string })[];
}

/** Writes memberships. */
export async function insertMembers(
  tx: ClubTransaction,
  clubId: string,
  members: readonly Member[],
  recordedAt: Instant,
): Promise<void> {
  if (members.length === 0) return;
  await tx
    .insertInto('membership')
    .values(
      members.map(({ personId, name, roles }) => ({
        club_id: clubId,
        person_id: personId,
        display_name: name,
        roles: [...roles],
        happened_at: new Date(recordedAt),
        recorded_at: new Date(recordedAt),
      })),
    )
    .execute();
}

/** Writes the certificates of members. One without number or validity is refused: it could stand behind no signature. */
export async function insertCertificates(
  tx: ClubTransaction,
  clubId: string,
  members: readonly Member[],
  recordedAt: Instant,
): Promise<void> {
  for (const { personId, certificates } of members)
    for (const { certificateId, kind, number, validFrom, validUntil } of certificates) {
      if (number === null || validFrom === null || validUntil === null)
        throw new Error(`certificate ${kind} of ${personId} has no number or validity`);
      await tx
        .insertInto('certificate')
        .values({
          club_id: clubId,
          certificate_id: certificateId,
          person_id: personId,
          kind,
          number,
          valid_from: validFrom,
          valid_until: validUntil === 'no-expiry' ? null : validUntil,
          no_expiry: validUntil === 'no-expiry',
          happened_at: new Date(recordedAt),
          recorded_at: new Date(recordedAt),
        })
        .execute();
    }
}
