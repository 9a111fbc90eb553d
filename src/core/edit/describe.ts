import { labelOf } from '../field';
import { formatNumber, wordsIn } from '../quantity';
import { briefSchema, LAYER_ROLES, LISTS, partSchema, zoneSchema, type Boat, type ListKey } from '../document';
import { PLAIN_LISTS, type Edit } from './editSchema';

type Of<T extends Edit['type']> = Extract<Edit, { type: T }>;
type Words = { [T in Edit['type']]?: (before: Boat, edit: Of<T>) => string };

const angle = (value: number) => `${formatNumber(value, value % 1 === 0 ? 0 : 1)}°`;
const codeOf = ({ materials }: Boat, id: string) => {
  const material = materials.find((m) => m.id === id);
  return material === undefined ? id : LISTS.materials.title(material);
};
const zoneName = (boat: Boat, id: string) =>
  boat.parts.flatMap((part) => part.zones).find((zone) => zone.id === id)?.name ?? 'a zone';
const partName = (boat: Boat, id: string) => boat.parts.find((part) => part.id === id)?.name ?? 'a part';
function layerName(boat: Boat, id: string): string {
  for (const part of boat.parts) {
    const at = part.layers.findIndex((layer) => layer.id === id);
    if (at >= 0) return `layer ${at + 1} (${codeOf(boat, part.layers[at]!.material)}) of ${part.name}`;
  }
  return 'a layer';
}
const fieldsOf = (shape: Record<string, unknown>, patch: object) =>
  Object.keys(patch)
    .map((key) => labelOf(key, shape[key] as never).toLowerCase())
    .join(', ');

const HULL_SOURCES = { particulars: 'its particulars', offsets: 'an offsets table', mesh: 'a mesh' } as const;

function partSet(before: Boat, { partId, patch }: Of<'part.set'>): string {
  const name = partName(before, partId);
  if (patch.joins) return `changed how layers meet in ${name}`;
  if (patch.groups) return `changed the groups of ${name}`;
  if (patch.hands ?? patch.number)
    return `made ${name} ${patch.number ?? ''} off${patch.hands === 'two' ? ', in two hands' : ''}`;
  return `changed part ${name}: ${fieldsOf(partSchema.shape, patch)}`;
}

function layerSet(before: Boat, { layerId, patch }: Of<'layer.set'>): string {
  const name = layerName(before, layerId);
  if (patch.material !== undefined) return `made ${name} ${codeOf(before, patch.material)}`;
  if (patch.role !== undefined) return `made ${name} ${LAYER_ROLES[patch.role]}`;
  if (patch.group !== undefined) return `${patch.group === null ? 'took out of' : 'put into'} a group: ${name}`;
  if (patch.angleDeg !== undefined) return `turned ${name} to ${angle(patch.angleDeg)}`;
  return `changed the thickness of ${name}`;
}

function hullSet(before: Boat, { hull }: Of<'hull.set'>): string {
  if (hull === null) return 'took the hull shape away';
  if (before.hull?.source === hull.source) return 'changed the shape of the hull';
  return `took the hull from ${HULL_SOURCES[hull.source]}`;
}

const OWN: Words = {
  'boat.rename': (_, { name }) => `renamed the boat to ${name}`,
  'boat.take': (_, { from }) => `followed ${from}`,
  'brief.set': (_, { patch }) => `changed the brief: ${fieldsOf(briefSchema.shape, patch)}`,
  'material.put': (_, { material }) => `took ${material.name} into the boat's materials`,
  'material.drop': (before, { materialId }) => `took ${codeOf(before, materialId)} out of the boat's materials`,
  'part.add': (_, { part }) => `added part ${part.name}`,
  'part.set': partSet,
  'part.move': (before, { partId, index }) => `moved part ${partName(before, partId)} to place ${index + 1}`,
  'part.remove': (before, { partId }) => `removed part ${partName(before, partId)}`,
  'zone.add': (_, { zone }) => `added zone ${zone.name}`,
  'zone.set': (before, { zoneId, patch }) =>
    `changed zone ${zoneName(before, zoneId)}: ${fieldsOf(zoneSchema.shape, patch)}`,
  'zone.move': (before, { zoneId, index }) => `moved zone ${zoneName(before, zoneId)} to place ${index + 1}`,
  'zone.remove': (before, { zoneId }) => `removed zone ${zoneName(before, zoneId)}`,
  'layer.add': (before, { layer, partId }) => `added ${codeOf(before, layer.material)} to ${partName(before, partId)}`,
  'layer.set': layerSet,
  'layer.move': (before, { layerId, index }) => `moved ${layerName(before, layerId)} to place ${index + 1}`,
  'layer.cover': (before, { layerId, zoneId, covered }) =>
    `${covered ? 'ran' : 'took'} ${layerName(before, layerId)} ` +
    `${covered ? 'into' : 'out of'} ${zoneName(before, zoneId)}`,
  'layer.remove': (before, { layerId }) => `removed ${layerName(before, layerId)}`,
  'caution.accept': (_, { acceptance }) => `${acceptance.by} accepted the caution ${acceptance.rule}`,
  'caution.withdraw': () => 'withdrew the acceptance of a caution',
  'hull.set': hullSet,
  'deck.set': () => 'changed the deck',
};

