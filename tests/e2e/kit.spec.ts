import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { open, ownBoat, scan, test } from './helpers';

const VIEWS = ['pieces', 'cut', 'boxes', 'mix', 'buy', 'kits'] as const;

test('pieces are counted against the lay-up, labelled, and listed', async ({ page, request }) => {
  const id = await ownBoat(request, 'Cut launch');
  await open(page, `/boats/${id}/kit?view=pieces`);
  await expect(page.getByText(/✓ \d+ pieces for one boat/)).toBeVisible({ timeout: 60_000 });
  const counts = page.getByRole('table', { name: 'Pieces counted against the lay-up' });
  await counts.getByRole('button', { name: '5: BX0 600' }).click();
  const pieces = page.getByRole('table', { name: 'Pieces of the layer' });
  await expect(pieces.getByRole('row')).toHaveCount(3);
  await expect(pieces).toContainText('1 of 1 port');
  await page.getByRole('button', { name: 'Labels (2)' }).click();
  await scan(page, 'labels of pieces');
  const [labels] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Labels as PDF' }).click(),
  ]);
  expect(
    readFileSync(await labels.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  const list = await (await request.get(`/api/boats/${id}/kit?format=csv`)).text();
  expect(list).toContain('Cut list');
  expect(list).toMatch(/Hull,Layer,5,1 of 1,port,"Stitched biaxial/);
  const print = await request.get(`/api/boats/${id}/kit?format=pdf`);
  expect((await print.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const book = await request.get(`/api/boats/${id}/kit?format=xlsx`);
  expect((await book.body()).subarray(0, 2).toString()).toBe('PK');
});

test('a fabric is laid out from the store, cut files are read back, and what is cut is booked', async ({
  page,
  request,
}) => {
  const id = await ownBoat(request, 'Booked launch');
  await open(page, `/boats/${id}/kit?view=cut`);
  await page.getByLabel('Fabric or board').selectOption({ value: 'bx0-450' });
  await expect(page.getByText(/lies in the store, so new rolls|in the store .* on \d rolls/)).toBeVisible();
  await page.getByRole('button', { name: 'Lay it out' }).click();
  const ways = page.getByRole('table', { name: 'Ways to cut it' });
  await expect(ways).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('button', { name: 'Stop' })).toBeHidden({ timeout: 60_000 });
  await expect(page.getByText(/is not in the store: buy \d+ roll/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'It is cut: book it' })).toBeDisabled();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'DXF' }).first().click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('CUT');

  // A roll comes in on the Shelf.
  await open(page, '/shelf');
  await page.getByRole('button', { name: 'Stitched biaxial 0/90, 450' }).click();
  const store = page.getByRole('region', { name: /^In the store/ });
  await store.getByRole('button', { name: 'Bring in' }).click();
  await store.getByLabel('Lot', { exact: true }).fill('K 77');
  await store.getByLabel('Lot', { exact: true }).blur();
  await store.getByRole('button', { name: 'Book it in' }).click();
  await store.getByRole('button', { name: 'Roll K 77' }).click();
  await expect(store).toContainText('100.0 m left');
  await scan(page, 'the store');
  // Nothing below nothing.
  await store.getByLabel(/^Comes/).fill('-500');
  await store.getByLabel(/^Comes/).press('Enter');
  await store.getByLabel('Why').fill('cut for somebody');
  await store.getByLabel('Why').blur();
  await store.getByRole('button', { name: 'Book it', exact: true }).click();
  await expect(store).toContainText('has 100.00 m left: 500.00 cannot be taken');

  await open(page, `/boats/${id}/kit?view=cut`);
  await page.getByLabel('Fabric or board').selectOption({ value: 'bx0-450' });
  await page.getByRole('button', { name: 'Lay it out' }).click();
  await expect(ways).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('button', { name: 'Stop' })).toBeHidden({ timeout: 60_000 });
  const taken = Number((await ways.getByRole('row').last().getByRole('cell').first().innerText()).trim());
  await page.getByRole('button', { name: 'It is cut: book it' }).click();
  await expect(page.getByText('✓ Booked')).toBeVisible();
  const stock = (await (await request.get('/api/stock?material=bx0-450')).json()) as { kind: string; left: number }[];
  const roll = stock.find(({ kind }) => kind === 'roll')!;
  expect(roll.left).toBeCloseTo(100 - taken, 2);
});

