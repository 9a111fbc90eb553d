import { z } from 'zod';
import { KeramosError, invalid, parseOrThrow } from '../error';
import {
  bounded,
  deckShapeSchema,
  FLUSH_DECK,
  hullSchema,
  regionSchema,
  supportSchema,
  zoneGeometrySchema,
  type ZoneGeometry,
} from '../geometry';
import { materialSchema, type LayerMaterial, type Material } from '../material';
import { packSchema, SMALL_CRAFT_PACK, ZONE_LOCATIONS, type ZoneLocation } from '../standard';
import { stiffenerSectionSchema } from '../stiffener';
import { loadCaseSchema } from '../detail';
import { detailSchema, materialsOfDetail } from '../detail/kinds/detailSchema';
import { briefSchema, checkBrief } from './brief';
import { zoneLoadSchema } from './zoneLoad';
import { panelCaseSchema, referenceSchema } from './zoneProof';

export const idSchema = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,40}$/, 'Id must be 1 to 40 letters, digits, hyphens or underscores');
const nameSchema = (what: string) =>
  z.string().trim().min(1, `${what} must not be empty`).max(80, `${what} must have at most 80 characters`);

export const PART_KINDS = {
  hull: 'Hull',
  deck: 'Deck',
  bulkhead: 'Bulkhead',
  liner: 'Liner',
  small: 'Small part',
} as const;

const geometryKeys = Object.keys(zoneGeometrySchema.shape) as [keyof ZoneGeometry, ...(keyof ZoneGeometry)[]];

/** A zone's fields. Those that came later than the first boats have defaults in `zoneSchema`. */
export const zoneFields = z.object({
  id: idSchema,
  name: nameSchema('Zone name'),
  location: z.enum(Object.keys(ZONE_LOCATIONS) as [ZoneLocation, ...ZoneLocation[]]),
  /** The figures in use: taken from the region, but for those overridden. */
  geometry: zoneGeometrySchema,
  /** Where it lies on the boat; null where its figures are typed in. */
  region: regionSchema.nullable(),
  /** Figures that stand as typed, whatever the region gives. */
  overridden: z.array(z.enum(geometryKeys)).max(geometryKeys.length),
  load: zoneLoadSchema.nullable(),
  panelCase: panelCaseSchema.nullable(),
  /** References it must match in stiffness and strength, and that it must hold layer by layer. */
  match: z.string().nullable(),
  specified: z.string().nullable(),
  /** A zone lies on both hands alike, on one of them, or is one piece on the centreline. */
  hand: z.enum(['both', 'port', 'starboard', 'centre']),
  /** The core stops this far before the part's free edge and runs down to solid (m); null where it runs out. */
  solidEdge: bounded('Solid edge', 0.005, 2, 'm').nullable(),
});
export const zoneSchema = zoneFields.extend({
  region: zoneFields.shape.region.default(null),
  overridden: zoneFields.shape.overridden.default([]),
  panelCase: zoneFields.shape.panelCase.default(null),
  match: zoneFields.shape.match.default(null),
  specified: zoneFields.shape.specified.default(null),
  hand: zoneFields.shape.hand.default('both'),
  solidEdge: zoneFields.shape.solidEdge.default(null),
});
export type Zone = z.infer<typeof zoneSchema>;

/** What a layer is there for. Only structure carries; what comes off again weighs nothing in the boat. */
export const LAYER_ROLES = { structure: 'structure', sacrificial: 'sacrificial', comesOff: 'comes off' } as const;
export type LayerRole = keyof typeof LAYER_ROLES;

export const layerFields = z.object({
  id: idSchema,
  material: z.string(),
  /** From the zone's reference direction towards the next hand. */
  angleDeg: bounded('Angle', -90, 90, '°'),
  /** Of a core or a coating (m); fabrics find theirs by process. */
  thickness: bounded('Thickness', 5e-5, 0.2, 'm').nullable(),
  /** Zones it covers, in the part's order of zones. */
  zones: z.array(idSchema).max(64),
  role: z.enum(Object.keys(LAYER_ROLES) as [LayerRole, ...LayerRole[]]),
  /** The group it is laid with; null where it stands alone. */
  group: idSchema.nullable(),
});
export const layerSchema = layerFields.extend({
  role: layerFields.shape.role.default('structure'),
  group: layerFields.shape.group.default(null),
});
export type Layer = z.infer<typeof layerSchema>;

