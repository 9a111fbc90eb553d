import { expect } from '@playwright/test';
import { open, ownBoat, test } from './helpers';

test('a print says how far it is, can be given up, and is saved when it lies ready', async ({ page, request }) => {
  const id = await ownBoat(request, 'Printed boat');
  await open(page, `/boats/${id}/pack`);
  // The first answer is held back, so that there is time to give it up.
  let held = true;
  await page.route('**/print?**', async (route) => {
    if (held) await new Promise((go) => setTimeout(go, 5000));
    await route.continue().catch(() => undefined);
  });
  const save = page.getByRole('link', { name: 'Save PDF' });
  await save.click();
  await expect(page.getByRole('progressbar', { name: 'How far the print is' })).toBeVisible();
  await expect(save).toHaveAttribute('aria-disabled', 'true');
  await page.getByRole('button', { name: 'Give up' }).click();
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  await expect(save).toHaveAttribute('aria-disabled', 'false');
  held = false;
  const [pdf] = await Promise.all([page.waitForEvent('download', { timeout: 120_000 }), save.click()]);
  expect(pdf.suggestedFilename()).toBe('Printed-boat-draft.pdf');
  await expect(page.getByRole('progressbar')).toHaveCount(0);
});

test('a print tells its steps in lines, and a refusal where one is due', async ({ request }) => {
  const id = await ownBoat(request, 'Told boat');
  const answer = await request.get(`/api/boats/${id}/print?format=pdf&edition=short`);
  const lines = (await answer.text())
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { done?: number; at?: string; ready?: boolean });
  const shares = lines.flatMap(({ done }) => done ?? []);
  expect(shares.length).toBeGreaterThan(3);
  expect(shares).toEqual([...shares].sort((a, b) => a - b));
  expect(lines.at(-1)).toEqual({ ready: true });
  expect((await request.get(`/api/boats/${id}/print?format=doc`)).status()).toBe(422);
  expect((await request.get('/api/boats/nothing/print?format=pdf')).status()).toBe(404);
});

test('a calculation stops when whoever asked has left', async ({ baseURL }) => {
  const plate = { D11: 900, D12: 250, D22: 700, D66: 300, length: 0.9, breadth: 0.6, pressure: 15000 };
  const long = Array.from({ length: 200 }, () => ({ ...plate, edges: 'clamped', A44: 8e5, A55: 7e5 }));
  const ask = (input: unknown, signal?: AbortSignal) =>
    fetch(`${baseURL}/api/calc/panel.pressure`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-keramos-person': 'I. Hallin' },
      body: JSON.stringify(input),
      ...(signal && { signal }),
    });
  // One person may have six questions: with six running or waiting, the seventh is refused, whatever it is.
  const leaving = new AbortController();
  const six = Array.from({ length: 6 }, () => ask(long, leaving.signal).catch(() => null));
  await expect.poll(async () => (await ask(long.slice(0, 20))).status, { timeout: 60_000 }).toBe(429);
  leaving.abort();
  await Promise.all(six);
  await expect.poll(async () => (await ask(long.slice(0, 2))).status, { timeout: 20_000 }).toBe(200);
});
