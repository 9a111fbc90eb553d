import { bondAllowed, BOND_STRENGTH } from '../../../material';
import { invalid } from '../../../error';
import type { LaidLayer, SectionMember } from '../../../evaluate';
import { said, saidLength } from '../../../quantity';
import {
  check,
  layOwn,
  memberAlong,
  preparationSteps,
  sheetMass,
  skinsUnder,
  type Asked,
  type DetailCaution,
  type Findings,
  type Scene,
} from '../scene';
import type { DetailOf } from '../schema';

/** Depth of a web per thickness beyond which a thin wall in shear may buckle. */
const MOST_WEB = 30;
const LEAST_RADIUS = 5;
/** Least width that a web is turned out at its foot (m). */
const LEAST_FOOT = 0.01;

/** What the checks of a patch start from: lengths m, force N with its factor, strengths Pa. */
interface PatchInput {
  scene: Scene;
  detail: DetailOf<'patch'>;
  own: readonly LaidLayer[];
  ownThickness: number;
  largest: DetailOf<'patch'>['sheets'][number];
  directionDeg: number;
  force: number;
  bond: number;
  /** What stands behind the bond's figure, in words. */
  says: string;
}

function webChecks({
  scene,
  detail,
  own,
  ownThickness,
  largest,
  directionDeg,
  force,
  bond,
  says,
}: PatchInput): Asked[] {
  const web = memberAlong(scene.book, own, directionDeg);
  return [
    {
      id: 'web',
      name: 'Web in shear',
      unit: 'Pa',
      demand: force / (detail.breadth * ownThickness),
      capacity: web.shearStrength,
      source: 'Shear flow over the depth of the web',
    },
    {
      id: 'slender',
      name: 'Slenderness of the web',
      unit: '',
      demand: detail.breadth / ownThickness,
      capacity: MOST_WEB,
      source: `Depth over thickness, ${MOST_WEB} at most without a core or stiffeners`,
    },
    {
      id: 'bond',
      name: 'Bond at the foot of the web',
      unit: 'Pa',
      demand: force / (largest.length * (largest.breadth - detail.breadth)),
      capacity: bond,
      source: `Mean shear over the width that the largest sheet is turned out at the foot; ${says}`,
    },
  ];
}

function wrapChecks({ scene, detail, own, ownThickness, largest, force, bond, says }: PatchInput): Asked[] {
  const tape = memberAlong(scene.book, own, 90);
  const reach = largest.length / 2;
  return [
    {
      id: 'wrap',
      name: 'Wrap in tension, both faces',
      unit: 'N',
      demand: force,
      capacity: 2 * tape.tensileStrength * ownThickness * detail.breadth,
      source: 'Strength of the wrap on both faces over its breadth',
    },
    {
      id: 'bond',
      name: 'Bond on each face',
      unit: 'Pa',
      demand: force / (2 * reach * detail.breadth),
      capacity: bond,
      source: `Mean shear over half the length on each face; ${says}`,
    },
    {
      id: 'radius',
      name: 'Radius of the edge',
      unit: 'm',
      demand: LEAST_RADIUS * ownThickness,
      capacity: detail.radius,
      source: 'Five thicknesses of the wrap at least',
    },
  ];
}

/** How long a sheet is in a direction, over its middle (m). */
function lengthAlong({ length, breadth }: DetailOf<'patch'>['sheets'][number], directionDeg: number): number {
  const a = (directionDeg * Math.PI) / 180;
  return Math.min(length / Math.abs(Math.cos(a)), breadth / Math.abs(Math.sin(a)));
}

const endStrength = ({ tensileStrength, compressiveStrength }: SectionMember) =>
  Math.min(tensileStrength, compressiveStrength);

