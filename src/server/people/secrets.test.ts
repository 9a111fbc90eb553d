import { mkdtempSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { beforeEach, describe, expect, it } from 'vitest';
import type { BuildRecord } from '@/core/build';
import { contextOf, type StoreContext } from '../context';
import { database } from '../database/open';
import { changePerson, createPerson } from '../stores/people';
import type { Standing } from './asks';
import { passFor, voucher } from './passes';
import { digest, hashSecret, isSecret, newToken, sealKey } from './secrets';
import { countTry, forgetTries } from './throttle';

let folder: string;
beforeEach(() => {
  delete (globalThis as { keramosDatabase?: unknown }).keramosDatabase;
  folder = mkdtempSync(path.join(tmpdir(), 'keramos-secrets-'));
  process.env['KERAMOS_DATA'] = folder;
});
const seal = () => path.join(folder, 'seal.key');
/** As after a start: nothing of before is remembered. */
const sealAfterStart = () => {
  delete (globalThis as { keramosSeal?: unknown }).keramosSeal;
  return sealKey(folder);
};

describe('a password', () => {
  it('is kept under a salt of its own, and known again', async () => {
    const [one, two] = [await hashSecret('salt and cedar'), await hashSecret('salt and cedar')];
    expect(one).toMatch(/^\$argon2id\$/);
    expect(one).not.toBe(two);
    expect(await isSecret('salt and cedar', one)).toBe(true);
    expect(await isSecret('Salt and cedar', one)).toBe(false);
  });
  it('of nobody is nobody’s, whatever is tried', async () => {
    for (const tried of ['', 'salt and cedar', '0'.repeat(32)]) expect(await isSecret(tried, null)).toBe(false);
  });
});

describe('a token', () => {
  it('is never the same twice, and is found again by its digest alone', () => {
    const tokens = Array.from({ length: 200 }, newToken);
    expect(new Set(tokens).size).toBe(200);
    expect(new Set(tokens.map(digest)).size).toBe(200);
    expect(digest(tokens[0]!)).toBe(digest(tokens[0]!));
    expect(digest(tokens[0]!)).not.toContain(tokens[0]!.slice(0, 8));
  });
});

describe('what cookies are sealed with', () => {
  it('is made once, for its owner’s eyes, and is the same after a start', () => {
    const key = sealAfterStart();
    expect(key.length).toBeGreaterThanOrEqual(32);
    expect(statSync(seal()).mode & 0o077).toBe(0);
    expect(sealAfterStart()).toBe(key);
    expect(readdirSync(folder).filter((name) => name.startsWith('seal'))).toEqual(['seal.key']);
  });
  it.each(['', 'abc', '\n'])('is made anew where the machine went off while it was written: "%s"', (left) => {
    writeFileSync(seal(), left);
    const key = sealAfterStart();
    expect(key.length).toBeGreaterThanOrEqual(32);
    expect(readFileSync(seal(), 'utf8')).toBe(key);
  });
  it('of another folder is another', () => {
    const other = mkdtempSync(path.join(tmpdir(), 'keramos-secrets-'));
    expect(sealKey(other)).not.toBe(sealKey(folder));
  });
});

describe('a pass of a tablet', () => {
  const signedIn = '2026-11-30T06:00:00.000Z';
  const record = (more: Partial<BuildRecord> = {}) =>
    ({ id: 'r1', kind: 'air', person: 'Tom Reed', at: '2026-11-30T09:00:00.000Z', ...more }) as BuildRecord;
  let server: StoreContext;
  let ida: StoreContext;
  let standing: Standing;
  beforeEach(async () => {
    server = contextOf(await database());
    const first = await createPerson(server, {
      name: 'Ida Hallin',
      login: 'ida',
      password: 'salt and cedar',
      roles: ['designer'],
    });
    ida = contextOf(server.db, first.name, { id: first.id, name: first.name, roles: first.roles });
    const tom = await createPerson(ida, {
      name: 'Tom Reed',
      login: 'tom',
      password: 'mould and mat',
      roles: ['laminator'],
    });
    standing = {
      who: { id: tom.id, name: tom.name, roles: tom.roles },
      tablet: 't-1',
      endsAt: '2026-11-30T16:00:00.000Z',
    };
  });
  const vouch = (pass: string | undefined, tablet = 't-1') =>
    voucher(ida, { passes: pass === undefined ? {} : { 'Tom Reed': pass }, held: { tablet } });

  it('stands for whoever recorded on it while the server was away, as what they are today', async () => {
    const pass = await passFor(standing, signedIn);
    expect(await vouch(pass)(record())).toEqual(['laminator']);
    await changePerson(ida, standing.who.id, { change: { roles: ['lead'] } });
    expect(await vouch(pass)(record())).toEqual(['lead']);
  });
  it('is not needed for one’s own records', async () => {
    expect(await vouch(undefined)(record({ person: 'Ida Hallin' }))).toEqual(ida.who!.roles);
  });
  it.each([
    ['before the shift', record({ at: '2026-11-30T04:00:00.000Z' })],
    ['after it', record({ at: '2026-11-30T18:00:00.000Z' })],
    ['by another name', record({ person: 'Bo Moor' })],
  ])('says nothing of a record %s', async (_, of) => {
    const pass = await passFor(standing, signedIn);
    await expect(vouch(pass)(of)).rejects.toMatchObject({ code: 'forbidden' });
  });
  it('is worth nothing on another tablet, cut off, forged, or of another yard', async () => {
    const pass = await passFor(standing, signedIn);
    await expect(vouch(pass, 't-2')(record())).rejects.toMatchObject({ code: 'forbidden' });
    for (const bad of ['', pass.slice(0, -3), `${pass.slice(0, 40)}A${pass.slice(41)}`, undefined])
      await expect(vouch(bad)(record())).rejects.toMatchObject({ code: 'forbidden' });
    writeFileSync(seal(), 'another yard, another key, as long as it must be');
    delete (globalThis as { keramosSeal?: unknown }).keramosSeal;
    await expect(vouch(pass)(record())).rejects.toMatchObject({ code: 'forbidden' });
  });
  it('of somebody who was never on a tablet is none', async () => {
    const pass = await passFor({ ...standing, tablet: null }, signedIn);
    await expect(vouch(pass)(record())).rejects.toMatchObject({ code: 'forbidden' });
  });
  it('asks nothing in a yard without accounts', async () => {
    expect(await voucher(server, { passes: {}, held: {} })(record())).toBeNull();
  });
});

describe('whoever guesses', () => {
  const many = async (times: number, trier: (i: number) => { account: string; address: string }) => {
    for (let i = 0; i < times; i++) await countTry(trier(i));
  };
  it('waits after six tries at an account from one address, and begins anew once in', async () => {
    const trier = { account: 'guess-1', address: '10.9.0.1' };
    await many(6, () => trier);
    await expect(countTry(trier)).rejects.toMatchObject({ code: 'busy' });
    await expect(countTry(trier)).rejects.toThrow(/wait \d+ min/);
    await forgetTries(trier);
    await countTry(trier);
  });
  it('waits after forty from one address, under whatever names', async () => {
    await many(40, (i) => ({ account: `guess-2-${i}`, address: '10.9.0.2' }));
    await expect(countTry({ account: 'guess-2-new', address: '10.9.0.2' })).rejects.toMatchObject({ code: 'busy' });
    await countTry({ account: 'guess-2-new', address: '10.9.0.3' });
  });
  it('waits after forty in a day at one account, from wherever', async () => {
    await many(40, (i) => ({ account: 'guess-3', address: `10.8.${i}.1` }));
    await expect(countTry({ account: 'guess-3', address: '10.8.200.1' })).rejects.toMatchObject({ code: 'busy' });
  });
});
