import { boltStrength, threadEngagement } from '../..';
import {
  BOND_STRENGTH,
  check,
  need,
  OPEN_HOLE,
  PUNCHING_STRENGTH,
  type Asked,
  type DetailCheck,
  type Scene,
} from '../scene';
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
    ...jointChecks(ground, actions),
    ...pullChecks(ground, actions),
    boltCheck(detail, ground, actions),
    ...pressureChecks(scene, detail, ground, actions),
    ...threadChecks(scene, detail, actions),
    ...plateChecks(detail, ground, actions),
    ...patchChecks(scene, detail, ground),
  ].map((asked) => check(scene, asked));
}

const underSource = ({ insert }: BoltedGround) =>
  insert ? `Compressive strength of ${insert.name}` : 'Compressive strength of the laminate';

const jointChecks = ({ member }: BoltedGround, { joint }: BoltedActions): Asked[] => [
  {
    id: 'bearing',
    name: 'Bearing under the bolt',
    unit: 'Pa',
    demand: joint.bearing.stress,
    capacity: member.compressiveStrength,
    source: 'bearing taken as compressive strength, no clamping counted',
  },
  {
    id: 'netTension',
    name: 'Net section between holes',
    unit: 'Pa',
    demand: joint.netTension.stress,
    capacity: OPEN_HOLE * member.tensileStrength,
    source: 'a drilled hole leaves 0.6 of the tensile strength',
  },
  {
    id: 'shearOut',
    name: 'Shear-out to the edge',
    unit: 'Pa',
    demand: joint.shearOut.stress,
    capacity: member.shearStrength,
    source: 'two planes to the edge',
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
  { boltDiameter: diameter }: DetailOf<'bolted'>,
  { metal }: BoltedGround,
  { pull, shear }: BoltedActions,
): Asked => ({
  id: 'bolt',
  name: 'The bolt itself',
  unit: 'N',
  demand: Math.hypot(pull, Math.sqrt(3) * shear.max),
  capacity: boltStrength({ diameter, yieldStrength: metal.yieldStrength.value, tension: 1, shear: 0 }),
  source: 'Von Mises on the stress area',
});

function pressureChecks(
  { factor }: Scene,
  { base, boltDiameter: d, preload }: DetailOf<'bolted'>,
  ground: BoltedGround,
  { pressing, spread }: BoltedActions,
): Asked[] {
  const checks: Asked[] = [];
  if (pressing > 0)
    checks.push({
      id: 'pressing',
      name: 'Pressing under the base',
      unit: 'Pa',
      demand: (pressing * factor) / (base[0] * base[1]),
      capacity: ground.underWasher,
      source: underSource(ground),
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
  return [
    {
      id: 'patchBond',
      name: 'Bond of the patch',
      unit: 'Pa',
      demand: (Math.hypot(...inPlane) * factor) / (patch.length * patch.breadth),
      capacity: BOND_STRENGTH[preparation],
      source: 'Mean shear of the whole force over the patch',
    },
  ];
}
