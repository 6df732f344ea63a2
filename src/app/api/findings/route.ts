import { answer, body, refusal, route } from '../answer';
import { reportFinding } from '@/commands/report-finding';
import { findingSchema } from '@/contracts/report-finding';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const finding = await body(request, findingSchema);
  return finding.ok ? answer(await reportFinding(runtime().ports, actor, finding.value)) : refusal(finding.refusal);
});
