import { expect } from '@playwright/test';
import { cell, open, ownBoat, saved, test } from './helpers';

const SCREENS = ['brief', 'zones', 'layup', 'analysis', 'panel', 'stiffeners', 'details', 'check', 'weights'] as const;

test('every number turns to US units at once and back, and the stored boat does not change', async ({
  page,
  request,
}) => {
  const id = await ownBoat(request, 'Unit boat');
  const before = await (await request.get(`/api/boats/${id}/export?format=json`)).text();
  await open(page, `/boats/${id}/layup`);
  await page.getByRole('button', { name: 'in · lb' }).click();
  for (const screen of SCREENS) {
    await open(page, `/boats/${id}/${screen}`);
    if (screen === 'check') await expect(page.getByText('…', { exact: true })).toHaveCount(0, { timeout: 30_000 });
    // A drawing for the bench stays in the units of its dimensions.
    await page.evaluate(() => document.querySelectorAll('.detail-drawing').forEach((drawing) => drawing.remove()));
    const text = (await page.locator('main').innerText()).replace(/mm · kg/g, '');
    for (const metric of [/\d mm\b/, /\bg\/m²/, /\d kg\b/, /\bMPa\b/, /\bGPa\b/, /\bkPa\b/, /\bkN\b/])
      expect(metric.exec(text)?.[0], `${screen} still shows ${metric}`).toBeUndefined();
  }
  await page.getByRole('button', { name: 'mm · kg' }).click();
  expect(await (await request.get(`/api/boats/${id}/export?format=json`)).text()).toBe(before);
});

test('10 MB pasted into entries are cut, refused in words, and lose nothing', async ({ page, request }) => {
  const id = await ownBoat(request, 'Paste boat');
  await open(page, `/boats/${id}/brief`);
  const length = page.getByLabel(/Length of hull/);
  const paste = (selector: string) =>
    page.locator(selector).evaluate((element: HTMLInputElement) => {
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
      set.call(element, '9'.repeat(10 * 1024 * 1024));
      element.dispatchEvent(new Event('input', { bubbles: true }));
    });
  await paste(`#${(await length.getAttribute('id'))!.replace(/([^\w-])/g, '\\$1')}`);
  await expect(page.getByText(/Length of hull must be between|is not a number/)).toBeVisible();
  await length.press('Escape');
  await expect(length).toHaveValue('8.4');
  const refused = await request.post(`/api/boats/${id}/edits`, {
    headers: { 'content-type': 'application/json' },
    data: Buffer.from(`{"baseVersion":1,"actions":"${'x'.repeat(10 * 1024 * 1024)}"}`),
  });
  expect(refused.status()).toBe(413);
  await open(page, `/boats/${id}/layup`);
  await expect(cell(page, 4, 0)).toHaveText('TX 900');
  await saved(page);
});

test('a print names its revision or says DRAFT, and asks for what is there', async ({ request }) => {
  const id = await ownBoat(request, 'Print boat');
  const draft = await request.get(`/api/boats/${id}/export?format=pdf`);
  expect(draft.headers()['content-disposition']).toContain('Print-boat-draft.pdf');
  expect((await request.get(`/api/boats/${id}/export?format=pdf&revision=A`)).status()).toBe(404);
  expect((await request.get(`/api/boats/${id}/export?format=docx`)).status()).toBe(422);
  // A zone and a detail fail: without an answer nothing is issued.
  const unanswered = await request.post(`/api/boats/${id}/revisions`, {
    data: { baseVersion: 1, author: 'I. Hallin', note: 'First issue' },
  });
  expect(unanswered.status()).toBe(422);
  expect(((await unanswered.json()) as { error: { path: string } }).error.path).toBe('answer');
  await request.post(`/api/boats/${id}/revisions`, {
    data: { baseVersion: 1, author: 'I. Hallin', note: 'First issue', answer: 'To be mended' },
  });
  expect(
    (await request.get(`/api/boats/${id}/export?format=pdf&revision=A`)).headers()['content-disposition'],
  ).toContain('Print-boat-rev-A.pdf');
  const again = await request.post(`/api/boats/${id}/revisions`, {
    data: { baseVersion: 1, author: 'I. Hallin', note: 'Once more', answer: 'To be mended' },
  });
  expect(again.status()).toBe(422);
});
