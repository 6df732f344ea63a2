import { randomBytes, randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { Client } from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { getMigrations } from 'better-auth/db/migration';
import { loadRecords, NO_RECORDS } from '@/commands/kernel/load-records';
import { reportFinding } from '@/commands/findings/report-finding';
import { decide } from '@/core/decision/decide';
import { hours } from '@/core/quantities/hours';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds, type Instant } from '@/core/time/instant';
import { cleanCase } from '@/testing/clean-case';
import { given, good, testClub } from '@/testing/database';
import { readingOnRecord } from '@/testing/planned-flight';
import { openAccountPool, openAccounts } from '@/server/accounts';
import { checkChain, type LedgerRow } from '../../../tools/database/check-chain';
import { decisionDocument } from '@/explain/decision-document';
import { loadAircraft, loadForMeters } from '../aircraft/aircraft-facts';
import { asPerson, currentBatch, inClub } from './club-transaction';
import { insertClubChange, membershipsOf, readClub } from '../club/clubs';
import { UNSAID } from '@/core/records/flights/planned-flight';
import { insertDescription } from '../aircraft/descriptions';
import { endInvitationOnce, insertInvitation } from '../club/invitations';
import { endBoxOnce, insertBoxOnce, insertBoxReadings } from '../meters/meter-boxes';
import { insertCertificateEndOnce, insertMembershipChange } from '../club/people';
import { Passwords } from '@/server/passwords';
import { endFeedOnce, insertFeed } from '../exchange/calendar-feeds';
import { insertDials } from '../meters/dials';
import { insertFlown } from '../flights/insert-flights';
import { insertFlights, insertReadings } from '../aircraft/folder-rows';
import { appendToLedger, readHistory } from './ledger';
import { endPlannedOnce } from '../flights/planned-flights';
import { insertRecordPhotoOnce } from '../findings/record-photos';
import { keepStanding } from '../meters/standings';
import { insertStrikeOnce } from '../aircraft/strikes';
import { insertVouchOnce } from '../documents/vouching';

let superuser: Client;
let ours: Awaited<ReturnType<typeof testClub>>;
let theirs: Awaited<ReturnType<typeof testClub>>;
beforeAll(async () => {
  superuser = new Client({ connectionString: given('GROVAL_TEST_SUPERUSER_URL') });
  await superuser.connect();
  [ours, theirs] = [await testClub(), await testClub()];
  // Every kind of record that a club can have, once in each: a table without rows would show nothing.
  for (const club of [ours, theirs]) await withEveryRecord(club);
});
afterAll(async () => {
  await superuser.end();
});

