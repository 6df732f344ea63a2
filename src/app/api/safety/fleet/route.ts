import { queryRoute } from '../../answer';
import { problem } from '../../refusals';
import { safetyFleetSchema } from '@/contracts/club/safety';
import { safetyFleet } from '@/queries/club/safety';

/** How available the aircraft were in a stretch of time, some at once. */
export const GET = queryRoute('GET /api/safety/fleet', async ({ tx, actor, request, now }) => {
  const asked = safetyFleetSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  return asked.success
    ? safetyFleet(tx, actor, asked.data, now)
    : problem(422, 'Choose 30, 90 or 365 days, and an aircraft to begin with.');
});
