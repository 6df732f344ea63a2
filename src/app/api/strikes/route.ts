import { answer, body, refusal, route } from '../answer';
import { strikeEntry } from '@/commands/corrections';
import { strikeSchema } from '@/contracts/corrections';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, strikeSchema);
  return entry.ok ? answer(await strikeEntry(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
