import { bondAllowed, BOND_STRENGTH } from '../../../material';
import { invalid } from '../../../error';
import { said, saidLength } from '../../../quantity';
import { evaluateStiffeners } from '../../../evaluate';
import { check, need, NO_MASS, preparationSteps, type Findings, type Scene } from '../scene';
import type { DetailOf } from '../schema';

/** Length of an end over the height of the stiffener, at least. */
const LEAST_TAPER = { tapered: 3, bracketed: 1.5, cutOff: 5 } as const;
const SAID_END = { tapered: 'tapered', bracketed: 'bracketed', cutOff: 'cut off' } as const;

/**
 * The end of a stiffener, and where two cross. Source: end shear of the stiffener, of the span that hands on most, over
 * the bond of its flanges within the taper.
 */
export function stiffenerEndFindings(scene: Scene, detail: DetailOf<'stiffenerEnd'>): Findings {
  const { boat, book } = scene;
  const found = evaluateStiffeners(boat).find(({ support }) => support.id === detail.support);
  if (!found || !found.section || !found.worst)
    throw invalid('support', `${detail.name}: choose a stiffener with a section, that runs on the boat`);
  const { section, spans, checks: ofSection } = found;
  // Which of its ends is meant is not known: the one that hands on most counts, wherever its section is worst.
  const end = spans.reduce((most, one) => (one.endForce > most.endForce ? one : most));
  // From design pressure to ultimate strengths by the pack's own factor.
  const shear = end.endForce / book.pack.skinStrengthFactor;
  const taper = detail.taper * section.height;
  if (taper > end.span.length / 2)
    throw invalid(
      'taper',
      `${detail.name}: a taper of ${saidLength(taper)} is longer than ` +
        `half the span of ${saidLength(end.span.length)}`,
      { given: detail.taper, maximum: end.span.length / 2 / section.height },
    );
  if (detail.notch >= section.height)
    throw invalid(
      'notch',
      `${detail.name}: a notch of ${saidLength(detail.notch)} cuts ` +
        `through a stiffener ${saidLength(section.height)} high`,
      { given: detail.notch, maximum: section.height },
    );
  const width = section.kind === 'topHat' ? 2 * section.flangeWidth : section.flangeWidth * 2;
  const glue = detail.adhesive === null ? null : need(book, detail.adhesive, 'adhesive', 'Adhesive');
  const allowed = bondAllowed(glue?.shearStrength ?? BOND_STRENGTH[detail.preparation]);
  const web = ofSection.find(({ id }) => id === 'web');
  const checks = [
    check(scene, {
      id: 'bond',
      name: 'Flanges at the end, mean shear',
      unit: 'Pa',
      demand: shear / (width * Math.max(taper, section.height)),
      capacity: allowed.value,
      source: `End shear over the flanges within the taper; ${allowed.says}`,
    }),
    check(scene, {
      id: 'taper',
      name: 'Length of the end',
      unit: '',
      demand: LEAST_TAPER[detail.end],
      capacity: detail.taper,
      source: 'Taper 1 : 3, bracket 1 : 1.5; cut off square it leaves a hard spot',
    }),
    ...(web && detail.notch > 0
      ? [
          check(scene, {
            id: 'notch',
            name: 'Web left at the intersection',
            unit: '',
            demand: 1,
            capacity: web.reserveFactor * (1 - detail.notch / section.height),
            source: 'Web reserve of the section over the height the notch leaves',
          }),
        ]
      : []),
  ];
  return {
    checks,
    path: [
      { text: `${found.support.name}: ${said(shear, 'force')} at its end`, check: null },
      {
        text: `${SAID_END[detail.end]} 1 : ${detail.taper}`,
        check: 'taper',
      },
      { text: `flanges ${saidLength(width)} over ${saidLength(taper)}`, check: 'bond' },
      { text: end.zone?.zone.name ?? scene.zone.name, check: null },
    ],
    layers: [],
    mass: NO_MASS,
    steps: [
      ...preparationSteps(detail.preparation),
      'Run the flanges on past the end of the former, taper the former, no hollow under the toe',
      ...(detail.notch > 0
        ? ['Where two cross, the deeper one runs through; wrap the crown of the other over it']
        : []),
    ],
    cautions:
      detail.end === 'cutOff'
        ? [
            {
              severity: 'warning',
              title: 'Hard spot',
              text: 'A stiffener cut off square cracks the skin at its end: taper it, or carry it to the next member.',
            },
          ]
        : [],
    notChecked: detail.notch > 0 ? ['bending of what the notch leaves'] : [],
  };
}
