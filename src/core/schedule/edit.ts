import { z } from 'zod';
import { KeramosError, invalid } from '../error';
import { materialSchema } from '../material';
import { deckShapeSchema, hullSchema, supportSchema } from '../geometry';
import { packSchema } from '../standard';
import { stiffenerSectionSchema } from '../stiffener';
import {
  acceptanceSchema,
  boatSchema,
  checkBoat,
  checkHands,
  checkLayer,
  checkMembers,
  checkPacks,
  idSchema,
  ingredients,
  layerFields,
  layerSchema,
  partFields,
  partSchema,
  zoneFields,
  zoneSchema,
  type Boat,
  type Layer,
  type Part,
  type Zone,
} from './boat';
import { loadCaseSchema } from '../detail';
import { briefSchema, checkBrief } from './brief';
import { detailSchema, materialsOfDetail } from './detail/detailSchema';
import { settleGeometry } from './shape';
import { referenceSchema } from './zoneProof';

const index = z.int().min(0).max(10_000);
/** A patch: any of the object's fields, checked like the whole, nothing unknown. */
const patchOf = <T extends z.ZodRawShape>(schema: z.ZodObject<T>) => schema.partial().strict();

/** Part of a boat's state, nothing filled in that is not there. */
const takenState = z
  .object({
    brief: briefSchema,
    materials: boatSchema.shape.materials,
    parts: boatSchema.shape.parts,
    acceptances: boatSchema.shape.acceptances,
    hull: boatSchema.shape.hull.unwrap(),
    deck: boatSchema.shape.deck.unwrap(),
    supports: boatSchema.shape.supports.unwrap(),
    sections: boatSchema.shape.sections.unwrap(),
    references: boatSchema.shape.references.unwrap(),
    packs: boatSchema.shape.packs.unwrap(),
    loads: boatSchema.shape.loads.unwrap(),
    details: boatSchema.shape.details.unwrap(),
  })
  .partial()
  .strict();

/** The edits that change a boat. Each is data, is checked at the border, and has an inverse. */
export const editSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('boat.rename'), name: boatSchema.shape.name }),
  /** The boat takes another state whole: what a variant follows. `state` holds what differs. */
  z.object({ type: z.literal('boat.take'), state: takenState, from: z.string().max(120) }),
  z.object({ type: z.literal('brief.set'), patch: patchOf(briefSchema) }),
  z.object({ type: z.literal('material.put'), material: materialSchema }),
  z.object({ type: z.literal('material.drop'), materialId: z.string() }),
  z.object({ type: z.literal('part.add'), part: partSchema, index }),
  z.object({ type: z.literal('part.set'), partId: idSchema, patch: patchOf(partFields) }),
  z.object({ type: z.literal('part.remove'), partId: idSchema }),
  z.object({ type: z.literal('zone.add'), partId: idSchema, zone: zoneSchema, index, coveredBy: z.array(idSchema) }),
  z.object({ type: z.literal('zone.set'), zoneId: idSchema, patch: patchOf(zoneFields.omit({ id: true })) }),
  z.object({ type: z.literal('zone.remove'), zoneId: idSchema }),
  z.object({ type: z.literal('layer.add'), partId: idSchema, layer: layerSchema, index }),
  z.object({ type: z.literal('layer.set'), layerId: idSchema, patch: patchOf(layerFields.omit({ id: true, zones: true })) }),
  z.object({ type: z.literal('layer.move'), layerId: idSchema, index }),
  z.object({ type: z.literal('layer.cover'), layerId: idSchema, zoneId: idSchema, covered: z.boolean() }),
  z.object({ type: z.literal('layer.remove'), layerId: idSchema }),
  z.object({ type: z.literal('caution.accept'), acceptance: acceptanceSchema, index }),
  z.object({ type: z.literal('caution.withdraw'), acceptanceId: idSchema }),
  z.object({ type: z.literal('hull.set'), hull: hullSchema.nullable() }),
  z.object({ type: z.literal('deck.set'), deck: deckShapeSchema }),
  z.object({ type: z.literal('support.add'), item: supportSchema, index }),
  z.object({ type: z.literal('support.set'), item: supportSchema }),
  z.object({ type: z.literal('support.remove'), id: idSchema }),
  z.object({ type: z.literal('section.add'), item: stiffenerSectionSchema, index }),
  z.object({ type: z.literal('section.set'), item: stiffenerSectionSchema }),
  z.object({ type: z.literal('section.remove'), id: idSchema }),
  z.object({ type: z.literal('reference.add'), item: referenceSchema, index }),
  z.object({ type: z.literal('reference.set'), item: referenceSchema }),
  z.object({ type: z.literal('reference.remove'), id: idSchema }),
  z.object({ type: z.literal('pack.add'), item: packSchema, index }),
  z.object({ type: z.literal('pack.set'), item: packSchema }),
  z.object({ type: z.literal('pack.remove'), id: z.string().max(60) }),
  z.object({ type: z.literal('load.add'), item: loadCaseSchema, index }),
  z.object({ type: z.literal('load.set'), item: loadCaseSchema }),
  z.object({ type: z.literal('load.remove'), id: idSchema }),
  z.object({ type: z.literal('detail.add'), item: detailSchema, index }),
  z.object({ type: z.literal('detail.set'), item: detailSchema }),
  z.object({ type: z.literal('detail.remove'), id: idSchema }),
]);
export type Edit = z.infer<typeof editSchema>;
/** What one action of the user does: one or more edits that stand or fall together. */
export const editsSchema = z.array(editSchema).min(1, 'Send at least one edit').max(500, 'At most 500 edits at a time');

