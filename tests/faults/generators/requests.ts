import { lasts, type Chance, type Figures, type Span } from './chance';

const PATHS = [
  '/api/boats',
  '/api/boats/merrow-84',
  '/api/boats/merrow-84?history',
  '/api/boats/merrow-84/edits',
  '/api/boats/merrow-84/changes',
  '/api/boats/merrow-84/revisions',
  '/api/boats/merrow-84/revisions/A',
  '/api/boats/merrow-84/variant',
  '/api/boats/merrow-84/repair',
  '/api/boats/merrow-84/export?format=csv',
  '/api/boats/merrow-84/export?format=nothing',
  '/api/boats/merrow-84/details/tow-post?format=dxf',
  '/api/boats/nowhere',
  '/api/boats/import',
  '/api/packs',
  '/api/packs/import',
  '/api/packs/yard-rule',
  '/api/shelf',
  '/api/shelf/bx45-600',
  '/api/shelf/import',
  '/api/laminates',
  '/api/tables/read?name=a.csv',
  '/api/tables/read?name=a.xlsx',
  '/api/hull/mesh?unit=m&forward=%2Bx&up=%2Bz&name=a.stl',
  '/api/calc',
  '/api/calc/panel.pressure',
  '/api/calc/laminate.failure',
  '/api/calc/no.such',
  '/api/safekeeping/..%2F..%2Fkeramos.db',
  '/boats/%ZZ',
];
const METHODS = ['GET', 'GET', 'GET', 'POST', 'POST', 'POST', 'POST', 'PATCH', 'PUT', 'DELETE', 'PROPFIND'];
const PIECES: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1e308,
  '',
  'x'.repeat(5000),
  'a\u0000b',
  '\ud800',
  '../../etc/passwd',
  "'; drop table boat; --",
  '=cmd()',
  [],
  {},
  { __proto__: null, constructor: 1 },
  '2026-11-28',
];
const KEYS = ['baseVersion', 'actions', 'name', 'edits', 'note', 'author', 'plies', 'terms', 'id', 'pack', 'material'];

/** A value of chance, as deep as chance wants. */
function valueOf(chance: Chance, depth = 0): unknown {
  if (depth > 4 || chance.happens(0.45)) return chance.one(PIECES);
  if (chance.happens(0.4)) return Array.from({ length: chance.below(5) }, () => valueOf(chance, depth + 1));
  return Object.fromEntries(
    Array.from({ length: 1 + chance.below(4) }, () => [chance.one(KEYS), valueOf(chance, depth + 1)]),
  );
}

/** A body: JSON of chance, JSON cut off, bytes of chance, or nothing. */
function bodyOf(chance: Chance): string | Uint8Array | undefined {
  if (chance.happens(0.1)) return undefined;
  if (chance.happens(0.15)) return Uint8Array.from({ length: chance.below(600) }, () => chance.below(256));
  const text = JSON.stringify(valueOf(chance));
  return chance.happens(0.15) ? text.slice(0, chance.below(text.length + 1)) : text;
}

/**
 * Requests of chance on a running server: each is answered in time, refused with a code and words where it is wrong,
 * and never with a fault of the server's own.
 */
export async function fuzzedRequests(base: string, chance: Chance, span: Span): Promise<Figures> {
  const figures: Figures = { requests: 0, longest: 0 };
  while (lasts(span, figures['requests']!)) {
    const method = chance.one(METHODS);
    const url = chance.one(PATHS);
    const body = method === 'GET' || method === 'PROPFIND' ? undefined : bodyOf(chance);
    const began = performance.now();
    const response = await fetch(base + url, {
      method,
      signal: AbortSignal.timeout(30_000),
      ...(body === undefined ? {} : { body: body as BodyInit, headers: { 'content-type': 'application/json' } }),
    });
    const text = await response.text();
    figures['longest'] = Math.max(figures['longest']!, Math.round(performance.now() - began));
    figures['requests']! += 1;
    figures[`status ${response.status}`] = (figures[`status ${response.status}`] ?? 0) + 1;
    const sent = typeof body === 'string' ? body.slice(0, 300) : '';
    const said = `${method} ${url} ${sent} → ${response.status} ${text.slice(0, 200)}`;
    if (response.status >= 500) throw new Error(`A fault of the server's own: ${said}`);
    if (response.status < 400 || url === '/boats/%ZZ') continue;
    if (text === '' && response.status === 405) continue;
    const { error } = JSON.parse(text) as { error?: { code?: string; message?: string } };
    if (!error?.code || !error.message || error.message.length < 8) throw new Error(`Refused without words: ${said}`);
  }
  return figures;
}
