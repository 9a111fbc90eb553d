import { expect } from '@playwright/test';
import { cell, MERROW, open, ownBoat, saved, test } from './helpers';

test('boats are created, duplicated as variants, archived and brought back', async ({ page }) => {
  await open(page, '/');
  await page.getByLabel('Name of the new boat').fill('Teal 62');
  await page.getByRole('button', { name: 'Create' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Teal 62');
  await open(page, '/');
  await page.getByRole('button', { name: 'Duplicate Teal 62 as a variant' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Teal 62, variant');
  await open(page, '/');
  const row = page.getByRole('row', { name: /Teal 62, variant/ });
  await expect(row.getByRole('link', { name: 'Teal 62', exact: true })).toBeVisible();
  await row.getByRole('button', { name: /Archive/ }).click();
  await expect(row).toHaveCount(0);
  await page.getByLabel('Show archived boats').check();
  await row.getByRole('button', { name: /Bring back/ }).click();
  await expect(row.getByRole('button', { name: /Archive/ })).toBeVisible();
});

test('a broken boat document is refused with the field and nothing comes in', async ({ page }) => {
  await open(page, '/');
  const before = await page.getByRole('table', { name: 'Boats' }).locator('tbody tr').count();
  const choose = (name: string, text: string) =>
    page.getByLabel('Boat document').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  await choose('cut.json', MERROW.slice(0, 5000));
  await expect(page.locator('main').getByRole('alert')).toContainText('not JSON');
  await choose('heavy.json', MERROW.replace('"loadedMass": 3600', '"loadedMass": 36'));
  await expect(page.locator('main').getByRole('alert')).toContainText(
    'Loaded mass must be between 50 kg and 200000 kg',
  );
  await choose('huge.json', `"${'x'.repeat(6 * 1024 * 1024)}"`);
  await expect(page.locator('main').getByRole('alert')).toContainText('larger than the 5 MB');
  await open(page);
  expect(await page.getByRole('table', { name: 'Boats' }).locator('tbody tr').count()).toBe(before);
});

test('the Brief understands what is typed, says what it took, and refuses with the range and reason', async ({
  page,
  request,
}) => {
  await open(page, `/boats/${await ownBoat(request, 'Brief boat')}/brief`);
  const length = page.getByLabel(/Length of hull/);
  await length.fill('28 ft 6 in');
  await expect(page.getByText('Taken as 8.6868 m')).toBeVisible();
  await length.press('Enter');
  await expect(length).toHaveValue('28 ft 6 in');
  await expect(page.getByText('Taken as 8.6868 m')).toBeVisible();
  await length.fill('30');
  await length.press('Enter');
  await expect(page.getByText(/Length of hull must be between 2\.5 m and 24 m/)).toBeVisible();
  await length.press('Escape');
  const waterline = page.getByLabel(/Waterline length/);
  await waterline.fill('9');
  await waterline.press('Enter');
  await expect(page.getByText('must not exceed the length of hull')).toBeVisible();
  await waterline.press('Escape');
  await page.getByRole('button', { name: 'in · lb' }).click();
  await expect(page.getByText('Taken as 28.5 ft')).toBeVisible();
  await page.getByLabel('Posture').selectOption('beltAndBraces');
  await expect(page.getByText('Three tenths in hand')).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'mm · kg' }).click();
  await open(page);
  await expect(length).toHaveValue('28 ft 6 in');
  await expect(page.getByLabel('Posture')).toHaveValue('beltAndBraces');
});

test('zones are measured, added and removed; the numbers follow', async ({ page, request }) => {
  await open(page, `/boats/${await ownBoat(request, 'Zone boat')}/zones`);
  const breadth = page.getByLabel(/Panel breadth/);
  await expect(page.getByRole('row', { name: /Bottom forward/ })).toContainText('0.95fails');
  await breadth.fill('24 in');
  await breadth.press('Enter');
  await expect(page.getByRole('row', { name: /Bottom forward/ })).not.toContainText('fails');
  await page.getByRole('button', { name: 'Add a zone to Deck' }).click();
  await expect(page.getByLabel('Name of zone')).toHaveValue('Deck zone 9');
  await page.getByRole('button', { name: 'Remove this zone' }).click();
  await expect(page.getByRole('row', { name: /^Deck zone 9/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('row', { name: /^Deck zone 9/ })).toHaveCount(1);
  await saved(page);
});

test('Check and Weights open the working of their numbers', async ({ page, request }) => {
  const id = await ownBoat(request, 'Check boat');
  await open(page, `/boats/${id}/check`);
  await page.getByLabel('Only zones that fail or are thin').check();
  await expect(page.getByRole('table', { name: 'Zones by checks' }).locator('tbody tr')).toHaveCount(1);
  await page.getByRole('button', { name: /0\.95/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Reserve factor');
  await page.keyboard.press('Escape');
  await open(page, `/boats/${id}/weights`);
  await expect(page.getByRole('img', { name: /Laminate 676\.2 kg against a target of 659\.0 kg/ })).toBeVisible();
  await page.getByTestId('total-mass').click();
  await expect(page.getByRole('dialog')).toContainText('Centre of gravity along');
});

test('the Shelf is browsed, filtered, and takes own materials that Lay-up can use', async ({ page, request }) => {
  await open(page, '/shelf');
  await page.getByLabel('Find').fill('biaxial 600');
  await page.getByRole('button', { name: 'Stitched biaxial ±45, 600' }).click();
  await page.getByRole('button', { name: 'New one from this' }).click();
  const form = page.getByTestId('material-form');
  await form.getByLabel('Name').fill('Estuary ±45 610');
  await form.getByLabel('Code').fill('EST 610');
  const weight = form.getByLabel(/Dry weight/).first();
  await weight.fill('700 kg/m2');
  await expect(form).toContainText('must be between');
  await weight.fill('18 oz/yd2');
  await weight.press('Enter');
  await form.getByRole('button', { name: 'Save on the Shelf' }).click();
  await expect(page.getByTestId('material-card')).toContainText('610');
  await expect(page.getByTestId('material-card')).toContainText('data sheet');

  await open(page, `/boats/${await ownBoat(request, 'Shelf boat')}/layup`);
  await page.getByRole('button', { name: 'Add layer' }).click();
  await page.getByRole('combobox', { name: 'Find a fabric, core, sheet of wood or coating' }).fill('EST 610');
  await page.keyboard.press('Enter');
  await expect(cell(page, 2, 0)).toHaveText('EST 610');
  await saved(page);
});
