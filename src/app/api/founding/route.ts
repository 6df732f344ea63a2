import { answer, body, openRoute, refusal } from '../answer';
import { found, foundingState } from '@/commands/founding';
import { foundingSchema } from '@/contracts/founding';
import { runtime } from '@/server/runtime';

/** Whether this installation waits for its first account. */
export const GET = openRoute(async () => Response.json(await foundingState(runtime().ports)));

/** Makes the first account and the club, by the code that was printed at the start. */
export const POST = openRoute(async (request) => {
  const { limit, ports } = runtime();
  const entry = await body(request, foundingSchema);
  if (!entry.ok) return refusal(entry.refusal);
  if (!await limit.mayTry('founding')) return refusal({ code: 'too-many-tries', message: 'Too many tries. Wait a quarter of an hour, then enter the code again.' });
  const outcome = await found(ports, entry.value);
  if (outcome.ok) await limit.succeeded('founding');
  return answer(outcome);
});