export const GROUP_KINDS = {
  coat: 'Coat',
  skinCoat: 'Skin coat',
  outerSkin: 'Outer skin',
  core: 'Core',
  innerSkin: 'Inner skin',
  local: 'Local',
} as const;
export type GroupKind = keyof typeof GROUP_KINDS;
/** Layers laid together under a name; `laminate` names the one of the boat's laminates that they follow. */
export const groupSchema = z.object({
  id: idSchema,
  name: nameSchema('Group name'),
  kind: z.enum(Object.keys(GROUP_KINDS) as [GroupKind, ...GroupKind[]]),
  laminate: z.string().max(40).nullable(),
});
export type LayerGroup = z.infer<typeof groupSchema>;

const width = (what: string) => bounded(what, 0, 2, 'm');
/** How layers meet the line between two zones of a part; `b` equal to `a` is the centreline, where both hands of one zone meet. */
export const joinSchema = z.object({
  a: idSchema,
  b: idSchema,
  /** Width by which layers that cover both zones lie over each other there (m); null where they run on in one piece. */
  lap: width('Overlap').nullable(),
  /** Layers that do otherwise. */
  laps: z.array(z.object({ layer: idSchema, lap: width('Overlap').nullable() })).max(400),
  /** How far a layer that stops there runs past the line into the other zone (m). */
  ends: z.array(z.object({ layer: idSchema, past: width('Length past the line') })).max(400),
  /** Run of the core's bevel per thickness; null as the part has it. */
  bevel: bounded('Bevel', 1, 50).nullable(),
  /** Length of the line (m), both hands; null as the geometry gives it. */
  length: bounded('Length of the line', 0, 100, 'm').nullable(),
});
export type Join = z.infer<typeof joinSchema>;

/** A part's own fields, besides zones and layers. */
export const partFields = z.object({
  name: nameSchema('Part name'),
  kind: z.enum(Object.keys(PART_KINDS) as [keyof typeof PART_KINDS, ...(keyof typeof PART_KINDS)[]]),
  groups: z.array(groupSchema).max(100),
  joins: z.array(joinSchema).max(400),
  /** A part of two hands is made to port and to starboard. */
  hands: z.enum(['one', 'two']),
  /** Number-off, all hands together. */
  number: z
    .int('Number-off must be a whole number')
    .min(1, 'Number-off must be at least 1')
    .max(200, 'Number-off must be at most 200'),
  /** Why a part of two hands is made in an odd number. */
  oddNote: z.string().max(200),
  /** Least length of a step per thickness of the layer that drops. */
  dropRatio: bounded('Drop-off ratio', 1, 100),
  coreBevel: bounded('Core bevel', 1, 50),
});
const partDefaults = {
  groups: partFields.shape.groups.default([]),
  joins: partFields.shape.joins.default([]),
  hands: partFields.shape.hands.default('one'),
  number: partFields.shape.number.default(1),
  oddNote: partFields.shape.oddNote.default(''),
  dropRatio: partFields.shape.dropRatio.default(20),
  coreBevel: partFields.shape.coreBevel.default(3),
};
/** The fields of a part that came later than the first boats, as they are kept together. */
export const partRestSchema = z.object(partDefaults);

export const partSchema = z.object({
  id: idSchema,
  name: partFields.shape.name,
  kind: partFields.shape.kind,
  zones: z.array(zoneSchema).max(64, 'A part has at most 64 zones'),
  /** In laying order from the mould face. */
  layers: z.array(layerSchema).max(400, 'A part has at most 400 layers'),
  ...partDefaults,
});
export type Part = z.infer<typeof partSchema>;

/** A caution that somebody answered for: the rule, what it was about, who, why, when. */
export const acceptanceSchema = z.object({
  id: idSchema,
  rule: z.string().min(1).max(60),
  /** Zone, layer or material it was about. */
  subject: z.string().min(1).max(60),
  by: z.string().trim().min(2, 'Accepted by: give a name of at least 2 characters').max(60),
  note: z.string().trim().min(3, 'Note: say in a few words why').max(600),
  at: z.string().max(40),
});
export type Acceptance = z.infer<typeof acceptanceSchema>;

