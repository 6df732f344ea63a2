import { answer, body, refusal, route } from '../answer';
import { returnToService } from '@/commands/return-to-service';
import { returnToServiceSchema } from '@/contracts/return-to-service';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, returnToServiceSchema);
  return entry.ok ? answer(await returnToService(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
