import { KeramosError, parseOrThrow } from '@/core/error';
import { packSchema, SHIPPED_PACKS, type StandardPack } from '@/core/standard';
import { same } from '@/core/field';
import { allow, signedBy, type StoreContext } from '../context';

const shipped = new Map(SHIPPED_PACKS.map((pack) => [pack.id, pack]));

/** Shipped packs (signed or not) and the yard's own copies. */
export async function listPacks(context: StoreContext): Promise<StandardPack[]> {
  const rows = await context.db.selectFrom('pack').select(['id', 'body_json']).orderBy('id').execute();
  const own = new Map(
    rows.map((row) => [row.id, parseOrThrow(packSchema, JSON.parse(row.body_json), `pack.${row.id}`)]),
  );
  return [...shipped.values()]
    .map((pack) => own.get(pack.id) ?? pack)
    .concat([...own.values()].filter(({ id }) => !shipped.has(id)));
}

/** The pack of that id. @throws KeramosError `notFound`. */
export async function readPack(context: StoreContext, id: string): Promise<StandardPack> {
  const found = (await listPacks(context)).find((pack) => pack.id === id);
  if (!found) throw new KeramosError('notFound', `There is no pack "${id.slice(0, 60)}"`, 'packId');
  return found;
}

/**
 * Keep a pack: a copy of the yard's own, or a shipped one with its sign-off. Boats keep their own copies until they
 * take the new one.
 *
 * @throws KeramosError `conflict` when a new one's id is taken; `invalid` when a shipped pack's coefficients were
 * changed, or its kind.
 */
export async function savePack(context: StoreContext, raw: unknown, isNew: boolean): Promise<StandardPack> {
  allow(context, 'design');
  const pack = parseOrThrow(packSchema, raw, 'pack');
  const known = (await listPacks(context)).find(({ id }) => id === pack.id);
  if (pack.signOff && !same(pack.signOff, known?.signOff)) signedBy(context, pack.signOff.by, 'pack.signOff.by');
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
  const values = { kind: pack.kind, body_json: JSON.stringify(pack), updated_at: context.now() };
  await context.db
    .insertInto('pack')
    .values({ id: pack.id, ...values })
    .onConflict((c) => c.column('id').doUpdateSet(values))
    .execute();
  return pack;
}

/** Drop a copy of the yard's own; a shipped pack loses its sign-off. */
export async function dropPack(context: StoreContext, id: string): Promise<void> {
  allow(context, 'design');
  const result = await context.db.deleteFrom('pack').where('id', '=', id).executeTakeFirst();
  if (result.numDeletedRows === 0n)
    throw new KeramosError('notFound', `The yard has no pack of its own "${id.slice(0, 60)}"`, 'packId');
}
