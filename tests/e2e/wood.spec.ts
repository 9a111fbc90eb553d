import { expect } from '@playwright/test';
import { cell, open, ownBoat, saved, standOn, test, zoneCell } from './helpers';

test('a bulkhead is sheeted in plywood: thickness, grain, checks, a word on bare wood', async ({ page, request }) => {
  const id = await ownBoat(request, 'Plywood boat');
  await open(page, `/boats/${id}/layup`);
  await page.getByRole('button', { name: 'Bulkheads', exact: true }).click();
  const rows = page.getByRole('grid').locator('.layer-row');
  await expect(rows).toHaveCount(5);
  // The engine bulkhead is emptied, layer by layer.
  for (let row = 1; row <= 5; row++) {
    const covered = zoneCell(page, row, 'Engine bulkhead');
    if (!((await covered.getAttribute('aria-label')) ?? '').endsWith('not covered')) {
      await covered.click();
      await page.keyboard.press('Space');
    }
  }
  await standOn(page, 5, 3);
  await page.keyboard.press('n');
  await page.getByRole('combobox', { name: 'Find a fabric, core, sheet of wood or coating' }).fill('gaboon');
  await page.keyboard.press('Enter');
  await expect(cell(page, 6, 0)).toHaveText('GABOON');
  await expect(cell(page, 6, 1)).toHaveText('9.0 mm · 0°');
  await standOn(page, 6, 1);
  await page.keyboard.type('12');
  await page.keyboard.press('Enter');
  await expect(cell(page, 6, 1)).toHaveText('12.0 mm · 0°');
  await page.keyboard.press('t');
  await expect(cell(page, 6, 1)).toHaveText('12.0 mm · 45°');
  const thickness = page.getByLabel('Thickness of the layer in mm');
  await thickness.fill('90°');
  await thickness.press('Enter');
  await expect(cell(page, 6, 1)).toHaveText('12.0 mm · 90°');
  if (!((await zoneCell(page, 6, 'Engine bulkhead').getAttribute('aria-label')) ?? '').endsWith(': covered')) {
    await zoneCell(page, 6, 'Engine bulkhead').click();
    await page.keyboard.press('Space');
  }
  await saved(page);
  await open(page, `/boats/${id}/check`);
  const row = page.getByRole('row', { name: /^Engine bulkhead Bulkheads/ });
  await expect(row).toContainText('GABOON');
  await expect(page.getByText('Bare wood: seal it')).toBeVisible();
});

test('a boat is made longer: usual values follow, what was typed stays, one undo takes it back', async ({
  page,
  request,
}) => {
  const response = await request.post('/api/boats', { data: { name: 'Growing boat' } });
  expect(response.status()).toBe(201);
  const { id } = (await response.json()) as { id: string };
  await open(page, `/boats/${id}/brief`);
  const length = page.getByLabel(/^Length of hull/);
  const waterline = page.getByLabel(/^Waterline length/);
  await expect(waterline).toHaveValue('5.3');
  await length.fill('9');
  await length.press('Enter');
  await expect(waterline).toHaveValue('7.95');
  await expect(page.getByRole('img', { name: /hull 9\.000 m, waterline 7\.950 m/ })).toBeVisible();
  await saved(page);
  await open(page, `/boats/${id}/zones`);
  await page.getByRole('button', { name: 'Shape', exact: true }).click();
  await expect(page.getByLabel(/^Freeboard amidships/)).toHaveValue('0.81');
  await open(page, `/boats/${id}/brief`);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(length).toHaveValue('6');
  await expect(waterline).toHaveValue('5.3');
  await waterline.fill('5.4');
  await waterline.press('Enter');
  await length.fill('7');
  await length.press('Enter');
  await expect(length).toHaveValue('7');
  await expect(waterline).toHaveValue('5.4');
  await saved(page);
});
