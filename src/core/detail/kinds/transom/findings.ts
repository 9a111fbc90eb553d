import { invalid } from '../../../error';
import { said, saidLength } from '../../../quantity';
import {
  addMass,
  check,
  layOwn,
  memberAlong,
  need,
  NO_MASS,
  type DetailCaution,
  type DetailCheck,
  type Findings,
  type Scene,
} from '../scene';
import type { DetailOf } from '../schema';

/** What one school of the transom comes to. */
export interface TransomSchool {
  key: 'plywood' | 'board';
  name: string;
  thickness: number;
  /** kg of the whole board with its glass. */
  mass: number;
  /** N·m² over the breadth that works. */
  EI: number;
  checks: DetailCheck[];
  /** What water does to it, and how it is sealed. */
  water: string;
}

const CREEP = 0.5;

/**
 * Bending of a layered section about its neutral axis: EI per metre, and the strain of its faces per unit curvature.
 */
function bendingOf(layers: readonly { E: number; thickness: number }[]): {
  EI: number;
  toOuter: number;
  toInner: number;
} {
  let z = 0;
  const placed = layers.map(({ E, thickness }) => {
    const middle = z + thickness / 2;
    z += thickness;
    return { E, thickness, middle };
  });
  const EA = placed.reduce((sum, l) => sum + l.E * l.thickness, 0);
  const axis = placed.reduce((sum, l) => sum + l.E * l.thickness * l.middle, 0) / EA;
  const EI = placed.reduce((sum, l) => sum + l.E * (l.thickness ** 3 / 12 + l.thickness * (l.middle - axis) ** 2), 0);
  return { EI, toOuter: axis, toInner: z - axis };
}

/** A way to make the board: how many sheets of what, and what is said of water. */
interface BoardSchool extends Pick<TransomSchool, 'key' | 'name'> {
  sheet: { E: number; thickness: number; density: number; crush: number; bending: number };
  sheets: number;
  water: string;
}

/**
 * Both schools of a transom board, plywood and high-density board, with glass between the sheets: thickness against
 * the clamp, bending, crushing under the bolts, mass, water.
 * Source: beam between the knees with the moment of thrust and weight at its middle; transformed section.
 */
export function transomSchools(scene: Scene, detail: DetailOf<'transom'>): TransomSchool[] {
  const { book, factor, load, record } = scene;
  if (!load) throw invalid('load', `${detail.name}: give the transom a load case`);
  if (detail.clamp[0] >= detail.clamp[1])
    throw invalid('clamp', 'The least clamp thickness must be less than the greatest', {
      given: detail.clamp[0],
      maximum: detail.clamp[1],
    });
  if (detail.clampBreadth > detail.span)
    throw invalid(
      'clampBreadth',
      `A clamp of ${saidLength(detail.clampBreadth)} is wider than the ${saidLength(detail.span)} between the knees`,
      { given: detail.clampBreadth, maximum: detail.span },
    );
  const wood = need(book, detail.plywood.wood, 'wood', 'Plywood');
  const board = need(book, detail.board.core, 'core', 'Board');
  const outer = layOwn(book, detail.outer);
  const inner = layOwn(book, detail.inner);
  const glass = layOwn(book, [{ material: detail.glassBetween, angleDeg: 0 }]);
  const [skinOut, skinIn, between] = [
    memberAlong(book, outer, 0),
    memberAlong(book, inner, 0),
    memberAlong(book, glass, 0),
  ];
  const moment = (Math.hypot(load.force) * factor * detail.span) / 4 + load.force * factor * detail.leverArm * 0.5;
  const breadth = Math.min(detail.height, detail.clampBreadth + 0.1);
  const area = detail.span * detail.height * detail.number;
  const glassMass = glass[0]!.fibreMass + glass[0]!.resinMass;
  const skinMass = [...outer, ...inner].reduce((sum, l) => sum + l.fibreMass + l.bindingMass + l.resinMass, 0);
  const school = ({ key, name, sheet, sheets, water }: BoardSchool): TransomSchool => {
    const stack = [
      { E: skinOut.E, thickness: skinOut.thickness },
      ...Array.from({ length: sheets }, (_, i) => [
        ...(i ? [{ E: between.E, thickness: between.thickness }] : []),
        { E: sheet.E, thickness: sheet.thickness },
      ]).flat(),
      { E: skinIn.E, thickness: skinIn.thickness },
    ];
    const thickness = stack.reduce((sum, l) => sum + l.thickness, 0);
    const { EI, toOuter, toInner } = bendingOf(stack);
    const curvature = moment / (EI * breadth);
    const on = { record: detail.built === key ? record : undefined };
    const washer = (Math.PI / 4) * (detail.washerDiameter ** 2 - detail.boltDiameter ** 2);
    return {
      key,
      name,
      thickness,
      mass: area * (skinMass + sheets * sheet.thickness * sheet.density + (sheets - 1) * glassMass),
      EI: EI * breadth,
      checks: [
        check(on, {
          id: 'clampMost',
          name: 'Thin enough for the clamp',
          unit: 'm',
          demand: thickness,
          capacity: detail.clamp[1],
          source: 'Clamp range of the motor or fitting',
        }),
        check(on, {
          id: 'clampLeast',
          name: 'Thick enough for the clamp',
          unit: 'm',
          demand: detail.clamp[0],
          capacity: thickness,
          source: 'Clamp range of the motor or fitting',
        }),
        check(on, {
          id: 'outerSkin',
          name: 'Outer skin in bending',
          unit: '',
          demand: curvature * toOuter,
          capacity: skinOut.tensileStrength / skinOut.E,
          source: 'Strain at the middle between the knees',
        }),
        check(on, {
          id: 'innerSkin',
          name: 'Inner skin in bending',
          unit: '',
          demand: curvature * toInner,
          capacity: skinIn.compressiveStrength / skinIn.E,
          source: 'Strain at the middle between the knees',
        }),
        check(on, {
          id: 'board',
          name: `${name} in bending`,
          unit: '',
          demand: curvature * Math.max(toOuter - skinOut.thickness, toInner - skinIn.thickness),
          capacity: sheet.bending / sheet.E,
          source: 'Strain of the outermost sheet',
        }),
        check(on, {
          id: 'crush',
          name: 'Crushing under the bolts',
          unit: 'Pa',
          demand: detail.preload / washer,
          capacity: CREEP * sheet.crush,
          source: 'Preload over the washer; half of the crushing strength against creep',
        }),
      ],
      water,
    };
  };
  return [
    school({
      key: 'plywood',
      name: wood.name,
      sheet: {
        E: wood.E.value * 0.55,
        thickness: detail.plywood.thickness,
        density: wood.density.value,
        crush: wood.compressiveAcross.value,
        bending: wood.bendingStrength.value * 0.55,
      },
      sheets: detail.plywood.sheets,
      water:
        'Rots where water gets in at one screw: seal every edge and hole with ' +
        'epoxy, drill oversize and plug, never into bare wood.',
    }),
    school({
      key: 'board',
      name: board.name,
      sheet: {
        E: board.inPlaneModulus.value,
        thickness: detail.board.thickness,
        density: board.density.value,
        crush: board.compressiveStrength.value,
        bending: board.compressiveStrength.value,
      },
      sheets: detail.board.sheets,
      water:
        'Takes no harm from water and holds no screw: bolt through, with large ' +
        'washers or a plate, and seal against water in the laminate.',
    }),
  ];
}

