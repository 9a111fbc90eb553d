import { BOND_STRENGTH } from '../../../material';
import { invalid } from '../../../error';
import { scarfJoint } from '../..';
import type { SectionMember } from '../../../evaluate';
import { said, saidLength } from '../../../quantity';
import { check, layOwn, memberAlong, preparationSteps, sheetMass, type Findings, type Scene } from '../scene';
import type { DetailOf } from '../schema';

/** What the joint asks of slope, bond and overlap layers in one direction of the laminate. */
function checksAlong(
  scene: Scene,
  detail: DetailOf<'extension'>,
  { member, overlap, slope }: { member: SectionMember; overlap: SectionMember | null; slope: number },
) {
  const { tensileStrength, compressiveStrength, shearStrength, thickness } = member;
  // Pressed or pulled, or sheared along the joint: the traction on a slope is then S sin θ, as on steps S t over them.
  const strongest = Math.max(tensileStrength, compressiveStrength);
  const { shear } = scarfJoint({ stress: strongest, ratio: detail.ratio });
  const { tension } = scarfJoint({ stress: tensileStrength, ratio: detail.ratio });
  const N = strongest * thickness;
  const bond = BOND_STRENGTH[detail.preparation];
  const stepShear =
    detail.form === 'step'
      ? (Math.max(strongest, shearStrength) * thickness) / slope
      : Math.max(shear, shearStrength / Math.hypot(1, detail.ratio));
  // Both paths stretch alike where they lie on one another: each takes as much as it is stiff.
  const [ofOverlap, ofHull] = [overlap ? overlap.E * overlap.thickness : 0, member.E * member.thickness];
  const overlapShare = ofOverlap / (ofOverlap + ofHull);
  const narrowest = Math.min(Infinity, ...[...detail.outer, ...detail.inner].map((tape) => tape.overlap));
  const checks = [
    check(scene, {
      id: 'shear',
      name: `Shear on the ${detail.form === 'scarf' ? 'slope' : 'steps'} at the full strength of the laminate`,
      unit: 'Pa',
      demand: stepShear * (1 - overlapShare),
      capacity: bond,
      source:
        detail.form === 'scarf'
          ? 'τ = σ sin θ cos θ pulled or pressed, S sin θ along the joint, less what the overlap layers carry'
          : 'Full strength over the length of the steps, less what the overlap layers carry',
    }),
    check(scene, {
      id: 'pull',
      name: 'Pull across the slope',
      unit: 'Pa',
      demand: tension * (1 - overlapShare),
      capacity: 0.3 * bond,
      source: 'σ sin² θ; 0.3 of the shear strength',
    }),
    check(scene, {
      id: 'ratio',
      name: 'Length of the joint',
      unit: '',
      demand: detail.form === 'scarf' ? 12 : 20,
      capacity: detail.ratio,
      source: 'Usual practice: scarf 1 : 12, steps 1 : 20 at least',
    }),
    ...(overlap
      ? [
          check(scene, {
            id: 'overlap',
            name: 'Bond of the overlap layers',
            unit: 'Pa',
            demand: (overlapShare * N) / narrowest,
            capacity: bond,
            source: 'What they carry over the narrowest overlap',
          }),
          check(scene, {
            id: 'overlapTension',
            name: 'Overlap layers in tension',
            unit: 'N/m',
            demand: overlapShare * N,
            capacity: Math.min(overlap.tensileStrength, overlap.compressiveStrength) * overlap.thickness,
            source: 'Their share of the full strength, by stiffness EA, against their own strength',
          }),
        ]
      : []),
  ];
  return { checks, N, overlapShare };
}

/**
 * A lengthened or repaired hull: slope or steps of the joint against the laminate it joins. Which way the joint runs is
 * not said, so each check is made along the boat and across it, and the lesser reserve counts; so is which way it is
 * loaded: pulled, pressed or sheared. Source: stress on an inclined plane; overlap layers share by stiffness EA.
 */
export function extensionFindings(scene: Scene, detail: DetailOf<'extension'>): Findings {
  const { book, laid, zone } = scene;
  const fabrics = laid.filter(({ material }) => material.kind === 'fabric');
  const member = memberAlong(book, fabrics, 0);
  const slope = detail.ratio * member.thickness;
  const room = Math.max(zone.geometry.panelLength, zone.geometry.panelBreadth);
  if (slope > room)
    throw invalid(
      'ratio',
      `${detail.name}: a joint of 1 : ${detail.ratio} is ${saidLength(slope)} ` +
        `long, longer than ${zone.name} with ${saidLength(room)}`,
      { given: detail.ratio, maximum: room / member.thickness },
    );
  const own = layOwn(book, [...detail.outer, ...detail.inner]);
  const overlapAlong = (direction: number) => (own.length === 0 ? null : memberAlong(book, own, direction));
  const overlap = overlapAlong(0);
  const along = checksAlong(scene, detail, { member, overlap, slope });
  const across = checksAlong(scene, detail, {
    member: memberAlong(book, fabrics, 90),
    overlap: overlapAlong(90),
    slope,
  });
  const checks = along.checks.map((one, i) => {
    const other = across.checks[i]!;
    if (other.reserveFactor >= one.reserveFactor * (1 - 1e-9)) return one;
    return { ...other, name: `${other.name}, across the boat` };
  });
  const { N, overlapShare } = along;
  const layers = [...detail.outer, ...detail.inner].map(({ overlap: breadth, ...sheet }) => ({
    ...sheet,
    length: detail.length,
    breadth: 2 * breadth,
    count: detail.number,
  }));
  return {
    checks,
    path: [
      { text: `${zone.name}, ${said(N, 'lineForce')} at its strength`, check: null },
      {
        text: `${detail.form === 'scarf' ? 'scarf' : 'steps'} 1 : ${detail.ratio}, ${saidLength(slope)} long`,
        check: 'shear',
      },
      ...(overlap
        ? [
            {
              text:
                `${detail.outer.length} layers outside, ${detail.inner.length} ` +
                `inside, ${Math.round(overlapShare * 100)} % of the force`,
              check: 'overlap',
            },
          ]
        : []),
      { text: 'the new laminate', check: null },
    ],
    layers,
    mass: sheetMass(book, layers),
    steps: [
      'Grind the ' +
        (detail.form === 'scarf' ? `slope 1 : ${detail.ratio}` : `steps, one per layer, 1 : ${detail.ratio} over all`),
      ...preparationSteps(detail.preparation),
      'Support the form behind the joint, check fairness with a batten',
      'Lay the layers of the hull in their order, each to its own step; overlap layers last',
    ],
    cautions:
      detail.outer.length === 0 || detail.inner.length === 0
        ? [
            {
              severity: 'advice',
              title: 'Overlap on one face',
              text: 'Overlap layers inside and out keep the joint from bending; on one face alone it peels.',
            },
          ]
        : [],
    notChecked: laid.some(({ material }) => material.kind === 'core') ? ['the joint of the core'] : [],
  };
}