/** An edit of a plain list: added, changed or removed, with the entry's own title. */
function plainWords(before: Boat, edit: Edit): string {
  const [name, does] = edit.type.split('.');
  const key = PLAIN_LISTS.find((one) => LISTS[one].name === name)!;
  const { title, label } = LISTS[key];
  const called = (item: unknown) => (key === 'packs' ? `the pack ${title(item as never)}` : title(item as never));
  if ('item' in edit) return `${does === 'add' ? 'added' : 'changed'} ${called(edit.item)}`;
  const old = (before[key as ListKey] as readonly { id: string }[]).find(
    ({ id }) => id === (edit as { id: string }).id,
  );
  return `removed ${old ? called(old) : label.toLowerCase()}`;
}

/**
 * What one edit does, in the words of the history: 'turned layer 7 (BX 800) to −45°'. `before` is the boat it applies
 * to.
 */
function describeEdit(before: Boat, edit: Edit): string {
  const own = OWN[edit.type] as ((before: Boat, edit: Edit) => string) | undefined;
  return wordsIn((own ?? plainWords)(before, edit), 'metric');
}

const MANY: Partial<Record<Edit['type'], string>> = {
  'layer.add': 'added',
  'layer.remove': 'removed',
  'layer.move': 'moved',
};

/** Several edits of one kind in words: 'turned 4 layers of Hull'. */
function describeMany(before: Boat, edits: readonly Edit[]): string | null {
  const [first] = edits;
  if (edits.length < 2 || !first?.type.startsWith('layer.') || edits.some(({ type }) => type !== first.type))
    return null;
  const touched = edits as readonly Of<Extract<Edit['type'], `layer.${string}`>>[];
  const layers = new Set(touched.map((edit) => (edit.type === 'layer.add' ? edit.layer.id : edit.layerId)));
  const part = before.parts.find((candidate) =>
    first.type === 'layer.add' ? candidate.id === first.partId : candidate.layers.some(({ id }) => layers.has(id)),
  )?.name;
  if (first.type === 'layer.cover') {
    const zones = new Set(touched.map((edit) => (edit.type === 'layer.cover' ? edit.zoneId : '')));
    const count = `${layers.size} ${layers.size === 1 ? 'layer' : 'layers'} of ${part}`;
    const where = `${zones.size} ${zones.size === 1 ? 'zone' : 'zones'}`;
    return `${first.covered ? 'ran' : 'took'} ${count} ${first.covered ? 'into' : 'out of'} ${where}`;
  }
  if (layers.size < 2) return null;
  const turned = 'patch' in first && 'angleDeg' in first.patch;
  return `${MANY[first.type] ?? (turned ? 'turned' : 'changed')} ${layers.size} layers of ${part}`;
}

/**
 * An action in words: its last edit, since those before it only fetch materials, or all of them where they are of one
 * kind.
 */
export function describeEdits(before: Boat, edits: readonly Edit[]): string {
  const last = edits.findLast((edit) => edit.type !== 'material.put') ?? edits.at(-1);
  if (!last) return '';
  const many = describeMany(
    before,
    edits.filter(({ type }) => type !== 'material.put'),
  );
  if (many) return many;
  const put = edits.find((edit): edit is Of<'material.put'> => edit.type === 'material.put');
  const known = put ? { ...before, materials: [...before.materials, put.material] } : before;
  return describeEdit(known, last);
}
