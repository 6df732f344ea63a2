import { answer, body, refusal, route } from '../answer';
import { issueRelease } from '@/commands/maintenance-release';
import { issueReleaseSchema } from '@/contracts/maintenance-release';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, issueReleaseSchema);
  return entry.ok ? answer(await issueRelease(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
