import { answer, body, refusal, route } from '../../answer';
import { cancelFlight } from '@/commands/planning';
import { cancelSchema } from '@/contracts/plan';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, cancelSchema);
  return entry.ok ? answer(await cancelFlight(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
