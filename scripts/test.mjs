/**
 * Install and run everything: types, lint with the import rules, build, unit and fault tests, browser tests with the
 * accessibility scan and the screenshots.
 */
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import './inMemory.mjs';
import './scratch.mjs';
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

/** A step of one core beside those that follow it; the answer waits for its end, and ends all when it failed. */
function beside(title, args) {
  const child = spawn(process.execPath, args, { cwd: ROOT, env: ENV, stdio: ['ignore', 'pipe', 'pipe'] });
  const said = [];
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => said.push(part));
  const ended = once(child, 'close');
  process.on('exit', () => child.kill());
  return async () => {
    console.log(`\n— ${title}`);
    const [status] = await ended;
    process.stdout.write(Buffer.concat(said));
    if (status === 0) return;
    console.error(`\n${title}: failed`);
    process.exit(1);
  };
}

/** Says at the end what failed, and why in a few lines: the reports of the runs scroll away. */
function tell(what, words) {
  console.log(`\n✗ ${what}`);
  for (const line of words.join('\n').split('\n').slice(0, 12)) console.log(`  ${line.slice(0, 300)}`);
}
/** The browser tests that failed at every try. */
function unexpected(suites) {
  return suites.flatMap(({ file, specs = [], suites: inner = [] }) => [
    ...specs
      .filter(({ ok }) => !ok)
      .map(({ title, tests }) => ({
        file,
        title,
        words: tests.flatMap(({ results }) =>
          results.flatMap(({ errors }) => errors.map(({ message }) => message ?? '')),
        ),
      })),
    ...unexpected(inner),
  ]);
}

install();
needChromium();
mkdirSync(results, { recursive: true });
for (const report of ['unit.json', 'report.json']) rmSync(path.join(results, report), { force: true });

step('Route types', process.execPath, ['node_modules/next/dist/bin/next', 'typegen']);
const lint = beside('Lint and import rules', ['node_modules/eslint/bin/eslint.js', '.']);
step('Types', process.execPath, ['node_modules/typescript/bin/tsc', '--noEmit']);
step('Formatting', process.execPath, ['node_modules/prettier/bin/prettier.cjs', '--check', '.', '--log-level', 'warn']);
build();
await lint();
const unit = attempt('Unit and fault tests', [
  'node_modules/vitest/vitest.mjs',
  'run',
  '--reporter=default',
  '--reporter=json',
  '--reporter=./tests/helpers/silence.ts',
  '--outputFile.json=test-results/unit.json',
]);
if (!existsSync(path.join(results, 'unit.json'))) process.exit(1);
const units = read('unit.json');
// One for each worker.
const port = String(await freePort(3391, 2));
const browser = attempt('Browser tests', ['node_modules/@playwright/test/cli.js', 'test', '--update-snapshots=none'], {
  E2E_PORT: port,
});
const { stats, suites } = read('report.json');

const passed = units.numPassedTests + stats.expected + stats.flaky;
const failed = units.numFailedTests + stats.unexpected;
for (const { name, assertionResults, message } of units.testResults) {
  const failures = assertionResults.filter(({ status }) => status === 'failed');
  // A file that does not load has no test that could fail.
  if (failures.length === 0 && message) tell(path.relative(ROOT, name), [message]);
  for (const { fullName, failureMessages } of failures)
    tell(`${path.relative(ROOT, name)}: ${fullName}`, failureMessages);
}
for (const { file, title, words } of unexpected(suites)) tell(`${file}: ${title}`, words);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(unit && browser && failed === 0 && passed > 0 ? 0 : 1);
