import { boltGroupShear, boltJoint, pullThrough, tippedBolts, type ActingLoad } from '../..';
import { sensesOf } from '../senses';
import { OPEN_HOLE, PUNCHING_STRENGTH, type Scene } from '../scene';
import type { DetailOf } from '../schema';
import type { BoltedGround } from './ground';

const centreOf = (bolts: readonly (readonly [number, number])[]): [number, number] => [
  bolts.reduce((sum, [x]) => sum + x, 0) / bolts.length,
  bolts.reduce((sum, [, y]) => sum + y, 0) / bolts.length,
];

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
  const { member, thickness, underWasher } = ground;
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
  const joint = boltJoint({
    load: Math.max(shear.max, 1e-6),
    boltDiameter: d,
    boltCount: 1,
    width,
    edgeDistance,
    thickness,
    bearingStrength: member.compressiveStrength,
    tensionStrength: OPEN_HOLE * member.tensileStrength,
    shearStrength: member.shearStrength,
  });
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
