import { expect } from '@playwright/test';
import { cell, open, ownBoat, reserveUnder, saved, standOn, standsOn, test, zoneCell } from './helpers';

test.beforeEach(async ({ page, request }, { title }) => {
  await open(page, `/boats/${await ownBoat(request, title.slice(0, 40))}/layup`);
  await expect(page.getByRole('grid')).toBeVisible();
});

test('by keyboard alone: add, choose, turn, cover, move, duplicate, remove, undo all', async ({ page }) => {
  const rows = page.getByRole('grid').locator('.layer-row');
  // The locked rows of details and the handles follow after the margins.
  await expect(page.getByRole('link', { name: 'Engine bed' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Move layer 28' })).toBeVisible();
  const before = await page.getByRole('grid').innerText();
  await expect(rows).toHaveCount(28);
  await standOn(page, 1, 2);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('n');
  await page.getByRole('combobox', { name: 'Find a fabric, core, sheet of wood or coating' }).fill('quad 800');
  await page.keyboard.press('Enter');
  await expect(cell(page, 4, 0)).toHaveText('QX 800');
  await standsOn(page, 4, 2);
  await page.keyboard.type('30');
  await page.keyboard.press('Enter');
  await expect(cell(page, 4, 1)).toHaveText('30°');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(zoneCell(page, 4, 'Bottom aft')).toHaveAccessibleName('Bottom aft: covered');
  await page.keyboard.press('Alt+ArrowDown');
  await expect(cell(page, 5, 0)).toHaveText('QX 800');
  await page.keyboard.press('d');
  await expect(rows).toHaveCount(30);
  await page.keyboard.press('Delete');
  await expect(rows).toHaveCount(29);
  await saved(page);
  await open(page);
  await expect(cell(page, 5, 0)).toHaveText('QX 800');
  for (let i = 0; i < 6; i++) await page.keyboard.press('Control+z');
  await expect(rows).toHaveCount(28);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await expect.poll(() => page.getByRole('grid').innerText()).toBe(before);
  await page.keyboard.press('Control+y');
  await expect(cell(page, 4, 0)).toHaveText('QX 800');
});

test('a change shows at once in every number, and the section is drawn', async ({ page }) => {
  const drawing = page.getByRole('img', { name: /Section of Bottom forward, 10 layers, 24\.1 mm/ });
  await expect(drawing).toBeVisible();
  expect(await reserveUnder(page, 'Bottom forward')).toBe(0.95);
  await cell(page, 14, 1).click();
  await page.keyboard.type('1 in');
  await page.keyboard.press('Enter');
  await expect(cell(page, 14, 1)).toHaveText('25.4 mm');
  await expect(page.getByRole('img', { name: /Section of Bottom forward, 10 layers, 29\.5 mm/ })).toBeVisible();
  expect(await reserveUnder(page, 'Bottom forward')).toBeGreaterThan(1);
  await page.getByRole('button', { name: 'in · lb' }).click();
  await expect(cell(page, 14, 1)).toHaveText('1.000 in');
  await page.getByRole('button', { name: 'mm · kg' }).click();
  await expect(cell(page, 14, 1)).toHaveText('25.4 mm');
});

test('bad entries are refused in words and nothing changes', async ({ page }) => {
  await cell(page, 14, 1).click();
  await page.keyboard.type('3');
  await page.keyboard.type(' m');
  await page.keyboard.press('Enter');
  await expect(page.locator('main').getByRole('alert')).toContainText('Thickness must be between');
  await page.keyboard.press('Escape');
  await page.keyboard.type('4 kg');
  await page.keyboard.press('Enter');
  await expect(page.locator('main').getByRole('alert')).toContainText('does not measure that');
  await page.keyboard.press('Escape');
  await expect(cell(page, 14, 1)).toHaveText('20.0 mm');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a layer is dragged to another place', async ({ page }) => {
  await expect(cell(page, 4, 0)).toHaveText('TX 900');
  const handle = page.getByLabel('Move layer 4', { exact: true });
  const from = (await handle.boundingBox())!;
  await page.mouse.move(from.x + 5, from.y + 10);
  await page.mouse.down();
  await page.mouse.move(from.x + 5, from.y + 30, { steps: 5 });
  await page.mouse.move(from.x + 5, from.y + 58, { steps: 5 });
  await page.mouse.up();
  await expect(cell(page, 6, 0)).toHaveText('TX 900');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cell(page, 4, 0)).toHaveText('TX 900');
});

test('edits made while the server is away survive a reload and are saved when it returns', async ({ page }) => {
  await page.route('**/api/boats/*/edits', (route) => route.abort());
  await cell(page, 4, 1).click();
  await page.keyboard.press('Shift+T');
  await expect(page.getByTestId('save-state')).toContainText('kept here');
  await open(page);
  await expect(cell(page, 4, 1)).toHaveText('90°');
  await page.unroute('**/api/boats/*/edits');
  await expect(page.getByTestId('save-state')).toHaveText('Saved', { timeout: 15_000 });
  await page.evaluate(() => localStorage.clear());
  await open(page);
  await expect(cell(page, 4, 1)).toHaveText('90°');
});

for (const [choice, expected] of [
  ['Put my changes on top of theirs', { angle: '45°', layers: 27 }],
  ['Take theirs, drop mine', { angle: '0°', layers: 27 }],
] as const)
  test(`two windows on one boat: the second is shown the difference and may "${choice}"`, async ({ page, context }) => {
    const other = await context.newPage();
    await open(other, page.url());
    await expect(other.getByRole('grid')).toBeVisible();
    await cell(page, 6, 0).click();
    await page.keyboard.press('Delete');
    await saved(page);
    await cell(other, 4, 1).click();
    await other.keyboard.press('t');
    const dialog = other.getByRole('dialog', { name: /Somebody else changed/ });
    await expect(dialog.getByRole('row', { name: /removed Layer 6, BX45 600/ })).toBeVisible();
    await expect(dialog.getByRole('row', { name: /Layer 4, TX 900/ })).toContainText('0° → 45°');
    await dialog.getByRole('button', { name: choice }).click();
    await saved(other);
    await expect(cell(other, 4, 1)).toHaveText(expected.angle);
    await expect(other.getByRole('grid').locator('.layer-row')).toHaveCount(expected.layers);
    await open(other);
    await expect(cell(other, 4, 1)).toHaveText(expected.angle);
  });

test(
  'a whole task by keyboard alone: a local reinforcement from nothing, ' +
    'grouped, repeated, mirrored, tried, kept as a laminate, taken back',
  async ({ page }) => {
    const grid = page.getByRole('grid');
    const rows = grid.locator('.layer-row');
    const press = async (...keys: string[]) => {
      for (const key of keys) await page.keyboard.press(key);
    };
    await standOn(page, 6, 2);
    // Two layers after the sixth, by a fragment of their names.
    await press('n');
    await page.keyboard.type('uni 600');
    await expect(page.getByRole('option').first()).toBeVisible();
    await press('Enter');
    await standsOn(page, 7, 2);
    await press('n');
    await page.keyboard.type('bx45 600');
    await press('Enter');
    await expect(cell(page, 8, 0)).toHaveText('BX45 600');
    await standsOn(page, 8, 2);
    await press('ArrowUp');
    await page.keyboard.type('30');
    await press('Enter');
    await expect(cell(page, 7, 1)).toHaveText('30°');
    await press('m');
    await expect(cell(page, 7, 1)).toHaveText('-30°'.replace('-', '−'));
    await press('Shift+ArrowDown', 'g');
    await page.keyboard.type('Sounder patch');
    await press('Enter');
    await expect(grid.getByRole('button', { name: /Sounder patch/ })).toContainText('2 layers');
    await press('r');
    await expect(page.getByLabel('Sounder patch: how many times?')).toHaveValue('2');
    await press('Enter');
    await expect(grid.getByRole('button', { name: /Sounder patch ×2/ })).toContainText('4 layers');
    await expect(rows).toHaveCount(32);
    // Symmetric: the palette finds it by a word.
    await press('a', 'Control+k');
    await page.keyboard.type('symmetric');
    await press('Enter');
    await expect(rows).toHaveCount(36);
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await press('Control+z');
    await expect(rows).toHaveCount(32);
    // On trial: the difference is shown under the column before anything is saved.
    await standOn(page, 7, 2);
    await press('p', 't');
    await expect(page.getByRole('status').filter({ hasText: 'Shown for trial' })).toContainText(
      'turned layer 7 (UD 600) of Hull to 15°',
    );
    await press('Escape');
    await expect(cell(page, 7, 1)).toHaveText('−30°');
    await press('p', 'k');
    await page.keyboard.type('Patch laminate');
    await press('Enter');
    await expect(grid.getByRole('button', { name: /Sounder patch/ })).toContainText('laminate “Patch laminate”');
    // A change in one place, taken into the laminate.
    await press(']', 'Shift+K');
    await saved(page);
    await press('Alt+3');
    await expect(page.getByRole('table', { name: 'Laminates of this boat' })).toContainText('UD 600 −15°');
    await press('Alt+1');
    await saved(page);
    const history: string[] = [];
    while (await page.getByRole('button', { name: 'Undo' }).isEnabled()) {
      history.push(
        (await page.getByRole('button', { name: 'Undo' }).getAttribute('title'))!
          .replace('Take back: ', '')
          .replace(' (Ctrl+Z)', ''),
      );
      await page.getByRole('button', { name: 'Undo' }).click();
      if (history.length > 20) break;
    }
    expect(history).toEqual([
      'changed laminate Patch laminate, 0 other places follow',
      'turned layer 7 (UD 600) of Hull to −15°',
      'kept Sounder patch of Hull as laminate Patch laminate',
      'laid Sounder patch ×2 in Hull',
      'grouped 2 layers as Sounder patch in Hull',
      'mirrored 1 layer to the other hand in Hull',
      'turned layer 7 (UD 600) of Hull to 30°',
      'added BX45 600 to Hull',
      'added UD 600 to Hull',
    ]);
    await expect(rows).toHaveCount(28);
  },
);

test('on a slow line, what is typed before a dialog has come is typed into it, and lays nothing else', async ({
  page,
}) => {
  await page.route('**/_next/static/chunks/**', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });
  await open(page);
  await standOn(page, 6, 2);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('flip');
  await expect(page.getByRole('combobox', { name: 'Find a command' })).toHaveValue('flip');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await standsOn(page, 6, 2);
  await expect(page.locator('.layer-row')).toHaveCount(28);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('layers go to a spreadsheet and come back, and what cannot be read is said', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const rows = page.locator('.layer-row');
  await standOn(page, 3, 2);
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Control+c');
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(text.split('\n')[1]).toMatch(/^BX45 600\t0\t\tstructure\tx/);
  await page.keyboard.press('Control+x');
  await expect(rows).toHaveCount(26);
  await standOn(page, 2, 2);
  await page.keyboard.press('Control+v');
  await expect(rows).toHaveCount(28);
  await expect(cell(page, 4, 0)).toHaveText('TX 900');
  await page.evaluate(() => navigator.clipboard.writeText('TX 900\t45\nUnobtainium\t0'));
  await standOn(page, 28, 2);
  await page.keyboard.press('Control+v');
  await expect(rows).toHaveCount(29);
  await expect(page.getByRole('alert').filter({ hasText: 'Pasted, but for this' })).toContainText(
    '"Unobtainium" is no fabric',
  );
});

test('lines between zones: a keel lap thickens the section, drop-offs are laid out in one step and one undo', async ({
  page,
}) => {
  await page.getByRole('button', { name: 'Section and lines' }).click();
  const lines = page.getByRole('table', { name: 'Lines between the zones of Hull' });
  await expect(lines.getByText(/to mend/).first()).toBeVisible();
  await lines.getByRole('button', { name: 'Keel, Keel band' }).click();
  await page.getByLabel('Layers that cover both').selectOption('laps');
  await page.getByLabel('Lap mm', { exact: true }).fill('150');
  await page.keyboard.press('Enter');
  await expect(lines.getByRole('row', { name: /Keel, Keel band/ })).toContainText('150 mm');
  await expect(page.getByRole('button', { name: 'Keel, Keel band' }).first()).toContainText('lap 150 mm');
  await page.getByRole('button', { name: /Lay out all drop-offs/ }).click();
  await expect(lines.getByText(/to mend/)).toHaveCount(0);
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(lines.getByText(/to mend/).first()).toBeVisible();
});

test('a two-handed part cannot silently be odd', async ({ page }) => {
  await page.getByRole('button', { name: '1 off' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Made').selectOption('two');
  await expect(dialog.getByLabel('Number-off')).toHaveValue('2');
  await dialog.getByLabel('Number-off').fill('3');
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(dialog.getByRole('alert')).toContainText('would leave one hand short');
  await dialog.getByLabel('why is one hand short').fill('one spare to port');
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByRole('button', { name: '3 off, two hands' })).toBeVisible();
});

test('no style rule looks at whatever stands beside something: a row that comes restyles no other', async ({
  page,
}) => {
  const anything = await page.evaluate(() => {
    const rulesOf = (of: CSSStyleSheet | CSSGroupingRule): CSSRule[] =>
      [...of.cssRules].flatMap((rule) => (rule instanceof CSSMediaRule ? rulesOf(rule) : [rule]));
    const selectors = [...document.styleSheets]
      .flatMap(rulesOf)
      .flatMap((rule) => (rule instanceof CSSStyleRule ? rule.selectorText.split(',') : []));
    return { count: selectors.length, beside: selectors.filter((one) => /[+~]\s*\*/.test(one)) };
  });
  expect(anything.count).toBeGreaterThan(1000);
  expect(anything.beside).toEqual([]);
});
