import { spawn } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import path from 'node:path';
import { expect, type Browser, type Page } from '@playwright/test';
import { generate } from 'selfsigned';
import { open, test } from './helpers';
import { newData, serve, statusOf, stopServers } from './ownServer';

// Each starts servers, and a machine may be busy with something else.
test.describe.configure({ timeout: 300_000 });
test.afterEach(stopServers);

const IDA = { name: 'Ida Hallin', login: 'ida', password: 'salt and cedar' };

async function firstAccount(page: Page, base: string) {
  await open(page, `${base}/people`);
  await expect(page.getByRole('heading', { name: 'The first account' })).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill(IDA.name);
  await page.getByLabel('Signs in as').fill(IDA.login);
  await page.getByLabel('Password').fill('short');
  await page.getByRole('button', { name: 'Make the first account' }).click();
  await expect(page.getByText('at least 10 characters; a few words do well')).toBeVisible();
  await page.getByLabel('Password').fill(IDA.password);
  await page.getByRole('button', { name: 'Make the first account' }).click();
  await expect(page.getByRole('cell', { name: 'Ida Hallin you' })).toBeVisible();
}
async function signIn(page: Page, { login, password }: { login: string; password: string }) {
  await page.getByLabel('Signs in as').fill(login);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
}
const stranger = async (browser: Browser) => (await browser.newContext()).newPage();

