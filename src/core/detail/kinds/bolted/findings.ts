import { invalid } from '../../../error';
import { boltGroupShear, boltGroupTension, boltJoint, boltStrength, pullThrough, threadEngagement } from '../..';
import { said, saidLength } from '../../../quantity';
import {
  BOND_STRENGTH,
  addMass,
  check,
  inMm,
  layOwn,
  memberAlong,
  need,
  OPEN_HOLE,
  preparationSteps,
  PUNCHING_STRENGTH,
  sheetMass,
  type DetailCaution,
  type Findings,
  type Scene,
} from '../scene';
import { CORE_TREATMENTS, type DetailOf } from '../schema';

/** A core creeps under a lasting preload beyond this share of its crushing strength. */
const CREEP = 0.5;
const LEAST_PITCH = 2;
const GALVANIC = 0.2;

/**
 * A fitting bolted to a zone: bolt loads from force and moment; bearing, net section, shear-out, pull-through,
 * thread, bolt, backing plate, core under preload.
 *
 * @throws KeramosError `invalid` for holes closer than two diameters, bolts off the base or off the patch, an edge
 * nearer than one diameter, a bevel longer than the zone.
 * Source: bolt.groupShear, bolt.groupTension, bolt.joint, bolt.pullThrough.
 */
export function boltedFindings(scene: Scene, detail: DetailOf<'bolted'>): Findings {
  const { book, zone, laid, inPlane, normal, factor, load, loadName } = scene;
  if (!load) throw invalid('load', `${detail.name}: give the fitting a load case`);
  const { bolts, boltDiameter: d, base, edgeDistance } = detail;
  for (const [i, one] of bolts.entries())
    for (const other of bolts.slice(i + 1)) {
      const pitch = Math.hypot(one[0] - other[0], one[1] - other[1]);
      if (pitch < LEAST_PITCH * d)
        throw invalid(
          'bolts',
          `${detail.name}: two holes stand ${inMm(pitch)} apart; ${LEAST_PITCH} diameters, ${inMm(LEAST_PITCH * d)}, is the least`,
        );
    }
  const off = bolts.find(([x, y]) => Math.abs(x) > base[0] / 2 || Math.abs(y) > base[1] / 2);
  if (off)
    throw invalid(
      'bolts',
      `${detail.name}: a bolt at ${inMm(off[0])}, ${inMm(off[1])} lies off its base of ${inMm(base[0])} × ${inMm(base[1])}`,
    );
  const patch = detail.sheets.length
    ? {
        length: Math.max(...detail.sheets.map((s) => s.length)),
        breadth: Math.max(...detail.sheets.map((s) => s.breadth)),
      }
    : null;
  if (patch && (patch.length < base[0] || patch.breadth < base[1]))
    throw invalid(
      'sheets',
      `${detail.name}: a patch of ${inMm(patch.length)} × ${inMm(patch.breadth)} is smaller than the base of ${inMm(base[0])} × ${inMm(base[1])}`,
    );

  const cores = laid.filter(({ material, layer }) => material.kind === 'core' && layer.role === 'structure');
  const coreThickness = cores.reduce((sum, one) => sum + one.thickness, 0);
  const run = detail.bevel * coreThickness;
  const room = Math.min(zone.geometry.panelLength, zone.geometry.panelBreadth);
  if (
    cores.length > 0 &&
    detail.core !== 'none' &&
    base[1] + 2 * run > room * 2 &&
    base[1] + 2 * run > Math.sqrt(zone.geometry.area)
  )
    throw invalid(
      'bevel',
      `${detail.name}: the core's bevel of ${inMm(run)} each way is longer than ${zone.name} has room for`,
    );
  if (cores.length > 0 && detail.core === 'none')
    throw invalid(
      'core',
      `${detail.name}: ${zone.name} has a core of ${inMm(coreThickness)} under the bolts: replace it by solid, high-density core or plywood`,
    );

  // What the bolts go through: the skins, the patch, and solid laminate in the core's place.
  const solidLaid = laid.filter(({ material }) => material.kind === 'fabric');
  const own = layOwn(book, detail.sheets);
  const through = [...solidLaid, ...own];
  const directionDeg = (Math.atan2(inPlane[1], inPlane[0]) * 180) / Math.PI;
  const member = memberAlong(book, through, directionDeg);
  // Solid laminate in the core's place is drilled through as well.
  const thickness = member.thickness + (detail.core === 'solid' ? coreThickness : 0);
  const metal = need(book, detail.boltMetal, 'metal', 'Bolts');
  const insert =
    detail.core === 'highDensity'
      ? need(book, detail.insert, 'core', 'Insert')
      : detail.core === 'plywood'
        ? need(book, detail.insert, 'wood', 'Insert')
        : null;
  const underWasher =
    insert === null
      ? member.compressiveStrength
      : insert.kind === 'core'
        ? insert.compressiveStrength.value
        : insert.compressiveAcross.value;

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
  const through2 = pullThrough({
    load: Math.max(pull, 1e-6),
    washerDiameter: spread,
    thickness,
    shearStrength: PUNCHING_STRENGTH,
    compressiveStrength: underWasher,
    holeDiameter: d,
  });
  const checks = [
    check(scene, {
      id: 'bearing',
      name: 'Bearing under the bolt',
      unit: 'Pa',
      demand: joint.bearing.stress,
      capacity: member.compressiveStrength,
      source: 'bearing taken as compressive strength, no clamping counted',
    }),
    check(scene, {
      id: 'netTension',
      name: 'Net section between holes',
      unit: 'Pa',
      demand: joint.netTension.stress,
      capacity: OPEN_HOLE * member.tensileStrength,
      source: 'a drilled hole leaves 0.6 of the tensile strength',
    }),
    check(scene, {
      id: 'shearOut',
      name: 'Shear-out to the edge',
      unit: 'Pa',
      demand: joint.shearOut.stress,
      capacity: member.shearStrength,
      source: 'two planes to the edge',
    }),
    ...(pull > 0
      ? [
          check(scene, {
            id: 'punching',
            name: 'Pull-through, punching',
            unit: 'Pa',
            demand: through2.punchingStress,
            capacity: PUNCHING_STRENGTH,
            source: 'Punching round washer or plate; generic glass laminate',
          }),
          check(scene, {
            id: 'crushing',
            name: 'Crushing under washer or plate',
            unit: 'Pa',
            demand: through2.crushingStress,
            capacity: underWasher,
            source: insert ? `Compressive strength of ${insert.name}` : 'Compressive strength of the laminate',
          }),
        ]
      : []),
    check(scene, {
      id: 'bolt',
      name: 'The bolt itself',
      unit: 'N',
      demand: Math.hypot(pull, Math.sqrt(3) * shear.max),
      capacity: boltStrength({ diameter: d, yieldStrength: metal.yieldStrength.value, tension: 1, shear: 0 }),
      source: 'Von Mises on the stress area',
    }),
    ...(pressing > 0
      ? [
          check(scene, {
            id: 'pressing',
            name: 'Pressing under the base',
            unit: 'Pa',
            demand: (pressing * factor) / (base[0] * base[1]),
            capacity: underWasher,
            source: insert ? `Compressive strength of ${insert.name}` : 'Compressive strength of the laminate',
          }),
        ]
      : []),
    ...(detail.preload > 0
      ? [
          check(scene, {
            id: 'preload',
            name: 'Core or laminate under lasting preload',
            unit: 'Pa',
            demand: detail.preload / ((Math.PI / 4) * (spread ** 2 - d ** 2)),
            capacity: CREEP * underWasher,
            source: 'Half of the crushing strength against creep',
          }),
        ]
      : []),
    ...(detail.tapped
      ? [
          check(scene, {
            id: 'thread',
            name: 'Thread in the tapped plate',
            unit: 'N',
            demand: Math.max(pull, detail.preload),
            capacity: threadEngagement({
              diameter: d,
              length: detail.tapped.thickness,
              shearStrength:
                need(book, detail.tapped.metal, 'metal', 'Tapped plate').yieldStrength.value / Math.sqrt(3),
            }),
            source: 'Stripping of half the cylinder at the bolt',
          }),
        ]
      : []),
    ...(detail.plate
      ? [
          check(scene, {
            id: 'plate',
            name: 'Pressure under the backing plate',
            unit: 'Pa',
            demand: (bolts.length * pull) / (detail.plate.length * detail.plate.breadth),
            capacity: underWasher,
            source: 'All bolts at the greatest pull over the plate',
          }),
        ]
      : []),
    ...(patch
      ? [
          check(scene, {
            id: 'patchBond',
            name: 'Bond of the patch',
            unit: 'Pa',
            demand: (Math.hypot(...inPlane) * factor) / (patch.length * patch.breadth),
            capacity: BOND_STRENGTH[detail.preparation],
            source: 'Mean shear of the whole force over the patch',
          }),
        ]
      : []),
  ];
  const path = [
    { text: `${loadName} ${said(load.force, 'force')} × ${factor}`, check: null },
    {
      text: `${bolts.length} bolts ${saidLength(d)}, ${said(shear.max, 'force')} shear and ${said(pull, 'force')} pull on the worst (no. ${(pull > shear.max ? tension.maxIndex : shear.maxIndex) + 1})`,
      check: 'bolt',
    },
    {
      text: detail.plate
        ? `backing plate ${saidLength(detail.plate.length)} × ${saidLength(detail.plate.breadth)}`
        : detail.tapped
          ? 'tapped plate laminated in'
          : `washers ${saidLength(detail.washerDiameter)}`,
      check: pull > 0 ? (detail.tapped ? 'thread' : 'crushing') : null,
    },
    {
      text:
        coreThickness > 0
          ? `${CORE_TREATMENTS[detail.core]}${insert ? `, ${insert.name}` : ''}`
          : `solid laminate ${saidLength(thickness)}`,
      check: 'bearing',
    },
    ...(patch
      ? [{ text: `patch ${saidLength(patch.length)} × ${saidLength(patch.breadth)}`, check: 'patchBond' }]
      : []),
    { text: zone.name, check: null },
  ];
  const cautions: DetailCaution[] = [];
  const carbon = through.some(({ components }) => components.some(({ fibre }) => fibre.family === 'carbon'));
  if (carbon)
    cautions.push({
      severity: 'warning',
      title: 'Carbon at metal',
      text: `Carbon and ${metal.name.toLowerCase()} make a cell in the wet: glass between, sealant in every hole.`,
    });
  const plateMetal = detail.plate && need(book, detail.plate.metal, 'metal', 'Backing plate');
  if (plateMetal && Math.abs(plateMetal.potential.value - metal.potential.value) > GALVANIC)
    cautions.push({
      severity: 'warning',
      title: 'Unlike metals',
      text: `${plateMetal.name} and ${metal.name.toLowerCase()} stand ${Math.abs(plateMetal.potential.value - metal.potential.value).toFixed(2)} V apart in sea water: insulate, or take one metal.`,
    });
  if (detail.core === 'plywood')
    cautions.push({
      severity: 'advice',
      title: 'Plywood takes water',
      text: 'Seal every hole through it: drill oversize, fill with thickened epoxy, drill again.',
    });
  if (edgeDistance < 3 * d)
    cautions.push({
      severity: 'advice',
      title: 'Close to the edge',
      text: `The edge is ${(edgeDistance / d).toFixed(1)} diameters away; three is usual.`,
    });
  const stiff = own.filter(({ components }) => components.some(({ fibre }) => fibre.family === 'carbon'));
  const tough = own.filter(({ components }) =>
    components.some(
      ({ fibre, form }) => fibre.family === 'aramid' || form === 'randomMat' || fibre.family === 'eGlass',
    ),
  );
  if (stiff.length && !tough.length)
    cautions.push({
      severity: 'advice',
      title: 'Stiff fibre alone',
      text: 'A patch of carbon alone works loose at the holes: lay a tough layer of glass or aramid on both faces.',
    });

  // The insert takes the core's place over the base and half its bevel.
  const area = (base[0] + run) * (base[1] + run) * detail.number;
  const coreOut = cores.reduce((sum, one) => sum + one.coreMass, 0);
  const density = insert?.density.value ?? 0;
  const solidMass =
    detail.core === 'solid' && thickness > 0
      ? (coreThickness * solidLaid.reduce((sum, l) => sum + l.fibreMass + l.resinMass, 0)) /
        Math.max(
          1e-6,
          solidLaid.reduce((sum, l) => sum + l.thickness, 0),
        )
      : 0;
  const plateMass = detail.plate
    ? detail.plate.length * detail.plate.breadth * detail.plate.thickness * plateMetal!.density.value
    : 0;
  const boltMass =
    bolts.length * (Math.PI / 4) * d ** 2 * (thickness + coreThickness + 0.03) * metal.density.value * 1.6;
  const tappedMass = detail.tapped
    ? base[0] *
      base[1] *
      detail.tapped.thickness *
      need(book, detail.tapped.metal, 'metal', 'Tapped plate').density.value
    : 0;
  const mass = addMass(
    sheetMass(
      book,
      detail.sheets.map((sheet) => ({ ...sheet, count: detail.number })),
    ),
    cores.length > 0
      ? {
          core: area * ((insert?.kind === 'core' ? density * coreThickness : 0) - coreOut),
          fibre: area * solidMass * 0.55,
          resin: area * solidMass * 0.45,
          other: insert?.kind === 'wood' ? area * density * coreThickness : 0,
        }
      : {},
  );
  return {
    checks,
    path,
    layers: detail.sheets.map((sheet) => ({ ...sheet, count: detail.number })),
    mass: addMass(mass, { other: detail.number * (plateMass + boltMass + tappedMass) }),
    steps: [
      ...(coreThickness > 0 && detail.core !== 'none'
        ? [`Take the core out over the base and bevel it 1 : ${detail.bevel}; ${CORE_TREATMENTS[detail.core]}`]
        : []),
      ...(detail.sheets.length
        ? [
            ...preparationSteps(detail.preparation),
            detail.sheets.length === 1
              ? 'Lay the sheet of the patch'
              : `Lay ${detail.sheets.length} sheets of the patch, largest first`,
          ]
        : []),
      'Drill; where there is core or wood, drill oversize, fill with thickened epoxy, drill again',
      `Bed in sealant, ${detail.tapped ? 'screw into the tapped plate with thread locking' : 'tighten in two passes, the second after the sealant has set'}`,
    ],
    cautions,
  };
}

const centreOf = (bolts: readonly (readonly [number, number])[]): [number, number] => [
  bolts.reduce((sum, [x]) => sum + x, 0) / bolts.length,
  bolts.reduce((sum, [, y]) => sum + y, 0) / bolts.length,
];
