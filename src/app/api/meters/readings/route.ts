import { answer, body, refusal, route } from '../../answer';
import { readMeters } from '@/commands/read-meters';
import { metersReadSchema } from '@/contracts/counter';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, metersReadSchema);
  return entry.ok ? answer(await readMeters(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
