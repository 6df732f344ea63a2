import { answer, body, refusal, route } from '../../../answer';
import { endCertificate } from '@/commands/people';
import { endCertificateSchema } from '@/contracts/people';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, endCertificateSchema);
  return entry.ok ? answer(await endCertificate(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
