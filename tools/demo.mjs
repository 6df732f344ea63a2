// npm run demo: everything that Groval needs, started on this machine.
import { spawn } from 'node:child_process';
import { openSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureBuild } from './provision/build.mjs';
import { Cluster } from './provision/cluster.mjs';
import { applicationEnvironment, prepareDatabase } from './provision/database.mjs';
import { ensureDebianPackages } from './provision/debian.mjs';
import { takeLock } from './provision/lock.mjs';
import { ensureNpmPackages } from './provision/packages.mjs';
import { PROJECT, stateFolder } from './provision/places.mjs';
import { serve } from './provision/serve.mjs';
import { choosePort, ending, isLoopback, wantedPort } from './provision/starting.mjs';
import { startSink } from './provision/sink.mjs';
import { Explained, step } from './provision/steps.mjs';

const USAGE = `npm run demo -- [--port N] [--host ADDRESS] [--reset]

Starts Groval with the demo club on this machine and prints the address to open. Ctrl-C ends everything that it started.
  --port N        listen on this port (3600 or the next free one without it)
  --host ADDRESS  listen on this address instead of 127.0.0.1
  --reset         forget what was entered and start with fresh demo data
GROVAL_NOW=2026-11-24T13:42:00Z in the environment pins the demo's clock; use it together with --reset.`;

const DATABASE = 'groval';

function options() {
  let values;
  try {
    ({ values } = parseArgs({
      options: {
        port: { type: 'string' },
        host: { type: 'string' },
        reset: { type: 'boolean' },
        help: { type: 'boolean', short: 'h' },
      },
    }));
  } catch (error) {
    throw new Explained(`${error.message}\n\n${USAGE}`);
  }
  if (values.help) return null;
  const port = wantedPort(values.port);
  const now = process.env.GROVAL_NOW;
  if (now && !(/T.*(Z|[+-]\d\d:?\d\d)$/.test(now) && !Number.isNaN(Date.parse(now))))
    throw new Explained(
      `GROVAL_NOW=${now}: expected a moment such as 2026-11-24T13:42:00Z, with Z or an offset`,
    );
  return { port, host: values.host ?? '127.0.0.1', reset: values.reset ?? false };
}

async function main() {
  const wish = options();
  if (wish === null) {
    process.stdout.write(`${USAGE}\n`);
    return;
  }
  const port = await choosePort(wish.host, wish.port, 'npm run demo --');
  const folder = stateFolder('demo');
  const log = (name) => join(folder, 'logs', `${name}.log`);
  const giveBack = takeLock(folder, 'The demo');
  const { later, end, isEnding } = ending();
  later(giveBack);

  try {
    process.stdout.write('Groval demo\n');
    await step('Debian packages', () => ensureDebianPackages(['postgresql'], log('debian')));
    await step('npm packages', () => ensureNpmPackages(log('npm')));
    const cluster = new Cluster(folder);
    if (wish.reset)
      await step('forgetting the old data', () => {
        cluster.remove();
        rmSync(join(folder, 'boxes.json'), { force: true });
      });
    // Registered before it runs: a Ctrl-C in the middle of the start must stop the database too.
    later(() => cluster.stop());
    await step('database', () => cluster.start());
    await step('application', () => ensureBuild(log('build')));
    const pinned = process.env.GROVAL_NOW ? { GROVAL_NOW: process.env.GROVAL_NOW } : {};
    await step('tables and demo data', () =>
      prepareDatabase(cluster, { database: DATABASE, demo: true, log: log('prepare'), env: pinned }),
    );
    const open =
      process.env.GROVAL_URL
      ?? `http://${isLoopback(wish.host) && wish.host !== '::1' ? wish.host : '127.0.0.1'}:${port}`;
    const { DEMO_PASSWORD } = await import('./demo-password.mjs');
    let mail;
    await step('mail sink', async () => {
      mail = await startSink();
      later(mail.stop);
    });
    let server;
    await step('server', async () => {
      rmSync(log('server'), { force: true });
      server = await serve({
        host: wish.host,
        port,
        log: log('server'),
        env: {
          ...applicationEnvironment(cluster, DATABASE, open),
          ...pinned,
          GROVAL_DEMO_PASSWORD: DEMO_PASSWORD,
          GROVAL_SMTP_URL: mail.smtp,
        },
      });
      later(server.stop);
      server.child.once('exit', (code) => {
        if (!isEnding()) {
          process.stderr.write(`  The server ended by itself (${code}); its output is in ${log('server')}\n`);
          void end(1);
        }
      });
    });
    // With a pinned clock nothing moves by itself.
    if (!pinned.GROVAL_NOW) {
      const box = spawn(
        process.execPath,
        [
          '--import',
          'tsx',
          join('demo', 'stand-ins', 'meter-box.ts'),
          '--demo',
          '--url',
          server.url,
          '--state',
          join(folder, 'boxes.json'),
        ],
        { cwd: PROJECT, stdio: ['ignore', openSync(log('meter-box'), 'w'), 'inherit'] },
      );
      later(
        () =>
          new Promise((resolve) => {
            if (box.exitCode !== null || box.signalCode !== null) {
              resolve();
              return;
            }
            box.once('exit', resolve);
            box.kill('SIGTERM');
          }),
      );
      process.stdout.write(`  two meter recorders fly along; what they send stands in ${log('meter-box')}\n`);
    }
    process.stdout.write(`\nOpen ${open}   (demo people sign in with one tap; Ctrl-C ends everything)\n`);
    process.stdout.write(`Its mails go nowhere but ${mail.page}\n`);
    if (pinned.GROVAL_NOW) process.stdout.write(`The clock is pinned to ${pinned.GROVAL_NOW}.\n`);
    if (!isLoopback(wish.host)) {
      process.stdout.write(`
Listening on ${wish.host}: anybody who reaches this machine can open the demo, and its people's password is public.
Keep it to a network that you trust, and enter nothing real. Nothing is encrypted here, so sign-in works only on this
machine itself; for other machines put a TLS proxy in front and start with GROVAL_URL=https://its-address.
`);
    }
  } catch (error) {
    process.stderr.write(`${error instanceof Explained ? error.message : error.stack}\n`);
    await end(1);
  }
}

await main().catch((error) => {
  process.stderr.write(`${error instanceof Explained ? error.message : error.stack}\n`);
  process.exit(1);
});
