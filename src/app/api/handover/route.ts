import { queryRoute } from '../answer';
import { problem } from '../refusals';
import { instantSchema } from '@/contracts/kernel/scalars';
import { handover, handoverFrom } from '@/queries/flights/handover';

/** What changed since a moment, and what is open. */
export const GET = queryRoute('GET /api/handover', async ({ tx, actor, request, now }) => {
  const text = new URL(request.url).searchParams.get('since');
  const asked = text === null ? null : instantSchema.safeParse(text);
  const since = asked?.success === false ? null : handoverFrom(asked === null ? null : asked.data, now);
  return since === null
    ? problem(422, 'Choose a moment of the last 14 days, such as 2026-11-24T09:42:00Z.')
    : handover(tx, actor.clubId, since, now);
});
