import { boltGroupShear, boltGroupTension, boltJoint, pullThrough, type ActingLoad } from '../..';
import { OPEN_HOLE, PUNCHING_STRENGTH, type Scene } from '../scene';
import type { DetailOf } from '../schema';
import type { BoltedGround } from './ground';

const centreOf = (bolts: readonly (readonly [number, number])[]): [number, number] => [
  bolts.reduce((sum, [x]) => sum + x, 0) / bolts.length,
  bolts.reduce((sum, [, y]) => sum + y, 0) / bolts.length,
];

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
  const shear = boltGroupShear(bolts, [inPlane[0] * factor, inPlane[1] * factor], centreOf(bolts));
  const overturn: [number, number] = [inPlane[1] * load.arm * factor, inPlane[0] * load.arm * factor];
  // Off the laminate pulls; onto it presses, except on upright faces, where a fitting is pushed and pulled in turn.
  const upright = zone.location === 'transom' || zone.location === 'bulkhead' || zone.location === 'collisionBulkhead';
  const pulling = upright ? Math.abs(normal) : Math.max(0, normal);
  const pressing = upright ? 0 : Math.max(0, -normal);
  const tension = boltGroupTension(bolts, pulling * factor, [Math.abs(overturn[0]), Math.abs(overturn[1])]);
  const pull = Math.max(0, tension.max);
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
  return { shear, tension, pull, pressing, joint, spread, under };
}
export type BoltedActions = ReturnType<typeof boltedActions>;
