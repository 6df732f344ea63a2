import { Client } from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { good, given } from '@/testing/database';
import { club, freshDesk, later, planned } from '@/testing/dispatch';
import { release } from '@/testing/flight-release';
import { replayReleases } from '../../../tools/database/replay-releases';

const url = Object.assign(new URL(given('GROVAL_TEST_SUPERUSER_URL')), {
  pathname: '/groval_test',
}).toString();
let superuser: Client;
/** A release of this test, with what is told of it. */
async function signed() {
  await freshDesk();
  const flight = await planned();
  const { releaseId } = good(await release(club.ports, club.actor('dispatcher'), flight));
  later(60);
  const told = async () =>
    (await replayReleases(url, releaseId)).told
      .filter((line) => line.includes(releaseId))
      .map((line) => line.slice(line.indexOf(': ') + 2));
  return { releaseId, told };
}
/** Changes a column past every rule for as long as `work` runs, and puts it back. */
async function damaged(releaseId: string, column: string, value: string, work: () => Promise<void>) {
  const { rows } = await superuser.query<{ was: string }>(
    `select ${column} as was from groval.flight_release where release_id = $1`,
    [releaseId],
  );
  const write = async (text: string) => {
    await superuser.query('begin; set local session_replication_role = replica');
    await superuser.query(`update groval.flight_release set ${column} = $2 where release_id = $1`, [
      releaseId,
      text,
    ]);
    await superuser.query('commit');
  };
  await write(value);
  try {
    await work();
  } finally {
    await write(rows[0]?.was ?? '');
  }
}

beforeAll(async () => {
  superuser = new Client({ connectionString: url });
  await superuser.connect();
});
afterAll(async () => {
  await superuser.end();
});

describe('every release decided again', () => {
  it('is the same, byte for byte', async () => {
    const { releaseId, told } = await signed();
    expect(await told()).toEqual([]);
    await damaged(releaseId, 'inputs', '{}', async () => {
      expect(await told()).toEqual(['what it was decided from is not what its hash says.']);
    });
    await damaged(releaseId, 'decision', '{}', async () => {
      expect(await told()).toEqual(['what was decided is not what its hash says.']);
    });
    expect(await told()).toEqual([]);
  });

  it('with its hashes written again, is not what the ledger keeps', async () => {
    const { releaseId, told } = await signed();
    const { rows } = await superuser.query<{ hash: string }>("select encode(sha256('{}'), 'hex') as hash");
    await damaged(releaseId, 'decision', '{}', () =>
      damaged(releaseId, 'decision_hash', rows[0]?.hash ?? '', async () => {
        expect(await told()).toEqual(['the ledger keeps other hashes.']);
      }),
    );
    expect(await told()).toEqual([]);
  });
});
