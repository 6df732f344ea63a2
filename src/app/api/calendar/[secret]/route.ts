import { openRoute } from '../../answer';
import { feedHash } from '@/commands/exchange/calendar-feeds';
import { idSchema } from '@/contracts/kernel/scalars';
import { feedInForce } from '@/db/exchange/calendar-feeds';
import { STRANGERS } from '@/db/kernel/club-share';
import { inClub } from '@/db/kernel/club-transaction';
import { dueCalendar } from '@/queries/exchange/due-calendar';
import { calendarText } from '@/server/calendar';
import { runtime } from '@/server/runtime';

const nothing = () =>
  new Response('This address answers nothing. It may have been revoked; ask your club for a new one.\n', {
    status: 404,
    headers: { 'content-type': 'text/plain; charset=utf-8' },
  });

/** The calendar has no session: the person who knows the address reads what is due, and nothing else. */
export const GET = openRoute('GET /api/calendar/[secret]', async (_request, params) => {
  const { db, ports, env } = runtime();
  const found = /^([0-9a-f-]{36})\.([0-9a-f]{64})\.ics$/.exec(params['secret'] ?? '');
  const club = idSchema().safeParse(found?.[1]);
  if (found === null || !club.success) return nothing();
  const now = ports.now();
  const due = await inClub(
    db,
    club.data,
    async (tx) =>
      (await feedInForce(tx, feedHash(ports.sha256, found[2] ?? '')))
        ? dueCalendar(tx, club.data, now)
        : null,
    STRANGERS,
  );
  if (due === null) return nothing();
  return new Response(
    calendarText({
      name: `${due.club}: what is due`,
      host: new URL(env.GROVAL_URL).hostname,
      now,
      days: due.days,
    }),
    { headers: { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'no-store' } },
  );
});
