import { expect } from '@playwright/test';
import { open, ownBoat, test } from './helpers';

test('the place, the tab and what is half typed outlast a reload', async ({ page, request }) => {
  const boat = await ownBoat(request, 'Kept boat');
  await open(page, `/boats/${boat}/layup`);
  const grid = page.getByRole('grid');
  await grid.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  const panel = page.getByTestId('zone-panel');
  const zone = (await panel.getByRole('heading').first().textContent())!;
  await page.getByRole('button', { name: 'What each layer buys' }).click();
  await page.reload();
  await expect(panel.getByRole('heading').first()).toHaveText(zone);
  await expect(page.getByRole('button', { name: 'What each layer buys' })).toHaveClass(/active/);
  // The same zone is the one that the other screens show.
  await page.getByRole('link', { name: 'Analysis', exact: true }).click();
  const shown = await page.getByLabel('Zone', { exact: true }).locator('option:checked').textContent();
  expect(zone.startsWith(shown!)).toBe(true);

  await open(page, `/boats/${boat}/brief`);
  const mass = page.getByLabel(/^Loaded mass/);
  const before = await mass.inputValue();
  await mass.fill('2 6');
  await page.reload();
  await expect(mass).toHaveValue('2 6');
  await mass.press('Escape');
  await expect(mass).toHaveValue(before);
  await page.reload();
  await expect(mass).toHaveValue(before);
});

test('undo stays on its screen, says what lies elsewhere, and goes to the place of the change', async ({
  page,
  request,
}) => {
  const boat = await ownBoat(request, 'Turned boat');
  await open(page, `/boats/${boat}/brief`);
  const mass = page.getByLabel(/^Loaded mass/);
  const before = await mass.inputValue();
  await mass.fill('2750');
  await mass.press('Enter');
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  await page.getByRole('link', { name: 'Lay-up', exact: true }).click();
  await page.getByRole('grid').focus();
  await page.keyboard.press('Control+z');
  const asked = page.getByRole('alertdialog');
  await expect(asked).toContainText('The last change was made on Brief: changed the brief: loaded mass');
  await asked.getByRole('link', { name: 'Show Brief' }).click();
  await expect(mass).toHaveValue('2750');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(mass).toHaveValue(before);
  await expect(mass).toBeFocused();

  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(mass).toHaveValue('2750');
  await page.getByRole('link', { name: 'Lay-up', exact: true }).click();
  await expect(page.getByRole('grid')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await asked.getByRole('button', { name: 'Take back all the same' }).click();
  await expect(page.getByText('Took back: changed the brief')).toBeVisible();
  await expect(asked).toHaveCount(0);
});

test('a click while nobody answers keeps the page and what stands on it', async ({ page, request, context }) => {
  const boat = await ownBoat(request, 'Unreached boat');
  await open(page, `/boats/${boat}/brief`);
  await context.setOffline(true);
  const mass = page.getByLabel(/^Loaded mass/);
  await mass.fill('2650');
  await mass.press('Enter');
  await page.getByRole('link', { name: 'Check', exact: true }).click();
  await expect(page.getByText('The server cannot be reached, so this page stays.')).toBeVisible();
  await expect(mass).toHaveValue('2650');
  await context.setOffline(false);
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  await page.getByRole('link', { name: 'Check', exact: true }).click();
  await page.waitForURL(/\/check$/);
});

test('a view that nobody sends is said, and comes once the server answers', async ({ page, request, context }) => {
  const boat = await ownBoat(request, 'Unsent boat');
  await open(page, `/boats/${boat}/weights`);
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Cost and hours' }).click();
  const broken = page.getByRole('alert').filter({ hasText: 'A part of this screen has not come from the server' });
  await expect(broken).toBeVisible();
  await broken.getByRole('button', { name: 'Try again' }).click();
  await expect(broken).toContainText('The server still cannot be reached.');
  await context.setOffline(false);
  await broken.getByRole('button', { name: 'Try again' }).click();
  await page.getByRole('button', { name: 'Cost and hours' }).click();
  await expect(page.getByRole('heading', { name: 'The same layers by another process' })).toBeVisible();
});
