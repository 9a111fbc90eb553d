/** The production server on a fresh database with the demo boats, for the browser tests. */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ENV, startChild } from './prepare.mjs';

const data = mkdtempSync(path.join(tmpdir(), 'keramos-e2e-'));
const env = { ...ENV, KERAMOS_DATA: data, KERAMOS_DEMO: '1', KERAMOS_INSTRUMENTS: '0' };
startChild(['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', process.env.E2E_PORT], { env });
