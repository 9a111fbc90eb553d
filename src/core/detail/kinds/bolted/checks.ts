import { boltStrength, nutThread, threadEngagement } from '../..';
import { fittingOnPanel, type FittingReserve } from '../../../evaluate';
import { weakestCore, bondAllowed, BOND_STRENGTH } from '../../../material';
import { check, need, PUNCHING_STRENGTH, type Asked, type DetailCheck, type Scene } from '../scene';
import type { DetailOf } from '../schema';
import type { BoltedActions } from './actions';
import type { BoltedGround } from './ground';

/** A core creeps under a lasting preload beyond this share of its crushing strength. */
const CREEP = 0.5;

/** Every way in which a bolted fitting may fail that is looked at, worst or not. */
export function boltedChecks(
  scene: Scene,
  detail: DetailOf<'bolted'>,
  ground: BoltedGround,
  actions: BoltedActions,
): DetailCheck[] {
  return [
    ...jointChecks(actions, bearsIn(detail, ground)),
    ...pullChecks(ground, actions),
    boltCheck(detail, ground, actions),
    ...nutChecks(detail, ground, actions),
    ...pressureChecks(scene, detail, ground, actions),
    ...panelChecks(scene, detail, ground, actions),
    ...threadChecks(scene, detail, actions),
    ...plateChecks(detail, ground, actions),
    ...patchChecks(scene, detail, ground),
  ].map((asked) => check(scene, asked));
}

const underSource = ({ insert }: BoltedGround) =>
  insert ? `Compressive strength of ${insert.name}` : 'Compressive strength of the laminate';

/** What bears on the bolts, in words; nothing where that is all of the laminate. */
function bearsIn({ face }: DetailOf<'bolted'>, { coreThickness, insert, patch }: BoltedGround): string {
  if (coreThickness === 0 || !insert) return '';
  const skin = face === 'either' ? 'the worse of both skins' : `the ${face} skin`;
  return `; ${skin}${patch ? ' with the patch' : ''}, what is let in hands little across`;
}

const jointChecks = ({ joint }: BoltedActions, where: string): Asked[] => [
  {
    id: 'bearing',
    name: 'Bearing under the bolt',
    unit: 'Pa',
    demand: joint.bearing.stress,
    capacity: joint.bearing.strength,
    source: `bearing taken as compressive strength, no clamping counted${where}`,
  },
  {
    id: 'netTension',
    name: 'Net section between holes',
    unit: 'Pa',
    demand: joint.netTension.stress,
    capacity: joint.netTension.strength,
    source: `a drilled hole leaves 0.6 of the tensile strength${where}`,
  },
  {
    id: 'shearOut',
    name: 'Shear-out to the edge or the next hole',
    unit: 'Pa',
    demand: joint.shearOut.stress,
    capacity: joint.shearOut.strength,
    source: `two planes to the edge, or to a hole that stands in the way${where}`,
  },
];

function pullChecks(ground: BoltedGround, { pull, under }: BoltedActions): Asked[] {
  if (pull === 0) return [];
  return [
    {
      id: 'punching',
      name: 'Pull-through, punching',
      unit: 'Pa',
      demand: under.punchingStress,
      capacity: PUNCHING_STRENGTH,
      source: 'Punching round washer or plate; generic glass laminate',
    },
    {
      id: 'crushing',
      name: 'Crushing under washer or plate',
      unit: 'Pa',
      demand: under.crushingStress,
      capacity: ground.underWasher,
      source: underSource(ground),
    },
  ];
}

const boltCheck = (
  { boltDiameter: diameter, preload }: DetailOf<'bolted'>,
  { boltYield: yieldStrength }: BoltedGround,
  { pull, shear }: BoltedActions,
): Asked => ({
  id: 'bolt',
  name: 'The bolt itself',
  unit: 'N',
  demand: Math.hypot(Math.max(pull, preload), Math.sqrt(3) * shear.max),
  capacity: boltStrength({ diameter, yieldStrength, tension: 1, shear: 0 }),
  source: 'Von Mises on the stress area; pull or preload, whichever is more',
});

function nutChecks(
  { boltDiameter: diameter, preload, nut, tapped }: DetailOf<'bolted'>,
  { boltYield: yieldStrength }: BoltedGround,
  { pull }: BoltedActions,
): Asked[] {
  const demand = Math.max(pull, preload);
  if (tapped || demand <= 0) return [];
  return [
    {
      id: 'nut',
      name: `Thread in a ${nut} nut`,
      unit: 'N',
      demand,
      capacity: nutThread({ diameter, nut, yieldStrength }),
      source: 'Stripping of half the cylinder over the height of the nut; the head holds more than the bolt',
    },
  ];
}

function pressureChecks(
  { factor }: Scene,
  { base: [l, b], boltDiameter: d, preload }: DetailOf<'bolted'>,
  ground: BoltedGround,
  { pressing, spread, moment }: BoltedActions,
): Asked[] {
  const checks: Asked[] = [];
  const pressed = (pressing * factor) / (l * b) + (6 * moment[0]) / (b * l ** 2) + (6 * moment[1]) / (l * b ** 2);
  if (pressed > 0)
    checks.push({
      id: 'pressing',
      name: 'Pressing under the base',
      unit: 'Pa',
      demand: pressed,
      capacity: ground.underWasher,
      source: `${underSource(ground)}; force and moment over the base, at its edge`,
    });
  if (preload > 0)
    checks.push({
      id: 'preload',
      name: 'Core or laminate under lasting preload',
      unit: 'Pa',
      demand: preload / ((Math.PI / 4) * (spread ** 2 - d ** 2)),
      capacity: CREEP * ground.underWasher,
      source: 'Half of the crushing strength against creep',
    });
  return checks;
}

