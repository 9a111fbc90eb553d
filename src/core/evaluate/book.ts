import { layerSums, layFabric, woodPly, type LaidComponent, type LayerSums, type Ply } from '../laminate';
import type { Core, Fabric, Fibre, LayerMaterial, Material, Process, Resin } from '../material';
import {
  sheetProperties,
  woodSheet,
  type Sheet,
  type SheetProperties,
  type SmallCraftPack,
  type Trace,
} from '../standard';
import { type Boat, type Layer, type Part, type Zone, methodOf, type Reference } from '../document';

/** One layer as it lies in a zone. Masses kg/m², thickness m. */
export interface LaidLayer {
  layer: Layer;
  /** Place in the part's laying order, from 0. */
  index: number;
  material: LayerMaterial;
  thickness: number;
  fibreMass: number;
  /** In the plies, and taken up by a core. */
  resinMass: number;
  coreMass: number;
  woodMass: number;
  coatingMass: number;
  /** Stitching and binder: weight that carries nothing. */
  bindingMass: number;
  /** Price per m² in the yard's currency, resin included; null where a price is missing. */
  cost: number | null;
  components: readonly LaidComponent[];
}

/** What fabrics, resin and process make, computed once per combination. */
export interface Book {
  materials: Map<string, Material>;
  fibres: Map<string, Fibre>;
  resin: Resin;
  process: Process;
  shift: number;
  /** Whose limiting strains the sheets take. */
  pack: SmallCraftPack;
  laid: Map<string, LaidFabric>;
  /** Turned plies and directional sheets, by material and angle. */
  plies: Map<string, Ply[]>;
  /** The same with design strengths, by material, angle and knock-downs. */
  design: Map<string, Ply[]>;
  sheets: Map<string, (SheetProperties | undefined)[]>;
  /**
   * Each layer as it is compiled: how it lies, its plies, its sheets by direction of the span. An edit makes a new
   * layer, and only that is laid anew.
   */
  compiled: WeakMap<Layer, CompiledLayer>;
}
interface CompiledLayer {
  laid: LaidLayer;
  plies: Ply[] | null;
  /** Null for a layer that carries nothing. */
  sums: LayerSums | null | undefined;
  sheets: Map<number, Sheet[]>;
}
interface LaidFabric {
  components: LaidComponent[];
  thickness: number;
  fibreMass: number;
  resinMass: number;
  cost: number | null;
}
const books = new WeakMap<Boat['materials'], WeakMap<SmallCraftPack, Map<string, Book>>>();

export function bookOf(boat: Boat, shift: number): Book {
  const { process, resin } = boat.brief;
  const pack = methodOf(boat);
  const byPack = books.get(boat.materials) ?? new WeakMap<SmallCraftPack, Map<string, Book>>();
  books.set(boat.materials, byPack);
  const known = byPack.get(pack) ?? new Map<string, Book>();
  byPack.set(pack, known);
  const key = `${process}|${resin}|${shift}`;
  let book = known.get(key);
  if (!book) {
    const materials = new Map(boat.materials.map((material) => [material.id, material]));
    const fibres = new Map(
      boat.materials.filter((m): m is Fibre => m.kind === 'fibre').map((fibre) => [fibre.id, fibre]),
    );
    book = {
      materials,
      fibres,
      resin: materials.get(resin) as Resin,
      process,
      shift,
      pack,
      laid: new Map(),
      plies: new Map(),
      design: new Map(),
      sheets: new Map(),
      compiled: new WeakMap(),
    };
    known.set(key, book);
  }
  return book;
}

export function remembered<T>(map: Map<string, T>, key: string, make: () => T): T {
  const known = map.get(key);
  if (known !== undefined) return known;
  const made = make();
  map.set(key, made);
  return made;
}

function layFabricIn(book: Book, fabric: Fabric): LaidFabric {
  const components = layFabric(fabric, book);
  const sum = (pick: (component: LaidComponent) => number) =>
    components.reduce((total, component) => total + pick(component), 0);
  const [fibreMass, resinMass] = [sum((c) => c.fibreMass), sum((c) => c.resinMass)];
  return {
    components,
    thickness: sum((c) => c.thickness),
    fibreMass,
    resinMass,
    cost: costOf(fabric.price, fibreMass + fabric.bindingWeight.value, book, resinMass),
  };
}