/** A whole boat: what it must be, the figures it stands on, and its laminate schedule. */
export const boatSchema = z.object({
  name: nameSchema('Boat name'),
  brief: briefSchema,
  /** The boat's own copies, so that a later change on the Shelf alters nothing unasked. */
  materials: z.array(materialSchema).max(400),
  parts: z.array(partSchema).max(40),
  /** Cautions accepted with a signed note; withdrawn ones are in the history. */
  acceptances: z.array(acceptanceSchema).max(2000),
  /** Shape of the hull; null where all figures are typed in. */
  hull: hullSchema.nullable().default(null),
  deck: deckShapeSchema.default(FLUSH_DECK),
  /** Frames, stringers, beams, girders and ribs. */
  supports: z.array(supportSchema).max(400).default([]),
  /** Library of stiffener sections. */
  sections: z.array(stiffenerSectionSchema).max(100).default([]),
  references: z.array(referenceSchema).max(200).default([]),
  /** The boat's own copies of the packs it is checked against; the small-craft method comes first and gives the pressures. */
  packs: z.array(packSchema).min(1).max(8).default([SMALL_CRAFT_PACK]),
  /** Loads where they come into the boat, and the details that take them. */
  loads: z.array(loadCaseSchema).max(200).default([]),
  details: z.array(detailSchema).max(300).default([]),
});
export type Boat = z.infer<typeof boatSchema>;

/** Ids of the materials a material is made of. */
export function ingredients(material: Material): string[] {
  return material.kind === 'fabric' ? [...new Set(material.components.map((component) => component.fibre))] : [];
}

/** Refuse a boat whose parts do not fit together: double ids, layers of unknown material, coverage of unknown zones. */
export function checkBoat(boat: Boat): void {
  checkBrief(boat.brief);
  const materials = new Map(boat.materials.map((material) => [material.id, material]));
  unique(
    boat.materials.map((m) => m.id),
    'materials',
  );
  unique(
    boat.parts.flatMap((part) => [part.id, ...part.zones.map((z) => z.id), ...part.layers.map((l) => l.id)]),
    'parts',
  );
  checkPacks(boat.packs);
  checkMembers(boat);
  if (materials.get(boat.brief.resin)?.kind !== 'resin')
    throw invalid('brief.resin', `The resin "${boat.brief.resin}" is not among the boat's materials`);
  for (const material of boat.materials)
    for (const id of ingredients(material))
      if (materials.get(id)?.kind !== 'fibre')
        throw invalid(
          `materials.${material.id}`,
          `The fabric "${material.name}" needs the fibre "${id}", which is not among the boat's materials`,
        );
  boat.parts.forEach((part, p) => {
    checkHands(part);
    const order = new Map(part.zones.map((zone, index) => [zone.id, index]));
    part.layers.forEach((layer, l) => {
      const path = `parts.${p}.layers.${l}`;
      checkLayer(layer, materials.get(layer.material), path);
      const indices = layer.zones.map((id) => order.get(id) ?? NaN);
      if (indices.some((index, i) => Number.isNaN(index) || (i > 0 && index <= indices[i - 1]!)))
        throw invalid(
          `${path}.zones`,
          `Layer ${l + 1} of ${part.name} must cover zones of its own part, each once and in their order`,
        );
    });
  });
}

/** Whether a zone lies on one hand alone. */
export const isOneHanded = ({ hand }: Pick<Zone, 'hand'>) => hand === 'port' || hand === 'starboard';

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

/** Refuse packs in an order or number that cannot be checked against. */
export function checkPacks(packs: Boat['packs']): void {
  if (packs[0]?.kind !== 'smallCraft')
    throw invalid('packs', 'The small-craft method must be the first pack of the boat: the pressures come from it');
  unique(
    packs.map(({ id }) => id),
    'packs',
  );
}

