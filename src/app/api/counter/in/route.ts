import { answer, body, refusal, route } from '../../answer';
import { checkIn } from '@/commands/check-in';
import { checkInSchema } from '@/contracts/counter';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, checkInSchema);
  return entry.ok ? answer(await checkIn(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
