import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { contextOf } from '@/server/context';
import { database } from '@/server/database/open';
import { createBoat, listBoats, readBoat } from '@/server/stores/boats';

/** Every handler of the application, asked by hand as a stranger would. */
type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;
const FILES = import.meta.glob<Record<string, Handler>>('./**/route.ts');
const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
const HANDLERS = await Promise.all(
  Object.entries(FILES).map(async ([file, load]) => {
    const route = await load();
    return METHODS.flatMap((method) =>
      route[method] ? [{ name: `${method} ${file.slice(1, -9)}`, file, method, handler: route[method] }] : [],
    );
  }),
).then((all) => all.flat());
/** Those that are told something: a variant follows, and a copy is made, without. */
const TOLD_NOTHING = [
  'POST /boats/[boatId]/variant',
  'POST /safekeeping',
  'POST /safekeeping/archive',
  'POST /people/[personId]/badge',
  'POST /read/[secret]',
];
const WRITING = HANDLERS.filter(
  ({ method, name }) => method !== 'GET' && method !== 'DELETE' && !TOLD_NOTHING.includes(name),
);

let boatId: string;
beforeAll(async () => {
  delete (globalThis as { keramosDatabase?: unknown }).keramosDatabase;
  process.env['KERAMOS_DATA'] = mkdtempSync(path.join(tmpdir(), 'keramos-routes-'));
  ({ id: boatId } = await createBoat(contextOf(await database()), merrow()));
});

const KNOWN = (): Record<string, string> => ({
  boatId,
  label: 'A',
  detailId: merrow().details[0]!.id,
  name: 'ply.fractions',
  packId: 'small-craft',
  materialId: 'csm-300',
  templateId: 'keel-yacht',
  process: 'infusion',
  zoneId: 'side-fwd',
  kitId: 'k-1',
  personId: 'nobody',
  buildId: 'none',
  photoId: 'none',
  traceId: 'none',
  tabletId: 'none',
  linkId: 'none',
  secret: 'guessed',
});
const STRANGE: Record<string, string> = {
  boatId: '../../etc/passwd',
  label: 'Ω',
  detailId: '%00',
  name: '__proto__',
  packId: 'constructor',
  materialId: "'; drop table boat; --",
  templateId: '../data/templates/keel-yacht',
  process: 'toString',
  zoneId: '../../secret',
  kitId: "' or 1=1",
  personId: "' or 1=1",
  buildId: '../../keramos',
  photoId: '../../keramos.db',
  traceId: "' or 1=1",
  tabletId: '..',
  linkId: '*',
  secret: '%00',
};
function ask(
  { file, method, handler }: (typeof HANDLERS)[number],
  params: Record<string, string>,
  init: RequestInit = {},
  query = '',
): Promise<Response> {
  const address = file.slice(1, -9).replace(/\[(\w+)\]/g, (_, key: string) => encodeURIComponent(params[key] ?? ''));
  const request = new Request(`http://127.0.0.1/api${address}${query}`, { method, ...init });
  return handler(request, { params: Promise.resolve(params) });
}
/** Refused in words, as an error of ours: never a fault of the server. */
async function expectRefusal(response: Response) {
  expect(response.status).toBeGreaterThanOrEqual(400);
  expect(response.status).toBeLessThan(500);
  const { error } = (await response.json()) as { error: { code: string; message: string; path: string } };
  expect(error.code).toMatch(/^[a-zA-Z]+$/);
  expect(error.message).toMatch(/\w{3}.*\w{3}/);
  expect(error.message).not.toMatch(/\bat .*\.ts|SQLITE|undefined|\[object/);
  expect(typeof error.path).toBe('string');
}
const state = async () => {
  const context = contextOf(await database());
  return JSON.stringify([await listBoats(context), await readBoat(context, boatId)]);
};

it('every route of the application is here', () => {
  expect(Object.keys(FILES).length).toBeGreaterThan(25);
  expect(HANDLERS.length).toBeGreaterThan(35);
});

describe.each(WRITING)('$name', (one) => {
  const restores = one.file.includes('safekeeping');
  it.each([
    ['no body', {}],
    ['no JSON', { body: '{nonsense' }],
    ['another kind of JSON', { body: '[[[]]]' }],
    ['a number', { body: '42' }],
    ['null', { body: 'null' }],
    ['fields that nobody knows', { body: '{"__proto__": {"admin": true}, "colour": "red"}' }],
    ['half of a character', { body: new Uint8Array([0x7b, 0x22, 0xff, 0xfe, 0x22, 0x7d]) }],
    ['a zero byte in a text', { body: '{"name": "a\\u0000b"}' }],
    ['half of a pair', { body: '{"name": "\\ud800"}' }],
  ] as [string, RequestInit][])('given %s refuses it in words, and changes nothing', async (_what, init) => {
    // A list of inputs to a calculation is answered by a list, each with its own refusal.
    if (one.name === 'POST /calc/[name]' && init.body === '[[[]]]') return;
    const silent = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const before = restores ? '' : await state();
    await expectRefusal(await ask(one, KNOWN(), init));
    if (!restores) expect(await state()).toBe(before);
    expect(silent).not.toHaveBeenCalled();
    silent.mockRestore();
  });
  it('says that more than it takes is too large, before it has taken it in', async () => {
    const huge = { body: '{}', headers: { 'content-length': String(900 * 1024 * 1024) } };
    const response = await ask(one, KNOWN(), huge);
    await expectRefusal(response);
  });
});

describe.each(HANDLERS.filter(({ file }) => file.includes('[')))('$name', (one) => {
  it('of something that is not there says so', async () => {
    const silent = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const before = await state();
    await expectRefusal(await ask(one, STRANGE, one.method === 'GET' ? {} : { body: '{}' }));
    expect(await state()).toBe(before);
    expect(silent).not.toHaveBeenCalled();
    silent.mockRestore();
  });
});

describe.each(HANDLERS.filter(({ method }) => method === 'GET'))('$name', (one) => {
  it.each(['?format=exe', '?units=furlongs', '?before=minus', '?revision=%00', '?kind=gold', '?edition=gilded'])(
    'with %s is refused or takes no notice; it is no fault, and writes nothing',
    async (query) => {
      // A print of everything takes its time, and is tried elsewhere.
      if (/print|export|labels/.test(one.file) && !query.includes('format')) return;
      const silent = vi.spyOn(console, 'error').mockImplementation(() => undefined);
      const before = await state();
      const response = await ask(one, KNOWN(), {}, query);
      expect(response.status).toBeLessThan(500);
      if (response.status >= 400) await expectRefusal(response);
      else await response.arrayBuffer();
      expect(await state()).toBe(before);
      expect(silent).not.toHaveBeenCalled();
      silent.mockRestore();
    },
  );
});