/** A meter, a flight with its return, a struck out entry, and a planned flight that was cancelled. */
async function withEveryRecord({
  ports,
  clubId,
  aircraftId,
  actor,
  certificateOf,
}: Awaited<ReturnType<typeof testClub>>): Promise<void> {
  const at = ports.now();
  const [dial, flight, planned] = [randomUUID(), randomUUID(), randomUUID()];
  await inClub(ports.db, clubId, async (tx) => {
    await insertDials(tx, clubId, aircraftId, 'x', [
      {
        id: dial,
        happenedAt: at,
        recordedAt: at,
        name: 'Block',
        unit: 'h',
        counts: [{ meter: 'block', offset: 0 }],
        bills: true,
        wrapsAt: null,
        replaces: null,
        why: null,
      },
    ]);
    await insertFlown(tx, clubId, aircraftId, 'x', [
      {
        id: flight,
        aircraftId,
        personName: 'R. Dane',
        purpose: null,
        crew: null,
        readings: [],
        fuelAboard: null,
        oilAboard: null,
        remarks: null,
        leftAt: addSeconds(at, -7200),
        recordedAt: at,
        returned: {
          readings: [],
          landings: 1,
          towLaunches: null,
          billed: null,
          billedFrom: null,
          fuelAdded: null,
          oilAdded: null,
          report: { kind: 'nothing-to-report' as const },
          at: addSeconds(at, -3600),
          recordedAt: at,
        },
      },
    ]);
    await insertFlights(tx, clubId, aircraftId, 'x', [
      {
        id: planned,
        starts: addSeconds(at, 3600),
        ends: addSeconds(at, 7200),
        airborne: null,
        purpose: null,
        crew: null,
        rules: null,
        range: null,
        light: null,
        transponderAirspace: null,
        adsbAirspace: null,
        beyondGlideOverWater: null,
        passengers: null,
        ...UNSAID,
        personName: 'R. Dane',
        recordedAt: at,
      },
    ]);
    await endPlannedOnce(tx, clubId, {
      flightId: planned,
      aircraftId,
      because: 'cancelled',
      why: null,
      at,
      by: 'x',
    });
    const feed = randomUUID();
    await insertFeed(tx, clubId, {
      feedId: feed,
      name: 'Workshop',
      secretHash: new Uint8Array(32),
      at,
      by: 'x',
    });
    await endFeedOnce(tx, clubId, feed, at, 'x');
    await insertMembershipChange(tx, clubId, {
      changeId: randomUUID(),
      personId: actor('renter').personId,
      name: 'The renter',
      roles: ['renter', 'student'],
      at,
      by: 'x',
    });
    const invitation = randomUUID();
    await insertInvitation(tx, clubId, {
      invitationId: invitation,
      personId: actor('renter').personId,
      kind: 'join',
      offers: null,
      email: 'x@example.org',
      validUntil: at,
      madeAt: at,
      secretHash: randomBytes(32),
      by: actor('administrator'),
    });
    await endInvitationOnce(tx, clubId, invitation, 'used', at, 'x');
    const box = {
      boxId: randomUUID(),
      aircraftId,
      name: 'Box',
      keyHash: randomBytes(32),
      offset: 0,
      at,
      by: 'x',
    };
    await insertBoxOnce(tx, clubId, box);
    await insertBoxReadings(
      tx,
      clubId,
      { ...box, fittedAt: at, removed: false },
      [{ sequence: 1, total: 0, value: 0, at }],
      at,
    );
    await endBoxOnce(tx, clubId, aircraftId, box.boxId, 'test', at, 'x');
    await insertCertificateEndOnce(tx, clubId, certificateOf('student'), 'test', at, 'x');
    await insertClubChange(
      tx,
      { ...(await readClub(tx, clubId)), changes: 1 },
      { changeId: randomUUID(), why: 'test', at, by: { personId: 'x', name: 'X' } },
    );
    // The same words once more: the decisions that other tests compare stay as they are.
    const { category, firstFlownOn, approvedFor, particulars } = cleanCase().facts.aircraft;
    await insertDescription(tx, clubId, aircraftId, 'x', {
      id: randomUUID(),
      recordedAt: at,
      category,
      firstFlownOn,
      approvedFor,
      particulars,
    });
    const struck = randomUUID();
    await insertReadings(tx, clubId, aircraftId, 'x', [
      { id: struck, meter: 'propeller', value: hours('1'), happenedAt: at, recordedAt: at, entered: '1.0' },
    ]);
    await insertStrikeOnce(tx, clubId, aircraftId, actor('dispatcher'), {
      id: randomUUID(),
      recordedAt: at,
      record: struck,
      kind: 'reading',
      why: 'test',
      replacedBy: null,
    });
    const { inspection_id: record } = await tx
      .selectFrom('inspection')
      .select('inspection_id')
      .where('aircraft_id', '=', aircraftId)
      .limit(1)
      .executeTakeFirstOrThrow();
    await insertVouchOnce(tx, clubId, {
      vouchId: randomUUID(),
      aircraftId,
      recordId: record,
      table: 'inspection',
      note: null,
      at,
      by: actor('mechanic'),
    });
    await insertRecordPhotoOnce(tx, clubId, {
      photoId: randomUUID(),
      aircraftId,
      recordId: record,
      width: 1,
      height: 1,
      bytes: new Uint8Array([1]),
      sha256: ports.sha256(new Uint8Array([1])),
      at,
      by: 'x',
    });
    await appendToLedger(
      tx,
      {
        clubId,
        aircraftId: null,
        revision: null,
        act: 'load-records',
        actor: { personId: 'x', name: 'X' },
        recordedAt: at,
        record: {},
      },
      ports.sha256,
    );
  });
}

