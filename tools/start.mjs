// npm start: the production server against a given DATABASE_URL. The tables must be there: npm run migrate.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { PROJECT } from './provision/places.mjs';
import { serverArguments } from './provision/serve.mjs';

const complain = (text) => {
  process.stderr.write(`${text}\n`);
  process.exit(2);
};
if (!process.env.DATABASE_URL)
  complain(
    'DATABASE_URL is not set. Expected the address of the database for the application’s role, such as postgres://groval_app:…@db.example:5432/groval',
  );
if (!existsSync(join(PROJECT, '.next', 'script-hashes.json')))
  complain('There is no build yet. Make it first: npm run build');
const host = process.env.HOST ?? '127.0.0.1';
const port = process.env.PORT ?? '3600';
const child = spawn(process.execPath, serverArguments(host, port), {
  cwd: PROJECT,
  stdio: 'inherit',
  env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
});
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => {
    child.kill(signal);
  });
child.once('exit', (code, signal) => {
  process.exit(signal === null ? (code ?? 1) : 0);
});
