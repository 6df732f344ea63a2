import { runtime } from './runtime';

/** Has the library sign somebody in: its answer, with the session's cookie. Nothing of the request goes on to it but where it came from. */
export function signIn(
  request: Request,
  credentials: { readonly email: string; readonly password: string },
): Promise<Response> {
  const { accounts, env } = runtime();
  return accounts.handler(
    new Request(new URL('/api/auth/sign-in/email', env.GROVAL_URL), {
      method: 'POST',
      headers: {
        'content-type': 'application/json',
        origin: request.headers.get('origin') ?? '',
        'user-agent': request.headers.get('user-agent') ?? '',
      },
      body: JSON.stringify(credentials),
    }),
  );
}
