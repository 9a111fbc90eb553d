import {
  failureOf,
  laminateResponse,
  laminateStiffness,
  transverseShear,
  type Criterion,
  type LaminateFailure,
  type LaminateResponse,
  type LaminateStiffness,
  type Ply,
} from '../laminate';
import { curvatureFactor, panelCoefficients, panelPressure } from '../standard';
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
  /** Given for the zone, or derived from the pack's pressure. */
  loadSource: 'given' | 'pressure';
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
 */
export function pressureLoad(boat: Boat, part: Part, zone: Zone): ZoneLoad {
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

/**
 * A zone's laminate under its load: stiffness, ply stresses, first-ply failure by one criterion with design strengths,
 * transverse shear and the local limits of a sandwich.
 *
 * @throws KeramosError `invalid` that names the layer for an empty zone, a core alone, a core without a skin.
 * @example analyseStack(boat, hull, bottom, 'tsaiWu').failure.reserveFactor
 * Source: docs/engineering.md, "Laminate".
 */
export function analyseStack(boat: Boat, part: Part, zone: Zone, criterion: Criterion): StackAnalysis {
  const { plies, layerOf, cores } = designStack(boat, part, zone);
  const load = zone.load ?? pressureLoad(boat, part, zone);
  const stiffness = laminateStiffness(plies);
  const shear = transverseShear(plies);
  const response = laminateResponse(plies, load, undefined, stiffness);
  return {
    plies,
    layerOf,
    load,
    loadSource: zone.load ? 'given' : 'pressure',
    stiffness,
    shear,
    response,
    failure: failureOf(plies, response.plies, criterion),
    sandwich: sandwichChecks({ plies, cores, response, load, shear }, methodOf(boat).coreStrengthFactor),
  };
}
