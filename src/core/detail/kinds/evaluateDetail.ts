import { KeramosError } from '../../error';
import type { WorkingStep } from '../../working';
import { panelsToCheck, type Boat } from '../../document';
import { evaluateZone } from '../../evaluate';
import {
  sceneOf,
  NO_MASS,
  type Brought,
  type DetailCaution,
  type DetailCheck,
  type DetailLayer,
  type DetailMass,
  type Findings,
  type Paste,
  type PathLink,
  type Scene,
} from './scene';
import { kindOf } from './kinds';
import type { Detail } from './schema';

/** What is expected of a pull or lift on the finished detail. */
export interface ProofCase {
  /** N */
  load: number;
  /** Deflection of the panel under it (m); null where nothing bends it, or it cannot be computed. */
  deflection: number | null;
  /** Stop here, whatever the gauge says (N): never above the pull asked for, nor near where it is thought to break. */
  stop: number;
  /** Pull at which the weakest link is thought to give way (N); null where none is checked. */
  failure: number | null;
}
export interface DetailEvaluation {
  detail: Detail;
  checks: DetailCheck[];
  /** The weakest link; null where nothing could be checked. */
  governing: DetailCheck | null;
  path: PathLink[];
  layers: DetailLayer[];
  mass: DetailMass;
  pastes: readonly Paste[];
  brings: readonly Brought[];
  total: number;
  steps: string[];
  cautions: DetailCaution[];
  /** What the checks leave out, in words. */
  notChecked: readonly string[];
  proof: ProofCase | null;
  /** Why it could not be checked, or is refused. */
  problem: string | null;
}

const findingsOf = (scene: Scene, detail: Detail): Findings => kindOf(detail).findings(scene, detail);

/** Checks of fit: they hold or they do not, and are no link of the load path while they hold. */
const FITS = new Set([
  'radius',
  'step',
  'stepped',
  'clampMost',
  'clampLeast',
  'fillet',
  'bondLine',
  'inspection',
  'ratio',
  'taper',
  'slender',
]);

/** The weakest link: the least reserve in strength, or a fit that does not hold. */
export function weakestOf(checks: readonly DetailCheck[]): DetailCheck | null {
  const links = checks.filter(({ id, reserveFactor }) => !FITS.has(id) || reserveFactor < 1);
  return (links.length > 0 ? links : checks).reduce<DetailCheck | null>(
    (low, one) => (low === null || one.reserveFactor < low.reserveFactor ? one : low),
    null,
  );
}

/** The load path with the weakest link on it: where no link is checked by it, it becomes one, before the last. */
function pathThrough(path: readonly PathLink[], governing: DetailCheck | null): PathLink[] {
  if (governing === null || path.some(({ check }) => check === governing.id)) return [...path];
  return [...path.slice(0, -1), { text: governing.name.toLowerCase(), check: governing.id }, ...path.slice(-1)];
}

/** What no detail is checked for. */
const NEVER = ['fatigue where it is not asked', 'impact', 'corrosion'];

/** A test stops at this share of the load at which the weakest link is thought to give way. */
const STOP_MARGIN = 1.5;
/** A force that stands square to the panel to less than this share of it bends nothing. */
const SQUARE = 1e-6;

/** A proof pull in numbers: central load on the clamped panel of the zone, by its own bending stiffness. */
function proofOf(
  scene: Scene,
  detail: Detail,
  governing: DetailCheck | null,
  stiffness: number | null,
): ProofCase | null {
  if (detail.proof === null || !scene.load) return null;
  const { force } = scene.load;
  const load = detail.proof * force;
  const normal = Math.abs(scene.normal) * detail.proof;
  const { panelLength, panelBreadth } = scene.zone.geometry;
  const b = Math.min(panelLength, panelBreadth);
  // A clamped plate under a load at its middle: w = 0.0056 … 0.0072 F b² / D; the longer plate's figure is taken.
  const deflection = stiffness === null || normal < SQUARE * load ? null : (0.0072 * normal * b ** 2) / stiffness;
  const failure =
    governing && Number.isFinite(governing.reserveFactor) ? governing.reserveFactor * force * scene.factor : null;
  return { load, deflection, failure, stop: Math.min(load, (failure ?? Infinity) / STOP_MARGIN) };
}

