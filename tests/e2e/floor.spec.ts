import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import { open, test } from './helpers';
import { newData, serve, stopServers } from './ownServer';

test.describe.configure({ timeout: 300_000 });
test.use({ viewport: { width: 820, height: 1180 } });
test.afterEach(stopServers);

interface Build {
  id: string;
  hull: string;
}
/** The builds of the demo are made while nobody waits. */
async function demoBuilds(base: string): Promise<Build[]> {
  for (;;) {
    const builds = (await (await fetch(`${base}/api/builds`)).json()) as (Build & { last: string | null })[];
    if (builds.length === 2 && builds.every(({ last }) => last !== null)) return builds;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
}
const recordsOf = async (base: string, build: string) =>
  ((await (await fetch(`${base}/api/builds/${build}/records`)).json()) as { records: { id: string; kind: string }[] })
    .records;

const press = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, exact: typeof name === 'string' }).click();
const dialog = (page: Page) => page.getByRole('dialog');
async function openStep(page: Page, name: string) {
  await page
    .getByRole('article', { name: `Bulkheads: ${name}` })
    .getByRole('button')
    .click();
  await expect(page.getByRole('heading', { level: 1, name: new RegExp(name) })).toBeVisible();
}
async function readAir(page: Page, celsius: string) {
  await press(page, 'Read the air');
  await page.getByLabel('Temperature at the mould').fill(celsius);
  await page.getByLabel('Humidity, %').fill('60');
  await press(page, 'Keep the reading');
  await expect(dialog(page)).toHaveCount(0);
}
async function begin(page: Page) {
  const caution = page.getByRole('button', { name: 'I have read it' });
  if (await caution.count()) await caution.click();
  await press(page, 'Begin');
  await press(page, 'Begin now');
}
async function end(page: Page, signed = false) {
  await press(page, 'Step is done');
  await dialog(page).getByRole('button', { name: 'Done' }).click();
  if (signed) {
    await press(page, 'Sign');
    await dialog(page).getByRole('button', { name: 'Sign' }).click();
    await expect(page.getByText('✓ Signed by')).toBeVisible();
  }
  await press(page, '← All steps');
}
async function mix(page: Page) {
  await press(page, /batch is mixed$/);
  await press(page, 'It is mixed now');
  await expect(page.getByRole('timer')).toContainText('left in the pot');
}
async function layAll(page: Page) {
  const done = page.getByText(/^✓ All \d+ pieces lie/);
  while (!(await done.count())) {
    const count = () => page.locator('.lay-count').allInnerTexts();
    const before = await count();
    await press(page, 'It lies');
    await expect.poll(count).not.toEqual(before);
  }
}

