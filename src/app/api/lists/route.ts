import { answer, body, refusal, route } from '../answer';
import { clearList } from '@/commands/clear-list';
import { clearListSchema } from '@/contracts/sighting';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, clearListSchema);
  return entry.ok ? answer(await clearList(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
