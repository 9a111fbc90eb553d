import { bondAllowed, BOND_STRENGTH } from '../../../material';
import { invalid } from '../../../error';
import { openedFillet, tabbingShear } from '../..';
import { said, saidLength } from '../../../quantity';
import {
  addMass,
  check,
  layOwn,
  memberAlong,
  need,
  NO_MASS,
  preparationSteps,
  sheetMass,
  THROUGH_STRENGTH,
  type DetailCaution,
  type Findings,
  type Scene,
} from '../scene';
import type { DetailOf } from '../schema';
import { jointLength, lineLoadOf } from '../lineLoad';

/** Share of the shear strength of a brittle adhesive that may be counted in peel. */
const PEEL_SHARE = 0.3;
const GRAM_OF_FILLET = 1150;

/**
 * Tabbing of a bulkhead or frame: shear of the bond, strength of the tapes, peel at their edge, stepped widths; or
 * structural adhesive, putty and tape, or bonded under vacuum.
 * Source: tabbing.shear; peel from the eccentric pull of one side, elastic over the overlap.
 */
export function tabbingFindings(scene: Scene, detail: DetailOf<'tabbing'>): Findings {
  const { book, zone } = scene;
  const length = jointLength(scene, detail.length, detail.ties, detail.name);
  const { q, opens, along, from } = lineLoadOf(scene, detail, length);
  const taped = detail.method !== 'adhesive';
  if (taped && detail.tapes.length === 0) throw invalid('tapes', `${detail.name}: tabbing needs at least one tape`);
  if (!taped && detail.adhesive === null) throw invalid('adhesive', `${detail.name}: choose the adhesive`);
  const widest = Math.max(0, ...detail.tapes.map(({ overlap }) => overlap));
  const reach = Math.min(zone.geometry.panelLength, zone.geometry.panelBreadth);
  if (widest > reach)
    throw invalid(
      'tapes',
      `${detail.name}: an overlap of ${saidLength(widest)} runs off ${zone.name}, whose panel is ${saidLength(reach)}`,
      { given: widest, maximum: reach },
    );
  const laid = layOwn(book, detail.tapes);
  const checks = [];
  const { value: bond, says } = bondAllowed(
    BOND_STRENGTH[detail.method === 'vacuum' ? 'wetOnWet' : detail.preparation],
  );
  if (taped) {
    const member = memberAlong(book, laid, 90);
    const shear = tabbingShear({
      load: q * length,
      length,
      overlap: widest,
      strips: detail.sides,
    });
    const through = bondAllowed(THROUGH_STRENGTH);
    const eccentricity = detail.sides === 1 ? member.thickness / 2 + detail.fillet / 2 : member.thickness / 2;
    checks.push(
      check(scene, {
        id: 'shear',
        name: 'Bond of the tapes, mean shear',
        unit: 'Pa',
        demand: shear,
        capacity: bond,
        source: `Mean shear of the strips; ${says}, generic`,
      }),
      check(scene, {
        id: 'tapes',
        name: 'Tapes in tension',
        unit: 'N/m',
        demand: q / detail.sides,
        capacity: member.tensileStrength * member.thickness,
        source: 'Strength of the tapes across the joint',
      }),
      ...(along > 0
        ? [
            check(scene, {
              id: 'tapeShear',
              name: 'Tapes sheared along the joint',
              unit: 'N/m',
              demand: along / detail.sides,
              capacity: member.shearStrength * member.thickness,
              source: 'What may run along the joint, against the shear strength of the tapes',
            }),
          ]
        : []),
      check(scene, {
        id: 'peel',
        name: 'Peel at the edge of the tape',
        unit: 'Pa',
        demand: (6 * (q / detail.sides) * eccentricity) / widest ** 2,
        capacity: PEEL_SHARE * bond,
        source: 'Moment of the eccentric pull over the overlap, elastic; 0.3 of the shear strength',
      }),
      ...(opens > 0
        ? [
            check(scene, {
              id: 'opened',
              name: 'Tape opened over its fillet',
              unit: 'Pa',
              demand: openedFillet({
                moment: ((opens / detail.sides) * (detail.fillet + member.thickness)) / 2,
                radius: detail.fillet + member.thickness / 2,
                thickness: member.thickness,
              }),
              capacity: through.value,
              source: `Pull of one side, half of fillet and tape its lever: 3M / 2Rt; ${through.says}`,
            }),
          ]
        : []),
      check(scene, {
        id: 'fillet',
        name: 'Radius of the fillet',
        unit: 'm',
        demand: Math.max(0.006, 3 * member.thickness),
        capacity: detail.fillet,
        source: 'Three thicknesses of the tape, and never a sharp corner',
      }),
    );
    const steps = [...detail.tapes].map(({ overlap }) => overlap).sort((a, b) => a - b);
    if (steps.length > 1) {
      const least = Math.min(...steps.slice(1).map((overlap, i) => overlap - steps[i]!));
      checks.push(
        check(scene, {
          id: 'stepped',
          name: 'Widths stepped',
          unit: 'm',
          demand: 20 * Math.max(...laid.map(({ thickness }) => thickness)),
          capacity: least,
          source: 'Each tape ends 20 thicknesses from the next',
        }),
      );
    }
  }
  if (detail.adhesive !== null) {
    const glue = need(book, detail.adhesive, 'adhesive', 'Adhesive');
    const allowed = bondAllowed(glue.shearStrength);
    checks.push(
      check(scene, {
        id: 'adhesive',
        name: 'Adhesive, mean shear',
        unit: 'Pa',
        demand: q / detail.bondWidth,
        capacity: allowed.value,
        source: `All of the load on the bond${taped ? ', which is stiffer than the tapes' : ''}; ${allowed.says}`,
      }),
      ...(!taped && opens > 0
        ? [
            check(scene, {
              id: 'pulledOff',
              name: 'Adhesive pulled off',
              unit: 'Pa',
              demand: opens / detail.bondWidth,
              capacity: PEEL_SHARE * allowed.value,
              source: `What opens the joint over the bond; 0.3 of the shear strength, ${allowed.says}`,
            }),
          ]
        : []),
      check(scene, {
        id: 'bondLine',
        name: 'Bond line',
        unit: 'm',
        demand: detail.bondLine,
        capacity: 3 * glue.bondLine.value,
        source: 'No more than three times the usual bond line',
      }),
    );
  }
  const cautions: DetailCaution[] = [];
  if (detail.preparation === 'peel')
    cautions.push({
      severity: 'warning',
      title: 'Peel ply alone',
      text: 'A face straight off the peel ply can carry its release; abrade, or test a sample to break.',
    });
  if (detail.method === 'puttyTape')
    cautions.push({
      severity: 'advice',
      title: 'Putty carries no load',
      text: 'Polyester putty is a filler: the tapes carry, the putty keeps the bulkhead off the hull.',
    });
  if (!taped || (detail.adhesive !== null && detail.tapes.length === 0))
    cautions.push({
      severity: 'warning',
      title: 'Paste without tape',
      text: 'A paste joint alone peels from its edge, and nothing shows it: lay tapes over it where it can be reached.',
    });
  if (detail.sides === 1)
    cautions.push({
      severity: 'warning',
      title: 'One side only',
      text: 'A bulkhead tabbed on one side peels off when it is pushed from that side.',
    });
  const tapes = detail.tapes.map(({ overlap, ...tape }) => ({
    ...tape,
    length,
    breadth: 2 * overlap + detail.fillet,
    count: detail.sides * detail.number,
  }));
  const fillet = detail.sides * length * detail.fillet ** 2 * 0.43 * GRAM_OF_FILLET * detail.number;
  const glueMass =
    detail.adhesive === null
      ? 0
      : length *
        detail.bondWidth *
        detail.bondLine *
        need(book, detail.adhesive, 'adhesive', 'Adhesive').density.value *
        detail.number;
  return {
    checks,
    path: [
      { text: `${said(q, 'lineForce')}, ${from}`, check: null },
      ...(detail.adhesive !== null
        ? [
            {
              text: `bond line ${saidLength(detail.bondLine)}, ${saidLength(detail.bondWidth)} wide`,
              check: 'adhesive',
            },
          ]
        : []),
      ...(taped
        ? [
            {
              text: `${detail.tapes.length} tapes on ${detail.sides === 2 ? 'each side' : 'one side'}`,
              check: 'tapes',
            },
            { text: `overlap ${saidLength(widest)}`, check: 'shear' },
          ]
        : []),
      { text: zone.name, check: taped ? 'peel' : null },
    ],
    layers: taped ? tapes : [],
    pastes: [
      { material: null, name: 'Fillet', mass: fillet },
      { material: detail.adhesive, name: 'Bond', mass: glueMass },
    ].filter(({ mass }) => mass > 0),
    mass: addMass(taped ? sheetMass(book, tapes) : NO_MASS, { other: fillet + glueMass }),
    steps: [
      ...preparationSteps(detail.preparation),
      ...(taped
        ? [
            `Fillet of ${saidLength(detail.fillet)} radius, smooth, no hollow`,
            'Wet on wet: tapes from the narrowest to the widest, each ' +
              'wetted on a board and rolled from the corner outwards',
          ]
        : ['Adhesive on one face, press to the bond line with spacers, leave the squeeze-out as a fillet']),
      ...(detail.method === 'vacuum' ? ['Bag and pull vacuum until the resin has gelled'] : []),
    ],
    cautions,
    notChecked: [
      ...(opens === 0
        ? [
            `what opens the ${taped ? 'fillet' : 'bond'}: say which bulkhead it ties, for the reaction of that, or ` +
              'give a load',
          ]
        : []),
      ...(along === 0 ? ['a force along the joint: none is given'] : []),
    ],
  };
}
