import { answer, body, refusal, route } from '../../answer';
import { enterCertificate } from '@/commands/people';
import { certificateSchema } from '@/contracts/people';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, certificateSchema);
  return entry.ok ? answer(await enterCertificate(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
