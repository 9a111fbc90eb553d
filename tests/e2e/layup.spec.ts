import { expect, test } from '@playwright/test';
import { cell, open, ownBoat, reserveUnder, saved, zoneCell } from './helpers';

test.beforeEach(async ({ page, request }, { title }) => {
  await open(page, `/boats/${await ownBoat(request, title.slice(0, 40))}/layup`);
  await expect(page.getByRole('grid')).toBeVisible();
});

test('by keyboard alone: add, choose, turn, cover, move, duplicate, remove, undo all', async ({ page }) => {
  const rows = page.getByRole('grid').locator('tbody tr');
  const before = await page.getByRole('grid').innerText();
  await expect(rows).toHaveCount(28);
  await cell(page, 1, 2).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('n');
  await page.getByRole('combobox', { name: 'Find a fabric, core or coating' }).fill('quad 800');
  await page.keyboard.press('Enter');
  await expect(cell(page, 4, 0)).toHaveText('QX 800');
  await expect(cell(page, 4, 2)).toBeFocused();
  await page.keyboard.type('30');
  await page.keyboard.press('Enter');
  await expect(cell(page, 4, 1)).toHaveText('30°');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(zoneCell(page, 4, 'Bottom aft')).toHaveAccessibleName('Bottom aft: layer 4 covers');
  await page.keyboard.press('Alt+ArrowDown');
  await expect(cell(page, 5, 0)).toHaveText('QX 800');
  await page.keyboard.press('d');
  await expect(rows).toHaveCount(30);
  await page.keyboard.press('Delete');
  await expect(rows).toHaveCount(29);
  await saved(page);
  await open(page);
  await expect(cell(page, 5, 0)).toHaveText('QX 800');
  for (let i = 0; i < 6; i++) await page.keyboard.press('Control+z');
  await expect(rows).toHaveCount(28);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  expect(await page.getByRole('grid').innerText()).toBe(before);
  await page.keyboard.press('Control+y');
  await expect(cell(page, 4, 0)).toHaveText('QX 800');
});

test('a change shows at once in every number, and the section is drawn', async ({ page }) => {
  const drawing = page.getByRole('img', { name: /Section of Bottom forward, 10 layers, 24\.1 mm/ });
  await expect(drawing).toBeVisible();
  expect(await reserveUnder(page, 'Bottom forward')).toBe(0.89);
  await cell(page, 14, 1).click();
  await page.keyboard.type('1 in');
  await page.keyboard.press('Enter');
  await expect(cell(page, 14, 1)).toHaveText('25.4 mm');
  await expect(page.getByRole('img', { name: /Section of Bottom forward, 10 layers, 29\.5 mm/ })).toBeVisible();
  expect(await reserveUnder(page, 'Bottom forward')).toBeGreaterThan(1);
  await page.getByRole('button', { name: 'in · lb' }).click();
  await expect(cell(page, 14, 1)).toHaveText('1.000 in');
  await page.getByRole('button', { name: 'mm · kg' }).click();
  await expect(cell(page, 14, 1)).toHaveText('25.4 mm');
});

test('bad entries are refused in words and nothing changes', async ({ page }) => {
  await cell(page, 14, 1).click();
  await page.keyboard.type('3');
  await page.keyboard.type(' m');
  await page.keyboard.press('Enter');
  await expect(page.locator('main').getByRole('alert')).toContainText('Thickness must be between');
  await page.keyboard.press('Escape');
  await page.keyboard.type('4 kg');
  await page.keyboard.press('Enter');
  await expect(page.locator('main').getByRole('alert')).toContainText('does not measure that');
  await page.keyboard.press('Escape');
  await expect(cell(page, 14, 1)).toHaveText('20.0 mm');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a layer is dragged to another place', async ({ page }) => {
  await expect(cell(page, 4, 0)).toHaveText('TX 900');
  const handle = page.getByLabel('Move layer 4', { exact: true });
  const from = (await handle.boundingBox())!;
  await page.mouse.move(from.x + 5, from.y + 10);
  await page.mouse.down();
  await page.mouse.move(from.x + 5, from.y + 30, { steps: 5 });
  await page.mouse.move(from.x + 5, from.y + 58, { steps: 5 });
  await page.mouse.up();
  await expect(cell(page, 6, 0)).toHaveText('TX 900');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cell(page, 4, 0)).toHaveText('TX 900');
});

test('edits made while the server is away survive a reload and are saved when it returns', async ({ page }) => {
  await page.route('**/api/boats/*/edits', (route) => route.abort());
  await cell(page, 4, 0).click();
  await page.keyboard.press('Shift+T');
  await expect(page.getByTestId('save-state')).toContainText('kept here');
  await open(page);
  await expect(cell(page, 4, 1)).toHaveText('90°');
  await page.unroute('**/api/boats/*/edits');
  await expect(page.getByTestId('save-state')).toHaveText('Saved', { timeout: 15_000 });
  await page.evaluate(() => localStorage.clear());
  await open(page);
  await expect(cell(page, 4, 1)).toHaveText('90°');
});

for (const [choice, expected] of [
  ['Put my changes on top of theirs', { angle: '45°', layers: 27 }],
  ['Take theirs, drop mine', { angle: '0°', layers: 27 }],
] as const)
  test(`two windows on one boat: the second is shown the difference and may "${choice}"`, async ({ page, context }) => {
    const other = await context.newPage();
    await open(other, page.url());
    await expect(other.getByRole('grid')).toBeVisible();
    await cell(page, 6, 0).click();
    await page.keyboard.press('Delete');
    await saved(page);
    await cell(other, 4, 0).click();
    await other.keyboard.press('t');
    const dialog = other.getByRole('dialog', { name: /Somebody else changed/ });
    await expect(dialog.getByRole('row', { name: /removed Layer 6, BX45 600/ })).toBeVisible();
    await expect(dialog.getByRole('row', { name: /Layer 4, TX 900/ })).toContainText('0° → 45°');
    await dialog.getByRole('button', { name: choice }).click();
    await saved(other);
    await expect(cell(other, 4, 1)).toHaveText(expected.angle);
    await expect(other.getByRole('grid').locator('tbody tr')).toHaveCount(expected.layers);
    await open(other);
    await expect(cell(other, 4, 1)).toHaveText(expected.angle);
  });
