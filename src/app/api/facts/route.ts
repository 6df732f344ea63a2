import { answer, body, refusal, route } from '../answer';
import { enterFact } from '@/commands/enter-fact';
import { factSchema } from '@/contracts/aircraft-entry';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, factSchema);
  return entry.ok ? answer(await enterFact(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