test('batches follow the temperature of the shop, and are kept for all boats', async ({ page, request }) => {
  const id = await ownBoat(request, 'Mixed launch');
  await open(page, `/boats/${id}/kit?view=mix`);
  const stages = page.getByRole('table', { name: 'What is mixed, stage by stage' });
  await expect(stages).toContainText('Hull, fill layers', { timeout: 30_000 });
  const minutes = () =>
    stages
      .getByRole('row', { name: /^Hull, fill/ })
      .getByRole('cell')
      .last()
      .innerText();
  const before = Number(await minutes());
  await page.getByLabel(/^Shop/).fill('27');
  await page.getByLabel(/^Shop/).press('Enter');
  await expect.poll(async () => Number(await minutes())).toBeLessThan(before);
  await stages.getByRole('button', { name: /^Hull, fill/ }).click();
  await expect(page.getByRole('table', { name: 'Batches' })).toContainText('layer 28');
  await page.getByRole('button', { name: 'Keep these' }).click();
  await expect(page.getByRole('button', { name: 'Keep these' })).toBeDisabled();
  await open(page);
  await expect(page.getByLabel(/^Shop/)).toHaveValue('27');
  await page.getByLabel(/^Shop/).fill('80');
  await page.getByLabel(/^Shop/).press('Enter');
  await expect(page.getByText(/between 5 and 40|from 5 to 40|5.*40/).first()).toBeVisible();
});

test('a kit is frozen from an issued revision, and the next hull takes it over', async ({ page, request }) => {
  const id = await ownBoat(request, 'Frozen launch');
  await open(page, `/boats/${id}/kit?view=kits`);
  await expect(
    page.getByText('A kit is frozen from an issued revision: issue one under Revisions first.'),
  ).toBeVisible();
  await request.post(`/api/boats/${id}/revisions`, {
    data: { baseVersion: 1, author: 'I. Hallin', note: 'For the shop', answer: 'To be mended' },
  });
  await open(page);
  await page.getByLabel('For hull').fill('1');
  await page.getByRole('button', { name: 'Freeze it' }).click();
  const kits = page.getByRole('table', { name: 'Kits' });
  await expect(kits.getByRole('row', { name: /^1 A/ })).toBeVisible({ timeout: 60_000 });
  await page.getByLabel('For hull').fill('1');
  await page.getByRole('button', { name: 'Freeze it' }).click();
  await expect(page.getByText('Hull 1 has its kit already')).toBeVisible({ timeout: 60_000 });
  await page.getByLabel('For hull').fill('2');
  await page.getByLabel('From', { exact: true }).selectOption({ label: 'the kit of hull 1, as it is' });
  await page.getByRole('button', { name: 'Freeze it' }).click();
  await expect(kits).toContainText('taken over from hull 1');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    kits.getByRole('link', { name: 'JSON' }).first().click(),
  ]);
  const kit = JSON.parse(readFileSync(await file.path(), 'utf8')) as { format: string; kit: { pieces: unknown[] } };
  expect(kit.format).toBe('keramos-kit');
  expect(kit.kit.pieces.length).toBeGreaterThan(100);
});

