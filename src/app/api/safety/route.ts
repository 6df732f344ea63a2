import { queryRoute } from '../answer';
import { problem } from '../refusals';
import { safetySchema } from '@/contracts/club/safety';
import { safetyPage } from '@/queries/club/safety';

/** How findings were dealt with in a stretch of time, and what releases came to. */
export const GET = queryRoute('GET /api/safety', async ({ tx, actor, request, now }) => {
  const asked = safetySchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  return asked.success
    ? safetyPage(tx, actor.clubId, asked.data.days, now)
    : problem(422, 'Choose 30, 90 or 365 days.');
});
