import { expect } from '@playwright/test';
import { open, ownBoat, saved, scan, test } from './helpers';

test('what else a zone could be laid of: looked at, stopped, taken, and taken back', async ({ page, request }) => {
  const id = await ownBoat(request, 'Options launch');
  await open(page, `/boats/${id}/options?zone=side-fwd`);
  const table = page.getByRole('table', { name: 'What else would do' });
  await expect(table).toBeVisible({ timeout: 60_000 });
  const now = table.getByRole('row', { name: /^as it is laid now/ });
  await expect(now).toContainText('6.88');
  await table.getByRole('button', { name: 'E-glass on SAN 85' }).click();
  const lay = page.getByRole('button', { name: 'Lay it so' });
  await expect(page.getByTestId('effect')).toContainText('The boat: 669.2 kg →', { timeout: 30_000 });
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
