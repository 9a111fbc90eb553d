import { existsSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, type APIRequestContext } from '@playwright/test';
import { strToU8, zipSync } from 'fflate';
import { openDriver } from '../../src/server/database/driver';
import { MERROW, test } from './helpers';
import { newData, serve, stopServers } from './ownServer';

// Each starts servers, and a machine may be busy with something else.
test.describe.configure({ timeout: 300_000 });

const importBoat = async (request: APIRequestContext, base: string, name: string): Promise<string> => {
  const response = await request.post(`${base}/api/boats/import`, {
    headers: { 'content-type': 'application/json' },
    data: MERROW.replace('"name": "Merrow 84"', `"name": "${name}"`),
  });
  expect(response.status()).toBe(201);
  return ((await response.json()) as { id: string }).id;
};

test.afterEach(stopServers);

test('a damaged database is said on every page and brought back from a copy; no demo takes its place', async ({
  page,
  request,
}) => {
  const data = newData();
  const first = await serve(data);
  await importBoat(request, first.base, 'Kept boat');
  await page.goto(`${first.base}/safekeeping`);
  await page.getByRole('button', { name: 'Back up now' }).click();
  await expect(page.getByRole('status')).toContainText('Kept as keramos-');
  await importBoat(request, first.base, 'Later boat');
  await first.stop();
  for (const beside of ['', '-wal', '-shm']) rmSync(path.join(data, `keramos.db${beside}`), { force: true });
  writeFileSync(path.join(data, 'keramos.db'), 'somebody saved a text under this name');

  const second = await serve(data);
  for (const where of ['/', '/shelf', '/boats/merrow-84/brief']) {
    await page.goto(second.base + where);
    await expect(page.getByText('The database cannot be used')).toBeVisible();
    await expect(page.getByText(/Nothing was put in its place/)).toBeVisible();
  }
  const refused = await request.get(`${second.base}/api/boats`);
  expect(refused.status()).toBe(503);
  expect(await refused.text()).toContain('damaged');
  await page.getByRole('button', { name: /^Restore the copy of/ }).click();
  await expect(page.getByRole('status')).toContainText('Restored: 3 boats');
  await page.getByRole('link', { name: 'To the boats' }).click();
  await expect(page.getByRole('link', { name: 'Kept boat' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Later boat' })).toHaveCount(0);
  // The text is put aside, not thrown away.
  expect(readdirSync(path.join(data, 'backups')).filter((name) => name.includes('put-aside'))).toHaveLength(1);
});

test('a database that is gone is not made anew', async ({ page }) => {
  const data = newData();
  const first = await serve(data);
  await first.stop();
  for (const beside of ['', '-wal', '-shm']) rmSync(path.join(data, `keramos.db${beside}`), { force: true });
  const second = await serve(data);
  await page.goto(second.base);
  await expect(page.getByText(/is gone/)).toBeVisible();
  expect(existsSync(path.join(data, 'keramos.db'))).toBe(false);
});

test('a boat that does not read opens in a view of its own and is saved from there', async ({ page, request }) => {
  const data = newData();
  const first = await serve(data);
  const id = await importBoat(request, first.base, 'Hurt boat');
  const edited = await request.post(`${first.base}/api/boats/${id}/edits`, {
    data: {
      baseVersion: 1,
      actions: [
        {
          clientId: 'turn-one',
          action: 'do',
          edits: [{ type: 'layer.set', layerId: MERROW_LAYER, patch: { angleDeg: 12 } }],
        },
      ],
    },
  });
  expect(edited.status()).toBe(200);
  await first.stop();
  const driver = openDriver(path.join(data, 'keramos.db'));
  driver.exec(
    `update boat_item set body_json = json_set(body_json, '$.angleDeg', 4000) ` +
      `where boat_id = '${id}' and list = 'layers' and id = '${MERROW_LAYER}'`,
  );
  driver.close();

  const second = await serve(data);
  expect((await request.get(`${second.base}/api/boats/${id}`)).status()).toBe(422);
  await page.goto(`${second.base}/boats/${id}/layup`);
  await expect(page.getByText('What is stored of this boat does not read')).toBeVisible();
  await expect(page.getByText(/Angle must be between/)).toBeVisible();
  const [stored] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save all that is stored' }).click(),
  ]);
  expect(stored.suggestedFilename()).toContain('.json');
  await page.getByRole('button', { name: 'Open it as it was before the last action' }).click();
  await expect(page.getByRole('heading', { name: /Hurt boat, before the last action/ })).toBeVisible();
  // The others never noticed.
  expect((await request.get(`${second.base}/api/laminates`)).status()).toBe(200);
  expect((await request.get(`${second.base}/api/boats/merrow-84`)).status()).toBe(200);
});

test('a hostile workbook and an endless calculation are refused while others are answered', async ({ request }) => {
  const sheet = Array.from({ length: 3000 }, (_, i) => `<row r="${i + 1}"><c r="XFD${i + 1}"><v>1</v></c></row>`);
  const workbook = zipSync({ 'xl/worksheets/sheet1.xml': strToU8(`<sheetData>${sheet.join('')}</sheetData>`) });
  const read = request.post('/api/tables/read?name=a.xlsx', { data: Buffer.from(workbook) });
  const plate = { length: 1.2, breadth: 0.8, pressure: 1e4, edges: 'clamped', D11: 1e3, D12: 300, D22: 900, D66: 350 };
  const endless = request.post('/api/calc/panel.pressure', { data: Array(10_000).fill({ ...plate, terms: 32 }) });
  const long = request.post('/api/calc/panel.pressure', { data: Array(12).fill({ ...plate, terms: 28 }) });
  const answers = await Promise.all(Array.from({ length: 20 }, () => request.get('/api/boats/merrow-84')));
  expect(answers.every((answer) => answer.ok())).toBe(true);
  expect((await read).status()).toBe(413);
  expect(await (await read).text()).toContain('column 16384');
  expect((await endless).status()).toBe(413);
  expect(await (await endless).text()).toContain('a request is given a minute');
  expect((await long).status()).toBe(200);
  expect(await (await long).json()).toHaveLength(12);
});

const MERROW_LAYER = (JSON.parse(MERROW) as { boat: { parts: { layers: { id: string }[] }[] } }).boat.parts[0]!
  .layers[3]!.id;
