import { openJsonRoute } from '../../../answer';
import { problem, refusal } from '../../../refusals';
import { addressOf } from '@/server/address';
import { isLoopback } from '@/server/environment';
import { runtime } from '@/server/runtime';
import { signIn } from '@/server/sign-in';

/** Signs in. Tries are counted before the password is looked at; see Attempts for who is slowed down by whom. */
export const POST = openJsonRoute('POST /api/auth/sign-in/email', async ({ email, password }, request) => {
  const { attempts, env, passwords } = runtime();
  const trier = {
    account: `sign-in:${email}`,
    address: addressOf(request),
    device: attempts.deviceOf(request.headers.get('cookie'), email),
  };
  const attempt = await attempts.begin(trier);
  if (!attempt.ok)
    return refusal({
      code: 'too-many-tries',
      message: `Too many tries for this account, or from here. Wait ${attempt.retryAfterSeconds} seconds, then try again.`,
      retryAfterSeconds: attempt.retryAfterSeconds,
    });
  if (passwords.full)
    return refusal({
      code: 'busy',
      message: 'Too many people are signing in just now. Try again in a moment.',
    });
  const response = await signIn(request, { email, password });
  if (!response.ok)
    return response.status === 401 ? problem(401, 'The address or the password is not right.') : response;
  await attempts.succeeded(trier);
  // The session goes in its cookie alone, out of reach of scripts.
  const answer = Response.json({ signedIn: true });
  for (const cookie of [
    ...response.headers.getSetCookie(),
    attempts.deviceCookie(email, !isLoopback(env.GROVAL_URL), trier.device ?? undefined),
  ])
    answer.headers.append('set-cookie', cookie);
  return answer;
});
