// npm run mutation [-- FOLDER ...]
// Changes the core a little, thousands of times, and sees whether a test notices. Folder by folder, incremental: what did not
// change since the last run is not run again. Words for people, data tables and messages of errors are left out.
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PROJECT } from './provision/places.mjs';

const RULES_TESTS = [
  'src/core/records/meters/unlogged.test.ts',
  'src/core/rules/*.test.ts',
  'src/core/decision/{wrong-released*,not-stricter}.test.ts',
  'checks/**/*.test.ts',
  'tools/cases/answers.test.ts',
];

const FOLDERS = {
  // Isolated: what is remembered there from one test to the next hides who looks at it.
  time: {
    isolate: true,
    mutate: ['src/core/{time/*,remembered}.ts'],
    tests: ['src/core/{time/*,remembered}.test.ts', 'checks/published/{usno-sun,airac,cfr-1-1}/*.test.ts'],
  },
  envelope: {
    mutate: ['src/core/envelope/*.ts'],
    tests: ['src/core/envelope/*.test.ts', 'tools/cases/answers.test.ts'],
  },
  // In three parts, each of an hour or so: what all rules stand on, and the rules by the first letter of their names.
  'rules/parts': {
    mutate: ['src/core/rules/parts/*.ts', '!src/core/rules/parts/required-lists.ts'],
    tests: RULES_TESTS,
  },
  'rules/a-l': { mutate: ['src/core/rules/[a-l]*.ts'], tests: RULES_TESTS },
  'rules/m-z': { mutate: ['src/core/rules/[m-z]*.ts'], tests: RULES_TESTS },
  // The decision by what its files are about: the tests that run every example for half a minute (unknown, remedies, records-speak)
  // are left out, since each change that nobody notices would cost them.
  'decision/deciding': {
    mutate: ['src/core/decision/{decide,decision,diff,canonical,uses-needed,inputs}.ts'],
    tests: [
      'src/core/decision/{decision,details,diff,holds,strikes,planned-flight*,wrong-released*}.test.ts',
      'src/core/rules/rules.test.ts',
      'tools/cases/answers.test.ts',
    ],
  },
  'decision/preparing': {
    mutate: ['src/core/decision/{prepare,flown}.ts'],
    tests: [
      'src/core/decision/{decision,details,holds,strikes,not-stricter,planned-flight*,wrong-released*}.test.ts',
      'src/core/rules/*.test.ts',
      'tools/cases/answers.test.ts',
    ],
  },
  'decision/timeline': {
    mutate: ['src/core/decision/{timeline,sweep,boundaries}.ts'],
    tests: [
      'src/core/decision/{timeline,decision,holds,planned-flight*}.test.ts',
      'tools/cases/answers.test.ts',
    ],
  },
  'decision/remedies': {
    mutate: ['src/core/decision/{remedy-plans,in-the-way,act-estimates}.ts'],
    tests: [
      'src/core/decision/{remedy-plans,decision,details,planned-flight*,wrong-released*}.test.ts',
      'tools/cases/answers.test.ts',
    ],
  },
  'decision/flights': {
    mutate: ['src/core/decision/{planned-flight,measured-at-desk}.ts'],
    tests: [
      'src/core/decision/{planned-flight*,measured-at-desk,wrong-released*}.test.ts',
      'src/core/rules/ramp*.test.ts',
      'tools/cases/answers.test.ts',
    ],
  },
  // The records room by room: all of them with all tests take hours, since a change that nobody notices costs every test that came by.
  'records/documents': {
    mutate: ['src/core/records/{documents,club}/*.ts'],
    tests: [
      'src/core/records/{documents,club}/*.test.ts',
      'src/core/records/{records,order}.test.ts',
      'src/core/rules/{documents,release,work,findings,closed-by-club,annual-and-condition,hundred-hours,items-and-ads,programme-and-tests,required-equipment,inoperative,elt-ropes-receivers,club}.test.ts',
      'src/core/decision/wrong-released-records.test.ts',
      'checks/published/{cfr-91-203,cfr-47-40,cfr-43-records,cfr-43-appendix-a,cfr-91-403-407,car-1988}/*.test.ts',
      'tools/cases/answers.test.ts',
    ],
  },
  'records/meters': {
    mutate: ['src/core/records/meters/*.ts'],
    tests: [
      'src/core/records/meters/*.test.ts',
      'src/core/records/{records,order}.test.ts',
      'src/core/metering/*.test.ts',
      'src/core/rules/ramp*.test.ts',
      'checks/published/{meters,common-practice}/*.test.ts',
      'tools/cases/answers.test.ts',
    ],
  },
  'records/aircraft': {
    mutate: ['src/core/records/{aircraft,findings,flights,walkround}/*.ts'],
    tests: [
      'src/core/records/{aircraft,findings,flights,walkround}/*.test.ts',
      'src/core/records/{records,order}.test.ts',
      'src/core/rules/*.test.ts',
      'src/core/decision/{wrong-released*,planned-flight}.test.ts',
      'checks/published/{cfr-91-205,cfr-91-207,cfr-91-213,cfr-91-319-327,cfr-1-1,common-practice}/*.test.ts',
      'tools/cases/answers.test.ts',
    ],
  },
  'records/maintenance': {
    mutate: ['src/core/records/maintenance/*.ts'],
    tests: [
      'src/core/records/maintenance/*.test.ts',
      'src/core/records/{records,order}.test.ts',
      'src/core/rules/{annual-and-condition,hundred-hours,items-and-ads,programme-and-tests,release,work,findings,closed-by-club,rules,in-australia}.test.ts',
      'src/core/decision/wrong-released*.test.ts',
      'src/contracts/kernel/contracts.test.ts',
      'checks/published/{cfr-21-197,cfr-39,cfr-43-appendix-a,cfr-43-records,cfr-91-403-407,cfr-91-409,cfr-91-411-413,car-1988,eu-1321-2014}/*.test.ts',
      'tools/cases/answers.test.ts',
    ],
  },
  records: {
    mutate: ['src/core/records/*.ts'],
    tests: [
      'src/core/records/*.test.ts',
      'src/core/rules/{release,work,findings,closed-by-club}.test.ts',
      'src/core/decision/{wrong-released*,strikes,decision}.test.ts',
      'tools/cases/answers.test.ts',
    ],
  },
  metering: {
    mutate: ['src/core/metering/*.ts'],
    tests: ['src/core/metering/*.test.ts', 'checks/published/meters/*.test.ts'],
  },
  walkround: {
    mutate: ['src/core/walkround/*.ts', '!src/core/walkround/{master-list,step-looks}.ts'],
    tests: ['src/core/walkround/*.test.ts', 'tools/cases/answers.test.ts'],
  },
  quantities: {
    mutate: ['src/core/{quantities,fuel}/*.ts'],
    tests: ['src/core/quantities/*.test.ts', 'src/core/rules/ramp*.test.ts', 'checks/**/*.test.ts'],
  },
};
const nameOf = (folder) => folder.replaceAll('/', '-');
const state = join(PROJECT, '.groval', 'mutation');
mkdirSync(state, { recursive: true });
const wanted = process.argv.slice(2).length > 0 ? process.argv.slice(2) : Object.keys(FOLDERS);
const scores = [];
for (const folder of wanted) {
  const { mutate, tests, isolate = false } = FOLDERS[folder] ?? {};
  if (!mutate) {
    process.stderr.write(`no such folder: ${folder}; expected ${Object.keys(FOLDERS).join(', ')}\n`);
    process.exit(2);
  }
  const config = JSON.parse(readFileSync(join(PROJECT, 'stryker.config.json'), 'utf8'));
  const own = join(state, `${nameOf(folder)}.config.json`);
  const report = join(state, `${nameOf(folder)}.json`);
  writeFileSync(
    own,
    JSON.stringify({
      ...config,
      mutate: [...mutate, '!**/*.test.ts'],
      incrementalFile: join(state, `${nameOf(folder)}.incremental.json`),
      jsonReporter: { fileName: report },
      mutator: { excludedMutations: ['StringLiteral', 'ObjectLiteral'] },
    }),
  );
  const done = spawnSync(join(PROJECT, 'node_modules/.bin/stryker'), ['run', own], {
    cwd: PROJECT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, GROVAL_MUTATION_TESTS: tests.join(' '), GROVAL_MUTATION_ISOLATE: String(isolate) },
  });
  if (done.status !== 0) process.exit(done.status ?? 1);
  const mutants = Object.values(JSON.parse(readFileSync(report, 'utf8')).files).flatMap(
    ({ mutants: list }) => list,
  );
  const count = (...states) => mutants.filter(({ status }) => states.includes(status)).length;
  const killed = count('Killed', 'Timeout');
  const all = killed + count('Survived', 'NoCoverage');
  scores.push({ folder, killed, all, survived: all - killed });
}
for (const { folder, killed, all } of scores)
  process.stdout.write(
    `${folder}: ${killed} of ${all} changes noticed, ${((100 * killed) / Math.max(1, all)).toFixed(1)} %\n`,
  );
