import { invalid } from '../error';
import { saidLength } from '../quantity';

export interface BoltJointInput {
  /** N, on the whole row. */
  load: number;
  boltDiameter: number;
  boltCount: number;
  /** m, across the load; the row lies in it. */
  width: number;
  /** m, from the hole's centre in the direction of the load. */
  edgeDistance: number;
  thickness: number;
  bearingStrength: number;
  tensionStrength: number;
  shearStrength: number;
}
export interface StressReserve {
  stress: number;
  reserveFactor: number;
}
export interface BoltJoint {
  bearing: StressReserve;
  netTension: StressReserve;
  shearOut: StressReserve;
  governs: 'bearing' | 'netTension' | 'shearOut';
}

/**
 * A row of bolts in shear in a laminate: nominal stresses in bearing, in the net section, and on the two planes out
 * to the edge.
 *
 * SI: N, m, Pa. Holes as wide as the bolts; shear-out on two planes of length edgeDistance − boltDiameter/2.
 * @throws KeramosError `invalid` when the holes leave no width, or stand less than one diameter from the edge.
 * @example boltJoint({ load: 8000, boltDiameter: 0.012, boltCount: 1, width: 0.06, edgeDistance: 0.015, … }).governs
 * // 'shearOut'
 * Source: nominal stresses of bolted joints in composites, e.g. Agarwal & Broutman, ch. 8.
 */
export function boltJoint({
  load,
  boltDiameter: d,
  boltCount,
  width,
  edgeDistance,
  thickness,
  bearingStrength,
  tensionStrength,
  shearStrength,
}: BoltJointInput): BoltJoint {
  if (edgeDistance < d)
    throw invalid(
      'edgeDistance',
      `The edge is ${saidLength(edgeDistance)} from the hole, less than one bolt diameter of ${saidLength(d)}`,
      { given: edgeDistance, minimum: d },
    );
  const net = width - boltCount * d;
  if (net <= 0)
    throw invalid('width', `${boltCount} holes of ${saidLength(d)} leave nothing of a width of ${saidLength(width)}`, {
      given: width,
      minimum: boltCount * d,
    });
  const reserve = (stress: number, strength: number): StressReserve => ({ stress, reserveFactor: strength / stress });
  const bearing = reserve(load / (boltCount * d * thickness), bearingStrength);
  const netTension = reserve(load / (net * thickness), tensionStrength);
  const shearOut = reserve(load / (boltCount * 2 * (edgeDistance - d / 2) * thickness), shearStrength);
  const all = { bearing, netTension, shearOut };
  const governs = (Object.keys(all) as BoltJoint['governs'][]).reduce((low, key) =>
    all[key].reserveFactor < all[low].reserveFactor ? key : low,
  );
  return { ...all, governs };
}
