import { reaches } from '../quantity';
import { KeramosError } from '../error';
import { layFabric, stackedSums, stiffnessOf, type LaminateStiffness, type Ply } from '../laminate';
import { type Coating, type Fabric, type Origin } from '../material';
import type { PanelCheckResult, Trace } from '../standard';
import { type Boat, type Part, type Zone, POSTURES } from '../document';
import { bookOf, layAll, massOf, pliesOf, sumsOf, weakestOrigin, type LaidLayer } from './book';
import { otherProofs } from './otherProofs';
import { checkIn, traceIn, type ZoneCheck } from './packChecks';

export interface ZoneEvaluation {
  zoneId: string;
  layers: LaidLayer[];
  /** m */
  thickness: number;
  /** Dry fibre, kg/m². */
  dryArealWeight: number;
  resinArealWeight: number;
  /** Everything as it comes out of the mould, kg/m². */
  laminatedArealWeight: number;
  /** Price per m² in the yard's currency; null where one is missing. */
  cost: number | null;
  /** Of the fibre-and-resin plies alone. */
  fibreWeightFraction: number;
  fibreVolumeFraction: number;
  stiffness: LaminateStiffness | null;
  construction: PanelCheckResult['construction'] | null;
  pressure: PanelCheckResult['pressure'] | null;
  checks: ZoneCheck[];
  notChecked: string[];
  /** What should be proven and cannot be, for want of a figure: the zone is then not proven, whatever else holds. */
  unproven: string[];
  /** The check with the least reserve. */
  governing: ZoneCheck | null;
  /** The weakest origin among the figures used. */
  origin: Origin | null;
  /** Why the zone could not be checked. */
  problem: string | null;
}

/** How a reserve factor stands against 1 and the posture's target. */
export type Verdict = 'fails' | 'thin' | 'meets' | 'ample';
export function verdictOf(reserveFactor: number, target: number): Verdict {
  if (!reaches(reserveFactor, 1)) return 'fails';
  if (!reaches(reserveFactor, target)) return 'thin';
  return reaches(reserveFactor, 2 * target) ? 'ample' : 'meets';
}

/** What a zone comes to: as its least reserve stands, or not proven where a check has no figure to stand on. */
export function zoneVerdict(
  { governing, unproven }: Pick<ZoneEvaluation, 'governing' | 'unproven'>,
  target: number,
): Verdict | 'notProven' | null {
  const verdict = governing && verdictOf(governing.reserveFactor, target);
  return unproven.length > 0 && verdict !== 'fails' ? 'notProven' : verdict;
}

/** What the layers of a zone come to, in one pass: thickness m, masses kg/m², cost per m². */
function totalsOf(laid: readonly LaidLayer[]) {
  const total = {
    thickness: 0,
    fibre: 0,
    resin: 0,
    mass: 0,
    plyResin: 0,
    plyThickness: 0,
    fibreVolume: 0,
    cost: 0 as number | null,
  };
  for (const one of laid) {
    total.thickness += one.thickness;
    total.fibre += one.fibreMass;
    total.resin += one.resinMass;
    total.mass += massOf(one);
    total.cost = total.cost === null || one.cost === null ? null : total.cost + one.cost;
    if (one.material.kind !== 'fabric') continue;
    total.plyResin += one.resinMass;
    total.plyThickness += one.thickness;
    for (const { thickness, fibreVolumeFraction } of one.components)
      total.fibreVolume += thickness * fibreVolumeFraction;
  }
  return total;
}

/** Of the two paths on which the method proves a single skin, each one's other. */
const OTHER_PATH: Partial<Record<ZoneCheck['id'], ZoneCheck['id']>> = {
  skinFlexure: 'plyByPly',
  plyByPly: 'skinFlexure',
};

/**
 * The checks by the standards that count: none where the brief leaves them aside; of the two paths of a single skin the
 * better where it says that either is enough.
 */
