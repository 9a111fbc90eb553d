import { invalid } from '../error';
import {
  CRITERIA,
  failureOf,
  inPlaneCompliance,
  laminateResponse,
  laminateStiffness,
  polarModulus,
  progressiveFailure,
  sandwichLimits,
  thermalResponse,
  transverseShear,
  type Criterion,
  type LaminateFailure,
  type LaminateResponse,
  type LaminateStiffness,
  type Ply,
  type Vector3,
} from '../laminate';
import { knockDownChain, PROCESSES, type Core, type Fabric } from '../material';
import { curvatureFactor, panelCoefficients, panelPressure, type SmallCraftPack } from '../standard';
import { type Boat, type Part, type Zone, craftOf, methodOf, type ZoneLoad } from '../document';
import { bookOf, layAll, pliesOf, remembered, type Book, type LaidLayer } from './book';

/** A local limit of the sandwich: what is there against what it bears. */
export interface SandwichCheck {
  id: 'wrinklingOuter' | 'wrinklingInner' | 'dimpling' | 'crimping' | 'coreShear';
  name: string;
  demand: number;
  capacity: number;
  unit: 'Pa' | 'N/m';
  /** Infinity when nothing loads it. */
  reserveFactor: number;
}

/**
 * Rise at the middle of a free metre along x and across, lift at the corner of a square metre (m), and the cool-down
 * (K).
 */
export interface Warp {
  along: number;
  across: number;
  twist: number;
  coolDown: number;
}

export interface ZoneAnalysis {
  /** With the design strengths of the boat's knock-downs, mould face first. */
  plies: Ply[];
  /** For each ply the layer it belongs to, an index into the part's laying order. */
  layerOf: number[];
  load: ZoneLoad;
  /** Given for the zone, or derived from the pack's pressure. */
  loadSource: 'given' | 'pressure';
  stiffness: LaminateStiffness;
  /** N/m */
  shear: { A44: number; A55: number };
  /** Modulus in the plane held flat, by direction (Pa). */
  polar: { angleDeg: number; modulus: number }[];
  response: LaminateResponse;
  /** First-ply failure by the chosen criterion, ply by ply. */
  failure: LaminateFailure;
  /** First and last ply by every criterion. */
  criteria: { criterion: Criterion; first: number; last: number }[];
  /** Rise over one metre along x, along y, and twist, after cooling from the process's peak (m). */
  warp: Warp | null;
  sandwich: SandwichCheck[] | null;
}

const ROOM_CELSIUS = 20;

/**
 * Load that the pack's pressure puts on the laminate at the middle of the panel's long edge: moment across the short
 * side, and shear.
 */
export function pressureLoad(boat: Boat, part: Part, zone: Zone): ZoneLoad {
  const construction = layAll(bookOf(boat, 0), part, zone).some(({ material }) => material.kind === 'core')
    ? 'sandwich'
    : 'single';
  const { pressure } = panelPressure(
    { craft: craftOf(boat.brief), location: zone.location, geometry: zone.geometry, construction },
    undefined,
    methodOf(boat),
  );
  const { panelBreadth, panelLength, crown } = zone.geometry;
  const b = Math.min(panelBreadth, panelLength);
  const { k2, kSHC } = panelCoefficients(panelBreadth, panelLength);
  const kC = curvatureFactor(crown, b);
  // Pressure from outside pulls the mould face over the support: a negative moment, z running inward.
  const moment = -(kC ** 2 * k2 * pressure * b ** 2) / 6;
  return {
    N: [0, 0, 0],
    M: panelBreadth <= panelLength ? [0, moment, 0] : [moment, 0, 0],
    V: Math.sqrt(kC) * kSHC * pressure * b,
  };
}

/** How a free laminate warps when it cools from the process's peak to the room. */
export function warpOf(boat: Boat, plies: readonly Ply[], stiffness: LaminateStiffness): Warp {
  const coolDown = PROCESSES[boat.brief.process].peakCelsius - ROOM_CELSIUS;
  const { curvature } = thermalResponse(plies, { temperatureChange: -coolDown }, stiffness);
  // Bent to a curvature κ a metre rises κ/8 at its middle; a twist lifts a corner by κ/4.
  return { along: curvature[0] / 8, across: curvature[1] / 8, twist: curvature[2] / 4, coolDown };
}

