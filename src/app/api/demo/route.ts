import { openJsonRoute, openRoute } from '../answer';
import { problem } from '../refusals';
import { DEMO_ADDRESS_END } from '@/contracts/club/demo';
import type { AnswerOf } from '@/queries/kernel/answers';
import { runtime } from '@/server/runtime';
import { signIn } from '@/server/sign-in';

/** The demo's people, by name and role. Only when started as the demo. */
export const GET = openRoute('GET /api/demo', async () => {
  const { env, demoPeople } = runtime();
  return Response.json({
    people: env.GROVAL_DEMO_PASSWORD === undefined ? [] : await demoPeople(DEMO_ADDRESS_END),
  } satisfies AnswerOf<'GET /api/demo'>);
});

/** Signs in as one of them with one tap. Only when started as the demo. */
export const POST = openJsonRoute('POST /api/demo', async ({ email }, request) => {
  const { env } = runtime();
  if (env.GROVAL_DEMO_PASSWORD === undefined) return problem(404, 'There is nothing here.');
  const response = await signIn(request, { email, password: env.GROVAL_DEMO_PASSWORD });
  if (!response.ok) return problem(404, 'The demo has nobody with that address.');
  const answer = Response.json({ signedIn: true });
  for (const cookie of response.headers.getSetCookie()) answer.headers.append('set-cookie', cookie);
  return answer;
});
