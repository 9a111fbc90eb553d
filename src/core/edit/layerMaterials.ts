import { hasDirection, type LayerMaterial, type Material } from '../material';
import { ingredients, type Boat, type Part } from '../document';
import type { Edit } from './editSchema';
import { usualRole, usualThickness } from './layerText';

/**
 * Edits that bring materials of the Shelf, and what they are made of, into a boat's book; those it has already are
 * left alone.
 * @param known of the boat and of the Shelf.
 * @example fetchMaterials(boat, shelf, [carbonUd]) // puts the fibre first, then the fabric
 */
export function fetchMaterials(boat: Boat, known: readonly Material[], wanted: readonly Material[]): Edit[] {
  const needed = wanted.flatMap((material) => [
    ...ingredients(material).flatMap((id) => known.find((candidate) => candidate.id === id) ?? []),
    material,
  ]);
  return [...new Set(needed)]
    .filter(({ id }) => !boat.materials.some((own) => own.id === id))
    .map((material) => ({ type: 'material.put', material }));
}

const materialIn = (boat: Boat, id: string) =>
  boat.materials.find((material) => material.id === id) as LayerMaterial | undefined;

/**
 * Edits that make layers of another material: a core or coating keeps its thickness where it stays one, and what
 * comes off again is marked so.
 */
export function chooseMaterial(boat: Boat, part: Part, ids: readonly string[], material: LayerMaterial): Edit[] {
  const role = usualRole(material);
  return part.layers
    .filter(({ id }) => ids.includes(id))
    .map((layer) => ({
      type: 'layer.set',
      layerId: layer.id,
      patch: {
        material: material.id,
        thickness:
          material.kind !== 'fabric' && materialIn(boat, layer.material)?.kind === material.kind
            ? layer.thickness
            : usualThickness(material),
        ...(role === 'structure' ? {} : { role }),
      },
    }));
}

/** Edits that give an angle to every layer that has a direction, or a thickness to every one that takes it. */
export function setGiven(
  boat: Boat,
  part: Part,
  ids: readonly string[],
  patch: { angleDeg: number } | { thickness: number },
): Edit[] {
  const takes = (layer: Part['layers'][number]) =>
    'angleDeg' in patch
      ? hasDirection(materialIn(boat, layer.material)!) && layer.angleDeg !== patch.angleDeg
      : layer.thickness !== null && layer.thickness !== patch.thickness;
  return part.layers
    .filter((layer) => ids.includes(layer.id) && takes(layer))
    .map((layer) => ({ type: 'layer.set', layerId: layer.id, patch }));
}
