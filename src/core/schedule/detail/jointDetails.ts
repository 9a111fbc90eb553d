import { invalid } from '../../error';
import { boltJoint, lapJoint, scarfJoint, tabbingShear } from '../../detail';
import { isHead } from '../../standard';
import { said, saidLength } from '../../quantity';
import { evaluateZone } from '../evaluate';
import { evaluateStiffeners } from '../stiffeners';
import {
  addMass,
  BOND_STRENGTH,
  check,
  inMm,
  layOwn,
  memberAlong,
  need,
  NO_MASS,
  OPEN_HOLE,
  preparationSteps,
  sheetMass,
  type DetailCaution,
  type Findings,
  type Scene,
} from './context';
import type { DetailOf } from './detailSchema';

/** Share of the shear strength of a brittle adhesive that may be counted in peel. */
const PEEL_SHARE = 0.3;
const GRAM_OF_FILLET = 1150;

/** Load on a metre of a joint: typed, or the load case over its length, or half of what the panel's pressure puts on its zone. */
function lineLoadOf(scene: Scene, given: number | null, length: number, what: string): { q: number; from: string } {
  const { boat, part, zone, load, factor } = scene;
  if (given !== null) return { q: given * (load ? factor : 1), from: 'as given' };
  if (load) return { q: (load.force * factor) / length, from: scene.loadName };
  const pressure = evaluateZone(boat, part, zone).pressure?.pressure;
  if (pressure === undefined) throw invalid('lineLoad', `${what}: ${zone.name} has no design pressure; give a load case or a load per metre`);
  return {
    q: (pressure * Math.min(zone.geometry.panelBreadth, zone.geometry.panelLength)) / 2,
    from: `half the panel under ${isHead(zone.location) ? 'its head of water' : 'its design pressure'}`,
  };
}

/**
 * Tabbing of a bulkhead or frame: shear of the bond, strength of the tapes, peel at their edge, stepped widths; or structural adhesive, putty and tape, or bonded under vacuum.
 * Source: tabbing.shear; peel from the eccentric pull of one side, elastic over the overlap.
 */
