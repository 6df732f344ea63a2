import { answer, body, refusal, route } from '../answer';
import { addAircraft } from '@/commands/add-aircraft';
import { newAircraftSchema } from '@/contracts/aircraft-entry';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, newAircraftSchema);
  return entry.ok ? answer(await addAircraft(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
