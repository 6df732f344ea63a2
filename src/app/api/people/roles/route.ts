import { answer, body, refusal, route } from '../../answer';
import { changeRoles } from '@/commands/people';
import { changeRolesSchema } from '@/contracts/people';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, changeRolesSchema);
  return entry.ok ? answer(await changeRoles(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
