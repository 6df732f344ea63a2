import { readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { PublishedSource } from './source';

const here = new URL('.', import.meta.url);
const folders = readdirSync(here, { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map(({ name }) => name);

describe('every folder of published checks', () => {
  it('is seen by this test', () => {
    expect(folders.length).toBeGreaterThanOrEqual(24);
  });
  it.each(folders)('%s names its source and has a test', async (folder) => {
    const { source } = (await import(`./${folder}/source.ts`)) as { readonly source: PublishedSource };
    expect(source.title.length * source.section.length * source.edition.length).toBeGreaterThan(0);
    expect(readdirSync(new URL(`${folder}/`, here)).some((name) => name.endsWith('.test.ts'))).toBe(true);
  });
});
