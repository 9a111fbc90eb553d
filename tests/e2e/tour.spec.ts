import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { cell, open, ownBoat, saved, test, zoneCell } from './helpers';

test('the tour of the README: mend the failing zone, meet the weight, issue revision A, print', async ({
  page,
  request,
}) => {
  const id = await ownBoat(request, 'Tour launch');
  await open(page, '/');
  await page.getByRole('link', { name: 'Tour launch' }).click();
  const standing = page.getByTestId('standing');
  await expect(standing).toContainText('1 zone fails');
  await expect(standing).toContainText('676.2 kg, 2.6 % over target');

  const reason = page.getByTestId('zone-panel').getByRole('button', { name: 'Outer skin, tension' });
  await reason.click();
  const working = page.getByRole('dialog', { name: 'Bottom forward: Outer skin, tension' });
  await expect(working.getByText('Section modulus required, outer skin')).toBeVisible();
  await expect(working.locator('.katex').first()).toBeVisible();
  await expect(working).toContainText('unverified');
  await working.getByRole('button', { name: 'Close' }).click();
  await expect(reason).toBeFocused();

  await cell(page, 14, 1).click();
  await page.keyboard.type('25');
  await page.keyboard.press('Enter');
  await expect(cell(page, 14, 1)).toHaveText('25.0 mm');
  await expect(standing).toContainText('every checked zone meets 1.10');

  await zoneCell(page, 19, 'Transom').click();
  await page.keyboard.press('Space');
  await expect(standing).toContainText('657.3 kg, 0.3 % in hand');
  await expect(standing).toContainText('every checked zone meets 1.10');
  await saved(page);

  await open(page);
  await expect(standing).toContainText('657.3 kg, 0.3 % in hand');

  await page.getByRole('navigation').getByRole('link', { name: 'Details' }).click();
  await page.getByRole('button', { name: 'Tow post', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Load path' }).locator('.weakest')).toContainText('4 bolts 8 mm');
  await page.getByLabel('Bolt diameter mm', { exact: true }).fill('12');
  await page.keyboard.press('Enter');
  await expect(standing).not.toContainText('detail fails');
  await saved(page);

  await page.getByRole('navigation').getByRole('link', { name: 'Revisions' }).click();
  await page.getByLabel('Issued by').fill('I. Hallin');
  await page.getByLabel('What it is for').fill('First issue to the floor');
  await page.getByLabel('Why it is issued all the same').fill('For the quotation');
  await page.getByRole('button', { name: 'Issue next revision' }).click();
  await expect(page.getByRole('table', { name: 'Issued revisions' })).toContainText('I. Hallin');

  await page.getByRole('navigation').getByRole('link', { name: 'Lay-up' }).click();
  await cell(page, 4, 1).click();
  await page.keyboard.press('t');
  await saved(page);
  await page.getByRole('navigation').getByRole('link', { name: 'Revisions' }).click();
  await expect(page.getByRole('row', { name: /Layer 4, TX 900/ })).toContainText('0° → 45°');

  await page.getByRole('navigation').getByRole('link', { name: 'Pack' }).click();
  await expect(page.getByLabel('Print')).toHaveValue('A');
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save PDF' }).click(),
  ]);
  expect(pdf.suggestedFilename()).toBe('Tour-launch-rev-A.pdf');
  const bytes = readFileSync(await pdf.path());
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(bytes.byteLength).toBeGreaterThan(50_000);
  const [csv] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save CSV' }).click(),
  ]);
  const table = readFileSync(await csv.path(), 'utf8');
  expect(table).toContain('4,TX 900');
  expect(table).toContain('Least reserve factor');
  const [json] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save JSON' }).click(),
  ]);
  const document = readFileSync(await json.path(), 'utf8');
  const again = await request.post('/api/boats/import', {
    data: document,
    headers: { 'content-type': 'application/json' },
  });
  const back = await request.get(`/api/boats/${((await again.json()) as { id: string }).id}/export?format=json`);
  expect(await back.text()).toBe(document);
  expect(id).not.toBe('');
});