const tables = async () =>
  (
    await superuser.query<{ name: string; enabled: boolean; forced: boolean; owner: string }>(
      `select c.relname as name, c.relrowsecurity as enabled, c.relforcerowsecurity as forced, pg_get_userbyid(c.relowner) as owner from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'groval' and c.relkind in ('r', 'p') order by 1`,
    )
  ).rows;

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
      if (!['discrepancy', 'rectification', 'photo'].includes(name))
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

describe('the ledger', () => {
  const chainRows = async (clubId: string, chain: string) =>
    (
      await superuser.query<LedgerRow>(
        'select l.chain, l.seq, l.revision, l.act, l.actor, l.actor_name, l.recorded_at, l.batch, l.body, l.previous, l.hash, a.revision as aircraft_revision from groval.ledger l left join groval.aircraft a on a.club_id = l.club_id and a.aircraft_id = l.aircraft_id where l.club_id = $1 and l.chain = $2 order by l.seq',
        [clubId, chain],
      )
    ).rows;
  const entry = (what: string) => ({
    clubId: ours.clubId,
    aircraftId: null,
    revision: null,
    act: 'load-records' as const,
    actor: { personId: 'x', name: 'X' },
    recordedAt: ours.ports.now(),
    record: { what },
  });

  it('is whole, and stays one chain when many append at once', async () => {
    await Promise.all(
      Array.from({ length: 20 }, (_, at) =>
        inClub(ours.ports.db, ours.clubId, (tx) =>
          appendToLedger(tx, entry(`at-once-${at}`), ours.ports.sha256),
        ),
      ),
    );
    const rows = await chainRows(ours.clubId, 'club');
    expect(rows.length).toBeGreaterThanOrEqual(21);
    expect(checkChain(rows, null)).toEqual([]);
    expect(checkChain(await chainRows(ours.clubId, `aircraft:${ours.aircraftId}`), null)).toEqual([]);
  });

  it('takes no entry that does not continue it, that does not hash to its content, or that shows something else than it says', async () => {
    const attempt = (change: object, says: object = {}) =>
      inClub(ours.ports.db, ours.clubId, async (tx) => {
        const {
          rows: [head],
        } = await sql<{
          seq: number;
          hash: Buffer;
        }>`select seq, hash from guard.head where club_id = ${ours.clubId}::uuid and chain = 'club'`.execute(
          tx,
        );
        if (head === undefined) throw new Error('there is no chain');
        const at = new Date(ours.ports.now());
        const seq = head.seq + 1;
        const body = JSON.stringify({
          chain: 'club',
          seq,
          act: 'x',
          actor: 'x',
          actorName: 'X',
          revision: null,
          recordedAt: at.toISOString(),
          batch: await currentBatch(tx),
          ...says,
        });
        await tx
          .insertInto('ledger')
          .values({
            club_id: ours.clubId,
            chain: 'club',
            seq,
            act: 'x',
            actor: 'x',
            actor_name: 'X',
            recorded_at: at,
            body,
            previous: head.hash,
            hash: Buffer.from(ours.ports.sha256(Buffer.concat([head.hash, Buffer.from(body)]))),
            ...change,
          })
          .execute();
      });
    await expect(attempt({ seq: 2 })).rejects.toThrow('does not continue its chain');
    await expect(attempt({ previous: Buffer.from('x') })).rejects.toThrow('does not continue its chain');
    await expect(attempt({ hash: Buffer.alloc(32) })).rejects.toThrow('does not hash to its content');
    for (const change of [
      { act: 'y' },
      { actor: 'y' },
      { actor_name: 'Y' },
      { recorded_at: new Date(0) },
      { batch: randomUUID() },
    ])
      await expect(attempt(change)).rejects.toThrow('something else in its columns');
    // Capital letters in an id would begin a second chain of one aircraft.
    await expect(
      attempt({
        chain: `aircraft:${ours.aircraftId.toUpperCase()}`,
        aircraft_id: ours.aircraftId,
        seq: 1,
        previous: Buffer.alloc(0),
      }),
    ).rejects.toThrow();
    await expect(attempt({}, { rows: { flight: '1:1:1:1:1' } })).rejects.toThrow(
      'no entry of the ledger counts',
    );
    await expect(attempt({})).resolves.toBeUndefined();
  });

  it('no row of a record is written without an entry that counts it, whatever the application does', async () => {
    for (const { name } of await tables()) {
      if (['ledger', 'meter_standing', 'club'].includes(name)) continue;
      // The first row of the table once more, with fresh ids wherever an id of its own is asked for.
      const {
        rows: [row],
      } = await superuser.query<Record<string, unknown>>(
        `select * from groval.${name} where club_id = $1 limit 1`,
        [ours.clubId],
      );
      if (row === undefined) continue;
      const { rows: keys } = await superuser.query<{ name: string; type: string }>(
        `select a.attname as name, format_type(a.atttypid, null) as type from pg_index i join pg_attribute a on a.attrelid = i.indrelid and a.attnum = any(i.indkey) where i.indrelid = 'groval.${name}'::regclass and i.indisunique and a.attname <> 'club_id'`,
      );
      const other = Object.fromEntries(
        keys.map((key) => [
          key.name,
          key.type === 'uuid' ? randomUUID() : key.type === 'integer' ? 99_999 : `x-${randomUUID()}`,
        ]),
      );
      const values = Object.fromEntries(
        Object.entries({ ...row, ...other })
          // The batch is the transaction's; what begins with in_ the database works out itself.
          .filter(([column]) => column !== 'batch' && !column.startsWith('in_'))
          .map(([column, value]) => [
            column,
            typeof value === 'object'
            && value !== null
            && !(value instanceof Date)
            && !Buffer.isBuffer(value)
            && !(Array.isArray(value) && ['roles', 'features', 'closes_uses'].includes(column))
              ? JSON.stringify(value)
              : value,
          ]),
      );
      const written = inClub(ours.ports.db, ours.clubId, (tx) =>
        tx
          .insertInto(name as 'flight')
          .values(values as never)
          .execute(),
      );
      await expect(written, name).rejects.toThrow(/no entry of the ledger counts|violates foreign key/);
    }
    await expect(
      inClub(ours.ports.db, ours.clubId, (tx) =>
        sql`insert into guard.head (club_id, chain, seq, hash) values (${ours.clubId}::uuid, 'x', 1, '')`.execute(
          tx,
        ),
      ),
    ).rejects.toThrow('permission denied');
    await expect(
      inClub(ours.ports.db, ours.clubId, (tx) => sql`delete from guard.head`.execute(tx)),
    ).rejects.toThrow('permission denied');
    await expect(
      inClub(ours.ports.db, ours.clubId, (tx) => sql`delete from guard.pending`.execute(tx)),
    ).rejects.toThrow('permission denied');
  });

  it('its check finds an entry that was changed, one that was removed, and an end that was cut off', async () => {
    const rows = await chainRows(ours.clubId, 'club');
    const [first, second, ...rest] = rows;
    if (first === undefined || second === undefined) throw new Error('too few entries');
    expect(
      checkChain(
        [first, { ...second, body: second.body.replace('"record"', '"Record"') }, ...rest],
        null,
      ).join(),
    ).toContain('does not hash to its content');
    expect(checkChain([first, ...rest], null).join()).toContain('something was removed');
    const aircraft = await chainRows(theirs.clubId, `aircraft:${theirs.aircraftId}`);
    expect(
      checkChain(
        aircraft.map((row) => ({ ...row, aircraft_revision: 2 })),
        null,
      ).join(),
    ).toContain('a change has no entry');
  });
});