const gone = (what: string, id: string) => new KeramosError('notFound', `${what} "${id}" is not in this boat any more`, what);
const without = <T>(items: readonly T[], at: number): T[] => items.filter((_, i) => i !== at);
const withAt = <T>(items: readonly T[], at: number, item: T): T[] => [...items.slice(0, at), item, ...items.slice(at)];
const replaced = <T>(items: readonly T[], at: number, item: T): T[] => items.map((old, i) => (i === at ? item : old));

/** The fields of `object` that `patch` is about to change, as the patch that restores them. */
function restoring<T extends object>(object: T, patch: Partial<T>): Partial<T> {
  return Object.fromEntries(Object.keys(patch).map((key) => [key, object[key as keyof T]])) as Partial<T>;
}

function partAt(boat: Boat, has: (part: Part) => boolean, what: string, id: string): [Part, number] {
  const at = boat.parts.findIndex(has);
  if (at < 0) throw gone(what, id);
  return [boat.parts[at]!, at];
}
const changePart = (boat: Boat, at: number, part: Part): Boat => ({ ...boat, parts: replaced(boat.parts, at, part) });

function findLayer(boat: Boat, layerId: string) {
  const [part, p] = partAt(boat, (candidate) => candidate.layers.some((layer) => layer.id === layerId), 'layer', layerId);
  const l = part.layers.findIndex((layer) => layer.id === layerId);
  return { part, p, l, layer: part.layers[l]! };
}
function findZone(boat: Boat, zoneId: string) {
  const [part, p] = partAt(boat, (candidate) => candidate.zones.some((zone) => zone.id === zoneId), 'zone', zoneId);
  const z = part.zones.findIndex((zone) => zone.id === zoneId);
  return { part, p, z, zone: part.zones[z]! };
}

/** Zones of a layer in the part's order, with one added. */
const covering = (part: Pick<Part, 'zones'>, zones: readonly string[], zoneId: string) => part.zones.map((zone) => zone.id).filter((id) => id === zoneId || zones.includes(id));

function refuseKnownIds(boat: Boat, ids: readonly string[]): void {
  const known = new Set(boat.parts.flatMap((part) => [part.id, ...part.zones.map((z) => z.id), ...part.layers.map((l) => l.id)]));
  const double = ids.find((id, i) => known.has(id) || ids.indexOf(id) !== i);
  if (double) throw invalid('id', `The id "${double}" is taken in this boat`);
}
function checkLayerIn(boat: Boat, part: Part, layer: Layer): void {
  checkLayer(
    layer,
    boat.materials.find((material) => material.id === layer.material),
    'layer',
  );
  const expected = part.zones.map((zone) => zone.id).filter((id) => layer.zones.includes(id));
  if (expected.length !== layer.zones.length || expected.some((id, i) => id !== layer.zones[i]))
    throw invalid('layer.zones', `A layer must cover zones of ${part.name}, each once and in their order`);
}

/** Refuse a zone that asks for a reference the boat does not have. */
function checkedZone(boat: Boat, zone: Zone): Zone {
  for (const id of [zone.match, zone.specified])
    if (id !== null && !boat.references.some((reference) => reference.id === id)) throw invalid('zone', `${zone.name} asks for a reference that is not in this boat`);
  return zone;
}

