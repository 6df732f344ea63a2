import { answer, body, refusal, route } from '../answer';
import { recordEntry } from '@/commands/record-entry';
import { newEntrySchema } from '@/contracts/new-entry';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, newEntrySchema);
  return entry.ok ? answer(await recordEntry(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