const NO_WAYS = { flight: null, wanted: null, release: null };

describe('facts in the database', () => {
  it('give the very decision that the same case file gives', async () => {
    // A club of its own: a flight that another test left unread would count.
    const club = await testClub();
    const { facts, packs, asOf } = cleanCase();
    const [stored] = await inClub(club.ports.db, club.clubId, (tx) =>
      loadAircraft(tx, club.place, club.aircraftId, false),
    );
    if (stored === undefined) throw new Error('no aircraft');
    const told = (given: typeof facts) =>
      JSON.stringify(decisionDocument(decide(given, packs, null, asOf), facts.place.zone, NO_WAYS)).replace(
        /"records":\[[^\]]*\]/g,
        '"records":[]',
      );
    expect(told(stored.facts)).toBe(told(facts));
  });

  it('a list that reads only what matters now answers as one that reads everything', async () => {
    const club = await testClub();
    const both = async () => {
      const answers = [];
      for (const presentOnly of [true, false]) {
        const [stored] = await inClub(club.ports.db, club.clubId, (tx) =>
          loadAircraft(tx, club.place, club.aircraftId, presentOnly),
        );
        if (stored === undefined) throw new Error('no aircraft');
        answers.push({
          readings: stored.facts.readings.length,
          answer: decisionDocument(
            decide(stored.facts, club.packs, null, club.ports.now()),
            club.place.zone,
            NO_WAYS,
          ),
        });
      }
      return answers;
    };
    const read = async (value: string) => {
      club.ports.at = addSeconds(club.ports.at, 60);
      await readingOnRecord(club, value);
    };
    await read('4151');
    await read('4152');
    const [short, whole] = await both();
    expect([short?.readings, whole?.readings, short?.answer]).toEqual([1, 3, whole?.answer]);
    // The person who judges whether readings agree needs all of them.
    expect(
      (await inClub(club.ports.db, club.clubId, (tx) => loadForMeters(tx, club.place, club.aircraftId)))
        ?.facts.readings,
    ).toHaveLength(3);
    await read('4150');
    const [disputed, all] = await both();
    expect([disputed?.readings, disputed?.answer.verdict, disputed?.answer]).toEqual([
      4,
      'Grounded',
      all?.answer,
    ]);
    await read('4153');
    expect((await both())[0]?.answer.verdict).toBe('Grounded');
  });

  it('every flight whose meters nobody read counts, not only the last one', async () => {
    const club = await testClub();
    // As a list of flights brings them in: nobody read the meters at either end.
    const flown = async (first: Instant) => {
      const flights = [0, 1, 2].map((at) => ({
        id: randomUUID(),
        aircraftId: club.aircraftId,
        personName: 'R. Dane',
        purpose: null,
        crew: null,
        readings: [],
        fuelAboard: null,
        oilAboard: null,
        remarks: null,
        leftAt: addSeconds(first, at * 7200),
        recordedAt: club.ports.at,
        returned: {
          readings: [],
          landings: 1,
          towLaunches: null,
          billed: null,
          billedFrom: null,
          fuelAdded: null,
          oilAdded: null,
          report: { kind: 'nothing-to-report' as const },
          at: addSeconds(first, at * 7200 + 3600),
          recordedAt: club.ports.at,
        },
      }));
      await inClub(club.ports.db, club.clubId, async (tx) => {
        await insertFlown(tx, club.clubId, club.aircraftId, 'x', flights);
        await keepStanding(
          tx,
          club.clubId,
          2,
          {
            aircraftId: club.aircraftId,
            agrees: true,
            openFlights: [],
            lastReturn: flights.at(-1)?.id ?? null,
          },
          club.ports.at,
        );
        await appendToLedger(
          tx,
          {
            clubId: club.clubId,
            aircraftId: null,
            revision: null,
            act: 'load-records',
            actor: { personId: 'x', name: 'X' },
            recordedAt: club.ports.at,
            record: {},
          },
          club.ports.sha256,
        );
      });
    };
    const stands = async (presentOnly: boolean) => {
      const [stored] = await inClub(club.ports.db, club.clubId, (tx) =>
        loadAircraft(tx, club.place, club.aircraftId, presentOnly),
      );
      if (stored === undefined) throw new Error('no aircraft');
      return decide(stored.facts, club.packs, null, club.ports.now()).meters['time-in-service'] ?? 0;
    };
    const before = await stands(true);
    await flown(addSeconds(club.ports.at, -18_000));
    expect([(await stands(true)) - before, (await stands(false)) - before]).toEqual([3 * 3600, 3 * 3600]);
  });

  it('a registration that ended stays ended on the Line though its document was seen aboard once more', async () => {
    const club = await testClub();
    const { facts } = cleanCase();
    const paper = facts.documents.find((document) => document.kind === 'registration-certificate');
    if (paper?.kind !== 'registration-certificate') throw new Error('no registration');
    const sighted = (change: object) => ({
      ...paper,
      id: randomUUID(),
      keptWhere: null,
      recordedAt: club.ports.at,
      ...change,
    });
    const load = async (change: object) => {
      good(
        await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
          ...NO_RECORDS,
          documents: [sighted(change)],
        }),
      );
    };
    await load({
      happenedAt: addSeconds(club.ports.at, -7200),
      ended: { on: civilDate('2026-11-20'), because: 'ownership-transferred' },
    });
    await load({ happenedAt: addSeconds(club.ports.at, -3600) });
    for (const presentOnly of [true, false]) {
      const [stored] = await inClub(club.ports.db, club.clubId, (tx) =>
        loadAircraft(tx, club.place, club.aircraftId, presentOnly),
      );
      expect(
        stored === undefined
          ? null
          : decide(stored.facts, club.packs, null, club.ports.now()).constraints.map(
              ({ reason }) => reason.code,
            ),
      ).toEqual(['registration-ended']);
    }
  });

  it('a damaged value is an error, never a guess', async () => {
    const club = await testClub();
    const {
      rows: [was],
    } = await superuser.query<{ category: string }>(
      'select category from groval.aircraft where club_id = $1',
      [club.clubId],
    );
    await superuser.query(`update groval.aircraft set category = 'amphibian' where club_id = $1`, [
      club.clubId,
    ]);
    await expect(
      inClub(club.ports.db, club.clubId, (tx) => loadAircraft(tx, club.place, null, true)),
    ).rejects.toThrow('a stored category cannot be read: "amphibian"');
    await superuser.query('update groval.aircraft set category = $2 where club_id = $1', [
      club.clubId,
      was?.category,
    ]);
  });

  it('an entry that does not close its discrepancy leaves it open on the Line too', async () => {
    const club = await testClub();
    const findingId = randomUUID();
    good(
      await reportFinding(club.ports, club.actor('student'), {
        findingId,
        aircraftId: club.aircraftId,
        station: 'propeller',
        side: null,
        step: 'K217',
        asListed: true,
        what: 'New nick',
        looks: 'not-right',
        foundAt: club.ports.now(),
      }),
    );
    const signatureId = randomUUID();
    const rectificationId = randomUUID();
    // Only somebody who switches the triggers off writes without the ledger; what they wrote is taken away again, so that it stays whole.
    await superuser.query(
      `set session_replication_role = replica; select set_config('groval.batch', gen_random_uuid()::text, false)`,
    );
    await superuser.query(
      `insert into groval.signature values ($1, $2, null, 'Nobody', 'pilot', 'P-1', '2015-01-01', null, true, now(), now())`,
      [club.clubId, signatureId],
    );
    await superuser.query(
      `insert into groval.rectification values ($1, $2, $3, 'repaired', 'Looks fine.', '2026-11-24', $4, false, now(), 'x')`,
      [club.clubId, rectificationId, findingId, signatureId],
    );
    const [line] = await inClub(club.ports.db, club.clubId, (tx) => loadAircraft(tx, club.place, null, true));
    await superuser.query('delete from groval.rectification where rectification_id = $1', [rectificationId]);
    await superuser.query('delete from groval.signature where signature_id = $1', [signatureId]);
    await superuser.query('reset session_replication_role');
    expect(line?.facts.discrepancies).toHaveLength(1);
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
