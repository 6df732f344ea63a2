import { answer, body, refusal, route } from '../answer';
import { sightPapers } from '@/commands/sight-papers';
import { sightingRoundSchema } from '@/contracts/sighting';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, sightingRoundSchema);
  return entry.ok ? answer(await sightPapers(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
