import { answer, body, refusal, route } from '../answer';
import { correctReading } from '@/commands/correct-reading';
import { correctReadingSchema } from '@/contracts/corrections';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, correctReadingSchema);
  return entry.ok ? answer(await correctReading(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
