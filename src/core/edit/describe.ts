import { formatNumber } from '../quantity';
import { LAYER_ROLES, type Boat } from '../document';
import type { Edit } from './editSchema';

const codeOf = (boat: Boat, id: string) => {
  const material = boat.materials.find((m) => m.id === id);
  return material === undefined ? id : 'code' in material ? material.code : material.name;
};
const angle = (value: number) => `${formatNumber(value, value % 1 === 0 ? 0 : 1)}°`;

const HULL_SOURCES = { particulars: 'its particulars', offsets: 'an offsets table', mesh: 'a mesh' } as const;
const nameIn = (items: readonly { id: string; name: string }[], id: string) =>
  items.find((item) => item.id === id)?.name ?? 'it';

/** What one edit does, in the words of the history: 'turned layer 7 (BX 800) to −45°'. `before` is the boat it applies to. */
function describeEdit(before: Boat, edit: Edit): string {
  const zoneName = (id: string) =>
    before.parts.flatMap((part) => part.zones).find((zone) => zone.id === id)?.name ?? 'a zone';
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
    case 'boat.take':
      return `followed ${edit.from}`;
    case 'brief.set':
      return `changed the brief: ${Object.keys(edit.patch).join(', ')}`;
    case 'material.put':
      return `took ${edit.material.name} into the boat's materials`;
    case 'material.drop':
      return `took ${codeOf(before, edit.materialId)} out of the boat's materials`;
    case 'part.add':
      return `added part ${edit.part.name}`;
    case 'part.set': {
      const { patch } = edit;
      const name = partName(edit.partId);
      if (patch.joins) return `changed how layers meet in ${name}`;
      if (patch.groups) return `changed the groups of ${name}`;
      if (patch.hands ?? patch.number)
        return `made ${name} ${patch.number ?? ''} off${patch.hands === 'two' ? ', in two hands' : ''}`;
      return `changed part ${name}`;
    }
    case 'part.remove':
      return `removed part ${partName(edit.partId)}`;
    case 'zone.add':
      return `added zone ${edit.zone.name}`;
    case 'zone.set': {
      const { patch } = edit;
      const about = patch.hand
        ? `hand ${patch.hand}`
        : patch.solidEdge !== undefined
          ? 'solid edge'
          : patch.overridden
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
      if (edit.patch.material !== undefined)
        return `made ${layerName(edit.layerId)} ${codeOf(before, edit.patch.material)}`;
      if (edit.patch.role !== undefined) return `made ${layerName(edit.layerId)} ${LAYER_ROLES[edit.patch.role]}`;
      if (edit.patch.group !== undefined)
        return `${edit.patch.group === null ? 'took out of' : 'put into'} a group: ${layerName(edit.layerId)}`;
      if (edit.patch.angleDeg !== undefined)
        return `turned ${layerName(edit.layerId)} to ${angle(edit.patch.angleDeg)}`;
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
    case 'load.add':
    case 'detail.add':
      return `added ${edit.item.name}`;
    case 'support.set':
    case 'section.set':
    case 'reference.set':
    case 'load.set':
    case 'detail.set':
      return `changed ${edit.item.name}`;
    case 'support.remove':
      return `removed ${nameIn(before.supports, edit.id)}`;
    case 'section.remove':
      return `removed ${nameIn(before.sections, edit.id)}`;
    case 'reference.remove':
      return `removed ${nameIn(before.references, edit.id)}`;
    case 'load.remove':
      return `removed ${nameIn(before.loads, edit.id)}`;
    case 'detail.remove':
      return `removed ${nameIn(before.details, edit.id)}`;
    case 'pack.add':
      return `took the pack ${edit.item.title}`;
    case 'pack.set':
      return `changed the pack ${edit.item.title}`;
    case 'pack.remove':
      return `dropped the pack ${before.packs.find(({ id }) => id === edit.id)?.title ?? edit.id}`;
  }
}

/** Several edits of one kind in words: 'turned 4 layers of Hull'. */
function describeMany(before: Boat, edits: readonly Edit[]): string | null {
  const [first] = edits;
  if (edits.length < 2 || !first?.type.startsWith('layer.') || edits.some(({ type }) => type !== first.type))
    return null;
  const touched = edits as readonly Extract<Edit, { type: `layer.${string}` }>[];
  const layers = new Set(touched.map((edit) => (edit.type === 'layer.add' ? edit.layer.id : edit.layerId)));
  const part = before.parts.find((candidate) =>
    first.type === 'layer.add' ? candidate.id === first.partId : candidate.layers.some(({ id }) => layers.has(id)),
  )?.name;
  if (first.type === 'layer.cover') {
    const zones = new Set(touched.map((edit) => (edit.type === 'layer.cover' ? edit.zoneId : '')));
    const count = `${layers.size} ${layers.size === 1 ? 'layer' : 'layers'} of ${part}`;
    return `${first.covered ? 'ran' : 'took'} ${count} ${first.covered ? 'into' : 'out of'} ${zones.size} ${zones.size === 1 ? 'zone' : 'zones'}`;
  }
  if (layers.size < 2) return null;
  const does =
    first.type === 'layer.add'
      ? 'added'
      : first.type === 'layer.remove'
        ? 'removed'
        : first.type === 'layer.move'
          ? 'moved'
          : 'patch' in first && 'angleDeg' in first.patch
            ? 'turned'
            : 'changed';
  return `${does} ${layers.size} layers of ${part}`;
}

/** An action in words: its last edit, since those before it only fetch materials, or all of them where they are of one kind. */
export function describeEdits(before: Boat, edits: readonly Edit[]): string {
  const last = edits.findLast((edit) => edit.type !== 'material.put') ?? edits.at(-1);
  if (!last) return '';
  const many = describeMany(
    before,
    edits.filter(({ type }) => type !== 'material.put'),
  );
  if (many) return many;
  const put = edits.find((edit) => edit.type === 'material.put');
  const known = put ? { ...before, materials: [...before.materials, put.material] } : before;
  return describeEdit(known, last);
}
