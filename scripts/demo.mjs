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
const secure = ENV.KERAMOS_CERT !== undefined;
const port = await freePort(Number(ENV.PORT ?? 3270));
console.log(`\nKeramos: ${secure ? 'https' : 'http'}://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}\n`);
const start = secure
  ? ['scripts/https.mjs']
  : ['node_modules/next/dist/bin/next', 'start', '-H', host, '-p', String(port)];
startChild(start, {
  env: { ...ENV, KERAMOS_DATA: data, KERAMOS_DEMO: '1', KERAMOS_HOST: host, PORT: String(port) },
});
