import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { open, ownBoat, saved, scan, standOn, test } from './helpers';

const VIEWS = ['laminate', 'aboard', 'floats', 'stages', 'cost', 'spaces'] as const;

test('a weight is entered, a list is imported, and the boat floats by it', async ({ page, request }) => {
  const id = await ownBoat(request, 'Weighed launch');
  await open(page, `/boats/${id}/weights?view=aboard`);
  const items = page.getByRole('table', { name: 'Items' });
  await expect(items.getByRole('button', { name: 'Hydraulic winch' })).toBeVisible();
  await page.getByRole('button', { name: 'Paste or import a list' }).click();
  await page.getByLabel('Table of items').setInputFiles({
    name: 'crane.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Item;Gewicht (kg);x (m);z (m)\nDeck crane;310,5;1,2;1,9\nNothing;;;\nBad;much;1;1\n'),
  });
  const rows = page.getByRole('table', { name: 'Rows of the list' });
  await expect(rows).toContainText('310.5 kg');
  await expect(rows).toContainText('"much" is no mass of one');
  await scan(page, 'items, a list read');
  await page.getByRole('button', { name: 'Take 1 item', exact: true }).click();
  await expect(items.getByRole('button', { name: 'Deck crane' })).toBeVisible();
  await saved(page);

  await page.getByRole('button', { name: 'How she floats' }).click();
  const conditions = page.getByRole('table', { name: 'Loading conditions' });
  const mass = () => conditions.getByRole('row', { name: /^Mass/ }).getByRole('cell').last().innerText();
  const before = Number((await mass()).replace(/[^\d.]/g, ''));
  const crane = await page.locator('#moved-mass option', { hasText: 'Deck crane' }).getAttribute('value');
  await page.getByLabel(/by moment above the baseline/).selectOption(crane!);
  await page.getByLabel(/^Heavier by/).fill('-100');
  await page.getByLabel(/^Heavier by/).press('Enter');
  await expect(page.getByText(/The centre of the boat comes .* lower/)).toBeVisible();
  await page.getByRole('button', { name: 'Put it there' }).click();
  await saved(page);
  await expect.poll(async () => before - Number((await mass()).replace(/[^\d.]/g, ''))).toBeCloseTo(100, 0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => before - Number((await mass()).replace(/[^\d.]/g, ''))).toBeCloseTo(0, 0);
});

test('a layer changed in the grid moves mass, centre, cost and hours of the whole boat', async ({ page, request }) => {
  const id = await ownBoat(request, 'Heavier launch');
  await open(page, `/boats/${id}/layup`);
  const line = page.getByLabel('The whole boat');
  await expect(line).toContainText(/light \d+\.\d kg/, { timeout: 30_000 });
  await expect(line).not.toContainText('(+');
  await standOn(page, 4, 2);
  await page.keyboard.press('d');
  await expect(line).toContainText(/\(\+\d+\.\d kg\)/, { timeout: 15_000 });
  await expect(line).toContainText(/EUR \(\+\d+ EUR\)/);
  await expect(line).toContainText(/h \(\+\d+\.\d h\)/);
});

test('a weighing is kept over a reload; weights, conditions and soundings leave as a workbook', async ({
  page,
  request,
}) => {
  const id = await ownBoat(request, 'Launch on the scales');
  await open(page, `/boats/${id}/weights?view=stages`);
  await page.getByLabel('On the scales', { exact: true }).selectOption('Hull');
  await page.getByLabel(/^Mass on the scales/).fill('372 kg');
  await page.getByLabel(/^Mass on the scales/).press('Tab');
  await page.getByRole('button', { name: 'Keep this weighing' }).click();
  const list = page.getByRole('list', { name: 'Weighings' });
  await expect(list).toContainText('Hull, bare mouldings: 372.0 kg');
  await open(page);
  await expect(list).toContainText('fibre fraction');
  await scan(page, 'weights, one weighed');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'XLSX' }).click();
  const file = readFileSync(await (await download).path());
  expect(file.subarray(0, 2).toString()).toBe('PK');
  const csv = await (await request.get(`/api/boats/${id}/weights?format=csv`)).text();
  for (const word of ['Everything aboard', 'Loading conditions', 'Cost and hours', 'Full of water', 'Soundings Fuel'])
    expect(csv).toContain(word);
  expect((await request.get(`/api/boats/${id}/weights?format=pdf`)).status()).toBe(422);
});

test('foam is drawn into place on the picture, and taken back', async ({ page, request }) => {
  const id = await ownBoat(request, 'Buoyant launch');
  await open(page, `/boats/${id}/weights?view=spaces`);
  const from = page.getByLabel(/^From/);
  const shape = page.locator('svg.boat-drawing path', {
    has: page.locator('title', { hasText: 'Sides under the seats' }),
  });
  await shape.first().click();
  await expect(from).toHaveValue('3.3');
  const box = (await shape.first().boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(from).not.toHaveValue('3.3');
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(from).toHaveValue('3.3');
});

for (const [width, height] of [
  [1280, 800],
  [820, 1180],
] as const)
  test(`every view of Weights holds at ${width} dots and can be reached by all`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    for (const view of VIEWS) {
      await open(page, `/boats/merrow-84/weights?view=${view}`);
      await expect(page.getByText('Opening…')).toHaveCount(0, { timeout: 20_000 });
      await page.waitForTimeout(400);
      expect(await page.evaluate(() => document.documentElement.scrollWidth), view).toBeLessThanOrEqual(width);
      await scan(page, `weights, ${view}, ${width}`);
    }
  });
