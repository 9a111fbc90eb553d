import type { z } from 'zod';
import { KeramosError, invalid } from '../error';
import { referencesIn, type Held, type ListName } from '../field';
import { said } from '../quantity';
import { isLayerMaterial, type LayerMaterial, type Material } from '../material';
import {
  ingredients,
  layerSchema,
  LIST_KEYS,
  LISTS,
  partFields,
  zoneSchema,
  type Boat,
  type Layer,
  type ListKey,
  type Part,
} from './boat';
import { checkBrief } from './brief';
import { checkBoxes, checkPieceDrawings, checkPlugs } from './checkKit';

/** References of an entry are the same as long as the entry is. */
const held = new WeakMap<object, Held[]>();
function referencesOf(schema: z.ZodType, item: object): Held[] {
  const known = held.get(item);
  if (known) return known;
  const found = referencesIn(schema, item);
  held.set(item, found);
  return found;
}
/** Coverage is held to the part's own order of zones in one pass of its own. */
const layerOwn = layerSchema.omit({ zones: true });

const PART_LISTS: ReadonlySet<ListName> = new Set(['zones', 'layers', 'groups']);
type Ids = ReadonlySet<string>;
const sets = new WeakMap<object, Map<string, Ids>>();

/** Ids of one list, remembered with the array it was made of. */
function idsOf(holder: object, list: string, make: () => string[]): Ids {
  const known = sets.get(holder) ?? new Map<string, Ids>();
  sets.set(holder, known);
  let ids = known.get(list);
  if (!ids) known.set(list, (ids = new Set(make())));
  return ids;
}
const zoneIds = (boat: Pick<Boat, 'parts'>): Ids =>
  idsOf(boat.parts, 'zones', () => boat.parts.flatMap(({ zones }) => zones.map(({ id }) => id)));
const ownIds = (part: Part, list: 'zones' | 'layers' | 'groups'): Ids =>
  idsOf(part[list], list, () => part[list].map(({ id }) => id));
const boatIds = (boat: Boat, list: ListName): Ids =>
  list === 'zones'
    ? zoneIds(boat)
    : idsOf(boat[list as ListKey], list, () => boat[list as ListKey].map(({ id }) => id));

/** The word for what is missing, of each list. */
const MISSING: Record<ListName, string> = {
  materials: 'material',
  parts: 'part',
  zones: 'zone',
  layers: 'layer',
  groups: 'group',
  supports: 'support',
  sections: 'section',
  references: 'laminate',
  packs: 'pack',
  loads: 'load',
  details: 'detail',
  items: 'item',
  spaces: 'space',
  pieceDrawings: 'piece drawing',
  jointPlacings: 'joint',
  boxes: 'box',
  plugs: 'plug',
  fillPlans: 'fill plan',
  curePlans: 'cure schedule',
};

/** What is named, where it was there before the change, and by whom: for words that say what stands in the way. */
interface Named {
  id: string;
  name?: string;
  title?: string;
}

/** What stands in a list of the boat; lists of one part are not looked through. */
function namedIn(boat: Boat, list: Held['reference']['list']): readonly Named[] {
  if (list === 'zones') return boat.parts.flatMap(({ zones }) => zones);
  return PART_LISTS.has(list) ? [] : (boat[list as ListKey] as readonly Named[]);
}

function refuseLost(before: Boat | null, who: string, key: string, { reference, id, label, path }: Held): never {
  const { list } = reference;
  const was = before && namedIn(before, list).find((item) => item.id === id);
  const thing = MISSING[list];
  if (was)
    throw invalid(
      `${key}.${path}`,
      `${'name' in was && was.name ? was.name : id} is in use: ${who} has ` +
        `it as "${label}". Give ${who} another ${thing} first`,
    );
  throw invalid(
    `${key}.${path}`,
    id === ''
      ? `${who}: choose a ${thing} for "${label}"`
      : `${who}: "${label}" asks for a ${thing} that is not in this boat (${id})`,
  );
}

/** Lists whose entries may be left open by an empty id: a detail that stands nowhere yet says so instead. */
const MAY_BE_OPEN: ReadonlySet<ListName> = new Set(['zones', 'supports', 'loads']);

