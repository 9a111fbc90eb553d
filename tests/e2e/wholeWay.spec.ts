import { expect, type Page } from '@playwright/test';
import { connect } from 'node:net';
import { cell, open, test } from './helpers';
import { newData, serve, stopServers } from './ownServer';

test.describe.configure({ timeout: 300_000 });
test.afterEach(stopServers);

const press = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, exact: typeof name === 'string' }).click();
const dialog = (page: Page) => page.getByRole('dialog');

/** A scale that says one figure for ever, as a real one does. */
async function scale(base: string, line: string): Promise<() => void> {
  const { listening } = (await (await fetch(`${base}/api/instruments`)).json()) as { listening: { port: number } };
  const socket = connect(listening.port, '127.0.0.1');
  const timer = setInterval(() => socket.write(`${line}\n`), 200);
  return () => {
    clearInterval(timer);
    socket.destroy();
  };
}

/** All samples of the demo stand there. */
async function samplesThere(base: string): Promise<void> {
  const count = async () => {
    const series = (await (await fetch(`${base}/api/trials`)).json()) as { samples: unknown[] }[];
    return series.reduce((sum, { samples }) => sum + samples.length, 0);
  };
  await expect.poll(count, { timeout: 120_000 }).toBe(9);
}

test('Brant 56 goes the whole way, from its brief to its book', async ({ page }) => {
  const { base } = await serve(newData());
  const builds = async () =>
    (await (await fetch(`${base}/api/builds`)).json()) as { boat: string; done: number; steps: number }[];
  const isFinished = async () =>
    (await builds()).some(({ boat, done, steps }) => boat === 'Brant 56' && done === steps);
  await expect.poll(isFinished, { timeout: 120_000 }).toBe(true);
  await page.addInitScript(() => localStorage.setItem('keramos.person', 'I. Hallin'));

  // What it must be, what it is laid of, what that comes to.
  await open(page, `${base}/boats/brant-56/brief`);
  await expect(page.getByText('Particulars').first()).toBeVisible();
  await open(page, `${base}/boats/brant-56/layup`);
  await expect(cell(page, 2, 1)).toBeVisible();
  await open(page, `${base}/boats/brant-56/check`);
  await expect(page.getByText(/draws of fibre fraction/)).toBeVisible({ timeout: 60_000 });
  await open(page, `${base}/boats/brant-56/kit?view=pieces`);
  await expect(page.getByText('Adds up').first()).toBeVisible({ timeout: 60_000 });

  // A second hull of the revision that stands.
  await open(page, `${base}/floor`);
  await press(page, 'Begin a build');
  await page.getByLabel('Boat', { exact: true }).selectOption('Brant 56');
  await page.getByLabel('Hull number').fill('2');
  await page.getByLabel('Mould of Hull', { exact: true }).fill('B1');
  // The mould is known: it has released one more since it was written down.
  await expect(page.getByLabel('How often the mould of Hull has released')).toHaveValue('3');
  await press(page, 'Begin the build');
  await expect(page).toHaveURL(/\/floor\/(?!shop)[\w-]{6,}/, { timeout: 60_000 });
  const buildId = page.url().split('/').at(-1)!;

  // The first step of its hull, a lesson, a defect that is mended by a laminate of its own.
  await page.getByRole('article', { name: 'Hull: Clean the mould' }).getByRole('button').click();
  await press(page, 'I have read it');
  await press(page, 'Begin');
  await press(page, 'Begin now');
  await press(page, '◆ Lesson');
  await dialog(page)
    .getByLabel(/In a sentence/)
    .fill('Look at the stem against the light');
  await press(page, 'Keep the lesson');
  await expect(page.getByText('◆ Look at the stem against the light')).toBeVisible();
  await press(page, 'Step is done');
  await dialog(page).getByRole('button', { name: 'Done' }).click();
  await press(page, '← All steps');
  await press(page, 'Defects');
  await press(page, '△ Something is wrong');
  await press(page, 'crack or break');
  await dialog(page).getByLabel('Part').selectOption('Hull');
  const map = dialog(page)
    .getByRole('img', { name: /tap where the defect is/ })
    .first();
  await map.click({ position: { x: 260, y: 60 } });
  await expect(dialog(page).getByText('beside the zones')).toHaveCount(0);
  await press(page, 'Record the defect');
  await press(page, 'Decide');
  await dialog(page)
    .getByLabel(/by a laminate of its own/)
    .check();
  await dialog(page).getByLabel('Layers that come out').fill('2');
  await dialog(page).getByLabel('Layers that come out').press('Enter');
  await expect(dialog(page).getByRole('region', { name: 'Check of the repair' })).toContainText('Not checked');
  await dialog(page).getByLabel('Why, and how').fill('knocked by the trolley');
  await press(page, 'So it is decided');
  await expect(page.getByText(/Its own laminate: /)).toBeVisible();
  await press(page, 'Sign the repair');
  await dialog(page).getByRole('button', { name: 'Sign the repair' }).click();
  await expect(page.getByText('✓ closed')).toBeVisible();

  // Its thickness, read by an instrument.
  const stop = await scale(base, 'gauge-9 length 6.4 mm stable');
  await press(page, 'Readings');
  await page.getByLabel('Part that is read').selectOption('Hull');
  await page
    .getByRole('img', { name: /tap where it is read/ })
    .first()
    .click({ position: { x: 260, y: 60 } });
  await press(page, /^Take 6\.4 mm from gauge-9/);
  await press(page, 'Keep the reading');
  await expect(page.locator('.record-list').getByText('6.4 mm')).toBeVisible();
  stop();
  await expect(page.getByTestId('reach')).toHaveText('✓ All sent');

  // What it came to, beside what was planned; the book.
  await open(page, `${base}/log/${buildId}`);
  await expect(page.getByRole('table', { name: 'Readings by zone' })).toContainText('6.4 mm');
  for (const [query, first] of [
    ['edition=short', '%PDF'],
    ['edition=full', '%PDF'],
    ['format=json', 'PK'],
  ]) {
    const answer = await page.request.get(`${base}/api/log/${buildId}/book?${query}`);
    expect(answer.status()).toBe(200);
    expect((await answer.body()).subarray(0, first!.length).toString()).toBe(first);
  }

  // The shop knows that the mould is taken; the yard, that there are two hulls now.
  await open(page, `${base}/floor/shop`);
  await expect(page.getByRole('table', { name: 'Moulds' })).toContainText('Brant 56, hull 2: Hull');
  await open(page, `${base}/log`);
  await expect(page.getByRole('heading', { name: '2 hulls together' })).toBeVisible();
});

