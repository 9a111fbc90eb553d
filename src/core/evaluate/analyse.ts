import {
  CRITERIA,
  inPlaneCompliance,
  polarModulus,
  progressiveFailure,
  thermalResponse,
  type Criterion,
  type LaminateStiffness,
  type Ply,
  type Vector3,
} from '../laminate';
import { PROCESSES } from '../material';
import type { Boat, Part, Zone } from '../document';
import { analyseStack, type StackAnalysis } from './analyseStack';
import { panelBuckling, type PanelBuckling } from './panelBuckling';

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

export interface ZoneAnalysis extends StackAnalysis {
  /** Modulus in the plane held flat, by direction (Pa). */
  polar: { angleDeg: number; modulus: number }[];
  /** First and last ply by every criterion. */
  criteria: { criterion: Criterion; first: number; last: number }[];
  warp: Warp;
  /** Of the panels under a given load that presses them in their plane; null where none does. */
  buckling: PanelBuckling | null;
}

const ROOM_CELSIUS = 20;

/** How a free laminate warps when it cools from the process's peak to the room. */
export function warpOf(boat: Boat, plies: readonly Ply[], stiffness: LaminateStiffness): Warp {
  const coolDown = PROCESSES[boat.brief.process].peakCelsius - ROOM_CELSIUS;
  const { curvature } = thermalResponse(plies, { temperatureChange: -coolDown }, stiffness);
  // Bent to a curvature κ a metre rises κ/8 at its middle; a twist lifts a corner by κ/4.
  return { along: curvature[0] / 8, across: curvature[1] / 8, twist: curvature[2] / 4, coolDown };
}

/**
 * Laminate analysis of a zone: what {@link analyseStack} finds, with first and last ply by every criterion, modulus by
 * direction, and warp.
 *
 * @throws KeramosError as analyseStack does.
 * @example analyseZone(boat, hull, bottom, 'tsaiWu').criteria // first and last ply by each
 * Source: docs/engineering.md, "Laminate".
 */
export function analyseZone(boat: Boat, part: Part, zone: Zone, criterion: Criterion): ZoneAnalysis {
  const stack = analyseStack(boat, part, zone, criterion);
  const { plies, loads, stiffness } = stack;
  return {
    ...stack,
    buckling: zone.load && panelBuckling(boat, part, zone, zone.load.N),
    warp: warpOf(boat, plies, stiffness),
    polar: polarModulus(inPlaneCompliance(stiffness.A), stiffness.thickness),
    criteria: (Object.keys(CRITERIA) as Criterion[]).map((id) => {
      const found = loads.map((load) => progressiveFailure(plies, load, id));
      return {
        criterion: id,
        first: Math.min(...found.map(({ firstPly }) => firstPly)),
        last: Math.min(...found.map(({ lastPly }) => lastPly)),
      };
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
