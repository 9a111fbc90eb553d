import { ingredients, type Boat } from '../document';
import { invalid } from '../error';
import type { Material } from '../material';

/**
 * The boat with materials of the Shelf in its book, each with what it is made of; those it has already stay its own.
 *
 * @param ids of the materials wanted.
 * @throws KeramosError `invalid` when neither the boat nor the Shelf has one of them.
 */
export function takeMaterials(boat: Boat, ids: readonly string[], shelf: readonly Material[]): Boat {
  const known = new Map([...shelf, ...boat.materials].map((material) => [material.id, material]));
  const find = (id: string): Material => {
    const material = known.get(id);
    if (!material) throw invalid('materials', `Neither the boat nor the Shelf has the material "${id}"`);
    return material;
  };
  const own = new Set(boat.materials.map(({ id }) => id));
  const needed = new Set(ids.flatMap((id) => [...ingredients(find(id)), id]));
  return { ...boat, materials: [...boat.materials, ...[...needed].filter((id) => !own.has(id)).map(find)] };
}
