import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { ALL_ROLES, RIGHTS, type Right, type Role } from '@/core/people';
import { contextOf } from '@/server/context';
import { database } from '@/server/database/open';
import { createBoat, listBoats, readBoat } from '@/server/stores/boats';
import { createPerson, listPeople } from '@/server/stores/people';
import { FILES, type Handler } from '../../../tests/helpers/routes';
import { POST as signIn } from './session/route';

/** What each writing route asks for; whoever is signed in may do the rest. Reading is for everybody with an account. */
const ASKS: Record<string, Right | 'signedIn' | 'anybody'> = {
  'POST /session': 'anybody',
  'DELETE /session': 'anybody',
  // With the secret of a link, which is its own right.
  'GET /read/[secret]': 'anybody',
  'POST /read/[secret]': 'anybody',
  'GET /alive': 'anybody',
  'GET /session': 'anybody',
  'POST /people': 'people',
  'PATCH /people/[personId]': 'people',
  'POST /people/[personId]/badge': 'people',
  'DELETE /people/[personId]/sessions': 'people',
  'POST /tablets': 'tablets',
  'DELETE /tablets/[tabletId]': 'tablets',
  'GET /safekeeping': 'keep',
  'POST /safekeeping': 'keep',
  'GET /safekeeping/[name]': 'keep',
  'POST /safekeeping/restore': 'keep',
  'POST /safekeeping/archive': 'keep',
  'PUT /safekeeping/place': 'keep',
  'POST /boats/[boatId]/revisions': 'issue',
  'PATCH /boats/[boatId]/revisions': 'issue',
  'PATCH /boats/[boatId]/changes': 'issue',
  'POST /boats/[boatId]/links': 'issue',
  'DELETE /boats/[boatId]/links/[linkId]': 'issue',
  'POST /boats/[boatId]/builds': 'plan',
  'POST /builds/[buildId]/amendments': 'plan',
  'PATCH /builds/[buildId]': 'plan',
  'POST /shop': 'record',
  'POST /trials': 'measure',
  'POST /traces': 'record',
  'DELETE /traces/[traceId]': 'record',
  'POST /builds/[buildId]/records': 'record',
  'PUT /builds/[buildId]/photos/[photoId]': 'record',
  'POST /boats/[boatId]/kits': 'store',
  'POST /stock': 'store',
  'PUT /tables/remembered': 'store',
  'POST /boats/[boatId]/weighIns': 'measure',
  'POST /boats/[boatId]/dropTests': 'measure',
  'PUT /boats/[boatId]/surveys/[zoneId]': 'measure',
  // They compute or read a file, and keep nothing.
  'POST /calc/[name]': 'signedIn',
  'POST /hull/mesh': 'signedIn',
  'POST /tables/read': 'signedIn',
};
const asksFor = (name: string) => ASKS[name] ?? (name.startsWith('GET') ? 'signedIn' : 'design');

const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
const routes = Object.entries(FILES).flatMap(([file, load]) =>
  METHODS.map((method) => ({ name: `${method} ${file}`, file, method, load })),
);
const HANDLERS: ((typeof routes)[number] & { handler: Handler })[] = [];
for (const route of routes) {
  const handler: Handler | undefined = (await route.load())[route.method];
  if (handler) HANDLERS.push({ ...route, handler });
}

let boatId: string;
const cookies = new Map<Role | 'stranger', string>();
beforeAll(async () => {
  delete (globalThis as { keramosDatabase?: unknown }).keramosDatabase;
  process.env['KERAMOS_DATA'] = mkdtempSync(path.join(tmpdir(), 'keramos-roles-'));
  const context = contextOf(await database());
  ({ id: boatId } = await createBoat(context, merrow()));
  for (const role of ALL_ROLES) {
    const password = `a ${role} of the yard`;
    await createPerson(context, { name: `The ${role}`, login: role, password, roles: [role] });
    const body = JSON.stringify({ login: role, password });
    const answer = await signIn(new Request('http://127.0.0.1/api/session', { method: 'POST', body }));
    expect(answer.status).toBe(200);
    cookies.set(role, answer.headers.getSetCookie()[0]!.split(';')[0]!);
  }
});

/** What is answered at length is asked of nothing: who may ask is found before. */
const OF_NOTHING: Record<string, string> = { '/boats/[boatId]/kit/labels': '?group=nobody' };

function ask({ file, method, handler }: (typeof HANDLERS)[number], cookie: string | undefined): Promise<Response> {
  const known: Record<string, string> = { boatId, label: 'A', name: 'ply.fractions', personId: 'nobody' };
  const params = Object.fromEntries([...file.matchAll(/\[(\w+)\]/g)].map(([, key]) => [key!, known[key!] ?? 'none']));
  const address = file.replace(/\[(\w+)\]/g, (_, key: string) => params[key]!);
  const body = method === 'GET' || method === 'DELETE' ? {} : { body: '{"nothing": "of use"}' };
  const headers = new Headers(cookie === undefined ? {} : { cookie });
  return handler(new Request(`http://127.0.0.1/api${address}${OF_NOTHING[file] ?? ''}`, { method, headers, ...body }), {
    params: Promise.resolve(params),
  });
}
const state = async () => {
  const context = contextOf(await database());
  return JSON.stringify([
    await listBoats(context),
    (await readBoat(context, boatId)).version,
    await listPeople(context),
  ]);
};
const codeOf = async (response: Response) =>
  response.status < 400 ? null : ((await response.json()) as { error: { code: string } }).error.code;

it('names only routes that there are', () => {
  const names = new Set(HANDLERS.map(({ name }) => name));
  expect(Object.keys(ASKS).filter((name) => !names.has(name))).toEqual([]);
});

describe.each(HANDLERS)('$name', (one) => {
  const asks = asksFor(one.name);
  it(`takes ${asks}`, async () => {
    const silent = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const before = await state();
    const stranger = await codeOf(await ask(one, undefined));
    if (asks === 'anybody') expect(stranger).not.toBe('signIn');
    else expect(stranger).toBe('signIn');
    const forged = await codeOf(await ask(one, 'keramos=Fe26.2*1*forged*seal'));
    if (asks !== 'anybody') expect(forged).toBe('signIn');
    // The session that is asked to end is not one that the others need.
    for (const role of one.name === 'DELETE /session' ? [] : ALL_ROLES) {
      const code = await codeOf(await ask(one, cookies.get(role)));
      const allowed =
        asks === 'anybody' || asks === 'signedIn' || (RIGHTS[asks].roles as readonly Role[]).includes(role);
      if (allowed) expect([one.name, role, code]).not.toEqual([one.name, role, 'forbidden']);
      // Of an account that is not there, that it is not there may be said first.
      else expect([role, code]).toEqual([role, /personId/.test(one.file) && code === 'notFound' ? code : 'forbidden']);
    }
    if (!/restore|archive|POST \/safekeeping/.test(one.name)) expect(await state()).toBe(before);
    expect(silent).not.toHaveBeenCalled();
    silent.mockRestore();
  });
});
