import { beforeEach, describe, expect, it } from 'vitest';
import { feedInForce, readFeeds } from '@/db/exchange/calendar-feeds';
import { inClub } from '@/db/kernel/club-transaction';
import { dueCalendar } from '@/queries/exchange/due-calendar';
import { bad, good, testClub } from '@/testing/database';
import { feedHash, makeFeed, revokeFeed } from './calendar-feeds';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});

const secretOf = (path: string) => /\.([0-9a-f]{64})\.ics$/.exec(path)?.[1] ?? '';
const inForce = (path: string) =>
  inClub(club.ports.db, club.clubId, (tx) => feedInForce(tx, feedHash(club.ports.sha256, secretOf(path))));

describe('the calendar of what is due', () => {
  it('names the last good day of everything that ends on a day, once each', async () => {
    const { club: name, days } = await inClub(club.ports.db, club.clubId, (tx) =>
      dueCalendar(tx, club.clubId, club.ports.now()),
    );
    expect([
      name,
      days
        .map(({ date, summary }) => `${date} ${summary}`)
        .filter((text) => /annual|transponder|registration|ELT$/.test(text)),
    ]).toEqual([
      'Test club',
      [
        '2027-03-31 N02TB: last day of annual',
        '2027-05-31 N02TB: last day of ELT',
        '2028-02-29 N02TB: last day of transponder',
        '2031-05-31 N02TB: last day of registration',
      ],
    ]);
    expect(new Set(days.map(({ uid }) => uid)).size).toBe(days.length);
  });
  it('an address is in force until it is revoked, keeps no secret, and nobody else revokes it', async () => {
    const { path, feedId } = good(await makeFeed(club.ports, club.actor('mechanic'), { name: 'Workshop' }));
    expect(path).toMatch(new RegExp(`^/api/calendar/${club.clubId}\\.[0-9a-f]{64}\\.ics$`));
    expect([await inForce(path), await inForce(path.replace(/.\.ics$/, 'x.ics'))]).toEqual([true, false]);
    const rows = await inClub(club.ports.db, club.clubId, (tx) =>
      tx.selectFrom('calendar_feed').selectAll().execute(),
    );
    expect(JSON.stringify(rows)).not.toContain(secretOf(path));
    expect(bad(await revokeFeed(club.ports, club.actor('renter'), { feedId }))).toMatchObject({
      code: 'not-entitled',
    });
    good(await revokeFeed(club.ports, club.actor('dispatcher'), { feedId }));
    expect([
      await inForce(path),
      (await inClub(club.ports.db, club.clubId, (tx) => readFeeds(tx))).map(({ name, revoked }) => [
        name,
        revoked,
      ]),
    ]).toEqual([false, [['Workshop', true]]]);
    expect(bad(await revokeFeed(club.ports, club.actor('dispatcher'), { feedId }))).toMatchObject({
      code: 'not-found',
    });
    expect(bad(await makeFeed(club.ports, club.actor('student'), { name: 'x' }))).toMatchObject({
      code: 'not-entitled',
    });
  });
});
