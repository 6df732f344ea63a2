import { answer, body, refusal, route } from '../answer';
import { makeFeed } from '@/commands/calendar-feeds';
import { feedSchema } from '@/contracts/calendar';
import { readFeeds } from '@/db/calendar-feeds';
import { inClub } from '@/db/club-transaction';
import { runtime } from '@/server/runtime';

export const GET = route(async (actor) => Response.json({ feeds: await inClub(runtime().db, actor.clubId, (tx) => readFeeds(tx)) }));

export const POST = route(async (actor, request) => {
  const entry = await body(request, feedSchema);
  return entry.ok ? answer(await makeFeed(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