/** Refuse supports, sections and references that name what the boat does not have. */
export function checkMembers({ materials, supports, sections, references, parts, loads, details }: Boat): void {
  const kinds = new Map(materials.map(({ id, kind }) => [id, kind]));
  const ids = new Set(sections.map(({ id }) => id));
  for (const [path, items] of Object.entries({ supports, sections, references, loads, details }))
    unique(
      items.map(({ id }) => id),
      path,
    );
  for (const section of sections) {
    const lost = section.layers.find(({ material }) => kinds.get(material) !== 'fabric');
    if (lost) throw invalid('sections', `${section.name}: "${lost.material}" is no fabric of this boat`);
    if (section.former !== null && kinds.get(section.former) !== 'core')
      throw invalid('sections', `${section.name}: its former "${section.former}" is no core of this boat`);
    if (!section.layers.some(({ web }) => web))
      throw invalid('sections', `${section.name}: no layer runs down its web`);
    if (section.kind === 'topHat' && !section.layers.some(({ crown }) => crown))
      throw invalid('sections', `${section.name}: no layer runs over its crown`);
  }
  for (const support of supports)
    if (support.section !== null && !ids.has(support.section))
      throw invalid('supports', `${support.name} asks for a section that is not in this boat`);
  for (const detail of details)
    for (const id of materialsOfDetail(detail))
      if (!kinds.has(id))
        throw invalid(
          'details',
          `${detail.name}: "${id || 'no material'}" is not among the boat's materials: choose one`,
        );
  const known = new Set(references.map(({ id }) => id));
  for (const reference of references)
    for (const { material, thickness } of reference.layers)
      checkLayer(
        { material, thickness },
        materials.find(({ id }) => id === material),
        'references',
      );
  for (const zone of parts.flatMap((part) => part.zones))
    for (const id of [zone.match, zone.specified])
      if (id !== null && !known.has(id))
        throw invalid('zone', `${zone.name} asks for a reference that is not in this boat`);
}

/** Refuse a layer whose material cannot be laid, or whose thickness does not go with it. */
export function checkLayer(
  layer: Pick<Layer, 'material' | 'thickness'>,
  material: Material | undefined,
  path: string,
): asserts material is LayerMaterial {
  if (material?.kind !== 'fabric' && material?.kind !== 'core' && material?.kind !== 'coating')
    throw invalid(
      `${path}.material`,
      `A layer must be a fabric, a core or a coating of this boat; "${layer.material}" is not`,
    );
  if ((material.kind === 'fabric') !== (layer.thickness === null))
    throw invalid(
      `${path}.thickness`,
      material.kind === 'fabric'
        ? `${material.code} takes its thickness from fabric and process: leave it empty`
        : `${material.code} needs a thickness`,
    );
}

function unique(ids: readonly string[], path: string): void {
  const seen = new Set<string>();
  for (const id of ids) {
    if (seen.has(id))
      throw invalid(path, `The id "${id}" stands twice; every part, zone, layer and material needs its own`);
    seen.add(id);
  }
}

export const DOCUMENT_FORMAT = 'keramos-boat';
const DOCUMENT_VERSION = 1;
const documentSchema = z.object({
  format: z.literal(DOCUMENT_FORMAT),
  version: z.literal(DOCUMENT_VERSION),
  boat: boatSchema,
});

/** The boat as a JSON document; keys stand in schema order, so that the same boat always gives the same bytes. */
export function boatToJson(boat: Boat): string {
  return `${JSON.stringify({ format: DOCUMENT_FORMAT, version: DOCUMENT_VERSION, boat: boatSchema.parse(boat) }, null, 1)}\n`;
}

/**
 * A boat from its JSON document.
 * @throws KeramosError `malformed` when the text is no JSON or no such document, `invalid` when the boat contradicts itself.
 */
export function boatFromJson(text: string): Boat {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    throw new KeramosError('malformed', `This is not JSON: ${(error as Error).message.slice(0, 120)}`);
  }
  if ((document as { format?: unknown } | null)?.format !== DOCUMENT_FORMAT)
    throw new KeramosError(
      'malformed',
      `This is not a boat document: its "format" must be "${DOCUMENT_FORMAT}"`,
      'format',
    );
  const { boat } = parseOrThrow(documentSchema, document);
  checkBoat(boat);
  return boat;
}