/** The lists of a boat whose items are added, replaced whole and removed in one way. */
const LISTS = { support: 'supports', section: 'sections', reference: 'references', pack: 'packs', load: 'loads', detail: 'details' } as const;
type ListName = keyof typeof LISTS;
type Item = { id: string };

/** The three edits of one list. */
function listEdits(name: ListName) {
  const key = LISTS[name];
  const itemsOf = (boat: Boat) => boat[key] as readonly Item[];
  const changed = (boat: Boat, items: Item[]): Boat => ({ ...boat, [key]: items }) as Boat;
  const placeOf = (boat: Boat, id: string) => {
    const at = itemsOf(boat).findIndex((item) => item.id === id);
    if (at < 0) throw gone(name, id);
    return at;
  };
  return {
    add: (boat: Boat, { item, index: at }: { item: Item; index: number }): [Boat, Edit] => {
      if (itemsOf(boat).some(({ id }) => id === item.id)) throw invalid('id', `The id "${item.id}" is taken in this boat`);
      return [changed(boat, withAt(itemsOf(boat), Math.min(at, itemsOf(boat).length), item)), { type: `${name}.remove`, id: item.id } as Edit];
    },
    set: (boat: Boat, { item }: { item: Item }): [Boat, Edit] => {
      const at = placeOf(boat, item.id);
      return [changed(boat, replaced(itemsOf(boat), at, item)), { type: `${name}.set`, item: itemsOf(boat)[at]! } as unknown as Edit];
    },
    remove: (boat: Boat, { id }: { id: string }): [Boat, Edit] => {
      const at = placeOf(boat, id);
      return [changed(boat, without(itemsOf(boat), at)), { type: `${name}.add`, item: itemsOf(boat)[at]!, index: at } as unknown as Edit];
    },
  };
}
const lists = {
  support: listEdits('support'),
  section: listEdits('section'),
  reference: listEdits('reference'),
  pack: listEdits('pack'),
  load: listEdits('load'),
  detail: listEdits('detail'),
};

