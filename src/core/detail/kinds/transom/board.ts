import { invalid } from '../../../error';
import { saidLength } from '../../../quantity';
import { check, layOwn, memberAlong, need, type Asked, type DetailCheck, type Scene } from '../scene';
import type { DetailOf } from '../schema';
import { transomActions, type TransomActions } from './actions';

/** What one school of the transom comes to. */
export interface TransomSchool {
  key: 'plywood' | 'board';
  name: string;
  thickness: number;
  /** kg of the whole board with its glass. */
  mass: number;
  /** N·m² over the breadth that works. */
  EI: number;
  /** Height of the strip that works (m). */
  breadth: number;
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
  /** Strengths as they may be asked of it against ultimate load (Pa). */
  sheet: { E: number; thickness: number; density: number; crush: number; bending: number; shear: number };
  /** What a skin on it bears before it wrinkles (Pa, of the skin's modulus); not in question on wood. */
  wrinkling: (skinModulus: number) => number;
  sheets: number;
  water: string;
}

/** Shear of plywood across its veneers, which roll, over that along the grain. */
const ROLLING = 0.3;
const WRINKLING = 0.3;

/** The face of the board that is nearest its limit in either sense: strain asked, and what it bears. */
function worstFace(
  strains: { pulled: number; pressed: number },
  bears: { pulled: number; pressed: number },
): Pick<Asked, 'demand' | 'capacity'> {
  const [pulled, pressed] = [strains.pulled / bears.pulled, strains.pressed / bears.pressed];
  return pulled >= pressed
    ? { demand: strains.pulled, capacity: bears.pulled }
    : { demand: strains.pressed, capacity: bears.pressed };
}

/** How the bolts press on the board: preload against creep, what pulls them, and the bracket's own edge. */
function crushChecks(
  detail: DetailOf<'transom'>,
  { pull, pressed, pullBy }: TransomActions,
  strength: number,
): Asked[] {
  const washer = (Math.PI / 4) * (detail.washerDiameter ** 2 - detail.boltDiameter ** 2);
  const { plate, boltCount } = detail;
  return [
    {
      id: 'crush',
      name: 'Crushing under the bolts',
      unit: 'Pa',
      demand: detail.preload / washer,
      capacity: CREEP * strength,
      source: 'Preload over the washer; half of the crushing strength against creep',
    },
    plate
      ? {
          id: 'crushPull',
          name: 'Crushing under the plate',
          unit: 'Pa',
          demand: (boltCount * pull) / (plate.length * plate.breadth),
          capacity: strength,
          source: `All bolts at the greatest pull, ${pullBy}, over the plate`,
        }
      : {
          id: 'crushPull',
          name: 'Crushing under a washer',
          unit: 'Pa',
          demand: pull / washer,
          capacity: strength,
          source: `Greatest pull of a bolt, ${pullBy}, over its washer`,
        },
    {
      id: 'bracket',
      name: 'Crushing under the bracket',
      unit: 'Pa',
      demand: pressed,
      capacity: strength,
      source: "Force and moment over the bracket's face, at its edge",
    },
  ];
}

/**
 * Both schools of a transom board, plywood and high-density board, with glass between the sheets: thickness against
 * the clamp, bending both ways, shear, crushing under bolts, plate and bracket, mass, water.
 *
 * @throws KeramosError `invalid` without a load, for a clamp wider than the board, or bolts off their bracket.
 * Source: each row of bolts bends a strip of the board, simply held at the knees, with P L / 4; transformed section;
 * docs/engineering.md, "Transom".
 */
export function transomSchools(scene: Scene, detail: DetailOf<'transom'>): TransomSchool[] {
  const { book, load, record } = scene;
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
  const skinBears = Math.min(skinOut.compressiveStrength, memberAlong(book, outer, 90).compressiveStrength);
  const actions = transomActions(scene, detail);
  // Each row of bolts bends the half of the board that stands by it.
  const breadth = Math.min(detail.height, detail.bracketHeight + 0.1) / 2;
  const area = detail.span * detail.height * detail.number;
  const glassMass = glass[0]!.fibreMass + glass[0]!.resinMass;
  const skinMass = [...outer, ...inner].reduce((sum, l) => sum + l.fibreMass + l.bindingMass + l.resinMass, 0);
  const school = ({ key, name, sheet, sheets, water, wrinkling }: BoardSchool): TransomSchool => {
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
    // What turns the board sideways steps by itself in the middle, half to each side, on both strips.
    const bend = (row: number) => ((row * detail.span) / 4 + actions.sideways / 4) / (EI * breadth);
    const [inward, off] = [bend(actions.rowIn), bend(actions.rowOff)];
    const pressedSkin = (skin: typeof skinIn) => Math.min(skin.compressiveStrength, wrinkling(skin.E)) / skin.E;
    const on = { record: detail.built === key ? record : undefined };
    const source = 'Middle between the knees, the row of bolts that asks most, and what turns the board sideways';
    return {
      key,
      name,
      thickness,
      mass: area * (skinMass + sheets * sheet.thickness * sheet.density + (sheets - 1) * glassMass),
      EI: EI * breadth,
      breadth,
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
          ...worstFace(
            { pulled: off * toOuter, pressed: inward * toOuter },
            { pulled: skinOut.tensileStrength / skinOut.E, pressed: pressedSkin(skinOut) },
          ),
          source,
        }),
        check(on, {
          id: 'innerSkin',
          name: 'Inner skin in bending',
          unit: '',
          ...worstFace(
            { pulled: inward * toInner, pressed: off * toInner },
            { pulled: skinIn.tensileStrength / skinIn.E, pressed: pressedSkin(skinIn) },
          ),
          source,
        }),
        check(on, {
          id: 'board',
          name: `${name} in bending`,
          unit: '',
          demand: Math.max(inward, off) * Math.max(toOuter - skinOut.thickness, toInner - skinIn.thickness),
          capacity: sheet.bending / sheet.E,
          source: 'Strain of the outermost sheet',
        }),
        check(on, {
          id: 'boardShear',
          name: `${name} in shear`,
          unit: 'Pa',
          demand:
            (Math.max(actions.rowIn, actions.rowOff) + actions.sideways / detail.span) /
            (2 * breadth * (thickness - (skinOut.thickness + skinIn.thickness) / 2)),
          capacity: sheet.shear,
          source:
            'Half of a row of bolts to each knee and what turns the board sideways, over the distance of the skins',
        }),
        ...crushChecks(detail, actions, sheet.crush).map((asked) => check(on, asked)),
        check(on, {
          id: 'bearing',
          name: 'Bearing of a bolt',
          unit: 'N',
          demand: actions.shear,
          capacity:
            detail.boltDiameter * Math.max(skinOut.thickness * skinBears, sheets * sheet.thickness * sheet.crush),
          source: `Greatest shear of a bolt, ${actions.shearBy}; outer skin or sheets alone, whichever bears more`,
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
        shear: ROLLING * wood.shearStrength.value,
      },
      wrinkling: () => Infinity,
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
        shear: book.pack.coreStrengthFactor[board.behaviour] * board.shearStrength.value,
      },
      wrinkling: (E) => WRINKLING * Math.cbrt(E * board.compressiveModulus.value * board.shearModulus.value),
      sheets: detail.board.sheets,
      water:
        'Takes no harm from water and holds no screw: bolt through, with large ' +
        'washers or a plate, and seal against water in the laminate.',
    }),
  ];
}