test('Hatch 7 is gone on with: a sample that is read from the instruments, and what it proves', async ({ page }) => {
  const { base } = await serve(newData());
  await samplesThere(base);
  await page.addInitScript(() => localStorage.setItem('keramos.person', 'T. Reed'));
  await open(page, `${base}/log/trials`);
  await expect(page.getByText(/^B is the lightest that bears/)).toBeVisible();
  const row = page.getByRole('table', { name: 'Samples' }).getByRole('row', { name: /^C, / });
  await row.getByRole('button', { name: 'Next from this' }).click();
  await expect(page.getByLabel('Sample', { exact: true })).toHaveValue('E');
  await expect(page.getByText(/^Should weigh/)).toBeVisible();
  await page.getByText('One layer more or less').click();
  await page.getByRole('button', { name: 'Take' }).last().click();
  const stops = await Promise.all([scale(base, 'cell-9 force 1.4 kN'), scale(base, 'gauge-9 length 14 mm')]);
  await press(page, '● Read load cell and gauge');
  const points = page.getByLabel(/^Load and deflection/);
  await expect(points).toHaveValue(/1\.4; 14/, { timeout: 20_000 });
  await press(page, '■ End reading');
  stops.forEach((stop) => stop());
  await press(page, 'First crack, or broken');
  await page.getByLabel('What happened').selectOption('core sheared');
  await press(page, 'Keep the sample');
  await expect(page.getByRole('table', { name: 'Samples' }).getByRole('row', { name: /^E, / })).toContainText(
    '1.40 kN',
  );
});

test('What samples teach is put to use with what it changes, is tested on the Shelf, and is taken back', async ({
  page,
}) => {
  const { base } = await serve(newData());
  await samplesThere(base);
  await page.addInitScript(() => localStorage.setItem('keramos.person', 'I. Hallin'));
  const tested = async () => {
    const shelf = (await (await fetch(`${base}/api/shelf`)).json()) as unknown;
    return JSON.stringify(shelf).includes('"property":"Xt"');
  };
  await open(page, `${base}/log/learning`);
  const card = page.locator('.card', { has: page.getByRole('heading', { name: /^Strength of a ply: stitched/ }) });
  await expect(card).toContainText('After 5 readings');
  await card.getByRole('button', { name: 'What would it change?' }).click();
  await expect(card.getByRole('table', { name: 'What it changes' })).toContainText('Merrow 84');
  expect(await tested()).toBe(false);
  await card.getByRole('button', { name: 'Put it to use on the Shelf' }).click();
  await expect(card).toContainText('✓ in use');
  expect(await tested()).toBe(true);
  await open(page, `${base}/log`);
  await expect(page.getByText(/^Strength of a ply of stitched, infusion: 0\.\d+ of what is published/)).toBeVisible();
  await open(page, `${base}/log/learning`);
  await card.getByRole('button', { name: 'Take it back' }).click();
  await expect(card).toContainText('Not in use');
  expect(await tested()).toBe(false);
});
