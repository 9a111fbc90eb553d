import path from 'node:path';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@data': path.resolve('data'), '@': path.resolve('src') } },
  test: { include: ['src/**/*.test.ts', 'tests/faults/**/*.test.ts', 'tests/upgrade/**/*.test.ts'], testTimeout: 30_000 },
});
