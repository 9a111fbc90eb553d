import { KeramosError } from '@/core/error';
import { fetchMaterials, layersOf, type Edit } from '@/core/edit';
import type { Boat } from '@/core/document';
import type { Material } from '@/core/material';
import type { HeldByBoat } from '@/core/revision';
import type { StoreContext } from '../context';
import { holding, readBoats } from './boats';
import { listShelf } from './shelf';
import { heldBy, takeOver, type TakenOver } from './takeOver';

/** A material of the Shelf, with all of it. @throws KeramosError `notFound`. */
async function onShelf(context: StoreContext, id: string): Promise<{ material: Material; shelf: Material[] }> {
  const shelf = (await listShelf(context)).map(({ material }) => material);
  const material = shelf.find((one) => one.id === id);
  if (!material) throw new KeramosError('notFound', `There is no material "${id.slice(0, 60)}"`, 'materialId');
  return { material, shelf };
}

/** Edits by which a boat takes a material as the Shelf has it; none where it has it so. */
function takingOver(boat: Boat, material: Material, shelf: readonly Material[]): Edit[] {
  const own = boat.materials.find(({ id }) => id === material.id);
  if (!own || JSON.stringify(own) === JSON.stringify(material)) return [];
  const lacking = fetchMaterials(boat, shelf, [material]);
  return [...lacking, { type: 'material.put', material }];
}

/**
 * Boats that have a material in their book, and how each one's own figures differ from those of the Shelf.
 * @throws KeramosError `notFound`.
 */
export async function listBoatsOf(context: StoreContext, materialId: string): Promise<HeldByBoat[]> {
  const { material, shelf } = await onShelf(context, materialId);
  const boats = await readBoats(context, holding('materials', [materialId]));
  return heldBy(boats, (boat) => {
    const layers = layersOf(boat, materialId);
    return { edits: takingOver(boat, material, shelf), held: `${layers} ${layers === 1 ? 'layer' : 'layers'}` };
  });
}

/** Take the Shelf's figures of a material over into boats. @throws KeramosError `notFound`. */
export async function takeOverMaterial(
  context: StoreContext,
  materialId: string,
  boats: readonly { boatId: string; version: number }[],
): Promise<TakenOver[]> {
  const { material, shelf } = await onShelf(context, materialId);
  const editsOf = (boat: Boat) => takingOver(boat, material, shelf);
  return takeOver(context, boats, { label: `took ${material.name} as the Shelf has it`, editsOf });
}
