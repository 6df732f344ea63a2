import { Agent, request, type IncomingMessage } from 'node:http';

/** Somebody who is signed in, or nobody. */
export interface Session {
  readonly name: string;
  readonly cookie: string;
}
export const NOBODY: Session = { name: 'signed out', cookie: '' };

const agent = new Agent({ keepAlive: true, maxSockets: 24 });

/** A request as it goes out. */
export interface Call {
  readonly method: string;
  readonly path: string;
  readonly body?: string | Buffer | undefined;
  readonly headers?: Readonly<Record<string, string>>;
}
export interface Answer {
  readonly status: number;
  readonly text: string;
  readonly cookies: readonly string[];
}

/** Only this machine is ever attacked. */
export function onLoopback(base: string): URL {
  const url = new URL(base);
  if (url.hostname !== '127.0.0.1') throw new Error(`${base} is not this machine: nothing else is attacked`);
  return url;
}

const MAX_WAIT_MS = 60_000;

/** Sends a request and reads the answer; 0 where the connection broke. @param keep how much of the answer is kept */
export function call(
  base: string,
  session: Session,
  { method, path, body, headers }: Call,
  keep = 20_000,
): Promise<Answer> {
  const { origin, hostname, port } = onLoopback(base);
  return new Promise((resolve) => {
    const done = (status: number, text: string, answer?: IncomingMessage) => {
      resolve({ status, text, cookies: answer?.headers['set-cookie'] ?? [] });
    };
    const out = request(
      {
        agent,
        hostname,
        port,
        method,
        path,
        timeout: MAX_WAIT_MS,
        headers: {
          ...(method === 'GET' ? {} : { origin, 'content-type': 'application/json' }),
          ...(session.cookie === '' ? {} : { cookie: session.cookie }),
          ...(body === undefined ? {} : { 'content-length': String(Buffer.byteLength(body)) }),
          ...headers,
        },
      },
      (answer) => {
        let text = '';
        // A stream never ends by itself: its head is all that is asked for.
        if ((answer.headers['content-type'] ?? '').startsWith('text/event-stream')) {
          done(answer.statusCode ?? 0, '', answer);
          answer.destroy();
          return;
        }
        answer.setEncoding('utf8');
        answer.on('data', (piece: string) => {
          if (text.length < keep) text += piece;
        });
        answer.on('end', () => {
          done(answer.statusCode ?? 0, text, answer);
        });
        answer.on('error', () => {
          done(0, text, answer);
        });
      },
    );
    out.on('timeout', () => {
      out.destroy();
    });
    out.on('error', () => {
      done(0, '');
    });
    if (body !== undefined) out.write(body);
    out.end();
  });
}

/** Sends JSON. */
export const post = (base: string, session: Session, path: string, value: unknown): Promise<Answer> =>
  call(base, session, { method: 'POST', path, body: JSON.stringify(value) });

/** Signs in as one of the demo's people. */
export async function signIn(base: string, who: string): Promise<Session> {
  const answer = await post(base, NOBODY, '/api/demo', { email: `${who}@ternbay.example` });
  if (answer.status !== 200) throw new Error(`${who} could not sign in: ${answer.status} ${answer.text}`);
  return { name: who, cookie: answer.cookies.map((cookie) => cookie.split(';')[0] ?? '').join('; ') };
}
