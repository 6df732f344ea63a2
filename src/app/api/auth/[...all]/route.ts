import { z } from 'zod';
import { problem } from '../../answer';
import { runtime } from '@/server/runtime';

/** The library offers much more; only these two are open. */
const SIGN_IN = '/api/auth/sign-in/email';
const SIGN_OUT = '/api/auth/sign-out';

const signInSchema = z.object({ email: z.string().trim().toLowerCase().min(3).max(200), password: z.string().min(1).max(200) });

export async function POST(request: Request): Promise<Response> {
  const { accounts, limit } = runtime();
  const { pathname } = new URL(request.url);
  if (pathname === SIGN_OUT) return accounts.handler(request);
  if (pathname !== SIGN_IN) return problem(404, 'There is nothing here.');
  const given = signInSchema.safeParse(await request.clone().json().catch(() => null));
  if (!given.success) return problem(422, 'Enter your e-mail address and your password.');
  if (!await limit.mayTry(`sign-in:${given.data.email}`)) return problem(429, 'Too many tries for this account. Wait a quarter of an hour, then try again.');
  const response = await accounts.handler(request);
  if (response.ok) await limit.succeeded(`sign-in:${given.data.email}`);
  if (response.status === 401) return problem(401, 'The address or the password is not right.');
  if (response.status === 429) return problem(429, 'Too many tries from here. Wait a minute, then try again.');
  return response;
}