/** Refuse entries that name what the boat does not have, or a material of the wrong kind. */
function checkReferences(boat: Boat, before: Boat | null): void {
  const materials = kindsOf(boat);
  const check = (key: ListKey, who: () => string, one: Held, own: Part | null) => {
    const { list, kinds } = one.reference;
    const inPart = own !== null && PART_LISTS.has(list);
    const ids = inPart ? ownIds(own, list as 'zones' | 'layers' | 'groups') : boatIds(boat, list);
    if (one.id === '' && MAY_BE_OPEN.has(list)) return;
    if (!ids.has(one.id)) refuseLost(before, who(), key, one);
    if (list !== 'materials' || !kinds) return;
    const kind = materials.get(one.id);
    if (!kinds.includes(kind!))
      throw invalid(
        `${key}.${one.path}`,
        `${who()}: "${one.label}" must be a ${kinds.join(' or a ')} of this boat, not the ${kind} "${one.id}"`,
      );
  };
  const checkAll = (key: ListKey, who: () => string, references: readonly Held[], own: Part | null) => {
    for (const one of references) check(key, who, one, own);
  };
  for (const key of LIST_KEYS) {
    if (key === 'parts') continue;
    const { title, schema } = LISTS[key];
    for (const item of boat[key]) checkAll(key, () => title(item as never), referencesOf(schema, item), null);
  }
  for (const part of boat.parts) {
    for (const zone of part.zones) checkAll('parts', () => zone.name, referencesOf(zoneSchema, zone), part);
    part.layers.forEach((layer, i) =>
      checkAll('parts', () => `Layer ${i + 1} of ${part.name}`, referencesOf(layerOwn, layer), part),
    );
    checkAll('parts', () => part.name, joinReferences(part.joins), part);
  }
}

/** References of the lines of a part; they are the same as long as its list of lines is. */
function joinReferences(joins: Part['joins']): Held[] {
  return referencesOf(partFields.shape.joins, joins);
}

const kinds = new WeakMap<Boat['materials'], Map<string, Material['kind']>>();
function kindsOf({ materials }: Pick<Boat, 'materials'>): Map<string, Material['kind']> {
  const known = kinds.get(materials) ?? new Map(materials.map(({ id, kind }) => [id, kind]));
  kinds.set(materials, known);
  return known;
}

function unique(ids: readonly string[], path: string): void {
  const seen = new Set<string>();
  for (const id of ids) {
    if (seen.has(id))
      throw invalid(path, `The id "${id}" is taken in this boat; every part, zone, layer and material needs its own`);
    seen.add(id);
  }
}

/** Refuse a list that has grown over what a boat may have. */
function checkCounts(boat: Boat): void {
  for (const key of LIST_KEYS) {
    const { limit, place } = LISTS[key];
    if (boat[key].length > limit)
      throw invalid(key, `A boat has at most ${limit} ${place.toLowerCase()}, and this would make ${boat[key].length}`);
  }
  for (const { name, zones, layers, groups, joins } of boat.parts)
    for (const [what, count, limit] of [
      ['zones', zones.length, 64],
      ['layers', layers.length, 400],
      ['groups', groups.length, 100],
      ['lines', joins.length, 400],
    ] as const)
      if (count > limit)
        throw invalid('parts', `${name} can have at most ${limit} ${what}, and this would make ${count}`);
}

/** Refuse an odd number of a two-handed part that nobody gave a reason for. */
export function checkHands({
  name,
  hands,
  number,
  oddNote,
}: Pick<Part, 'name' | 'hands' | 'number' | 'oddNote'>): void {
  if (hands === 'two' && number % 2 === 1 && oddNote.trim().length < 3)
    throw invalid(
      'number',
      `${name} is made in two hands: ${number} would leave one hand short. Give an even number, or say why it is odd`,
    );
}

/** Refuse packs in an order that cannot be checked against. */
function checkPacks(packs: Boat['packs']): void {
  if (packs[0]?.kind !== 'smallCraft')
    throw invalid('packs', 'The small-craft method must be the first pack of the boat: the pressures come from it');
}

/** Refuse a space that ends before it begins. */
function checkSpaces({ spaces }: Boat): void {
  for (const { id, name, from, to, bottom, top, inner, outer } of spaces) {
    const ends: [string, number, number | null][] = [
      ['to', from, to],
      ['top', bottom, top],
      ['outer', inner, outer],
    ];
    for (const [key, low, high] of ends)
      if (high !== null && !(high > low))
        throw invalid(
          `spaces.${id}.${key}`,
          `${name}: ${key === 'outer' ? 'the outer side' : `"${key}"`} must lie beyond ${said(low, 'length')}`,
        );
  }
}

function checkSections({ sections }: Boat): void {
  for (const section of sections) {
    if (!section.layers.some(({ web }) => web))
      throw invalid('sections', `${section.name}: no layer runs down its web`);
    if (section.kind === 'topHat' && !section.layers.some(({ crown }) => crown))
      throw invalid('sections', `${section.name}: no layer runs over its crown`);
  }
}

