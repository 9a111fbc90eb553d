import { expect } from '@playwright/test';
import { cell, open, ownBoat, reserveUnder, saved, scan, test } from './helpers';

test('what each layer buys: a change is shown for trial, dropped, and kept by Enter', async ({ page, request }) => {
  await open(page, `/boats/${await ownBoat(request, 'Moves boat')}/layup`);
  await page.getByRole('button', { name: 'What each layer buys' }).click();
  const turn = page.getByRole('button', { name: '4, TX 900: turn to 90°' });
  await turn.click();
  await expect(page.getByText('Shown for trial')).toBeVisible();
  await expect(page.getByTestId('margins-moved')).toContainText('Bottom stringer');
  await expect(page.getByTestId('margins-moved')).toContainText('The boat would weigh 676.2 kg');
  await expect(cell(page, 4, 1)).toHaveText('90°');
  expect(await reserveUnder(page, 'Bottom forward')).toBe(1.41);
  await expect(page.getByTestId('standing')).toContainText('1 zone fails');
  await page.getByRole('button', { name: 'Drop it' }).click();
  await expect(cell(page, 4, 1)).toHaveText('0°');
  await turn.click();
  await turn.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Shown for trial')).toHaveCount(0);
  // It mends the zone, and the keel band and two stiffeners fail in its place: the panel had said so.
  await expect(page.getByTestId('standing')).toContainText('1 zone fails');
  expect(await reserveUnder(page, 'Keel band')).toBeLessThanOrEqual(1);
  await saved(page);
  await page.getByLabel('Order of the changes').selectOption('lightest');
  await expect(
    page
      .getByRole('table', { name: /What each layer/ })
      .locator('tbody tr')
      .first(),
  ).toContainText('−');
  await scan(page, 'moves');
});

test('a caution is shown beside its layer, accepted with a signed note, and stays on record', async ({
  page,
  request,
}) => {
  await open(page, `/boats/${await ownBoat(request, 'Caution boat')}/layup`);
  await expect(cell(page, 17, 0)).toContainText('No way through this core');
  await page.getByRole('columnheader', { name: 'Transom' }).click();
  await page.getByRole('button', { name: /^Cautions/ }).click();
  const first = page.getByTestId('caution-core-without-bleeder').first();
  await expect(first).toContainText('in 2 places');
  await first.getByRole('button', { name: 'Accept with a note' }).first().click();
  await first.getByLabel('Accepted by').fill('I. Hallin');
  await first.getByLabel('Why it is accepted').fill('Drilled on a 30 mm grid before bedding');
  await first.getByRole('button', { name: 'Sign and accept' }).click();
  await expect(first).toContainText('Accepted by I. Hallin');
  await saved(page);
  await open(page);
  await expect(cell(page, 17, 0)).not.toContainText('No way through this core');
  await expect(cell(page, 19, 0)).toContainText('No way through this core');
  await page.getByRole('navigation').getByRole('link', { name: 'Check' }).click();
  await expect(page.getByText('Drilled on a 30 mm grid')).toBeVisible();
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await expect(page.getByText('Drilled on a 30 mm grid')).toHaveCount(0);
});

test('the analysis answers for its load, its knock-downs and its criterion', async ({ page, request }) => {
  await open(page, `/boats/${await ownBoat(request, 'Analysis boat')}/analysis`);
  const first = page.getByTestId('first-ply');
  await expect(first).toContainText('1.99');
  await expect(first).toContainText('matrix tension in TX 900, layer 4');
  await expect(
    page.getByRole('img', { name: /Stress along the fibre through the thickness of Bottom forward/ }),
  ).toBeVisible();
  await page.getByLabel('Failure criterion').selectOption('tsaiWu');
  await expect(first).toContainText('2.02');
  await first.getByRole('button').click();
  await expect(page.getByRole('dialog')).toContainText('Tsai & Wu 1971');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);

  const across = page.getByLabel(/^M across/);
  await across.fill('-2000');
  await across.press('Enter');
  await expect(page.getByText('given', { exact: true })).toBeVisible();
  await expect(first).not.toContainText('2.02');
  await saved(page);
  await open(page);
  await expect(across).toHaveValue('-2000');
  await page.getByRole('button', { name: 'Back to the pressure' }).click();
  await expect(first).toContainText('1.99');

  await page.getByRole('button', { name: 'Design values' }).click();
  await page.getByLabel('Fatigue', { exact: true }).check();
  await expect(page.getByText('4 of 5 knock-downs are applied')).toBeVisible();
  await scan(page, 'design values');
  await page.getByRole('button', { name: 'Stress and failure' }).click();
  await expect(first).toContainText('0.83');
  await page.getByRole('button', { name: 'Stiffness' }).click();
  await expect(page.getByRole('img', { name: 'Modulus of Bottom forward by direction' })).toBeVisible();
  await scan(page, 'stiffness');
  await page.getByRole('button', { name: 'Do the fibres work together?' }).click();
  await expect(page.getByText('of the strengths simply added up')).toBeVisible();
  await scan(page, 'compatibility');
  await page.getByLabel('Zone', { exact: true }).selectOption({ label: 'Keel band' });
  await expect(page.getByRole('img', { name: 'Load against strain of Keel band' })).toBeVisible();
});

