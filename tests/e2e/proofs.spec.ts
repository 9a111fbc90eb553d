import { expect } from '@playwright/test';
import { open, ownBoat, saved, test } from './helpers';

test('the Brief says which proofs must hold, Check says so, and none is refused', async ({ page, request }) => {
  const id = await ownBoat(request, 'Proof boat');
  await open(page, `/boats/${id}/brief`);
  const proofs = page.getByRole('group', { name: 'Proofs that must hold' });
  await expect(proofs.getByLabel(/Build standards/)).toBeChecked();
  await proofs.getByLabel(/Match of a reference/).check();
  await page.getByLabel('Single skin by').selectOption('either');
  await saved(page);
  await proofs.getByLabel(/Match of a reference/).uncheck();
  await proofs.getByLabel(/Build standards/).click();
  await expect(page.getByText('At least one proof must hold')).toBeVisible();
  await expect(proofs.getByLabel(/Build standards/)).toBeChecked();
  await proofs.getByLabel(/Match of a reference/).check();
  await saved(page);
  // Zones of this boat name no reference: what must hold cannot be had.
  await open(page, `/boats/${id}/check`);
  await expect(page.getByText('the build standards, the match of a reference (set in Brief)')).toBeVisible();
  await expect(page.getByText('either is enough')).toBeVisible();
  await expect(page.getByText('not proven').first()).toBeVisible();
});

test('a new zone has a place at once, what is laid twice is said, and a pressure may be typed', async ({
  page,
  request,
}) => {
  await open(page, `/boats/${await ownBoat(request, 'Cover boat')}/zones`);
  const cover = page.getByRole('table', { name: 'How far the zones cover the boat' });
  await expect(cover.getByRole('row', { name: /^Bulkheads/ })).toContainText('✓ once');
  await page.getByRole('button', { name: 'Add a zone to Deck' }).click();
  await expect(page.getByLabel('Place on the boat')).toHaveValue('deck');
  await expect(cover.getByRole('row', { name: /^Deck/ })).toContainText('laid twice: ');
  await expect(cover.getByRole('row', { name: /^Deck/ })).toContainText('Deck zone 9');
  await page.getByLabel('Place on the boat').selectOption('cockpitSole');
  await expect(page.getByLabel('Location', { exact: true })).toHaveValue('cockpitSole');
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Bottom aft', exact: true }).first().click();
  const pressure = page.getByLabel(/Design pressure, typed/);
  await pressure.fill('45');
  await pressure.press('Enter');
  await expect(page.getByText("It stands in the place of the pack's pressure")).toBeVisible();
  await expect(page.getByRole('row', { name: /^Bottom aft/ })).toContainText('45.0');
  await pressure.fill('');
  await pressure.press('Enter');
  await expect(page.getByRole('row', { name: /^Bottom aft/ })).toContainText('18.8');
  await saved(page);
});