export function tabbingFindings(scene: Scene, detail: DetailOf<'tabbing'>): Findings {
  const { book, zone } = scene;
  const { q, from } = lineLoadOf(scene, detail.lineLoad, detail.length, detail.name);
  const taped = detail.method !== 'adhesive';
  if (taped && detail.tapes.length === 0) throw invalid('tapes', `${detail.name}: tabbing needs at least one tape`);
  if (!taped && detail.adhesive === null) throw invalid('adhesive', `${detail.name}: choose the adhesive`);
  const widest = Math.max(0, ...detail.tapes.map(({ overlap }) => overlap));
  const reach = Math.min(zone.geometry.panelLength, zone.geometry.panelBreadth);
  if (widest > reach) throw invalid('tapes', `${detail.name}: an overlap of ${inMm(widest)} runs off ${zone.name}, whose panel is ${inMm(reach)}`);
  const laid = layOwn(book, detail.tapes);
  const checks = [];
  const bond = detail.method === 'vacuum' ? BOND_STRENGTH.wetOnWet : BOND_STRENGTH[detail.preparation];
  if (taped) {
    const member = memberAlong(book, laid, 90);
    const shear = tabbingShear({ load: q * detail.length, length: detail.length, overlap: widest, strips: detail.sides });
    const eccentricity = detail.sides === 1 ? member.thickness / 2 + detail.fillet / 2 : member.thickness / 2;
    checks.push(
      check(scene, 'shear', 'Bond of the tapes, mean shear', 'Pa', shear, bond, 'Mean shear of the strips; generic bond strengths'),
      check(scene, 'tapes', 'Tapes in tension', 'N/m', q / detail.sides, member.tensileStrength * member.thickness, 'Strength of the tapes across the joint'),
      check(
        scene,
        'peel',
        'Peel at the edge of the tape',
        'Pa',
        (6 * (q / detail.sides) * eccentricity) / widest ** 2,
        PEEL_SHARE * bond,
        'Moment of the eccentric pull over the overlap, elastic; 0.3 of the shear strength',
      ),
      check(scene, 'fillet', 'Radius of the fillet', 'm', Math.max(0.006, 3 * member.thickness), detail.fillet, 'Three thicknesses of the tape, 6 mm at least'),
    );
    const steps = [...detail.tapes].map(({ overlap }) => overlap).sort((a, b) => a - b);
    if (steps.length > 1) {
      const least = Math.min(...steps.slice(1).map((overlap, i) => overlap - steps[i]!));
      checks.push(check(scene, 'stepped', 'Widths stepped', 'm', 20 * Math.max(...laid.map(({ thickness }) => thickness)), least, 'Each tape ends 20 thicknesses from the next'));
    }
  }
  if (detail.adhesive !== null) {
    const glue = need(book, detail.adhesive, 'adhesive', 'Adhesive');
    checks.push(
      check(
        scene,
        'adhesive',
        'Adhesive, mean shear',
        'Pa',
        taped ? (q * 0.5) / detail.bondWidth : q / detail.bondWidth,
        glue.shearStrength.value,
        taped ? 'Half of the load, shared with the tapes' : 'All of the load on the bond',
      ),
      check(scene, 'bondLine', 'Bond line', 'm', detail.bondLine, 3 * glue.bondLine.value, 'No more than three times the usual bond line'),
    );
  }
  const cautions: DetailCaution[] = [];
  if (detail.preparation === 'peel')
    cautions.push({ severity: 'warning', title: 'Peel ply alone', text: 'A face straight off the peel ply can carry its release; abrade, or test a sample to break.' });
  if (detail.method === 'puttyTape')
    cautions.push({ severity: 'advice', title: 'Putty carries no load', text: 'Polyester putty is a filler: the tapes carry, the putty keeps the bulkhead off the hull.' });
  if (detail.sides === 1) cautions.push({ severity: 'warning', title: 'One side only', text: 'A bulkhead tabbed on one side peels off when it is pushed from that side.' });
  const tapes = detail.tapes.map(({ overlap, ...tape }) => ({
    ...tape,
    length: Math.min(10, detail.length),
    breadth: 2 * overlap + detail.fillet,
    count: detail.sides * detail.number,
  }));
  const fillet = detail.sides * detail.length * detail.fillet ** 2 * 0.43 * GRAM_OF_FILLET * detail.number;
  const glueMass =
    detail.adhesive === null ? 0 : detail.length * detail.bondWidth * detail.bondLine * need(book, detail.adhesive, 'adhesive', 'Adhesive').density.value * detail.number;
  const long = detail.length / Math.min(10, detail.length);
  return {
    checks,
    path: [
      { text: `${said(q, 'lineForce')}, ${from}`, check: null },
      ...(detail.adhesive !== null ? [{ text: `bond line ${saidLength(detail.bondLine)}, ${saidLength(detail.bondWidth)} wide`, check: 'adhesive' }] : []),
      ...(taped
        ? [
            { text: `${detail.tapes.length} tapes on ${detail.sides === 2 ? 'each side' : 'one side'}`, check: 'tapes' },
            { text: `overlap ${saidLength(widest)}`, check: 'shear' },
          ]
        : []),
      { text: zone.name, check: taped ? 'peel' : null },
    ],
    layers: tapes,
    mass: addMass(
      taped
        ? sheetMass(
            book,
            tapes.map((tape) => ({ ...tape, count: tape.count * long })),
          )
        : NO_MASS,
      { other: fillet + glueMass },
    ),
    steps: [
      ...preparationSteps(detail.preparation),
      ...(taped
        ? [
            `Fillet of ${saidLength(detail.fillet)} radius, smooth, no hollow`,
            'Wet on wet: tapes from the narrowest to the widest, each wetted on a board and rolled from the corner outwards',
          ]
        : ['Adhesive on one face, press to the bond line with spacers, leave the squeeze-out as a fillet']),
      ...(detail.method === 'vacuum' ? ['Bag and pull vacuum until the resin has gelled'] : []),
    ],
    cautions,
  };
}