for (const [width, height] of [
  [1280, 800],
  [820, 1180],
] as const)
  test(`every view of the Kit is in order at ${width} by ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    for (const view of VIEWS) {
      await open(page, `/boats/brant-56/kit?view=${view}`);
      const tables = { pieces: 'Pieces of the layer', cut: null, boxes: 'Panels of the box', mix: 'Batches' } as const;
      const ready = { ...tables, buy: 'Purchase list', kits: '' }[view];
      if (ready === '')
        await expect(page.getByRole('heading', { name: 'Freeze a kit' })).toBeVisible({ timeout: 30_000 });
      else if (ready) await expect(page.getByRole('table', { name: ready })).toBeVisible({ timeout: 60_000 });
      else {
        await page.getByRole('button', { name: 'Lay it out' }).click({ timeout: 60_000 });
        await expect(page.getByRole('table', { name: 'Ways to cut it' })).toBeVisible({ timeout: 60_000 });
      }
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
      await scan(page, `kit, ${view}`);
    }
  });

test('a piece is drawn by hand with mouse and keys, its joints are moved, and undo takes it back', async ({
  page,
  request,
}) => {
  const id = await ownBoat(request, 'Drawn launch');
  await open(page, `/boats/${id}/kit?view=pieces`);
  await expect(page.getByText(/✓ \d+ pieces for one boat/)).toBeVisible({ timeout: 60_000 });
  const counts = page.getByRole('table', { name: 'Pieces counted against the lay-up' });
  await counts.getByRole('button', { name: '5: BX0 600' }).click();
  await page.getByRole('button', { name: '1 of 1 starboard' }).click();
  await page.getByRole('button', { name: 'Draw it by hand' }).click();
  const first = page.getByRole('button', { name: /^Point 1,/ });
  await expect(first).toBeVisible({ timeout: 60_000 });
  const before = await first.getAttribute('aria-label');
  await first.scrollIntoViewIfNeeded();
  const box = (await first.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 30, box.y + box.height / 2 + 4, { steps: 4 });
  await page.mouse.up();
  await expect(first).not.toHaveAttribute('aria-label', before!, { timeout: 60_000 });
  await expect(page.getByRole('table', { name: 'Pieces of the layer' })).toContainText('drawn by hand');
  await scan(page, 'a piece drawn by hand');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(first).toHaveAttribute('aria-label', before!, { timeout: 60_000 });
  await page.getByRole('button', { name: 'Back to the schedule’s' }).click();
  await expect(page.getByRole('button', { name: 'Draw it by hand' })).toBeVisible({ timeout: 60_000 });
});

test('a lay is moved by hand, held fast, nested round, and is there after a reload', async ({ page, request }) => {
  const id = await ownBoat(request, 'Moved launch');
  await open(page, `/boats/${id}/kit?view=cut`);
  await page.getByLabel('Fabric or board').selectOption({ value: 'bx0-450' });
  await page.getByRole('button', { name: 'Lay it out' }).click();
  await expect(page.getByText(/^Drag a piece to another place/)).toBeVisible({ timeout: 60_000 });
  const group = page.getByRole('group', { name: /pieces on new roll 1/ });
  const piece = group.getByRole('button').last();
  await piece.scrollIntoViewIfNeeded();
  const box = (await piece.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2, { steps: 5 });
  await page.mouse.up();
  const moved = page.getByRole('button', { name: 'Take back the last move' });
  await expect(moved.or(page.getByText(/has no room there/))).toBeVisible();
  await page.getByRole('button', { name: 'Hold it fast' }).click();
  await expect(group.getByRole('button', { name: /lies fast/ })).toHaveCount(1);
  await scan(page, 'a lay by hand');
  await page.getByRole('button', { name: /^Nest the rest round/ }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeHidden({ timeout: 60_000 });
  await expect(group.getByRole('button', { name: /lies fast/ })).toHaveCount(1);
  const length = await page.getByRole('table', { name: 'Ways to cut it' }).getByRole('row').last().innerText();
  await page.reload();
  await expect(page.getByRole('table', { name: 'Ways to cut it' })).toBeVisible({ timeout: 60_000 });
  expect(await page.getByRole('table', { name: 'Ways to cut it' }).getByRole('row').last().innerText()).toBe(length);
});
