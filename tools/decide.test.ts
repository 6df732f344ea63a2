import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { decideCommand } from './cases/decide-command';

const folder = mkdtempSync(join(tmpdir(), 'groval-decide-'));
/** What the command answers, asked inside of this process: starting one takes longer than all the rest. */
function run(args: readonly string[], input: string) {
  let [stdout, stderr] = ['', ''];
  const status = decideCommand(args, {
    input: () => input,
    out: (text) => {
      stdout += text;
    },
    error: (text) => {
      stderr += text;
    },
  });
  return { status, stdout, stderr };
}
/** The same as a person runs it, without a shell. */
function started(args: readonly string[], input: string) {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'tools/decide.ts', ...args],
    { input, encoding: 'utf8' },
  );
  return { status, stdout, stderr };
}
const ask = (argument: string, input = '') => run(argument === '' ? [] : [argument], input);
const askWith = (...args: readonly string[]) => run(args, '');
function file(value: unknown): string {
  const path = join(
    folder,
    `${Math.abs(JSON.stringify(value).length * 7919 + JSON.stringify(value).charCodeAt(9))}.json`,
  );
  writeFileSync(path, typeof value === 'string' ? value : JSON.stringify(value));
  return path;
}
const clean = { extends: 'clean-trainer' };

describe('the decide command', () => {
  it('prints a decision, the same byte for byte each time', () => {
    const first = ask('examples/cases/discrepancy-open.json');
    expect([first.status, first.stderr]).toEqual([0, '']);
    expect(JSON.parse(first.stdout)).toMatchObject({
      format: 'groval-decision',
      version: 4,
      verdict: 'Grounded',
      registration: 'N02TB',
    });
    expect(ask('examples/cases/discrepancy-open.json').stdout).toBe(first.stdout);
  });
  it('reads standard input', () => {
    expect(JSON.parse(ask('-', JSON.stringify(clean)).stdout)).toMatchObject({ verdict: 'Released' });
  });
  it('answers a list in order, a bad member by its error, and ends with 2', () => {
    const { status, stdout, stderr } = ask(
      file([clean, { ...clean, asOf: 'yesterday' }, { ...clean, aircraft: { category: null } }]),
    );
    expect(status).toBe(2);
    expect(JSON.parse(stdout)).toMatchObject([
      { verdict: 'Released' },
      { error: { problems: [{ path: 'asOf' }] } },
      { verdict: 'Grounded' },
    ]);
    expect(stderr).toContain('[1]: asOf: expected a moment');
  });
  it('an empty list has no answers', () => {
    expect(ask(file([]))).toMatchObject({ status: 0, stdout: '[]\n' });
  });

  it.each([
    ['not JSON', '{"extends":', 'expected JSON'],
    ['a text', '"hello"', 'expected a JSON object'],
    ['an unknown field', { ...clean, colour: 'red' }, 'colour: is no field of this format'],
    ['a wrong version', { ...clean, version: 99 }, 'version'],
    [
      'a third decimal',
      { ...clean, meterReadings: { today: { value: 4150.305 } } },
      'meterReadings.today.value: expected hours from 0 to 200000 with at most two decimals, got 4150.305',
    ],
    [
      'a day that does not exist',
      { ...clean, documents: { registration: { issuedOn: '2025-02-29' } } },
      'documents.registration.issuedOn: expected a day that exists',
    ],
    ['a moment without a zone', { ...clean, asOf: '2026-11-24T13:00:00' }, 'asOf: expected a moment'],
    [
      'an unknown zone',
      { ...clean, place: { timeZone: 'Mars/Olympus' } },
      'place.timeZone: expected an IANA time zone name',
    ],
    ['a latitude beyond the pole', { ...clean, place: { latitude: 90.1 } }, 'place.latitude'],
    ['no pack', { ...clean, packs: [] }, 'packs'],
    [
      'two authorities',
      { ...clean, packs: [{ id: 'us-part91' }, { id: 'us-part91' }] },
      'packs: expected exactly one',
    ],
    ['an unknown base', { extends: 'no-such-case' }, "extends: 'no-such-case' cannot be read"],
    [
      'a name that stands twice',
      '{"extends":"clean-trainer","discrepancies":{"d":{"what":"Crack"}},"discrepancies":{}}',
      'discrepancies: stands twice',
    ],
    [
      'more digits than can be kept',
      '{"extends":"clean-trainer","meterReadings":{"today":{"value":4150.30000000000000001}}}',
      'meterReadings.today.value: expected fewer digits',
    ],
    [
      'a reserved name as an id',
      `{"extends":"clean-trainer","documents":{"__proto__":{"kind":"weight-and-balance"}}}`,
      '__proto__: is a reserved name',
    ],
  ])('%s: exit code 2, the path and what was expected, nothing on standard output', (_, value, expected) => {
    const { status, stdout, stderr } = ask(file(value));
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toContain(expected);
  });
  it('a circle of extends is named', () => {
    writeFileSync(join(folder, 'a.json'), '{"extends":"./b.json"}');
    writeFileSync(join(folder, 'b.json'), '{"extends":"./a.json"}');
    expect(ask(join(folder, 'a.json'))).toMatchObject({ status: 2, stdout: '' });
    expect(ask(join(folder, 'a.json')).stderr).toContain('leads back to itself');
  });
  it('a missing file, and no file at all', () => {
    expect(ask(join(folder, 'nowhere.json'))).toMatchObject({ status: 2, stdout: '' });
    expect(ask('')).toMatchObject({ status: 2, stdout: '' });
    expect(ask('').stderr).toContain('usage:');
  });

  it.each([
    ['a file', ['examples/cases/discrepancy-open.json'], '', 0],
    ['standard input', ['-'], JSON.stringify(clean), 0],
    ['something malformed', ['-'], '{', 2],
    ['nothing', [], '', 2],
  ] as const)('started as a program it answers the same: %s', (_, args, input, status) => {
    expect(started(args, input)).toEqual({ ...run(args, input), status });
  });
  it('ends quietly where only its first lines are read', async () => {
    // A list long enough that more is to come when the reader goes.
    const long = file(Array.from({ length: 200 }, () => clean));
    const child = spawn(process.execPath, ['--import', 'tsx', 'tools/decide.ts', long], {
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    const errors: Buffer[] = [];
    child.stderr.on('data', (chunk: Buffer) => {
      errors.push(chunk);
    });
    child.stdout.once('data', () => {
      child.stdout.destroy();
    });
    const [status] = (await once(child, 'close')) as [number | null];
    expect([status, Buffer.concat(errors).toString()]).toEqual([0, '']);
  });
  it('explains in sentences', () => {
    const { status, stdout } = askWith('examples/cases/discrepancy-open.json', '--explain');
    expect([status, stdout.split('\n')[0]]).toEqual([0, 'N02TB is Grounded as of 24 Nov 2026 09:00.']);
    expect(stdout).not.toContain('{');
  });
  it('tells how it goes on, to a day that is asked for', () => {
    const document = JSON.parse(
      askWith('examples/cases/timeline-week.json', '--timeline', '--until', '2026-12-31').stdout,
    ) as {
      readonly until: string;
      readonly changes: readonly { readonly at: string; readonly flight: string | null }[];
    };
    expect([document.until, document.changes.map(({ at, flight }) => [at, flight])]).toEqual([
      '2027-01-01T04:00:00Z',
      [['2026-11-26T16:00:00Z', 'thursday']],
    ]);
  });
  it('answers for one of several flights', () => {
    expect(
      JSON.parse(askWith('examples/cases/timeline-week.json', '--flight', 'friday').stdout),
    ).toMatchObject({ flight: { id: 'friday', answer: 'yes' } });
  });
  it('tells what changed since another file', () => {
    expect(
      JSON.parse(
        askWith('examples/cases/discrepancy-open.json', '--diff', 'examples/cases/clean-trainer.json').stdout,
      ),
    ).toMatchObject({ format: 'groval-diff', verdict: { before: 'Released', after: 'Grounded' } });
  });
  it('carries the hash of its inputs: another moment, another hash', () => {
    const hash = (change: object) =>
      (JSON.parse(ask(file({ ...clean, ...change })).stdout) as { readonly inputsHash: string }).inputsHash;
    const [a, b, c] = [hash({}), hash({}), hash({ asOf: '2026-11-24T13:00:01Z' })];
    expect([a, /^[0-9a-f]{64}$/.test(a), a === c]).toEqual([b, true, false]);
  });
  it.each([
    ['a flight that the case does not have', ['--flight', 'monday'], 'has no flight'],
    ['a timeline into the past', ['--timeline', '--until', '2026-01-01'], 'after the case'],
    ['until without a timeline', ['--until', '2027-01-01'], 'usage'],
    ['an option that there is not', ['--colour'], 'colour'],
    ['a diff with a file that is not there', ['--diff', 'nowhere.json'], 'cannot be read'],
  ] as const)('%s: exit code 2, and says why', (_, args, words) => {
    const { status, stdout, stderr } = askWith('examples/cases/timeline-week.json', ...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toContain(words);
  });
});