/** Hull-to-deck joint: adhesive over the flange, and fasteners that alone would hold it. Source: joint.lap (Volkersen), bolt.joint at the pitch. */
export function flangeFindings(scene: Scene, detail: DetailOf<'flange'>): Findings {
  const { book, laid, zone } = scene;
  const { q, from } = lineLoadOf(scene, detail.lineLoad, detail.length, detail.name);
  const glue = need(book, detail.adhesive, 'adhesive', 'Adhesive');
  const metal = need(book, detail.boltMetal, 'metal', 'Fasteners');
  if (detail.pitch !== null && detail.edgeDistance < detail.boltDiameter)
    throw invalid('edgeDistance', `${detail.name}: the holes stand ${inMm(detail.edgeDistance)} from the edge, less than one diameter of ${inMm(detail.boltDiameter)}`);
  if (detail.pitch !== null && 2 * detail.edgeDistance > detail.width + 1e-9)
    throw invalid('edgeDistance', `${detail.name}: an edge distance of ${inMm(detail.edgeDistance)} does not fit a flange of ${inMm(detail.width)}`);
  if (detail.pitch !== null && detail.pitch < 3 * detail.boltDiameter) throw invalid('pitch', `${detail.name}: fasteners at ${inMm(detail.pitch)} are closer than three diameters`);
  const member = memberAlong(book, laid, 90);
  const lap = lapJoint({ load: q, overlap: detail.width, adherends: [member, member], adhesive: { G: glue.shearModulus.value, thickness: detail.bondLine } });
  // A tough adhesive evens out its peak; a brittle one does not.
  const tough = glue.elongation.value > 0.1;
  const checks = [
    check(scene, 'adhesive', 'Adhesive, mean shear', 'Pa', lap.averageShear, glue.shearStrength.value, 'Load per metre over the flange'),
    check(
      scene,
      'peak',
      `Adhesive, peak${tough ? ' (evens out: elongation over 10 %)' : ''}`,
      'Pa',
      tough ? lap.averageShear * 1.5 : lap.peakShear,
      glue.shearStrength.value,
      tough ? 'One and a half times the mean in a tough adhesive' : 'Volkersen',
    ),
    check(scene, 'bondLine', 'Bond line', 'm', detail.bondLine, 3 * glue.bondLine.value, 'No more than three times the usual bond line'),
  ];
  if (detail.pitch !== null) {
    const joint = boltJoint({
      load: q * detail.pitch,
      boltDiameter: detail.boltDiameter,
      boltCount: 1,
      width: detail.pitch,
      edgeDistance: detail.edgeDistance,
      thickness: member.thickness,
      bearingStrength: member.compressiveStrength,
      tensionStrength: OPEN_HOLE * member.tensileStrength,
      shearStrength: member.shearStrength,
    });
    const { governs } = joint;
    const capacity = { bearing: member.compressiveStrength, netTension: OPEN_HOLE * member.tensileStrength, shearOut: member.shearStrength }[governs];
    checks.push(
      check(
        scene,
        'fasteners',
        `Fasteners alone: ${{ bearing: 'bearing', netTension: 'net section', shearOut: 'shear-out' }[governs]}`,
        'Pa',
        joint[governs].stress,
        capacity,
        'Nominal stress at the pitch, no adhesive counted',
      ),
    );
  }
  const fasteners = detail.pitch === null ? 0 : Math.ceil(detail.length / detail.pitch);
  return {
    checks,
    path: [
      { text: `${said(q, 'lineForce')}, ${from}`, check: null },
      { text: `${zone.name}, ${saidLength(member.thickness)}`, check: null },
      { text: `${glue.name}, ${saidLength(detail.width)} wide`, check: 'adhesive' },
      ...(detail.pitch === null ? [] : [{ text: `${fasteners} fasteners at ${saidLength(detail.pitch)}, should the adhesive go`, check: 'fasteners' }]),
    ],
    layers: [],
    mass: addMass(NO_MASS, {
      other:
        detail.number * detail.length * detail.width * detail.bondLine * glue.density.value +
        detail.number * fasteners * (Math.PI / 4) * detail.boltDiameter ** 2 * (2 * member.thickness + 0.02) * metal.density.value * 1.6,
    }),
    steps: [
      ...preparationSteps(detail.preparation),
      'Dry-fit deck on hull with all clamps; mark the overlap',
      `Bead of ${glue.name.toLowerCase()} in one unbroken line outside the holes; spacers for ${saidLength(detail.bondLine)}`,
      ...(detail.pitch === null ? ['Clamp until cured'] : [`Fasteners every ${saidLength(detail.pitch)}, from the middle to the ends, each bedded in sealant`]),
      'Hose test before anything covers the joint',
    ],
    cautions:
      detail.pitch === null ? [{ severity: 'warning', title: 'Adhesive alone', text: 'Nothing holds the deck when a bond fails in one place: most builders add fasteners.' }] : [],
  };
}

