/**
 * Measures each budget of the house and prints it beside its figure: `npm run bench`, after a build. Needs Debian's
 * Chromium for the page figures.
 */
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { performance } from 'node:perf_hooks';
import { chromium, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import {
  analysePanel,
  analyseZone,
  evaluateStiffeners,
  evaluateZone,
  makeEvaluator,
  marginBand,
} from '../src/core/evaluate';
import { applyEdits, boundariesOf, moveBoundary } from '../src/core/edit';
import { boatFromJson, boatToJson } from '../src/core/document';
import { largeBoat } from '../tests/helpers/largeBoat';
import { ENV, freePort } from './prepare.mjs';

if (!existsSync('.next/BUILD_ID')) throw new Error('Build first: npm run build');
const rows: { what: string; measured: string; budget: string; kept: boolean }[] = [];
const report = (what: string, measured: number, limit: number, unit: string, digits = 1) => {
  rows.push({
    what,
    measured: `${measured.toFixed(digits)} ${unit}`,
    budget: `< ${limit} ${unit}`,
    kept: measured < limit,
  });
  console.log(`${what}: ${measured.toFixed(digits)} ${unit} (budget ${limit} ${unit})`);
};
const percentile = (values: number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))]!;
const time = async (work: () => unknown) => {
  const start = performance.now();
  await work();
  return performance.now() - start;
};

/**
 * One zone of 40 layers from the stack to its margins; turning a layer each time keeps results from being remembered.
 */
async function core(): Promise<void> {
  let boat = largeBoat(57, 1);
  const [part] = boat.parts;
  boat = { ...boat, parts: [{ ...part!, layers: part!.layers.filter((layer) => layer.zones.length).slice(0, 40) }] };
  const { layers } = boat.parts[0]!;
  if (layers.length !== 40) throw new Error(`${layers.length} layers`);
  const samples: number[] = [];
  for (let i = 0; i < 3000; i++) {
    boat = applyEdits(boat, [{ type: 'layer.set', layerId: layers[1]!.id, patch: { angleDeg: (i % 180) - 90 } }]).boat;
    samples.push(await time(() => evaluateZone(boat, boat.parts[0]!, boat.parts[0]!.zones[0]!)));
  }
  report('Evaluate a zone of 40 layers, median', percentile(samples.slice(500), 0.5), 1, 'ms', 3);
  report('Evaluate a zone of 40 layers, 95th percentile', percentile(samples.slice(500), 0.95), 1, 'ms', 3);

  const analyses: number[] = [];
  for (let i = 0; i < 2000; i++) {
    boat = applyEdits(boat, [{ type: 'layer.set', layerId: layers[1]!.id, patch: { angleDeg: (i % 180) - 90 } }]).boat;
    analyses.push(await time(() => analyseZone(boat, boat.parts[0]!, boat.parts[0]!.zones[0]!, 'maxStrain', false)));
  }
  report('Stack, ABD, failure and sandwich of 40 layers, median', percentile(analyses.slice(500), 0.5), 1, 'ms', 3);
  report(
    'Stack, ABD, failure and sandwich of 40 layers, 95th percentile',
    percentile(analyses.slice(500), 0.95),
    1,
    'ms',
    3,
  );

  let large = largeBoat();
  const evaluate = makeEvaluator();
  evaluate(large);
  const edits: number[] = [];
  for (let i = 0; i < 300; i++)
    edits.push(
      await time(() => {
        large = applyEdits(large, [{ type: 'layer.set', layerId: 'l1', patch: { angleDeg: (i % 180) - 90 } }]).boat;
        evaluate(large);
      }),
    );
  report(
    'Edit and evaluate 60 layers × 16 zones, core alone, 95th percentile',
    percentile(edits.slice(50), 0.95),
    50,
    'ms',
  );
}