/** The plies with design strengths: mean strengths through the boat's chain of knock-downs. */
function designPlies(boat: Boat, book: Book, laid: readonly LaidLayer[]): Ply[][] {
  const { knockDowns } = boat.brief;
  const key = JSON.stringify(knockDowns);
  return laid.map((one) => {
    if (one.material.kind !== 'fabric') return pliesOf(book, [one]);
    const fabric: Fabric = one.material;
    return remembered(book.design, `${fabric.id}|${one.layer.angleDeg}|${key}`, () =>
      one.components.flatMap((component, i) => {
        const { factor } = knockDownChain(
          fabric.components[i]!,
          { fibre: component.fibre, resin: book.resin, process: book.process },
          knockDowns,
        );
        return component.plies.map((ply) => {
          const { Xt, Xc, Yt, Yc, S } = ply.strength!;
          return {
            ...ply,
            angleDeg: ply.angleDeg + one.layer.angleDeg,
            strength: { Xt: Xt * factor, Xc: Xc * factor, Yt: Yt * factor, Yc: Yc * factor, S: S * factor },
          };
        });
      }),
    );
  });
}

/** Coatings, sacrificial layers and what comes off again carry nothing. */
const carries = ({ material, layer }: LaidLayer) => material.kind !== 'coating' && layer.role === 'structure';

/**
 * A zone's plies with design strengths, the layer each belongs to, and its cores.
 * @throws KeramosError `invalid` that names the layer for an empty zone, a core alone, a core without a skin.
 */
export function designStack(boat: Boat, part: Part, zone: Zone): { plies: Ply[]; layerOf: number[]; cores: Core[] } {
  const book = bookOf(boat, 0);
  const laid = layAll(book, part, zone).filter(carries);
  if (laid.length === 0) throw invalid('layers', `No layer covers ${zone.name} yet: cover it with at least one fabric`);
  const isCore = ({ material }: LaidLayer) => material.kind === 'core';
  const core = laid.find(isCore);
  if (core && isCore(laid[0]!))
    throw invalid(
      'layers',
      `Layer ${core.index + 1} (${core.material.code}) is a core with no skin on the mould side of ${zone.name}`,
    );
  const lastCore = laid.findLast(isCore);
  if (lastCore && isCore(laid.at(-1)!))
    throw invalid(
      'layers',
      `Layer ${lastCore.index + 1} (${lastCore.material.code}) is a core with no inner skin in ${zone.name}`,
    );
  const perLayer = designPlies(boat, book, laid);
  return {
    plies: perLayer.flat(),
    layerOf: perLayer.flatMap((some, i) => some.map(() => laid[i]!.index)),
    cores: laid.flatMap(({ material }) => (material.kind === 'core' ? [material] : [])),
  };
}

/** Plies of any laid layers with the boat's design strengths. */
export const designPliesOf = (boat: Boat, book: Book, laid: readonly LaidLayer[]): Ply[] =>
  designPlies(boat, book, laid.filter(carries)).flat();

/** Mean stress along x and y in a run of plies, from their faces (Pa), and its modulus in both directions. */
function skinOf(plies: readonly Ply[], response: LaminateResponse, from: number, to: number) {
  const run = plies.slice(from, to);
  const thickness = run.reduce((sum, ply) => sum + ply.thickness, 0);
  const mean = (axis: 0 | 1) =>
    run.reduce(
      (sum, ply, i) =>
        sum +
        ((response.plies[from + i]!.bottom.stress[axis] + response.plies[from + i]!.top.stress[axis]) / 2) *
          ply.thickness,
      0,
    ) / thickness;
  const { membrane } = laminateStiffness(run);
  return { thickness, stress: [mean(0), mean(1)] as const, modulus: [membrane.Ex, membrane.Ey] as const };
}

/** A sandwich under its load, as its local limits are asked of it. */
export interface LoadedSandwich {
  plies: readonly Ply[];
  cores: readonly Core[];
  response: LaminateResponse;
  load: ZoneLoad;
  shear: ZoneAnalysis['shear'];
}

