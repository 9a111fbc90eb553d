import { expect } from '@playwright/test';
import { cell, open, ownBoat, saved, test } from './helpers';

test('a revision goes to the floor; a change to it is asked for, approved by somebody else, and issued', async ({
  page,
  request,
}) => {
  const id = await ownBoat(request, 'Signed launch');
  await open(page, `/boats/${id}/revisions`);
  await page.getByLabel('Issued by').fill('I. Hallin');
  await page.getByLabel('What it is for').fill('First hull');
  await page.getByLabel('Why it is issued all the same').fill('For the quotation');
  await page.getByRole('button', { name: 'Issue next revision' }).click();
  await page.getByRole('button', { name: 'To the floor' }).click();
  await page.getByLabel('Done by').fill('I. Hallin');
  await page.getByLabel('Why', { exact: true }).fill('hull 1 begins');
  await page.getByRole('button', { name: 'Put it on the floor' }).click();
  await expect(page.getByTestId('floor')).toContainText('The floor builds revision A');

  await open(page, `/boats/${id}/layup`);
  await cell(page, 4, 1).click();
  await page.keyboard.press('t');
  await saved(page);
  await open(page, `/boats/${id}/revisions`);
  await page.getByLabel('Asked by').fill('I. Hallin');
  await page.getByLabel('Reason for the change').fill('stiffer across the bottom');
  await page.getByRole('button', { name: 'Ask for this change' }).click();
  await page.getByLabel('Decided by').fill('I. Hallin');
  await page.getByLabel('Why it is decided so').fill('checked against the method');
  await page.getByRole('button', { name: 'Approve' }).click();
  await expect(page.getByRole('main').getByRole('alert')).toContainText('another pair of eyes');
  await page.getByLabel('Decided by').fill('B. Moor');
  await page.getByRole('button', { name: 'Approve' }).click();
  await page.getByLabel('Issued by').fill('I. Hallin');
  await page.getByLabel('What it is for').fill('Second hull');
  await page.getByLabel('Why it is issued all the same').fill('For the quotation');
  await page.getByRole('button', { name: 'Issue next revision' }).click();
  await expect(page.getByTestId('floor')).toContainText('superseded');
  await page.getByRole('row', { name: /^A / }).getByRole('button', { name: 'Withdraw' }).click();
  await page.getByLabel('Done by').fill('B. Moor');
  await page.getByLabel('Why', { exact: true }).fill('replaced by B');
  await page.getByRole('button', { name: 'Withdraw it' }).click();
  await expect(page.getByRole('row', { name: /^A / })).toContainText('✕ withdrawn');
  await expect(page.getByTestId('floor')).toContainText('No revision is on the floor');
});

test('a variant follows its parent, shows where it goes its own way, and any two boats are compared', async ({
  page,
  request,
}) => {
  const id = await ownBoat(request, 'Parent launch');
  const made = await request.post('/api/boats', { data: { name: 'Heavy launch', variantOf: id } });
  const variant = ((await made.json()) as { id: string }).id;
  await open(page, `/boats/${id}/layup`);
  await cell(page, 4, 1).click();
  await page.keyboard.press('t');
  await saved(page);
  await open(page, `/boats/${variant}/layup`);
  await expect(cell(page, 4, 1)).toHaveText('45°');
  await cell(page, 3, 1).click();
  await page.keyboard.press('t');
  await saved(page);
  await open(page, `/boats/${variant}/revisions`);
  await expect(page.getByRole('heading', { name: /Follows Parent launch, except for this/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /Layer 3, BX45 600/ }).first()).toContainText('0° → 45°');
  await page.getByLabel('From').selectOption({ label: 'Brant 56' });
  await expect(page.getByRole('table').last()).toContainText('Particulars');
});
