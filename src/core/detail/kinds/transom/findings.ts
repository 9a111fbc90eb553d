import { bondAllowed, BOND_STRENGTH } from '../../../material';
import { boltStrength, nutThread } from '../..';
import { grainStrength, woodPly } from '../../../laminate';
import { said, saidLength } from '../../../quantity';
import { boltYield } from '../boltYield';
import {
  addMass,
  check,
  layOwn,
  need,
  NO_MASS,
  preparationSteps,
  type Asked,
  type DetailCaution,
  type Findings,
  type Scene,
} from '../scene';
import type { DetailOf } from '../schema';
import { transomActions, type TransomActions, type TransomCase } from './actions';
import { transomSchools } from './board';

/** The bolts of the bracket, where their metal is said. */
function boltChecks({ book }: Scene, detail: DetailOf<'transom'>, actions: TransomActions): Asked[] {
  if (detail.boltMetal === null) return [];
  const metal = need(book, detail.boltMetal, 'metal', 'Bolts');
  const yieldStrength = boltYield(metal, detail.boltClass, detail.name);
  const { boltDiameter: diameter, preload } = detail;
  const pull = Math.max(actions.pull, preload);
  return [
    {
      id: 'bolt',
      name: 'The bolt itself',
      unit: 'N',
      demand: Math.hypot(pull, Math.sqrt(3) * actions.shear),
      capacity: boltStrength({ diameter, yieldStrength, tension: 1, shear: 0 }),
      source: `Von Mises on the stress area; pull (${actions.pullBy}) or preload, whichever is more`,
    },
    {
      id: 'nut',
      name: 'Thread in the nut',
      unit: 'N',
      demand: pull,
      capacity: nutThread({ diameter, nut: 'full', yieldStrength }),
      source: 'Stripping of half the cylinder over a full nut',
    },
  ];
}

/** What one knee takes of the force on the board: half of it, and one of the pair that holds it from turning (N). */
const onKnee = ({ span, overhang }: DetailOf<'transom'>, { normal, side }: TransomCase) =>
  Math.abs(normal) / 2 + (side * overhang) / span;

/**
 * The tapes of a knee along the hull: its part of the force, and what that and half of the moment turn about the hull,
 * as shear along the tapes and a pull that grows to the knee's end.
 */
function kneeChecks(detail: DetailOf<'transom'>, { cases }: TransomActions): Asked[] {
  const { knees, height } = detail;
  if (!knees) return [];
  const flows = cases.map((one) => {
    const force = onKnee(detail, one);
    const turned = force * height + Math.abs(one.moment) / 2;
    return Math.hypot(force / knees.length, (6 * turned) / knees.length ** 2);
  });
  const { value, says } = bondAllowed(BOND_STRENGTH[knees.preparation]);
  return [
    {
      id: 'knees',
      name: 'Tapes of a knee on the hull',
      unit: 'Pa',
      demand: Math.max(...flows) / (2 * knees.overlap),
      capacity: value,
      source: `Half of force and moment, and what turns the board sideways, at its top; tapes both sides; ${says}`,
    },
  ];
}

/** Of a long plate with one edge free, on its breadth. */
const FREE_EDGE = 0.43;
/** Share of a triangular knee's height square to its free edge that works as a strut along it. */
const STRUT = 0.5;

/**
 * A knee as a plate of the board's wood: a strut along its free edge carries its part of the force from the top of
 * the board to the foot of the knee, and crushes at an angle to the grain or buckles at its free edge.
 * Source: triangular bracket as a strut (Salmon & Johnson, ch. 13), plate with a free edge k = 0.43, Hankinson.
 */
