/** Shared by demo and test: install and build only when the lock file or the sources changed. Node built-ins only. */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.dirname(path.dirname(fileURLToPath(import.meta.url)));
const { NODE_ENV: _unused, ...rest } = process.env;
export const ENV = { ...rest, NEXT_TELEMETRY_DISABLED: '1' };

function files(entry) {
  const full = path.join(ROOT, entry);
  if (!existsSync(full)) return [];
  if (statSync(full).isFile()) return [full];
  return readdirSync(full, { recursive: true, withFileTypes: true })
    .filter((item) => item.isFile())
    .map((item) => path.join(item.parentPath ?? item.path, item.name))
    .sort();
}

function hashOf(entries) {
  const hash = createHash('sha256');
  for (const file of entries.flatMap(files))
    hash.update(path.relative(ROOT, file)).update('\0').update(readFileSync(file)).update('\0');
  return hash.digest('hex');
}

/** Run a step in the foreground; ends the process when it fails. */
export function step(title, command, args, options = {}) {
  console.log(`\n— ${title}`);
  const { status, error } = spawnSync(command, args, { cwd: ROOT, env: ENV, stdio: 'inherit', ...options });
  if (error) console.error(error.message);
  if (status !== 0) {
    console.error(`\n${title}: failed`);
    process.exit(status || 1);
  }
}

function once(stamp, hash, work) {
  const file = path.join(ROOT, 'node_modules', `.stamp-${stamp}`);
  if (existsSync(file) && readFileSync(file, 'utf8') === hash) return;
  work();
  mkdirSync(path.dirname(file), { recursive: true });
  writeFileSync(file, hash);
}

export function install() {
  once('install', hashOf(['package.json', 'package-lock.json']), () => {
    const npm = process.env.npm_execpath;
    if (npm) step('Install packages', process.execPath, [npm, 'ci', '--include=dev']);
    else step('Install packages', 'npm', ['ci', '--include=dev'], { shell: process.platform === 'win32' });
  });
}

export function build() {
  const sources = [
    'next.config.mjs',
    'tsconfig.json',
    'scripts/lightSheet.mjs',
    'scripts/floorWorker.mjs',
    'src',
    'data',
  ];
  const hash = hashOf(['package-lock.json', ...sources]);
  if (!existsSync(path.join(ROOT, '.next/BUILD_ID'))) writeStampAway();
  once('build', hash, () => {
    step('Bundle the worker of the floor', process.execPath, ['scripts/floorWorker.mjs']);
    step('Build', process.execPath, ['node_modules/next/dist/bin/next', 'build']);
  });
}
function writeStampAway() {
  const file = path.join(ROOT, 'node_modules/.stamp-build');
  if (existsSync(file)) writeFileSync(file, '');
}

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer()
      .once('error', () => resolve(false))
      .once('listening', () => probe.close(() => resolve(true)));
    probe.listen(port, '127.0.0.1');
  });

/** The first port from `from` on that is free, with the `count` − 1 after it. */
export async function freePort(from, count = 1) {
  let free = 0;
  for (let port = from; port < from + 200; port++) {
    free = (await isFree(port)) ? free + 1 : 0;
    if (free === count) return port - count + 1;
  }
  throw new Error(`No free port between ${from} and ${from + 200}`);
}

/** Start a child that ends with this process, even when a wrapper is killed without telling it. */
export function startChild(args, options = {}) {
  const child = spawn(process.execPath, args, { cwd: ROOT, env: ENV, stdio: 'inherit', ...options });
  const parent = process.ppid;
  const watch = setInterval(() => process.ppid !== parent && child.kill(), 1000);
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => {
    clearInterval(watch);
    process.exit(code ?? 0);
  });
  return child;
}
