import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { open, ownBoat, scan, test } from './helpers';

test('a dry place under the rail is found, and mended by one more line that is drawn', async ({ page, request }) => {
  const id = await ownBoat(request, 'Filled launch');
  await open(page, `/boats/${id}/fill?view=fill`);
  await page.getByRole('button', { name: 'Fill it' }).click();
  await expect(page.getByText('One place stays dry')).toBeVisible({ timeout: 120_000 });
  await expect(page.getByText('Do not mix for it')).toBeVisible();
  await scan(page, 'a filled hull');
  // The same with a vacuum line along where it is dry, by mouse.
  await page.getByRole('button', { name: 'Draw a vacuum line' }).click();
  const picture = page.getByRole('group', { name: /lines on it$/ });
  const box = (await picture.boundingBox())!;
  for (const [x, y] of [
    [0.1, 0.5],
    [0.4, 0.47],
    [0.7, 0.5],
  ] as const)
    await picture.click({ position: { x: x * box.width, y: y * box.height } });
  await expect(picture).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Vacuum 2' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Draw a vacuum line' })).toHaveAttribute('aria-pressed', 'false');
  await expect(page.getByRole('heading', { name: 'Not simulated as it stands' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Vacuum 2' })).toHaveCount(0);
  await page.getByLabel('Plan', { exact: true }).selectOption({ label: 'Hull, with a line under the rail' });
  await page.getByRole('button', { name: 'Fill it' }).click();
  await expect(page.getByText(/Wet through in \d+ min/)).toBeVisible({ timeout: 120_000 });
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'DXF', exact: true }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('VACUUM');
});

test('no batch is mixed before the bag has passed; readings stay over a reload', async ({ page, request }) => {
  const id = await ownBoat(request, 'Tight launch');
  await open(page, `/boats/${id}/fill?view=bag`);
  await expect(page.getByText('no batch may be mixed')).toBeVisible();
  const read = async (start: string, end: string) => {
    await page.getByLabel(/^Under the bag at the start/).fill(start);
    const last = page.getByLabel(/^At the end/).first();
    await last.fill(end);
    await last.press('Tab');
    await page.getByRole('button', { name: 'Keep this reading' }).click();
  };
  await read('20 mbar', '120 mbar');
  await expect(page.getByText('✕ not passed').first()).toBeVisible();
  await read('20 mbar', '21 mbar');
  await expect(page.getByText('resin may be mixed')).toBeVisible();
  await page.reload();
  await expect(page.getByText('resin may be mixed')).toBeVisible();
  await expect(page.getByRole('table', { name: 'Drop tests that were kept' }).getByRole('row')).toHaveCount(3);
  await scan(page, 'drop tests');
});

test('cure and hand lay-up read without a mouse and in inches', async ({ page }) => {
  await open(page, '/boats/brant-56/fill?view=cure');
  await expect(page.getByRole('table', { name: 'Zones as they cure' })).toBeVisible({ timeout: 30_000 });
  await scan(page, 'cure');
  await page.getByRole('button', { name: 'in · lb' }).click();
  await expect(page.getByText(/°F/).first()).toBeVisible();
  await page.getByRole('button', { name: 'mm · kg' }).click();
  await page.getByRole('button', { name: 'Hand, wet bag, prepreg' }).click();
  await expect(page.getByRole('table', { name: 'Prepreg' })).toBeVisible();
  await scan(page, 'hand lay-up');
});
