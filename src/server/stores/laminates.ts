import { ingredients, type Boat } from '@/core/document';
import { usesOf, type BookLaminate } from '@/core/edit';
import type { Db } from '../database/open';
import { readBoat } from './boats';

/** A laminate's materials, and what they are made of, fibres first. */
function materialsOf(boat: Boat, ids: readonly string[]): Boat['materials'] {
  const needed = new Set(ids);
  for (const material of boat.materials)
    if (needed.has(material.id)) ingredients(material).forEach((id) => needed.add(id));
  return boat.materials
    .filter(({ id }) => needed.has(id))
    .sort((a, b) => Number(a.kind !== 'fibre') - Number(b.kind !== 'fibre'));
}

/** Every laminate of the books of all boats that are not archived. One that was taken over keeps its id, so that its family is known by it. */
export async function listLaminates(db: Db): Promise<BookLaminate[]> {
  const rows = await db
    .selectFrom('boat_reference')
    .innerJoin('boat', 'boat.id', 'boat_reference.boat_id')
    .select('boat.id')
    .distinct()
    .where('boat.archived', '=', 0)
    .orderBy('boat.name')
    .execute();
  const all: BookLaminate[] = [];
  for (const { id } of rows) {
    const { boat } = await readBoat(db, id);
    for (const laminate of boat.references)
      all.push({
        boatId: id,
        boatName: boat.name,
        laminate,
        uses: usesOf(boat, laminate).map(
          ({ part, place, how }) => `${part}, ${place}${how === 'laid' ? '' : ` (${how})`}`,
        ),
        materials: materialsOf(
          boat,
          laminate.layers.map(({ material }) => material),
        ),
      });
  }
  return all;
}
