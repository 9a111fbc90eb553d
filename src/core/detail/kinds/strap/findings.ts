import { bondAllowed, BOND_STRENGTH } from '../../../material';
import { invalid } from '../../../error';
import { lapJoint, strapOffAxis, strapPair } from '../..';
import { said, saidLength } from '../../../quantity';
import { designPliesOf } from '../../../evaluate';
import {
  check,
  fabricOf,
  FATIGUE_RETENTION,
  INTERLAYER,
  layOwn,
  memberAlong,
  preparationSteps,
  sheetMass,
  skinsUnder,
  type DetailCaution,
  type DetailLayer,
  type Findings,
  type Scene,
} from '../scene';
import type { DetailOf } from '../schema';

const LEAST_STEP = 20;
/** When the straps are laid, by what stands there already. */
const SEQUENCE_STEP = {
  before: 'Lay the straps first; bulkhead or knee comes over them',
  after: 'Bulkhead or knee is in and faired; straps come over it',
  none: '',
} as const;
/** Steepest that a load may leave the laminate under a strap (degrees); what stands square to it is a check. */
const MOST_OFF = 30;
/** Share of the anchor over which straps are pulled off, and of the shear strength that counts then. */
const ROOT = 0.2;
const PEEL_SHARE = 0.3;
/** Inside radius below which a unidirectional strap is taken to lose its fibres, in thicknesses. */
const LEAST_RADIUS = 5;

/**
 * Straps led in a load's direction, to one side or both: strength along misaligned fibres, bond to the base, taper,
 * strain against the base, fitting and fatigue.
 *
 * @throws KeramosError `invalid` when the anchor is longer than the zone, the strips step away before the anchor
 * ends, or the fabric has no fibres along it.
 * Source: strap.pair, strap.offAxis (Tsai–Hill), joint.lap (Volkersen).
 */
