import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { getMigrations } from 'better-auth/db/migration';
import { given } from '@/testing/database';
import { openAccountPool, openAccounts } from '@/server/accounts';
import { asPerson, inClub } from './club-transaction';
import { membershipsOf } from '../club/clubs';
import { Passwords } from '@/server/passwords';
import { readHistory } from './ledger';
import { goneAgain, superuser, twoClubs, ours, theirs, tables } from '@/testing/two-clubs';

beforeAll(twoClubs);
afterAll(goneAgain);

describe('the application’s role', () => {
  it('owns nothing and can bypass nothing', async () => {
    const { rows } = await superuser.query(
      `select rolsuper, rolbypassrls, rolcreatedb, rolcreaterole from pg_roles where rolname = 'groval_app'`,
    );
    expect(rows).toEqual([
      { rolsuper: false, rolbypassrls: false, rolcreatedb: false, rolcreaterole: false },
    ]);
    expect(
      (await superuser.query(`select 1 from pg_class where relowner = 'groval_app'::regrole`)).rowCount,
    ).toBe(0);
  });

  it('every table of ours has the club in its key, and row-level security that binds its owner too', async () => {
    const all = await tables();
    expect(all.length).toBeGreaterThanOrEqual(13);
    for (const table of all)
      expect(table).toMatchObject({ enabled: true, forced: true, owner: 'groval_owner' });
    const { rows } = await superuser.query<{ name: string; first: string }>(
      `select c.relname as name, (select attname from pg_attribute a where a.attrelid = c.oid and a.attnum = i.indkey[0]) as first from pg_index i join pg_class c on c.oid = i.indrelid join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'groval' and i.indisprimary`,
    );
    for (const { name, first } of rows) expect([name, first]).toEqual([name, 'club_id']);
  });

  it('sees no row of another club in any table, and none at all before a club is chosen', async () => {
    for (const { name } of await tables()) {
      const all = await superuser.query<{ clubs: string }>(
        `select count(distinct club_id) as clubs from groval.${name}`,
      );
      const seen = (club: string) =>
        inClub(ours.ports.db, club, async (tx) =>
          (
            await sql<{
              club: string;
            }>`select distinct club_id::text as club from ${sql.table(name)}`.execute(tx)
          ).rows.map(({ club: found }) => found),
        );
      expect([name, (await seen(ours.clubId)).filter((club) => club !== ours.clubId)]).toEqual([name, []]);
      if (!['discrepancy', 'rectification', 'photo'].includes(name) && !name.startsWith('walkround'))
        expect([name, Number(all.rows[0]?.clubs) >= 2, (await seen(ours.clubId)).length]).toEqual([
          name,
          true,
          1,
        ]);
      expect((await sql`select 1 from ${sql.table(name)}`.execute(ours.ports.db)).rows).toEqual([]);
    }
  });

  it('writes no row into another club', async () => {
    const values = {
      club_id: theirs.clubId,
      reading_id: randomUUID(),
      aircraft_id: theirs.aircraftId,
      meter: 'time-in-service',
      value_s: 1,
      entered: '0.00',
      entered_unit: 'h',
      basis: 'read',
      happened_at: new Date(0),
      recorded_at: new Date(0),
      recorded_by: 'x',
    };
    await expect(
      inClub(ours.ports.db, ours.clubId, (tx) => tx.insertInto('meter_reading').values(values).execute()),
    ).rejects.toThrow('row-level security');
  });

  it('changes and removes nothing of what was recorded, but an aircraft’s revision', async () => {
    for (const { name } of await tables()) {
      await expect(
        inClub(ours.ports.db, ours.clubId, (tx) => sql`delete from ${sql.table(name)}`.execute(tx)),
        name,
      ).rejects.toThrow('permission denied');
      await expect(
        inClub(ours.ports.db, ours.clubId, (tx) =>
          sql`update ${sql.table(name)} set club_id = club_id`.execute(tx),
        ),
        name,
      ).rejects.toThrow('permission denied');
      await expect(
        inClub(ours.ports.db, ours.clubId, (tx) => sql`truncate ${sql.table(name)}`.execute(tx)),
        name,
      ).rejects.toThrow('permission denied');
    }
    await expect(
      inClub(ours.ports.db, ours.clubId, (tx) => sql`update aircraft set category = 'glider'`.execute(tx)),
    ).rejects.toThrow('permission denied');
  });

  it('before a club is chosen a person sees only their own memberships', async () => {
    const person = ours.actor('mechanic').personId;
    expect(await asPerson(ours.ports.db, person, (tx) => membershipsOf(tx, person))).toMatchObject([
      { clubId: ours.clubId, roles: ['mechanic'] },
    ]);
    expect(
      await asPerson(ours.ports.db, person, (tx) =>
        tx.selectFrom('membership').select('person_id').execute(),
      ),
    ).toHaveLength(1);
    expect(
      await asPerson(ours.ports.db, 'nobody', (tx) => tx.selectFrom('club').select('club_id').execute()),
    ).toEqual([]);
  });
});

