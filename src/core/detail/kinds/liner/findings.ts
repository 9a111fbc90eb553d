import { bondAllowed } from '../../../material';
import { invalid } from '../../../error';
import { said, saidLength } from '../../../quantity';
import { evaluateZone } from '../../../evaluate';
import { addMass, check, need, NO_MASS, preparationSteps, type Findings, type Scene } from '../scene';
import type { DetailOf } from '../schema';

/** A design pressure as it counts against ultimate strengths (Pa). */
const ultimate = (pressure: number | undefined, { pack }: Scene['book']) =>
  pressure === undefined ? undefined : pressure / pack.skinStrengthFactor;

/** Share of the shear strength of a brittle adhesive that may be counted in peel. */
const PEEL_SHARE = 0.3;

/**
 * A liner bonded in as a stiffener. Source: reaction of the skin it carries over the bond; hold on bond line from the
 * adhesive.
 */
export function linerFindings(scene: Scene, detail: DetailOf<'liner'>): Findings {
  const { boat, part, zone, book, load, factor } = scene;
  const glue = need(book, detail.adhesive, 'adhesive', 'Adhesive');
  const pressure = load
    ? (load.force * factor) / (detail.bondLength * detail.tributary)
    : ultimate(evaluateZone(boat, part, zone).pressure?.pressure, book);
  if (pressure === undefined)
    throw invalid('load', `${detail.name}: ${zone.name} has no design pressure; give a load case`);
  const q = pressure * detail.tributary;
  const allowed = bondAllowed(glue.shearStrength);
  const spacing = detail.bondLength / detail.inspections;
  const checks = [
    check(scene, {
      id: 'tension',
      name: 'Bond pulled off',
      unit: 'Pa',
      demand: q / detail.bondWidth,
      capacity: PEEL_SHARE * allowed.value,
      source: `Reaction of the skin over the bond; 0.3 of the shear strength, ${allowed.says}`,
    }),
    check(scene, {
      id: 'shear',
      name: 'Bond in shear',
      unit: 'Pa',
      demand: (1.5 * q * 0.5) / detail.bondWidth,
      capacity: allowed.value,
      source: `Flow of shear at a stiffener, half of the reaction times 1.5; ${allowed.says}`,
    }),
    check(scene, {
      id: 'bondLine',
      name: 'Bond line',
      unit: 'm',
      demand: detail.bondLine,
      capacity: 3 * glue.bondLine.value,
      source: 'No more than three times the usual bond line',
    }),
    check(scene, {
      id: 'inspection',
      name: 'Inspection points',
      unit: 'm',
      demand: spacing,
      capacity: 1,
      source: 'A look at the bond every metre',
    }),
  ];
  const bond = detail.number * detail.bondLength * detail.bondWidth * detail.bondLine * glue.density.value;
  return {
    checks,
    path: [
      { text: `${said(pressure, 'pressure')} on ${zone.name}`, check: null },
      { text: `${saidLength(detail.tributary)} of skin carried by the bond`, check: null },
      {
        text: `${glue.name}, ${saidLength(detail.bondWidth)} wide, ${saidLength(detail.bondLine)} thick`,
        check: 'tension',
      },
      { text: 'liner as stiffener', check: 'shear' },
    ],
    layers: [],
    pastes: [{ material: glue.id, name: 'Bond', mass: bond }],
    mass: addMass(NO_MASS, {
      other: bond,
    }),
    steps: [
      ...preparationSteps(detail.preparation),
      'Dry-fit with putty at every metre: measure the bond line, mend it over three times the usual',
      'Adhesive on the liner, lower once, weight or vacuum until cured',
      `Inspect through ${detail.inspections} openings: squeeze-out on both sides, tap test`,
    ],
    cautions: [
      {
        severity: 'warning',
        title: 'A bond nobody sees',
        text: 'What is hidden under the liner cannot be mended later: leave the inspection openings.',
      },
    ],
  };
}
