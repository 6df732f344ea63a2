import type { Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';

/** A secret address of the calendar; the secret itself is nowhere. */
export interface Feed {
  readonly feedId: string;
  readonly name: string;
  readonly madeAt: Instant;
  readonly revoked: boolean;
}

/** Writes an address by the hash of its secret. */
export async function insertFeed(
  tx: ClubTransaction,
  clubId: string,
  feed: {
    readonly feedId: string;
    readonly name: string;
    readonly secretHash: Uint8Array;
    readonly at: Instant;
    readonly by: string;
  },
): Promise<void> {
  await tx
    .insertInto('calendar_feed')
    .values({
      club_id: clubId,
      feed_id: feed.feedId,
      name: feed.name,
      secret_hash: Buffer.from(feed.secretHash),
      happened_at: new Date(feed.at),
      recorded_at: new Date(feed.at),
      recorded_by: feed.by,
    })
    .execute();
}

/** Revokes an address. Answers false where there is none, or it was revoked already. */
export async function endFeedOnce(
  tx: ClubTransaction,
  clubId: string,
  feedId: string,
  at: Instant,
  by: string,
): Promise<Once | 'none'> {
  if (
    (await tx.selectFrom('calendar_feed').select('feed_id').where('feed_id', '=', feedId).executeTakeFirst())
    === undefined
  )
    return 'none';
  return insertOnce(
    tx,
    'calendar_feed_end',
    {
      club_id: clubId,
      feed_id: feedId,
      happened_at: new Date(at),
      recorded_at: new Date(at),
      recorded_by: by,
    },
    ['club_id', 'feed_id'],
  );
}

/** Every address of the club, newest first. */
export async function readFeeds(tx: ClubTransaction): Promise<readonly Feed[]> {
  const rows = await tx
    .selectFrom('calendar_feed as f')
    .leftJoin('calendar_feed_end as e', (join) =>
      join.onRef('e.club_id', '=', 'f.club_id').onRef('e.feed_id', '=', 'f.feed_id'),
    )
    .select(['f.feed_id', 'f.name', 'f.happened_at', 'e.feed_id as ended'])
    .orderBy('f.happened_at', 'desc')
    .execute();
  return rows.map((row) => ({
    feedId: row.feed_id,
    name: row.name,
    madeAt: storedInstant(row.happened_at),
    revoked: row.ended !== null,
  }));
}

/** Whether an address with this hash is in force. */
export async function feedInForce(tx: ClubTransaction, secretHash: Uint8Array): Promise<boolean> {
  return (
    (await tx
      .selectFrom('calendar_feed as f')
      .leftJoin('calendar_feed_end as e', (join) =>
        join.onRef('e.club_id', '=', 'f.club_id').onRef('e.feed_id', '=', 'f.feed_id'),
      )
      .select('f.feed_id')
      .where('f.secret_hash', '=', Buffer.from(secretHash))
      .where('e.feed_id', 'is', null)
      .executeTakeFirst()) !== undefined
  );
}