function countedOf({ brief }: Boat, checks: readonly ZoneCheck[]): ZoneCheck[] {
  if (!brief.proofs.rule) return [];
  if (brief.singleSkin === 'both') return [...checks];
  return checks.filter(({ id, pack, reserveFactor }) => {
    const other = checks.find((one) => one.pack === pack && one.id === OTHER_PATH[id]);
    return (
      !other || reserveFactor > other.reserveFactor || (reserveFactor === other.reserveFactor && id === 'plyByPly')
    );
  });
}

const least = (checks: readonly ZoneCheck[]) =>
  checks.reduce<ZoneCheck | null>(
    (low, check) => (low === null || check.reserveFactor < low.reserveFactor ? check : low),
    null,
  );

/**
 * Everything there is to know of one zone: stack, masses, fractions, stiffness, pressure, checks, and what governs.
 *
 * @returns an evaluation in every case; a zone that cannot be computed carries a `problem` that says why.
 * @example evaluateZone(boat, hull, keelBand).governing?.reserveFactor
 */
export function evaluateZone(boat: Boat, part: Part, zone: Zone): ZoneEvaluation {
  const book = bookOf(boat, 0);
  const laid = layAll(book, part, zone);
  const total = totalsOf(laid);
  const evaluation: ZoneEvaluation = {
    zoneId: zone.id,
    layers: laid,
    thickness: total.thickness,
    dryArealWeight: total.fibre,
    resinArealWeight: total.resin,
    laminatedArealWeight: total.mass,
    cost: total.cost,
    fibreWeightFraction: total.fibre > 0 ? total.fibre / (total.fibre + total.plyResin) : 0,
    fibreVolumeFraction: total.plyThickness > 0 ? total.fibreVolume / total.plyThickness : 0,
    stiffness: null,
    construction: null,
    pressure: null,
    checks: [],
    notChecked: [],
    unproven: [],
    governing: null,
    origin: weakestOrigin(book, laid),
    problem: null,
  };
  try {
    const result = checkIn(boat, zone, { book, laid });
    const others = otherProofs(boat, part, zone, result.pressure?.pressure ?? 0);
    const stiffness = stiffnessOf(stackedSums(sumsOf(book, laid)));
    evaluation.construction = result.construction;
    evaluation.pressure = result.pressure;
    evaluation.notChecked = result.notChecked;
    evaluation.stiffness = stiffness;
    evaluation.checks = [...result.checks, ...others.checks];
    evaluation.unproven = [...(boat.brief.proofs.rule ? result.unproven : []), ...others.unproven];
    evaluation.governing = least([...countedOf(boat, result.checks), ...others.checks]);
    return evaluation;
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return { ...evaluation, problem: error.text };
  }
}

/** The plies of a zone for lamination theory, coatings left out. */
export function pliesOfZone(boat: Boat, part: Part, zone: Zone): Ply[] {
  const book = bookOf(boat, 0);
  return pliesOf(book, layAll(book, part, zone));
}

/** The reserve factor the boat's posture asks for. */
export const targetOf = (boat: Boat) => POSTURES[boat.brief.posture].target;

export interface Tracing {
  trace: Trace;
  /** Of the pack that asks; the boat's first by default. */
  packId?: string | undefined;
  /** Of the panel of that name; the first of the zone by default. */
  panel?: string | undefined;
}

/**
 * Record the working of a zone by one of the boat's packs: calls `trace` for every step, and for the result of each
 * check.
 */
export function traceZone(boat: Boat, part: Part, zone: Zone, { trace, packId, panel = '' }: Tracing): void {
  const book = bookOf(boat, 0);
  const laid = layAll(book, part, zone);
  for (const { material } of laid.filter(
    (l, i) => l.material.kind === 'fabric' && laid.findIndex((other) => other.material === l.material) === i,
  ))
    layFabric(material as Fabric, { ...book, shift: 0 }, (step) =>
      trace('laminate', {
        ...step,
        quantity: `${(material as Fabric | Coating).code}: ${step.quantity.toLowerCase()}`,
      }),
    );
  traceIn(boat, zone, { book, laid }, { trace, packId: packId ?? boat.packs[0]!.id, panel });
}
