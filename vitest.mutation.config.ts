import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

// The core's tests and published checks, for the mutation run: what has to notice that a rule says something else.
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  // Which tests look at a folder, from tools/mutation.mjs: those that run everything for minutes are left to the folder that they are about.
  // Mostly not isolated: setting up a world for each of thirty files, thousands of times, took four fifths of the run. Stryker starts a new worker for each change.
  test: {
    testTimeout: 60_000,
    isolate: process.env['GROVAL_MUTATION_ISOLATE'] === 'true',
    include: (process.env['GROVAL_MUTATION_TESTS'] ?? 'src/core/**/*.test.ts').split(' '),
  },
});
