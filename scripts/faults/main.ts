/**
 * The fault suite: requests, edits, drop-outs, kills and a full disk, each by chance that can be had again, for so many
 * minutes. Prints figures; ends with status 1 when anything is lost, answered wrongly or not at all.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chanceOf, type Figures, type Span } from '../../tests/faults/generators/chance';
import { fullDisk } from '../../tests/faults/generators/disk';
import { badLine } from '../../tests/faults/generators/dropOuts';
import { randomActions } from '../../tests/faults/generators/edits';
import { killedWhileWriting } from '../../tests/faults/generators/kills';
import { fuzzedRequests } from '../../tests/faults/generators/requests';
import { ENV, freePort } from '../prepare.mjs';

const option = (name: string, usual: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  const given = at < 0 ? usual : Number(process.argv[at + 1]);
  if (!Number.isFinite(given) || given <= 0) throw new Error(`--${name} must be a number above 0`);
  return given;
};
const minutes = option('minutes', 10);
const seed = option('seed', 1);

/** A server of the suite's own, on a new data folder. */
async function withServer<T>(work: (base: string) => Promise<T>): Promise<T> {
  const port = await freePort(3480);
  const base = `http://127.0.0.1:${port}`;
  const data = mkdtempSync(path.join(tmpdir(), 'keramos-fuzz-'));
  const args = ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)];
  const env = { ...ENV, KERAMOS_DATA: data, KERAMOS_DEMO: '1' } as unknown as NodeJS.ProcessEnv;
  const server = spawn(process.execPath, args, { env, stdio: 'ignore' });
  const answers = () =>
    fetch(`${base}/api/boats/merrow-84`).then(
      ({ ok }) => ok,
      () => false,
    );
  try {
    while (!(await answers())) await new Promise((resolve) => setTimeout(resolve, 50));
    const result = await work(base);
    if (!(await answers())) throw new Error('The server does not answer any more');
    return result;
  } finally {
    server.kill('SIGKILL');
  }
}

const GENERATORS: [name: string, run: (span: Span, seed: number) => Promise<Figures>][] = [
  ['Requests', (span, own) => withServer((base) => fuzzedRequests(base, chanceOf(own), span))],
  ['Random actions', (span, own) => randomActions(chanceOf(own), span)],
  ['Bad line', (span, own) => badLine(chanceOf(own), span)],
  ['Kills', (span, own) => killedWhileWriting(chanceOf(own), span)],
  ['Full disk', (span, own) => fullDisk(chanceOf(own), span)],
];

let failed = 0;
for (const [i, [name, run]] of GENERATORS.entries()) {
  const until = Date.now() + (minutes * 60_000) / GENERATORS.length;
  try {
    const figures = await run({ until, most: Infinity }, seed * 1000 + i);
    console.log(
      `✓ ${name}: ${Object.entries(figures)
        .map(([what, count]) => `${what} ${count}`)
        .join(', ')}`,
    );
  } catch (error) {
    failed += 1;
    console.error(`✕ ${name} (seed ${seed}): ${(error as Error).message}`);
  }
}
process.exit(failed === 0 ? 0 : 1);
