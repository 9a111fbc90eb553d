import { expect } from '@playwright/test';
import { open, sameNumbers, scan, test } from './helpers';

/**
 * Every main view of the demo, for docs/screenshots, with its accessibility scan. These run first, while the database
 * holds the demo and nothing else.
 */
const VIEWS: [name: string, url: string, ready: string][] = [
  ['boats', '/', '✕ fails: 1 zone, 1 detail'],
  ['new-boat', '/new', '✓ 11 of 11 zones reach 1.10'],
  ['brief', '/boats/merrow-84/brief', 'Particulars'],
  ['zones', '/boats/merrow-84/zones', 'Panel breadth'],
  ['zones-sail', '/boats/brant-56/zones', 'Panel breadth'],
  ['layup', '/boats/merrow-84/layup', 'in 90 of 100 boats'],
  ['analysis', '/boats/merrow-84/analysis', 'First ply by'],
  ['panel', '/boats/merrow-84/panel', 'the panel would buckle'],
  ['stiffeners', '/boats/merrow-84/stiffeners', 'Bending stiffness'],
  ['check', '/boats/brant-56/check', 'draws of fibre fraction, strengths and core, seed 84.'],
  ['options', '/boats/merrow-84/options?zone=side-fwd&view=propose', 'From Brief and zones alone'],
  ['weights', '/boats/merrow-84/weights?view=floats', 'against the loaded mass'],
  ['revisions', '/boats/merrow-84/revisions', 'Issued revisions'],
  ['details', '/boats/merrow-84/details?detail=tow-post', 'Steps'],
  ['pack', '/boats/merrow-84/pack', 'What leaves the desk'],
  ['kit', '/boats/merrow-84/kit?view=pieces', 'Adds up'],
  ['fill', '/boats/merrow-84/fill?view=fill', 'Not simulated as it stands'],
  ['shelf', '/shelf', 'Figure'],
  ['standards', '/packs', 'Merrow 84, built to it'],
  ['safekeeping', '/safekeeping', 'Backed up by hand'],
  ['people', '/people', 'The first account'],
  ['board', '/floor', '2 open defects'],
  ['shop', '/floor/shop', 'A series of Brant 56'],
  ['log', '/log/demo-brant-1', 'On the scales'],
  ['yard-log', '/log', 'Read of one hull so far'],
  ['trials', '/log/trials', 'is the lightest that bears'],
  ['instruments', '/log/instruments', 'Listening at'],
  ['learning', '/log/learning', 'this yard lays'],
];

/** The pictures are kept for the views of the work; there are enough of them. */
const UNDRAWN = [
  ...['safekeeping', 'zones-sail', 'standards', 'people', 'board'],
  ...['shop', 'yard-log', 'trials', 'instruments', 'learning'],
];
/** What they say is of today. */
const OF_TODAY = ['boats', 'new-boat', 'safekeeping', 'board', 'shop', 'log', 'yard-log', 'instruments'];

test.beforeAll(async ({ request }) => {
  // What is issued and built of the demo is made while nobody waits.
  const builds = async () => (await (await request.get('/api/builds')).json()) as { last: string | null }[];
  await expect
    .poll(async () => (await builds()).filter(({ last }) => last !== null).length, { timeout: 120_000 })
    .toBe(2);
  // The copy of the day is made by itself, before or after.
  const { backups } = (await (await request.get('/api/safekeeping')).json()) as { backups: { name: string }[] };
  if (!backups.some(({ name }) => name.endsWith('-asked.db'))) await request.post('/api/safekeeping');
});

for (const [name, url, ready] of VIEWS)
  test(`screenshot and accessibility of ${name}`, async ({ page }) => {
    await open(page, url);
    await expect(page.getByText(ready).first()).toBeVisible({ timeout: 40_000 });
    await page.evaluate(() => document.fonts.ready);
    if (name === 'layup') await expect(page.getByLabel('The whole boat')).toContainText('light', { timeout: 20_000 });
    // What it comes to is shown once it is asked for.
    if (name === 'options') {
      await page.getByRole('button', { name: 'Propose a schedule' }).click();
      await expect(page.getByTestId('effect')).toBeVisible({ timeout: 60_000 });
    }
    if (name === 'fill') {
      await page.getByRole('button', { name: 'Fill it' }).click();
      await expect(page.getByText('One place stays dry')).toBeVisible({ timeout: 120_000 });
    }
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
    if (!UNDRAWN.includes(name)) await expect(page).toHaveScreenshot(`${name}.png`);
    if (!OF_TODAY.includes(name)) await sameNumbers(page, name);
    await scan(page, name);
  });

test('accessibility of a working', async ({ page }) => {
  await open(page, '/boats/merrow-84/layup');
  await page.getByTestId('zone-panel').getByRole('button', { name: 'Outer skin, tension' }).click();
  await expect(page.locator('.working-formula .katex').first()).toBeVisible();
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(500);
  await scan(page, 'working');
});

test('screenshot and accessibility of a laying card on a tablet', async ({ page }) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await page.addInitScript(() => localStorage.setItem('keramos.person', 'T. Reed'));
  await open(page, '/floor/demo-merrow-3');
  await page.getByRole('article', { name: 'Hull: Outer skin, dry' }).getByRole('button').click();
  await expect(page.getByRole('button', { name: 'It lies' })).toBeInViewport();
  await expect(page.getByTestId('reach')).toHaveText('✓ All sent');
  await page.evaluate(() => document.fonts.ready);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820);
  await expect(page).toHaveScreenshot('floor.png');
  await scan(page, 'a laying card');
});

test('accessibility of what each layer buys', async ({ page }) => {
  await open(page, '/boats/merrow-84/layup');
  await page.getByRole('button', { name: 'What each layer buys' }).click();
  await page.getByRole('button', { name: '4, TX 900: turn to 90°' }).click();
  await page.evaluate(() => document.fonts.ready);
  await scan(page, 'layer moves');
});

test('accessibility of section and lines', async ({ page }) => {
  await open(page, '/boats/merrow-84/layup');
  await page.getByRole('button', { name: 'Section and lines' }).click();
  await expect(page.getByRole('table', { name: 'Lines between the zones of Hull' })).toBeVisible();
  await page.evaluate(() => document.fonts.ready);
  await scan(page, 'lines');
});

/** The bench and the tablet: nothing runs off the side, nothing is hidden, and the scan holds. */
for (const [name, url, ready] of VIEWS.filter(([name]) =>
  ['boats', 'new-boat', 'layup', 'zones', 'check', 'details', 'shelf'].includes(name),
))
  test(`${name} holds on a tablet`, async ({ page }) => {
    await page.setViewportSize({ width: 820, height: 1180 });
    await open(page, url);
    await expect(page.getByText(ready).first()).toBeVisible({ timeout: 40_000 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820);
    await expect(
      page
        .getByRole('button', { name: 'Undo' })
        .or(page.getByRole('heading', { level: 1, name: /^(Shelf|Boats|New boat)/ })),
    ).toBeVisible();
    await scan(page, `${name} on a tablet`);
  });

test('empty and lost places are designed', async ({ page }) => {
  expect((await page.goto('/boats/nothing/layup'))!.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'Nothing here' })).toBeVisible();
  await scan(page, 'not found');
  await page.getByRole('link', { name: 'To the list of boats' }).click();
  await expect(page.getByRole('heading', { name: 'Boats', exact: true })).toBeVisible();
});
