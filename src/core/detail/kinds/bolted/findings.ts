import { invalid } from '../../../error';
import { said, saidLength } from '../../../quantity';
import { preparationSteps, type Findings, type PathLink, type Scene } from '../scene';
import { CORE_TREATMENTS, type DetailOf } from '../schema';
import { boltedActions, type BoltedActions } from './actions';
import { boltedCautions } from './cautions';
import { boltedChecks } from './checks';
import { boltedGround, type BoltedGround } from './ground';
import { boltedBrings, boltedMass } from './mass';

/**
 * A fitting bolted to a zone: bolt loads from force and moment; bearing, net section, shear-out, pull-through,
 * thread, bolt, backing plate, core under preload.
 *
 * @throws KeramosError `invalid` without a load case, for holes closer than two diameters, bolts off the base, a patch
 * smaller than the base, a core left under the bolts, a bevel longer than the zone.
 * Source: bolt.groupShear, bolt.groupTension, bolt.joint, bolt.pullThrough.
 */
export function boltedFindings(scene: Scene, detail: DetailOf<'bolted'>): Findings {
  if (!scene.load) throw invalid('load', `${detail.name}: give the fitting a load case`);
  const ground = boltedGround(scene, detail);
  const actions = boltedActions(scene, detail, ground, scene.load);
  return {
    checks: boltedChecks(scene, detail, ground, actions),
    path: boltedPath(scene, detail, ground, actions),
    layers: detail.sheets.map((sheet) => ({ ...sheet, count: detail.number })),
    brings: boltedBrings(scene, detail, ground),
    mass: boltedMass(scene, detail, ground),
    steps: boltedSteps(detail, ground),
    cautions: boltedCautions(scene, detail, ground),
    notChecked: leftOut(scene, detail),
  };
}

/** What is not looked at because of how the fitting and its load are given. */
function leftOut({ load, inPlane }: Scene, { stands, baseOf, tapped }: DetailOf<'bolted'>): string[] {
  return [
    ...(stands === 'support' ? ['the member under it and the tie to that', 'the panel round it'] : []),
    ...(load!.arm === 0 && Math.hypot(...inPlane) > 0 ? ['tipping: the load is given at the height of the base'] : []),
    ...(baseOf === 'stiff' ? ['prying: the base is said to be stiff'] : []),
    ...(tapped ? ['the tapped plate pulled out of the laminate'] : []),
  ];
}

/** What holds the bolts at their far end, in words. */
function heldBy({ plate, tapped, washerDiameter }: DetailOf<'bolted'>): string {
  if (plate) return `backing plate ${saidLength(plate.length)} × ${saidLength(plate.breadth)}`;
  return tapped ? 'tapped plate laminated in' : `washers ${saidLength(washerDiameter)}`;
}

function boltedPath(
  { zone, load, loadName, factor }: Scene,
  detail: DetailOf<'bolted'>,
  { coreThickness, insert, thickness, patch }: BoltedGround,
  { shear, tension, pull }: BoltedActions,
): PathLink[] {
  const worst = (pull > shear.max ? tension.maxIndex : shear.maxIndex) + 1;
  const forces = `${said(shear.max, 'force')} shear and ${said(pull, 'force')} pull on the worst (no. ${worst})`;
  const pulls = detail.tapped ? 'thread' : 'crushing';
  const inCore = `${CORE_TREATMENTS[detail.core]}${insert ? `, ${insert.name}` : ''}`;
  return [
    { text: `${loadName} ${said(load!.force, 'force')} × ${factor}`, check: null },
    { text: `${detail.bolts.length} bolts ${saidLength(detail.boltDiameter)}, ${forces}`, check: 'bolt' },
    { text: heldBy(detail), check: pull > 0 ? pulls : null },
    { text: coreThickness > 0 ? inCore : `solid laminate ${saidLength(thickness)}`, check: 'bearing' },
    ...(patch
      ? [{ text: `patch ${saidLength(patch.length)} × ${saidLength(patch.breadth)}`, check: 'patchBond' }]
      : []),
    { text: detail.stands === 'support' ? `what stands under ${zone.name}, not checked` : zone.name, check: null },
  ];
}

function boltedSteps(detail: DetailOf<'bolted'>, { coreThickness, insert }: BoltedGround): string[] {
  const { sheets, tapped } = detail;
  const onFace = coreThickness > 0 && insert ? ', on the face that the fitting stands on' : '';
  const steps: string[] = [];
  if (coreThickness > 0 && detail.core !== 'none')
    steps.push(`Take the core out over the base and bevel it 1 : ${detail.bevel}; ${CORE_TREATMENTS[detail.core]}`);
  if (sheets.length > 0)
    steps.push(
      ...preparationSteps(detail.preparation),
      sheets.length === 1
        ? `Lay the sheet of the patch${onFace}`
        : `Lay ${sheets.length} sheets of the patch, largest first${onFace}`,
    );
  const tightened = tapped
    ? 'screw into the tapped plate with thread locking'
    : 'tighten in two passes, the second after the sealant has set';
  steps.push(
    'Drill; where there is core or wood, drill oversize, fill with thickened epoxy, drill again',
    `Bed in sealant, ${tightened}`,
  );
  return steps;
}
