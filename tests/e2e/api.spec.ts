import { expect } from '@playwright/test';
import { MERROW, ownBoat, test } from './helpers';

const json = { 'content-type': 'application/json' };

test('the API refuses bad input with its status and words', async ({ request }) => {
  const id = await ownBoat(request, 'API boat');
  const edits = `/api/boats/${id}/edits`;
  const one = { clientId: 'client-1', action: 'do', edits: [{ type: 'boat.rename', name: 'Renamed' }] };
  for (const [url, data, status, words] of [
    ['/api/calc/ply.fractions', '{', 400, 'not JSON'],
    ['/api/calc/ply.fractions', '{"fibreDensity":-1}', 422, 'fibreDensity'],
    ['/api/calc/nothing', '{}', 404, 'No calculation'],
    ['/api/boats', '{"name":""}', 422, 'Boat name must not be empty'],
    ['/api/boats/import', MERROW.replace('"format": "keramos-boat"', '"format": "x"'), 400, 'not a boat document'],
    ['/api/boats/import', `"${'x'.repeat(5.1 * 1024 * 1024)}"`, 413, 'larger than the 5 MB'],
    [edits, JSON.stringify({ baseVersion: 1, actions: [] }), 422, 'actions'],
    [edits, JSON.stringify({ baseVersion: 7, actions: [one] }), 409, 'version 1'],
    [
      edits,
      JSON.stringify({
        baseVersion: 1,
        actions: [{ ...one, edits: [{ type: 'brief.set', patch: { deadriseDeg: 80 } }] }],
      }),
      422,
      'Deadrise must be between 0° and 50°',
    ],
    ['/api/boats/nothing/edits', JSON.stringify({ baseVersion: 1, actions: [one] }), 404, 'There is no boat'],
    [`/api/boats/${id}/revisions`, JSON.stringify({ baseVersion: 1, author: '', note: 'first' }), 422, 'Author'],
  ] as const) {
    const response = await request.post(url, { headers: json, data: Buffer.from(data) });
    expect(response.status(), `${url} ${data.slice(0, 60)}`).toBe(status);
    const { error } = (await response.json()) as { error: { message: string; code: string; path: string } };
    expect(error.message).toContain(words);
  }
  const { version, boat } = (await (await request.get(`/api/boats/${id}`)).json()) as {
    version: number;
    boat: { name: string };
  };
  expect([version, boat.name]).toEqual([1, 'API boat']);
});

test('foreign origins and unknown hosts are turned away; security headers are sent', async ({ request }) => {
  const foreign = await request.post('/api/boats', {
    headers: { ...json, origin: 'http://elsewhere.example' },
    data: '{"name":"Foreign"}',
  });
  expect(foreign.status()).toBe(403);
  const host = await request.get('/', { headers: { host: 'elsewhere.example' } });
  expect(host.status()).toBe(403);
  const { 'content-security-policy': policy, ...headers } = (await request.get('/')).headers();
  expect(policy).toContain("default-src 'self'");
  expect(policy).not.toContain('unsafe-inline');
  expect(policy).not.toContain('unsafe-eval');
  expect(headers).toMatchObject({
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'same-origin',
  });
});

test('HTTP and the calc contract agree; an array is answered in kind', async ({ request }) => {
  const input = { fibreDensity: 2560, resinDensity: 1200, fibreWeightFraction: 0.3 };
  const response = await request.post('/api/calc/ply.fractions', { data: [input, {}] });
  const [good, bad] = (await response.json()) as [{ fibreVolumeFraction: number }, { error: { code: string } }];
  expect(good.fibreVolumeFraction).toBeCloseTo(0.1673, 4);
  expect(bad.error.code).toBe('invalid');
  expect(await (await request.get('/api/calc/ply.fractions')).json()).toMatchObject({ input: { type: 'object' } });
});