/**
 * Everything a detail comes to: its checks and the weakest of them, the load path in words, the layers it lays, its
 * mass, steps and cautions.
 *
 * @returns an evaluation in every case; contradictory or impossible geometry is a `problem` with the reason.
 * @example evaluateDetail(boat, chainplate).governing?.name // 'Bond of the strap, mean shear'
 */
export function evaluateDetail(
  boat: Boat,
  detail: Detail,
  bendingStiffness?: (zoneId: string) => number | null,
): DetailEvaluation {
  const none = {
    detail,
    checks: [],
    governing: null,
    path: [],
    layers: [],
    mass: NO_MASS,
    pastes: [],
    brings: [],
    total: 0,
    steps: [],
    cautions: [],
    notChecked: [],
    proof: null,
  };
  try {
    const scene = sceneOf(boat, detail);
    const findings = findingsOf(scene, detail);
    const governing = weakestOf(findings.checks);
    const { fibre, resin, core, other } = findings.mass;
    return {
      detail,
      ...findings,
      pastes: findings.pastes ?? [],
      brings: findings.brings ?? [],
      path: pathThrough(findings.path, governing),
      governing,
      notChecked: [...(findings.notChecked ?? []), ...kindOf(detail).notChecked, ...NEVER],
      total: fibre + resin + core + other,
      proof: proofOf(scene, detail, governing, bendingStiffness?.(detail.zone) ?? null),
      problem: null,
    };
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return { ...none, problem: error.text };
  }
}

const evaluated = new WeakMap<Detail, { key: unknown[]; evaluation: DetailEvaluation }>();
/** What a detail depends on: its own part, and for stiffeners all of them. */
function dependsOn(boat: Boat, detail: Detail): unknown[] {
  const part = boat.parts.find(({ zones }) => zones.some(({ id }) => id === detail.zone));
  const zone = part?.zones.find(({ id }) => id === detail.zone);
  return [
    zone && panelsToCheck(boat, zone),
    detail.kind === 'stiffenerEnd' || (detail.kind === 'tabbing' && detail.ties !== null) ? boat.parts : part,
    boat.loads,
    boat.materials,
    boat.brief,
    boat.packs,
    boat.supports,
    boat.sections,
    boat.hull,
    boat.deck,
  ];
}

/** Details of a boat, all or those wanted; each is kept while nothing it depends on changed. */
export function evaluateDetails(boat: Boat, wanted: (detail: Detail) => boolean = () => true): DetailEvaluation[] {
  return boat.details.filter(wanted).map((detail) => {
    const key = dependsOn(boat, detail);
    const known = evaluated.get(detail);
    if (known && known.key.every((value, i) => value === key[i])) return known.evaluation;
    const evaluation = evaluateDetail(boat, detail, (zoneId) => panelStiffness(boat, zoneId));
    evaluated.set(detail, { key, evaluation });
    return evaluation;
  });
}

/** Working of a detail. @throws KeramosError when it cannot be checked. */
export function detailWorking(boat: Boat, detail: Detail): WorkingStep[] {
  const steps: WorkingStep[] = [];
  findingsOf(
    sceneOf(boat, detail, (step) => steps.push(step)),
    detail,
  );
  return steps;
}
/** Bending stiffness of a zone across the short side of its panel (N·m); null where it has none. */
function panelStiffness(boat: Boat, zoneId: string): number | null {
  const part = boat.parts.find(({ zones }) => zones.some(({ id }) => id === zoneId));
  const zone = part?.zones.find(({ id }) => id === zoneId);
  if (!part || !zone) return null;
  const axis = zone.geometry.panelBreadth <= zone.geometry.panelLength ? 1 : 0;
  return evaluateZone(boat, part, zone).stiffness?.D[axis][axis] ?? null;
}
