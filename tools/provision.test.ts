import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const fresh = () => mkdtempSync(join(tmpdir(), 'groval-provision-'));
/** Runs a piece of script beside the provisioning scripts, as they are: plain Node without a loader. */
const script = (text: string, ...args: readonly string[]) =>
  spawnSync(process.execPath, ['--input-type=module', '-e', text, ...args], { encoding: 'utf8' });
const demo = (args: readonly string[], env: Record<string, string> = {}) =>
  spawnSync(process.execPath, ['tools/demo.mjs', ...args], {
    encoding: 'utf8',
    env: { ...process.env, ...env },
  });

describe('the lock of a state folder', () => {
  const take = (folder: string) =>
    script(
      `import { takeLock } from './tools/provision/lock.mjs'; const back = takeLock(process.argv[1], 'The demo'); if (process.argv[2] === 'keep') process.exit(0); back();`,
      folder,
    );
  it('is taken and given back', () => {
    const folder = fresh();
    expect([take(folder).status, take(folder).status]).toEqual([0, 0]);
  });
  it('of a process that is running says which', () => {
    const folder = fresh();
    writeFileSync(
      join(folder, 'running'),
      `${process.pid} ${
        readFileSync(`/proc/${process.pid}/stat`, 'utf8')
          .replace(/^.*\) /s, '')
          .split(' ')[19] ?? ''
      }`,
    );
    const { status, stderr } = take(folder);
    expect([status, stderr]).toEqual([
      1,
      expect.stringContaining(`The demo of this checkout is running already, as process ${process.pid}`),
    ]);
  });
  it('of a process that died, or whose number another one has now, is taken over', () => {
    for (const left of ['999999 1', `${process.pid} 1`, '']) {
      const folder = fresh();
      writeFileSync(join(folder, 'running'), left);
      expect([left, take(folder).status]).toEqual([left, 0]);
    }
  });
});

describe('the demo command', () => {
  it.each([
    [['--port', 'abc'], '--port abc: expected a whole number from 1 to 65535'],
    [['--port', '0'], '--port 0: expected a whole number'],
    [['--colour'], "Unknown option '--colour'"],
    [['--host', '192.0.2.1'], '--host 192.0.2.1: this machine has no such address'],
  ])('%j says what is wrong', (args, message) => {
    const { status, stderr } = demo(args);
    expect([status, stderr]).toEqual([1, expect.stringContaining(message)]);
  });
  it('a clock that is no moment is refused before anything is forgotten', () => {
    const { status, stderr } = demo(['--reset'], { GROVAL_NOW: 'yesterday' });
    expect([status, stderr]).toEqual([
      1,
      expect.stringContaining('GROVAL_NOW=yesterday: expected a moment such as'),
    ]);
  });
  it('a port that is taken is named, with one to try', async () => {
    const server = await new Promise<Server>((resolve) => {
      const made = createServer();
      made.listen(0, '127.0.0.1', () => {
        resolve(made);
      });
    });
    const address = server.address();
    const port = typeof address === 'object' && address !== null ? address.port : 0;
    const { status, stderr } = await new Promise<{ status: number | null; stderr: string }>((resolve) => {
      setImmediate(() => {
        resolve(demo(['--port', String(port)]));
      });
    });
    server.close();
    expect([status, stderr]).toEqual([
      1,
      expect.stringContaining(`Port ${port} is taken. Choose another: npm run demo -- --port ${port + 1}`),
    ]);
  });
  it('tells how it is used', () => {
    expect(demo(['--help'])).toMatchObject({
      status: 0,
      stdout: expect.stringContaining('--reset') as string,
    });
  });
});

describe('steps', () => {
  it('a damaged file is an error, not an absence', () => {
    const folder = fresh();
    writeFileSync(join(folder, 'damaged.json'), '{');
    const { stdout, stderr } = script(
      `import { readJson } from './tools/provision/steps.mjs'; console.log(readJson(process.argv[1] + '/none.json')); readJson(process.argv[1] + '/damaged.json');`,
      folder,
    );
    expect(stdout).toBe('undefined\n');
    expect(stderr).toContain('is damaged: it is not JSON');
  });
});
