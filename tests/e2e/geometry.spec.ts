import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { hullSurface, shapeFor, stationsFromParticulars } from '../../src/core/geometry';
import { open, ownBoat, saved, scan, test } from './helpers';

const row = (page: Page, name: string) =>
  page.getByRole('table', { name: 'Zones' }).getByRole('row', { name: new RegExp(`^${name}`) });
const areaOf = async (page: Page, name: string) =>
  Number((await row(page, name).locator('td').nth(2).innerText()).replace(/[^\d.]/g, ''));
const particulars = { hullLength: 8.4, waterlineLength: 7.5, maximumBeam: 2.85, chineBeam: 2.2, deadriseDeg: 18 };
const drawn = { ...shapeFor(particulars, 'motor'), stemRakeDeg: 30 };

test('a bulkhead is dragged and nudged; panels, pressures and margins follow, and one undo takes it back', async ({
  page,
  request,
}) => {
  await open(page, `/boats/${await ownBoat(request, 'Drag boat')}/zones`);
  const grip = page.getByRole('slider', { name: 'Frame forward, place along the boat' });
  const forward = row(page, 'Bottom forward');
  await expect(forward).toContainText('1359 × 813');
  const box = (await grip.locator('rect').boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x - 20, box.y + 5, { steps: 4 });
  await expect(forward).not.toContainText('1359 × 813');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await expect(forward).not.toContainText('fails');
  await saved(page);
  await open(page);
  await expect(forward).not.toContainText('1359 × 813');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(forward).toContainText('1359 × 813');

  const bulkhead = page.getByRole('slider', { name: 'Collision bulkhead, place along the boat' });
  const before = await areaOf(page, 'Collision bulkhead');
  await bulkhead.focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(bulkhead).toHaveAttribute('aria-valuenow', '6.5');
  expect(await areaOf(page, 'Collision bulkhead')).toBeLessThan(before);
  await saved(page);
});

test('the edge between zones is dragged, and the zones take from one another', async ({ page, request }) => {
  await open(page, `/boats/${await ownBoat(request, 'Edge boat')}/zones`);
  const [fore, aft] = [await areaOf(page, 'Side forward'), await areaOf(page, 'Side aft')];
  const edge = page.getByRole('slider', { name: /^Edge of Bottom forward, Bottom aft, Side forward, Side aft/ });
  await edge.focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowLeft');
  await expect.poll(() => areaOf(page, 'Side forward')).toBeGreaterThan(fore + 0.5);
  expect((await areaOf(page, 'Side forward')) + (await areaOf(page, 'Side aft'))).toBeCloseTo(fore + aft, 1);
});

test('figures are typed over, marked, and released; the shape is changed and refused in words', async ({
  page,
  request,
}) => {
  await open(page, `/boats/${await ownBoat(request, 'Shape boat')}/zones`);
  const area = page.getByLabel(/^Area/);
  await area.fill('9 m2');
  await area.press('Enter');
  await expect(page.getByText('typed over').first()).toBeVisible();
  await expect(row(page, 'Bottom forward')).toContainText('△');
  await page.getByRole('button', { name: 'Release Area' }).click();
  await expect(page.getByText('typed over')).toHaveCount(0);
  expect(await areaOf(page, 'Bottom forward')).toBeCloseTo(4.28, 1);

  await page.getByRole('button', { name: 'Shape', exact: true }).click();
  const rake = page.getByLabel(/^Stem rake/);
  await rake.fill('60');
  await rake.press('Enter');
  await expect(page.getByText(/less rake, less freeboard forward/).first()).toBeVisible();
  await rake.fill('25');
  await rake.press('Enter');
  const side = await areaOf(page, 'Side aft');
  const freeboard = page.getByLabel(/^Freeboard aft/);
  await freeboard.fill('1.1');
  await freeboard.press('Enter');
  await expect.poll(() => areaOf(page, 'Side aft')).toBeGreaterThan(side);
  await page.getByLabel('Cockpit', { exact: true }).click();
  await expect(page.getByText('Cockpit sole has no surface').first()).toBeVisible();
  await page.getByRole('button', { name: 'Sections' }).click();
  await expect(page.getByRole('group', { name: 'Body plan and section' })).toBeVisible();
  await page.getByRole('button', { name: 'Supports', exact: true }).click();
  await page.getByLabel('Add a support').selectOption('frame');
  await expect(page.getByLabel('Name of member')).toHaveValue('Frame 8');
  await scan(page, 'zones with a support open');
  await saved(page);
});

