import { Client } from 'pg';
import { checkChain, checkHead, type Head, type LedgerRow } from './check-chain';
import { changedPictures, compareCounts, countedByLedger, countedInTables } from './check-records';

/** Heads of chains, as they are saved beside a backup: by club and chain. */
export interface SavedHeads {
  readonly format: 'groval-heads';
  readonly heads: readonly {
    readonly club: string;
    readonly chain: string;
    readonly seq: number;
    readonly hash: string;
  }[];
}

/** What was looked at and what is wrong. Counts of nought with no trouble cannot be: an empty database is a trouble of its own. */
export interface Verified {
  readonly clubs: number;
  readonly chains: number;
  readonly entries: number;
  readonly records: number;
  readonly heads: SavedHeads;
  readonly troubles: readonly string[];
}

const LEDGER = `select l.club_id, l.chain, l.seq, l.revision, l.act, l.actor, l.actor_name, l.recorded_at, l.batch, l.body, l.previous, l.hash, a.revision as aircraft_revision
  from groval.ledger l left join groval.aircraft a on a.club_id = l.club_id and a.aircraft_id = l.aircraft_id where l.club_id = $1 and l.chain = $2 order by l.seq`;

/**
 * Reads every chain and every record of a database and compares them both ways.
 * @param url a superuser's connection: only such a one sees every club
 * @param saved heads that were kept elsewhere: what the person who can write everything here cannot have changed
 */
export async function verify(url: string, saved: SavedHeads | null): Promise<Verified> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    const troubles: string[] = [];
    const { rows: clubs } = await client.query<{ club_id: string }>(
      'select club_id from groval.club order by 1',
    );
    const { rows: found } = await client.query<{
      club_id: string;
      chain: string;
      seq: number | null;
      hash: Buffer | null;
    }>(
      `select coalesce(l.club_id, h.club_id) as club_id, coalesce(l.chain, h.chain) as chain, h.seq, h.hash from (select distinct club_id, chain from groval.ledger) l full join guard.head h on h.club_id = l.club_id and h.chain = l.chain order by 1, 2`,
    );
    let entries = 0;
    const heads: { club: string; chain: string; seq: number; hash: string }[] = [];
    for (const { club_id: club, chain, seq, hash } of found) {
      const { rows } = await client.query<LedgerRow>(LEDGER, [club, chain]);
      entries += rows.length;
      const head: Head | null = seq === null || hash === null ? null : { chain, seq, hash };
      const told = [
        ...(head === null
          ? ['has no head: somebody removed it']
          : head.seq < rows.length
            ? [`its head says ${head.seq} of ${rows.length} entries`]
            : []),
        ...checkChain(rows, head),
      ];
      const kept = saved?.heads.find((one) => one.club === club && one.chain === chain);
      if (kept !== undefined)
        told.push(
          ...checkHead(rows, { chain, seq: kept.seq, hash: Buffer.from(kept.hash, 'base64') }).map(
            (trouble) => `as saved elsewhere: ${trouble}`,
          ),
        );
      const last = rows.at(-1);
      if (last !== undefined) heads.push({ club, chain, seq: last.seq, hash: last.hash.toString('base64') });
      troubles.push(...told.map((trouble) => `club ${club}, ${chain}: ${trouble}`));
    }
    for (const { club, chain } of saved?.heads ?? [])
      if (!found.some((one) => one.club_id === club && one.chain === chain))
        troubles.push(`club ${club}, ${chain}: the chain was saved elsewhere and is not here`);
    for (const { club_id: club } of clubs)
      if (!found.some((one) => one.club_id === club && one.chain === 'club'))
        troubles.push(`club ${club}: has no chain of its own`);
    const { counts, rows, troubles: bare } = await countedInTables(client);
    troubles.push(
      ...bare,
      ...compareCounts(await countedByLedger(client), counts),
      ...(await changedPictures(client)),
    );
    if (entries === 0 && troubles.length === 0)
      troubles.push(
        'there is no club and no entry in this database: nothing could be looked at. Is it the right one?',
      );
    return {
      clubs: clubs.length,
      chains: found.length,
      entries,
      records: [...rows.values()].reduce((sum, count) => sum + count, 0),
      heads: { format: 'groval-heads', heads },
      troubles,
    };
  } finally {
    await client.end();
  }
}