/** Price of a quantity of a material with the resin it takes. */
function costOf(price: { value: number } | null, quantity: number, { resin }: Book, resinMass: number): number | null {
  if (price === null || (resinMass > 0 && resin.price === null)) return null;
  return price.value * quantity + (resin.price?.value ?? 0) * resinMass;
}

const NO_COMPONENTS: readonly LaidComponent[] = [];
const NOTHING = {
  thickness: 0,
  fibreMass: 0,
  resinMass: 0,
  coreMass: 0,
  woodMass: 0,
  coatingMass: 0,
  bindingMass: 0,
  components: NO_COMPONENTS,
};

function compiledLayer(book: Book, layer: Layer, index: number): CompiledLayer {
  const known = book.compiled.get(layer);
  if (known) return known;
  const given = layAsGiven(book, layer, index);
  const laid = layer.role === 'comesOff' ? { ...given, ...NOTHING } : given;
  const compiled: CompiledLayer = { laid, plies: null, sums: undefined, sheets: new Map() };
  book.compiled.set(layer, compiled);
  return compiled;
}

/** A layer as it lies. What comes off again leaves neither thickness nor weight; its price stays. */
function layIn(book: Book, layer: Layer, index: number): LaidLayer {
  const compiled = compiledLayer(book, layer, index);
  if (compiled.laid.index !== index) compiled.laid = { ...compiled.laid, index };
  return compiled.laid;
}

function layAsGiven(book: Book, layer: Layer, index: number): LaidLayer {
  const material = book.materials.get(layer.material) as LayerMaterial;
  if (material.kind === 'fabric') {
    const { components, thickness, fibreMass, resinMass, cost } = remembered(book.laid, material.id, () =>
      layFabricIn(book, material),
    );
    const bindingMass = material.bindingWeight.value;
    return { ...NOTHING, layer, index, material, thickness, fibreMass, resinMass, bindingMass, cost, components };
  }
  const thickness = layer.thickness!;
  const mass = thickness * material.density.value;
  const own = { ...NOTHING, layer, index, material, thickness };
  switch (material.kind) {
    case 'core': {
      const resinMass = material.resinUptake.value;
      return { ...own, resinMass, coreMass: mass, cost: costOf(material.price, thickness, book, resinMass) };
    }
    case 'coating':
      return { ...own, coatingMass: mass, cost: costOf(material.price, mass, book, 0) };
    case 'wood':
      return { ...own, woodMass: mass, cost: costOf(material.price, mass, book, 0) };
  }
}

/** Mass of a layer as it lies (kg/m²). */
export const massOf = (laid: LaidLayer): number =>
  laid.fibreMass + laid.bindingMass + laid.resinMass + laid.coreMass + laid.woodMass + laid.coatingMass;

const NO_PLIES: Ply[] = [];
function pliesOfLayer(book: Book, { layer, material, components }: LaidLayer): Ply[] {
  if (material.kind === 'coating' || layer.role !== 'structure') return NO_PLIES;
  if (material.kind === 'core') return [corePly(material, layer.thickness!)];
  if (material.kind === 'wood') return [{ ...woodPly(material, layer.thickness!).ply, angleDeg: layer.angleDeg }];
  return remembered(book.plies, `${material.id}|${layer.angleDeg}`, () => turned(components, layer.angleDeg));
}

/** The plies that carry load, for lamination theory; coatings carry none. */
export function pliesOf(book: Book, laid: readonly LaidLayer[]): Ply[] {
  const plies: Ply[] = [];
  for (const one of laid) {
    const compiled = book.compiled.get(one.layer);
    const own = compiled ? (compiled.plies ??= pliesOfLayer(book, one)) : pliesOfLayer(book, one);
    for (const ply of own) plies.push(ply);
  }
  return plies;
}
/** What each carrying layer of a zone adds to its stiffness, for the sums of the whole. */
export function sumsOf(book: Book, laid: readonly LaidLayer[]): LayerSums[] {
  const sums: LayerSums[] = [];
  for (const one of laid) {
    const compiled = book.compiled.get(one.layer);
    let own = compiled?.sums;
    if (own === undefined) {
      const plies = pliesOfLayer(book, one);
      own = plies.length > 0 ? layerSums(plies) : null;
      if (compiled) compiled.sums = own;
    }
    if (own) sums.push(own);
  }
  return sums;
}
const turned = (components: readonly LaidComponent[], angleDeg: number): Ply[] =>
  components.flatMap((component) => component.plies.map((ply) => ({ ...ply, angleDeg: ply.angleDeg + angleDeg })));
