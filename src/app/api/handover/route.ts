import { queryRoute } from '../answer';
import { problem } from '../refusals';
import { addSeconds, parseInstant } from '@/core/time/instant';
import { handover } from '@/queries/flights/handover';

/** Nobody is on duty for longer, in seconds. */
const SHIFT = 12 * 3600;
/** Further back than this is no handover, in seconds. */
const MOST = 14 * 86_400;

/** What changed since a moment, and what is open; the last twelve hours where none is said. */
export const GET = queryRoute('GET /api/handover', async ({ tx, actor, request, now }) => {
  const text = new URL(request.url).searchParams.get('since');
  const since = text === null ? addSeconds(now, -SHIFT) : parseInstant(text);
  if (since === undefined || since > now || since < addSeconds(now, -MOST))
    return problem(422, 'Choose a moment of the last 14 days, such as 2026-11-24T09:42:00Z.');
  return handover(tx, actor.clubId, since, now);
});
