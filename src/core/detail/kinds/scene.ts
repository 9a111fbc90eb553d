import { invalid, KeramosError } from '../../error';
import { actingLoad, type ActingLoad } from '..';
import type { Fabric, Material, Preparation } from '../../material';
import { put, type Recorder } from '../../working';
import type { Boat, Part, Zone } from '../../document';
import { INTERLAMINAR_STRENGTH } from '../../standard';
import {
  bookOf,
  layAll,
  layReference,
  type Book,
  type LaidLayer,
  memberOf,
  panelGive,
  type SectionMember,
} from '../../evaluate';
import type { Detail, DetailSheet } from './schema';

/** One thing a detail must hold. */
export interface DetailCheck {
  id: string;
  name: string;
  demand: number;
  capacity: number;
  unit: 'N' | 'Pa' | 'm' | 'N/m' | 'N·m' | '';
  reserveFactor: number;
  source: string;
}
/** One link of the load path, and the check that decides it. */
export interface PathLink {
  text: string;
  check: string | null;
}
export interface DetailCaution {
  severity: 'danger' | 'warning' | 'advice';
  title: string;
  text: string;
}
/** Mass by what it is (kg). */
export interface DetailMass {
  fibre: number;
  resin: number;
  core: number;
  /** Metal, wood and adhesive. */
  other: number;
}
/** A layer the detail lays, on the zone it belongs to. */
export interface DetailLayer {
  material: string;
  angleDeg: number;
  length: number;
  breadth: number;
  /** Of this size, for all of the detail's number together. */
  count: number;
}

/** Paste that is mixed for a detail: an adhesive of the boat, or a fillet of the boat's resin, thickened (kg). */
export interface Paste {
  material: string | null;
  name: string;
  mass: number;
}

/** Metal, wood or board that goes in (kg), by its material. */
export interface Brought {
  material: string;
  mass: number;
}

/** What a kind of detail finds out. */
export interface Findings {
  checks: DetailCheck[];
  path: PathLink[];
  layers: DetailLayer[];
  mass: DetailMass;
  /** What of the mass is paste that is mixed for it. */
  pastes?: Paste[];
  /** What of the mass is metal, wood or board. */
  brings?: Brought[];
  /** What is done, in order. */
  steps: string[];
  cautions: DetailCaution[];
  /** What is left out of this one besides what its kind leaves out. */
  notChecked?: string[];
}

/** Where a detail stands: its zone's laminate, the load in the zone's own plane, and the means to record. */
export interface Scene {
  boat: Boat;
  part: Part;
  zone: Zone;
  book: Book;
  laid: LaidLayer[];
  load: ActingLoad | null;
  loadName: string;
  /** Along the zone's reference direction, across it in its plane, and out of it (N), without the factor. */
  inPlane: [number, number];
  normal: number;
  factor: number;
  record: Recorder | undefined;
}

/** Share of its interlaminar shear strength that a laminate bears pulled apart through its thickness, until tested. */
const THROUGH_SHARE = 0.3;
/** What a laminate bears pulled apart through its thickness (Pa), generic. */
export const THROUGH_STRENGTH = THROUGH_SHARE * INTERLAMINAR_STRENGTH;
/** Punching shear through the thickness of a glass laminate (Pa), generic. */
export const PUNCHING_STRENGTH = 55e6;
/** Share of the tensile strength that a drilled hole leaves. */
export const OPEN_HOLE = 0.6;
/** Resin between a strap and what it lies on (m). */
export const INTERLAYER = 0.0002;
/** Strength kept after a million cycles, by fibre family: mid-range of published fatigue data. */
export const FATIGUE_RETENTION: Record<string, number> = {
  carbon: 0.7,
  aramid: 0.6,
  eGlass: 0.35,
  sGlass: 0.4,
  basalt: 0.4,
  flax: 0.4,
};

