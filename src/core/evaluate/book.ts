import { layerSums, layFabric, woodPly, type LaidComponent, type LayerSums, type Ply } from '../laminate';
import type { Core, Fabric, Fibre, LayerMaterial, Material, Origin, Process, Resin } from '../material';
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
  /** The weakest origin among its figures, by its place in {@link ORIGINS}. */
  rank: number;
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

/**
 * The same for what lies at an angle: kept for whole degrees, as they are laid. Others come from a drag or a search,
 * which would pile them up.
 */
const rememberedAt = <T>(map: Map<string, T>, material: Material, angleDeg: number, make: () => T): T =>
  Number.isInteger(angleDeg) ? remembered(map, `${material.id}|${angleDeg}`, make) : make();

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

type Figures = Omit<LaidLayer, 'layer' | 'index' | 'material'>;
const NO_COMPONENTS: readonly LaidComponent[] = [];

/** A layer as it lies, what is not said of it being nothing: all of them alike, which is quicker to go through. */
const laidAs = (of: Pick<LaidLayer, 'layer' | 'index' | 'material'>, own: Partial<Figures>): LaidLayer => ({
  layer: of.layer,
  index: of.index,
  material: of.material,
  thickness: own.thickness ?? 0,
  fibreMass: own.fibreMass ?? 0,
  resinMass: own.resinMass ?? 0,
  coreMass: own.coreMass ?? 0,
  woodMass: own.woodMass ?? 0,
  coatingMass: own.coatingMass ?? 0,
  bindingMass: own.bindingMass ?? 0,
  cost: own.cost ?? null,
  components: own.components ?? NO_COMPONENTS,
});

function compiledLayer(book: Book, layer: Layer, index: number): CompiledLayer {
  const known = book.compiled.get(layer);
  if (known) return known;
  const given = layAsGiven(book, layer, index);
  const laid = layer.role === 'comesOff' ? laidAs(given, { cost: given.cost }) : given;
  const compiled: CompiledLayer = {
    laid,
    rank: rankOf(laid),
    plies: null,
    sums: undefined,
    sheets: new Map(),
  };
  book.compiled.set(layer, compiled);
  return compiled;
}

/** A layer as it lies in its place. */
function compiledAt(book: Book, layer: Layer, index: number): CompiledLayer {
  const compiled = compiledLayer(book, layer, index);
  if (compiled.laid.index !== index) compiled.laid = { ...compiled.laid, index };
  return compiled;
}

/** A layer as it lies. What comes off again leaves neither thickness nor weight; its price stays. */
const layIn = (book: Book, layer: Layer, index: number): LaidLayer => compiledAt(book, layer, index).laid;

const ORIGINS: readonly Origin[] = ['generic', 'dataSheet', 'yardTest'];
const ranks = new WeakMap<Material, number>();

/** Rank of the weakest figure of a material. */
function weakestRank(material: Material): number {
  const known = ranks.get(material);
  if (known !== undefined) return known;
  const figures =
    material.kind === 'fabric'
      ? material.components.map((component) => component.arealWeight)
      : Object.values(material).filter((value) => typeof value === 'object' && value !== null && 'origin' in value);
  const rank = Math.min(...figures.map((figure) => ORIGINS.indexOf((figure as { origin: Origin }).origin)));
  ranks.set(material, rank);
  return rank;
}
const rankOf = ({ material, components }: LaidLayer): number =>
  components.reduce((rank, { fibre }) => Math.min(rank, weakestRank(fibre)), weakestRank(material));

/** What is compiled of the layers of a zone, by the list of them that {@link layAll} gave. */
const compiledOf = new WeakMap<readonly LaidLayer[], readonly CompiledLayer[]>();
const compiledIn = (book: Book, laid: readonly LaidLayer[]): readonly (CompiledLayer | undefined)[] =>
  compiledOf.get(laid) ?? laid.map(({ layer }) => book.compiled.get(layer));

/** The weakest origin among the figures of a stack; null where nothing is laid. */
export function weakestOrigin(book: Book, laid: readonly LaidLayer[]): Origin | null {
  if (laid.length === 0) return null;
  let rank = weakestRank(book.resin);
  const compiled = compiledIn(book, laid);
  for (let i = 0; i < laid.length; i++) rank = Math.min(rank, compiled[i]?.rank ?? rankOf(laid[i]!));
  return ORIGINS[rank]!;
}

function layAsGiven(book: Book, layer: Layer, index: number): LaidLayer {
  const material = book.materials.get(layer.material) as LayerMaterial;
  const of = { layer, index, material };
  if (material.kind === 'fabric')
    return laidAs(of, {
      ...remembered(book.laid, material.id, () => layFabricIn(book, material)),
      bindingMass: material.bindingWeight.value,
    });
  const thickness = layer.thickness!;
  const mass = thickness * material.density.value;
  switch (material.kind) {
    case 'core': {
      const resinMass = material.resinUptake.value;
      const cost = costOf(material.price, thickness, book, resinMass);
      return laidAs(of, { thickness, resinMass, coreMass: mass, cost });
    }
    case 'coating':
      return laidAs(of, { thickness, coatingMass: mass, cost: costOf(material.price, mass, book, 0) });
    case 'wood':
      return laidAs(of, { thickness, woodMass: mass, cost: costOf(material.price, mass, book, 0) });
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
  return rememberedAt(book.plies, material, layer.angleDeg, () => turned(components, layer.angleDeg));
}

/** The plies that carry load, for lamination theory; coatings carry none. */
export function pliesOf(book: Book, laid: readonly LaidLayer[]): Ply[] {
  const plies: Ply[] = [];
  const all = compiledIn(book, laid);
  for (let i = 0; i < laid.length; i++) {
    const [one, compiled] = [laid[i]!, all[i]];
    const own = compiled ? (compiled.plies ??= pliesOfLayer(book, one)) : pliesOfLayer(book, one);
    for (const ply of own) plies.push(ply);
  }
  return plies;
}
/** What each carrying layer of a zone adds to its stiffness, for the sums of the whole. */
export function sumsOf(book: Book, laid: readonly LaidLayer[]): LayerSums[] {
  const sums: LayerSums[] = [];
  const all = compiledIn(book, laid);
  for (let i = 0; i < laid.length; i++) {
    const [one, compiled] = [laid[i]!, all[i]];
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
  const properties = trace ? make() : rememberedAt(book.sheets, material, angle, make);
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
  const all = trace ? [] : compiledIn(book, laid);
  for (let i = 0; i < laid.length; i++) {
    const [one, compiled] = [laid[i]!, all[i]];
    let own = compiled?.sheets.get(spanAngle);
    const first = own?.[0];
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
export function layAll(book: Book, part: Part, zone: Zone): LaidLayer[] {
  const compiled = (layersByZone(part).get(zone.id) ?? []).map(({ layer, index }) => compiledAt(book, layer, index));
  const laid = compiled.map((one) => one.laid);
  compiledOf.set(laid, compiled);
  return laid;
}

/** A layer by itself, as it would lie in any zone. */
export const layAlone = (book: Book, layer: Layer): LaidLayer => layIn(book, layer, 0);

/** Layers of a reference as they would be laid in this boat. */
export function layReference(book: Book, reference: Reference): LaidLayer[] {
  return reference.layers.map((layer, index) =>
    layIn(book, { id: `${reference.id}-${index}`, zones: [], group: null, ...layer }, index),
  );
}
