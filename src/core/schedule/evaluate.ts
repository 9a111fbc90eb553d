import { invalid, KeramosError } from '../error';
import { layFabric, laminateStiffness, type LaidComponent, type LaminateStiffness, type Ply } from '../laminate';
import { PROCESSES, type Coating, type Core, type Fabric, type Fibre, type LayerMaterial, type Material, type Origin, type Process, type Resin } from '../material';
import {
  checkAsSpecified,
  checkPanel,
  checkYardRule,
  packLimits,
  sheetProperties,
  type Check,
  type PanelCheckResult,
  type Sheet,
  type SheetProperties,
  type SmallCraftPack,
  type SpecifiedLayer,
  type StandardPack,
  type Trace,
} from '../standard';
import { put } from '../working';
import type { Boat, Layer, Part, Zone } from './boat';
import { craftOf, POSTURES } from './brief';
import { methodOf } from './shape';
import type { Reference } from './zoneProof';

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
  coatingMass: number;
  /** Stitching and binder: weight that carries nothing. */
  bindingMass: number;
  /** Price per m² in the yard's currency, resin included; null where a price is missing. */
  cost: number | null;
  components: readonly LaidComponent[];
}

/** A check, and the pack that asks for it. */
export type ZoneCheck = Check & { pack: string };

export interface ZoneEvaluation {
  zoneId: string;
  layers: LaidLayer[];
  /** m */
  thickness: number;
  /** Dry fibre, kg/m². */
  dryArealWeight: number;
  resinArealWeight: number;
  /** Everything as it comes out of the mould, kg/m². */
  laminatedArealWeight: number;
  /** Price per m² in the yard's currency; null where one is missing. */
  cost: number | null;
  /** Of the fibre-and-resin plies alone. */
  fibreWeightFraction: number;
  fibreVolumeFraction: number;
  stiffness: LaminateStiffness | null;
  construction: PanelCheckResult['construction'] | null;
  pressure: PanelCheckResult['pressure'] | null;
  checks: ZoneCheck[];
  notChecked: string[];
  /** The check with the least reserve. */
  governing: ZoneCheck | null;
  /** The weakest origin among the figures used. */
  origin: Origin | null;
  /** Why the zone could not be checked. */
  problem: string | null;
}

/** How a reserve factor stands against 1 and the posture's target. */
export type Verdict = 'fails' | 'thin' | 'meets' | 'ample';
export function verdictOf(reserveFactor: number, target: number): Verdict {
  return reserveFactor < 1 ? 'fails' : reserveFactor < target ? 'thin' : reserveFactor < 2 * target ? 'meets' : 'ample';
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
    const fibres = new Map(boat.materials.filter((m): m is Fibre => m.kind === 'fibre').map((fibre) => [fibre.id, fibre]));
    book = { materials, fibres, resin: materials.get(resin) as Resin, process, shift, pack, laid: new Map(), plies: new Map(), design: new Map(), sheets: new Map() };
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
  const components = layFabric(fabric, book.fibres, book.resin, book.process, book.shift);
  const sum = (pick: (component: LaidComponent) => number) => components.reduce((total, component) => total + pick(component), 0);
  const [fibreMass, resinMass] = [sum((c) => c.fibreMass), sum((c) => c.resinMass)];
  return { components, thickness: sum((c) => c.thickness), fibreMass, resinMass, cost: costOf(fabric.price, fibreMass + fabric.bindingWeight.value, book, resinMass) };
}

/** Price of a quantity of a material with the resin it takes. */
function costOf(price: { value: number } | null, quantity: number, { resin }: Book, resinMass: number): number | null {
  if (price === null || (resinMass > 0 && resin.price === null)) return null;
  return price.value * quantity + (resin.price?.value ?? 0) * resinMass;
}

const NO_COMPONENTS: readonly LaidComponent[] = [];
function layIn(book: Book, layer: Layer, index: number): LaidLayer {
  const material = book.materials.get(layer.material) as LayerMaterial;
  if (material.kind === 'fabric') {
    const { components, thickness, fibreMass, resinMass, cost } = remembered(book.laid, material.id, () => layFabricIn(book, material));
    return { layer, index, material, thickness, fibreMass, resinMass, coreMass: 0, coatingMass: 0, bindingMass: material.bindingWeight.value, cost, components };
  }
  const thickness = layer.thickness!;
  const mass = thickness * material.density.value;
  return material.kind === 'core'
    ? {
        layer,
        index,
        material,
        thickness,
        fibreMass: 0,
        resinMass: material.resinUptake.value,
        coreMass: mass,
        coatingMass: 0,
        bindingMass: 0,
        cost: costOf(material.price, thickness, book, material.resinUptake.value),
        components: NO_COMPONENTS,
      }
    : {
        layer,
        index,
        material,
        thickness,
        fibreMass: 0,
        resinMass: 0,
        coreMass: 0,
        coatingMass: mass,
        bindingMass: 0,
        cost: costOf(material.price, mass, book, 0),
        components: NO_COMPONENTS,
      };
}

