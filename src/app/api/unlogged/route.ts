import { answer, body, refusal, route } from '../answer';
import { attributeUnlogged } from '@/commands/unlogged';
import { attributionSchema } from '@/contracts/counter';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, attributionSchema);
  return entry.ok ? answer(await attributeUnlogged(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