test('the first account closes the door; a colleague is let in as what they are, on a tablet by PIN', async ({
  page,
  browser,
}) => {
  const { base } = await serve(newData());
  await open(page, `${base}/`);
  await expect(page.getByText('Merrow 84').first()).toBeVisible();
  await firstAccount(page, base);

  // Nobody else sees anything, whichever way they come; a link leads back to where it led.
  const other = await stranger(browser);
  await other.goto(`${base}/boats/merrow-84/weights`);
  await expect(other).toHaveURL(/sign-in/);
  await expect(other.getByText('Merrow 84')).toHaveCount(0);
  expect((await other.request.get(`${base}/api/boats/merrow-84`)).status()).toBe(401);
  await signIn(other, { ...IDA, password: 'salt and pepper' });
  await expect(other.getByText('Name or password is wrong')).toBeVisible();
  await signIn(other, IDA);
  await expect(other.getByRole('heading', { name: 'Merrow 84' })).toBeVisible();
  await expect(other).toHaveURL(/weights/);

  // Somebody for the floor, with a PIN that not everybody tries first.
  await page.getByRole('button', { name: 'Add somebody' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Tom Reed');
  await page.getByLabel('Signs in as').fill('tom');
  await page.getByLabel('Password').fill('mould and mat');
  await page.getByRole('button', { name: 'Make the account' }).click();
  await page.getByRole('button', { name: 'Open the account of Tom Reed' }).click();
  await page.getByLabel('New PIN, for tablets').fill('1234');
  await page.getByRole('button', { name: 'Set PIN' }).click();
  await expect(page.getByText('Everybody tries this PIN first')).toBeVisible();
  await page.getByLabel('New PIN, for tablets').fill('2716');
  await page.getByRole('button', { name: 'Set PIN' }).click();
  await expect(page.getByText('Tom Reed has a new PIN.')).toBeVisible();

  // The tablet is enrolled once; then people change on it.
  await page.getByLabel('Name of this tablet').fill('Laminating shop');
  await page.getByRole('button', { name: 'Enrol the device I hold' }).click();
  await expect(page.getByRole('cell', { name: 'Laminating shop this one' })).toBeVisible();
  await page.getByRole('button', { name: IDA.name, exact: true }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByRole('button', { name: 'Tom Reed', exact: true }).click();
  for (const figure of '2716') await page.getByRole('button', { name: figure, exact: true }).click();
  await page.getByRole('button', { name: 'OK' }).click();
  await expect(page.getByRole('button', { name: 'Tom Reed', exact: true })).toBeVisible();

  // A laminator looks at everything and changes no boat: the server says so, and nothing is kept.
  await open(page, `${base}/boats/merrow-84/brief`);
  const target = page.getByLabel(/^Laminate weight target/).first();
  const before = await target.inputValue();
  await target.fill('999');
  await target.press('Enter');
  await expect(page.getByText(/you must be designer; you are laminator/)).toBeVisible();
  await expect(target).toHaveValue(before);
  await open(page, `${base}/safekeeping`);
  await expect(page.getByText('ask the yard manager')).toBeVisible();

  // A tablet that is lost lets nobody in any more.
  await other.goto(`${base}/people`);
  await other.getByRole('button', { name: 'Withdraw Laminating shop' }).click();
  await expect(other.getByText(/^withdrawn/)).toBeVisible();
  await page.goto(`${base}/`);
  await expect(page).toHaveURL(/sign-in/);
  await expect(page.getByRole('button', { name: 'Tom Reed', exact: true })).toHaveCount(0);
});

test('whoever is signed out while they work signs in again and loses nothing', async ({ page, browser }) => {
  const { base } = await serve(newData());
  await firstAccount(page, base);
  await open(page, `${base}/boats/merrow-84/brief`);
  const other = await stranger(browser);
  await other.goto(`${base}/people`);
  await signIn(other, IDA);
  await other.getByRole('button', { name: `Open the account of ${IDA.name}` }).click();
  await other.getByRole('button', { name: 'Sign me out everywhere' }).click();

  const target = page.getByLabel(/^Laminate weight target/).first();
  await target.fill('1717');
  await target.press('Enter');
  await expect(page.getByRole('dialog')).toContainText('What you typed is still here');
  await signIn(page, IDA);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByTestId('save-state')).toHaveText('Saved', { timeout: 20_000 });
  await page.reload();
  await expect(page.getByLabel(/^Laminate weight target/).first()).toHaveValue(/1,?717/);
});

test('a reader’s link shows one revision, and nothing once it is withdrawn', async ({ page, browser }) => {
  const { base } = await serve(newData());
  await firstAccount(page, base);
  await open(page, `${base}/boats/brant-56/revisions`);
  await expect(page.getByLabel('Issued by')).toHaveValue(IDA.name);
  await page.getByLabel('What it is for').fill('for the survey');
  await page.getByLabel('Why it is issued all the same').fill('the survey asks for it as it is');
  await page.getByRole('button', { name: 'Issue next revision' }).click();
  await expect(page.getByText('✓ stands')).toBeVisible({ timeout: 60_000 });
  await page.getByLabel('For whom').fill('B. Survey');
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = await page.getByRole('status').locator('code').innerText();

  const reader = await stranger(browser);
  await reader.goto(link);
  await expect(reader.getByRole('heading', { name: 'Brant 56, revision A' })).toBeVisible();
  await expect(reader.getByText('the survey asks for it as it is')).toBeVisible();
  const [print] = await Promise.all([
    reader.waitForEvent('download'),
    reader.getByRole('link', { name: /PDF/ }).click(),
  ]);
  expect(print.suggestedFilename()).toMatch(/Brant-56-revision-A\.pdf/);
  expect((await reader.request.get(`${base}/api/boats/brant-56`)).status()).toBe(401);
  await page.reload();
  await page.getByRole('button', { name: 'Withdraw the link of B. Survey' }).click();
  await expect(page.getByText('withdrawn', { exact: true })).toBeVisible();
  await reader.goto(link);
  await expect(reader.getByRole('heading', { name: 'Nothing here' })).toBeVisible();
});

test('on the yard’s network it needs accounts and the yard’s certificate; a forged name is refused', async ({
  page,
}) => {
  const address = Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .find(({ family, internal }) => family === 'IPv4' && !internal)?.address;
  test.skip(address === undefined, 'this machine has no address but its own');
  const data = newData();
  const listed = { KERAMOS_HOSTS: address! };
  const plain = await serve(data, listed, '0.0.0.0');
  const { port } = new URL(plain.base);
  // Without accounts another machine gets nothing; a forged address or name changes nothing.
  expect(await statusOf(`http://${address}:${port}/api/boats`)).toBe(403);
  const forged = { host: 'localhost', 'x-keramos-from': '127.0.0.1', 'x-forwarded-for': '127.0.0.1' };
  expect(await statusOf(`http://${address}:${port}/api/boats`, forged)).toBe(403);
  expect(await statusOf(`${plain.base}/api/boats`)).toBe(200);
  await firstAccount(page, plain.base);
  // With accounts it is asked for one; and no password is taken over the network as it is typed.
  expect(await statusOf(`http://${address}:${port}/api/boats`)).toBe(401);
  await page.goto(`http://${address}:${port}/sign-in`);
  await signIn(page, IDA);
  await expect(page.getByText('HTTPS is needed')).toBeVisible();
  await plain.stop();

  // Told to answer on the network, it does not start without the certificate.
  const refused = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '0.0.0.0', '-p', port], {
    env: { ...process.env, NODE_ENV: 'production', KERAMOS_DATA: data, KERAMOS_HOST: '0.0.0.0' },
  });
  const said = new Promise<string>((resolve) => {
    let text = '';
    refused.stderr.on('data', (chunk) => (text += String(chunk)));
    refused.on('exit', () => resolve(text));
  });
  expect(await said).toContain('KERAMOS_CERT');

  const keys = await generate([{ name: 'commonName', value: address! }], {
    extensions: [{ name: 'subjectAltName', altNames: [{ type: 7, ip: address! }] }],
  });
  const [cert, key] = ['cert.pem', 'key.pem'].map((name) => path.join(data, name)) as [string, string];
  writeFileSync(cert, keys.cert);
  writeFileSync(key, keys.private);
  const secure = await serve(
    data,
    { ...listed, KERAMOS_HOST: '0.0.0.0', KERAMOS_CERT: cert, KERAMOS_KEY: key },
    '0.0.0.0',
  );
  const there = `https://${address}:${new URL(secure.base).port}`;
  expect(await statusOf(`${there}/api/boats`)).toBe(401);
  expect(await statusOf(`${there}/api/boats`, { host: 'localhost' })).toBe(403);
  const trusting = await (await page.context().browser()!.newContext({ ignoreHTTPSErrors: true })).newPage();
  const answer = await trusting.goto(`${there}/boats/merrow-84/brief`);
  expect(answer!.headers()['strict-transport-security']).toContain('max-age');
  await signIn(trusting, IDA);
  await expect(trusting.getByRole('heading', { name: 'Merrow 84' })).toBeVisible();
  const [cookie] = (await trusting.context().cookies()).filter(({ name }) => name.includes('keramos'));
  expect(cookie).toMatchObject({ httpOnly: true, secure: true, sameSite: 'Strict' });
});
