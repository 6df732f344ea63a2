import type { Certificate } from '@/core/records/club/certificate';
import type { Place } from '@/core/time/sun';
import type { PackChoices } from '@/core/rules/register';
import { inClub } from '@/db/kernel/club-transaction';
import { insertCertificates, insertClub, insertMembers } from '@/db/club/club-rows';
import { appendToLedger } from '@/db/kernel/ledger';
import type { Plain } from '@/core/decision/canonical';
import { runCommand, type Outcome, type Ports } from '../kernel/command';

/** Somebody who belongs to a club, with the certificates that they sign by. */
export interface NewMember {
  readonly personId: string;
  readonly name: string;
  readonly roles: readonly string[];
  readonly certificates: readonly (Certificate & { readonly certificateId: string })[];
}

/** A club to be founded. */
export interface NewClub {
  readonly clubId: string;
  readonly name: string;
  readonly place: Place;
  readonly packs: PackChoices;
  readonly members: readonly NewMember[];
}

/** Founds a club with its first members. There is no actor yet: the installation itself does it. */
export async function foundClub(ports: Ports, club: NewClub): Promise<Outcome<{ readonly clubId: string }>> {
  const recordedAt = ports.now();
  return runCommand(() =>
    inClub(ports.db, club.clubId, async (tx) => {
      await insertClub(tx, club, recordedAt);
      await insertMembers(tx, club.clubId, club.members, recordedAt);
      await insertCertificates(tx, club.clubId, club.members, recordedAt);
      await appendToLedger(
        tx,
        {
          clubId: club.clubId,
          aircraftId: null,
          revision: null,
          act: 'found-club',
          actor: { personId: 'installation', name: 'the installation' },
          recordedAt,
          record: club as unknown as Plain,
        },
        ports.sha256,
      );
      return { clubId: club.clubId };
    }),
  );
}
