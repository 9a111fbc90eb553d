import { defineConfig } from '@playwright/test';

const port = Number(process.env.E2E_PORT ?? 3391);

export default defineConfig({
  testDir: 'tests/e2e',
  outputDir: 'test-results',
  timeout: 180_000,
  expect: { timeout: 30_000, toHaveScreenshot: { maxDiffPixelRatio: 0.03, threshold: 0.3, animations: 'disabled' } },
  workers: 1,
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
  webServer: {
    command: 'node scripts/e2e-server.mjs',
    env: { E2E_PORT: String(port) },
    url: `http://127.0.0.1:${port}/api/calc`,
    timeout: 60_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 3000 },
  },
});
