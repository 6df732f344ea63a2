import { answer, body, refusal, route } from '../../answer';
import { removeBox } from '@/commands/meter-boxes';
import { removeBoxSchema } from '@/contracts/meter-box';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, removeBoxSchema);
  return entry.ok ? answer(await removeBox(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
