import { policyFrom } from '@/core/rules/packs/club-policy';
import type { OwnPack, PackChoices } from '@/core/rules/register';
import type { Place } from '@/core/time/sun';
import { parseZone } from '@/core/time/zone';
import { exactlyOneOf } from './checked-values';
import type { ClubTransaction } from './connection';

/** A club's field and the rules that it decides by. */
export interface Club {
  readonly clubId: string;
  readonly name: string;
  readonly place: Place;
  readonly packs: PackChoices;
}

/** A person's place in a club. */
export interface Membership {
  readonly clubId: string;
  readonly personId: string;
  readonly name: string;
  readonly roles: readonly string[];
}

function storedPacks(value: unknown): PackChoices {
  const given = value as { readonly authority?: { readonly id?: unknown; readonly parameters?: { readonly trainingUnder?: unknown } }; readonly club?: { readonly parameters?: Readonly<Record<string, unknown>>; readonly own?: OwnPack | null } | null };
  const club = given.club ?? null;
  const policy = club === null ? null : policyFrom(club.parameters ?? {});
  if (policy !== null && 'fault' in policy) throw new Error(`the club’s stored choice of ${policy.parameter} cannot be used: ${policy.fault}`);
  const authority = exactlyOneOf(['us-part91', 'au-maintenance-release'], String(given.authority?.id), 'rule pack');
  const under = given.authority?.parameters?.trainingUnder;
  return {
    // A statement that is not stored takes the strictest.
    authority: authority === 'us-part91' ? { id: authority, parameters: { trainingUnder: under === 'part-61' ? under : 'part-141' } } : { id: authority },
    club: policy === null ? null : { id: 'club-policy', parameters: policy, own: club?.own ?? null },
  };
}

/** The club of this transaction. */
export async function readClub(tx: ClubTransaction, clubId: string): Promise<Club> {
  const row = await tx.selectFrom('club').selectAll().where('club_id', '=', clubId).executeTakeFirstOrThrow();
  const zone = parseZone(row.time_zone);
  if (zone === undefined) throw new Error(`the club’s time zone '${row.time_zone}' is not known on this machine`);
  return { clubId: row.club_id, name: row.name, place: { name: row.field_name, latitude: row.latitude, longitude: row.longitude, zone }, packs: storedPacks(row.packs) };
}

/** The clubs that a person belongs to; in a transaction of that person. */
export async function membershipsOf(tx: ClubTransaction, personId: string): Promise<readonly Membership[]> {
  const rows = await tx.selectFrom('membership').select(['club_id', 'person_id', 'display_name', 'roles', 'recorded_at']).where('person_id', '=', personId).orderBy('club_id').execute();
  const changes = await tx.selectFrom('membership_change').select(['club_id', 'person_id', 'display_name', 'roles']).where('person_id', '=', personId).orderBy('recorded_at', 'desc').orderBy('change_id', 'desc').execute();
  // Without a role somebody belongs to the club no longer.
  return rows.map((row) => changes.find((change) => change.club_id === row.club_id) ?? row).filter(({ roles }) => roles.length > 0)
    .map((row) => ({ clubId: row.club_id, personId: row.person_id, name: row.display_name, roles: row.roles }));
}
