import { z } from 'zod';
import { problem } from '../answer';
import { runtime } from '@/server/runtime';
import { DEMO_ADDRESS_END } from '@/contracts/demo';

/** The demo's people, by name and role. Only when started as the demo. */
export async function GET(): Promise<Response> {
  const { env, demoPeople } = runtime();
  if (env.GROVAL_DEMO_PASSWORD === undefined) return Response.json({ people: [] });
  return Response.json({ people: await demoPeople(DEMO_ADDRESS_END) });
}

/** Signs in as one of them with one tap. Only when started as the demo. */
export async function POST(request: Request): Promise<Response> {
  const { env, accounts } = runtime();
  if (env.GROVAL_DEMO_PASSWORD === undefined) return problem(404, 'There is nothing here.');
  const given = z.object({ email: z.string().endsWith(DEMO_ADDRESS_END) }).safeParse(await request.json().catch(() => null));
  if (!given.success) return problem(422, 'Choose one of the demo’s people.');
  return accounts.handler(new Request(new URL('/api/auth/sign-in/email', env.GROVAL_URL), {
    method: 'POST', headers: { 'content-type': 'application/json', origin: request.headers.get('origin') ?? '' },
    body: JSON.stringify({ email: given.data.email, password: env.GROVAL_DEMO_PASSWORD }),
  }));
}
