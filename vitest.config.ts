import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = { '@': fileURLToPath(new URL('./src', import.meta.url)) };

export default defineConfig({
  resolve: { alias },
  test: {
    // Left to itself the runner keeps one core free, which of two is half of the machine.
    maxWorkers: availableParallelism(),
    projects: [
      // The core and what speaks for it: run under several time zones by tools/test.mjs.
      { resolve: { alias }, test: { name: 'core', include: ['src/{core,explain,contracts}/**/*.test.ts', 'checks/**/*.test.ts'], testTimeout: 30_000 } },
      { resolve: { alias }, test: { name: 'rest', include: ['src/{server,screens,charts,ui,queries}/**/*.test.{ts,tsx}', 'tools/**/*.test.ts', 'demo/**/*.test.ts'], exclude: ['**/*.db.test.ts', 'node_modules/**'], testTimeout: 30_000 } },
      // These need GROVAL_TEST_SUPERUSER_URL and its fellows: tools/test.mjs makes the cluster.
      { resolve: { alias }, test: { name: 'database', include: ['src/{db,commands}/**/*.test.ts', 'src/**/*.db.test.ts'], testTimeout: 30_000, hookTimeout: 60_000 } },
    ],
  },
});
