import { KeramosError } from '@/core/error';
import { applyEdits, difference, fetchMaterials, layersOf, type Edit } from '@/core/edit';
import type { Boat } from '@/core/document';
import type { Material } from '@/core/material';
import type { MaterialInBoat } from '@/core/revision';
import type { StoreContext } from '../context';
import { editBoat, readBoat, readBoats } from './boats';
import { listShelf } from './shelf';

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
export async function listBoatsOf(context: StoreContext, materialId: string): Promise<MaterialInBoat[]> {
  const { material, shelf } = await onShelf(context, materialId);
  const boats = await readBoats(context, (eb) =>
    eb.exists(
      eb
        .selectFrom('boat_item')
        .select('boat_item.id')
        .whereRef('boat_item.boat_id', '=', 'boat.id')
        .where('list', '=', 'materials')
        .where('boat_item.id', '=', materialId),
    ),
  );
  return boats.map(({ id, boat, version }) => {
    const edits = takingOver(boat, material, shelf);
    const changes = edits.length === 0 ? [] : difference(boat, applyEdits(boat, edits).boat);
    return {
      boatId: id,
      name: boat.name,
      version,
      layers: layersOf(boat, materialId),
      edits,
      changes: changes.flatMap(({ details }) => details),
    };
  });
}

/** What became of taking a material over into one boat. */
export interface TakenOver {
  boatId: string;
  /** The version after it; null when it was refused. */
  version: number | null;
  refusal: string | null;
}

/**
 * Take the Shelf's figures of a material over into boats, one action in the history of each; one that is refused holds
 * none of the others back.
 *
 * @param boats with the version that was looked at: one that somebody changed since is refused.
 */
export async function takeOverMaterial(
  context: StoreContext,
  materialId: string,
  boats: readonly { boatId: string; version: number }[],
): Promise<TakenOver[]> {
  const { material, shelf } = await onShelf(context, materialId);
  const results: TakenOver[] = [];
  for (const { boatId, version } of boats) {
    try {
      const { boat } = await readBoat(context, boatId);
      const edits = takingOver(boat, material, shelf);
      const label = `took ${material.name} as the Shelf has it`;
      const action = { clientId: context.newId(), action: 'do' as const, edits, label };
      const after = edits.length === 0 ? { version } : await editBoat(context, boatId, version, [action]);
      results.push({ boatId, version: after.version, refusal: null });
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      results.push({ boatId, version: null, refusal: error.text });
    }
  }
  return results;
}