/** Local limits of a sandwich: wrinkling, crimping, core shear, dimpling; null where there is no core. */
export function sandwichChecks(
  { plies, cores, response, load, shear }: LoadedSandwich,
  coreStrengthFactor: SmallCraftPack['coreStrengthFactor'],
): SandwichCheck[] | null {
  const first = plies.findIndex((ply) => ply.role === 'core');
  if (first < 0) return null;
  const last = plies.findLastIndex((ply) => ply.role === 'core');
  const weakest = cores.reduce((a, b) => (b.shearStrength.value < a.shearStrength.value ? b : a));
  const outer = skinOf(plies, response, 0, first);
  const inner = skinOf(plies, response, last + 1, plies.length);
  const coreThickness = plies.slice(first, last + 1).reduce((sum, ply) => sum + ply.thickness, 0);
  const limits = (skin: typeof outer, axis: 0 | 1) =>
    sandwichLimits({
      faceModulus: skin.modulus[axis],
      faceThickness: skin.thickness,
      coreThickness,
      coreModulus: weakest.compressiveModulus.value,
      coreShearModulus: weakest.shearModulus.value,
      ...(weakest.cellSize === null ? {} : { cellSize: weakest.cellSize }),
    });
  const check = (asked: Omit<SandwichCheck, 'reserveFactor'>): SandwichCheck => ({
    ...asked,
    reserveFactor: asked.demand > 0 ? asked.capacity / asked.demand : Infinity,
  });
  /** The axis along which the skin is pressed hardest against its limit. */
  const worst = (skin: typeof outer, capacity: (axis: 0 | 1) => number) =>
    ([0, 1] as const)
      .map((axis) => ({ demand: Math.max(0, -skin.stress[axis]), capacity: capacity(axis) }))
      .reduce((a, b) => (b.demand / b.capacity > a.demand / a.capacity ? b : a));

  const [o, i] = [
    worst(outer, (axis) => limits(outer, axis).wrinklingStressDesign),
    worst(inner, (axis) => limits(inner, axis).wrinklingStressDesign),
  ];
  const distance = coreThickness + (outer.thickness + inner.thickness) / 2;
  const checks = [
    check({
      id: 'wrinklingOuter',
      name: 'Wrinkling of the outer skin',
      demand: o.demand,
      capacity: o.capacity,
      unit: 'Pa',
    }),
    check({
      id: 'wrinklingInner',
      name: 'Wrinkling of the inner skin',
      demand: i.demand,
      capacity: i.capacity,
      unit: 'Pa',
    }),
    check({
      id: 'crimping',
      name: 'Shear crimping',
      demand: Math.max(0, -load.N[0], -load.N[1]),
      capacity: Math.min(shear.A44, shear.A55),
      unit: 'N/m',
    }),
    check({
      id: 'coreShear',
      name: `Shear of ${weakest.code}`,
      demand: load.V / distance,
      capacity: coreStrengthFactor[weakest.behaviour] * weakest.shearStrength.value,
      unit: 'Pa',
    }),
  ];
  if (weakest.cellSize !== null) {
    const d = [
      worst(outer, (axis) => limits(outer, axis).dimplingStress!),
      worst(inner, (axis) => limits(inner, axis).dimplingStress!),
    ].reduce((a, b) => (b.demand / b.capacity > a.demand / a.capacity ? b : a));
    checks.push(
      check({ id: 'dimpling', name: 'Dimpling between cells', demand: d.demand, capacity: d.capacity, unit: 'Pa' }),
    );
  }
  return checks;
}

export interface AnalysisOptions {
  /** Of the ply-by-ply result. */
  criterion: Criterion;
  /** False leaves out last-ply failure, the polar and the warp (for many stacks in a row). */
  full?: boolean;
}

/**
 * Laminate analysis of a zone: stiffness, ply stresses under its load, failure by every criterion with design
 * strengths, warp, transverse shear and the local limits of a sandwich.
 *
 * @throws KeramosError `invalid` that names the layer for an empty zone, a core alone, a core without a skin.
 * @example analyseZone(boat, hull, bottom, { criterion: 'tsaiWu' }).failure.reserveFactor
 * Source: docs/engineering.md, "Laminate".
 */
export function analyseZone(boat: Boat, part: Part, zone: Zone, options: AnalysisOptions): ZoneAnalysis {
  const { criterion, full = true } = options;
  const { plies, layerOf, cores } = designStack(boat, part, zone);
  const load = zone.load ?? pressureLoad(boat, part, zone);
  const stiffness = laminateStiffness(plies);
  const shear = transverseShear(plies);
  const response = laminateResponse(plies, load, undefined, stiffness);
  const failure = failureOf(plies, response.plies, criterion);
  const sandwich = sandwichChecks({ plies, cores, response, load, shear }, methodOf(boat).coreStrengthFactor);
  const base = {
    plies,
    layerOf,
    load,
    loadSource: zone.load ? ('given' as const) : ('pressure' as const),
    stiffness,
    shear,
    response,
    failure,
    sandwich,
  };
  if (!full) return { ...base, polar: [], criteria: [], warp: null };
  return {
    ...base,
    warp: warpOf(boat, plies, stiffness),
    polar: polarModulus(inPlaneCompliance(stiffness.A), stiffness.thickness),
    criteria: (Object.keys(CRITERIA) as Criterion[]).map((id) => {
      const { firstPly, lastPly } = progressiveFailure(plies, load, id);
      return { criterion: id, first: firstPly, last: lastPly };
    }),
  };
}

/**
 * Strain and stress through the thickness in a direction of the laminate or of the plies, for a chart: two points a
 * ply, z from the mould face (m).
 */
export function throughThickness(
  { plies, response }: Pick<ZoneAnalysis, 'plies' | 'response'>,
  quantity: 'strain' | 'stress' | 'materialStrain' | 'materialStress',
  component: 0 | 1 | 2,
) {
  let z = 0;
  return plies.flatMap((ply, i) => {
    const at: Vector3[] = [response.plies[i]!.bottom[quantity], response.plies[i]!.top[quantity]];
    const points = at.map((vector, face) => ({ z: z + face * ply.thickness, value: vector[component], ply: i }));
    z += ply.thickness;
    return points;
  });
}
