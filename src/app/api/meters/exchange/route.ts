import { answer, body, refusal, route } from '../../answer';
import { exchangeDial } from '@/commands/dials';
import { exchangeSchema } from '@/contracts/counter';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, exchangeSchema);
  return entry.ok ? answer(await exchangeDial(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
