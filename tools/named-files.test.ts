import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

const PAGES = [
  'README.md',
  ...readdirSync('docs')
    .filter((name) => name.endsWith('.md'))
    .map((name) => `docs/${name}`),
];
/** Files of this project as pages name them: whole, or beside the page. */
const NAMED = /(?:docs|examples|checks|src|tools|demo)\/[\w/.-]+\.(?:md|json|png|csv|tsx?|mjs)\b/g;

it.each(PAGES)('%s names no file that is not there', (page) => {
  const named = [...new Set(readFileSync(page, 'utf8').match(NAMED) ?? [])];
  expect(named.filter((path) => !existsSync(path))).toEqual([]);
});

it('pages do name files', () => {
  expect(readFileSync('README.md', 'utf8').match(NAMED)?.length).toBeGreaterThan(10);
});
