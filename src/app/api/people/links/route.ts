import { answer, body, refusal, route } from '../../answer';
import { makeLinkFor } from '@/commands/people';
import { newLinkSchema } from '@/contracts/people';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, newLinkSchema);
  return entry.ok ? answer(await makeLinkFor(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
