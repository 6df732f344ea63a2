import { randomUUID } from 'node:crypto';
import type { Client } from 'pg';
import { NOBODY, post, type Session } from './client';

/** What somebody knows who attacks: ids of their own club, and of another. */
export interface World {
  readonly clubId: string;
  readonly aircraft: readonly {
    readonly id: string;
    readonly registration: string;
    readonly revision: number;
  }[];
  /** Ids by the name of the field that holds them. */
  readonly ids: Readonly<Record<string, readonly string[]>>;
}

const FIELDS: Readonly<Record<string, string>> = {
  flightId: 'select flight_id as id from groval.planned_flight',
  replaces: 'select flight_id as id from groval.planned_flight',
  discrepancyId: 'select discrepancy_id as id from groval.discrepancy',
  recordId: 'select reading_id as id from groval.meter_reading',
  readingId: 'select reading_id as id from groval.meter_reading',
  inspection: 'select inspection_id as id from groval.inspection',
  certificateId: 'select certificate_id as id from groval.certificate',
  dial: 'select dial_id as id from groval.dial',
  item: `select record_id as id from groval.aircraft_record where kind = 'item'`,
  ad: `select record_id as id from groval.aircraft_record where kind = 'ad'`,
  releaseId: `select record_id as id from groval.aircraft_record where kind = 'release'`,
  unlogged: `select record_id as id from groval.aircraft_record where kind = 'unlogged'`,
  boxId: 'select box_id as id from groval.meter_box',
  personId: 'select person_id as id from groval.membership',
  photo: 'select photo_id as id from groval.photo',
  feedId: 'select feed_id as id from groval.calendar_feed',
  invitationId: 'select invitation_id as id from groval.invitation',
};
/** So many of each are known. */
const MAX_KNOWN = 20;

/** Looks around in one club, as somebody who has got hold of its ids. */
export async function lookAround(client: Client, clubId: string): Promise<World> {
  const { rows: aircraft } = await client.query<{ id: string; registration: string; revision: number }>(
    'select aircraft_id as id, registration, revision from groval.aircraft where club_id = $1 order by registration',
    [clubId],
  );
  const ids: Record<string, readonly string[]> = {
    aircraftId: aircraft.map(({ id }) => id),
    club: [clubId],
    clubId: [clubId],
  };
  for (const [field, query] of Object.entries(FIELDS)) {
    const { rows } = await client.query<{ id: string }>(
      `select q.id from (${query.replace(' from ', ', club_id from ')}) q where q.club_id = $1 order by 1 limit ${MAX_KNOWN}`,
      [clubId],
    );
    ids[field] = rows.map(({ id }) => id);
  }
  return { clubId, aircraft, ids };
}

const BYSTANDERS = 4;

/** The same world with other people to change, remove and make links for than those who attack: an administrator who may change roles would change what the attackers may. */
export async function addBystanders(
  base: string,
  client: Client,
  administrator: Session,
  world: World,
): Promise<World> {
  for (let at = 0; at < BYSTANDERS; at += 1) {
    const admitted = await post(base, administrator, '/api/people', {
      admissionId: randomUUID(),
      name: `Bystander ${at}`,
      email: `bystander-${at}-${randomUUID().slice(0, 8)}@ternbay.example`,
      roles: ['renter'],
    });
    const [club, secret] = /"path":"\/join#([^."]+)\.([^."]+)"/.exec(admitted.text)?.slice(1) ?? [];
    const joined = await post(base, NOBODY, '/api/join/take-up', { club, secret, password: 'a-bystander-1' });
    if (joined.status !== 200)
      throw new Error(
        `a bystander could not join: ${admitted.status} ${admitted.text}, ${joined.status} ${joined.text}`,
      );
  }
  const { rows } = await client.query<{ id: string }>(
    `select m.person_id as id from groval.membership m join auth."user" u on u.id = m.person_id where m.club_id = $1 and u.email like 'bystander-%'`,
    [world.clubId],
  );
  if (rows.length < BYSTANDERS) throw new Error(`only ${rows.length} bystanders joined`);
  return { ...world, ids: { ...world.ids, personId: rows.map(({ id }) => id) } };
}

/** The clubs of the database, the one with most aircraft first. */
export async function clubsOf(client: Client): Promise<readonly string[]> {
  const { rows } = await client.query<{ id: string }>(
    'select club_id as id from groval.aircraft group by 1 order by count(*) desc',
  );
  return rows.map(({ id }) => id);
}
