/**
 * Install, build, seed and start the production server on this machine. `--reset` puts the database aside and begins
 * again with the demo boats.
 */
import { existsSync, mkdirSync, renameSync } from 'node:fs';
import path from 'node:path';
import { build, ENV, freePort, install, ROOT, startChild } from './prepare.mjs';

const data = path.resolve(ROOT, ENV.KERAMOS_DATA ?? 'var');
const file = path.join(data, 'keramos.db');

install();
build();
mkdirSync(data, { recursive: true });
if (process.argv.includes('--reset') && existsSync(file)) {
  const aside = path.join(data, `put-aside-${new Date().toISOString().replace(/[:.]/g, '-')}`);
  mkdirSync(aside);
  for (const suffix of ['', '-wal', '-shm'])
    if (existsSync(file + suffix)) renameSync(file + suffix, path.join(aside, `keramos.db${suffix}`));
  console.log(`\nThe old database is in ${aside}`);
}

const host = ENV.KERAMOS_HOST ?? '127.0.0.1';
const own = /^(127\.\d+\.\d+\.\d+|localhost|::1)$/.test(host);
if (!own && ENV.KERAMOS_OPEN !== '1') {
  console.error(
    `\nOn ${host} anyone who reaches this machine could read and change everything: there are no accounts yet.\n` +
      'Set KERAMOS_OPEN=1 if that is meant, and name the machine in KERAMOS_HOSTS.',
  );
  process.exit(1);
}
if (!own) console.log(`\nOpen on ${host}: anyone who reaches it can read and change everything.`);
const port = await freePort(Number(ENV.PORT ?? 3270));
console.log(`\nKeramos: http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}\n`);
startChild(['node_modules/next/dist/bin/next', 'start', '-H', host, '-p', String(port)], {
  env: { ...ENV, KERAMOS_DATA: data, KERAMOS_DEMO: '1' },
});