/** A lengthened or repaired hull: slope or steps of the joint against the laminate it joins. Source: stress on an inclined plane; equal strength of overlap layers. */
export function extensionFindings(scene: Scene, detail: DetailOf<'extension'>): Findings {
  const { book, laid, zone } = scene;
  const fabrics = laid.filter(({ material }) => material.kind === 'fabric');
  const member = memberAlong(book, fabrics, 0);
  const slope = detail.ratio * member.thickness;
  const room = Math.max(zone.geometry.panelLength, zone.geometry.panelBreadth);
  if (slope > room) throw invalid('ratio', `${detail.name}: a joint of 1 : ${detail.ratio} is ${inMm(slope)} long, longer than ${zone.name} with ${inMm(room)}`);
  const { shear, tension } = scarfJoint({ stress: member.tensileStrength, ratio: detail.ratio });
  const own = layOwn(book, [...detail.outer, ...detail.inner]);
  const overlap = own.length === 0 ? null : memberAlong(book, own, 0);
  const N = member.tensileStrength * member.thickness;
  const bond = BOND_STRENGTH[detail.preparation];
  const stepShear = detail.form === 'step' ? N / slope : shear;
  const overlapShare = overlap === null ? 0 : Math.min(1, (overlap.tensileStrength * overlap.thickness) / N);
  const narrowest = Math.min(Infinity, ...[...detail.outer, ...detail.inner].map((tape) => tape.overlap));
  const checks = [
    check(
      scene,
      'shear',
      `Shear on the ${detail.form === 'scarf' ? 'slope' : 'steps'} at the full strength of the laminate`,
      'Pa',
      stepShear * (1 - overlapShare),
      bond,
      detail.form === 'scarf' ? 'τ = σ sin θ cos θ, less what the overlap layers carry' : 'Full strength over the length of the steps, less what the overlap layers carry',
    ),
    check(scene, 'pull', 'Pull across the slope', 'Pa', tension * (1 - overlapShare), 0.3 * bond, 'σ sin² θ; 0.3 of the shear strength'),
    check(scene, 'ratio', 'Length of the joint', '', detail.form === 'scarf' ? 12 : 20, detail.ratio, 'Usual practice: scarf 1 : 12, steps 1 : 20 at least'),
    ...(overlap ? [check(scene, 'overlap', 'Bond of the overlap layers', 'Pa', (overlapShare * N) / narrowest, bond, 'What they carry over the narrowest overlap')] : []),
  ];
  const layers = [...detail.outer, ...detail.inner].map(({ overlap: breadth, ...sheet }) => ({
    ...sheet,
    length: Math.min(10, detail.length),
    breadth: 2 * breadth,
    count: detail.number,
  }));
  return {
    checks,
    path: [
      { text: `${zone.name}, ${said(N, 'lineForce')} at its strength`, check: null },
      { text: `${detail.form === 'scarf' ? 'scarf' : 'steps'} 1 : ${detail.ratio}, ${saidLength(slope)} long`, check: 'shear' },
      ...(overlap ? [{ text: `${detail.outer.length} layers outside, ${detail.inner.length} inside, ${Math.round(overlapShare * 100)} % of the strength`, check: 'overlap' }] : []),
      { text: 'the new laminate', check: null },
    ],
    layers,
    mass: sheetMass(
      book,
      layers.map((layer) => ({ ...layer, count: (layer.count * detail.length) / layer.length })),
    ),
    steps: [
      `Grind the ${detail.form === 'scarf' ? `slope 1 : ${detail.ratio}` : `steps, one per layer, 1 : ${detail.ratio} over all`}`,
      ...preparationSteps(detail.preparation),
      'Support the form behind the joint, check fairness with a batten',
      'Lay the layers of the hull in their order, each to its own step; overlap layers last',
    ],
    cautions:
      detail.outer.length === 0 || detail.inner.length === 0
        ? [{ severity: 'advice', title: 'Overlap on one face', text: 'Overlap layers inside and out keep the joint from bending; on one face alone it peels.' }]
        : [],
  };
}

