/**
 * Install and run everything: types, lint with the import rules, unit and fault tests, build, browser tests with the
 * accessibility scan and the screenshots.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { build, ENV, freePort, install, ROOT, step } from './prepare.mjs';

const CHROMIUM = '/usr/bin/chromium';
const results = path.join(ROOT, 'test-results');
const read = (file) => JSON.parse(readFileSync(path.join(results, file), 'utf8'));

function needChromium() {
  if (existsSync(CHROMIUM)) return;
  const root = process.getuid?.() === 0;
  if (!root || !existsSync('/usr/bin/apt-get')) {
    console.error(
      'The browser tests need Debian\'s Chromium. Install it once: "sudo ' +
        'apt-get update && sudo apt-get install -y chromium".',
    );
    process.exit(1);
  }
  step('Install Chromium', 'sh', [
    '-c',
    'apt-get update && DEBIAN_FRONTEND=noninteractive apt-get install -y chromium',
  ]);
}
/** A step whose failure is counted instead of ending the run at once. */
function attempt(title, args, env = {}) {
  console.log(`\n— ${title}`);
  return spawnSync(process.execPath, args, { cwd: ROOT, env: { ...ENV, ...env }, stdio: 'inherit' }).status === 0;
}

install();
needChromium();
mkdirSync(results, { recursive: true });
for (const report of ['unit.json', 'report.json']) rmSync(path.join(results, report), { force: true });

step('Route types', process.execPath, ['node_modules/next/dist/bin/next', 'typegen']);
step('Types', process.execPath, ['node_modules/typescript/bin/tsc', '--noEmit']);
step('Lint and import rules', process.execPath, ['node_modules/eslint/bin/eslint.js', '.']);
step('Formatting', process.execPath, ['node_modules/prettier/bin/prettier.cjs', '--check', '.', '--log-level', 'warn']);
const unit = attempt('Unit and fault tests', [
  'node_modules/vitest/vitest.mjs',
  'run',
  '--reporter=default',
  '--reporter=json',
  '--outputFile.json=test-results/unit.json',
  '--coverage',
]);
const units = read('unit.json');
build();
const port = String(await freePort(3391));
const browser = attempt('Browser tests', ['node_modules/@playwright/test/cli.js', 'test', '--update-snapshots=none'], {
  E2E_PORT: port,
});
const { stats } = read('report.json');

const passed = units.numPassedTests + stats.expected + stats.flaky;
const failed = units.numFailedTests + stats.unexpected;
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(unit && browser && failed === 0 && passed > 0 ? 0 : 1);
