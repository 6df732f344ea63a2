import { answer, body, refusal, route } from '../../answer';
import { changeRelease } from '@/commands/maintenance-release';
import { changeReleaseSchema } from '@/contracts/maintenance-release';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, changeReleaseSchema);
  return entry.ok ? answer(await changeRelease(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
