import nextVitals from 'eslint-config-next/core-web-vitals';
import boundaries from 'eslint-plugin-boundaries';
import tseslint from 'typescript-eslint';

/** Subjects of core in the order in which they may build on one another: each imports only what stands before it. */
const SUBJECTS = [
  'quantity',
  'error',
  'table',
  'working',
  'field',
  'people',
  'job',
  'geometry',
  'float',
  'material',
  'supply',
  'laminate',
  'panel',
  'stiffener',
  'standard',
  'detail',
  'detailSchema',
  'document',
  'edit',
  'evaluate',
  'drawing',
  'detailKinds',
  'lines',
  'weight',
  'cost',
  'option',
  'kit',
  'fill',
  'cure',
  'align',
  'record',
  'instrument',
  'trial',
  'build',
  'shop',
  'caution',
  'revision',
  'log',
  'calc',
];
/**
 * Where a subject lives; a kind of detail is one folder, whose schema the document needs and whose findings need the
 * evaluation.
 */
const PLACES = {
  detailSchema: { pattern: 'src/core/detail/kinds/**/schema.ts', mode: 'full' },
  detailKinds: { pattern: 'src/core/detail/kinds' },
};
const FOLDERS = SUBJECTS.filter((subject) => !subject.startsWith('detail')).concat('detail(?!\\u002fkinds)');
/** At any depth, another subject is reached through its face; what stands behind it is its own affair. */
const faceOnly = (before, folders) => ({
  selector: `ImportDeclaration[source.value=/${before}(${folders.join('|')})\\u002f/]`,
  message: 'Import another subject through its face (index.ts).',
});
const core = (subject) => `core-${subject}`;
const allSubjects = SUBJECTS.map(core);
const mayImport = (from, to) => ({
  from: { element: { type: from } },
  allow: { to: { element: { types: { anyOf: [from, ...to] } } } },
});

export default tseslint.config(
  { ignores: ['public/', '.next/', 'node_modules/', 'var/', 'next-env.d.ts', 'test-results/'] },
  ...nextVitals,
  ...tseslint.configs.recommended,
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    plugins: { boundaries },
    settings: {
      'import/resolver': { typescript: { alwaysTryTypes: true } },
      'boundaries/include': ['src/**/*.{ts,tsx}'],
      'boundaries/elements': [
        ...Object.entries(PLACES).map(([subject, place]) => ({ type: core(subject), ...place })),
        ...SUBJECTS.filter((subject) => !(subject in PLACES)).map((subject) => ({
          type: core(subject),
          pattern: `src/core/${subject}`,
        })),
        ...['server', 'workers', 'app', 'ui', 'cli'].map((type) => ({ type, pattern: `src/${type}` })),
      ],
      'boundaries/files': [{ category: 'test', pattern: '**/*.test.{ts,tsx}' }],
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
    ignores: ['**/*.test.{ts,tsx}'],
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
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: { 'no-restricted-syntax': ['error', faceOnly('^(\\.\\.\\u002f)+', FOLDERS)] },
  },
  {
    files: ['src/{app,ui,server,cli,workers}/**/*.{ts,tsx}'],
    rules: { 'no-restricted-syntax': ['error', faceOnly('^@\\u002fcore\\u002f', FOLDERS)] },
  },
  {
    // How code reads: no choice within a choice, no list of arguments to be counted, nothing beyond a screen.
    rules: { 'no-nested-ternary': 'error' },
  },
  {
    files: ['{src,tests,scripts}/**/*.{ts,tsx,mjs}'],
    rules: { 'max-len': ['error', { code: 120 }] },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    // A property test names what it draws, one argument each.
    ignores: ['**/*.test.{ts,tsx}'],
    rules: { 'max-params': ['error', 4] },
  },
  {
    rules: {
      'react/no-unescaped-entities': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
);