/**
 * Greatest shear along the rim of a stiff rectangle that is pulled and tipped (N/m): the force over the whole rim;
 * of a moment along l the two edges across it and, from nothing in their middle, the two along it: M = q (b l + l²/3).
 */
function rimShear(
  force: number,
  [along, across]: readonly [number, number],
  [l, b]: readonly [number, number],
): number {
  return force / (2 * (l + b)) + along / (b * l + l ** 2 / 3) + across / (l * b + b ** 2 / 3);
}

/** The panel the fitting stands on: bent as a whole, and cut round the base. */
function panelChecks(
  { boat, part, zone, factor, book, laid }: Scene,
  { base, beyond, stands, sheets }: DetailOf<'bolted'>,
  { own, patch, thickness, coreThickness }: BoltedGround,
  { pulling, pressing, moment }: BoltedActions,
): Asked[] {
  const force = Math.max(pulling, pressing) * factor;
  const checks: Asked[] = [];
  // A bulkhead, frame or beam under it takes it: how the fitting is tied to that is said to be unchecked.
  if (stands === 'support') return checks;
  if (force === 0 && moment[0] === 0 && moment[1] === 0) return checks;
  const cores = laid.flatMap(({ material, layer }) =>
    material.kind === 'core' && layer.role === 'structure' ? [material] : [],
  );
  if (cores.length > 0) {
    const weakest = weakestCore(cores, book.pack.coreStrengthFactor);
    const skins = laid.reduce((sum, one) => sum + (one.material.kind === 'fabric' ? one.thickness : 0), 0);
    checks.push({
      id: 'insertEdge',
      name: `Shear of ${weakest.code} round what is let in`,
      unit: 'Pa',
      demand:
        rimShear(force, moment, base.map((side) => side + 2 * beyond) as [number, number]) /
        (coreThickness + skins / 2),
      capacity: book.pack.coreStrengthFactor[weakest.behaviour] * weakest.shearStrength.value,
      source: 'Force over the rim, moment as shear that grows from its middle, over the distance between the skins',
    });
  } else
    checks.push({
      id: 'baseEdge',
      name: 'Punching round the base',
      unit: 'Pa',
      demand: rimShear(force, moment, base) / thickness,
      capacity: PUNCHING_STRENGTH,
      source: 'Force and moment over the rim of the base times the thickness; generic glass laminate',
    });
  const spread = (size: number) => size + 2 * (thickness + coreThickness);
  const found = fittingOnPanel(boat, part, zone, {
    force,
    moments: moment,
    patch: [spread(base[0]), spread(base[1])],
    doubler: patch && sheets.length > 0 ? { laid: own, size: [patch.length, patch.breadth] } : null,
  });
  const source = 'Plate of the zone, load in its middle, edges half held, design strengths';
  const bent = (id: string, name: string, one: FittingReserve[keyof FittingReserve]): Asked[] =>
    one && Number.isFinite(one.reserveFactor)
      ? [{ id, name, unit: '', demand: 1, capacity: one.reserveFactor, source: `${source}; ${one.governs}` }]
      : [];
  return [
    ...checks,
    ...bent('panelPlies', 'Panel under it, bending', found.plies),
    ...bent('panelWrinkling', 'Panel under it, skins wrinkling', found.wrinkling),
    ...bent('panelCore', 'Panel under it, core in shear', found.coreShear),
  ];
}

function threadChecks(
  { book }: Scene,
  { tapped, boltDiameter: diameter, preload }: DetailOf<'bolted'>,
  { pull }: BoltedActions,
): Asked[] {
  if (!tapped) return [];
  const shearStrength = need(book, tapped.metal, 'metal', 'Tapped plate').yieldStrength.value / Math.sqrt(3);
  return [
    {
      id: 'thread',
      name: 'Thread in the tapped plate',
      unit: 'N',
      demand: Math.max(pull, preload),
      capacity: threadEngagement({ diameter, length: tapped.thickness, shearStrength }),
      source: 'Stripping of half the cylinder at the bolt',
    },
  ];
}

function plateChecks(
  { plate, bolts }: DetailOf<'bolted'>,
  { underWasher }: BoltedGround,
  { pull }: BoltedActions,
): Asked[] {
  if (!plate) return [];
  return [
    {
      id: 'plate',
      name: 'Pressure under the backing plate',
      unit: 'Pa',
      demand: (bolts.length * pull) / (plate.length * plate.breadth),
      capacity: underWasher,
      source: 'All bolts at the greatest pull over the plate',
    },
  ];
}

function patchChecks(
  { inPlane, factor }: Scene,
  { preparation }: DetailOf<'bolted'>,
  { patch }: BoltedGround,
): Asked[] {
  if (!patch) return [];
  const { value, says } = bondAllowed(BOND_STRENGTH[preparation]);
  return [
    {
      id: 'patchBond',
      name: 'Bond of the patch',
      unit: 'Pa',
      demand: (Math.hypot(...inPlane) * factor) / (patch.length * patch.breadth),
      capacity: value,
      source: `Mean shear of the whole force over the patch; ${says}`,
    },
  ];
}
