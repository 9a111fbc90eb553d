import { defineConfig } from '@playwright/test';
import './scripts/inMemory.mjs';
import './scripts/scratch.mjs';

const port = Number(process.env.E2E_PORT ?? 3391);
/** Each with a server and a database of its own. */
const WORKERS = Number(process.env.E2E_WORKERS ?? 2);

export default defineConfig({
  testDir: 'tests/e2e',
  // Beside the report of the unit tests and their coverage, which it would clear away.
  outputDir: 'test-results/browser',
  timeout: 180_000,
  expect: { timeout: 30_000, toHaveScreenshot: { maxDiffPixelRatio: 0.03, threshold: 0.3, animations: 'disabled' } },
  workers: WORKERS,
  // One that passes at the second try is told of as flaky.
  retries: 1,
  reporter: [['list'], ['json', { outputFile: 'test-results/report.json' }]],
  snapshotPathTemplate: 'docs/screenshots/{arg}{ext}',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--disable-dev-shm-usage',
        '--font-render-hinting=none',
      ],
    },
  },
  // A server and a database for each worker: see baseURL in tests/e2e/helpers.ts.
  webServer: Array.from({ length: WORKERS }, (_, index) => ({
    command: 'node scripts/e2e-server.mjs',
    env: { E2E_PORT: String(port + index) },
    url: `http://127.0.0.1:${port + index}/api/calc`,
    timeout: 60_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM' as const, timeout: 3000 },
  })),
});
