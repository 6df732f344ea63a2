import type { CertificateKind } from '@/core/records/certificate';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { accountsOf } from '@/db/accounts';
import { storedDate } from '@/db/checked-values';
import { readClub } from '@/db/clubs';
import type { ClubTransaction } from '@/db/connection';
import { readInvitations } from '@/db/invitations';
import { readCertificates, readMembers } from '@/db/people';
import { dateText, momentText, sentenceCase } from '@/explain/formats';
import { CERTIFICATE_NAMES } from '@/explain/names';

/** A certificate as the list shows it: whether somebody may sign by it today, or why not. */
export interface CertificateLine { readonly id: string; readonly text: string; readonly holds: boolean; readonly ended: string | null }

/** Somebody of the club. */
export interface PersonLine {
  readonly personId: string;
  readonly name: string;
  readonly roles: readonly string[];
  /** Whether they can sign in, or what stands in between. */
  readonly access: 'account' | 'invited' | 'link-too-old' | 'none';
  readonly email: string | null;
  /** The link that works now, with who made it and until when. */
  readonly link: { readonly id: string; readonly words: string } | null;
  readonly certificates: readonly CertificateLine[];
}

/** The club and its people, and whether the reader may change them. */
export interface People {
  readonly club: { readonly name: string; readonly field: string; readonly zone: string; readonly rules: string };
  readonly mayChange: boolean;
  readonly people: readonly PersonLine[];
}

const RULES = { 'us-part91': 'US part 91', 'au-maintenance-release': 'Australian maintenance release' } as const;

/** Everybody of the club, with what they may do and sign. Addresses and links are for the administrator. */
export async function people(tx: ClubTransaction, reader: { readonly clubId: string; readonly roles: readonly string[] }, now: Instant): Promise<People> {
  const { name, place, packs } = await readClub(tx, reader.clubId);
  const today = civilDateAt(now, place.zone);
  const mayChange = reader.roles.includes('administrator');
  const members = await readMembers(tx);
  const accounts = await accountsOf(tx, members.map(({ personId }) => personId));
  const links = await readInvitations(tx);
  const certificates = await readCertificates(tx);
  return {
    mayChange,
    club: { name, field: place.name, zone: place.zone, rules: `${RULES[packs.authority.id]}${packs.authority.id === 'us-part91' ? `, training under ${packs.authority.parameters.trainingUnder.replace('-', ' ')}` : ''}${packs.club === null ? '' : ', and the club’s own policy'}` },
    people: members.map((member) => {
      const link = links.get(member.personId);
      const open = link !== undefined && link.ended === null;
      const account = accounts.get(member.personId);
      return {
        personId: member.personId, name: member.name, roles: member.roles,
        access: account !== undefined ? 'account' : !open ? 'none' : link.validUntil < now ? 'link-too-old' : 'invited',
        email: mayChange ? account ?? link?.email ?? null : null,
        link: !mayChange || !open || link.validUntil < now ? null : { id: link.invitationId, words: `${link.kind === 'join' ? 'link to join' : 'link for a new password'}, made by ${link.madeBy}, until ${momentText(link.validUntil, place.zone)}` },
        certificates: certificates.filter((one) => one.person_id === member.personId).map((one) => {
          const [from, until] = [storedDate(one.valid_from), one.valid_until === null ? null : storedDate(one.valid_until)];
          return {
            id: one.certificate_id, ended: one.ended_because, holds: one.ended_because === null && from <= today && (until === null || until >= today),
            text: `${sentenceCase(CERTIFICATE_NAMES[one.kind as CertificateKind])}, ${one.number}, from ${dateText(from)}${until === null ? ', no expiry' : ` to ${dateText(until)}`}`,
          };
        }),
      };
    }),
  };
}