function kneePlate({ book }: Scene, detail: DetailOf<'transom'>, actions: TransomActions): Asked[] {
  const { name, knees, height, plywood } = detail;
  if (!knees?.thickness) return [];
  const wood = need(book, plywood.wood, 'wood', `${name}: plywood`);
  const { thickness: t, length } = knees;
  const { ply, compression } = woodPly(wood, t);
  const edge = Math.hypot(height, length);
  const width = (STRUT * height * length) / edge;
  const force = Math.max(...actions.cases.map((one) => onKnee(detail, one) + Math.abs(one.moment) / 2 / height));
  const crushes = grainStrength(compression, (Math.atan2(height, length) * 180) / Math.PI);
  const across = Math.min(ply.E1, ply.E2);
  const buckles = ((FREE_EDGE * Math.PI ** 2 * across) / 12) * (t / width) ** 2;
  return [
    {
      id: 'kneePlate',
      name: 'Knee as a strut',
      unit: 'Pa',
      demand: (force * edge) / length / (t * width),
      capacity: Math.min(crushes, buckles) / 2,
      source:
        `Its part of the force along the free edge, ${saidLength(width)} of the knee; half of ` +
        `${crushes <= buckles ? 'its strength at an angle to the grain' : 'what buckles its free edge'}`,
    },
  ];
}

/** What is not looked at because of how the transom is given. */
function leftOut({ boltMetal, knees, impact }: DetailOf<'transom'>): string[] {
  return [
    ...(boltMetal === null ? ['the bolts themselves: their metal is not said'] : []),
    ...(knees === null ? ['the knees and their bonds: none are given'] : []),
    ...(knees?.thickness === null ? ['the knees as plates: their thickness is not given'] : []),
    ...(impact === 0 ? ['the leg striking something'] : []),
  ];
}

/** A transom as it is built, with its checks. The other school stands beside it in {@link transomSchools}. */
export function transomFindings(scene: Scene, detail: DetailOf<'transom'>): Findings {
  const schools = transomSchools(scene, detail);
  const built = schools.find(({ key }) => key === detail.built)!;
  const { book, load, loadName, factor, zone } = scene;
  const actions = transomActions(scene, detail);
  const own = [
    ...boltChecks(scene, detail, actions),
    ...kneeChecks(detail, actions),
    ...kneePlate(scene, detail, actions),
  ];
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
    checks: [...built.checks, ...own.map((asked) => check(scene, asked))],
    path: [
      { text: `${loadName} ${said(load!.force, 'force')} × ${factor}`, check: null },
      {
        text:
          `${detail.boltCount} bolts ` +
          `${saidLength(detail.boltDiameter)}, washers ` +
          `${saidLength(detail.washerDiameter)}`,
        check: own.some(({ id }) => id === 'bolt') ? 'bolt' : 'crushPull',
      },
      { text: `${built.name}, ${sheets} sheets with glass between, ${saidLength(built.thickness)}`, check: 'board' },
      { text: `skins between knees ${saidLength(detail.span)} apart`, check: 'outerSkin' },
      { text: `knees to ${zone.name}`, check: detail.knees ? 'knees' : null },
    ],
    layers: [
      ...detail.outer.map((sheet) => ({ ...sheet, ...size, count: detail.number })),
      ...(sheets > 1
        ? [{ material: detail.glassBetween, angleDeg: 0, ...size, count: (sheets - 1) * detail.number }]
        : []),
      ...detail.inner.map((sheet) => ({ ...sheet, ...size, count: detail.number })),
    ],
    brings: [{ material: detail.built === 'board' ? detail.board.core : detail.plywood.wood, mass: rest }],
    mass: addMass(NO_MASS, { fibre, resin, ...(detail.built === 'board' ? { core: rest } : { other: rest }) }),
    steps: [
      'Dry-fit every sheet; seal all edges of the board before it goes in',
      'Bed each sheet in thickened resin with glass between, clamp until it comes out all round',
      ...(detail.knees ? preparationSteps(detail.knees.preparation) : []),
      'Run inner skin and knees on over the hull, taper 1 : 20',
      'Drill oversize through the board, fill, drill again; bed bolts in sealant',
    ],
    cautions,
    notChecked: leftOut(detail),
  };
}
