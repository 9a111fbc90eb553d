import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { addDays, addHours } from 'date-fns';
import { beforeEach, describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { contextOf, signedBy, type StoreContext } from '../context';
import { database } from '../database/open';
import { standingOf } from '../people/asks';
import { refuseToStart } from '../people/start';
import { listHappenings } from '../people/yardLog';
import { createBoat, editBoat } from './boats';
import { changePerson, createPerson, listPeople, newBadge } from './people';
import { listLinks, makeLink, openLink, withdrawLink } from './readerLinks';
import { issueRevision } from './revisions';
import { choosable, endSessions, signIn, signOut } from './sessions';
import { enrolTablet, withdrawTablet } from './tablets';

const IDA = { name: 'Ida Hallin', login: 'ida', password: 'salt and cedar', roles: ['designer'] };
const TOM = { name: 'Tom Reed', login: 'tom', password: 'mould and mat', roles: ['laminator'] };

let server: StoreContext;
let folder: string;
let address = 0;
beforeEach(async () => {
  delete (globalThis as { keramosDatabase?: unknown }).keramosDatabase;
  folder = mkdtempSync(path.join(tmpdir(), 'keramos-people-'));
  process.env['KERAMOS_DATA'] = folder;
  server = contextOf(await database());
  address += 1;
});
const from = () => `10.0.0.${address}`;
const as = async (name: string): Promise<StoreContext> => {
  const person = (await listPeople(server)).find((one) => one.name === name)!;
  return contextOf(server.db, name, { id: person.id, name, roles: person.roles });
};
const enter = (body: unknown, held = {}) => signIn(server, body, { held, from: from() });
const bothOf = async () => {
  const ida = await createPerson(server, IDA);
  const tom = await createPerson(await as(IDA.name), TOM);
  return { ida, tom, asIda: await as(IDA.name), asTom: await as(TOM.name) };
};

describe('accounts', () => {
  it('begin with one that keeps the others, whatever else it is', async () => {
    expect((await createPerson(server, IDA)).roles).toEqual(['manager', 'designer']);
  });
  it('are kept without any password, PIN or badge that could be read', async () => {
    const { tom, asIda } = await bothOf();
    await changePerson(asIda, tom.id, { change: { pin: '2716' } });
    const { code } = await newBadge(asIda, tom.id);
    const bytes = readFileSync(path.join(folder, 'keramos.db-wal')).toString('latin1');
    for (const secret of [IDA.password, TOM.password, code]) expect(bytes).not.toContain(secret);
    expect(bytes).toContain('$argon2id$');
    expect(JSON.stringify(await listPeople(server))).not.toMatch(/argon2|hash/);
  });
  it('are made, changed and ended by whoever keeps them only', async () => {
    const { ida, tom, asTom } = await bothOf();
    await expect(createPerson(asTom, { ...TOM, login: 'x-1', name: 'X One' })).rejects.toMatchObject({
      code: 'forbidden',
    });
    await expect(changePerson(asTom, ida.id, { change: { left: true } })).rejects.toMatchObject({ code: 'forbidden' });
    await expect(changePerson(asTom, tom.id, { change: { roles: ['manager'] } })).rejects.toMatchObject({
      code: 'forbidden',
    });
    await expect(newBadge(asTom, tom.id)).rejects.toMatchObject({ code: 'forbidden' });
  });
  it('are two only where they can be told apart', async () => {
    await createPerson(server, IDA);
    const again = (change: object) => createPerson(server, { ...TOM, ...change });
    await expect(again({ login: 'IDA' })).rejects.toMatchObject({ path: 'login' });
    await expect(again({ name: 'ida hallin' })).rejects.toMatchObject({ path: 'name' });
  });
  it('have always somebody who keeps them', async () => {
    const { ida, tom, asIda } = await bothOf();
    for (const change of [{ left: true }, { roles: ['designer'] }])
      await expect(changePerson(asIda, ida.id, { change })).rejects.toMatchObject({ code: 'invalid', path: 'roles' });
    await changePerson(asIda, tom.id, { change: { roles: ['manager', 'laminator'] } });
    expect((await changePerson(asIda, ida.id, { change: { roles: ['designer'] } })).roles).toEqual(['designer']);
  });
  it('change their own secrets by the password they have', async () => {
    const { tom, asTom } = await bothOf();
    const change = { password: 'a new one, longer' };
    await expect(changePerson(asTom, tom.id, { change, old: 'guessed' })).rejects.toMatchObject({ path: 'old' });
    await expect(changePerson(asTom, tom.id, { change: { pin: '1111' }, old: TOM.password })).rejects.toMatchObject({
      path: 'pin',
    });
    await changePerson(asTom, tom.id, { change, old: TOM.password });
    await expect(enter({ login: 'tom', password: TOM.password })).rejects.toMatchObject({ code: 'forbidden' });
    expect((await enter({ login: 'tom', password: change.password })).who.name).toBe('Tom Reed');
  });
  it('say who did what, beside the database', async () => {
    await bothOf();
    const [last, first] = listHappenings();
    expect(first).toMatchObject({ who: 'Ida Hallin', what: expect.stringContaining('first account') });
    expect(last).toMatchObject({ who: 'Ida Hallin', what: expect.stringContaining('Tom Reed, laminator') });
  });
});

describe('signing in', () => {
  it('says the same of a wrong name and of a wrong password', async () => {
    await createPerson(server, IDA);
    const said = await Promise.all(
      [
        { login: 'ida', password: 'guessed at it' },
        { login: 'nobody', password: 'guessed at it' },
      ].map((body) => enter(body).catch((error: Error) => error.message)),
    );
    expect(new Set(said)).toEqual(new Set(['Name or password is wrong']));
  });
  it('makes whoever guesses wait, and not whoever comes from elsewhere', async () => {
    await createPerson(server, IDA);
    for (let i = 0; i < 6; i++)
      await expect(enter({ login: 'ida', password: `guess ${i}` })).rejects.toMatchObject({ code: 'forbidden' });
    await expect(enter({ login: 'ida', password: IDA.password })).rejects.toMatchObject({
      code: 'busy',
      message: expect.stringMatching(/wait \d+ min/),
    });
    const elsewhere = signIn(server, { login: 'ida', password: IDA.password }, { held: {}, from: '10.9.9.9' });
    expect((await elsewhere).who.name).toBe('Ida Hallin');
  });
  it('lasts a shift, and ends with it, by signing out, by a new password, by leaving', async () => {
    const { tom, asIda } = await bothOf();
    const now = server.now();
    const stands = (session: string, at = now) => standingOf(server.db, { session }, at);
    const enterTom = async () => (await enter({ login: 'TOM ', password: TOM.password })).id;
    const first = await enterTom();
    expect((await stands(first))?.who).toEqual({ id: tom.id, name: 'Tom Reed', roles: ['laminator'] });
    expect(await stands(first, addHours(new Date(now), 15).toISOString())).toBeNull();
    expect(await stands('guessed')).toBeNull();
    await signOut(server, { session: first });
    expect(await stands(first)).toBeNull();
    const [second, third] = [await enterTom(), await enterTom()];
    expect(await endSessions(asIda, tom.id)).toBe(2);
    expect([await stands(second), await stands(third)]).toEqual([null, null]);
    const fourth = await enterTom();
    await changePerson(asIda, tom.id, { change: { left: true } });
    expect(await stands(fourth)).toBeNull();
    await expect(enterTom()).rejects.toMatchObject({ code: 'forbidden' });
  });
  it('takes a role that was given or taken at once', async () => {
    const { tom, asIda } = await bothOf();
    const { id: session } = await enter({ login: 'tom', password: TOM.password });
    await changePerson(asIda, tom.id, { change: { roles: ['lead'] } });
    expect((await standingOf(server.db, { session }, server.now()))?.who.roles).toEqual(['lead']);
  });
  it('by PIN or badge works on an enrolled tablet only, until it is withdrawn', async () => {
    const { tom, asIda } = await bothOf();
    await changePerson(asIda, tom.id, { change: { pin: '2716' } });
    const { code } = await newBadge(asIda, tom.id);
    const [pin, badge] = [{ person: tom.id, pin: '2716' }, { badge: code }];
    for (const body of [pin, badge]) {
      await expect(enter(body)).rejects.toMatchObject({ code: 'forbidden' });
      await expect(enter(body, { tablet: 'forged' })).rejects.toMatchObject({ code: 'forbidden' });
    }
    const tablet = (await enrolTablet(asIda, { name: 'Laminating shop' })).id;
    expect(await choosable(server)).toEqual([{ id: tom.id, name: 'Tom Reed' }]);
    const { id: session } = await enter(pin, { tablet });
    expect((await enter(badge, { tablet })).who.name).toBe('Tom Reed');
    await expect(enter({ ...pin, pin: '2717' }, { tablet })).rejects.toMatchObject({ code: 'forbidden' });
    const { code: next } = await newBadge(asIda, tom.id);
    await expect(enter(badge, { tablet })).rejects.toMatchObject({ code: 'forbidden' });
    expect((await enter({ badge: next }, { tablet })).who.name).toBe('Tom Reed');
    await withdrawTablet(asIda, tablet);
    expect(await standingOf(server.db, { session }, server.now())).toBeNull();
    await expect(enter(pin, { tablet })).rejects.toMatchObject({ code: 'forbidden' });
  });
});

describe('what is signed', () => {
  it('is signed with one’s own name', async () => {
    const { asIda } = await bothOf();
    expect(signedBy(asIda, 'Ida Hallin', 'author')).toBe('Ida Hallin');
    expect(() => signedBy(asIda, 'Tom Reed', 'author')).toThrow(/You are signed in as Ida Hallin/);
    expect(signedBy(server, 'Anybody', 'author')).toBe('Anybody');
    const { id, version } = await createBoat(asIda, merrow());
    await expect(
      issueRevision(asIda, id, version, { author: 'Tom Reed', note: 'in his name', answer: 'because' }),
    ).rejects.toMatchObject({ path: 'author' });
    const acceptance = {
      id: 'a-1',
      rule: 'thin',
      subject: 'side-fwd',
      by: 'Tom Reed',
      note: 'his word',
      at: server.now(),
    };
    const edits = [{ type: 'caution.accept' as const, acceptance, index: 0 }];
    await expect(
      editBoat(asIda, id, version, [{ clientId: 'in-his-name', action: 'do', edits }]),
    ).rejects.toMatchObject({ path: 'acceptance.by' });
  });
});

describe('a link for a reader', () => {
  it('opens one revision until it runs out or is withdrawn, and is known by its digest only', async () => {
    const { asIda, asTom } = await bothOf();
    const { id, version } = await createBoat(asIda, merrow());
    const asked = { label: 'A', reader: 'B. Survey', days: 7 };
    await expect(makeLink(asIda, id, asked)).rejects.toMatchObject({ code: 'notFound' });
    await issueRevision(asIda, id, version, { author: IDA.name, note: 'for survey', answer: 'as it is' });
    await expect(makeLink(asTom, id, asked)).rejects.toMatchObject({ code: 'forbidden' });
    for (const days of [0, 1.5, 400])
      await expect(makeLink(asIda, id, { ...asked, days })).rejects.toMatchObject({ code: 'invalid' });
    const { secret } = await makeLink(asIda, id, asked);
    expect(await openLink(server, secret)).toMatchObject({ boatId: id, label: 'A', reader: 'B. Survey' });
    const bytes = readFileSync(path.join(folder, 'keramos.db-wal')).toString('latin1');
    expect(bytes).not.toContain(secret);
    const later = { ...server, now: () => addDays(new Date(), 8).toISOString() };
    await expect(openLink(later, secret)).rejects.toMatchObject({ code: 'notFound' });
    await expect(openLink(server, `${secret}x`)).rejects.toMatchObject({ code: 'notFound' });
    const [link] = await listLinks(server, id);
    expect((await withdrawLink(asIda, id, link!.id))[0]!.withdrawnAt).not.toBeNull();
    await expect(openLink(server, secret)).rejects.toMatchObject({ code: 'notFound' });
  });
});

describe('a server', () => {
  it('answers on another address only with accounts and over HTTPS', async () => {
    expect(await refuseToStart(server.db, '127.0.0.1')).toBeNull();
    expect(await refuseToStart(server.db, '0.0.0.0')).toMatch(/no accounts yet/);
    await createPerson(server, IDA);
    expect(await refuseToStart(server.db, '192.168.1.5')).toMatch(/KERAMOS_CERT/);
    process.env['KERAMOS_CERT'] = '/etc/yard.pem';
    expect(await refuseToStart(server.db, '192.168.1.5')).toBeNull();
    delete process.env['KERAMOS_CERT'];
  });
});