/** Merrow 84, 16 zones on its geometry: a bulkhead is dragged, and what follows at leisure in a worker. */
async function geometry(): Promise<void> {
  const boat = boatFromJson(readFileSync('data/demo/merrow-84.json', 'utf8'));
  const evaluate = makeEvaluator();
  evaluate(boat);
  const bulkhead = boundariesOf(boat).find(({ kind }) => kind === 'bulkhead')!;
  const drags: number[] = [];
  for (let i = 0; i < 200; i++)
    drags.push(
      await time(() => evaluate(applyEdits(boat, moveBoundary(boat, bulkhead, bulkhead.x + 0.003 * (i % 100))).boat)),
    );
  report(
    'Drag a bulkhead on 16 zones: geometry, panels and margins, median',
    percentile(drags.slice(20), 0.5),
    50,
    'ms',
  );
  report(
    'Drag a bulkhead on 16 zones: geometry, panels and margins, 95th percentile',
    percentile(drags.slice(20), 0.95),
    100,
    'ms',
  );
  const [part] = boat.parts;
  const [zone] = part!.zones;
  report(
    'Panel analysis of one zone, in the worker',
    await time(() => analysePanel(boat, part!, zone!, { terms: 16 })),
    500,
    'ms',
  );
  report(
    'Band of one zone, 400 draws, in the worker',
    await time(() => marginBand(boat, part!, zone!, { seed: 1, draws: 400 })),
    500,
    'ms',
  );
  report('All stiffeners of Merrow 84', await time(() => evaluateStiffeners(boat)), 100, 'ms');
}

async function startServer(): Promise<{ base: string; stop: () => void; ready: number }> {
  const port = await freePort(3460);
  const base = `http://127.0.0.1:${port}`;
  const began = performance.now();
  const env = {
    ...ENV,
    KERAMOS_DATA: mkdtempSync(path.join(tmpdir(), 'keramos-bench-')),
    KERAMOS_DEMO: '1',
  } as unknown as NodeJS.ProcessEnv;
  const child = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    { env, stdio: 'ignore' },
  );
  for (;;) {
    const up = await fetch(`${base}/api/boats`).then(
      (response) => response.ok,
      () => false,
    );
    if (up) break;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  return { base, stop: () => void child.kill(), ready: performance.now() - began };
}

const post = (url: string, body: string) =>
  fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body });

/** 200 boats stored, 20 clients at once, each reading and editing once a second or so, as a busy hand does. */
async function api(base: string): Promise<void> {
  const document = boatToJson(largeBoat(28, 8));
  const ids: string[] = [];
  for (let i = 0; i < 200; i++)
    ids.push(((await (await post(`${base}/api/boats/import`, document)).json()) as { id: string }).id);
  const reads: number[] = [];
  const edits: number[] = [];
  const clients = Array.from({ length: 20 }, async (_, client) => {
    await new Promise((resolve) => setTimeout(resolve, client * 50));
    for (let round = 0; round < 15; round++) {
      const id = ids[(client * 10 + (round % 10)) % 200]!;
      let version = 0;
      reads.push(
        await time(
          async () => ({ version } = (await (await fetch(`${base}/api/boats/${id}`)).json()) as { version: number }),
        ),
      );
      const edit = { type: 'layer.set', layerId: 'l1', patch: { angleDeg: round } };
      const body = JSON.stringify({
        baseVersion: version,
        actions: [{ clientId: `bench-${client}-${round}`, action: 'do', edits: [edit] }],
      });
      edits.push(
        await time(async () => {
          const response = await post(`${base}/api/boats/${id}/edits`, body);
          if (!response.ok) throw new Error(await response.text());
          await response.arrayBuffer();
        }),
      );
      await new Promise((resolve) => setTimeout(resolve, 500 + Math.random() * 1000));
    }
  });
  await Promise.all(clients);
  report('API read, 200 boats, 20 clients, 95th percentile', percentile(reads, 0.95), 30, 'ms');
  report('API edit, 200 boats, 20 clients, 95th percentile', percentile(edits, 0.95), 60, 'ms');
}

async function load(page: Page, url: string): Promise<{ milliseconds: number; kilobytes: number; afterwards: number }> {
  const scripts: Promise<number>[] = [];
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script')
      scripts.push(
        response
          .request()
          .sizes()
          .then((sizes) => sizes.responseBodySize),
      );
  });
  // Loaded is a page that answers: its content there and its handlers attached. What it computes aside afterwards is
  // not waited for.
  const milliseconds = await time(async () => {
    await page.goto(url, { waitUntil: 'load' });
    await page.waitForFunction(() =>
      Object.keys(document.querySelector('main') ?? {}).some((key) => key.startsWith('__reactFiber')),
    );
  });
  const first = scripts.length;
  await page.waitForLoadState('networkidle');
  const sizes = (await Promise.all(scripts)).map((size) => size / 1024);
  const sum = (some: number[]) => some.reduce((total, size) => total + size, 0);
  page.removeAllListeners('response');
  return { milliseconds, kilobytes: sum(sizes.slice(0, first)), afterwards: sum(sizes.slice(first)) };
}