const PREPARATION_STEPS: Record<Preparation, string[]> = {
  peel: ['Peel ply off just before bonding', 'Wipe with a clean dry cloth; no solvent on a fresh face'],
  peelAbrade: ['Peel ply off', 'Abrade to a dull, even face with 80 grit', 'Vacuum, then wipe with a clean cloth'],
  sacrificial: ['Grind the sacrificial ply back to the structure', 'Vacuum, then wipe with a clean cloth'],
  wetOnWet: ["Lay within the resin's open time, while the face is still tacky"],
};
export const preparationSteps = (preparation: Preparation) => PREPARATION_STEPS[preparation];

/**
 * Where a detail stands.
 * @throws KeramosError `invalid` when its zone, load or laminate is not there.
 */
export function sceneOf(boat: Boat, detail: Detail, record?: Recorder): Scene {
  const part = boat.parts.find(({ zones }) => zones.some(({ id }) => id === detail.zone));
  const zone = part?.zones.find(({ id }) => id === detail.zone);
  if (!part || !zone)
    throw invalid('zone', `${detail.name} stands on a zone that is not in this boat any more: choose another`);
  const book = bookOf(boat, 0);
  const laid = layAll(book, part, zone);
  const wood = laid.find(({ material, layer }) => material.kind === 'wood' && layer.role === 'structure');
  if (wood)
    throw invalid(
      'zone',
      `${zone.name} is of wood (${wood.material.code}): details are computed on laminates, not on wood. ` +
        'Stand it on a zone of laminate, or let in wood under it',
    );
  if (!laid.some(({ material }) => material.kind === 'fabric'))
    throw invalid('layers', `Nothing is laid yet in ${zone.name}: a detail needs a laminate to stand on`);
  const given = boat.loads.find(({ id }) => id === detail.load);
  if (detail.load !== null && !given)
    throw invalid('load', `${detail.name} asks for a load case that is not in this boat any more: choose another`);
  const falls = given?.cause.kind === 'person' && given.cause.stop === null;
  const onMember = detail.kind === 'bolted' && detail.stands === 'support';
  const give = falls && !onMember ? (panelGive(boat, part, zone) ?? undefined) : undefined;
  const load = given ? actingLoad(given, record, give) : null;
  const [forward, outboard, up] = load?.vector ?? [0, 0, 0];
  const upright =
    zone.location === 'side' || zone.location === 'superstructureSide' || zone.location === 'superstructureSideWalking';
  const across =
    zone.location === 'transom' ||
    zone.location === 'bulkhead' ||
    zone.location === 'collisionBulkhead' ||
    zone.region?.surface === 'section';
  const level: [[number, number], number] = upright ? [[forward, up], outboard] : [[forward, outboard], up];
  const [inPlane, normal]: [[number, number], number] = across ? [[outboard, up], forward] : level;
  return {
    boat,
    part,
    zone,
    book,
    laid,
    load,
    loadName: given?.name ?? '',
    inPlane,
    normal,
    factor: load?.factor ?? 1,
    record,
  };
}

/** Laminate of the zone, or of sheets of the detail's own, as one member along a direction of the zone (°). */
export function memberAlong(book: Book, laid: readonly LaidLayer[], directionDeg: number): SectionMember {
  const turned = laid
    .filter(({ material, layer }) => material.kind === 'fabric' && layer.role === 'structure')
    .map((one) => ({ ...one, layer: { ...one.layer, angleDeg: one.layer.angleDeg - directionDeg } }));
  const member = memberOf(book, turned);
  if (!member) throw invalid('layers', 'There is no fabric to carry the load');
  return member;
}

/**
 * The skins that a force in the plane may come into, of which the worse counts: on one side of the structural core or
 * the other, by the face it comes in at; all fabrics where there is no core. A soft core hands little of it across.
 *
 * @throws KeramosError `invalid` where the core lies bare.
 */
