import nextVitals from 'eslint-config-next/core-web-vitals';
import boundaries from 'eslint-plugin-boundaries';
import tseslint from 'typescript-eslint';

/** Subjects of core in the order in which they may build on one another: each imports only what stands before it. */
const SUBJECTS = [
  'error',
  'working',
  'quantity',
  'geometry',
  'material',
  'laminate',
  'panel',
  'stiffener',
  'standard',
  'detail',
  'schedule',
  'weight',
  'option',
  'kit',
  'fill',
  'cure',
  'record',
  'caution',
  'calc',
];
const core = (subject) => `core-${subject}`;
const allSubjects = SUBJECTS.map(core);
const mayImport = (from, to) => ({
  from: { element: { type: from } },
  allow: { to: { element: { types: { anyOf: [from, ...to] } } } },
});

export default tseslint.config(
  { ignores: ['.next/', 'node_modules/', 'var/', 'next-env.d.ts', 'test-results/'] },
  ...nextVitals,
  ...tseslint.configs.recommended,
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    plugins: { boundaries },
    settings: {
      'import/resolver': { typescript: { alwaysTryTypes: true } },
      'boundaries/include': ['src/**/*.{ts,tsx}'],
      'boundaries/elements': [
        ...SUBJECTS.map((subject) => ({ type: core(subject), pattern: `src/core/${subject}` })),
        ...['server', 'workers', 'app', 'ui', 'cli'].map((type) => ({ type, pattern: `src/${type}` })),
      ],
      'boundaries/files': [{ category: 'test', pattern: '**/*.test.ts' }],
    },
    rules: {
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: [
            { allow: { to: { module: { origin: ['external', 'core'] } } } },
            ...SUBJECTS.map((subject, index) => mayImport(core(subject), SUBJECTS.slice(0, index).map(core))),
            mayImport('ui', [...allSubjects, 'workers']),
            mayImport('server', allSubjects),
            mayImport('workers', allSubjects),
            mayImport('app', [...allSubjects, 'ui', 'server']),
            mayImport('cli', [...allSubjects, 'server']),
            { disallow: { to: { file: { categories: 'test' } } } },
          ],
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: [
                'react',
                'react-*',
                'next',
                'next/*',
                'kysely',
                'libsql',
                'node:*',
                'fs',
                'path',
                'nanoid',
                '@/*',
              ],
              message: 'Core stays pure: no interface, server, database, clock or randomness.',
            },
          ],
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'localStorage', 'process', 'performance', 'fetch'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seed in.' },
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
      ],
    },
  },
  {
    files: ['src/core/*/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ImportDeclaration[source.value=/^\\.\\.\\u002f[a-z]+\\u002f/]',
          message: 'Import another subject through its face (index.ts).',
        },
      ],
    },
  },
  {
    files: ['src/{app,ui,server,cli}/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ImportDeclaration[source.value=/^@\\u002fcore\\u002f[a-z]+\\u002f/]',
          message: 'Import a core subject through its face (index.ts).',
        },
      ],
    },
  },
  {
    rules: {
      'react/no-unescaped-entities': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
);