async function pages(base: string): Promise<void> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'],
  });
  const views = [
    '/',
    '/shelf',
    '/packs',
    ...['brief', 'zones', 'layup', 'analysis', 'panel', 'stiffeners', 'check', 'weights', 'revisions', 'pack'].map(
      (step) => `/boats/merrow-84/${step}`,
    ),
  ];
  for (const view of views) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const { milliseconds, kilobytes, afterwards } = await load(await context.newPage(), `${base}${view}`);
    report(`First load of ${view}`, milliseconds, 1500, 'ms', 0);
    report(
      `Script of ${view} until it answers, compressed (and ${afterwards.toFixed(0)} kB afterwards)`,
      kilobytes,
      300,
      'kB',
      0,
    );
    await context.close();
  }

  const { id } = (await (await post(`${base}/api/boats/import`, boatToJson(largeBoat()))).json()) as { id: string };
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/boats/${id}/layup`, { waitUntil: 'networkidle' });
  await page.locator('[data-cell="1:1"]').click();
  const before = await page.locator('[data-cell="1:1"]').innerText();
  const keys = await page.evaluate(async () => {
    const samples: number[] = [];
    for (let i = 0; i < 201; i++) {
      const start = performance.now();
      document
        .querySelector('[data-cell="1:1"]')!
        .dispatchEvent(new KeyboardEvent('keydown', { key: 't', bubbles: true }));
      // The frame after the next is on screen: the change has been computed, rendered and painted.
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
      samples.push(performance.now() - start);
      await new Promise((resolve) => setTimeout(resolve, 60));
    }
    return samples;
  });
  if ((await page.locator('[data-cell="1:1"]').innerText()) === before)
    throw new Error('The keys of the measurement changed nothing');
  report('Key to every margin on screen, 60 layers × 16 zones, median', percentile(keys, 0.5), 50, 'ms');
  report('Key to every margin on screen, 60 layers × 16 zones, 95th percentile', percentile(keys, 0.95), 50, 'ms');

  await page.goto(`${base}/boats/merrow-84/zones`, { waitUntil: 'networkidle' });
  const grip = (await page.locator('g[role=slider][aria-label^="Collision bulkhead"] rect').first().boundingBox())!;
  const drags = await page.evaluate(
    async ({ x, y }) => {
      const handle = document.elementFromPoint(x, y)!;
      handle.setPointerCapture = () => {};
      handle.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true, clientX: x, clientY: y, pointerId: 1 }));
      const samples: number[] = [];
      for (let i = 0; i < 80; i++) {
        const start = performance.now();
        handle.dispatchEvent(
          new PointerEvent('pointermove', { bubbles: true, clientX: x - 1 - (i % 40), clientY: y, pointerId: 1 }),
        );
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
        samples.push(performance.now() - start);
      }
      handle.dispatchEvent(new PointerEvent('pointerup', { bubbles: true, clientX: x, clientY: y, pointerId: 1 }));
      return samples;
    },
    { x: grip.x + grip.width / 2, y: grip.y + grip.height / 2 },
  );
  report('Drag on the drawing to every figure on screen, 16 zones, median', percentile(drags, 0.5), 100, 'ms');
  report(
    'Drag on the drawing to every figure on screen, 16 zones, 95th percentile',
    percentile(drags, 0.95),
    200,
    'ms',
  );
  await browser.close();
}

await core();
await geometry();
const server = await startServer();
report('Start on an existing build', server.ready / 1000, 2, 's', 2);
try {
  await pages(server.base);
  await api(server.base);
} finally {
  server.stop();
}
console.table(
  rows.map(({ what, measured, budget, kept }) => ({ what, measured, budget, '': kept ? 'kept' : 'MISSED' })),
);
process.exit(0);
