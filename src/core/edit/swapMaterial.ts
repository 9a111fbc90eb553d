import { detailSchema } from '../detail/kinds/schema';
import { invalid } from '../error';
import { referencesIn, writeAt } from '../field';
import { isLayerMaterial, type LayerMaterial, type Material } from '../material';
import { stiffenerSectionSchema } from '../stiffener';
import type { Boat } from '../document';
import type { Edit } from './editSchema';
import { chooseMaterial, fetchMaterials } from './layerMaterials';

/** Where a material is swapped: in some layers of one part, in a part, or in the whole boat. */
export type SwapScope = { in: 'layers'; ids: readonly string[] } | { in: 'part'; partId: string } | { in: 'boat' };

export interface Swap {
  /** Ids of materials. */
  from: string;
  to: string;
  scope: SwapScope;
}

/** What a material is swapped for, in entries that name it. */
interface Exchange {
  from: string;
  to: Material;
}
/** An entry with one material in the place of another wherever its description allows the kind of the new one. */
const swappedIn = <T extends object>(schema: Parameters<typeof referencesIn>[0], entry: T, { from, to }: Exchange): T =>
  referencesIn(schema, entry)
    .filter(
      ({ reference: { list, kinds }, id }) =>
        list === 'materials' && id === from && (kinds === undefined || kinds.includes(to.kind)),
    )
    .reduce((at, { path }) => writeAt(at, path, to.id), entry);

/**
 * Edits that put one material in the place of another: in layers, a core or coating keeping its thickness where it
 * stays one; over the whole boat in stiffener sections and details as well, where their description takes the new one.
 * Laminates that a zone must match stay: they are what is asked for.
 *
 * @param known materials of the boat and of the Shelf.
 * @returns edits for one action; none where the material is not laid there.
 * @throws KeramosError `invalid` when a material is not known, or the new one cannot be laid.
 * @example swapMaterial(boat, { from: 'pvc-80', to: 'san-85', scope: { in: 'boat' } }, shelf)
 */
export function swapMaterial(boat: Boat, { from, to, scope }: Swap, known: readonly Material[]): Edit[] {
  const wanted = [...boat.materials, ...known].find(({ id }) => id === to);
  if (!wanted) throw invalid('to', `Neither the boat nor the Shelf has the material "${to}"`);
  if (!isLayerMaterial(wanted)) throw invalid('to', `${wanted.name} cannot be laid as a layer`);
  if (from === to) return [];
  const chosen = boat.parts.map((part) => ({
    part,
    ids: part.layers
      .filter(
        ({ id, material }) =>
          material === from &&
          (scope.in === 'boat' || (scope.in === 'part' ? part.id === scope.partId : scope.ids.includes(id))),
      )
      .map(({ id }) => id),
  }));
  const layers = chosen.flatMap(({ part, ids }) => chooseMaterial(boat, part, ids, wanted as LayerMaterial));
  const entries = scope.in === 'boat' ? swappedEntries(boat, from, wanted) : [];
  const edits = [...layers, ...entries];
  return edits.length === 0 ? [] : [...fetchMaterials(boat, [...boat.materials, ...known], [wanted]), ...edits];
}

function swappedEntries(boat: Boat, from: string, to: Material): Edit[] {
  const sections = boat.sections.flatMap((item): Edit[] => {
    const next = swappedIn(stiffenerSectionSchema, item, { from, to });
    return next === item ? [] : [{ type: 'section.set', item: next }];
  });
  const details = boat.details.flatMap((item): Edit[] => {
    const next = swappedIn(detailSchema, item, { from, to });
    return next === item ? [] : [{ type: 'detail.set', item: next }];
  });
  return [...sections, ...details];
}

/** Layers, sections and details that a material is in: where there is something to swap. */
export function layersOf(boat: Boat, material: string): number {
  return boat.parts.reduce((sum, { layers }) => sum + layers.filter((one) => one.material === material).length, 0);
}
