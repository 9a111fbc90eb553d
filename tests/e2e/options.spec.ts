import { expect } from '@playwright/test';
import { open, ownBoat, saved, scan, test } from './helpers';

test('what else a zone could be laid of: looked at, stopped, taken, and taken back', async ({ page, request }) => {
  const id = await ownBoat(request, 'Options launch');
  await open(page, `/boats/${id}/options?zone=side-fwd&view=otherwise`);
  const table = page.getByRole('table', { name: 'What else would do' });
  await expect(table).toBeVisible({ timeout: 60_000 });
  const now = table.getByRole('row', { name: /^as it is laid now/ });
  await expect(now).toContainText('6.88');
  await table.getByRole('button', { name: 'E-glass on SAN 85' }).click();
  const lay = page.getByRole('button', { name: 'Lay it so' });
  await expect(page.getByTestId('effect')).toContainText('The boat: 676.2 kg →', { timeout: 30_000 });
  await scan(page, 'options, one chosen');
  await lay.click();
  await saved(page);
  // It is looked for anew from what is laid now.
  await expect(now).not.toContainText('6.88', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(now).toContainText('6.88', { timeout: 60_000 });
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();

  await page.getByLabel('It must come to').selectOption({ label: 'its bending stiffness, along and across' });
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Stopped. Nothing was changed.')).toBeVisible();
  await page.getByRole('button', { name: 'Look again' }).click();
  await expect(table).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'in · lb' }).click();
  await expect(table.getByRole('columnheader', { name: /^Price per/ })).not.toContainText('m²');
  await open(page);
  await expect(page.getByLabel('It must come to')).toHaveValue('bending');
});

test('a schedule is proposed, looked at on trial in the grid, kept, and taken back', async ({ page, request }) => {
  const id = await ownBoat(request, 'Proposed launch');
  await open(page, `/boats/${id}/options?view=propose`);
  await page.getByRole('button', { name: 'Propose a schedule' }).click();
  await expect(page.getByRole('table', { name: 'Layers of Hull, before and after' })).toBeVisible({ timeout: 60_000 });
  await scan(page, 'options, a proposal');
  await page.getByRole('button', { name: 'Look at it in the grid' }).click();
  await expect(page.getByText('Shown for trial: laid the whole boat as proposed')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Keep it' }).click();
  await saved(page);
  await expect(page.getByTestId('standing')).not.toContainText('zone fails');
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
  await expect(page.getByTestId('standing')).toContainText('1 zone fails');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a search for better is taken up after a reload, stopped, and gives a curve', async ({ page, request }) => {
  const id = await ownBoat(request, 'Better launch');
  await open(page, `/boats/${id}/options?view=better`);
  await page.getByRole('button', { name: 'Look for it' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^Hull, the lightest: /)).toBeVisible({ timeout: 90_000 });
  await expect(page.getByText(/proven bound/)).toBeVisible();
  await scan(page, 'options, better');
  await page.getByLabel('Part').selectOption({ label: 'Deck' });
  await page.getByLabel('Look for').selectOption({ label: 'the trade of mass against price' });
  await page.getByRole('button', { name: 'Look for it' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Stopped. Nothing was changed.')).toBeVisible();
  await page.getByRole('button', { name: 'Look for it' }).click();
  await expect(page.getByRole('list', { name: 'Schedules on the curve' })).toBeVisible({ timeout: 120_000 });
  await expect(page.getByRole('button', { name: 'Lay it so' })).toBeEnabled({ timeout: 30_000 });
});

test('why not less, side by side with the ledger, and an existing part', async ({ page, request }) => {
  const id = await ownBoat(request, 'Compared launch');
  await open(page, `/boats/${id}/options?view=less&zone=foredeck`);
  await expect(page.getByRole('table', { name: 'Lighter stacks and what each fails by' })).toBeVisible({
    timeout: 60_000,
  });
  await scan(page, 'options, why not less');
  await page.getByRole('button', { name: 'Side by side' }).click();
  const add = page.getByLabel('Set beside it');
  await expect(add.getByRole('option', { name: 'Brant 56' })).toBeAttached({ timeout: 30_000 });
  await add.selectOption({ label: 'Brant 56' });
  await expect(page.getByRole('table', { name: 'Schedules side by side' })).toContainText('not there', {
    timeout: 60_000,
  });
  await scan(page, 'options, side by side');
  await page.getByRole('button', { name: 'An existing part' }).click();
  await page.getByRole('img', { name: /click to add one/ }).click({ position: { x: 200, y: 120 } });
  await page.getByLabel('thickness of reading 1').fill('8 mm');
  await page.getByLabel('thickness of reading 1').press('Enter');
  await page.getByLabel('Stitched biaxial ±45, 450').check();
  await page.getByRole('button', { name: 'What may it be?' }).click();
  await expect(page.getByRole('table', { name: 'Laminates that it may be' })).toBeVisible({ timeout: 30_000 });
  await scan(page, 'options, an existing part');
  await page.reload();
  await expect(page.getByLabel('thickness of reading 1')).toHaveValue('8 mm');
});
