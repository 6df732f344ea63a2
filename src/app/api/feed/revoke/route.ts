import { answer, body, refusal, route } from '../../answer';
import { revokeFeed } from '@/commands/calendar-feeds';
import { revokeFeedSchema } from '@/contracts/calendar';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, revokeFeedSchema);
  return entry.ok ? answer(await revokeFeed(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
