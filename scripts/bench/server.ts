import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { performance } from 'node:perf_hooks';
import { boatToJson } from '../../src/core/document';
import { largeBoat } from '../../tests/helpers/largeBoat';
import { ENV, freePort } from '../prepare.mjs';
import { note, time } from './report';

export interface Running {
  base: string;
  stop: () => Promise<void>;
}

/** Start the built server on a data folder. @returns once it answers, with the milliseconds that took. */
export async function startServer(data: string): Promise<Running & { ready: number }> {
  const port = await freePort(3460);
  const base = `http://127.0.0.1:${port}`;
  const began = performance.now();
  const env = { ...ENV, KERAMOS_DATA: data, KERAMOS_DEMO: '1' } as unknown as NodeJS.ProcessEnv;
  const args = ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)];
  const child = spawn(process.execPath, args, { env, stdio: 'ignore' });
  const answers = () =>
    fetch(`${base}/api/boats`).then(
      (response) => response.ok,
      () => false,
    );
  while (!(await answers())) await new Promise((resolve) => setTimeout(resolve, 15));
  const stop = () =>
    new Promise<void>((resolve) => {
      if (child.exitCode !== null || child.signalCode !== null) return resolve();
      child.on('exit', () => resolve());
      child.kill();
    });
  return { base, stop, ready: performance.now() - began };
}

export const post = (url: string, body: string) =>
  fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body });

/** 20 clients at once on 200 boats, each reading and editing about once a second, as busy hands do. */
async function clients(base: string, ids: readonly string[], rounds: number, run: string) {
  const [reads, edits]: [number[], number[]] = [[], []];
  const one = async (client: number) => {
    await new Promise((resolve) => setTimeout(resolve, client * 50));
    for (let round = 0; round < rounds; round++) {
      const id = ids[(client * 10 + (round % 10)) % ids.length]!;
      let version = 0;
      reads.push(
        await time(async () => {
          ({ version } = (await (await fetch(`${base}/api/boats/${id}`)).json()) as { version: number });
        }),
      );
      const edit = { type: 'layer.set', layerId: 'l1', patch: { angleDeg: ((round * 17 + client) % 170) - 85 } };
      const action = { clientId: `bench-${run}-${client}-${round}`, action: 'do', edits: [edit] };
      const body = JSON.stringify({ baseVersion: version, actions: [action] });
      edits.push(
        await time(async () => {
          const response = await post(`${base}/api/boats/${id}/edits`, body);
          if (!response.ok) throw new Error(await response.text());
          await response.arrayBuffer();
        }),
      );
      await new Promise((resolve) => setTimeout(resolve, 500 + ((client * 37 + round * 101) % 1000)));
    }
  };
  await Promise.all(Array.from({ length: 20 }, (_, client) => one(client)));
  return { reads, edits };
}

/** Server: cold reads, twenty clients, the same while schedules are printed, list, import, and a start on all that. */
export async function benchServer(data: string, running: Running): Promise<void> {
  const { base } = running;
  const document = boatToJson(largeBoat(28, 8));
  const imports: number[] = [];
  const ids: string[] = [];
  for (let i = 0; i < 200; i++)
    imports.push(
      await time(async () => {
        ids.push(((await (await post(`${base}/api/boats/import`, document)).json()) as { id: string }).id);
      }),
    );
  note('Import a boat', imports, 'ms');
  const quiet = await clients(base, ids, 12, 'quiet');
  note('API read, 200 boats, 20 clients', quiet.reads, 'ms', { limit: 20, of: 'p95' });
  note('API edit, 200 boats, 20 clients', quiet.edits, 'ms', { limit: 40, of: 'p95' });

  const prints: number[] = [];
  let printing = true;
  const print = (async () => {
    for (let i = 0; printing; i++)
      prints.push(
        await time(async () => {
          const units = i % 2 ? 'us' : 'metric';
          // Another version each time, so that no print is kept.
          const { version } = (await (await fetch(`${base}/api/boats/merrow-84`)).json()) as { version: number };
          const edit = { type: 'brief.set', patch: { use: `print ${i}` } };
          const action = { clientId: `bench-print-${i}`, action: 'do', edits: [edit] };
          await post(`${base}/api/boats/merrow-84/edits`, JSON.stringify({ baseVersion: version, actions: [action] }));
          const response = await fetch(`${base}/api/boats/merrow-84/export?format=pdf&units=${units}`);
          if (!response.ok) throw new Error(await response.text());
          await response.arrayBuffer();
        }),
      );
  })();
  const busy = await clients(base, ids, 6, 'busy');
  printing = false;
  await print;
  note('Schedule of Merrow 84 as PDF with all workings, never the same twice', prints, 'ms', {
    limit: 3000,
    of: 'median',
  });
  note('API read while schedules are printed', busy.reads, 'ms', { limit: 20, of: 'p95' });
  note('API edit while schedules are printed', busy.edits, 'ms', { limit: 40, of: 'p95' });
  const lists: number[] = [];
  for (let i = 0; i < 20; i++) lists.push(await time(async () => (await fetch(`${base}/api/boats`)).arrayBuffer()));
  note('List of 202 boats', lists, 'ms');
  await running.stop();
  const again: number[] = [];
  const cold: number[] = [];
  for (let i = 0; i < 3; i++) {
    const server = await startServer(data);
    again.push(server.ready);
    for (const id of ids.slice(i * 20, i * 20 + 20))
      cold.push(await time(async () => (await fetch(`${server.base}/api/boats/${id}`)).arrayBuffer()));
    await server.stop();
  }
  note('Start on an existing build, 202 boats stored', again, 'ms', { limit: 1500, of: 'median' });
  note('First read of a boat after a start', cold, 'ms');
}

export const newData = (): string => mkdtempSync(path.join(tmpdir(), 'keramos-bench-'));
