import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { FloorBuild, Keeper, KeptPass, KeptPhoto, KeptRecord } from './keeper';

interface Schema extends DBSchema {
  builds: { key: string; value: { id: string; build: FloorBuild | null; seq: number } };
  records: { key: string; value: KeptRecord & { id: string }; indexes: { build: string } };
  photos: { key: string; value: KeptPhoto; indexes: { build: string } };
  passes: { key: string; value: KeptPass };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;
const open = () =>
  (opened ??= openDB<Schema>('keramos-floor', 1, {
    upgrade(db) {
      db.createObjectStore('builds', { keyPath: 'id' });
      db.createObjectStore('records', { keyPath: 'id' }).createIndex('build', 'buildId');
      db.createObjectStore('photos', { keyPath: 'id' }).createIndex('build', 'buildId');
      db.createObjectStore('passes', { keyPath: 'name' });
    },
  }));

/** What the device keeps, in the browser's own database: it is on the disk before it is said to be kept. */
export const idbKeeper: Keeper = {
  async read(buildId) {
    const db = await open();
    const head = await db.get('builds', buildId);
    const records = await db.getAllFromIndex('records', 'build', buildId);
    return { build: head?.build ?? null, records, seq: head?.seq ?? 0 };
  },
  async keepBuild(build) {
    const tx = (await open()).transaction('builds', 'readwrite', { durability: 'strict' });
    const before = await tx.store.get(build.id);
    await tx.store.put({ id: build.id, build, seq: before?.seq ?? 0 });
    await tx.done;
  },
  async add(buildId, record) {
    const tx = (await open()).transaction('records', 'readwrite', { durability: 'strict' });
    if (!(await tx.store.get(record.id)))
      await tx.store.put({ id: record.id, buildId, record, sent: false, refusal: null });
    await tx.done;
  },
  async mark(answers) {
    const tx = (await open()).transaction('records', 'readwrite', { durability: 'strict' });
    for (const { id, refusal } of answers) {
      const there = await tx.store.get(id);
      if (there) await tx.store.put({ ...there, sent: refusal === null, refusal });
    }
    await tx.done;
  },
  async retry(id) {
    const tx = (await open()).transaction('records', 'readwrite', { durability: 'strict' });
    const there = await tx.store.get(id);
    if (there) await tx.store.put({ ...there, refusal: null });
    await tx.done;
  },
  async learn(buildId, records, seq) {
    const tx = (await open()).transaction(['builds', 'records'], 'readwrite', { durability: 'strict' });
    for (const record of records)
      await tx.objectStore('records').put({ id: record.id, buildId, record, sent: true, refusal: null });
    const heads = tx.objectStore('builds');
    const head = await heads.get(buildId);
    await heads.put({ id: buildId, build: head?.build ?? null, seq: Math.max(seq, head?.seq ?? 0) });
    await tx.done;
  },
  async photos(buildId) {
    return (await open()).getAllFromIndex('photos', 'build', buildId);
  },
  async addPhoto(photo) {
    await (await open()).put('photos', photo);
  },
  async dropPhoto(id) {
    await (await open()).delete('photos', id);
  },
  async passes() {
    return (await open()).getAll('passes');
  },
  async keepPass(pass) {
    await (await open()).put('passes', pass);
  },
};