test('a part is built on a tablet from its mould to its demoulding, half of it without the server', async ({
  page,
}) => {
  const data = newData();
  const first = await serve(data);
  const { base } = first;
  const port = Number(new URL(base).port);
  await demoBuilds(base);
  await page.clock.install({ time: new Date('2026-12-01T07:00:00Z') });
  await page.addInitScript(() => localStorage.setItem('keramos.person', 'T. Reed'));

  // The lead begins hull 9 on the board.
  await open(page, `${base}/floor`);
  await press(page, 'Begin a build');
  await page.getByLabel('Boat', { exact: true }).selectOption('Brant 56');
  await page.getByLabel('Hull number').fill('1');
  await press(page, 'Begin the build');
  await expect(page.getByText('Hull 1 is being built already')).toBeVisible();
  await page.getByLabel('Hull number').fill('9');
  await page.getByLabel('Mould of Bulkheads', { exact: true }).fill('Table 2');
  await press(page, 'Begin the build');
  await page.waitForURL(/floor\/[\w-]{10}$/);
  const build = page.url().split('/').pop()!;
  await expect(page.getByTestId('reach')).toHaveText('✓ All sent');

  // What is not next cannot be begun, and says why.
  await page.getByRole('article', { name: 'Boat: Prepare and bond in: Bulkheads' }).getByRole('button').click();
  await expect(page.getByText(/“Clean the mould” of Bulkheads comes first/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeDisabled();
  await press(page, '← All steps');

  await openStep(page, 'Clean the mould');
  await begin(page);
  await end(page);
  await openStep(page, 'Release coats');
  await begin(page);
  for (let coat = 1; coat <= 6; coat++) {
    await press(page, `Coat ${coat} is on`);
    if (coat === 1) {
      await press(page, 'Coat 2 is on');
      await expect(page.getByText(/The coat before wants 30 min more/)).toBeVisible();
    }
    await page.clock.fastForward(31 * 60_000);
  }
  await end(page);

  // The server is killed; the tablet is loaded again, and works on.
  await expect.poll(async () => (await recordsOf(base, build)).length).toBeGreaterThan(8);
  const sentBefore = (await recordsOf(base, build)).length;
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await page.waitForFunction(async () => (await (await caches.open('keramos-floor-pages')).keys()).length > 0);
  await page.waitForFunction(async () => (await (await caches.open('keramos-static')).keys()).length > 10);
  await first.stop();
  await page.reload();
  await expect(page.locator('.floor-top')).toContainText('Brant 56, hull 9');
  await expect(page.getByTestId('reach')).toContainText(/away/i);
  await openStep(page, 'Mask, inserts and marks');
  await begin(page);
  await end(page, true);
  await openStep(page, 'Outer skin');
  await expect(page.getByText('Read temperature and humidity first', { exact: false })).toBeVisible();
  await readAir(page, '9');
  await expect(page.getByText(/is colder than/)).toBeVisible();
  await press(page, '← All steps');
  await readAir(page, '19');
  await openStep(page, 'Outer skin');
  await begin(page);
  await press(page, 'It lies');
  await expect(page.getByText(/No pot is open/)).toBeVisible();
  await mix(page);
  await page.getByLabel('Label of the piece').fill('Brant 56, hull 1|scribble|1');
  await press(page, 'Read');
  await expect(page.getByText(/This label is of Brant 56, hull 1, not of Brant 56, hull 9/)).toBeVisible();
  await layAll(page);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await page.getByLabel('Why').fill('torn at the edge');
  await press(page, 'It does not lie');
  await expect(page.locator('.lay-count')).toBeVisible();
  await layAll(page);
  // The pot goes past its life: it says so, and is thrown away.
  await page.clock.fastForward(60 * 60_000);
  await expect(page.getByRole('timer')).toContainText('✕ past its life');
  await press(page, 'Thrown away');
  await end(page);
  // A reload loses nothing of what only the tablet has.
  const kept = await page.getByTestId('reach').innerText();
  await page.reload();
  await expect(page.getByTestId('reach')).toHaveText(kept);
  expect(Number(/\d+/.exec(kept)![0])).toBeGreaterThan(10);

  // The server is back: everything arrives once.
  await serve(data, {}, '127.0.0.1', port);
  await page.reload();
  await expect(page.getByTestId('reach')).toHaveText('✓ All sent', { timeout: 60_000 });
  const arrived = await recordsOf(base, build);
  expect(arrived.length).toBe(sentBefore + Number(/\d+/.exec(kept)![0]));
  expect(new Set(arrived.map(({ id }) => id)).size).toBe(arrived.length);

  await readAir(page, '19');
  for (const name of ['Bed the core', 'Inner skin']) {
    await openStep(page, name);
    await begin(page);
    await mix(page);
    await layAll(page);
    await press(page, 'Pot is empty');
    await end(page, name === 'Bed the core');
  }
  await openStep(page, 'Cure');
  await begin(page);
  await page.clock.fastForward(24 * 3600_000);
  await end(page);
  await openStep(page, 'Demould');
  await begin(page);
  await end(page, true);
  await expect(page.getByRole('article', { name: 'Bulkheads: Trim' })).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);

  const [own] = (
    (await (await fetch(`${base}/api/builds`)).json()) as (Build & { clashes: number; laid: number })[]
  ).filter(({ id }) => id === build);
  expect(own).toMatchObject({ clashes: 0, laid: 13 });
});

test('a defect is shown where it is, holds the part, and is decided, mended and signed', async ({ page }) => {
  const { base } = await serve(newData());
  await demoBuilds(base);
  await page.addInitScript(() => localStorage.setItem('keramos.person', 'M. Aske'));
  await open(page, `${base}/floor`);
  await expect(page.getByText('△ 2 open defects')).toBeVisible();
  await expect(page.getByText('✓ finished')).toBeVisible();
  await page.getByRole('link', { name: 'Merrow 84, hull 3' }).click();
  await page.getByRole('article', { name: 'Deck: Skin coat' }).getByRole('button').click();
  await press(page, '△ Defect');
  await press(page, 'damage: knock or cut'.replace('damage: ', ''));
  await dialog(page)
    .getByRole('img')
    .first()
    .click({ position: { x: 200, y: 60 } });
  await dialog(page).getByLabel('In words').fill('a dropped roller');
  await dialog(page).getByLabel('Photograph').setInputFiles('docs/screenshots/brief.png');
  await expect(dialog(page).getByText('1 taken')).toBeVisible();
  await press(page, 'Record the defect');
  await expect(page.getByText(/A defect of Deck is not decided: damage/)).toBeVisible();
  await press(page, '← All steps');
  await press(page, 'Defects');
  const card = page.getByRole('article', { name: 'Defect 3' });
  await expect(card).toContainText('a dropped roller');
  await expect
    .poll(() => card.getByRole('img').evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBeGreaterThan(100);
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await card.getByRole('button', { name: 'Decide' }).click();
  await page.getByLabel('Why, and how').fill('grind 12:1, two layers of mat');
  await press(page, 'So it is decided');
  await card.getByRole('button', { name: 'Sign the repair' }).click();
  await page.getByLabel('What was done').fill('ground, laid, faired');
  await dialog(page).getByRole('button', { name: 'Sign the repair' }).click();
  await expect(card).toContainText('✓ closed');
  await press(page, 'Records');
  await expect(page.getByText('signed a repair')).toBeVisible();
});
