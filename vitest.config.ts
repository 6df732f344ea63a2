import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

const alias = { '@': fileURLToPath(new URL('./src', import.meta.url)) };

/** Files that run longer than all the others, the longest first: one that is begun last keeps one core waiting for it. */
const LONGEST = [
  'fuzz-nudged',
  'records-speak',
  'unknown',
  'fuzz-damaged',
  'directions',
  'remedies',
  'cases/schemas',
  'tools/decide',
];
const rank = ({ moduleId }: TestSpecification): number => {
  const at = LONGEST.findIndex((name) => moduleId.includes(name));
  return at === -1 ? LONGEST.length : at;
};
class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    return (await super.sort(files)).toSorted((a, b) => rank(a) - rank(b));
  }
}

export default defineConfig({
  resolve: { alias },
  test: {
    sequence: { sequencer: LongestFirst },
    // Left to itself the runner keeps one core free, which of two is half of the machine.
    maxWorkers: availableParallelism(),
    projects: [
      // The core and what speaks for it: run under several time zones by tools/test.mjs. Not isolated: loading everything again for each file took half of the time.
      {
        resolve: { alias },
        test: {
          name: 'core',
          isolate: false,
          include: ['src/{core,explain,contracts}/**/*.test.ts', 'checks/**/*.test.ts'],
          testTimeout: 60_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'rest',
          isolate: false,
          include: [
            'src/{server,screens,charts,ui,queries,workers}/**/*.test.ts',
            'src/{charts,ui}/**/*.test.tsx',
            'tools/**/*.test.ts',
            'demo/**/*.test.ts',
          ],
          exclude: ['**/*.db.test.ts', '**/node_modules/**'],
          testTimeout: 60_000,
        },
      },
      // Screens in a simulated browser. Isolated: what one test leaves in the page would be there for the next.
      {
        resolve: { alias },
        test: {
          name: 'screens',
          environment: 'jsdom',
          include: ['src/screens/**/*.test.tsx'],
          testTimeout: 60_000,
        },
      },
      // These need GROVAL_TEST_SUPERUSER_URL and its fellows: tools/test.mjs makes the cluster.
      {
        resolve: { alias },
        test: {
          name: 'database',
          isolate: false,
          include: ['src/{db,commands}/**/*.test.ts', 'src/**/*.db.test.ts'],
          testTimeout: 30_000,
          hookTimeout: 60_000,
        },
      },
    ],
  },
});
