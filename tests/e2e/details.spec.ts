import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import DxfParser from 'dxf-parser';
import { open, ownBoat, saved, scan, test } from './helpers';

test(
  'the tow post fails, its weakest link is named, a larger bolt ' + 'mends it, and the sheet and drawings come out',
  async ({ page, request }) => {
    const id = await ownBoat(request, 'Tow launch');
    await open(page, `/boats/${id}/check`);
    await expect(page.getByRole('table', { name: 'Details by checks' })).toContainText('The bolt itself');
    await page.getByRole('link', { name: 'Tow post' }).click();
    const path = page.getByRole('list', { name: 'Load path' });
    await expect(path.locator('.weakest')).toContainText('4 bolts 8 mm');
    await expect(page.getByTestId('standing')).toContainText('1 detail fails');
    await page
      .getByRole('table', { name: 'Checks of Tow post' })
      .getByRole('button', { name: 'The bolt itself' })
      .click();
    const working = page.getByRole('dialog', { name: 'Tow post: working' });
    await expect(working).toContainText('Force of the load case');
    await working.getByRole('button', { name: 'Close' }).click();
    // Typed while the drawer still slides out: it takes no focus, and Enter does not open it again.
    const diameter = page.getByLabel('Bolt diameter mm', { exact: true });
    await diameter.fill('12');
    await diameter.press('Enter');
    await expect(path.locator('.weakest')).not.toContainText('4 bolts 8 mm');
    await expect(page.getByTestId('standing')).not.toContainText('detail fails');
    await saved(page);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByTestId('standing')).toContainText('1 detail fails');

    const [pdf] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Sheet PDF' }).click(),
    ]);
    expect(
      readFileSync(await pdf.path())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    const [svg] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Drawing SVG' }).click(),
    ]);
    expect(readFileSync(await svg.path(), 'utf8')).toContain('Bolt pattern');
    const [dxf] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Drawing DXF' }).click(),
    ]);
    const read = new DxfParser().parseSync(readFileSync(await dxf.path(), 'utf8'))!;
    const circles = read.entities.filter(({ type }) => type === 'CIRCLE');
    expect(circles.length).toBe(8);
    expect((circles[0] as unknown as { radius: number }).radius).toBe(4);
    expect(read.entities.filter(({ type }) => type === 'LINE').length).toBeGreaterThan(20);
    await scan(page, 'details');
  },
);

test('a load and a detail from nothing; impossible geometry is refused with the reason and nothing is lost', async ({
  page,
  request,
}) => {
  const id = await ownBoat(request, 'Cleat launch');
  await open(page, `/boats/${id}/details`);
  await page.getByRole('button', { name: /Load cases/ }).click();
  await page.getByRole('button', { name: 'Add a load' }).click();
  await page.getByLabel('Name of the load').fill('Spring line');
  await page.keyboard.press('Enter');
  await page.getByLabel('Force kN').fill('9');
  await page.keyboard.press('Enter');
  const dial = page.getByRole('slider', { name: /From above/ });
  await dial.focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByLabel('From forward, towards outboard')).toHaveValue('-10');
  await expect(page.getByRole('row', { name: /Spring line/ })).toContainText('9.00 kN');
  await page.getByRole('button', { name: /^Details/ }).click();
  await page.getByLabel('Kind of detail').selectOption('bolted');
  await page.getByRole('button', { name: 'Add a detail' }).click();
  await page.getByLabel('Name of the detail').fill('Spring cleat');
  await page.keyboard.press('Enter');
  await page.getByLabel('On the zone').selectOption({ label: 'Deck: Side decks' });
  await page.getByLabel('Load case').selectOption({ label: 'Spring line' });
  await expect(page.getByRole('list', { name: 'Load path' })).toContainText('Spring line 9 kN');
  await page.getByLabel('Hole to the edge mm').fill('5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main').getByRole('alert')).toContainText('less than one bolt diameter');
  await page.getByLabel('Hole to the edge mm').fill('40');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('table', { name: 'Checks of Spring cleat' })).toBeVisible();
  await saved(page);
  await open(page, `/boats/${id}/layup`);
  await page.getByRole('button', { name: 'Deck', exact: true }).click();
  await expect(page.getByRole('grid').getByRole('link', { name: 'Spring cleat' })).toBeVisible();
  await open(page, `/boats/${id}/weights`);
  await expect(page.getByText('Spring cleat').first()).toBeVisible();
});