function corePly(core: Core, thickness: number): Ply {
  const E = core.inPlaneModulus.value;
  return {
    thickness,
    angleDeg: 0,
    E1: E,
    E2: E,
    nu12: 0.3,
    G12: Math.min(core.shearModulus.value, E),
    G13: core.shearModulus.value,
    G23: core.shearModulus.value,
    name: core.code,
    alpha1: core.alpha.value,
    alpha2: core.alpha.value,
    role: 'core',
  };
}

function sheetsOfLayer(
  book: Book,
  { layer, index, material, components }: LaidLayer,
  spanAngle: number,
  trace?: Trace,
): Sheet[] {
  if (material.kind === 'coating' || layer.role !== 'structure') return [];
  if (material.kind === 'core')
    return [{ role: 'core', name: material.code, thickness: layer.thickness!, core: material }];
  const angle = layer.angleDeg - spanAngle;
  const number = index + 1;
  if (material.kind === 'wood') return [{ ...woodSheet(material, layer.thickness!, angle), number }];
  const make = () =>
    components.map((c) => sheetProperties(c, angle, trace && ((step) => trace('laminate', step)), book.pack));
  const properties = trace ? make() : remembered(book.sheets, `${material.id}|${angle}`, make);
  return components.map((c, i) => ({
    role: 'skin',
    name: material.code,
    number,
    thickness: c.thickness,
    fibreMass: c.fibreMass,
    resinMass: c.resinMass,
    matMass: c.form === 'randomMat' ? c.fibreMass : 0,
    lightFibreMass: c.fibre.family === 'carbon' || c.fibre.family === 'aramid' ? c.fibreMass : 0,
    properties: properties[i],
  }));
}

/** The stack as the pack sees it, along the panel's short side (`spanAngle` from the reference direction). */
export function sheetsOf(book: Book, laid: readonly LaidLayer[], spanAngle: number, trace?: Trace): Sheet[] {
  const sheets: Sheet[] = [];
  for (const one of laid) {
    const compiled = trace ? undefined : book.compiled.get(one.layer);
    let own = compiled?.sheets.get(spanAngle);
    const [first] = own ?? [];
    if (!own || (first?.role === 'skin' && first.number !== one.index + 1)) {
      own = sheetsOfLayer(book, one, spanAngle, trace);
      compiled?.sheets.set(spanAngle, own);
    }
    for (const sheet of own) sheets.push(sheet);
  }
  return sheets;
}

/** Which layers of a part cover each of its zones, found in one pass for all zones. */
const coverage = new WeakMap<Part['layers'], Map<string, { layer: Layer; index: number }[]>>();
export function layersByZone({ layers }: Pick<Part, 'layers'>): Map<string, { layer: Layer; index: number }[]> {
  const known = coverage.get(layers);
  if (known) return known;
  const byZone = new Map<string, { layer: Layer; index: number }[]>();
  layers.forEach((layer, index) => {
    const placed = { layer, index };
    for (const zone of layer.zones) if (!byZone.get(zone)?.push(placed)) byZone.set(zone, [placed]);
  });
  coverage.set(layers, byZone);
  return byZone;
}

/** The layers of a zone as they lie. */
export const layAll = (book: Book, part: Part, zone: Zone): LaidLayer[] =>
  (layersByZone(part).get(zone.id) ?? []).map(({ layer, index }) => layIn(book, layer, index));

/** A layer by itself, as it would lie in any zone. */
export const layAlone = (book: Book, layer: Layer): LaidLayer => layIn(book, layer, 0);

/** Layers of a reference as they would be laid in this boat. */
export function layReference(book: Book, reference: Reference): LaidLayer[] {
  return reference.layers.map((layer, index) =>
    layIn(book, { id: `${reference.id}-${index}`, zones: [], group: null, ...layer }, index),
  );
}