export function skinsUnder(laid: readonly LaidLayer[], face: 'either' | 'outer' | 'inner' = 'either'): LaidLayer[][] {
  const isCore = ({ material, layer }: LaidLayer) => material.kind === 'core' && layer.role === 'structure';
  const fabrics = (some: readonly LaidLayer[]) => some.filter(({ material }) => material.kind === 'fabric');
  const first = laid.findIndex(isCore);
  if (first < 0) return [fabrics(laid)];
  const skins = { outer: fabrics(laid.slice(0, first)), inner: fabrics(laid.slice(laid.findLastIndex(isCore) + 1)) };
  const under = (face === 'either' ? [skins.outer, skins.inner] : [skins[face]]).filter((skin) => skin.length > 0);
  if (under.length > 0) return under;
  const bare = face === 'either' ? 'either' : `the ${face}`;
  throw invalid('layers', `There is no fabric on ${bare} face of the core to carry the load`);
}

/** Fabrics or cores as they would be laid in this boat. */
export function layOwn(
  book: Book,
  sheets: readonly { material: string; angleDeg: number; thickness?: number | null }[],
): LaidLayer[] {
  for (const { material } of sheets) {
    const known = book.materials.get(material);
    if (known?.kind !== 'fabric' && known?.kind !== 'core')
      throw invalid('material', `"${material}" is no fabric or core of this boat`);
  }
  return layReference(book, {
    id: 'detail',
    name: 'detail',
    note: '',
    layers: sheets.map((sheet) => ({
      material: sheet.material,
      angleDeg: sheet.angleDeg,
      thickness: sheet.thickness ?? null,
      role: 'structure',
    })),
  });
}

/** A material of one kind by its id. @throws KeramosError `invalid` when it is not in the boat, or of another kind. */
export function need<K extends Material['kind']>(
  book: Book,
  id: string | null,
  kind: K,
  what: string,
): Extract<Material, { kind: K }> {
  const material = id === null ? undefined : book.materials.get(id);
  if (material?.kind !== kind)
    throw invalid('material', `${what}: choose ${kind === 'adhesive' ? 'an adhesive' : `a ${kind}`} of this boat`);
  return material as Extract<Material, { kind: K }>;
}
export const fabricOf = (book: Book, id: string): Fabric => need(book, id, 'fabric', 'Fabric');

export const NO_MASS: DetailMass = { fibre: 0, resin: 0, core: 0, other: 0 };
export const addMass = (a: DetailMass, b: Partial<DetailMass>): DetailMass => ({
  fibre: a.fibre + (b.fibre ?? 0),
  resin: a.resin + (b.resin ?? 0),
  core: a.core + (b.core ?? 0),
  other: a.other + (b.other ?? 0),
});
/** Mass of sheets of the detail's own. */
export function sheetMass(book: Book, sheets: readonly (DetailSheet & { count?: number })[]): DetailMass {
  const laid = layOwn(book, sheets);
  return laid.reduce((sum, one, i) => {
    const area = sheets[i]!.length * sheets[i]!.breadth * (sheets[i]!.count ?? 1);
    return addMass(sum, {
      fibre: area * (one.fibreMass + one.bindingMass),
      resin: area * one.resinMass,
      core: area * one.coreMass,
    });
  }, NO_MASS);
}

/** What a check asks and finds, before its reserve. */
export type Asked = Omit<DetailCheck, 'reserveFactor'>;

/** A check with its working recorded. */
export function check(scene: Pick<Scene, 'record'>, { id, name, unit, demand, capacity, source }: Asked): DetailCheck {
  const reserveFactor = demand <= 0 ? Infinity : capacity / demand;
  scene.record?.({
    quantity: `Reserve factor: ${name.toLowerCase()}`,
    symbol: 'RF',
    formula: '\\frac{\\text{there}}{\\text{asked}}',
    inputs: [put('\\text{there}', capacity, unit), put('\\text{asked}', demand, unit)],
    value: reserveFactor,
    unit: '',
    source,
  });
  return { id, name, demand, capacity, unit, reserveFactor, source };
}

export { KeramosError };
