import { answer, body, refusal, route } from '../answer';
import { signDailyInspection } from '@/commands/sign-daily-inspection';
import { dailyInspectionSchema } from '@/contracts/maintenance-release';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, dailyInspectionSchema);
  return entry.ok ? answer(await signDailyInspection(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