export function strapFindings(scene: Scene, detail: DetailOf<'strap'>): Findings {
  const { boat, book, zone, laid, inPlane, normal, factor, load, loadName } = scene;
  if (!load) throw invalid('load', `${detail.name}: give straps a load case to lead away`);
  const fabric = fabricOf(book, detail.fabric);
  const [own] = layOwn(book, [{ material: detail.fabric, angleDeg: 0 }]);
  const reach = Math.max(zone.geometry.panelLength, zone.geometry.panelBreadth, Math.sqrt(zone.geometry.area));
  if (detail.anchor > reach)
    throw invalid(
      'anchor',
      `${detail.name}: an anchor of ${saidLength(detail.anchor)} runs ` +
        `off ${zone.name}, which reaches ${saidLength(reach)}`,
      { given: detail.anchor, maximum: reach },
    );
  if (detail.width > reach)
    throw invalid('width', `${detail.name}: strips of ${saidLength(detail.width)} are wider than ${zone.name}`, {
      given: detail.width,
      maximum: reach,
    });
  if (detail.step * (detail.strips - 1) >= detail.anchor)
    throw invalid(
      'step',
      `${detail.name}: ${detail.strips} strips stepped by ` +
        `${saidLength(detail.step)} leave nothing of an anchor of ` +
        `${saidLength(detail.anchor)}`,
      { given: detail.step, maximum: detail.anchor / (detail.strips - 1) },
    );
  const plies = designPliesOf(boat, book, [own!]).filter(({ strength }) => strength);
  const along = plies.filter(({ angleDeg }) => Math.abs(angleDeg) < 1);
  if (along.length === 0)
    throw invalid('fabric', `${fabric.code} has no fibres along the strap: choose a unidirectional fabric`);
  const thickness = along.reduce((sum, ply) => sum + ply.thickness, 0);
  const strength = along[0]!.strength!;
  const X = strapOffAxis(strength, detail.misalignDeg, 'tsaiHill');
  const E1 = along[0]!.E1;

  const force = Math.hypot(...inPlane);
  const offDeg = (Math.atan2(Math.abs(normal), force) * 180) / Math.PI;
  if (offDeg > MOST_OFF)
    throw invalid(
      'load',
      `${detail.name}: the load leaves the laminate at ${offDeg.toFixed(0)}°; straps hold up to ${MOST_OFF}°. ` +
        'Lead it away in its plane, or take a fitting that is bolted through',
      { given: offDeg, maximum: MOST_OFF },
    );
  const directionDeg = (Math.atan2(inPlane[1], inPlane[0]) * 180) / Math.PI;
  const count = detail.sides * detail.strips;
  const wraps = detail.wrap === 'tube' ? 2 : 1;
  const half = detail.sides === 2 ? detail.halfAngleDeg : 0;
  const { forceEach } = strapPair({
    load: force,
    angleDeg: half,
    count,
    thickness: thickness * wraps,
    strength: X,
    safetyFactor: factor,
  });
  const leg = forceEach * detail.strips;
  const capacityEach = X * thickness * wraps * detail.width;
  const bondWidth = detail.width * wraps;
  const meanAnchor = detail.anchor - (detail.step * (detail.strips - 1)) / 2;
  // Straps to both sides lie each their own way over the base, on one skin of a sandwich or the other.
  const bases = skinsUnder(laid).flatMap((skin) =>
    (half === 0 ? [0] : [half, -half]).map((off) => memberAlong(book, skin, directionDeg + off)),
  );
  const laps = bases.map((base) =>
    lapJoint({
      load: (leg * factor) / bondWidth,
      overlap: meanAnchor,
      adherends: [
        { E: E1, thickness: thickness * detail.strips },
        { E: base.E, thickness: base.thickness },
      ],
      adhesive: { G: book.resin.E.value / (2 * (1 + book.resin.nu.value)), thickness: INTERLAYER },
    }),
  );
  const lap = laps.reduce((a, b) => (b.peakShear > a.peakShear ? b : a));
  const strain = (leg * factor) / (E1 * thickness * detail.strips * bondWidth);
  const baseStrain = Math.min(...bases.map((base) => base.tensileStrength / base.E));
  const family = book.fibres.get(fabric.components[0]!.fibre)?.family ?? 'eGlass';
  const retention = FATIGUE_RETENTION[family] ?? 0.35;
  const total = capacityEach * count * Math.cos((half * Math.PI) / 180);

  const bond = bondAllowed(BOND_STRENGTH[detail.preparation]);
  const checks = [
    check(scene, {
      id: 'strap',
      name: 'Strap in tension',
      unit: 'N',
      demand: forceEach * factor,
      capacity: capacityEach,
      source: 'Tsai–Hill off-axis strength of the strap times its section',
    }),
    check(scene, {
      id: 'bond',
      name: 'Bond of the strap, mean shear',
      unit: 'Pa',
      demand: lap.averageShear,
      capacity: bond.value,
      source: `Mean shear over the anchor; ${bond.says}, generic`,
    }),
    check(scene, {
      id: 'bondPeak',
      name: 'Bond of the strap, peak at its end',
      unit: 'Pa',
      demand: lap.peakShear,
      capacity: book.resin.tensileStrength.value / Math.sqrt(3),
      source: 'Volkersen peak against shear yield of the resin, σ/√3',
    }),
    check(scene, {
      id: 'baseStrain',
      name: 'Base laminate strained with the strap',
      unit: '',
      demand: strain,
      capacity: baseStrain,
      source: 'Strain of the strap against the limiting strain of the base',
    }),
    ...(offDeg > 0.1
      ? [
          check(scene, {
            id: 'pullOff',
            name: 'Straps pulled off the laminate',
            unit: 'Pa',
            demand: (Math.abs(normal) * factor) / (detail.sides * bondWidth * ROOT * meanAnchor),
            capacity: PEEL_SHARE * bond.value,
            source: `What stands square to it over the first fifth of the anchor; 0.3 of the bond, ${bond.says}`,
          }),
        ]
      : []),
    ...(detail.strips > 1
      ? [
          check(scene, {
            id: 'step',
            name: 'Step between strips',
            unit: 'm',
            demand: LEAST_STEP * own!.thickness,
            capacity: detail.step,
            source: 'Ply drop-off at 20 thicknesses',
          }),
        ]
      : []),
    ...(detail.fittingStrength !== null
      ? [
          check(scene, {
            id: 'fitting',
            name: 'Straps outlast the fitting',
            unit: 'N',
            demand: detail.fittingStrength,
            capacity: total,
            source: "Capacity of all straps against the fitting's breaking load",
          }),
        ]
      : []),
    ...(detail.fatigue
      ? [
          check(scene, {
            id: 'fatigue',
            name: 'Fatigue at a million cycles',
            unit: 'N',
            demand: forceEach,
            capacity: capacityEach * retention,
            source: `Strength kept by ${family} after a million cycles: ${retention}`,
          }),
        ]
      : []),
    ...(detail.radius !== null && detail.wrap !== 'flat'
      ? [
          check(scene, {
            id: 'radius',
            name: 'Radius it wraps round',
            unit: 'm',
            demand: LEAST_RADIUS * thickness * detail.strips,
            capacity: detail.radius,
            source: 'Inside radius of five thicknesses or more',
          }),
        ]
      : []),
  ];
  const side =
    detail.sides === 2 ? `${detail.strips} strips to port, ${detail.strips} to starboard` : `${detail.strips} strips`;
  const path = [
    { text: `${loadName} ${said(force, 'force')} × ${factor}`, check: null },
    ...(detail.fittingStrength !== null
      ? [{ text: `fitting, breaks at ${said(detail.fittingStrength, 'force')}`, check: 'fitting' }]
      : []),
    ...(detail.wrap !== 'flat'
      ? [{ text: `round the ${detail.wrap}`, check: detail.radius === null ? null : 'radius' }]
      : []),
    { text: `${side}, ${saidLength(detail.width)} wide, ${said(forceEach * factor, 'force')} in each`, check: 'strap' },
    { text: `bond ${saidLength(detail.anchor)}`, check: 'bond' },
    { text: `${zone.name}, its laminate`, check: 'baseStrain' },
  ];
  const cautions: DetailCaution[] = [];
  const slope = 100 * (1 - strapOffAxis(strength, Math.min(15, detail.misalignDeg + 5), 'tsaiHill') / X);
  cautions.push({
    severity: 'advice',
    title: 'Direction decides',
    text: `Another 5° off the load costs ${slope.toFixed(0)} % of the strength: mark the direction before you wet out.`,
  });
  if (Math.abs(normal) > 0.3 * force)
    cautions.push({
      severity: 'warning',
      title: 'The load leaves the plane',
      text:
        `${said(Math.abs(normal), 'force')} pull the straps off the laminate: ` +
        'lead them over an edge, or add a fitting that turns the load.',
    });
  if (detail.wrap !== 'flat' && detail.radius === null)
    cautions.push({
      severity: 'warning',
      title: 'No radius given',
      text: 'Fibres round a sharp edge break first: give the radius and check it.',
    });
  if (family === 'carbon')
    cautions.push({
      severity: 'warning',
      title: 'Carbon at metal',
      text:
        'Insulate the fitting with a layer of glass and sealant: carbon ' +
        'eats aluminium and attacks stainless steel in the wet.',
    });
  const layers = stripsOf(detail, Math.max(-90, Math.min(90, Math.round(((directionDeg + 270) % 180) - 90))));
  const steps = [
    ...preparationSteps(detail.preparation),
    `Mark the load's direction${detail.sides === 2 ? ` and the legs at ${half}° to it` : ''}`,
    SEQUENCE_STEP[detail.sequence],
    `Lay strip by strip, each ${saidLength(detail.step)} shorter than ` +
      'the one under it, longest first; alternate the sides',
    'Cover with one layer of light fabric against chafe and sun',
  ].filter(Boolean);
  return {
    checks,
    path,
    layers,
    mass: sheetMass(book, layers),
    steps,
    cautions,
  };
}

/**
 * The strips as they are cut, longest first, those of one length together: each steps back from the one under it, and
 * round a tube it runs there and back in one piece.
 */
function stripsOf({ fabric, width, anchor, step, strips, ...detail }: DetailOf<'strap'>, angleDeg: number) {
  const round = detail.wrap === 'tube' ? Math.PI * (detail.radius ?? 0) : 0;
  const legs = detail.wrap === 'tube' ? 2 : 1;
  const cut = (stepped: number, count: number): DetailLayer => ({
    material: fabric,
    angleDeg,
    length: legs * (anchor - stepped * step) + round,
    breadth: width,
    count: count * detail.sides * detail.number,
  });
  return step > 0 ? Array.from({ length: strips }, (_, i) => cut(i, 1)) : [cut(0, strips)];
}
