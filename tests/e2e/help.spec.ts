import { expect } from '@playwright/test';
import { open, scan, test } from './helpers';

test('help in place: the question with its picture, a term, the guide, and a tour that is taken up again', async ({
  page,
}) => {
  await open(page, '/boats/merrow-84/layup');
  await page.getByRole('button', { name: 'What Lay-up answers' }).click();
  const help = page.getByRole('dialog');
  await expect(help).toContainText('What goes in, in what order?');
  await expect
    .poll(() => help.getByRole('img').evaluate((picture: HTMLImageElement) => picture.naturalWidth))
    .toBeGreaterThan(1000);
  await scan(page, 'help');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Reserve', exact: true }).click();
  await expect(page.getByRole('tooltip')).toContainText('What there is over what is asked');
  await scan(page, 'term');
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: /^Tour/ }).click();
  const tour = page.getByRole('complementary', { name: 'Tour' });
  await expect(tour).toContainText('1 of 9');
  await scan(page, 'tour');
  await tour.getByRole('button', { name: 'Next' }).click();
  await page.waitForURL(/\/zones$/);
  await open(page);
  await expect(tour).toContainText('2 of 9');
  await tour.getByRole('button', { name: 'Leave' }).click();
  await expect(tour).toHaveCount(0);

  await page.getByRole('link', { name: 'Guide', exact: true }).click();
  await page.getByRole('link', { name: 'Glossary', exact: true }).click();
  await expect(page.getByText('Reserve factor', { exact: true })).toBeInViewport();
  await scan(page, 'guide');
  await page.getByRole('button', { name: 'Go on with the tour' }).click();
  await page.waitForURL(/\/boats\/merrow-84\/zones$/);
  await expect(tour).toContainText('2 of 9');
});

test('standards: a change of a copy is tried on the boats that use it, and taken into one', async ({ page }) => {
  await open(page, '/packs');
  await page.getByRole('button', { name: 'Make a copy' }).click();
  await expect(page.getByText('Copied: its coefficients can now be changed.')).toBeVisible();
  await expect(page.locator('.formula .katex').first()).toBeVisible();
  const share = page.getByRole('textbox', { name: 'Share of the skin strength used', exact: true });
  await share.fill('0.45');
  await share.press('Enter');
  await expect(page.getByText('Share of the skin strength used is now 0.45.')).toBeVisible();
  await page.getByRole('button', { name: 'What it does to Brant 56' }).click();
  await expect(page.getByTestId('effect')).toContainText('→');
  await scan(page, 'boats of a standard');
  await page.getByRole('button', { name: 'Drop', exact: true }).click();
});