test(
  'a hull comes from offsets in feet-inches-eighths and from a ' + 'mesh; bad files are refused and nothing is lost',
  async ({ page, request }) => {
    await open(page, `/boats/${await ownBoat(request, 'Lines boat')}/zones`);
    await page.getByRole('button', { name: 'Shape', exact: true }).click();
    await page.getByRole('button', { name: 'From a file…' }).click();
    const dialog = page.getByRole('dialog');
    const eighths = (metres: number) => {
      const all = Math.round((metres / 0.0254) * 8);
      return `${Math.floor(all / 96)}-${Math.floor((all % 96) / 8)}-${all % 8}`;
    };
    const stations = stationsFromParticulars(drawn, particulars).filter((_, i) => i % 3 === 0);
    const csv = [
      'Station,Half-breadth,Height,Line',
      ...stations.flatMap(({ x, points, chine }) =>
        points.map(([y, z], i) => [eighths(x + 1), eighths(y), eighths(z), i === chine ? 'chine' : ''].join(',')),
      ),
    ].join('\n');
    const table = dialog.getByLabel('Table of offsets');
    await table.setInputFiles({
      name: 'lines.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(csv.replace('Height', 'Hite').replace(/\n([^,]+),([^,]+),/, '\n$1,wide,')),
    });
    await expect(dialog.getByRole('alert')).toContainText('is not feet-inches-eighths');
    await expect(dialog.getByRole('button', { name: 'Take this hull' })).toBeDisabled();
    await table.setInputFiles({ name: 'lines.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
    await expect(dialog.getByLabel('Unit of the table')).toHaveValue('feetInchesEighths');
    const origin = dialog.getByLabel(/Aft end of the waterline/);
    await origin.fill('1');
    await origin.press('Enter');
    const waterline = dialog.getByLabel(/Waterline above the baseline/);
    await waterline.fill('0.5');
    await waterline.press('Enter');
    await expect(dialog.getByRole('img', { name: /Body plan of 14 stations/ })).toBeVisible();
    await expect(dialog).toContainText('with a chine');
    await dialog.getByLabel('Unit of the table').selectOption('m');
    await expect(dialog.getByRole('alert')).toContainText('looks like feet-inches-eighths');
    await dialog.getByLabel('Unit of the table').selectOption('feetInchesEighths');
    await dialog.getByRole('button', { name: 'Take this hull' }).click();
    await expect(page.getByText('From lines.csv: 14 stations')).toBeVisible();

    await page.getByRole('button', { name: 'From a file…' }).click();
    await dialog.getByRole('button', { name: 'Mesh' }).click();
    const surface = hullSurface(drawn, particulars);
    const [along, across] = [30, 10];
    const corners: string[] = [];
    const faces: string[] = [];
    const at = (i: number, j: number) => i * (across + 1) + j + 1;
    for (let i = 0; i <= along; i++)
      for (let j = 0; j <= across; j++)
        corners.push(
          `v ${surface
            .at(surface.aft + ((surface.bow - surface.aft) * i) / along, (2 * j) / across)
            .map((value) => value * 1000)
            .join(' ')}`,
        );
    for (let i = 0; i < along; i++)
      for (let j = 0; j < across; j++)
        faces.push(
          `f ${at(i, j)} ${at(i + 1, j)} ${at(i + 1, j + 1)}`,
          `f ${at(i, j)} ${at(i + 1, j + 1)} ${at(i, j + 1)}`,
        );
    const mesh = dialog.getByLabel('Hull mesh');
    const obj = (list: string[]) => ({
      name: 'hull.obj',
      mimeType: 'model/obj',
      buffer: Buffer.from([...corners, ...list].join('\n')),
    });
    await mesh.setInputFiles(obj([...faces, faces[40]!, faces[40]!]));
    await expect(dialog.getByRole('alert')).toContainText('m long; 1.5 to 30 m are expected');
    await dialog.getByLabel('Unit', { exact: true }).selectOption('mm');
    await expect(dialog.getByRole('alert')).toContainText('non-manifold');
    await mesh.setInputFiles(obj(faces));
    await expect(dialog).toContainText('600 triangles');
    await dialog.getByRole('button', { name: 'Take this hull' }).click();
    await expect(page.getByText(/From hull\.obj: \d+ stations cut from 600 triangles/)).toBeVisible();
    await saved(page);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('From lines.csv: 14 stations')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByLabel('Form', { exact: true })).toHaveValue('hardChine');
  },
);

test('a mesh of 50 MB, a truncated one and a packed table that unpacks to far more are refused', async ({
  request,
}) => {
  const send = (url: string, data: Buffer) =>
    request.post(url, { data, headers: { 'content-type': 'application/octet-stream' } });
  const placement = 'unit=m&forward=%2Bx&up=%2Bz';
  const large = await send(`/api/hull/mesh?name=hull.stl&${placement}`, Buffer.alloc(50 * 1024 * 1024));
  expect(large.status()).toBe(413);
  expect(((await large.json()) as { error: { message: string } }).error.message).toContain('30 MB');
  const cut = await send(`/api/hull/mesh?name=hull.stl&${placement}`, Buffer.alloc(200, 7));
  expect(cut.status()).toBe(400);
  expect(
    (await send('/api/hull/mesh?name=hull.stl&unit=furlong&forward=%2Bx&up=%2Bz', Buffer.alloc(200))).status(),
  ).toBe(422);
  expect((await send('/api/tables/read?name=lines.xlsx', Buffer.alloc(6 * 1024 * 1024))).status()).toBe(413);
  expect((await request.get('/boats/merrow-84/zones')).status()).toBe(200);
});

test('the panel: three schools side by side, edges loosened, a reference taken from another boat', async ({
  page,
  request,
}) => {
  await ownBoat(request, 'Proved boat');
  await open(page, `/boats/${await ownBoat(request, 'Panel boat')}/panel`);
  const schools = page.getByRole('table', { name: 'Schools side by side' });
  await expect(schools.getByRole('row', { name: /By rule/ })).toContainText('0.95');
  await expect(schools.getByRole('row', { name: /By analysis/ })).toHaveCount(4);
  const deflection = () => page.getByRole('img', { name: /deflection/ }).getAttribute('aria-label');
  const clamped = await deflection();
  const edges = page.getByLabel(/^Edges/);
  await edges.focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowLeft');
  await expect(page.getByText('Edges: simply supported')).toBeVisible();
  await expect.poll(deflection).not.toBe(clamped);
  await page.getByLabel('A load on a patch in the middle as well').check();
  const force = page.getByLabel(/^Force/);
  await force.fill('2 kN');
  await force.press('Enter');
  await schools.getByRole('button', { name: /\d/ }).nth(1).click();
  await expect(page.getByRole('dialog')).toContainText('Greatest deflection');
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Take from another boat…' }).click();
  await page.getByLabel('Other boat').selectOption({ label: 'Proved boat' });
  await page.getByLabel('Zone of the other boat').selectOption({ label: 'Hull: Keel band' });
  await expect(schools.getByRole('row', { name: /By match/ })).toContainText('fails');
  await page.getByRole('button', { name: 'Take this zone as it is now' }).click();
  await expect(schools.getByRole('row', { name: /By match/ })).toContainText('1.00');
  await scan(page, 'panel with a reference');
  await saved(page);
});

test('stiffeners: a section is made and changed, its numbers live, its weight in the weights', async ({
  page,
  request,
}) => {
  const id = await ownBoat(request, 'Stiff boat');
  await open(page, `/boats/${id}/stiffeners`);
  const checks = page.getByRole('table', { name: 'Checks of Frame midships' });
  const stiffness = () =>
    checks
      .getByRole('row', { name: /^Stiffness/ })
      .locator('td')
      .nth(2)
      .innerText();
  const before = await stiffness();
  const height = page.getByLabel(/^Height/);
  await height.fill('180');
  await height.press('Enter');
  await expect.poll(stiffness).not.toBe(before);
  await checks.locator('tbody').getByRole('button').first().click();
  await expect(page.getByRole('dialog')).toContainText('Neutral axis');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'New flat bar' }).click();
  await expect(page.getByLabel('Kind')).toHaveValue('flatBar');
  await page.getByLabel('Fabric of layer 1', { exact: true }).selectOption({ label: 'BX45 800' });
  await page.getByLabel('Section of Foredeck beam').selectOption({ label: 'Flat bar 6' });
  await page.getByRole('button', { name: 'Foredeck beam' }).click();
  await expect(page.getByRole('table', { name: 'Checks of Foredeck beam' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.getByText('is in use: Foredeck beam has it as "Section"').first()).toBeVisible();
  await saved(page);
  await open(page, `/boats/${id}/weights`);
  await expect(page.getByRole('row', { name: /Foredeck beam/ })).toBeVisible();
});

test('standards: copied, changed, compared, signed, sent out and brought back; a boat takes the copy', async ({
  page,
  request,
}) => {
  const id = await ownBoat(request, 'Standards boat');
  await open(page, '/packs');
  await page.getByRole('button', { name: 'Make a copy' }).click();
  const title = page.getByLabel('Title of this copy');
  await expect(title).toHaveValue('Small craft, ISO 12215-5:2008 method, copy');
  await title.fill('Hallin Sound reading');
  await title.press('Tab');
  await expect(page.getByText('Renamed.')).toBeVisible();
  const wrinkling = page.getByLabel('Wrinkling factor');
  await wrinkling.fill('-1');
  await wrinkling.press('Enter');
  await expect(page.locator('.invalid-feedback')).toBeVisible();
  await wrinkling.fill('0.25');
  await wrinkling.press('Enter');
  await expect(page.getByRole('row', { name: /wrinkling of a pressed skin/ })).toContainText('changed');
  await expect(page.getByText('1 coefficient differs')).toBeVisible();
  await page.getByRole('button', { name: 'Sign off' }).click();
  await expect(page.getByText('give a name of at least 2 characters')).toBeVisible();
  await page.getByLabel('Signed by').fill('I. Hallin');
  await page.getByLabel('What was checked').fill('Every figure beside our own copy');
  await page.getByRole('button', { name: 'Sign off' }).click();
  await expect(page.getByText('✓ signed off', { exact: true })).toBeVisible();
  const [out] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'JSON' }).click()]);
  const document = readFileSync(await out.path(), 'utf8');
  await page.getByLabel('Pack as JSON').setInputFiles({
    name: 'pack.json',
    mimeType: 'application/json',
    buffer: Buffer.from(document.replace('"wrinklingFactor"', '"wrinkle"')),
  });
  await expect(page.locator('.alert-danger')).toContainText('wrinkl');
  await page.getByLabel('Pack as JSON').setInputFiles({
    name: 'pack.json',
    mimeType: 'application/json',
    buffer: Buffer.from(
      document.replace(/"id": "[^"]*"/, '"id": "brought-back"').replace('Hallin Sound reading', 'Brought back'),
    ),
  });
  await expect(page.getByText('unverified until somebody of this yard signs')).toBeVisible();
  await scan(page, 'standards');

  await open(page, `/boats/${id}/brief`);
  await page.getByLabel('Method that gives the pressures').selectOption({ label: 'Hallin Sound reading' });
  await page.getByLabel('Add a pack').selectOption({ label: 'Workboat uplift (workboat uplift)' });
  await expect(page.getByText('signed off by I. Hallin').first()).toBeVisible();
  await saved(page);
  await open(page, `/boats/${id}/check`);
  await expect(page.getByText(/signed off by I\. Hallin/).first()).toBeVisible();
  await expect(page.getByText('Workboat uplift').first()).toBeVisible();
  await open(page, `/boats/${id}/brief`);
  await page.getByRole('button', { name: 'Drop Workboat uplift' }).click();
  await expect(page.getByRole('button', { name: 'Drop Workboat uplift' })).toHaveCount(0);
});

test(
  'the compliance sheet: bands and analysis come aside, the ' + 'filter keeps what fails, one click leads to the layer',
  async ({ page, request }) => {
    await open(page, `/boats/${await ownBoat(request, 'Sheet boat')}/check`);
    const sheet = page.getByRole('table', { name: 'Zones by checks' });
    await expect(page.getByText('seed 84.')).toBeVisible({ timeout: 40_000 });
    const forward = sheet.getByRole('row', { name: /^Bottom forward/ });
    await expect(forward).toContainText(/\d\.\d\d–\d\.\d\d/);
    const band = await forward.locator('td').last().innerText();
    await open(page);
    await expect(page.getByText('seed 84.')).toBeVisible({ timeout: 40_000 });
    expect(await forward.locator('td').last().innerText()).toBe(band);
    await page.getByLabel('Only zones that fail or are thin').check();
    await expect(sheet.locator('tbody tr')).toHaveCount(1);
    await forward.getByRole('link', { name: 'Bottom forward' }).click();
    await expect(page.getByTestId('zone-panel').getByRole('heading', { name: /Bottom forward/ })).toBeVisible();
  },
);
