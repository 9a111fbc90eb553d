import type { Layer, Part } from '../../document';
import { coverCells, type Edit } from '../../edit';
import { matched } from './gridEdits';

/**
 * The edits that lay a part with other layers: those that are there already stay, with the zones that they are to have
 * now; the rest goes, and what is new comes to lie between.
 *
 * @param wanted all layers of the part, from the mould.
 * @example applyEdits(boat, relayPart(hull, layers)).boat.parts[0].layers // as wanted, but for the ids of what stays
 */
export function relayPart(part: Part, wanted: readonly Layer[]): Edit[] {
  const pairs = matched(wanted, part.layers);
  const staying = new Set([...pairs.values()].map(({ id }) => id));
  const ids = part.layers.map(({ id }) => id);
  const edits: Edit[] = [];
  let cursor = 0;
  wanted.forEach((layer, at) => {
    const own = pairs.get(at);
    if (!own) {
      edits.push({ type: 'layer.add', partId: part.id, layer, index: cursor });
      ids.splice(cursor, 0, layer.id);
      cursor += 1;
      return;
    }
    cursor = ids.indexOf(own.id) + 1;
    const others = part.zones.map(({ id }) => id).filter((id) => !layer.zones.includes(id));
    edits.push(...coverCells(part, [own.id], layer.zones, true), ...coverCells(part, [own.id], others, false));
  });
  for (const { id } of part.layers) if (!staying.has(id)) edits.push({ type: 'layer.remove', layerId: id });
  return edits;
}
