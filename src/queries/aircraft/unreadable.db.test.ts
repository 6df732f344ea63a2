import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { addAircraft } from '@/commands/aircraft/add-aircraft';
import { lookForNotices } from '@/commands/notices/look';
import { addSeconds } from '@/core/time/instant';
import { reportFinding } from '@/commands/findings/report-finding';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { readNotices } from '@/db/notices/notices';
import { good, testClub } from '@/testing/database';
import { plannedFlight } from '@/testing/planned-flight';
import { newNick } from '@/testing/entries';
import { line } from './line';

let superuser: Client;
beforeAll(async () => {
  superuser = new Client({ connectionString: process.env['GROVAL_TEST_SUPERUSER_URL'] ?? '' });
  await superuser.connect();
});
afterAll(() => superuser.end());

/** What is damaged: the column of a row, and with what. */
interface Damage {
  readonly table: 'aircraft' | 'aircraft_record';
  readonly column: 'category' | 'body';
  readonly row: string;
  readonly value: string;
}

/** What is put back after the test, so that the ledger finds every record as it was written. */
const restoring: (() => Promise<void>)[] = [];
afterEach(async () => {
  for (const restore of restoring.splice(0)) await restore();
});

/** Changes a record, which nobody may: as somebody who goes around every guard of the database. */
async function overwrite({ table, column, row, value }: Damage, aircraftId: string): Promise<string> {
  await superuser.query('begin');
  await superuser.query('set local session_replication_role = replica');
  const { rows } = await superuser.query<{ was: string }>(
    `select ${column}::text as was from groval.${table} where aircraft_id = $1 and ${row} limit 1`,
    [aircraftId],
  );
  const was = rows[0]?.was ?? '';
  const { rowCount } = await superuser.query(
    `update groval.${table} set ${column} = $2 where aircraft_id = $1 and ${row} and ${column}::text = $3`,
    [aircraftId, value, was],
  );
  expect(rowCount).toBe(1);
  // What is kept in memory of the aircraft goes by who wrote its row last.
  await superuser.query('update groval.aircraft set revision = revision where aircraft_id = $1', [
    aircraftId,
  ]);
  await superuser.query('commit');
  return was;
}

/** A club of two aircraft, of which one is damaged. */
async function damaged(damage: Damage) {
  const club = await testClub();
  good(
    await addAircraft(club.ports, club.actor('administrator'), {
      aircraftId: randomUUID(),
      registration: 'N0NEW',
      typeName: 'Quorin 160',
      category: 'standard',
      firstFlownOn: null,
      serialNumber: 'Q-1',
    }),
  );
  await plannedFlight(club, {}, { starts: addSeconds(club.ports.now(), 4 * 3600) });
  const rows = async () =>
    (await inClub(club.ports.db, club.clubId, (tx) => line(tx, club.clubId, club.ports.now(), true))).rows;
  const before = await rows();
  const was = await overwrite(damage, club.aircraftId);
  restoring.push(async () => {
    await overwrite({ ...damage, value: was }, club.aircraftId);
  });
  return { club, before, rows };
}

describe('an aircraft of which a record cannot be read', () => {
  it.each<[string, Damage, RegExp]>([
    [
      'a record of its own kind',
      { table: 'aircraft_record', column: 'body', row: `kind = 'elt'`, value: '{}' },
      /\(elt\) cannot be read/u,
    ],
    [
      'what it is',
      { table: 'aircraft', column: 'category', row: 'true', value: 'amphibian' },
      /a stored category cannot be read/u,
    ],
  ])('%s: it is closed, says why, and hides no other', async (_, damage, why) => {
    const { club, before, rows } = await damaged(damage);
    expect(before.map(({ registration, verdict }) => [registration, verdict])).toEqual([
      ['N02TB', 'Released'],
      ['N0NEW', 'Grounded'],
    ]);
    const [ours, other] = await rows();
    expect(ours).toMatchObject({ registration: 'N02TB', verdict: 'Grounded' });
    expect(JSON.stringify(ours)).toMatch(/Records of this aircraft cannot be read/u);
    expect(other).toEqual(before[1]);
    // Who planned a flight of it is told.
    await lookForNotices(club.ports, club.clubId, club.aircraftId);
    const told = await inClub(club.ports.db, club.clubId, (tx) =>
      readNotices(tx, club.actor('dispatcher').personId, 10),
    );
    expect(told.map(({ title }) => title)).toEqual([expect.stringMatching(/^N02TB is not available/u)]);
    // Nothing is written from what is left of it.
    await expect(
      inClub(club.ports.db, club.clubId, (tx) => loadAircraft(tx, club.place, club.aircraftId, true)),
    ).rejects.toThrow(why);
    // What somebody finds is still received.
    good(await reportFinding(club.ports, club.actor('student'), newNick(club)));
  });
});
