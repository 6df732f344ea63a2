import { commandRoute, queryRoute } from '../answer';
import { makeFeed } from '@/commands/exchange/calendar-feeds';
import { readFeeds } from '@/db/exchange/calendar-feeds';

export const GET = queryRoute('GET /api/feed', async ({ tx }) => ({ feeds: await readFeeds(tx) }));

export const POST = commandRoute('POST /api/feed', makeFeed);
