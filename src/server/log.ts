import pino from 'pino';
import type { Environment } from './environment';

/** The structured log on standard output: one JSON object a line. Passwords, cookies and photos never go in. */
export function openLog(env: Pick<Environment, 'GROVAL_LOG_LEVEL'>) {
  return pino({
    level: env.GROVAL_LOG_LEVEL,
    base: { app: 'groval' },
    redact: ['password', '*.password', 'headers.cookie', 'headers.authorization'],
  });
}

export type Log = ReturnType<typeof openLog>;
