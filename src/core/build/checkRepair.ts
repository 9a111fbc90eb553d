import { scarfJoint } from '../detail';
import { layOwn, memberAlong } from '../detail/kinds';
import { bondAllowed, BOND_STRENGTH, PREPARATIONS } from '../material';
import type { Boat, Part, Zone } from '../document';
import { invalid } from '../error';
import { bookOf, evaluateZone, layAll, targetOf, verdictOf, type LaidLayer, type Verdict } from '../evaluate';
import { said } from '../quantity';
import { CHECKS } from '../standard';
import type { Repair } from './repair';

/** One thing that a repair must come up to: Pa, N/m or ratios; reserve factor is capacity over demand. */
export interface RepairCheck {
  name: string;
  demand: number;
  capacity: number;
  unit: 'Pa' | 'N/m' | '';
  reserveFactor: number;
  source: string;
}
/** A piece of the repair, in the order in which it is laid: as wide along the fibre's 0° as across (m). */
export interface RepairPiece {
  cloth: string;
  angleDeg: number;
  width: number;
  /** Replaces a layer of that number from the mould; null lies over it. */
  layer: number | null;
}
export interface CheckedRepair {
  checks: RepairCheck[];
  verdict: Verdict | 'notProven';
  pieces: RepairPiece[];
  /** Thickness that comes out, and length of the joint all round (m). */
  thickness: number;
  joint: number;
  /** Core comes out and goes in again. */
  core: boolean;
  steps: string[];
  notChecked: string[];
}

/** Least length of a joint per thickness that is usual. */
const USUAL = { scarf: 12, step: 20 } as const;
/** Share of a bond's shear strength that it bears pulled apart. */
const PULL_SHARE = 0.3;
/** Share of the mean strength of a laminate that a check credits it with at most, until its pack says otherwise. */
const CREDITED = 0.5;
const DIRECTIONS = [0, 90, 45, -45] as const;

const isCloth = ({ material, layer }: LaidLayer) => material.kind === 'fabric' && layer.role === 'structure';
const codeOf = ({ material }: LaidLayer) => material.code || material.name;

/** Layers from the face that comes out, the outermost first. */
function taken(laid: readonly LaidLayer[], { face, depth }: Repair): LaidLayer[] {
  const fromFace = face === 'mould' ? [...laid] : [...laid].reverse();
  return fromFace.slice(0, depth);
}

/**
 * Whether a repair laminate gives back what it takes the place of: the joint in four directions at the most that a
 * check credits the laminate with, strength and stiffness of the new against the old, and the zone as if it were laid
 * like the repair all over.
 *
 * @param zone of the revision that is built. @param size of the damage (m), across its widest place.
 * @throws KeramosError `invalid` where more layers come out than there are, none of them carries, or the joint does not
 * fit on the zone's panel.
 * @example checkRepair(boat, hull, side, { repair: USUAL_REPAIR, size: 0.08 }).verdict // 'meets'
 * Source: stress on an inclined plane for the slope; force over length for steps; mean strength of the bond over its
 * factor (2 tested, 3 else).
 */
