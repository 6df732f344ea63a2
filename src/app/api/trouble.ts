import { databaseCode } from '@/commands/kernel/command';
import { TooBusy } from '@/server/bounded';
import { runtime } from '@/server/runtime';
import { TooLarge, TooSlow } from '@/server/spool';
import { problem } from './refusals';

/** Errors of the database by their class: it is not there, is full, takes nothing just now. Source: PostgreSQL 15, appendix A. */
const NOT_JUST_NOW = ['08', '53', '57', '58', '25', '55', '40'];
/** What it says of a value that it cannot keep, whatever the forms let through. */
const CANNOT_KEEP = ['22'];
/** What Node says of a connection that cannot be made, and the pool of one that does not become free. */
const NO_CONNECTION = ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOSPC'];

export function trouble(error: unknown, request: Request): Response {
  const { log } = runtime();
  const code = databaseCode(error);
  const { pathname } = new URL(request.url);
  if (error instanceof TooLarge)
    return problem(
      413,
      `That is more than may be sent here (${error.maxBytes >= 1024 * 1024 ? `${Math.floor(error.maxBytes / 1024 / 1024)} MB` : `${Math.floor(error.maxBytes / 1024)} kB`}). Send less.`,
    );
  if (error instanceof TooSlow)
    return problem(
      408,
      'That took too long to arrive, so nothing was done with it. Send it again over a better connection.',
    );
  if (CANNOT_KEEP.some((kind) => code.startsWith(kind) && code.length === 5)) {
    log.warn({ err: error, path: pathname }, 'a value could not be kept');
    return problem(
      422,
      'Something in this cannot be kept: a number that is too large, or a character that is none. Correct it and send it again.',
    );
  }
  const busy =
    error instanceof TooBusy
    || (code.length === 5 && NOT_JUST_NOW.some((kind) => code.startsWith(kind)))
    || NO_CONNECTION.includes(code)
    || (error instanceof Error
      && /timeout exceeded when trying to connect|Connection terminated|Client has encountered a connection error/.test(
        error.message,
      ));
  if (busy) {
    log.warn({ err: error, path: pathname }, 'a request could not be done just now');
    return Response.json(
      {
        error: {
          code: 'busy',
          message:
            'Groval cannot do that just now: its database does not take it, or too much is waiting. What you typed is kept; try again in a moment.',
        },
      },
      { status: 503, headers: { 'retry-after': '5' } },
    );
  }
  log.error({ err: error, path: pathname }, 'a request failed');
  return problem(500, 'Groval could not do that just now. What you typed is kept; try again.');
}
