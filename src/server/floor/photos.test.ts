import { existsSync, mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { brant } from '../../../tests/helpers/merrow';
import { contextOf, type StoreContext } from '../context';
import { database } from '../database/open';
import { createBoat } from '../stores/boats';
import { beginBuild } from '../stores/builds';
import { issueRevision } from '../stores/revisions';
import { keepPhoto, photoFolder, readPhoto } from './photos';

let server: StoreContext;
let buildId: string;
beforeAll(async () => {
  delete (globalThis as { keramosDatabase?: unknown }).keramosDatabase;
  process.env['KERAMOS_DATA'] = mkdtempSync(path.join(tmpdir(), 'keramos-photos-'));
  server = contextOf(await database(), 'I. Hallin');
  const { id, version } = await createBoat(server, brant());
  await issueRevision(server, id, version, { author: 'I. Hallin', note: 'first', answer: 'as it is' });
  ({ id: buildId } = await beginBuild(server, id, { id: 'b-1', revision: 'A', hull: '1', parts: {} }));
});

const png = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 1, 2, 3]);
const PICTURES = {
  'image/png': png,
  'image/jpeg': new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 1, 2]),
  'image/webp': new Uint8Array([...Buffer.from('RIFF1234WEBPVP8 ')]),
};
const keep = (photoId: string, bytes: Uint8Array, context = server) => keepPhoto(context, { buildId, photoId, bytes });

describe('a photograph of a build', () => {
  it.each(Object.entries(PICTURES))('as %s is kept whole, and read as what it is', async (type, bytes) => {
    const id = type.replace('/', '-');
    await keep(id, bytes);
    const found = await readPhoto(server, buildId, id);
    expect(found.type).toBe(type);
    expect([...found.bytes]).toEqual([...bytes]);
  });
  it('sent twice is kept once; another under its id is refused, and the first stays', async () => {
    await keep('twice', png);
    await keep('twice', png);
    await expect(keep('twice', PICTURES['image/jpeg'])).rejects.toMatchObject({ code: 'conflict' });
    expect((await readPhoto(server, buildId, 'twice')).type).toBe('image/png');
  });
  it.each([
    ['nothing', new Uint8Array()],
    ['a page', new TextEncoder().encode('<svg onload="alert(1)"/>')],
    ['a RIFF that is sound', new Uint8Array([...Buffer.from('RIFF1234WAVEfmt ')])],
  ])('that is %s is refused, and nothing lies there', async (name, bytes) => {
    const id = `bad-${name.length}`;
    await expect(keep(id, bytes)).rejects.toMatchObject({ code: 'invalid' });
    await expect(readPhoto(server, buildId, id)).rejects.toMatchObject({ code: 'notFound' });
  });
  it.each(['..', '../x', 'a/b', '', 'x'.repeat(200), '.hidden/../../seal.key'])(
    'cannot be had or put by a name that leads elsewhere: "%s"',
    async (photoId) => {
      await expect(keep(photoId, png)).rejects.toMatchObject({ code: 'notFound' });
      await expect(readPhoto(server, buildId, photoId)).rejects.toMatchObject({ code: 'notFound' });
    },
  );
  it('of a build that is not there is neither kept nor read', async () => {
    await expect(keepPhoto(server, { buildId: 'b-9', photoId: 'p', bytes: png })).rejects.toMatchObject({
      code: 'notFound',
    });
    await expect(readPhoto(server, 'b-9', 'p')).rejects.toMatchObject({ code: 'notFound' });
  });
  it('is kept by whoever may record, and by no reader', async () => {
    const reader: StoreContext = { ...server, who: { id: 'o', name: 'Owner', roles: ['reader'] } };
    await expect(keep('p-reader', png, reader)).rejects.toMatchObject({ code: 'forbidden' });
  });
  it('that was cut off while it was written is no photograph, and can be sent again', async () => {
    await keep('whole', png);
    const own = path.join(photoFolder(), buildId);
    writeFileSync(path.join(own, 'half.part'), png.subarray(0, 3));
    await expect(readPhoto(server, buildId, 'half')).rejects.toMatchObject({ code: 'notFound' });
    await keep('half', png);
    expect(existsSync(path.join(own, 'half'))).toBe(true);
    expect(readdirSync(own).filter((name) => name.endsWith('.part'))).toEqual([]);
  });
});