/** A transom as it is built, with its checks. The other school stands beside it in {@link transomSchools}. */
export function transomFindings(scene: Scene, detail: DetailOf<'transom'>): Findings {
  const schools = transomSchools(scene, detail);
  const built = schools.find(({ key }) => key === detail.built)!;
  const { book, load, loadName, factor, zone } = scene;
  const sheets = detail.built === 'plywood' ? detail.plywood.sheets : detail.board.sheets;
  const area = detail.span * detail.height * detail.number;
  const cautions: DetailCaution[] = [
    { severity: detail.built === 'plywood' ? 'warning' : 'advice', title: 'Water in the board', text: built.water },
  ];
  const size = { length: detail.span, breadth: detail.height };
  const glass = layOwn(book, [{ material: detail.glassBetween, angleDeg: 0 }])[0]!;
  const skins = layOwn(book, [...detail.outer, ...detail.inner]);
  const fibre =
    area * (skins.reduce((sum, l) => sum + l.fibreMass + l.bindingMass, 0) + (sheets - 1) * glass.fibreMass);
  const resin = area * (skins.reduce((sum, l) => sum + l.resinMass, 0) + (sheets - 1) * glass.resinMass);
  const rest = built.mass - fibre - resin;
  return {
    checks: built.checks,
    path: [
      { text: `${loadName} ${said(load!.force, 'force')} × ${factor}`, check: null },
      {
        text:
          `${detail.boltCount} bolts ` +
          `${saidLength(detail.boltDiameter)}, washers ` +
          `${saidLength(detail.washerDiameter)}`,
        check: 'crush',
      },
      { text: `${built.name}, ${sheets} sheets with glass between, ${saidLength(built.thickness)}`, check: 'board' },
      { text: `skins between knees ${saidLength(detail.span)} apart`, check: 'outerSkin' },
      { text: `knees to ${zone.name}`, check: null },
    ],
    layers: [
      ...detail.outer.map((sheet) => ({ ...sheet, ...size, count: detail.number })),
      ...(sheets > 1
        ? [{ material: detail.glassBetween, angleDeg: 0, ...size, count: (sheets - 1) * detail.number }]
        : []),
      ...detail.inner.map((sheet) => ({ ...sheet, ...size, count: detail.number })),
    ],
    mass: addMass(NO_MASS, { fibre, resin, ...(detail.built === 'board' ? { core: rest } : { other: rest }) }),
    steps: [
      'Dry-fit every sheet; seal all edges of the board before it goes in',
      'Bed each sheet in thickened resin with glass between, clamp until it comes out all round',
      'Run inner skin and knees on over the hull, taper 1 : 20',
      'Drill oversize through the board, fill, drill again; bed bolts in sealant',
    ],
    cautions,
  };
}
