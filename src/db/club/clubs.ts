import { sql } from 'kysely';
import { policyFrom } from '@/core/rules/packs/club-policy';
import { usStatements } from '@/core/rules/packs/us-part91';
import type { ClubEstimate, OwnPack, PackChoices } from '@/core/rules/register';
import { ACTS } from '@/core/rules/parts/constraint';
import type { Place } from '@/core/time/sun';
import { parseZone } from '@/core/time/zone';
import type { Instant } from '@/core/time/instant';
import { exactlyOneOf, storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';

/** A club's field and the rules that it decides by. */
export interface Club {
  readonly clubId: string;
  readonly name: string;
  readonly place: Place;
  readonly packs: PackChoices;
  /** How often its field or rules were changed since it was founded. */
  readonly changes: number;
}

/** A person's place in a club. */
export interface Membership {
  readonly clubId: string;
  readonly personId: string;
  readonly name: string;
  readonly roles: readonly string[];
}

/** What a club says that an act takes, as it is stored: of an act that there is, in whole minutes and cents. */
function isEstimate(value: unknown): value is ClubEstimate {
  const { act, minutes, cents } = (value ?? {}) as Partial<ClubEstimate>;
  return ACTS.some((one) => one === act) && Number.isSafeInteger(minutes) && Number.isSafeInteger(cents);
}

function storedPacks(value: unknown): PackChoices {
  const given = value as {
    readonly authority?: { readonly id?: unknown; readonly parameters?: Readonly<Record<string, unknown>> };
    readonly club?: {
      readonly parameters?: Readonly<Record<string, unknown>>;
      readonly own?: OwnPack | null;
    } | null;
    readonly estimates?: unknown;
  };
  const club = given.club ?? null;
  const policy = club === null ? null : policyFrom(club.parameters ?? {});
  if (policy !== null && 'fault' in policy)
    throw new Error(`the club’s stored choice of ${policy.parameter} cannot be used: ${policy.fault}`);
  const authority = exactlyOneOf(
    ['us-part91', 'au-maintenance-release'],
    String(given.authority?.id),
    'rule pack',
  );
  return {
    // A statement that is not stored takes the strictest.
    authority:
      authority === 'us-part91'
        ? { id: authority, parameters: usStatements(given.authority?.parameters ?? {}) }
        : { id: authority },
    club: policy === null ? null : { id: 'club-policy', parameters: policy, own: club?.own ?? null },
    ...(Array.isArray(given.estimates) && given.estimates.length > 0
      ? { estimates: (given.estimates as readonly unknown[]).filter(isEstimate) }
      : {}),
  };
}

/** The club of this transaction as it stands: as it was founded, or as the last change has it. */
export async function readClub(tx: ClubTransaction, clubId: string): Promise<Club> {
  const row = await tx
    .selectFrom('club as f')
    .leftJoin('club_change as c', 'c.club_id', 'f.club_id')
    .where('f.club_id', '=', clubId)
    .orderBy('c.number', (order) => order.desc().nullsLast())
    .limit(1)
    .select([
      'c.number',
      ({ fn }) => fn.coalesce('c.name', 'f.name').as('name'),
      ({ fn }) => fn.coalesce('c.field_name', 'f.field_name').as('field_name'),
      ({ fn }) => fn.coalesce('c.latitude', 'f.latitude').as('latitude'),
      ({ fn }) => fn.coalesce('c.longitude', 'f.longitude').as('longitude'),
      ({ fn }) => fn.coalesce('c.time_zone', 'f.time_zone').as('time_zone'),
      ({ fn }) => fn.coalesce('c.packs', 'f.packs').as('packs'),
    ])
    .executeTakeFirstOrThrow();
  const zone = parseZone(row.time_zone);
  if (zone === undefined)
    throw new Error(`the club’s time zone '${row.time_zone}' is not known on this machine`);
  return {
    clubId,
    name: row.name,
    place: { name: row.field_name, latitude: row.latitude, longitude: row.longitude, zone },
    packs: storedPacks(row.packs),
    changes: row.number ?? 0,
  };
}

/** Waits for anybody else who is changing the club. */
export async function lockClub(tx: ClubTransaction, clubId: string): Promise<void> {
  await sql`select pg_advisory_xact_lock(hashtextextended(${`${clubId}/club`}, 0))`.execute(tx);
}

/** Writes what the club says of its field and rules from now on. */
export async function insertClubChange(
  tx: ClubTransaction,
  { clubId, name, place, packs, changes }: Club,
  change: {
    readonly changeId: string;
    readonly why: string;
    readonly at: Instant;
    readonly by: { readonly personId: string; readonly name: string };
  },
): Promise<void> {
  const at = new Date(change.at);
  await tx
    .insertInto('club_change')
    .values({
      club_id: clubId,
      number: changes,
      change_id: change.changeId,
      name,
      field_name: place.name,
      latitude: place.latitude,
      longitude: place.longitude,
      time_zone: place.zone,
      packs: JSON.stringify(packs),
      why: change.why,
      happened_at: at,
      recorded_at: at,
      recorded_by: change.by.personId,
      recorded_by_name: change.by.name,
    })
    .execute();
}

/** Every change of the club, the last first. */
export async function readClubChanges(tx: ClubTransaction): Promise<
  readonly {
    readonly number: number;
    readonly changeId: string;
    readonly why: string;
    readonly at: Instant;
    readonly by: string;
  }[]
> {
  const rows = await tx
    .selectFrom('club_change')
    .select(['number', 'change_id', 'why', 'recorded_at', 'recorded_by_name'])
    .orderBy('number', 'desc')
    .execute();
  return rows.map((row) => ({
    number: row.number,
    changeId: row.change_id,
    why: row.why,
    at: storedInstant(row.recorded_at),
    by: row.recorded_by_name,
  }));
}

/** The clubs that a person belongs to, the one that they joined first at the front; in a transaction of that person. */
export async function membershipsOf(tx: ClubTransaction, personId: string): Promise<readonly Membership[]> {
  const rows = await tx
    .selectFrom('membership')
    .select(['club_id', 'person_id', 'display_name', 'roles', 'recorded_at'])
    .where('person_id', '=', personId)
    .orderBy('recorded_at')
    .orderBy('club_id')
    .execute();
  const changes = await tx
    .selectFrom('membership_change')
    .select(['club_id', 'person_id', 'display_name', 'roles'])
    .where('person_id', '=', personId)
    .orderBy('recorded_at', 'desc')
    .orderBy('change_id', 'desc')
    .execute();
  // Without a role somebody belongs to the club no longer.
  return rows
    .map((row) => changes.find((change) => change.club_id === row.club_id) ?? row)
    .filter(({ roles }) => roles.length > 0)
    .map((row) => ({
      clubId: row.club_id,
      personId: row.person_id,
      name: row.display_name,
      roles: row.roles,
    }));
}
