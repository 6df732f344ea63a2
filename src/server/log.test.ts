import { expect, it } from 'vitest';
import { openLog } from './log';

const written = (write: (log: ReturnType<typeof openLog>) => void): Record<string, unknown> => {
  let text = '';
  write(
    openLog(
      { GROVAL_LOG_LEVEL: 'info' },
      {
        write: (line) => {
          text += line;
        },
      },
    ),
  );
  return JSON.parse(text) as Record<string, unknown>;
};

it('an error is told with its code, and without the connection that it happened on', () => {
  const lost = Object.assign(new Error('terminating connection'), {
    code: '57P01',
    client: { secretKey: 1234, connection: { parsedStatements: { groval_1: 'select 1' } } },
  });
  const line = written((log) => {
    log.warn({ err: lost }, 'an idle database connection was lost');
  });
  expect(line).toMatchObject({
    msg: 'an idle database connection was lost',
    err: { message: 'terminating connection', code: '57P01' },
  });
  expect(JSON.stringify(line)).not.toMatch(/secretKey|parsedStatements/);
});

it('passwords never go in', () => {
  expect(
    JSON.stringify(
      written((log) => {
        log.info({ body: { password: 'tern-bay' } }, 'sent');
      }),
    ),
  ).not.toContain('tern-bay');
});
