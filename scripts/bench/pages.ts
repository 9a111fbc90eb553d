import { chromium, type Browser, type Page, type Request } from '@playwright/test';
import { boatToJson } from '../../src/core/document';
import { largeBoat } from '../../tests/helpers/largeBoat';
import { note, time } from './report';
import { post } from './server';

const STEPS = [
  'brief',
  'zones',
  'layup',
  'analysis',
  'panel',
  'stiffeners',
  'details',
  'check',
  'options',
  'weights',
  'revisions',
  'pack',
];
const VIEWS = ['/', '/shelf', '/packs', ...STEPS.map((step) => `/boats/merrow-84/${step}`)];
const LAUNCH = {
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'],
};

const answers = (page: Page) =>
  page.waitForFunction(() =>
    Object.keys(document.querySelector('main') ?? {}).some((key) => key.startsWith('__reactFiber')),
  );

/** A page that nobody opened before in this browser: until it answers, and all script it ever fetches. */
async function firstLoad(browser: Browser, url: string, slowed = 1) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  if (slowed > 1) {
    const session = await context.newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: slowed });
  }
  const finished: Request[] = [];
  const keep = (request: Request) => finished.push(request);
  page.on('requestfinished', keep);
  const milliseconds = await time(async () => {
    await page.goto(url, { waitUntil: 'load' });
    await answers(page);
  });
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(1200);
  page.off('requestfinished', keep);
  const scripts = finished.filter((request) => request.resourceType() === 'script');
  const sizes = await Promise.all(scripts.map((request) => request.sizes()));
  const kilobytes = sizes.reduce((sum, { responseBodySize }) => sum + responseBodySize / 1024, 0);
  await context.close();
  return { milliseconds, kilobytes, requests: finished.length };
}

/**
 * A screen opened for the first time by the rail of a boat: from the click until it asks its question,
 * measured in the page.
 */
async function firstOpening(browser: Browser, base: string, boat: string, step: string): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(`${base}/boats/${boat}/${step === 'weights' ? 'pack' : 'weights'}`, { waitUntil: 'networkidle' });
  await answers(page);
  const link = page.locator(`nav a[href="/boats/${boat}/${step}"]`);
  await link.evaluate((element) => {
    const before = document.querySelector('main')?.querySelector('.question')?.textContent ?? '';
    element.addEventListener('click', () => {
      const start = performance.now();
      const watch = setInterval(() => {
        const asked = document.querySelector('main')?.querySelector('.question')?.textContent ?? '';
        if (location.pathname !== element.getAttribute('href') || asked === before) return;
        clearInterval(watch);
        Object.assign(globalThis, { openedAfter: performance.now() - start });
      }, 4);
    });
  });
  await link.click();
  const opened = await page.waitForFunction(() => (globalThis as unknown as { openedAfter?: number }).openedAfter);
  const milliseconds = (await opened.jsonValue())!;
  await context.close();
  return milliseconds;
}

/** Milliseconds from a key until the page holds all that it did, and until the frame that shows it. */
interface KeySamples {
  held: number[];
  shown: number[];
}
/** Real keys, one after the other. A frame comes 60 times a second: waiting for it alone takes 8 ms on the mean. */
async function keys(page: Page, presses: readonly string[], gap: number): Promise<KeySamples> {
  await page.evaluate(() => {
    const samples: KeySamples = { held: [], shown: [] };
    Object.assign(globalThis, { keySamples: samples });
    let changed = 0;
    new MutationObserver(() => (changed = performance.now())).observe(document.body, {
      subtree: true,
      childList: true,
      characterData: true,
      attributes: true,
    });
    document.addEventListener(
      'keydown',
      () => {
        const start = performance.now();
        changed = 0;
        requestAnimationFrame(() =>
          setTimeout(() => {
            if (changed > start) samples.held.push(changed - start);
            samples.shown.push(performance.now() - start);
          }, 0),
        );
      },
      true,
    );
  });
  for (const press of presses) {
    await page.keyboard.press(press);
    if (gap > 0) await page.waitForTimeout(gap);
  }
  await page.waitForTimeout(500);
  return page.evaluate(() => (globalThis as unknown as { keySamples: KeySamples }).keySamples);
}

/**
 * The budget holds until the page has all margins. The frame that shows them comes when it comes: 60 times a second, so
 * that its wait alone is above 15 ms for one key in ten, whatever the key does.
 */
function noteKeys(what: string, { held, shown }: KeySamples): void {
  note(what, held, 'ms', { limit: 16, of: 'p95' });
  note('The same with the wait for the frame that shows it', shown, 'ms');
}

const repeat = (count: number, ...presses: string[]) => Array.from({ length: count }, () => presses).flat();

async function grid(browser: Browser, base: string): Promise<void> {
  const { id } = (await (await post(`${base}/api/boats/import`, boatToJson(largeBoat()))).json()) as { id: string };
  const open = async () => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${base}/boats/${id}/layup`, { waitUntil: 'networkidle' });
    await answers(page);
    await page.locator('.layer-row').nth(4).locator('[data-column="1"]').click();
    return page;
  };
  const size = '60 layers × 16 zones';
  let page = await open();
  noteKeys(`Turn a layer by key, every margin on the page, ${size}`, await keys(page, repeat(80, 't'), 60));
  await page.close();
  page = await open();
  noteKeys(`Remove a layer and take it back by key, ${size}`, await keys(page, repeat(30, 'Delete', 'Control+z'), 120));
  await page.close();
  page = await open();
  note(`Keys held down, ${size}`, (await keys(page, repeat(60, 't'), 0)).shown, 'ms');
  await page.close();
  page = await open();
  await page.getByRole('button', { name: 'What each layer buys' }).click();
  await page.waitForTimeout(1500);
  await page.locator('.layer-row').nth(4).locator('[data-column="1"]').click();
  noteKeys(`Turn a layer with "What each layer buys" open, ${size}`, await keys(page, repeat(30, 't'), 150));
  await page.close();
}

async function fullChecks(browser: Browser, base: string): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const check = await time(async () => {
    await page.goto(`${base}/boats/merrow-84/check`);
    await page
      .getByText(/seed 84\.$/)
      .first()
      .waitFor({ timeout: 60_000 });
  });
  note('Check with every band and analysis', [check], 'ms');
  await page.close();
}

/** Every screen loaded for the first time, keys in the grid, and a processor as slow as a tablet's. */
export async function benchPages(base: string): Promise<void> {
  const browser = await chromium.launch(LAUNCH);
  for (const view of VIEWS) {
    const loads = [];
    for (let i = 0; i < 3; i++) loads.push(await firstLoad(browser, `${base}${view}`));
    note(
      `First load of ${view}`,
      loads.map(({ milliseconds }) => milliseconds),
      'ms',
      { limit: 800, of: 'median' },
    );
    note(`All script of ${view}, compressed`, [loads[0]!.kilobytes], 'kB', { limit: 200, of: 'median' });
    note(`Requests of ${view}`, [loads[0]!.requests], '');
  }
  for (const boat of ['merrow-84', 'brant-56'])
    for (const step of STEPS)
      note(
        `First opening of ${step} of ${boat} by the rail`,
        [await firstOpening(browser, base, boat, step), await firstOpening(browser, base, boat, step)],
        'ms',
        { limit: 800, of: 'median' },
      );
  for (const step of ['layup', 'check', 'details'])
    note(
      `First load of ${step}, processor slowed four times`,
      [(await firstLoad(browser, `${base}/boats/merrow-84/${step}`, 4)).milliseconds],
      'ms',
    );
  await grid(browser, base);
  await fullChecks(browser, base);
  await browser.close();
}
