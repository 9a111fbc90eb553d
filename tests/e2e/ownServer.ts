import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import http from 'node:http';
import https from 'node:https';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** Servers of a test's own: each on a data folder that something has happened to. */
const PORT = Number(process.env.E2E_PORT ?? 3391) + 40;
let running: ChildProcess[] = [];

export interface Own {
  base: string;
  stop: () => Promise<void>;
}
export const newData = () => mkdtempSync(path.join(tmpdir(), 'keramos-own-'));

/** What a server answers to a request made by hand: any address, any header. */
export const statusOf = (url: string, headers: Record<string, string> = {}): Promise<number> =>
  new Promise((resolve, reject) => {
    const { protocol } = new URL(url);
    const ask = protocol === 'https:' ? https : http;
    ask
      .get(url, { headers, ...(protocol === 'https:' && { rejectUnauthorized: false }) }, (response) => {
        response.resume();
        resolve(response.statusCode!);
      })
      .on('error', reject);
  });

const endOf = (child: ChildProcess) =>
  new Promise<void>((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    child.on('exit', () => resolve());
    child.kill('SIGKILL');
  });

/** A server of its own, once it answers. With a certificate in `env` it speaks HTTPS. */
export async function serve(
  data: string,
  env: Record<string, string> = {},
  host = '127.0.0.1',
  port = PORT + running.length,
): Promise<Own> {
  const secure = env['KERAMOS_CERT'] !== undefined;
  const start = secure
    ? ['scripts/https.mjs']
    : ['node_modules/next/dist/bin/next', 'start', '-H', host, '-p', String(port)];
  const own = { KERAMOS_DATA: data, KERAMOS_DEMO: '1', KERAMOS_INSTRUMENTS: '0', PORT: String(port), ...env };
  const child = spawn(process.execPath, start, {
    env: { ...process.env, NODE_ENV: 'production', ...own },
    stdio: 'ignore',
  });
  running.push(child);
  const base = `${secure ? 'https' : 'http'}://127.0.0.1:${port}`;
  const answers = () =>
    statusOf(`${base}/api/alive`).then(
      (status) => status === 200,
      () => false,
    );
  while (!(await answers())) await new Promise((resolve) => setTimeout(resolve, 100));
  return { base, stop: () => endOf(child) };
}

export async function stopServers(): Promise<void> {
  await Promise.all(running.map(endOf));
  running = [];
}