/** The plies that carry load, for lamination theory; coatings carry none. */
export function pliesOf(book: Book, laid: readonly LaidLayer[]): Ply[] {
  return laid.flatMap(({ layer, material, components }): Ply[] => {
    if (material.kind === 'coating') return [];
    if (material.kind === 'core') return [corePly(material, layer.thickness!)];
    return remembered(book.plies, `${material.id}|${layer.angleDeg}`, () => turned(components, layer.angleDeg));
  });
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

/** The stack as the pack sees it, along the panel's short side (`spanAngle` from the reference direction). */
export function sheetsOf(book: Book, laid: readonly LaidLayer[], spanAngle: number, trace?: Trace): Sheet[] {
  return laid.flatMap(({ layer, material, components }): Sheet[] => {
    if (material.kind === 'coating') return [];
    if (material.kind === 'core') return [{ role: 'core', name: material.code, thickness: layer.thickness!, core: material }];
    const angle = layer.angleDeg - spanAngle;
    const make = () => components.map((c) => sheetProperties(c, angle, trace && ((step) => trace('laminate', step)), book.pack));
    const properties = trace ? make() : remembered(book.sheets, `${material.id}|${angle}`, make);
    return components.map((c, i) => ({
      role: 'skin',
      name: material.code,
      thickness: c.thickness,
      fibreMass: c.fibreMass,
      resinMass: c.resinMass,
      matMass: c.form === 'randomMat' ? c.fibreMass : 0,
      lightFibreMass: c.fibre.family === 'carbon' || c.fibre.family === 'aramid' ? c.fibreMass : 0,
      properties: properties[i],
    }));
  });
}

const ORIGIN_RANK: readonly Origin[] = ['generic', 'dataSheet', 'yardTest'];
const rankOf = (origin: Origin) => ORIGIN_RANK.indexOf(origin);
const ranks = new WeakMap<Material, number>();

/** Rank of the weakest figure of a material. */
function weakestRank(material: Material): number {
  const known = ranks.get(material);
  if (known !== undefined) return known;
  const figures =
    material.kind === 'fabric'
      ? material.components.map((component) => component.arealWeight)
      : Object.values(material).filter((value) => typeof value === 'object' && value !== null && 'origin' in value);
  const rank = Math.min(...figures.map((figure) => rankOf((figure as { origin: Origin }).origin)));
  ranks.set(material, rank);
  return rank;
}
function weakestOrigin(book: Book, laid: readonly LaidLayer[]): Origin | null {
  if (laid.length === 0) return null;
  let rank = weakestRank(book.resin);
  for (const { material, components } of laid) {
    rank = Math.min(rank, weakestRank(material));
    for (const { fibre } of components) rank = Math.min(rank, weakestRank(fibre));
  }
  return ORIGIN_RANK[rank]!;
}

/** What a zone's panel is checked with by the small-craft method. */
function methodInput(boat: Boat, zone: Zone, book: Book, sheets: readonly Sheet[]) {
  return { craft: craftOf(boat.brief), location: zone.location, geometry: zone.geometry, sheets, quality: book.pack.qualityFactor[boat.brief.quality] };
}

/** The direction the panel bends in, across its shorter side. */
const spanAngleOf = ({ panelBreadth, panelLength }: Zone['geometry']) => (panelBreadth <= panelLength ? 90 : 0);

/** A zone's stack as sheets of the pack across its span, and its checks by the method alone. */
export function methodSheets(zone: Zone, book: Book, laid: readonly LaidLayer[]): Sheet[] {
  return sheetsOf(book, laid, spanAngleOf(zone.geometry));
}
export const checkByMethod = (boat: Boat, zone: Zone, book: Book, sheets: readonly Sheet[]): PanelCheckResult =>
  checkPanel(methodInput(boat, zone, book, sheets), undefined, book.pack);

/** Layers of a reference as they would be laid in this boat. */
export function layReference(book: Book, reference: Reference): LaidLayer[] {
  return reference.layers.map((layer, index) => layIn(book, { id: `${reference.id}-${index}`, zones: [], ...layer }, index));
}

/** Layers as a specification reads them. */
function specifiedLayers(laid: readonly LaidLayer[]): SpecifiedLayer[] {
  return laid.flatMap(({ layer, material, components, fibreMass, coreMass }): SpecifiedLayer[] => {
    if (material.kind === 'coating') return [];
    if (material.kind === 'core') return [{ name: material.code, family: `core ${material.family}`, angleDeg: 0, weight: coreMass }];
    const [first] = components;
    return [{ name: material.code, family: components.map(({ fibre, form }) => `${fibre.family} ${form}`).join('+') || first!.form, angleDeg: layer.angleDeg, weight: fibreMass }];
  });
}

/** One check of a house pack as a step of working. */
const traceHouse = (trace: Trace | undefined, pack: StandardPack, check: Check, unit: string) =>
  trace?.(
    'result',
    {
      quantity: `Reserve factor: ${check.governs}`,
      symbol: 'RF',
      formula: '\\frac{\\text{there}}{\\text{asked}}',
      inputs: [put('\\text{there}', check.capacity, unit), put('\\text{asked}', check.demand, unit)],
      value: check.reserveFactor,
      unit: '',
      source: pack.title,
    },
    check.id,
  );

/** Checks of one pack. The method's own result carries pressure and construction. */
function checkPack(
  boat: Boat,
  zone: Zone,
  book: Book,
  laid: readonly LaidLayer[],
  sheets: readonly Sheet[],
  pack: StandardPack,
  trace?: Trace,
): Pick<PanelCheckResult, 'checks' | 'notChecked'> & Partial<PanelCheckResult> {
  switch (pack.kind) {
    case 'smallCraft':
      return checkPanel(methodInput(boat, zone, book, sheets), trace, pack);
    case 'workboatUplift':
      return checkPanel({ ...methodInput(boat, zone, book, sheets), uplift: { pressure: pack.pressureFactor, minimum: pack.minimumFactor } }, trace, book.pack);
    case 'yardRule': {
      const plies = laid.filter(({ material }) => material.kind === 'fabric');
      const checks = checkYardRule(pack, zone.location, {
        fibreMass: plies.reduce((sum, l) => sum + l.fibreMass, 0),
        thickness: plies.reduce((sum, l) => sum + l.thickness, 0),
      });
      checks.forEach((check) => traceHouse(trace, pack, check, check.id === 'yardFibre' ? 'kg/m²' : 'm'));
      return { checks, notChecked: [] };
    }
    case 'asSpecified': {
      const reference = boat.references.find(({ id }) => id === zone.specified);
      if (!reference) return { checks: [], notChecked: ['As specified: no schedule is given for the zone'] };
      const check = checkAsSpecified(pack, specifiedLayers(layReference(book, reference)), specifiedLayers(laid));
      traceHouse(trace, pack, check, '');
      return { checks: [check], notChecked: [] };
    }
  }
}

const refusals = new WeakMap<Boat['brief'], WeakMap<SmallCraftPack, string | null>>();
/** Why the method does not cover the boat at all; null when it does. */
function refusalOf(boat: Boat, pack: SmallCraftPack): string | null {
  const known = refusals.get(boat.brief) ?? new WeakMap<SmallCraftPack, string | null>();
  refusals.set(boat.brief, known);
  let refusal = known.get(pack);
  if (refusal === undefined) {
    refusal = packLimits(pack, craftOf(boat.brief)).find(({ severity }) => severity === 'refuse')?.text ?? null;
    known.set(pack, refusal);
  }
  return refusal;
}

/** A zone against every pack of the boat, or against one of them with its working. */
function checkIn(boat: Boat, zone: Zone, book: Book, laid: readonly LaidLayer[], trace?: Trace, only?: string) {
  const refusal = refusalOf(boat, book.pack);
  if (refusal !== null) throw invalid('brief', refusal);
  const sheets = sheetsOf(book, laid, spanAngleOf(zone.geometry), trace);
  let method: PanelCheckResult | null = null;
  const checks: ZoneCheck[] = [];
  const notChecked = new Set<string>();
  for (const pack of boat.packs) {
    if (only !== undefined && pack.id !== only) continue;
    const result = checkPack(boat, zone, book, laid, sheets, pack, trace);
    if (pack.kind === 'smallCraft') method ??= result as PanelCheckResult;
    checks.push(...result.checks.map((check) => ({ ...check, pack: pack.id })));
    result.notChecked.forEach((text) => notChecked.add(text));
  }
  return { construction: method?.construction ?? null, pressure: method?.pressure ?? null, checks, notChecked: [...notChecked] };
}
const least = (checks: readonly ZoneCheck[]) => checks.reduce<ZoneCheck | null>((low, check) => (low === null || check.reserveFactor < low.reserveFactor ? check : low), null);
export const layAll = (book: Book, part: Part, zone: Zone) => part.layers.flatMap((layer, index) => (layer.zones.includes(zone.id) ? [layIn(book, layer, index)] : []));

/**
 * Everything there is to know of one zone: stack, masses, fractions, stiffness, pressure, checks, and what governs.
 *
 * @returns an evaluation in every case; a zone that cannot be computed carries a `problem` that says why.
 * @example evaluateZone(boat, hull, keelBand).governing?.reserveFactor
 */
export function evaluateZone(boat: Boat, part: Part, zone: Zone): ZoneEvaluation {
  const book = bookOf(boat, 0);
  const laid = layAll(book, part, zone);
  const sum = (pick: (layer: LaidLayer) => number) => laid.reduce((total, layer) => total + pick(layer), 0);
  const fibre = sum((l) => l.fibreMass);
  const plyResin = sum((l) => (l.material.kind === 'fabric' ? l.resinMass : 0));
  const plyThickness = sum((l) => (l.material.kind === 'fabric' ? l.thickness : 0));
  const fibreVolume = sum((l) => l.components.reduce((v, c) => v + c.thickness * c.fibreVolumeFraction, 0));
  const evaluation: ZoneEvaluation = {
    zoneId: zone.id,
    layers: laid,
    thickness: sum((l) => l.thickness),
    dryArealWeight: fibre,
    resinArealWeight: sum((l) => l.resinMass),
    laminatedArealWeight: sum((l) => l.fibreMass + l.bindingMass + l.resinMass + l.coreMass + l.coatingMass),
    cost: laid.reduce<number | null>((total, l) => (total === null || l.cost === null ? null : total + l.cost), 0),
    fibreWeightFraction: fibre > 0 ? fibre / (fibre + plyResin) : 0,
    fibreVolumeFraction: plyThickness > 0 ? fibreVolume / plyThickness : 0,
    stiffness: null,
    construction: null,
    pressure: null,
    checks: [],
    notChecked: [],
    governing: null,
    origin: weakestOrigin(book, laid),
    problem: null,
  };
  try {
    const result = checkIn(boat, zone, book, laid);
    return { ...evaluation, ...result, governing: least(result.checks), stiffness: laminateStiffness(pliesOf(book, laid)) };
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return { ...evaluation, problem: error.message };
  }
}

/**
 * Least and greatest governing reserve factor of a zone over the scatter of the process: fibre weight fraction as planned and ± 2 standard deviations.
 *
 * @returns null when nothing can be checked. It is a band from scatter of fibre fraction alone, no bound on strength.
 * @example reserveBand(boat, hull, keelBand) // [1.38, 1.43]
 */
export function reserveBand(boat: Boat, part: Part, zone: Zone): [number, number] | null {
  const scatter = 2 * PROCESSES[boat.brief.process].scatter;
  try {
    const reserves = [-scatter, 0, scatter].map((shift) => {
      const book = bookOf(boat, shift);
      return least(checkIn(boat, zone, book, layAll(book, part, zone)).checks)?.reserveFactor ?? NaN;
    });
    return reserves.some(Number.isNaN) ? null : [Math.min(...reserves), Math.max(...reserves)];
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return null;
  }
}

/** The plies of a zone for lamination theory, coatings left out. */
export function pliesOfZone(boat: Boat, part: Part, zone: Zone): Ply[] {
  const book = bookOf(boat, 0);
  return pliesOf(book, layAll(book, part, zone));
}

/** The reserve factor the boat's posture asks for. */
export const targetOf = (boat: Boat) => POSTURES[boat.brief.posture].target;

/** Record the working of a zone by one of the boat's packs: calls `trace` for every step, and for the result of each check. */
export function traceZone(boat: Boat, part: Part, zone: Zone, trace: Trace, packId = boat.packs[0]!.id): void {
  const book = bookOf(boat, 0);
  const laid = layAll(book, part, zone);
  for (const { material } of laid.filter((l, i) => l.material.kind === 'fabric' && laid.findIndex((other) => other.material === l.material) === i))
    layFabric(material as Fabric, book.fibres, book.resin, book.process, 0, (step) =>
      trace('laminate', { ...step, quantity: `${(material as Fabric | Coating).code}: ${step.quantity.toLowerCase()}` }),
    );
  checkIn(boat, zone, book, laid, trace, packId);
}
