import { answer, body, openRoute, refusal } from '../answer';
import { lookAtLink } from '@/commands/people';
import { linkSchema } from '@/contracts/founding';
import { runtime } from '@/server/runtime';

/** Whose link this is. */
export const POST = openRoute(async (request) => {
  const entry = await body(request, linkSchema);
  return entry.ok ? answer(await lookAtLink(runtime().ports, entry.value.club, entry.value.secret)) : refusal(entry.refusal);
});