describe('the schema', () => {
  it('has every table that the authentication library asks for', async () => {
    const pool = openAccountPool(given('DATABASE_URL'));
    try {
      const { toBeCreated, toBeAdded } = await getMigrations(
        openAccounts(
          { GROVAL_URL: 'http://127.0.0.1:3600', GROVAL_AUTH_SECRET: 'x'.repeat(32) },
          pool,
          new Passwords(),
        ).options,
      );
      expect([toBeCreated.map(({ table }) => table), toBeAdded.map(({ table }) => table)]).toEqual([[], []]);
    } finally {
      await pool.end();
    }
  });

  it('every list that a screen asks for has an index that leads with the club', async () => {
    const plan = async (query: string) =>
      (await superuser.query<{ 'QUERY PLAN': string }>(`explain ${query}`)).rows
        .map((row) => row['QUERY PLAN'])
        .join('\n');
    // With a handful of rows every plan costs the same: what is asked is whether an index gives the order, so that years of rows are never sorted.
    await superuser.query('set enable_seqscan = off; set enable_sort = off');
    const club = `'${ours.clubId}'`;
    for (const [query, index] of [
      [
        `select * from groval.aircraft where club_id = ${club} order by registration`,
        'aircraft_club_id_registration_key',
      ],
      [
        `select * from groval.document_sighting where club_id = ${club} and aircraft_id = '${ours.aircraftId}' order by kind, happened_at desc`,
        'document_sighting_latest',
      ],
      [
        `select * from groval.inspection where club_id = ${club} and aircraft_id = '${ours.aircraftId}' order by completed_on desc`,
        'inspection_aircraft',
      ],
      [
        `select * from groval.meter_reading where club_id = ${club} and aircraft_id = '${ours.aircraftId}' order by happened_at desc`,
        'meter_reading_aircraft',
      ],
      [
        `select * from groval.discrepancy where club_id = ${club} and aircraft_id = '${ours.aircraftId}' order by recorded_at desc`,
        'discrepancy_aircraft',
      ],
      [
        `select * from groval.planned_flight where club_id = ${club} and starts < now() and ends > now() order by starts`,
        'planned_flight_day',
      ],
      [
        `select * from groval.ledger where club_id = ${club} and aircraft_id = '${ours.aircraftId}' order by seq desc limit 100`,
        'ledger_aircraft',
      ],
      [
        `select * from groval.box_reading where club_id = ${club} and aircraft_id = '${ours.aircraftId}' order by value_s desc limit 1`,
        'box_reading_aircraft',
      ],
      [
        `select * from groval.aircraft_description where club_id = ${club} and aircraft_id = '${ours.aircraftId}' order by recorded_at desc limit 1`,
        'aircraft_description_aircraft',
      ],
      [
        `select * from groval.invitation where club_id = ${club} and person_id = 'x' order by recorded_at desc`,
        'invitation_person',
      ],
      // With a handful of certificates a club, the planner takes either of its two indexes.
      [
        `select * from groval.certificate where club_id = ${club} and person_id = 'x'`,
        'Index Scan using certificate_p',
      ],
      [
        `select * from groval.flight where club_id = ${club} and aircraft_id = '${ours.aircraftId}' order by happened_at desc limit 40`,
        'flight_aircraft',
      ],
      [
        `select * from groval.flight_return where club_id = ${club} and aircraft_id = '${ours.aircraftId}' order by happened_at desc limit 1`,
        'flight_return_aircraft',
      ],
      [
        `select * from groval.meter_reading where club_id = ${club} and aircraft_id = '${ours.aircraftId}' and meter = 'engine' order by happened_at desc, value_s desc limit 1`,
        'meter_reading_meter',
      ],
      // Looked for one by one; asked for in order, only the index that has them by record will do, whatever the planner knows of their number.
      [
        `select * from groval.strike where club_id = ${club} and record_id > '${ours.aircraftId}' order by record_id`,
        'strike_club_id_record_id_key',
      ],
      [
        `select * from groval.photo where club_id = ${club} and discrepancy_id = '${ours.aircraftId}'`,
        'photo_discrepancy',
      ],
    ] as const)
      expect(await plan(query), query).toContain(index);
  });

  it('keeps an aircraft’s history, newest first', async () => {
    const story = await inClub(ours.ports.db, ours.clubId, (tx) => readHistory(tx, ours.aircraftId, 10));
    expect(story.map(({ act, revision }) => [act, revision])).toEqual([['load-folder', 1]]);
  });
});
