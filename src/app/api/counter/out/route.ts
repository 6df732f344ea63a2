import { answer, body, refusal, route } from '../../answer';
import { checkOut } from '@/commands/check-out';
import { checkOutSchema } from '@/contracts/counter';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, checkOutSchema);
  return entry.ok ? answer(await checkOut(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
