import { answer, refusal } from '../refusals';
import { openJsonRoute, openRoute } from '../answer';
import { found, foundingState } from '@/commands/club/founding';
import type { AnswerOf } from '@/queries/kernel/answers';
import { addressOf } from '@/server/address';
import { runtime } from '@/server/runtime';

/** Whether this installation waits for its first account. */
export const GET = openRoute('GET /api/founding', async () =>
  Response.json((await foundingState(runtime().ports)) satisfies AnswerOf<'GET /api/founding'>),
);

/** Makes the first account and the club, by the code that was printed at the start. */
export const POST = openJsonRoute('POST /api/founding', async (entry, request) => {
  const { attempts, ports } = runtime();
  const trier = { account: 'founding', address: addressOf(request), device: null };
  const attempt = await attempts.begin(trier);
  if (!attempt.ok)
    return refusal({
      code: 'too-many-tries',
      message: `Too many tries. Wait ${attempt.retryAfterSeconds} seconds, then enter the code again.`,
      retryAfterSeconds: attempt.retryAfterSeconds,
    });
  const outcome = await found(ports, entry);
  if (outcome.ok) await attempts.succeeded(trier);
  return answer(outcome);
});
