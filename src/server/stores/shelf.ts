import { KeramosError, parseOrThrow } from '@/core/error';
import { GENERIC_MATERIALS, materialSchema, type Material, type ShelfItem } from '@/core/material';
import { ingredients } from '@/core/document';
import { allow, inTransaction, type StoreContext } from '../context';

const generic = new Map(GENERIC_MATERIALS.map((material) => [material.id, material]));

/** Generic materials with the yard's own in front of them, by kind and name. */
export async function listShelf(context: StoreContext): Promise<ShelfItem[]> {
  const rows = await context.db.selectFrom('shelf_material').select(['id', 'body_json']).execute();
  const own = new Map(
    rows.map((row) => [row.id, parseOrThrow(materialSchema, JSON.parse(row.body_json), `shelf.${row.id}`)]),
  );
  const ids = [...generic.keys(), ...[...own.keys()].filter((id) => !generic.has(id))];
  return ids.map((id) => ({
    material: own.get(id) ?? generic.get(id)!,
    own: own.has(id),
    generic: generic.get(id) ?? null,
  }));
}

async function saveChecked(
  context: StoreContext,
  shelf: ReadonlyMap<string, Material>,
  material: Material,
): Promise<void> {
  const known = shelf.get(material.id);
  if (known && known.kind !== material.kind)
    throw new KeramosError(
      'invalid',
      `${known.name} is a ${known.kind} and cannot become a ${material.kind}`,
      'material.kind',
    );
  for (const id of ingredients(material))
    if (shelf.get(id)?.kind !== 'fibre')
      throw new KeramosError('invalid', `There is no fibre "${id}" on the Shelf`, 'material.components');
  const values = {
    kind: material.kind,
    name: material.name,
    body_json: JSON.stringify(material),
    updated_at: context.now(),
  };
  await context.db
    .insertInto('shelf_material')
    .values({ id: material.id, ...values })
    .onConflict((c) => c.column('id').doUpdateSet(values))
    .execute();
}
const shelfMap = async (context: StoreContext) =>
  new Map((await listShelf(context)).map((item) => [item.material.id, item.material]));

/**
 * Add a material or replace the yard's figures for it. Boats keep their own copies until they take the new ones.
 * @throws KeramosError `conflict` when `isNew` and the id is taken; `invalid` for a fabric of unknown fibre.
 */
export async function saveShelfMaterial(context: StoreContext, raw: unknown, isNew: boolean): Promise<Material> {
  allow(context, 'design');
  const material = parseOrThrow(materialSchema, raw, 'material') as Material;
  const shelf = await shelfMap(context);
  if (isNew && shelf.has(material.id))
    throw new KeramosError(
      'conflict',
      `The id "${material.id}" is taken by ${shelf.get(material.id)!.name}`,
      'material.id',
    );
  await saveChecked(context, shelf, material);
  return material;
}

/** Save many materials, all or none; those whose id is known replace the yard's figures. @returns how many. */
export async function saveShelfMaterials(context: StoreContext, raws: readonly unknown[]): Promise<number> {
  allow(context, 'design');
  const materials = raws.map((raw, i) => parseOrThrow(materialSchema, raw, `materials.${i}`) as Material);
  const twice = materials.find(({ id }, i) => materials.findIndex((other) => other.id === id) !== i);
  if (twice) throw new KeramosError('invalid', `The id "${twice.id}" stands twice in the table`, 'materials');
  await inTransaction(context, async (inside) => {
    const shelf = await shelfMap(inside);
    for (const material of materials) {
      await saveChecked(inside, shelf, material);
      shelf.set(material.id, material);
    }
  });
  return materials.length;
}

/** Take the yard's figures away again: the generic ones return, an own material goes. */
export async function dropShelfMaterial(context: StoreContext, id: string): Promise<void> {
  allow(context, 'design');
  const users = await context.db
    .selectFrom('shelf_material')
    .select(['name', 'body_json'])
    .where('kind', '=', 'fabric')
    .execute();
  const user = generic.has(id)
    ? undefined
    : users.find((row) => ingredients(JSON.parse(row.body_json) as Material).includes(id));
  if (user) throw new KeramosError('conflict', `${user.name} is made of it`, 'id');
  const result = await context.db.deleteFrom('shelf_material').where('id', '=', id).executeTakeFirst();
  if (result.numDeletedRows === 0n)
    throw new KeramosError('notFound', `The yard has no figures of its own for "${id.slice(0, 60)}"`, 'id');
}
