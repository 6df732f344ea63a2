import { answer, body, refusal, route } from '../answer';
import { addDial } from '@/commands/dials';
import { dialSchema } from '@/contracts/counter';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, dialSchema);
  return entry.ok ? answer(await addDial(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
