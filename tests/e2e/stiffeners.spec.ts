import { expect } from '@playwright/test';
import { open, ownBoat, saved, test } from './helpers';

test('an engine is set on its bed: the web fails where it stands, and it is told where nothing runs', async ({
  page,
  request,
}) => {
  const id = await ownBoat(request, 'Engine boat');
  await open(page, `/boats/${id}/stiffeners`);
  const member = page.getByRole('button', { name: 'Inner girder', exact: true });
  const row = page.getByRole('table', { name: 'Stiffeners' }).getByRole('row').filter({ has: member });
  await expect(row).toContainText('1.35');
  await member.press('Enter');
  // Without the layer more in its webs it does not carry the engine, and says by what.
  await row.getByLabel('Section of Inner girder').selectOption('Girder hat 100');
  await expect(row).toContainText('Web in shear');
  await expect(row).toContainText(/fails|✕/);
  await page.getByLabel('Point load on it').selectOption('none');
  await expect(row).toContainText('1.21');
  await expect(page.getByLabel(/^It stands at/)).toHaveCount(0);
  await page.getByLabel('Point load on it').selectOption('Engine on its beds');
  const at = page.getByLabel(/^It stands at/);
  await expect(at).toHaveValue('2.95');
  await at.fill('9');
  await at.press('Enter');
  await expect(row).toContainText('does not run where its point load stands');
  await at.fill('');
  await at.press('Enter');
  // Left open it stands wherever it does most: on the longest span.
  await expect(row).toContainText('0.63');
  await page
    .getByRole('table', { name: 'Checks of Inner girder' })
    .getByRole('row', { name: /^Web in shear/ })
    .getByRole('button')
    .click();
  await expect(page.getByText(/Shear force by Engine on its beds, wherever it stands on the span/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByLabel('Its ends').selectOption({ label: 'both free to turn (sniped)' });
  await expect(row).not.toContainText('0.63');
  await saved(page);
  await open(page);
  await expect(page.getByRole('table', { name: 'Stiffeners' })).toContainText('Inner girder');
  for (let taken = 0; taken < 6; taken++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(row).toContainText('1.35');
});
