import { z } from 'zod';
import { KeramosError, invalid, parseOrThrow } from '../error';
import { bounded, zoneGeometrySchema } from '../geometry';
import { materialSchema, type LayerMaterial, type Material } from '../material';
import { ZONE_LOCATIONS, type ZoneLocation } from '../standard';
import { briefSchema, checkBrief } from './brief';
import { zoneLoadSchema } from './zoneLoad';

export const idSchema = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'Id must be 1 to 40 letters, digits, hyphens or underscores');
const nameSchema = (what: string) => z.string().trim().min(1, `${what} must not be empty`).max(80, `${what} must have at most 80 characters`);

export const PART_KINDS = { hull: 'Hull', deck: 'Deck', bulkhead: 'Bulkhead', liner: 'Liner', small: 'Small part' } as const;

export const zoneSchema = z.object({
  id: idSchema,
  name: nameSchema('Zone name'),
  location: z.enum(Object.keys(ZONE_LOCATIONS) as [ZoneLocation, ...ZoneLocation[]]),
  geometry: zoneGeometrySchema,
  load: zoneLoadSchema.nullable(),
});
export type Zone = z.infer<typeof zoneSchema>;

export const layerSchema = z.object({
  id: idSchema,
  material: z.string(),
  /** From the zone's reference direction towards the next hand. */
  angleDeg: bounded('Angle', -90, 90, '°'),
  /** Of a core or a coating (m); fabrics find theirs by process. */
  thickness: bounded('Thickness', 5e-5, 0.2, 'm').nullable(),
  /** Zones it covers, in the part's order of zones. */
  zones: z.array(idSchema).max(64),
});
export type Layer = z.infer<typeof layerSchema>;

export const partSchema = z.object({
  id: idSchema,
  name: nameSchema('Part name'),
  kind: z.enum(Object.keys(PART_KINDS) as [keyof typeof PART_KINDS, ...(keyof typeof PART_KINDS)[]]),
  zones: z.array(zoneSchema).max(64, 'A part has at most 64 zones'),
  /** In laying order from the mould face. */
  layers: z.array(layerSchema).max(400, 'A part has at most 400 layers'),
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
  if (materials.get(boat.brief.resin)?.kind !== 'resin') throw invalid('brief.resin', `The resin "${boat.brief.resin}" is not among the boat's materials`);
  for (const material of boat.materials)
    for (const id of ingredients(material))
      if (materials.get(id)?.kind !== 'fibre')
        throw invalid(`materials.${material.id}`, `The fabric "${material.name}" needs the fibre "${id}", which is not among the boat's materials`);
  boat.parts.forEach((part, p) => {
    const order = new Map(part.zones.map((zone, index) => [zone.id, index]));
    part.layers.forEach((layer, l) => {
      const path = `parts.${p}.layers.${l}`;
      checkLayer(layer, materials.get(layer.material), path);
      const indices = layer.zones.map((id) => order.get(id) ?? NaN);
      if (indices.some((index, i) => Number.isNaN(index) || (i > 0 && index <= indices[i - 1]!)))
        throw invalid(`${path}.zones`, `Layer ${l + 1} of ${part.name} must cover zones of its own part, each once and in their order`);
    });
  });
}

/** Refuse a layer whose material cannot be laid, or whose thickness does not go with it. */
export function checkLayer(layer: Layer, material: Material | undefined, path: string): asserts material is LayerMaterial {
  if (material?.kind !== 'fabric' && material?.kind !== 'core' && material?.kind !== 'coating')
    throw invalid(`${path}.material`, `A layer must be a fabric, a core or a coating of this boat; "${layer.material}" is not`);
  if ((material.kind === 'fabric') !== (layer.thickness === null))
    throw invalid(
      `${path}.thickness`,
      material.kind === 'fabric' ? `${material.code} takes its thickness from fabric and process: leave it empty` : `${material.code} needs a thickness`,
    );
}

function unique(ids: readonly string[], path: string): void {
  const seen = new Set<string>();
  for (const id of ids) {
    if (seen.has(id)) throw invalid(path, `The id "${id}" stands twice; every part, zone, layer and material needs its own`);
    seen.add(id);
  }
}

export const DOCUMENT_FORMAT = 'keramos-boat';
const DOCUMENT_VERSION = 1;
const documentSchema = z.object({ format: z.literal(DOCUMENT_FORMAT), version: z.literal(DOCUMENT_VERSION), boat: boatSchema });

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
    throw new KeramosError('malformed', `This is not a boat document: its "format" must be "${DOCUMENT_FORMAT}"`, 'format');
  const { boat } = parseOrThrow(documentSchema, document);
  checkBoat(boat);
  return boat;
}