export function checkRepair(
  boat: Boat,
  part: Part,
  zone: Zone,
  { repair, size }: { repair: Repair; size: number },
): CheckedRepair {
  const before = layAll(bookOf(boat, 0), part, zone);
  if (repair.depth > before.length)
    throw invalid('repair.depth', `${zone.name} has ${before.length} layers: ${repair.depth} cannot come out`);
  const relaid: Boat = { ...boat, brief: { ...boat.brief, process: repair.process } };
  const [oldBook, newBook] = [bookOf(boat, 0), bookOf(relaid, 0)];
  const out = taken(before, repair);
  const cloths = out.filter(isCloth);
  if (cloths.length === 0)
    throw invalid('repair.depth', 'Only coatings or core come out: that is filled and faired, not laminated');
  const back = taken(layAll(newBook, part, zone), repair).filter(isCloth);
  const outermost = cloths[0]!;
  const cover = layOwn(
    newBook,
    Array.from({ length: repair.over }, () => ({
      material: outermost.layer.material,
      angleDeg: outermost.layer.angleDeg,
    })),
  );
  const thickness = cloths.reduce((sum, one) => sum + one.thickness, 0);
  const joint = repair.ratio * thickness;
  const room = Math.max(zone.geometry.panelLength, zone.geometry.panelBreadth);
  if (size + 2 * joint > room)
    throw invalid(
      'repair.ratio',
      `With its joint the repair is ${said(size + 2 * joint, 'length')} across; ` +
        `${zone.name} has panels of ${said(room, 'length')}: renew the whole panel, or ask the designer`,
    );
  const bond = bondAllowed(BOND_STRENGTH[repair.preparation]);
  const checks: RepairCheck[] = [];
  const add = (check: Omit<RepairCheck, 'reserveFactor'>) =>
    checks.push({ ...check, reserveFactor: check.demand > 0 ? check.capacity / check.demand : Infinity });
  for (const direction of DIRECTIONS) {
    const along = { 0: 'along', 90: 'across', 45: 'at 45°', [-45]: 'at −45°' }[direction];
    const [old, fresh] = [
      memberAlong(oldBook, cloths, direction),
      memberAlong(newBook, [...back, ...cover], direction),
    ];
    const strongest = Math.max(old.tensileStrength, old.compressiveStrength);
    const working = CREDITED * strongest;
    const slope = scarfJoint({ stress: working, ratio: repair.ratio });
    // Where layers lie over it they take their share of the force past the joint.
    const [ofCover, ofOld] = [cover.length ? memberAlong(newBook, cover, direction) : null, old.E * old.thickness];
    const share = ofCover ? ofOld / (ofOld + ofCover.E * ofCover.thickness) : 1;
    add({
      name: `Shear in the joint, ${along}`,
      unit: 'Pa',
      demand: share * (repair.joint === 'scarf' ? slope.shear : (working * thickness) / joint),
      capacity: bond.value,
      source:
        `${repair.joint === 'scarf' ? 'τ = σ sin θ cos θ' : 'Force over the length of the steps'} ` +
        `at half the mean strength of what came out; ${bond.says}`,
    });
    if (repair.joint === 'scarf')
      add({
        name: `Pull across the joint, ${along}`,
        unit: 'Pa',
        demand: share * slope.tension,
        capacity: PULL_SHARE * bond.value,
        source: `σ sin² θ; a bond pulled apart bears ${PULL_SHARE} of its shear`,
      });
    if (ofCover)
      add({
        name: `Bond of the layers over it, ${along}`,
        unit: 'Pa',
        demand: ((1 - share) * working * thickness) / repair.lap,
        capacity: bond.value,
        source: `Their share by stiffness over the lap of the first; ${bond.says}`,
      });
    for (const [what, key] of [
      ['Tension', 'tensileStrength'],
      ['Compression', 'compressiveStrength'],
    ] as const)
      add({
        name: `${what} ${along}: new against old`,
        unit: 'N/m',
        demand: old[key] * old.thickness,
        capacity: fresh[key] * fresh.thickness,
        source: 'Mean strength times thickness, each by its own process',
      });
    add({
      name: `Stiffness ${along}: new against old`,
      unit: 'N/m',
      demand: ofOld,
      capacity: fresh.E * fresh.thickness,
      source: 'E times thickness, each by its own process',
    });
  }
  const whole = wholeZone(relaid, part, zone, { repair, outermost });
  for (const one of whole.checks) add(one);
  const least = Math.min(...checks.map(({ reserveFactor }) => reserveFactor));
  // Practice is a limit, not a margin: what keeps to it just so is not thin.
  const isShort = repair.ratio < USUAL[repair.joint];
  add({
    name: 'Length of the joint against practice',
    unit: '',
    demand: USUAL[repair.joint],
    capacity: repair.ratio,
    source: 'Usual: scarf 1 : 12, steps 1 : 20 at least',
  });
  const { core, pieces } = piecesOf(out, { repair, size });
  return {
    checks: checks.sort((a, b) => a.reserveFactor - b.reserveFactor),
    verdict: verdictAs(isShort ? Math.min(least, repair.ratio / USUAL[repair.joint]) : least, {
      target: targetOf(boat),
      isProven: whole.unproven.length === 0,
    }),
    pieces,
    thickness,
    joint,
    core,
    steps: stepsOf(repair, { core, joint }),
    notChecked: [
      'fatigue of the joint, peel at its thin end, voids in the new bond',
      'the panel with the repair in its middle: the zone is taken as laid like the repair all over',
      ...(core ? ['shear through the joint between new core and old'] : []),
      ...(repair.depth === before.length ? ['holding the shape: everything comes out, a backing mould is needed'] : []),
      ...whole.unproven,
    ],
  };
}

