import {
  boltGroupShear,
  boltJoint,
  pullThrough,
  tippedBolts,
  type ActingLoad,
  type BoltJoint,
  type BoltJointInput,
  type BoltPlace,
} from '../..';
import type { LaidLayer } from '../../../evaluate';
import { sensesOf } from '../senses';
import { memberAlong, OPEN_HOLE, PUNCHING_STRENGTH, type Scene } from '../scene';
import type { DetailOf } from '../schema';
import type { BoltedGround } from './ground';

const centreOf = (bolts: readonly (readonly [number, number])[]): [number, number] => [
  bolts.reduce((sum, [x]) => sum + x, 0) / bolts.length,
  bolts.reduce((sum, [, y]) => sum + y, 0) / bolts.length,
];

/** Strengths of a joint (Pa), in the direction of a bolt's force. */
type JointStrength = Pick<BoltJointInput, 'bearingStrength' | 'tensionStrength' | 'shearStrength'>;

/** Strengths of what is drilled, in a direction: bolts of a group that is turned push each its own way. */
function strengthAlong({ book }: Scene, laid: readonly LaidLayer[], directionDeg: number): JointStrength {
  const along = memberAlong(book, laid, directionDeg);
  return {
    bearingStrength: along.compressiveStrength,
    tensionStrength: OPEN_HOLE * along.tensileStrength,
    shearStrength: along.shearStrength,
  };
}

/**
 * How far a bolt's hole is from the next edge that its force pushes towards, as an edge distance (m): of the laminate,
 * or of another hole that stands in its way, from whose rim it is counted.
 */
function edgeBefore(
  { bolts, boltDiameter: d, edgeDistance }: DetailOf<'bolted'>,
  [x, y]: BoltPlace,
  force: readonly [number, number],
): number {
  const size = Math.hypot(...force);
  if (size < 1e-9) return edgeDistance;
  const [u, v] = [force[0] / size, force[1] / size];
  const ahead = bolts.flatMap(([p, q]) => {
    const [along, beside] = [(p - x) * u + (q - y) * v, (q - y) * u - (p - x) * v];
    return along > d && Math.abs(beside) < d ? [along - d / 2] : [];
  });
  return Math.min(edgeDistance, ...ahead);
}

/** Of several bolts each way to fail where it is nearest: stress and strength (Pa). */
function weakestJoint(bolts: readonly { own: JointStrength; stress: BoltJoint }[]) {
  const nearest = (way: BoltJoint['governs'], strength: keyof JointStrength) => {
    const low = bolts.reduce((a, b) => (b.stress[way].reserveFactor < a.stress[way].reserveFactor ? b : a));
    return { stress: low.stress[way].stress, strength: low.own[strength] };
  };
  return {
    bearing: nearest('bearing', 'bearingStrength'),
    netTension: nearest('netTension', 'tensionStrength'),
    shearOut: nearest('shearOut', 'shearStrength'),
  };
}

/** Share by which a base that bends adds to the pull of a bolt, its edge bearing behind the bolt. */
const PRYING = 0.3;

/**
 * What force and moment do at the bolts, load factor included: shear and pull of each (N), stresses of the joint and
 * under the washer (Pa).
 *
 * Source: bolt.groupShear, bolt.groupTension, bolt.joint, bolt.pullThrough.
 */
export function boltedActions(scene: Scene, detail: DetailOf<'bolted'>, ground: BoltedGround, load: ActingLoad) {
  const { zone, inPlane, normal, factor } = scene;
  const { bolts, boltDiameter: d, base, edgeDistance } = detail;
  const { thickness, underWasher } = ground;
  const [along, across] = load.off;
  const middle = centreOf(bolts);
  const shear = boltGroupShear(
    bolts,
    [inPlane[0] * factor, inPlane[1] * factor],
    [middle[0] + along, middle[1] + across],
  );
  const { pulling, pressing } = sensesOf(zone.location, detail.face, normal);
  // Height turns the force in the plane, distance off the middle the force out of it; their signs may add.
  const moment: [number, number] = [
    (Math.abs(inPlane[0]) * load.arm + Math.abs(normal * along)) * factor,
    (Math.abs(inPlane[1]) * load.arm + Math.abs(normal * across)) * factor,
  ];
  const tension = tippedBolts(bolts, base, pulling * factor, moment);
  const pull = Math.max(0, tension.max) * (detail.baseOf === 'bends' ? 1 + PRYING : 1);
  const pitches = bolts.flatMap((one, i) =>
    bolts.slice(i + 1).map((other) => Math.hypot(one[0] - other[0], one[1] - other[1])),
  );
  const width = Math.min(...(pitches.length ? pitches : [base[1]]), 2 * edgeDistance);
  const joint = weakestJoint(
    ground.bearing.flatMap(({ laid, thickness: bears }) =>
      shear.forces.map(([x, y], i) => {
        const own = strengthAlong(scene, laid, (Math.atan2(y, x) * 180) / Math.PI);
        const given = { load: Math.max(Math.hypot(x, y), 1e-6), boltDiameter: d, boltCount: 1, width };
        const edge = edgeBefore(detail, bolts[i]!, [x, y]);
        return { own, stress: boltJoint({ ...given, ...own, edgeDistance: edge, thickness: bears }) };
      }),
    ),
  );
  const spread = detail.plate
    ? Math.min(detail.plate.breadth, detail.washerDiameter + 4 * detail.plate.thickness)
    : detail.washerDiameter;
  const under = pullThrough({
    load: Math.max(pull, 1e-6),
    washerDiameter: spread,
    thickness,
    shearStrength: PUNCHING_STRENGTH,
    compressiveStrength: underWasher,
    holeDiameter: d,
  });
  return { shear, tension, pull, pulling, pressing, moment, joint, spread, under };
}
export type BoltedActions = ReturnType<typeof boltedActions>;
