import { answer, body, openRoute, refusal } from '../../answer';
import { takeUpLink } from '@/commands/people';
import { takeUpSchema } from '@/contracts/founding';
import { runtime } from '@/server/runtime';

/** Chooses a password by a link, once. */
export const POST = openRoute(async (request) => {
  const entry = await body(request, takeUpSchema);
  return entry.ok ? answer(await takeUpLink(runtime().ports, entry.value)) : refusal(entry.refusal);
});
