import { KeramosError, parseOrThrow } from '@/core/error';
import { packSchema, SHIPPED_PACKS, type StandardPack } from '@/core/standard';
import type { Db } from '../database/open';

const shipped = new Map(SHIPPED_PACKS.map((pack) => [pack.id, pack]));

/** Shipped packs (signed or not) and the yard's own copies. */
export async function listPacks(db: Db): Promise<StandardPack[]> {
  const rows = await db.selectFrom('pack').select(['id', 'body_json']).orderBy('id').execute();
  const own = new Map(
    rows.map((row) => [row.id, parseOrThrow(packSchema, JSON.parse(row.body_json), `pack.${row.id}`)]),
  );
  return [...shipped.values()]
    .map((pack) => own.get(pack.id) ?? pack)
    .concat([...own.values()].filter(({ id }) => !shipped.has(id)));
}

/** The pack of that id. @throws KeramosError `notFound`. */
export async function readPack(db: Db, id: string): Promise<StandardPack> {
  const found = (await listPacks(db)).find((pack) => pack.id === id);
  if (!found) throw new KeramosError('notFound', `There is no pack "${id.slice(0, 60)}"`, 'packId');
  return found;
}

/**
 * Keep a pack: a copy of the yard's own, or a shipped one with its sign-off. Boats keep their own copies until they take the new one.
 *
 * @throws KeramosError `conflict` when a new one's id is taken; `invalid` when a shipped pack's coefficients were changed, or its kind.
 */
export async function savePack(db: Db, raw: unknown, isNew: boolean): Promise<StandardPack> {
  const pack = parseOrThrow(packSchema, raw, 'pack');
  const known = (await listPacks(db)).find(({ id }) => id === pack.id);
  if (isNew && known) throw new KeramosError('conflict', `The id "${pack.id}" is taken by ${known.title}`, 'pack.id');
  if (!isNew && !known) throw new KeramosError('notFound', `There is no pack "${pack.id}"`, 'pack.id');
  if (known && known.kind !== pack.kind)
    throw new KeramosError('invalid', `${known.title} cannot become another kind of pack`, 'pack.kind');
  const original = shipped.get(pack.id);
  if (original && JSON.stringify({ ...pack, signOff: null }) !== JSON.stringify(original))
    throw new KeramosError(
      'invalid',
      `${original.title} is shipped and stays as it is: make a copy and change that`,
      'pack',
    );
  const values = { kind: pack.kind, body_json: JSON.stringify(pack), updated_at: new Date().toISOString() };
  await db
    .insertInto('pack')
    .values({ id: pack.id, ...values })
    .onConflict((c) => c.column('id').doUpdateSet(values))
    .execute();
  return pack;
}

/** Drop a copy of the yard's own; a shipped pack loses its sign-off. */
export async function dropPack(db: Db, id: string): Promise<void> {
  const result = await db.deleteFrom('pack').where('id', '=', id).executeTakeFirst();
  if (result.numDeletedRows === 0n)
    throw new KeramosError('notFound', `The yard has no pack of its own "${id.slice(0, 60)}"`, 'packId');
}
