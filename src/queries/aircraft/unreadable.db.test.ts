import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addAircraft } from '@/commands/aircraft/add-aircraft';
import { lookForNotices } from '@/commands/notices/look';
import { addSeconds } from '@/core/time/instant';
import { reportFinding } from '@/commands/findings/report-finding';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { readNotices } from '@/db/notices/notices';
import { good, testClub } from '@/testing/database';
import { plannedFlight } from '@/testing/planned-flight';
import { line } from './line';

let superuser: Client;
beforeAll(async () => {
  superuser = new Client({ connectionString: process.env['GROVAL_TEST_SUPERUSER_URL'] ?? '' });
  await superuser.connect();
});
afterAll(() => superuser.end());

/** A club of two aircraft, of which one was damaged by somebody who may do anything to the database. */
async function damaged(statement: string) {
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
  const client = superuser;
  await client.query('begin');
  // A record is never changed: this goes around every guard.
  await client.query('set local session_replication_role = replica');
  const { rowCount } = await client.query(statement, [club.aircraftId]);
  expect(rowCount).toBe(1);
  await client.query('update groval.aircraft set revision = revision + 1 where aircraft_id = $1', [
    club.aircraftId,
  ]);
  await client.query('commit');
  return { club, before, rows };
}

describe('an aircraft of which a record cannot be read', () => {
  it.each([
    [
      'a record of its own kind',
      `update groval.aircraft_record set body = '{}' where record_id = (select record_id from groval.aircraft_record where aircraft_id = $1 and kind = 'elt' limit 1)`,
      /\(elt\) cannot be read/u,
    ],
    [
      'what it is',
      `update groval.aircraft set category = 'amphibian' where aircraft_id = $1`,
      /a stored category cannot be read/u,
    ],
  ])('%s: it is closed, says why, and hides no other', async (_, statement, why) => {
    const { club, before, rows } = await damaged(statement);
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
    good(
      await reportFinding(club.ports, club.actor('student'), {
        findingId: randomUUID(),
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
  });
});
