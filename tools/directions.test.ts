import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';

interface Report {
  readonly modules: readonly { readonly source: string }[];
  readonly summary: {
    readonly error: number;
    readonly violations: readonly { readonly from: string; readonly rule: { readonly name: string } }[];
  };
}

function cruise(cwd: string, ...folders: readonly string[]): Report {
  const args = [
    resolve('node_modules/dependency-cruiser/bin/dependency-cruise.mjs'),
    '--config',
    resolve('.dependency-cruiser.cjs'),
    '--output-type',
    'json',
    ...folders,
  ];
  return JSON.parse(
    spawnSync(process.execPath, args, { cwd, encoding: 'utf8', maxBuffer: 1 << 28 }).stdout,
  ) as Report;
}

const FOLDERS = [
  'src/core',
  'src/explain',
  'src/contracts',
  'src/db',
  'src/commands',
  'src/queries',
  'src/server',
  'src/screens',
  'src/ui',
  'src/charts',
  'src/app',
  'tools',
  'demo',
  'bench',
  'checks',
  'e2e',
  'migrations',
  'attack',
];

describe('this project', () => {
  it('imports in the directions that are allowed, in every folder that there is', () => {
    const report = cruise('.', 'src', 'tools', 'demo', 'bench', 'checks', 'e2e', 'migrations', 'attack');
    expect(report.summary.violations).toEqual([]);
    expect(report.summary.error).toBe(0);
    const sources = report.modules.map(({ source }) => source);
    expect(FOLDERS.filter((folder) => !sources.some((source) => source.startsWith(`${folder}/`)))).toEqual(
      [],
    );
    expect(sources.length).toBeGreaterThan(180);
  });
});

/** Subjects: the same folder name on every floor. The kernel and the kit are what all of them stand on. */
const ROOMS = [
  'aircraft',
  'club',
  'documents',
  'exchange',
  'findings',
  'flights',
  'maintenance',
  'meters',
  'releases',
  'walkround',
  'notices',
];
/** Each floor with what else lies on it. */
const FLOORS: readonly (readonly [floor: string, beside: readonly string[]])[] = [
  ['src/commands', ['kernel']],
  ['src/queries', ['kernel']],
  ['src/contracts', ['kernel']],
  ['src/db', ['kernel', 'schema.generated.ts']],
  ['src/screens', ['kit', 'data', 'shell']],
  [
    'src/core/records',
    [
      'facts.ts',
      'record.ts',
      'strike.ts',
      'ledger-act.ts',
      'contradictions.ts',
      'records.test.ts',
      'order.test.ts',
      'contradictions.test.ts',
      'known-at.test.ts',
    ],
  ],
];

describe('the rooms', () => {
  it.each(FLOORS)('%s has no other than those of the subjects', (floor, beside) => {
    expect(readdirSync(floor).filter((name) => ![...ROOMS, ...beside].includes(name))).toEqual([]);
  });
});

/** Imports that are not allowed: what, the file that imports, what it imports, and the rule that says so. */
const WRONG = [
  ['the core importing the database', 'src/core/time/importer-1.ts', '../../db/b', 'directions-src-core'],
  [
    'an early part of the core importing a later one',
    'src/core/envelope/importer-2.ts',
    '../rules/b',
    'core-envelope',
  ],
  ['one rule importing another', 'src/core/rules/importer-3.ts', './b', 'one-rule-never-imports-another'],
  ['words importing a command', 'src/explain/importer-4.ts', '../commands/b', 'directions-src-explain'],
  [
    'a screen importing the server',
    'src/screens/line/importer-5.ts',
    '../../server/b',
    'directions-src-screens',
  ],
  [
    'a screen using a query, not only its types',
    'src/screens/line/importer-6.ts',
    '../../queries/b',
    'screens-know-only-types-of-queries',
  ],
  ['a browser test importing the source', 'e2e/importer-7.ts', '../src/core/b', 'directions-e2e'],
  ['a library where it does not belong', 'src/core/envelope/importer-8.ts', 'zod', 'packages-src-core'],
  ['the system where it does not belong', 'src/explain/importer-9.ts', 'node:fs', 'no-system-src-explain'],
] as const;

describe('the import directions find', () => {
  const found = new Map<string, readonly string[]>();
  beforeAll(() => {
    const root = mkdtempSync(join(tmpdir(), 'groval-directions-'));
    const write = (file: string, text: string): void => {
      mkdirSync(dirname(join(root, file)), { recursive: true });
      writeFileSync(join(root, file), text);
    };
    for (const [, from, imported] of WRONG) {
      write(from, `import { value } from '${imported}';\nexport const other = value;\n`);
      if (imported.startsWith('.')) write(`${join(dirname(from), imported)}.ts`, 'export const value = 1;\n');
    }
    write('tsconfig.json', '{}');
    symlinkSync(resolve('node_modules'), join(root, 'node_modules'));
    const { violations } = cruise(root, 'src', 'e2e').summary;
    for (const [, from] of WRONG)
      found.set(
        from,
        violations.filter((violation) => violation.from === from).map(({ rule }) => rule.name),
      );
  });
  it.each(WRONG)('%s', (_, from, imported, rule) => {
    expect([imported, found.get(from)]).toEqual([imported, expect.arrayContaining([rule])]);
  });
});
