/** The production server over HTTPS, with the certificate of the yard: KERAMOS_CERT and KERAMOS_KEY name its files. */
import { readFileSync } from 'node:fs';
import https from 'node:https';
import next from 'next';
import { ROOT } from './prepare.mjs';

const { KERAMOS_CERT, KERAMOS_KEY, KERAMOS_HOST: hostname = '127.0.0.1', PORT = '3270' } = process.env;

function read(name, file) {
  try {
    if (!file) throw new Error('it is not set');
    return readFileSync(file);
  } catch (error) {
    console.error(`\n${name}: ${error.message}`);
    process.exit(1);
  }
}

const keys = { cert: read('KERAMOS_CERT', KERAMOS_CERT), key: read('KERAMOS_KEY', KERAMOS_KEY) };
const app = next({ dev: false, dir: ROOT, hostname, port: Number(PORT) });
await app.prepare();
const answer = app.getRequestHandler();
https
  .createServer({ ...keys, minVersion: 'TLSv1.2' }, (request, response) => void answer(request, response))
  .on('error', (error) => {
    console.error(`\nNo HTTPS on ${hostname}:${PORT}: ${error.message}`);
    process.exit(1);
  })
  .listen(Number(PORT), hostname, () => console.log(`Ready on https://${hostname}:${PORT}`));
