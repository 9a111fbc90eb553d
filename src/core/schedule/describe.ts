import { formatNumber } from '../quantity';
import type { Boat } from './boat';
import type { Edit } from './edit';

const codeOf = (boat: Boat, id: string) => {
  const material = boat.materials.find((m) => m.id === id);
  return material === undefined ? id : 'code' in material ? material.code : material.name;
};
const angle = (value: number) => `${formatNumber(value, value % 1 === 0 ? 0 : 1)}°`;

const HULL_SOURCES = { particulars: 'its particulars', offsets: 'an offsets table', mesh: 'a mesh' } as const;
const nameIn = (items: readonly { id: string; name: string }[], id: string) => items.find((item) => item.id === id)?.name ?? 'it';

/** What one edit does, in the words of the history: 'turned layer 7 (BX 800) to −45°'. `before` is the boat it applies to. */
function describeEdit(before: Boat, edit: Edit): string {
  const zoneName = (id: string) => before.parts.flatMap((part) => part.zones).find((zone) => zone.id === id)?.name ?? 'a zone';
  const layerName = (id: string) => {
    for (const part of before.parts) {
      const at = part.layers.findIndex((layer) => layer.id === id);
      if (at >= 0) return `layer ${at + 1} (${codeOf(before, part.layers[at]!.material)}) of ${part.name}`;
    }
    return 'a layer';
  };
  const partName = (id: string) => before.parts.find((part) => part.id === id)?.name ?? 'a part';
  switch (edit.type) {
    case 'boat.rename':
      return `renamed the boat to ${edit.name}`;
    case 'brief.set':
      return `changed the brief: ${Object.keys(edit.patch).join(', ')}`;
    case 'material.put':
      return `took ${edit.material.name} into the boat's materials`;
    case 'material.drop':
      return `took ${codeOf(before, edit.materialId)} out of the boat's materials`;
    case 'part.add':
      return `added part ${edit.part.name}`;
    case 'part.set':
      return `changed part ${partName(edit.partId)}`;
    case 'part.remove':
      return `removed part ${partName(edit.partId)}`;
    case 'zone.add':
      return `added zone ${edit.zone.name}`;
    case 'zone.set': {
      const { patch } = edit;
      const about = patch.overridden
        ? 'overrides'
        : patch.region !== undefined
          ? 'place on the boat'
          : patch.geometry
            ? 'geometry'
            : 'load' in patch
              ? 'load'
              : patch.panelCase !== undefined
                ? 'panel case'
                : '';
      return `changed zone ${zoneName(edit.zoneId)}${about && `: ${about}`}`;
    }
    case 'zone.remove':
      return `removed zone ${zoneName(edit.zoneId)}`;
    case 'layer.add':
      return `added ${codeOf(before, edit.layer.material)} to ${partName(edit.partId)}`;
    case 'layer.set':
      if (edit.patch.material !== undefined) return `made ${layerName(edit.layerId)} ${codeOf(before, edit.patch.material)}`;
      if (edit.patch.angleDeg !== undefined) return `turned ${layerName(edit.layerId)} to ${angle(edit.patch.angleDeg)}`;
      return `changed the thickness of ${layerName(edit.layerId)}`;
    case 'layer.move':
      return `moved ${layerName(edit.layerId)} to place ${edit.index + 1}`;
    case 'layer.cover':
      return `${edit.covered ? 'ran' : 'took'} ${layerName(edit.layerId)} ${edit.covered ? 'into' : 'out of'} ${zoneName(edit.zoneId)}`;
    case 'layer.remove':
      return `removed ${layerName(edit.layerId)}`;
    case 'caution.accept':
      return `${edit.acceptance.by} accepted the caution ${edit.acceptance.rule}`;
    case 'caution.withdraw':
      return 'withdrew the acceptance of a caution';
    case 'hull.set':
      return edit.hull === null
        ? 'took the hull shape away'
        : before.hull?.source === edit.hull.source
          ? 'changed the shape of the hull'
          : `took the hull from ${HULL_SOURCES[edit.hull.source]}`;
    case 'deck.set':
      return 'changed the deck';
    case 'support.add':
    case 'section.add':
    case 'reference.add':
      return `added ${edit.item.name}`;
    case 'support.set':
    case 'section.set':
    case 'reference.set':
      return `changed ${edit.item.name}`;
    case 'support.remove':
      return `removed ${nameIn(before.supports, edit.id)}`;
    case 'section.remove':
      return `removed ${nameIn(before.sections, edit.id)}`;
    case 'reference.remove':
      return `removed ${nameIn(before.references, edit.id)}`;
    case 'pack.add':
      return `took the pack ${edit.item.title}`;
    case 'pack.set':
      return `changed the pack ${edit.item.title}`;
    case 'pack.remove':
      return `dropped the pack ${before.packs.find(({ id }) => id === edit.id)?.title ?? edit.id}`;
  }
}

/** An action in words: its last edit, since those before it only fetch materials. */
export function describeEdits(before: Boat, edits: readonly Edit[]): string {
  const last = edits.findLast((edit) => edit.type !== 'material.put') ?? edits.at(-1);
  if (!last) return '';
  const put = edits.find((edit) => edit.type === 'material.put');
  const known = put ? { ...before, materials: [...before.materials, put.material] } : before;
  return describeEdit(known, last);
}
