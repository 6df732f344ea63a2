import pino from 'pino';
import type { Environment } from './environment';

/**
 * An error without the connection that it happened on: the driver hangs the whole client on it, with the key that ends the
 * connection's statements and the texts of those that it keeps prepared.
 */
function serializedError(error: unknown): unknown {
  if (!(error instanceof Error)) return error;
  return Object.fromEntries(
    Object.entries(pino.stdSerializers.err(error)).filter(([key]) => key !== 'client'),
  );
}

/** The structured log on standard output: one JSON object a line. Passwords, cookies, photos and connections never go in. */
export function openLog(env: Pick<Environment, 'GROVAL_LOG_LEVEL'>, to?: pino.DestinationStream) {
  return pino(
    {
      level: env.GROVAL_LOG_LEVEL,
      base: { app: 'groval' },
      redact: ['password', '*.password', 'headers.cookie', 'headers.authorization'],
      serializers: { err: serializedError },
    },
    to ?? pino.destination(1),
  );
}

export type Log = ReturnType<typeof openLog>;