/** How each edit changes a boat, and which edit undoes it. Untouched parts keep their identity. */
const APPLY: { [K in Edit['type']]: (boat: Boat, edit: Extract<Edit, { type: K }>) => [Boat, Edit] } = {
  'boat.rename': (boat, { name }) => [
    { ...boat, name },
    { type: 'boat.rename', name: boat.name },
  ],

  'boat.take': (boat, { state, from }) => {
    const taken = { ...boat, ...state };
    checkBoat(taken);
    return [taken, { type: 'boat.take', state: restoring<Omit<Boat, 'name'>>(boat, state), from }];
  },

  'brief.set': (boat, { patch }) => {
    const brief = { ...boat.brief, ...patch };
    checkBrief(brief);
    if (boat.materials.find((m) => m.id === brief.resin)?.kind !== 'resin') throw invalid('brief.resin', `The resin "${brief.resin}" is not among the boat's materials`);
    return [
      { ...boat, brief },
      { type: 'brief.set', patch: restoring(boat.brief, patch) },
    ];
  },

  'material.put': (boat, { material }) => {
    const at = boat.materials.findIndex((m) => m.id === material.id);
    const missing = ingredients(material).find((id) => boat.materials.find((m) => m.id === id)?.kind !== 'fibre');
    if (missing) throw invalid('material.components', `${material.name} needs the fibre "${missing}", which is not among the boat's materials`);
    if (at < 0)
      return [
        { ...boat, materials: [...boat.materials, material] },
        { type: 'material.drop', materialId: material.id },
      ];
    const old = boat.materials[at]!;
    if (old.kind !== material.kind) throw invalid('material.kind', `${old.name} is a ${old.kind} and cannot become a ${material.kind}`);
    return [
      { ...boat, materials: replaced(boat.materials, at, material) },
      { type: 'material.put', material: old },
    ];
  },
  'material.drop': (boat, { materialId }) => {
    const at = boat.materials.findIndex((m) => m.id === materialId);
    if (at < 0) throw gone('material', materialId);
    const used =
      boat.brief.resin === materialId ||
      boat.materials.some((m) => ingredients(m).includes(materialId)) ||
      boat.parts.some((part) => part.layers.some((layer) => layer.material === materialId)) ||
      boat.sections.some(({ former, layers }) => former === materialId || layers.some(({ material }) => material === materialId)) ||
      boat.references.some(({ layers }) => layers.some(({ material }) => material === materialId)) ||
      boat.details.some((detail) => materialsOfDetail(detail).includes(materialId));
    if (used) throw invalid('materialId', `${boat.materials[at]!.name} is in use in this boat`);
    const rest = without(boat.materials, at);
    if (at !== rest.length) throw invalid('materialId', "Only the material that came last can be taken back; the others stay in the boat's book");
    return [
      { ...boat, materials: rest },
      { type: 'material.put', material: boat.materials[at]! },
    ];
  },

  'part.add': (boat, { part, index: at }) => {
    refuseKnownIds(boat, [part.id, ...part.zones.map((zone) => zone.id), ...part.layers.map((layer) => layer.id)]);
    part.layers.forEach((layer) => checkLayerIn(boat, part, layer));
    checkHands(part);
    return [
      { ...boat, parts: withAt(boat.parts, Math.min(at, boat.parts.length), part) },
      { type: 'part.remove', partId: part.id },
    ];
  },
  'part.set': (boat, { partId, patch }) => {
    const [part, p] = partAt(boat, (candidate) => candidate.id === partId, 'part', partId);
    const changed = { ...part, ...patch };
    checkHands(changed);
    return [changePart(boat, p, changed), { type: 'part.set', partId, patch: restoring<Omit<Part, 'id' | 'zones' | 'layers'>>(part, patch) }];
  },
  'part.remove': (boat, { partId }) => {
    const [part, p] = partAt(boat, (candidate) => candidate.id === partId, 'part', partId);
    return [
      { ...boat, parts: without(boat.parts, p) },
      { type: 'part.add', part, index: p },
    ];
  },

  'zone.add': (boat, { partId, zone, index: at, coveredBy }) => {
    const [part, p] = partAt(boat, (candidate) => candidate.id === partId, 'part', partId);
    refuseKnownIds(boat, [zone.id]);
    const zones = withAt(part.zones, Math.min(at, part.zones.length), zone);
    const layers = part.layers.map((layer) => (coveredBy.includes(layer.id) ? { ...layer, zones: covering({ zones }, layer.zones, zone.id) } : layer));
    return [changePart(boat, p, { ...part, zones, layers }), { type: 'zone.remove', zoneId: zone.id }];
  },
  'zone.set': (boat, { zoneId, patch }) => {
    const { part, p, z: at, zone } = findZone(boat, zoneId);
    return [
      changePart(boat, p, { ...part, zones: replaced(part.zones, at, checkedZone(boat, { ...zone, ...patch })) }),
      // What the region gave goes with it: taking a region or an override back brings the figures back too.
      {
        type: 'zone.set',
        zoneId,
        patch: restoring(
          zone as Omit<Zone, 'id'>,
          patch.region === undefined && patch.overridden === undefined && patch.hand === undefined ? patch : { ...patch, geometry: zone.geometry },
        ),
      },
    ];
  },
  'zone.remove': (boat, { zoneId }) => {
    const { part, p, z: at, zone } = findZone(boat, zoneId);
    const coveredBy = part.layers.filter((layer) => layer.zones.includes(zoneId)).map((layer) => layer.id);
    const layers = part.layers.map((layer) => (layer.zones.includes(zoneId) ? { ...layer, zones: layer.zones.filter((id) => id !== zoneId) } : layer));
    return [changePart(boat, p, { ...part, zones: without(part.zones, at), layers }), { type: 'zone.add', partId: part.id, zone, index: at, coveredBy }];
  },

  'layer.add': (boat, { partId, layer, index: at }) => {
    const [part, p] = partAt(boat, (candidate) => candidate.id === partId, 'part', partId);
    refuseKnownIds(boat, [layer.id]);
    checkLayerIn(boat, part, layer);
    return [changePart(boat, p, { ...part, layers: withAt(part.layers, Math.min(at, part.layers.length), layer) }), { type: 'layer.remove', layerId: layer.id }];
  },
  'layer.set': (boat, { layerId, patch }) => {
    const { part, p, l, layer } = findLayer(boat, layerId);
    const changed = { ...layer, ...patch };
    checkLayerIn(boat, part, changed);
    return [changePart(boat, p, { ...part, layers: replaced(part.layers, l, changed) }), { type: 'layer.set', layerId, patch: restoring(layer, patch) }];
  },
  'layer.move': (boat, { layerId, index: to }) => {
    const { part, p, l, layer } = findLayer(boat, layerId);
    return [changePart(boat, p, { ...part, layers: withAt(without(part.layers, l), Math.min(to, part.layers.length - 1), layer) }), { type: 'layer.move', layerId, index: l }];
  },
  'layer.cover': (boat, { layerId, zoneId, covered }) => {
    const { part, p, l, layer } = findLayer(boat, layerId);
    if (!part.zones.some((zone) => zone.id === zoneId)) throw gone('zone', zoneId);
    const zones = covered ? covering(part, layer.zones, zoneId) : layer.zones.filter((id) => id !== zoneId);
    return [
      changePart(boat, p, { ...part, layers: replaced(part.layers, l, { ...layer, zones }) }),
      { type: 'layer.cover', layerId, zoneId, covered: layer.zones.includes(zoneId) },
    ];
  },
  'layer.remove': (boat, { layerId }) => {
    const { part, p, l, layer } = findLayer(boat, layerId);
    return [changePart(boat, p, { ...part, layers: without(part.layers, l) }), { type: 'layer.add', partId: part.id, layer, index: l }];
  },

  'caution.accept': (boat, { acceptance, index: at }) => {
    if (boat.acceptances.some(({ id }) => id === acceptance.id)) throw invalid('acceptance.id', `The id "${acceptance.id}" is taken in this boat`);
    return [
      { ...boat, acceptances: withAt(boat.acceptances, Math.min(at, boat.acceptances.length), acceptance) },
      { type: 'caution.withdraw', acceptanceId: acceptance.id },
    ];
  },
  'caution.withdraw': (boat, { acceptanceId }) => {
    const at = boat.acceptances.findIndex(({ id }) => id === acceptanceId);
    if (at < 0) throw gone('acceptance', acceptanceId);
    return [
      { ...boat, acceptances: without(boat.acceptances, at) },
      { type: 'caution.accept', acceptance: boat.acceptances[at]!, index: at },
    ];
  },

  'hull.set': (boat, { hull }) => [
    { ...boat, hull },
    { type: 'hull.set', hull: boat.hull },
  ],
  'deck.set': (boat, { deck }) => [
    { ...boat, deck },
    { type: 'deck.set', deck: boat.deck },
  ],
  'support.add': lists.support.add,
  'support.set': lists.support.set,
  'support.remove': lists.support.remove,
  'section.add': lists.section.add,
  'section.set': lists.section.set,
  'section.remove': lists.section.remove,
  'reference.add': lists.reference.add,
  'reference.set': lists.reference.set,
  'reference.remove': lists.reference.remove,
  'pack.add': lists.pack.add,
  'pack.set': lists.pack.set,
  'pack.remove': lists.pack.remove,
  'load.add': lists.load.add,
  'load.set': lists.load.set,
  'load.remove': (boat, edit) => {
    const user = boat.details.find(({ load }) => load === edit.id);
    if (user) throw invalid('id', `${user.name} is led from this load: give it another one first`);
    return lists.load.remove(boat, edit);
  },
  'detail.add': lists.detail.add,
  'detail.set': lists.detail.set,
  'detail.remove': lists.detail.remove,
};

/**
 * Apply one action's edits to a boat, all or none.
 *
 * @returns the new boat (unchanged parts keep their identity) and the edits that undo the action, in the order to apply them.
 * @throws KeramosError `invalid` when the result would contradict itself, `notFound` when something it names is gone.
 * @example applyEdits(boat, [{ type: 'layer.set', layerId: 'l7', patch: { angleDeg: -45 } }])
 */
export function applyEdits(boat: Boat, edits: readonly Edit[]): { boat: Boat; inverse: Edit[] } {
  const inverse: Edit[] = [];
  let current = boat;
  for (const edit of edits) {
    const apply = APPLY[edit.type] as (boat: Boat, edit: Edit) => [Boat, Edit];
    const [next, undo] = apply(current, edit);
    current = next;
    inverse.unshift(undo);
  }
  if (current.packs !== boat.packs) checkPacks(current.packs);
  if (current.supports !== boat.supports || current.sections !== boat.sections || current.references !== boat.references || current.details !== boat.details) checkMembers(current);
  return { boat: settleGeometry(boat, current), inverse };
}
