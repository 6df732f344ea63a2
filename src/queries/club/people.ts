import { may } from '@/contracts/kernel/permissions';
import type { CertificateKind } from '@/core/records/club/certificate';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { accountsMadeBy, accountsOf } from '@/db/club/accounts';
import { storedDate } from '@/db/kernel/checked-values';
import { readClub } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { openOffers, readInvitations } from '@/db/club/invitations';
import { readCertificates, readMembers } from '@/db/club/people';
import { momentText } from '@/explain/formats';
import { dateText, sentenceCase } from '@/explain/wording';
import { CERTIFICATE_NAMES } from '@/explain/names';

/** A certificate as the list shows it: whether somebody may sign by it today, or why not. */
export interface CertificateLine {
  readonly id: string;
  readonly text: string;
  readonly holds: boolean;
  readonly ended: string | null;
}

/** Somebody of the club. */
export interface PersonLine {
  readonly personId: string;
  readonly name: string;
  readonly roles: readonly string[];
  /** Whether they can sign in, or what stands in between. */
  readonly access: 'account' | 'invited' | 'link-too-old' | 'none';
  readonly email: string | null;
  /** Whether this club made the account, so that its administrator may make a link for a new password. */
  readonly mayReset: boolean;
  /** The link that works now, with who made it and until when. */
  readonly link: { readonly id: string; readonly words: string } | null;
  readonly certificates: readonly CertificateLine[];
}

/** The club and its people, and whether the reader may change them. */
export interface People {
  readonly club: {
    readonly name: string;
    readonly field: string;
    readonly zone: string;
    readonly rules: string;
  };
  readonly mayChange: boolean;
  readonly people: readonly PersonLine[];
  /** People who have an account and were asked to join; they are no members until they accept. */
  readonly offers: readonly {
    readonly id: string;
    readonly name: string;
    readonly roles: readonly string[];
    readonly words: string;
  }[];
}

const RULES = {
  'us-part91': 'US part 91',
  'au-maintenance-release': 'Australian maintenance release',
} as const;

/** Everybody of the club, with what they may do and sign. Addresses and links are for the administrator. */
export async function people(
  tx: ClubTransaction,
  reader: { readonly clubId: string; readonly personId: string; readonly roles: readonly string[] },
  now: Instant,
): Promise<People> {
  const { name, place, packs } = await readClub(tx, reader.clubId);
  const today = civilDateAt(now, place.zone);
  const mayChange = may(reader.roles, 'manage-people');
  const showsNumbers = may(reader.roles, 'see-certificates');
  const members = await readMembers(tx);
  const accounts = await accountsOf(
    tx,
    members.map(({ personId }) => personId),
  );
  const ours = await accountsMadeBy(
    tx,
    reader.clubId,
    members.map(({ personId }) => personId),
  );
  const links = await readInvitations(tx);
  const offers = mayChange ? await openOffers(tx) : [];
  const certificates = await readCertificates(tx);
  return {
    mayChange,
    offers: offers.map(({ invitationId, offers: offered, madeBy, validUntil }) => ({
      id: invitationId,
      name: offered?.name ?? '',
      roles: offered?.roles ?? [],
      words:
        validUntil < now
          ? 'the link is too old'
          : `has not accepted yet; link made by ${madeBy}, until ${momentText(validUntil, place.zone)}`,
    })),
    club: {
      name,
      field: place.name,
      zone: place.zone,
      rules: `${RULES[packs.authority.id]}${packs.authority.id === 'us-part91' ? `, training under ${packs.authority.parameters.trainingUnder.replace('-', ' ')}` : ''}${packs.club === null ? '' : ', and the club’s own policy'}`,
    },
    people: members.map((member) => {
      const link = links.get(member.personId);
      const open = link !== undefined && link.ended === null;
      const account = accounts.get(member.personId);
      return {
        personId: member.personId,
        name: member.name,
        roles: member.roles,
        access:
          account !== undefined
            ? 'account'
            : !open
              ? 'none'
              : link.validUntil < now
                ? 'link-too-old'
                : 'invited',
        // The address of an account that another club made is not ours to show.
        email: mayChange ? ((ours.has(member.personId) ? account : undefined) ?? link?.email ?? null) : null,
        mayReset: ours.has(member.personId),
        link:
          !mayChange || !open || link.validUntil < now
            ? null
            : {
                id: link.invitationId,
                words: `${link.kind === 'join' ? 'link to join' : 'link for a new password'}, made by ${link.madeBy}, until ${momentText(link.validUntil, place.zone)}`,
              },
        certificates: certificates
          .filter((one) => one.person_id === member.personId)
          .map((one) => {
            const [from, until] = [
              storedDate(one.valid_from),
              one.valid_until === null ? null : storedDate(one.valid_until),
            ];
            return {
              id: one.certificate_id,
              ended: one.ended_because,
              holds: one.ended_because === null && from <= today && (until === null || until >= today),
              text: `${sentenceCase(CERTIFICATE_NAMES[one.kind as CertificateKind])}${showsNumbers || one.person_id === reader.personId ? `, ${one.number}` : ''}, from ${dateText(from)}${until === null ? ', no expiry' : ` to ${dateText(until)}`}`,
            };
          }),
      };
    }),
  };
}
