import {
  failureOf,
  laminateResponse,
  laminateStiffness,
  transverseShear,
  type Criterion,
  type LaminateFailure,
  type LaminateResponse,
  type LaminateStiffness,
  type Matrix3,
  type Ply,
} from '../laminate';
import { curvatureFactor, isHead, panelCoefficients, panelPressure, stretchedSide } from '../standard';
import { craftOf, methodOf, type Boat, type Part, type Zone, type ZoneLoad } from '../document';
import { bookOf, layAll } from './book';
import { designStack } from './designStack';
import { sandwichChecks, type SandwichCheck } from './sandwichChecks';

/** A zone's laminate under its load, to the first ply that fails. */
export interface StackAnalysis {
  /** With the design strengths of the boat's knock-downs, mould face first. */
  plies: Ply[];
  /** For each ply the layer it belongs to, an index into the part's laying order. */
  layerOf: number[];
  load: ZoneLoad;
  /** Given for the zone, or derived from the pack's pressure on its mould face, or on its inner face. */
  loadSource: 'given' | 'pressure' | 'pressureInside';
  /** Every load it must bear: a head of water may press from either face, and `load` is the one that leaves less. */
  loads: readonly ZoneLoad[];
  stiffness: LaminateStiffness;
  /** N/m */
  shear: { A44: number; A55: number };
  response: LaminateResponse;
  /** First-ply failure by the chosen criterion, ply by ply. */
  failure: LaminateFailure;
  sandwich: SandwichCheck[] | null;
}

/**
 * Load that the pack's pressure puts on the laminate at the middle of the panel's long edge: moment across the short
 * side, and shear.
 *
 * @param D bending stiffness of the laminate (N m): one that is stiffer across the panel takes more of it.
 */
function pressureLoad(boat: Boat, part: Part, zone: Zone, D: Matrix3): ZoneLoad {
  const construction = layAll(bookOf(boat, 0), part, zone).some(({ material }) => material.kind === 'core')
    ? 'sandwich'
    : 'single';
  const { pressure } = panelPressure(
    {
      craft: craftOf(boat.brief),
      location: zone.location,
      geometry: zone.geometry,
      construction,
      typed: zone.designPressure,
      overflow: zone.overflow,
    },
    undefined,
    methodOf(boat),
  );
  const { panelBreadth, panelLength, crown } = zone.geometry;
  const b = Math.min(panelBreadth, panelLength);
  const [long, across, along] =
    panelBreadth <= panelLength ? [panelLength, D[1][1], D[0][0]] : [panelBreadth, D[0][0], D[1][1]];
  const { k2, kSHC } = panelCoefficients(b, stretchedSide({ longSide: long, stiffness: { across, along } }));
  const kC = curvatureFactor(crown, b);
  // Pressure from outside pulls the mould face over the support: a negative moment, z running inward.
  const moment = -(kC ** 2 * k2 * pressure * b ** 2) / 6;
  return {
    N: [0, 0, 0],
    M: panelBreadth <= panelLength ? [0, moment, 0] : [moment, 0, 0],
    V: Math.sqrt(kC) * kSHC * pressure * b,
  };
}

/** The same pressure from the other face. */
const fromInside = ({ N, M, V }: ZoneLoad): ZoneLoad => ({ N, M: [0 - M[0], 0 - M[1], 0 - M[2]], V });

/** Of the local limits under several loads each where it is nearest. */
const leastOfEach = (found: readonly (SandwichCheck[] | null)[]): SandwichCheck[] | null =>
  found.reduce((low, other) =>
    low && other ? low.map((one, i) => (other[i]!.reserveFactor < one.reserveFactor ? other[i]! : one)) : low,
  );

/**
 * A zone's laminate under its load: stiffness, ply stresses, first-ply failure by one criterion with design strengths,
 * transverse shear and the local limits of a sandwich. A boundary under a head of water is pressed from either face:
 * the load and its plies are those that fail first, each local limit is given where it is nearest.
 *
 * @throws KeramosError `invalid` that names the layer for an empty zone, a core alone, a core without a skin.
 * @example analyseStack(boat, hull, bottom, 'tsaiWu').failure.reserveFactor
 * Source: docs/engineering.md, "Laminate".
 */
export function analyseStack(boat: Boat, part: Part, zone: Zone, criterion: Criterion): StackAnalysis {
  const { plies, layerOf, cores } = designStack(boat, part, zone);
  const { coreStrengthFactor } = methodOf(boat);
  const stiffness = laminateStiffness(plies);
  const shear = transverseShear(plies);
  const load = zone.load ?? pressureLoad(boat, part, zone, stiffness.D);
  const loads = zone.load === null && isHead(zone.location) ? [load, fromInside(load)] : [load];
  const under = loads.map((one, i) => {
    const response = laminateResponse(plies, one, undefined, stiffness);
    return {
      load: one,
      pressed: i === 0 ? ('pressure' as const) : ('pressureInside' as const),
      response,
      failure: failureOf(plies, response.plies, criterion),
      sandwich: sandwichChecks({ plies, cores, response, load: one, shear }, coreStrengthFactor),
    };
  });
  // From the inner face only where that is more than rounding.
  const { pressed, ...worst } = under.reduce((low, one) =>
    one.failure.reserveFactor < low.failure.reserveFactor * (1 - 1e-9) ? one : low,
  );
  const sandwich = leastOfEach(under.map((one) => one.sandwich));
  return { plies, layerOf, loads, loadSource: zone.load ? 'given' : pressed, stiffness, shear, ...worst, sandwich };
}