function doublerChecks({ scene, detail, own, largest, directionDeg, force, bond, says }: PatchInput): Asked[] {
  const { book, laid, inPlane, factor } = scene;
  // Just outside the patch the laminate is alone, and of a sandwich one skin: the one that the patch lies on.
  const skins = skinsUnder(laid).map((skin) => ({
    alone: memberAlong(book, skin, directionDeg),
    together: memberAlong(book, [...skin, ...own], directionDeg),
  }));
  const weaker = (flow: (one: (typeof skins)[number]) => number) => skins.reduce((a, b) => (flow(b) < flow(a) ? b : a));
  const { together } = weaker((one) => one.together.thickness * endStrength(one.together));
  const { alone } = weaker((one) => one.alone.thickness * one.alone.shearStrength);
  const which = skins.length > 1 ? '; the worse of both skins' : '';
  return [
    {
      id: 'tension',
      name: 'Laminate and patch together',
      unit: 'Pa',
      demand: force / (detail.breadth * together.thickness),
      capacity: endStrength(together),
      source: `Force over breadth and thickness${which}`,
    },
    {
      id: 'shear',
      name: 'In-plane shear round the patch',
      unit: 'Pa',
      demand: force / (2 * lengthAlong(largest, directionDeg) * alone.thickness),
      capacity: alone.shearStrength,
      source:
        'Force over both sides of the patch, as long as it is in the direction of the force, in the laminate ' +
        `beside it${which}`,
    },
    {
      id: 'bond',
      name: 'Bond of the patch',
      unit: 'Pa',
      demand: (Math.hypot(...inPlane) * factor) / (largest.length * largest.breadth),
      capacity: bond,
      source: `Mean shear over the largest sheet; ${says}`,
    },
  ];
}

const CHECKS: Record<DetailOf<'patch'>['form'], (input: PatchInput) => Asked[]> = {
  patch: doublerChecks,
  wrappedEdge: wrapChecks,
  web: webChecks,
};
function saidForm({ form, breadth, sheets }: DetailOf<'patch'>, thickness: number): string {
  if (form === 'web') return `web ${saidLength(breadth)} deep, ${saidLength(thickness)}`;
  if (form === 'wrappedEdge') return `wrapped over the edge, ${saidLength(breadth)}`;
  return `${sheets.length} sheets, ${saidLength(thickness)}`;
}

/** How far each sheet ends inside the next larger one, at least, of sheets that lie middle on middle (m). */
function leastStep(sizes: readonly number[]): number {
  const sorted = [...sizes].sort((a, b) => a - b);
  return Math.min(...sorted.slice(1).map((size, i) => (size - sorted[i]!) / 2));
}

/**
 * A patch or doubler that spreads a load, an edge wrapped to both faces, or a web in shear.
 *
 * @throws KeramosError `invalid` without a load, for a patch larger than its zone, or narrower than what it must take.
 * Source: nominal stresses; shear flow over the depth of a web; mean shear of the bond; ply drop-off at 20 thicknesses.
 */