function verdictAs(
  least: number,
  { target, isProven }: { target: number; isProven: boolean },
): CheckedRepair['verdict'] {
  const verdict = verdictOf(least, target);
  return isProven || verdict === 'fails' ? verdict : 'notProven';
}

/** The zone as if it were laid by the repair's process with its cover all over: what its standards say. */
function wholeZone(
  boat: Boat,
  part: Part,
  zone: Zone,
  { repair, outermost }: { repair: Repair; outermost: LaidLayer },
): { checks: Omit<RepairCheck, 'reserveFactor'>[]; unproven: string[] } {
  const cover = Array.from({ length: repair.over }, (_, i) => ({
    ...outermost.layer,
    id: `${outermost.layer.id}-over-${i}`,
    zones: [zone.id],
  }));
  const layers = repair.face === 'mould' ? [...cover, ...part.layers] : [...part.layers, ...cover];
  const { governing, problem, unproven } = evaluateZone(boat, { ...part, layers }, zone);
  if (!governing) return { checks: [], unproven: [problem ?? 'no check by a standard ran on this zone', ...unproven] };
  return {
    checks: [
      {
        name: `${zone.name} laid like the repair: least reserve`,
        unit: '',
        demand: 1,
        capacity: governing.reserveFactor,
        source: `${CHECKS[governing.id]}, as the boat’s standards ask of the zone`,
      },
    ],
    unproven,
  };
}

/** What is cut: from the bottom of the hole, each as wide as the joint is at its own height. */
function piecesOf(out: readonly LaidLayer[], { repair, size }: { repair: Repair; size: number }) {
  let height = 0;
  const pieces = [...out].reverse().flatMap((one): RepairPiece[] => {
    if (!isCloth(one)) return [];
    height += one.thickness;
    return [
      {
        cloth: codeOf(one),
        angleDeg: one.layer.angleDeg,
        width: size + 2 * repair.ratio * height,
        layer: one.index + 1,
      },
    ];
  });
  const outermost = out.find(isCloth)!;
  const widest = size + 2 * repair.ratio * height;
  for (let i = 1; i <= repair.over; i++)
    pieces.push({
      cloth: codeOf(outermost),
      angleDeg: outermost.layer.angleDeg,
      width: widest + 2 * i * repair.lap,
      layer: null,
    });
  return { pieces, core: out.some(({ material }) => material.kind === 'core' || material.kind === 'wood') };
}

function stepsOf(repair: Repair, { core, joint }: { core: boolean; joint: number }): string[] {
  return [
    'Dust: mask P3, goggles, suction at the tool; keep others away while it is ground',
    'Sound it out and mark the edge of what is bad; open it until the edge is sound all round',
    repair.joint === 'scarf'
      ? `Grind a slope 1 : ${repair.ratio}, ${said(joint, 'shortLength')} all round, with no step at its end`
      : `Grind a step for each layer, ${said(joint, 'shortLength')} for all of them, down to its own interface`,
    ...(core ? ['Bed a piece of the same core in bonding paste, faired flush; no gap at its edge'] : []),
    `The joint: ${PREPARATIONS[repair.preparation]}; dry, and wetted with resin before the first piece`,
    'Smallest piece first, every one at its angle from the datum, no air under it',
    'Cure, tap it out, look at its edge; hardness before it is loaded or faired',
  ];
}
