import { createHash } from 'node:crypto';
import { Client } from 'pg';
import { replay } from '../../src/core/decision/replay';
import { tellReplay } from '../../src/explain/replay';

/** What came of deciding every release of a database again. */
export interface Replayed {
  readonly releases: number;
  readonly same: number;
  /** What is wrong, or another, each in a sentence. */
  readonly told: readonly string[];
}

const hash = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex');

/**
 * Decides every release again from what it was decided from, and compares it with what was decided, and both with
 * their hashes and with what
 * the ledger keeps.
 * @param url a superuser's connection: only such a one sees every club
 * @param only one release by its id; null for all
 */
export async function replayReleases(url: string, only: string | null = null): Promise<Replayed> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    const { rows: ids } = await client.query<{ release_id: string }>(
      'select release_id from groval.flight_release where $1::uuid is null or release_id = $1 order by recorded_at, release_id',
      [only],
    );
    const told: string[] = [];
    let same = 0;
    // One after another: each is as long as all that was known of an aircraft.
    for (const { release_id: id } of ids) {
      const { rows } = await client.query<{
        registration: string;
        inputs: string;
        inputs_hash: string;
        decision: string;
        decision_hash: string;
        kept: string | null;
      }>(
        `select a.registration, r.inputs, r.inputs_hash, r.decision, r.decision_hash, l.body::text as kept from groval.flight_release r
           join groval.aircraft a on a.club_id = r.club_id and a.aircraft_id = r.aircraft_id
           left join groval.ledger l on l.club_id = r.club_id and l.aircraft_id = r.aircraft_id and l.act = 'release-flight' and l.batch = r.batch
         where r.release_id = $1`,
        [id],
      );
      const [row] = rows;
      if (row === undefined) continue;
      const say = (what: string) => told.push(`${row.registration}, release ${id}: ${what}`);
      const { inputs, decision } = row;
      if (hash(inputs) !== row.inputs_hash) say('what it was decided from is not what its hash says.');
      else if (hash(decision) !== row.decision_hash) say('what was decided is not what its hash says.');
      else if (row.kept?.includes(row.inputs_hash) !== true || !row.kept.includes(row.decision_hash))
        say('the ledger keeps other hashes.');
      else {
        const again = replay(inputs, decision);
        if (again.same) same += 1;
        else say(tellReplay(again));
      }
    }
    return { releases: ids.length, same, told };
  } finally {
    await client.end();
  }
}