export function patchFindings(scene: Scene, detail: DetailOf<'patch'>): Findings {
  const { book, zone, inPlane, normal, factor, load, loadName } = scene;
  if (!load) throw invalid('load', `${detail.name}: give it a load case`);
  const largest = detail.sheets.reduce((a, b) => (b.length * b.breadth > a.length * a.breadth ? b : a));
  if (largest.length * largest.breadth > zone.geometry.area)
    throw invalid(
      'sheets',
      `${detail.name}: a sheet of ${saidLength(largest.length)} × ` +
        `${saidLength(largest.breadth)} is larger than ${zone.name}`,
    );
  if (detail.form !== 'web' && detail.breadth > largest.breadth + 1e-9)
    throw invalid(
      'breadth',
      `${detail.name}: ${saidLength(detail.breadth)} take the load, but ` +
        `the widest sheet is only ${saidLength(largest.breadth)}`,
      { given: detail.breadth, maximum: largest.breadth },
    );
  if (detail.form === 'web' && detail.breadth > largest.breadth - LEAST_FOOT)
    throw invalid(
      'sheets',
      `${detail.name}: a web ${saidLength(detail.breadth)} deep of sheets ${saidLength(largest.breadth)} broad ` +
        'leaves nothing to turn out at its foot',
      { given: largest.breadth, minimum: detail.breadth + LEAST_FOOT },
    );
  const own = layOwn(book, detail.sheets);
  const ownThickness = own.reduce((sum, one) => sum + one.thickness, 0);
  const directionDeg = (Math.atan2(inPlane[1], inPlane[0]) * 180) / Math.PI;
  const F = load.force * factor;
  const { value: bond, says } = bondAllowed(BOND_STRENGTH[detail.preparation]);
  const thickest = Math.max(...own.map(({ thickness }) => thickness));
  // A wrap ends at its two ends alone; a doubler ends on all four sides.
  const ends = detail.form === 'patch' ? (['length', 'breadth'] as const) : (['length'] as const);
  const step =
    detail.sheets.length > 1 ? Math.min(...ends.map((side) => leastStep(detail.sheets.map((one) => one[side])))) : null;
  const stepped =
    step === null || detail.form === 'web'
      ? []
      : [
          check(scene, {
            id: 'step',
            name: 'Sheets stepped at their edges',
            unit: 'm',
            demand: 20 * thickest,
            capacity: step,
            source: 'Each sheet ends 20 thicknesses inside the one under it',
          }),
        ];
  const cautions: DetailCaution[] = [];
  const checks = CHECKS[detail.form]({
    scene,
    detail,
    own,
    ownThickness,
    largest,
    directionDeg,
    force: F,
    bond,
    says,
  }).map((asked) => check(scene, asked));
  const mats = own.filter(({ components }) =>
    components.some(({ fibre, form }) => form === 'randomMat' || fibre.family === 'aramid'),
  );
  const stiff = own.filter(({ components }) => components.some(({ fibre }) => fibre.family === 'carbon'));
  if (stiff.length > 0 && mats.length === 0)
    cautions.push({
      severity: 'advice',
      title: 'Stiff against tough',
      text:
        'Carbon alone takes load early and breaks at the fastener: a ' +
        'mat or aramid layer keeps the hole from working.',
    });
  if (detail.form === 'patch' && Math.abs(normal) > Math.hypot(...inPlane))
    cautions.push({
      severity: 'warning',
      title: 'Mostly out of the plane',
      text: 'A patch spreads loads in its plane; this one pulls off or presses. Check it as a bolted fitting.',
    });
  if (
    detail.form === 'web' &&
    !detail.sheets.some(({ angleDeg }) => Math.abs(Math.abs(angleDeg) - 45) < 1) &&
    !own.some(({ components }) =>
      components.some(({ plies }) => plies.some((ply) => Math.abs(Math.abs(ply.angleDeg) - 45) < 1)),
    )
  )
    cautions.push({ severity: 'advice', title: 'No ±45', text: 'Shear runs at ±45° in a web: lay it so.' });
  const layers = detail.sheets.map((sheet) => ({ ...sheet, count: detail.number }));
  return {
    checks: [...checks, ...stepped],
    path: [
      { text: `${loadName} ${said(load.force, 'force')} × ${factor}`, check: null },
      {
        text: saidForm(detail, ownThickness),
        check: checks[0]!.id,
      },
      {
        text:
          `bond ${saidLength(largest.length)} × ` +
          `${saidLength(detail.form === 'web' ? largest.breadth - detail.breadth : largest.breadth)}`,
        check: 'bond',
      },
      { text: `${zone.name}, its laminate`, check: null },
    ],
    layers,
    mass: sheetMass(book, layers),
    steps: [
      ...preparationSteps(detail.preparation),
      detail.form === 'wrappedEdge'
        ? `Round the edge to ${saidLength(detail.radius)}, wrap each sheet to both faces, widest last`
        : 'Lay the sheets, largest first, turned as listed',
      'Cover with a light mat where it is walked on or cut',
    ],
    cautions,
  };
}
