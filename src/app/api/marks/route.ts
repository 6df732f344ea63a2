import { answer, body, refusal, route } from '../answer';
import { acceptMark } from '@/commands/accept-mark';
import { knownMarkSchema } from '@/contracts/known-mark';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, knownMarkSchema);
  return entry.ok ? answer(await acceptMark(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
