import { ingredients, type Boat } from '@/core/document';
import { usesOf } from '@/core/edit';
import type { BookLaminate } from '@/core/revision';
import type { StoreContext } from '../context';
import { readBoats } from './boats';

/** A laminate's materials, and what they are made of, fibres first. */
function materialsOf(boat: Boat, ids: readonly string[]): Boat['materials'] {
  const needed = new Set(ids);
  for (const material of boat.materials)
    if (needed.has(material.id)) ingredients(material).forEach((id) => needed.add(id));
  return boat.materials
    .filter(({ id }) => needed.has(id))
    .sort((a, b) => Number(a.kind !== 'fibre') - Number(b.kind !== 'fibre'));
}

/**
 * Every laminate of the books of all boats that are not archived. One that was taken over keeps its id, so that its
 * family is known by it. A boat that does not read is left out; its own page says why.
 */
export async function listLaminates(context: StoreContext): Promise<BookLaminate[]> {
  const boats = await readBoats(context, (eb) =>
    eb.exists(
      eb
        .selectFrom('boat_item')
        .select('boat_item.id')
        .whereRef('boat_item.boat_id', '=', 'boat.id')
        .where('list', '=', 'references'),
    ),
  );
  return boats.flatMap(({ id, boat }) =>
    boat.references.map((laminate) => ({
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
    })),
  );
}
