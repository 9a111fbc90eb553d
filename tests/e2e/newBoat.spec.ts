import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { open, saved, scan, test } from './helpers';

test('from a template to an issued revision with its print, in at most 25 actions', async ({ page }) => {
  let actions = 0;
  /** One thing the user does. */
  const act = async (what: Promise<unknown>) => {
    actions += 1;
    await what;
  };
  await open(page, '/');
  await act(page.getByRole('link', { name: 'New boat' }).first().click());
  await act(page.getByRole('radio', { name: /^Displacement launch/ }).check());
  await act(page.getByLabel('Name', { exact: true }).fill('Teal 95'));
  await expect(page.getByLabel(/^Length of hull/)).toHaveValue('9');
  await act(page.getByLabel(/^Length of hull/).fill('31 ft 2 in'));
  await act(page.getByLabel(/^Loaded mass/).fill('4.9 t'));
  await act(page.getByLabel('Process').selectOption({ label: 'Infusion' }));
  await expect(page.getByText(/✓ 16 of 16 zones reach 1\.10/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/✓ \d+ of \d+ stiffeners reach 1\.10/)).toBeVisible();
  await scan(page, 'new boat');
  await act(page.getByRole('button', { name: 'Create the boat' }).click());
  await expect(page.getByRole('heading', { level: 1, name: /Teal 95/ })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByTestId('standing')).toContainText('✓ every checked zone meets 1.10');
  await act(page.getByRole('navigation').getByRole('link', { name: 'Revisions' }).click());
  await act(page.getByLabel('Issued by').fill('I. Hallin'));
  await act(page.getByLabel('What it is for').fill('First issue to the floor'));
  await expect(page.getByRole('list', { name: 'Open points' })).toContainText('unverified');
  await act(page.getByLabel('Why it is issued all the same').fill('The pack is read against its text next week'));
  await act(page.getByRole('button', { name: 'Issue next revision' }).click());
  await expect(page.getByRole('table', { name: 'Issued revisions' })).toContainText(/issued with \d open/, {
    timeout: 60_000,
  });
  await act(page.getByRole('navigation').getByRole('link', { name: 'Pack' }).click());
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    act(page.getByRole('link', { name: 'Save PDF' }).click()),
  ]);
  expect(
    readFileSync(await pdf.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  expect(actions).toBeLessThanOrEqual(25);

  // Kept as a template, it begins the next one.
  await page.getByLabel('Name of the template').fill('Teal launches');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('link', { name: 'begin a boat from it' }).click();
  await page.getByRole('radio', { name: /^Teal launches/ }).check();
  await expect(page.getByLabel(/^Length of hull/)).toHaveValue('31 ft 2 in');
});

test('from an empty boat to an issued revision with its print, in at most 60 actions', async ({ page }) => {
  let actions = 0;
  /** One thing the user does: a click, a key, or an entry typed and confirmed. */
  const act = async (...what: (() => Promise<unknown>)[]) => {
    actions += 1;
    for (const each of what) await each();
  };
  const press = (key: string) => act(() => page.keyboard.press(key));
  const rows = page.getByRole('grid').locator('.layer-row');
  const lay = async (...codes: string[]) => {
    for (const code of codes) {
      const before = await rows.count();
      await press('n');
      await expect(page.getByRole('combobox', { name: /^Find a fabric/ })).toBeFocused();
      await act(
        () => page.keyboard.type(code),
        () => expect(page.getByRole('option').first()).toContainText(code),
        () => page.keyboard.press('Enter'),
      );
      await expect(rows).toHaveCount(before + 1);
      await expect(page.getByRole('grid')).toBeFocused();
    }
  };
  const goTo = (name: string) => act(() => page.getByRole('navigation').getByRole('link', { name }).click());
  const standing = page.getByTestId('standing');

  await open(page, '/');
  await act(() => page.getByLabel('Name of the new boat').fill('From nothing'));
  await act(() => page.getByRole('button', { name: 'Create' }).click());
  await expect(page.getByRole('heading', { name: 'Particulars' })).toBeVisible({ timeout: 30_000 });
  for (const [label, given] of [
    [/^Length of hull/, '5.2'],
    [/^Waterline length/, '4.6'],
    [/^Loaded mass/, '950'],
    [/^Maximum speed/, '24'],
    [/^Laminate weight target/, '240'],
  ] as const)
    await act(
      () => page.getByLabel(label).fill(given),
      () => page.keyboard.press('Enter'),
    );
  await goTo('Lay-up');
  await expect(page.getByText(/^Nothing laid yet/)).toBeVisible();
  await page.getByRole('grid').focus();
  // A single-skin hull, laid through; two layers more where it shows that it is thin.
  await lay('GEL', 'CSM 300', 'WR 600', 'CSM 450', 'WR 600', 'CSM 450');
  await expect(standing).toContainText('zones fail');
  await press('Shift+ArrowUp');
  await press('d');
  await expect(rows).toHaveCount(8);
  await act(() => page.getByRole('button', { name: 'Deck', exact: true }).click());
  await page.getByRole('grid').focus();
  await lay('GEL', 'CSM 300', 'BX45 800', 'PVC 80', 'BX45 800');
  await press('ArrowUp');
  await act(
    () => page.keyboard.type('30'),
    () => page.keyboard.press('Enter'),
  );
  await act(() => page.getByRole('button', { name: 'Bulkheads', exact: true }).click());
  await page.getByRole('grid').focus();
  await lay('BX45 600', 'PVC 80', 'BX45 600');
  await expect(standing).toContainText('✓ every checked zone meets 1.10');
  await expect(standing).toContainText(/✓ \d+\.\d kg, \d+\.\d % in hand/);
  await saved(page);

  await goTo('Revisions');
  await act(() => page.getByLabel('Issued by').fill('I. Hallin'));
  await act(() => page.getByLabel('What it is for').fill('First schedule'));
  await act(() => page.getByLabel('Why it is issued all the same').fill('The pack is read against its text next week'));
  await act(() => page.getByRole('button', { name: 'Issue next revision' }).click());
  await expect(page.getByRole('table', { name: 'Issued revisions' })).toContainText('I. Hallin', { timeout: 60_000 });
  await goTo('Pack');
  await expect(page.getByRole('heading', { name: 'Revision A' })).toBeVisible();
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    act(() => page.getByRole('link', { name: 'Save short PDF' }).click()),
  ]);
  expect(readFileSync(await pdf.path(), 'latin1')).toMatch(/^%PDF-/);
  expect(actions).toBeLessThanOrEqual(60);
});

test('the list says of each boat what it comes to, and finds those that fail', async ({ page }) => {
  await open(page, '/');
  const row = page.getByRole('row', { name: /Merrow 84/ }).first();
  await expect(row).toContainText('✕ fails: 1 zone, 1 detail', { timeout: 60_000 });
  await page.getByLabel('Which boats are shown').selectOption({ label: 'Something fails' });
  await expect(page.getByRole('row', { name: /Brant 56/ })).toHaveCount(0);
  await expect(row).toBeVisible();
});