test('fabrics stand side by side; a resin says what it must not touch', async ({ page }) => {
  await open(page, '/shelf');
  for (const name of ['Unidirectional 600', 'Carbon twill 200', 'Stitched biaxial ±45, 800'])
    await page.getByLabel(`Compare ${name}`, { exact: true }).check();
  await page.getByRole('button', { name: 'Compare 3 side by side' }).click();
  const table = page.getByRole('table', { name: 'Fabrics compared' });
  await expect(table).toContainText('Strength for its weight');
  await expect(table).toContainText('Tightest double curve');
  await scan(page, 'compare');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: /^Resins/ }).click();
  await page.getByRole('button', { name: 'Vinylester' }).click();
  await expect(page.getByTestId('material-card')).toContainText('Extruded polystyrene 35 (styrene dissolves it)');
});

test('a table of materials is mapped, read row by row, questioned, taken, and exported again', async ({
  page,
  request,
}) => {
  const csv = (await (await request.get('/api/shelf/export?kind=core&format=csv')).text()).split('\r\n');
  const row = (find: string) => csv.find((line) => line.startsWith(find))!;
  const own = row('pvc-80').replace('pvc-80,Cross-linked PVC 80,PVC 80', ',Estuary foam 80,EF 80');
  const odd = row('pvc-100').replace('pvc-100,Cross-linked PVC 100,PVC 100', ',Odd foam,PVC 100');
  const bad = row('pvc-130')
    .replace('pvc-130,Cross-linked PVC 130,PVC 130', ',Bad foam,BAD')
    .replace(',130,', ',80 g/cm3,');
  const table = [csv[0]!.replace('Name,', 'Wares,'), row('pvc-60'), own, odd, bad].join('\n');

  await open(page, '/shelf');
  await page.getByRole('button', { name: /^Cores/ }).click();
  await page.getByRole('button', { name: 'From a table…' }).click();
  await page
    .getByLabel('Table of materials')
    .setInputFiles({ name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.from('only heads') });
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('no rows below its heads');
  await page
    .getByLabel('Table of materials')
    .setInputFiles({ name: 'own foams.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  const rows = page.getByRole('table', { name: 'Rows of the file' }).locator('tbody tr');
  await expect(rows.first()).toContainText('Name is missing');
  await page.getByLabel(/^Name/).selectOption('Wares');
  await expect(rows.nth(0)).toContainText('on the Shelf already, the same');
  await expect(rows.nth(1)).toContainText('new');
  await expect(rows.nth(2)).toContainText('It looks like Cross-linked PVC 100');
  await expect(rows.nth(3)).toContainText('Density must be between 10 kg/m³ and 1200 kg/m³');
  await scan(page, 'import');
  await page.getByRole('button', { name: 'Take 1 material' }).click();
  await expect(page.getByRole('button', { name: 'Estuary foam 80' })).toBeVisible();
  expect(await (await request.get('/api/shelf/export?kind=core&format=csv')).text()).toContain('Estuary foam 80');
  const xlsx = await request.get('/api/shelf/export?kind=core&format=xlsx');
  const read = await request.post('/api/tables/read?name=cores.xlsx', { data: await xlsx.body() });
  const [sheet] = (await read.json()) as { rows: string[][] }[];
  expect(sheet!.rows.map((cells) => cells[1])).toContain('Estuary foam 80');
});

test('an own test of a ply stands in front of the computed figure', async ({ page }) => {
  await open(page, '/shelf');
  await page.getByRole('button', { name: 'Stitched biaxial ±45, 600' }).click();
  await page.getByRole('button', { name: "Put the yard's figures" }).click();
  const form = page.getByTestId('material-form');
  await form.getByRole('button', { name: 'Add a stated or tested ply figure' }).click();
  await form.getByLabel('Measured figure 1 of component 1').selectOption('Xt');
  const value = form.getByLabel(/^Tension along, Xt/);
  await value.fill('700 MPa');
  await value.press('Enter');
  await form.getByRole('button', { name: /save/i }).click();
  const card = page.getByTestId('material-card');
  await expect(card).toContainText('Tension along, Xt 700.0 MPa');
  await expect(card).toContainText('data sheet');
  await card.getByRole('button', { name: 'Back to generic figures' }).click();
  await expect(card).not.toContainText('700.0 MPa');
});
