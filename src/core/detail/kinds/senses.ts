import type { ZoneLocation } from '../../standard';
import type { DetailOf } from './schema';

/** Which way off the outer face a force out of the zone's plane points: up, outboard or forward being positive. */
const OUTWARD: Partial<Record<ZoneLocation, 1 | -1>> = {
  bottom: -1,
  transom: -1,
  side: 1,
  deck: 1,
  cockpitSole: 1,
  liner: 1,
  superstructureTop: 1,
  superstructureSide: 1,
  superstructureSideWalking: 1,
  superstructureFront: 1,
  superstructureAft: -1,
};

/**
 * What pulls a fitting or a joint off its laminate and what presses it on (N, without factor), by the face that it is
 * on. One whose face is not said, or that stands on a surface without an outer face, is pulled and pressed in turn.
 */
export function sensesOf(
  location: ZoneLocation,
  face: DetailOf<'bolted'>['face'],
  normal: number,
): { pulling: number; pressing: number } {
  const outward = OUTWARD[location];
  if (face === 'either' || outward === undefined) return { pulling: Math.abs(normal), pressing: Math.abs(normal) };
  const off = normal * outward * (face === 'outer' ? 1 : -1);
  return { pulling: Math.max(0, off), pressing: Math.max(0, -off) };
}
