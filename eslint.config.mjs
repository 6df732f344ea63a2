import nextVitals from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';

const hidden = (where) =>
  `${where} gets time, ids and randomness as arguments: a decision must be the same for the same arguments.`;
/** Hidden inputs, named one by one. */
const noHiddenInputs = (where) => [
  'error',
  {
    selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
    message: hidden(where),
  },
  { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: hidden(where) },
  {
    selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
    message: hidden(where),
  },
  {
    selector: "MemberExpression[object.name='process'][property.name='env']",
    message: 'Only src/server reads the environment.',
  },
];

/** An insert that may do nothing has one home, and nobody drops what it answers. */
const noDroppedInserts = [
  {
    selector: 'ExpressionStatement > AwaitExpression > CallExpression[callee.name=/Once$/]',
    message:
      'Look at what came of it: a row that was there already was not written, and whoever sent it believes that it was.',
  },
  {
    selector: "CallExpression[callee.property.name='doNothing']",
    message:
      'Use insertOnce() of src/db/kernel/insert-once.ts: the only place in which an insert may do nothing.',
  },
];
/** An id has one form: capital letters would make two texts of one id. */
const noLooseIds = {
  selector: "CallExpression[callee.object.name='z'][callee.property.name=/^(uuid|guid)$/]",
  message: 'Use idSchema() of contracts/scalars.',
};

/** Where there are components and hooks. */
const SCREENS = ['src/{app,screens,ui,charts}/**/*.{ts,tsx}'];

// Rules that have to know types are in .oxlintrc.json, which is also what checks the types.
const config = [
  {
    ignores: [
      '.next/**',
      '.groval/**',
      'node_modules/**',
      'next-env.d.ts',
      'src/db/schema.generated.ts',
      'test-results/**',
      'playwright-report/**',
      'public/**',
    ],
  },
  ...nextTypescript,
  // What the framework and React ask of screens: asked of everything else it would only take time.
  ...nextVitals.map((part) =>
    part.rules === undefined && part.plugins === undefined ? part : { ...part, files: SCREENS },
  ),
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    files: [
      'src/core/**/*.ts',
      'src/explain/**/*.ts',
      'src/contracts/**/*.ts',
      'src/db/**/*.ts',
      'src/commands/**/*.ts',
      'src/queries/**/*.ts',
    ],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': [...noHiddenInputs('This layer'), ...noDroppedInserts, noLooseIds] },
  },
  {
    files: ['src/db/kernel/insert-once.ts', 'src/contracts/kernel/scalars.ts'],
    rules: { 'no-restricted-syntax': noHiddenInputs('This layer') },
  },
  { files: ['src/app/**/*.ts'], rules: { 'no-restricted-syntax': ['error', noLooseIds] } },
  // The framework's lint wants its image service; photos come from our own database, already bounded in size.
  { files: ['src/screens/**/*.tsx'], rules: { '@next/next/no-img-element': 'off' } },
];

export default config;