/** Refuse a layer whose material cannot be laid, or whose thickness does not go with it. */
export function checkLayer(
  layer: Pick<Layer, 'material' | 'thickness'>,
  material: Material | undefined,
  path: string,
): asserts material is LayerMaterial {
  if (!material || !isLayerMaterial(material))
    throw invalid(
      `${path}.material`,
      `A layer must be a fabric, a core, a sheet of wood or a coating of this boat; "${layer.material}" is not`,
    );
  if ((material.kind === 'fabric') !== (layer.thickness === null))
    throw invalid(
      `${path}.thickness`,
      material.kind === 'fabric'
        ? `${material.code} takes its thickness from fabric and process: leave it empty`
        : `${material.code} needs a thickness`,
    );
}

/** Layers of a part that cover its zones, each once and in their order. */
function checkCoverage(part: Part, p: number): void {
  const order = new Map(part.zones.map((zone, index) => [zone.id, index]));
  part.layers.forEach((layer, l) => {
    let last = -1;
    for (const id of layer.zones) {
      const index = order.get(id) ?? -1;
      if (index <= last)
        throw invalid(
          `parts.${p}.layers.${l}.zones`,
          `Layer ${l + 1} of ${part.name} must cover zones of its own part, each once and in their order`,
        );
      last = index;
    }
  });
}

function checkMaterials({ brief, materials }: Boat, before: Boat | null): void {
  const was = (id: string) => before?.materials.find((material) => material.id === id)?.name;
  const byId = new Map(materials.map((material) => [material.id, material]));
  if (byId.get(brief.resin)?.kind !== 'resin')
    throw invalid(
      'brief.resin',
      was(brief.resin) && !byId.has(brief.resin)
        ? `${was(brief.resin)} is in use: it is the resin of the boat`
        : `The resin "${brief.resin}" is not among the boat's materials`,
    );
  for (const material of materials)
    for (const id of ingredients(material))
      if (byId.get(id)?.kind !== 'fibre')
        throw invalid(
          `materials.${material.id}`,
          was(id) && byId.get(id) === undefined
            ? `${was(id)} is in use: ${material.name} is made of it`
            : `The fabric "${material.name}" needs the fibre "${id}", which is not among the boat's materials`,
        );
}

/**
 * Refuse a boat whose parts do not fit together: too many of a thing, double ids, references to what is not there,
 * layers whose thickness does not go with their material, particulars that contradict each other.
 *
 * @param before the boat before a change: what is the same in both was found right then.
 * @throws KeramosError `invalid` naming the field, and what stands in the way.
 */
export function checkBoat(boat: Boat, before: Boat | null = null): void {
  const changed = (...keys: (keyof Boat)[]) => before === null || keys.some((key) => before[key] !== boat[key]);
  checkCounts(boat);
  if (changed('brief')) checkBrief(boat.brief);
  for (const key of LIST_KEYS)
    if (key !== 'parts' && changed(key))
      unique(
        boat[key].map(({ id }) => id),
        key,
      );
  if (changed('parts'))
    unique(
      boat.parts.flatMap((part) => [part.id, ...part.zones.map((z) => z.id), ...part.layers.map((l) => l.id)]),
      'parts',
    );
  if (changed('brief', 'materials')) checkMaterials(boat, before);
  if (changed('packs')) checkPacks(boat.packs);
  if (changed('sections')) checkSections(boat);
  if (changed('spaces')) checkSpaces(boat);
  if (changed('pieceDrawings')) checkPieceDrawings(boat);
  if (changed('boxes')) checkBoxes(boat);
  if (changed('plugs')) checkPlugs(boat);
  const materials = idMap(boat.materials);
  boat.parts.forEach((part, p) => {
    if (before?.parts[p] === part && !changed('materials')) return;
    checkHands(part);
    unique(
      part.groups.map(({ id }) => id),
      `parts.${p}.groups`,
    );
    part.layers.forEach((layer, l) => checkLayer(layer, materials.get(layer.material), `parts.${p}.layers.${l}`));
    checkCoverage(part, p);
  });
  if (changed('references', 'materials'))
    for (const reference of boat.references)
      for (const layer of reference.layers) checkLayer(layer, materials.get(layer.material), 'references');
  if (changed(...LIST_KEYS)) checkReferences(boat, before);
}

const maps = new WeakMap<Boat['materials'], Map<string, Material>>();
function idMap(materials: Boat['materials']): Map<string, Material> {
  const known = maps.get(materials) ?? new Map(materials.map((material) => [material.id, material]));
  maps.set(materials, known);
  return known;
}

/** Whether a boat document holds together; why not, in words. */
export function problemOf(boat: Boat): string | null {
  try {
    checkBoat(boat);
    return null;
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return error.message;
  }
}
