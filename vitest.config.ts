import path from 'node:path';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@data': path.resolve('data'), '@': path.resolve('src') } },
  test: {
    include: [
      'src/**/*.test.{ts,tsx}',
      'tests/faults/**/*.test.ts',
      'tests/upgrade/**/*.test.ts',
      'tests/docs.test.ts',
      'tests/lint.test.ts',
    ],
    // Long enough for a machine that is busy with something else: no test is about speed.
    testTimeout: 300_000,
    hookTimeout: 120_000,
    coverage: {
      provider: 'v8',
      include: ['src/core/**/*.ts', 'src/server/**/*.ts', 'src/ui/shared/**/*.ts'],
      exclude: ['**/*.test.{ts,tsx}', '**/index.ts'],
      reporter: ['text-summary', 'json-summary'],
      reportsDirectory: 'test-results/coverage',
    },
  },
});
