import { answer, body, refusal, route } from '../../../answer';
import { revokeLink } from '@/commands/people';
import { revokeLinkSchema } from '@/contracts/people';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, revokeLinkSchema);
  return entry.ok ? answer(await revokeLink(runtime().ports, actor, entry.value.invitationId)) : refusal(entry.refusal);
});
