import type { Instant } from '../time/instant';

/**
 * A moment that a phone says, on the server's clock: put right by how far the phone's clock was off when it sent, and never after the moment of entry. A phone
 * whose clock runs an hour ahead would otherwise say that a walk-round of before the last flight was done after it.
 * @param sentAt what the phone's clock said as it sent; undefined where it did not say, and then its moments are taken as they are
 */
export function onServerClock(said: Instant, sentAt: Instant | undefined, recordedAt: Instant): Instant {
  const right = sentAt === undefined ? said : said + (recordedAt - sentAt);
  return Math.min(right, recordedAt) as Instant;
}
