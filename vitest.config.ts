import path from 'node:path';
import { defineConfig } from 'vitest/config';
import './scripts/inMemory.mjs';
import './scripts/scratch.mjs';

const UI = 'src/ui/**/*.test.{ts,tsx}';
const shared = { resolve: { alias: { '@data': path.resolve('data'), '@': path.resolve('src') } } };

export default defineConfig({
  ...shared,
  test: {
    // Long enough for a machine that is busy with something else: no test is about speed.
    testTimeout: 600_000,
    hookTimeout: 600_000,
    maxWorkers: 2,
    projects: [
      {
        ...shared,
        extends: true,
        test: {
          name: 'core',
          include: [
            'src/**/*.test.ts',
            'tests/faults/**/*.test.ts',
            'tests/upgrade/**/*.test.ts',
            'tests/docs.test.ts',
            'tests/lint.test.ts',
          ],
          exclude: [UI, 'src/proxy.test.ts'],
          setupFiles: ['tests/helpers/draws.ts'],
          // The same modules serve file after file: nothing in them remembers but what can be computed again.
          isolate: false,
        },
      },
      {
        ...shared,
        extends: true,
        test: {
          name: 'screens',
          include: [UI, 'src/proxy.test.ts'],
          setupFiles: ['tests/helpers/draws.ts', 'tests/helpers/patience.ts'],
        },
      },
    ],
    coverage: {
      provider: 'v8',
      include: ['src/core/**/*.ts', 'src/server/**/*.ts', 'src/ui/shared/**/*.ts'],
      exclude: ['**/*.test.{ts,tsx}', '**/index.ts'],
      reporter: ['text-summary', 'json-summary'],
      reportsDirectory: 'test-results/coverage',
    },
  },
});
