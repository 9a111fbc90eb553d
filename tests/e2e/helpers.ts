import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type APIRequestContext, type Page } from '@playwright/test';
import { MERROW_FILE } from '../helpers/files';

/** A test in whose pages nothing may throw, and that wake up as the server rendered them. */
export const test = base.extend<{ quiet: void }>({
  // Each worker has a server of its own, so that what one test stores is never in the way of another's.
  baseURL: async ({ baseURL }, give, { parallelIndex }) => {
    const url = new URL(baseURL!);
    url.port = String(Number(url.port) + parallelIndex);
    await give(url.origin);
  },
  quiet: [
    async ({ context }, use) => {
      const thrown: string[] = [];
      context.on('weberror', (error) => thrown.push(`${error.page()?.url()}: ${error.error().message}`));
      await use();
      expect(thrown, 'thrown in a page').toEqual([]);
    },
    { auto: true },
  ],
});

export const MERROW = readFileSync(MERROW_FILE, 'utf8');

/** A boat of the test's own, like Merrow 84. */
export async function ownBoat(request: APIRequestContext, name: string): Promise<string> {
  const response = await request.post('/api/boats/import', {
    headers: { 'content-type': 'application/json' },
    data: MERROW.replace('"name": "Merrow 84"', `"name": "${name}"`),
  });
  expect(response.status()).toBe(201);
  return ((await response.json()) as { id: string }).id;
}

/** Go there (or load again) and wait until the page answers to keys. */
export async function open(page: Page, url?: string): Promise<void> {
  await (url === undefined ? page.reload() : page.goto(url));
  await page.waitForFunction(() => {
    const awake = (element: Element) => Object.keys(element).some((key) => key.startsWith('__reactFiber'));
    const main = document.querySelector('main');
    return main !== null && [main, ...main.querySelectorAll('a, button, input, select')].every(awake);
  });
}

const row = (page: Page, number: number) => page.locator('.layer-row').nth(number - 1);
/** The cell of a layer's number and a column: 0 its material, 1 what is given of it, then the zones. */
export const cell = (page: Page, number: number, column: number) =>
  row(page, number).locator(`[data-column="${column}"]`);
/** The cell of a layer's number and a zone's name. */
export const zoneCell = (page: Page, number: number, zone: string) =>
  row(page, number).getByRole('gridcell', { name: new RegExp(`^${zone}: `) });
/** Put the cursor of the grid on a cell, and the focus on the grid. */
export async function standOn(page: Page, number: number, column: number): Promise<void> {
  const wanted = cell(page, number, column);
  if (/\bcursor\b/.test((await wanted.getAttribute('class')) ?? '')) await page.getByRole('grid').focus();
  else await wanted.click();
  await standsOn(page, number, column);
}
/** The cursor stands there, and keys go to the grid. */
export async function standsOn(page: Page, number: number, column: number): Promise<void> {
  await expect(cell(page, number, column)).toHaveClass(/\bcursor\b/);
  await expect(page.getByRole('grid')).toBeFocused();
}
export const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveText('Saved');
/** Reserve of a zone as it stands under its column. */
export const reserveUnder = async (page: Page, zone: string) => {
  const heads = await page.locator('thead th.zone-head').allInnerTexts();
  const at = heads.findIndex((text) => text.trim() === zone);
  const text = await page.locator('tfoot tr', { hasText: 'Least reserve' }).locator('td').nth(at).innerText();
  return Number(/\d+\.\d+/.exec(text)![0]);
};

/** No serious fault by the automatic accessibility scan, and no quantity left without its units. */
export async function scan(page: Page, name: string): Promise<void> {
  expect(
    await page.evaluate(() => /\{\{\w+ [^}]*\}\}/.exec(document.querySelector('body main')!.outerHTML)?.[0] ?? null),
    `${name}: a quantity without units`,
  ).toBeNull();
  // A colour on its way to another is neither.
  await page.evaluate(() =>
    Promise.race([
      Promise.all(document.getAnimations().map((one) => one.finished.catch(() => undefined))),
      new Promise((done) => setTimeout(done, 1000)),
    ]).then(() => undefined),
  );
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'best-practice'])
    .analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(
    serious.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 140)).join(' | ')}`),
    name,
  ).toEqual([]);
}

/**
 * What a screen says, line by line: rows, paragraphs, heads, drawings' texts and entries; times and hashes left out.
 */
const wordsOn = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const said = (element: Element): string => {
      if (element instanceof HTMLInputElement) return `${element.labels?.[0]?.textContent ?? ''} = ${element.value}`;
      const copy = element.cloneNode(true) as Element;
      copy.querySelectorAll('time, code, .katex-mathml').forEach((part) => part.remove());
      return copy.textContent ?? '';
    };
    const parts = 'tr, p, h2, h3, li, dt, dd, svg text, input:not([type=checkbox]), [aria-label][role=img]';
    return [...document.querySelectorAll(`main :is(${parts})`)]
      .map((element) => said(element) || (element.getAttribute('aria-label') ?? ''))
      .map((text) => text.replace(/\s+/g, ' ').trim())
      .filter((text) => /\d/.test(text))
      .join('\n');
  });

/** The figures of a screen are those that were kept: a picture may be off by a few dots, a number may not. */
export async function sameNumbers(page: Page, name: string): Promise<void> {
  const file = path.join('tests/e2e/numbers', `${name}.txt`);
  // Formulas are set once the typesetter has come; until then they read otherwise.
  await page.waitForFunction(() => document.querySelector('main [role=math]:not(:has(.katex))') === null);
  const now = `${await wordsOn(page)}\n`;
  const update = test.info().config.updateSnapshots;
  if (update === 'all' || update === 'changed') {
    mkdirSync(path.dirname(file), { recursive: true });
    writeFileSync(file, now);
  } else expect(now, `the numbers of ${name}`).toBe(readFileSync(file, 'utf8'));
}
