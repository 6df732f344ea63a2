import { answer, body, refusal, route } from '../answer';
import { fitBox } from '@/commands/meter-boxes';
import { fitBoxSchema } from '@/contracts/meter-box';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, fitBoxSchema);
  return entry.ok ? answer(await fitBox(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