/** A liner bonded in as a stiffener. Source: reaction of the skin it carries over the bond; hold on bond line from the adhesive. */
export function linerFindings(scene: Scene, detail: DetailOf<'liner'>): Findings {
  const { boat, part, zone, book, load, factor } = scene;
  const glue = need(book, detail.adhesive, 'adhesive', 'Adhesive');
  const pressure = load ? (load.force * factor) / (detail.bondLength * detail.tributary) : evaluateZone(boat, part, zone).pressure?.pressure;
  if (pressure === undefined) throw invalid('load', `${detail.name}: ${zone.name} has no design pressure; give a load case`);
  const q = pressure * detail.tributary;
  const spacing = detail.bondLength / detail.inspections;
  const checks = [
    check(scene, 'tension', 'Bond pulled off', 'Pa', q / detail.bondWidth, PEEL_SHARE * glue.shearStrength.value, 'Reaction of the skin over the bond; 0.3 of the shear strength'),
    check(scene, 'shear', 'Bond in shear', 'Pa', (1.5 * q * 0.5) / detail.bondWidth, glue.shearStrength.value, 'Flow of shear at a stiffener, half of the reaction times 1.5'),
    check(scene, 'bondLine', 'Bond line', 'm', detail.bondLine, 3 * glue.bondLine.value, 'No more than three times the usual bond line'),
    check(scene, 'inspection', 'Inspection points', 'm', spacing, 1, 'A look at the bond every metre'),
  ];
  return {
    checks,
    path: [
      { text: `${said(pressure, 'pressure')} on ${zone.name}`, check: null },
      { text: `${saidLength(detail.tributary)} of skin to each metre of bond`, check: null },
      { text: `${glue.name}, ${saidLength(detail.bondWidth)} wide, ${saidLength(detail.bondLine)} thick`, check: 'tension' },
      { text: 'liner as stiffener', check: 'shear' },
    ],
    layers: [],
    mass: addMass(NO_MASS, { other: detail.number * detail.bondLength * detail.bondWidth * detail.bondLine * glue.density.value }),
    steps: [
      ...preparationSteps(detail.preparation),
      'Dry-fit with putty at every metre: measure the bond line, mend it over three times the usual',
      'Adhesive on the liner, lower once, weight or vacuum until cured',
      `Inspect through ${detail.inspections} openings: squeeze-out on both sides, tap test`,
    ],
    cautions: [{ severity: 'warning', title: 'A bond nobody sees', text: 'What is hidden under the liner cannot be mended later: leave the inspection openings.' }],
  };
}

/** The end of a stiffener, and where two cross. Source: end shear of the stiffener over the bond of its flanges within the taper. */
export function stiffenerEndFindings(scene: Scene, detail: DetailOf<'stiffenerEnd'>): Findings {
  const { boat, book } = scene;
  const found = evaluateStiffeners(boat).find(({ support }) => support.id === detail.support);
  if (!found || !found.section || !found.worst) throw invalid('support', `${detail.name}: choose a stiffener with a section, that runs on the boat`);
  const { section, worst } = found;
  const shear = (worst.pressure * worst.span.spacing * worst.span.length) / 2;
  const taper = detail.taper * section.height;
  if (taper > worst.span.length / 2) throw invalid('taper', `${detail.name}: a taper of ${inMm(taper)} is longer than half the span of ${inMm(worst.span.length)}`);
  if (detail.notch >= section.height) throw invalid('notch', `${detail.name}: a notch of ${inMm(detail.notch)} cuts through a stiffener ${inMm(section.height)} high`);
  const width = section.kind === 'topHat' ? 2 * section.flangeWidth : section.flangeWidth * 2;
  const glue = detail.adhesive === null ? null : need(book, detail.adhesive, 'adhesive', 'Adhesive');
  const strength = glue?.shearStrength.value ?? BOND_STRENGTH[detail.preparation];
  const web = worst.checks.find(({ id }) => id === 'web');
  const checks = [
    check(scene, 'bond', 'Flanges at the end, mean shear', 'Pa', shear / (width * Math.max(taper, section.height)), strength, 'End shear over the flanges within the taper'),
    check(
      scene,
      'taper',
      'Length of the end',
      '',
      detail.end === 'bracketed' ? 1.5 : detail.end === 'tapered' ? 3 : 5,
      detail.taper,
      'Taper 1 : 3, bracket 1 : 1.5; cut off square it leaves a hard spot',
    ),
    ...(web && detail.notch > 0
      ? [
          check(
            scene,
            'notch',
            'Web left at the intersection',
            '',
            1,
            web.reserveFactor * (1 - detail.notch / section.height),
            'Web reserve of the section over the height the notch leaves',
          ),
        ]
      : []),
  ];
  return {
    checks,
    path: [
      { text: `${found.support.name}: ${said(shear, 'force')} at its end`, check: null },
      { text: `${detail.end === 'tapered' ? 'tapered' : detail.end === 'bracketed' ? 'bracketed' : 'cut off'} 1 : ${detail.taper}`, check: 'taper' },
      { text: `flanges ${saidLength(width)} over ${saidLength(taper)}`, check: 'bond' },
      { text: worst.zone?.zone.name ?? scene.zone.name, check: null },
    ],
    layers: [],
    mass: NO_MASS,
    steps: [
      ...preparationSteps(detail.preparation),
      'Run the flanges on past the end of the former, taper the former, no hollow under the toe',
      ...(detail.notch > 0 ? ['Where two cross, the deeper one runs through; wrap the crown of the other over it'] : []),
    ],
    cautions:
      detail.end === 'cutOff'
        ? [{ severity: 'warning', title: 'Hard spot', text: 'A stiffener cut off square cracks the skin at its end: taper it, or carry it to the next member.' }]
        : [],
  };
}
