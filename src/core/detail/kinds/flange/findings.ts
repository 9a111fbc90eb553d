import { bondAllowed, BOND_FACTOR } from '../../../material';
import { invalid } from '../../../error';
import { boltJoint, boltStrength, lapJoint, lapPeel } from '../..';
import { said, saidLength } from '../../../quantity';
import {
  addMass,
  check,
  memberAlong,
  need,
  NO_MASS,
  OPEN_HOLE,
  THROUGH_STRENGTH,
  preparationSteps,
  type Findings,
  type Scene,
} from '../scene';
import type { DetailOf } from '../schema';
import { lineLoadOf } from '../lineLoad';

/**
 * Hull-to-deck joint: adhesive over the flange in shear and peel, and fasteners that alone would hold it. Source:
 * joint.lap (Volkersen), lapPeel (Goland and Reissner), bolt.joint at the pitch.
 */
export function flangeFindings(scene: Scene, detail: DetailOf<'flange'>): Findings {
  const { book, laid, zone } = scene;
  const { q, from } = lineLoadOf(scene, detail, detail.length);
  const glue = need(book, detail.adhesive, 'adhesive', 'Adhesive');
  const metal = need(book, detail.boltMetal, 'metal', 'Fasteners');
  if (detail.pitch !== null && detail.edgeDistance < detail.boltDiameter)
    throw invalid(
      'edgeDistance',
      `${detail.name}: the holes stand ${saidLength(detail.edgeDistance)} from the ` +
        `edge, less than one diameter of ${saidLength(detail.boltDiameter)}`,
      { given: detail.edgeDistance, minimum: detail.boltDiameter },
    );
  if (detail.pitch !== null && 2 * detail.edgeDistance > detail.width + 1e-9)
    throw invalid(
      'edgeDistance',
      `${detail.name}: an edge distance of ` +
        `${saidLength(detail.edgeDistance)} does not fit a flange of ` +
        `${saidLength(detail.width)}`,
      { given: detail.edgeDistance, maximum: detail.width / 2 },
    );
  if (detail.pitch !== null && detail.pitch < 3 * detail.boltDiameter)
    throw invalid('pitch', `${detail.name}: fasteners at ${saidLength(detail.pitch)} are closer than three diameters`, {
      given: detail.pitch,
      minimum: 3 * detail.boltDiameter,
    });
  const member = memberAlong(book, laid, 90);
  const lap = lapJoint({
    load: q,
    overlap: detail.width,
    adherends: [member, member],
    adhesive: { G: glue.shearModulus.value, thickness: detail.bondLine },
  });
  const allowed = bondAllowed(glue.shearStrength);
  const { peel } = lapPeel({
    load: q,
    overlap: detail.width,
    adherend: member,
    adhesive: { G: glue.shearModulus.value, thickness: detail.bondLine },
  });
  const through = bondAllowed(THROUGH_STRENGTH);
  // A tough adhesive evens out its peak; a brittle one does not.
  const tough = glue.elongation.value > 0.1;
  const checks = [
    check(scene, {
      id: 'adhesive',
      name: 'Adhesive, mean shear',
      unit: 'Pa',
      demand: lap.averageShear,
      capacity: allowed.value,
      source: `Load per metre over the flange; ${allowed.says}`,
    }),
    check(scene, {
      id: 'peak',
      name: `Adhesive, peak${tough ? ' (evens out: elongation over 10 %)' : ''}`,
      unit: 'Pa',
      demand: tough ? lap.averageShear * 1.5 : lap.peakShear,
      capacity: allowed.value,
      source: `${tough ? 'One and a half times the mean in a tough adhesive' : 'Volkersen'}; ${allowed.says}`,
    }),
    check(scene, {
      id: 'peel',
      name: tough ? 'Laminate peeled at the ends of the lap' : 'Peel at the ends of the lap',
      unit: 'Pa',
      demand: peel,
      // A tough adhesive yields where it is peeled; a brittle one, and the laminate in every case, do not.
      capacity: tough ? through.value : Math.min(through.value, allowed.value),
      source: `Goland and Reissner's moment on the bond line; through the laminate's thickness, ${through.says}`,
    }),
    check(scene, {
      id: 'strain',
      name: 'Adhesive, strain in shear',
      unit: '',
      demand: (1.5 * lap.averageShear) / glue.shearModulus.value,
      capacity: glue.elongation.value / BOND_FACTOR.given,
      source: `One and a half times the mean shear over its modulus; elongation over ${BOND_FACTOR.given}`,
    }),
    check(scene, {
      id: 'bondLine',
      name: 'Bond line',
      unit: 'm',
      demand: detail.bondLine,
      capacity: 3 * glue.bondLine.value,
      source: 'No more than three times the usual bond line',
    }),
  ];
  if (detail.pitch !== null) {
    // What a metre bears may run across the joint or along it.
    const ways = [member, memberAlong(book, laid, 0)];
    const least = (strength: 'compressiveStrength' | 'tensileStrength' | 'shearStrength') =>
      Math.min(...ways.map((way) => way[strength]));
    const strengths = {
      bearing: least('compressiveStrength'),
      netTension: OPEN_HOLE * least('tensileStrength'),
      shearOut: least('shearStrength'),
    };
    const joint = boltJoint({
      load: q * detail.pitch,
      boltDiameter: detail.boltDiameter,
      boltCount: 1,
      width: detail.pitch,
      edgeDistance: detail.edgeDistance,
      thickness: member.thickness,
      bearingStrength: strengths.bearing,
      tensionStrength: strengths.netTension,
      shearStrength: strengths.shearOut,
    });
    const { governs } = joint;
    checks.push(
      check(scene, {
        id: 'fasteners',
        name: `Fasteners alone: ${{ bearing: 'bearing', netTension: 'net section', shearOut: 'shear-out' }[governs]}`,
        unit: 'Pa',
        demand: joint[governs].stress,
        capacity: strengths[governs],
        source: 'Nominal stress at the pitch, no adhesive counted; the lesser strength of across and along the joint',
      }),
      check(scene, {
        id: 'fastenerShear',
        name: 'Fasteners alone: their own shear',
        unit: 'N',
        demand: q * detail.pitch,
        capacity:
          boltStrength({
            diameter: detail.boltDiameter,
            yieldStrength: metal.yieldStrength.value,
            tension: 1,
            shear: 0,
          }) / Math.sqrt(3),
        source: 'One fastener takes its pitch; yield of its stress area in shear',
      }),
    );
  }
  const fasteners = detail.pitch === null ? 0 : Math.ceil(detail.length / detail.pitch);
  const fastened =
    detail.number *
    fasteners *
    (Math.PI / 4) *
    detail.boltDiameter ** 2 *
    (2 * member.thickness + 0.02) *
    metal.density.value *
    1.6;
  const bead = detail.number * detail.length * detail.width * detail.bondLine * glue.density.value;
  return {
    checks,
    path: [
      { text: `${said(q, 'lineForce')}, ${from}`, check: null },
      { text: `${zone.name}, ${saidLength(member.thickness)}`, check: null },
      { text: `${glue.name}, ${saidLength(detail.width)} wide`, check: 'adhesive' },
      ...(detail.pitch === null
        ? []
        : [
            {
              text: `${fasteners} fasteners at ${saidLength(detail.pitch)}, should the adhesive go`,
              check: 'fasteners',
            },
          ]),
    ],
    layers: [],
    pastes: [{ material: glue.id, name: 'Bead', mass: bead }],
    brings: [{ material: metal.id, mass: fastened }],
    mass: addMass(NO_MASS, { other: bead + fastened }),
    steps: [
      ...preparationSteps(detail.preparation),
      'Dry-fit deck on hull with all clamps; mark the overlap',
      `Bead of ${glue.name.toLowerCase()} in one unbroken line outside ` +
        `the holes; spacers for ${saidLength(detail.bondLine)}`,
      ...(detail.pitch === null
        ? ['Clamp until cured']
        : [`Fasteners every ${saidLength(detail.pitch)}, from the middle to the ends, each bedded in sealant`]),
      'Hose test before anything covers the joint',
    ],
    cautions:
      detail.pitch === null
        ? [
            {
              severity: 'warning',
              title: 'Adhesive alone',
              text: 'Nothing holds the deck when a bond fails in one place: most builders add fasteners.',
            },
          ]
        : [],
  };
}
