import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { describe, expect, it } from 'vitest';

const cruise = (cwd: string, ...args: readonly string[]) => spawnSync(process.execPath, [resolve('node_modules/dependency-cruiser/bin/dependency-cruise.mjs'), '--config', resolve('.dependency-cruiser.cjs'), '--output-type', 'json', ...args], { cwd, encoding: 'utf8', maxBuffer: 1 << 28 });
interface Report { readonly modules: readonly { readonly source: string }[]; readonly summary: { readonly error: number; readonly violations: readonly { readonly rule: { readonly name: string } }[] } }

/** A small project with one file that imports another, and the names of the rules that it breaks. */
function broken(from: string, imports: string, to: string): readonly string[] {
  const root = mkdtempSync(join(tmpdir(), 'groval-directions-'));
  for (const file of [from, to]) mkdirSync(dirname(join(root, file)), { recursive: true });
  writeFileSync(join(root, to), 'export const value = 1;\n');
  writeFileSync(join(root, from), `import { value } from '${imports}';\nexport const other = value;\n`);
  writeFileSync(join(root, 'tsconfig.json'), '{}');
  symlinkSync(resolve('node_modules'), join(root, 'node_modules'));
  const { stdout } = cruise(root, from.split('/')[0] ?? 'src');
  return (JSON.parse(stdout) as Report).summary.violations.map(({ rule }) => rule.name);
}

describe('the import directions', () => {
  it('are checked on every folder that there is', () => {
    const report = JSON.parse(cruise('.', 'src', 'tools', 'demo', 'bench', 'checks', 'e2e', 'migrations').stdout) as Report;
    expect(report.summary.error).toBe(0);
    const sources = report.modules.map(({ source }) => source);
    for (const folder of ['src/core', 'src/explain', 'src/contracts', 'src/db', 'src/commands', 'src/queries', 'src/server', 'src/screens', 'src/ui', 'src/charts', 'src/app', 'tools', 'demo', 'bench', 'checks', 'e2e', 'migrations']) {
      expect([folder, sources.some((source) => source.startsWith(`${folder}/`))]).toEqual([folder, true]);
    }
    expect(sources.length).toBeGreaterThan(180);
  });
  it.each([
    ['the core importing the database', 'src/core/time/a.ts', '../../db/b', 'src/db/b.ts', 'directions-src-core'],
    ['an early part of the core importing a later one', 'src/core/envelope/a.ts', '../rules/b', 'src/core/rules/b.ts', 'core-envelope'],
    ['one rule importing another', 'src/core/rules/a.ts', './b', 'src/core/rules/b.ts', 'one-rule-never-imports-another'],
    ['words importing a command', 'src/explain/a.ts', '../commands/b', 'src/commands/b.ts', 'directions-src-explain'],
    ['a screen importing the server', 'src/screens/line/a.ts', '../../server/b', 'src/server/b.ts', 'directions-src-screens'],
    ['a screen using a query, not only its types', 'src/screens/line/a.ts', '../../queries/b', 'src/queries/b.ts', 'screens-know-only-types-of-queries'],
    ['a browser test importing the source', 'e2e/a.ts', '../src/core/b', 'src/core/b.ts', 'directions-e2e'],
  ])('find %s', (_, from, imports, to, rule) => { expect(broken(from, imports, to)).toContain(rule); });
  it('find a library, and the system, where they do not belong', () => {
    expect(broken('src/core/envelope/a.ts', 'zod', 'src/core/unused.ts')).toContain('packages-src-core');
    expect(broken('src/explain/a.ts', 'node:fs', 'src/core/unused.ts')).toContain('no-system-src-explain');
  });
});
