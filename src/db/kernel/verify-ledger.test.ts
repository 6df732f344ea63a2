import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { addPhoto } from '@/commands/findings/add-photo';
import { changeRoles } from '@/commands/club/members';
import { reportFinding } from '@/commands/findings/report-finding';
import { given, good, testClub } from '@/testing/database';
import { emptyDatabase } from '@/testing/empty-database';
import { newNick } from '@/testing/entries';
import { verify, type SavedHeads } from '../../../tools/database/verify';

// The person who can write everything in the database is found out: by the ledger, by the records, or by heads that were saved elsewhere.

const url = given('GROVAL_TEST_SUPERUSER_URL');
const at = (database: string): string => Object.assign(new URL(url), { pathname: `/${database}` }).toString();
const WHOLE = 'groval_verify_test';
let postgres: Client;
let close: () => Promise<void>;

beforeAll(async () => {
  const made = await emptyDatabase(WHOLE);
  close = made.close;
  const club = await testClub({}, made.db);
  const findingId = randomUUID();
  good(await reportFinding(club.ports, club.actor('student'), { ...newNick(club), findingId }));
  good(
    await addPhoto(club.ports, club.actor('student'), {
      photoId: randomUUID(),
      of: findingId,
      bytes: Buffer.from([1, 2, 3]),
    }),
  );
  good(
    await changeRoles(club.ports, club.actor('administrator'), {
      changeId: randomUUID(),
      personId: club.actor('student').personId,
      name: 'The student',
      roles: ['renter'],
    }),
  );
  postgres = new Client({ connectionString: at('postgres') });
  await postgres.connect();
  // A database is copied only while nobody is in it.
  await made.db.destroy();
}, 60_000);
afterAll(async () => {
  await postgres.end();
  await close();
});

/** What is found in a copy in which something was damaged by somebody who switches triggers off. */
async function whileDamaged(
  damage: readonly string[],
  saved: SavedHeads | null = null,
): Promise<readonly string[]> {
  const copy = `groval_damaged_${randomUUID().slice(0, 8)}`;
  await postgres.query(`create database ${copy} template ${WHOLE}`);
  try {
    const client = new Client({ connectionString: at(copy) });
    await client.connect();
    await client.query('set session_replication_role = replica');
    try {
      for (const statement of damage) await client.query(statement);
    } finally {
      await client.end();
    }
    return (await verify(at(copy), saved)).troubles;
  } finally {
    await postgres.query(`drop database if exists ${copy} with (force)`);
  }
}

it('a whole database has no trouble, and its counts say what was looked at', async () => {
  expect(await whileDamaged([])).toEqual([]);
  const { clubs, chains, entries, records, troubles } = await verify(at(WHOLE), null);
  expect([troubles, clubs >= 1, chains >= 2, entries >= 4, records >= 10]).toEqual([
    [],
    true,
    true,
    true,
    true,
  ]);
}, 60_000);
it.each([
  [
    'an entry was changed',
    [
      "update groval.ledger set body = replace(body, 'load-folder', 'load-fodder') where seq = 1 and chain like 'aircraft:%'",
    ],
    'does not hash to its content',
  ],
  [
    'columns show something else than was hashed',
    ["update groval.ledger set actor_name = 'Somebody Else' where seq = 1 and chain = 'club'"],
    'shows another act, person or time',
  ],
  [
    'a row was added',
    [
      "insert into groval.planned_flight_end (club_id, flight_id, aircraft_id, because, happened_at, recorded_at, recorded_by, batch) select club_id, gen_random_uuid(), aircraft_id, 'cancelled', now(), now(), 'x', gen_random_uuid() from groval.aircraft limit 1",
    ],
    'stand in no entry of the ledger',
  ],
  [
    'a row was removed',
    [
      'delete from groval.meter_reading where reading_id in (select reading_id from groval.meter_reading limit 1)',
    ],
    'rows are missing',
  ],
  [
    'a row was changed',
    ['update groval.document_sighting set aboard = not aboard where aboard is not null'],
    'changed',
  ],
  ['a table was emptied', ['truncate groval.membership_change cascade'], 'rows are missing'],
  ['a picture was changed', ["update groval.photo set bytes = '\\x00'"], 'the picture was changed'],
  [
    'the end of a club’s chain was cut off',
    [
      "delete from groval.ledger l where chain = 'club' and seq = (select max(seq) from groval.ledger m where m.club_id = l.club_id and m.chain = 'club')",
    ],
    'its end was cut off',
  ],
  [
    'a chain was deleted whole',
    ["delete from groval.ledger where chain like 'aircraft:%'"],
    'the chain was deleted',
  ],
  [
    'a chain and its head were deleted',
    ["delete from groval.ledger where chain = 'club'", "delete from guard.head where chain = 'club'"],
    'has no chain of its own',
  ],
  [
    'rows are no longer counted',
    ['alter table groval.flight disable trigger count_rows'],
    'flight: rows of it are not counted',
  ],
  [
    'everything was deleted',
    ['truncate groval.club cascade', 'truncate guard.head'],
    'nothing could be looked at',
  ],
])(
  '%s',
  async (_, damage, found) => {
    expect((await whileDamaged(damage)).join('\n')).toContain(found);
  },
  60_000,
);
it('a nullable column that a later version adds changes no digest of before', async () => {
  expect(
    await whileDamaged([
      'alter table groval.document_sighting add column later text',
      'alter table groval.aircraft add column later jsonb',
      'alter table groval.photo add column later date',
    ]),
  ).toEqual([]);
}, 60_000);
it('an end that was cut off with its head and its records is found beside heads that were saved elsewhere', async () => {
  const { heads } = await verify(at(WHOLE), null);
  const last =
    'l.seq = (select max(seq) from groval.ledger m where m.club_id = l.club_id and m.chain = l.chain)';
  const damage = [
    `delete from groval.ledger l where chain = 'club' and ${last}`,
    `update guard.head h set seq = l.seq, hash = l.hash from groval.ledger l where h.club_id = l.club_id and h.chain = l.chain and l.chain = 'club' and ${last}`,
  ];
  expect((await whileDamaged(damage, heads)).join('\n')).toContain('as saved elsewhere: ended in entry');
}, 60_000);
