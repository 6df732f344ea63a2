import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const script = (text: string, ...args: readonly string[]): unknown => {
  const { stdout, stderr } = spawnSync(process.execPath, ['--input-type=module', '-e', `${text}`, ...args], {
    encoding: 'utf8',
  });
  if (stderr !== '') throw new Error(stderr);
  return JSON.parse(stdout);
};
const toRemove = (names: readonly string[]) =>
  script(
    `import { toRemove } from './tools/provision/rotation.mjs'; console.log(JSON.stringify(toRemove(JSON.parse(process.argv[1]))))`,
    JSON.stringify(names),
  ) as readonly string[];
const club = (args: readonly string[], env: Record<string, string> = {}) =>
  spawnSync(process.execPath, ['tools/club.mjs', ...args], {
    encoding: 'utf8',
    env: { ...process.env, ...env },
  });

const nameOf = (day: Date) => `groval-${day.toISOString().slice(0, 10)}T030000Z.backup`;
const daysOf = (from: string, count: number) =>
  Array.from({ length: count }, (_, at) => nameOf(new Date(Date.parse(from) + at * 86_400_000)));

describe('which backups are kept', () => {
  it('all of two weeks', () => {
    expect(toRemove(daysOf('2026-11-01', 14))).toEqual([]);
  });
  it('the last fourteen days, and the first of each month before', () => {
    const year = daysOf('2026-01-01', 334);
    const removed = new Set(toRemove(year));
    const kept = year.filter((name) => !removed.has(name)).map((name) => name.slice(7, 17));
    // 1 January to 30 November: eleven months, and fourteen days to the thirtieth.
    expect(kept).toEqual([
      ...Array.from({ length: 11 }, (_, at) => `2026-${String(at + 1).padStart(2, '0')}-01`),
      ...Array.from({ length: 14 }, (_, at) => `2026-11-${String(at + 17).padStart(2, '0')}`),
    ]);
  });
  it('after two years no more than twelve months, and never fewer days for a pause', () => {
    const years = daysOf('2025-01-01', 700);
    // To 1 December 2026, which is both one of the last days and the first of a month.
    expect(years.length - toRemove(years).length).toBe(12 + 14 - 1);
    const paused = [...daysOf('2026-01-01', 3), ...daysOf('2026-11-01', 13)];
    expect(toRemove(paused)).toEqual([paused[1]]);
  });
  it('of one day the newest', () => {
    const [morning, evening] = ['groval-2026-11-20T030000Z.backup', 'groval-2026-11-20T200000Z.backup'];
    const later = daysOf('2026-11-21', 13);
    const earlier = 'groval-2026-11-01T030000Z.backup';
    expect(toRemove([earlier, morning, evening, ...later])).toEqual([morning]);
  });
  it('files of other names are never removed', () => {
    expect(
      toRemove([
        ...daysOf('2026-10-01', 60).filter((name) => name.includes('-11-')),
        'before-0012_x-groval-2026-01-01T030000Z.backup',
        'groval-2026-11-20T030000Z.backup.part',
        'notes.txt',
      ]).every((name) => /^groval-2026-11-\d\dT030000Z\.backup$/.test(name)),
    ).toBe(true);
  });
  it('a name tells when it was made, to the second', () => {
    expect(
      script(
        `import { backupName, madeAt } from './tools/provision/rotation.mjs'; const at = new Date('2026-11-29T23:05:09Z'); console.log(JSON.stringify([backupName(at), new Date(madeAt(backupName(at))).toISOString(), madeAt('x') ?? null]))`,
      ),
    ).toEqual(['groval-2026-11-29T230509Z.backup', '2026-11-29T23:05:09.000Z', null]);
  });
});

describe('the unit for systemd', () => {
  const { status, stdout } = club(['--unit', '--folder', '/srv/groval', '--port', '3611'], {
    GROVAL_URL: 'https://groval.example',
  });
  it('starts this checkout with its folder and port, as somebody, and ends it in order', () => {
    expect(status).toBe(0);
    expect(stdout).toContain(
      `ExecStart=${process.execPath} ${process.cwd()}/tools/club.mjs --folder /srv/groval --port 3611`,
    );
    expect(stdout).toContain('Environment=GROVAL_URL=https://groval.example');
    expect(stdout).toMatch(/^User=\S+$/m);
    expect(stdout).toContain('KillMode=mixed');
  });
  it('is one that systemd takes, where systemd is there to ask', () => {
    const path = join(mkdtempSync(join(tmpdir(), 'groval-unit-')), 'groval.service');
    writeFileSync(path, stdout);
    const asked = spawnSync('systemd-analyze', ['verify', path], { encoding: 'utf8' });
    // Without it the words above are all that is looked at.
    const complaints =
      asked.error === undefined
        ? asked.stderr.split('\n').filter((line) => line.includes('groval.service'))
        : [];
    expect(complaints).toEqual([]);
    expect(stdout.split('\n').filter((line) => /^\[(Unit|Service|Install)\]$/.test(line))).toHaveLength(3);
  });
});

describe('the folder of a club', () => {
  it('is none that holds something else, nor the demo’s', () => {
    const folder = mkdtempSync(join(tmpdir(), 'groval-club-'));
    writeFileSync(join(folder, 'thesis.txt'), 'precious');
    const other = club(['--folder', folder]);
    expect([other.status, other.stderr]).toEqual([1, expect.stringContaining('holds other files')]);
    const demo = join(process.cwd(), '.groval', 'demo');
    mkdirSync(demo, { recursive: true });
    const inside = club(['--folder', join(demo, 'mine')]);
    expect([inside.status, inside.stderr]).toEqual([1, expect.stringContaining('keeps its demo')]);
  });
  it.each([
    [['--port', '0'], 'expected a whole number from 1 to 65535'],
    [['--nonsense'], 'Unknown option'],
  ])('%j is refused with what to do', (args, words) => {
    const { status, stderr } = club(args);
    expect([status, stderr]).toEqual([1, expect.stringContaining(words)]);
  });
});
