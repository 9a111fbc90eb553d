import { invalid } from '../error';
import { laminateFailure, laminateStiffness, type LaminateStiffness, type Load, type Ply } from '../laminate';

/** A fabric that may be laid, as one ply at 0°. */
export interface FamilyMember extends Omit<Ply, 'angleDeg'> {
  id: string;
  /** kg/m² */
  dryArealWeight: number;
  /** Fibre by weight of the cured ply, 0 to 1. */
  fibreWeightFraction: number;
}

/**
 * What a new stack must reach: stiffness in bending (D11, D22), in its plane (A11, A22), both, or of a panel; and where
 * every ply has strengths, the load of the first ply to fail in those directions.
 */
export type StackMatch = 'bending' | 'membrane' | 'both' | 'panel';

export interface EquivalentStacksInput {
  /** The laminate that is there, first = mould face. */
  plies: readonly Ply[];
  /** A core to lay between the layers, with its sheet thicknesses (m); the sides of it may differ in number. */
  core?: Omit<Ply, 'angleDeg' | 'thickness'> & { density: number; thicknesses: readonly number[] };
  family: readonly FamilyMember[];
  match: StackMatch;
  maxLayers: number;
  /** Sides of the clamped panel (m), along and across the reference direction; for match `panel`. */
  panel?: { length: number; breadth: number };
}

export interface EquivalentStack {
  /** Ids of the family, mould face first. */
  layers: string[];
  /** m; lies after `coreAfter` layers. */
  coreThickness?: number;
  coreAfter?: number;
  /** kg/m² of the cured layers and the core. */
  mass: number;
  /** Least of new over reference among the matched terms. */
  ratio: number;
}

/** Most solutions given. */
const GIVEN = 20;
/** Most stacks looked at before it is left: a few seconds. */
const MOST = 4_000_000;
/** Rounding aside, equal is enough. */
const EQUAL = 1 - 1e-9;

/** What one layer brings: thickness (m), mass (kg/m²), and its Q along, across, Poisson and shear (Pa). */
interface Sums {
  id: string | null;
  t: number;
  mass: number;
  q: readonly number[];
}

const UNIT = 1;
/** Loads that a stack is as strong under as the reference: along and across, pulled and pressed or bent either way. */
const LOADS: Readonly<Record<'bending' | 'membrane', readonly Load[]>> = {
  membrane: [[UNIT, 0, 0] as const, [-UNIT, 0, 0] as const, [0, UNIT, 0] as const, [0, -UNIT, 0] as const].map(
    (N) => ({ N: [...N] }) as Load,
  ),
  bending: [[UNIT, 0, 0] as const, [-UNIT, 0, 0] as const, [0, UNIT, 0] as const, [0, -UNIT, 0] as const].map(
    (M) => ({ M: [...M] }) as Load,
  ),
};
const loadsOf = (match: StackMatch): readonly Load[] => {
  if (match === 'both') return [...LOADS.membrane, ...LOADS.bending];
  return LOADS[match === 'membrane' ? 'membrane' : 'bending'];
};
/** First-ply loads by maximum stress, one for each of the loads that count. */
const firstPlyLoads = (plies: readonly Ply[], match: StackMatch): number[] =>
  loadsOf(match).map((load) => laminateFailure(plies, load, 'maxStress').reserveFactor);

const TERMS = 4;

function sumsOf(ply: Ply, id: string | null, mass: number): Sums {
  const { A } = laminateStiffness([ply]);
  const t = ply.thickness;
  return { id, t, mass, q: [A[0][0] / t, A[1][1] / t, A[0][1] / t, A[2][2] / t] };
}

/**
 * One-term stiffness of a clamped orthotropic panel, w = (1 − cos 2πx/a)(1 − cos 2πy/b): its deflection under a given
 * pressure is the lesser the greater this is. Source: energy method (Whitney, Structural Analysis of Laminated
 * Anisotropic Plates, ch. 4): 3 D11 / a⁴ + 2 (D12 + 2 D66) / (a² b²) + 3 D22 / b⁴.
 */
const panelStiffness = (
  [D11, D22, D12, D66]: readonly number[],
  { length: a, breadth: b }: { length: number; breadth: number },
) => (3 * D11!) / a ** 4 + (2 * (D12! + 2 * D66!)) / (a * a * b * b) + (3 * D22!) / b ** 4;

/**
 * Stacks of a family, 1 to `maxLayers` layers at 0° (with a core between them where one is given), that are at least
 * as stiff as a reference, the lightest first. Each stack is taken about its own mid-plane.
 *
 * All stacks are looked at but those heavier than the twenty lightest found, which cannot be among them: `exhaustive`
 * says whether that went to the end.
 *
 * @throws KeramosError `invalid` for an empty reference or family, a panel match without a panel.
 * @example equivalentStacks({ plies: eightMats, family: [roving, mat], match: 'bending', maxLayers: 6 }).solutions[0]
 */
export function equivalentStacks(input: EquivalentStacksInput): { solutions: EquivalentStack[]; exhaustive: boolean } {
  const { plies, core, family, match, maxLayers, panel } = input;
  if (plies.length === 0) throw invalid('plies', 'The reference is empty: give at least one ply');
  if (family.length === 0) throw invalid('family', 'The family is empty: give at least one fabric');
  if (new Set(family.map(({ id }) => id)).size < family.length)
    throw invalid('family', 'Two fabrics of the family have the same id');
  if (match === 'panel' && !panel) throw invalid('panel', 'To match a panel give its length and breadth');

  const terms = ({ A, D }: LaminateStiffness) => ({
    A: [A[0][0], A[1][1], A[0][1], A[2][2]],
    D: [D[0][0], D[1][1], D[0][1], D[2][2]],
  });
  const reference = terms(laminateStiffness(plies));
  const ratioOf = (A: readonly number[], D: readonly number[]): number => {
    const bending = Math.min(D[0]! / reference.D[0]!, D[1]! / reference.D[1]!);
    const membrane = Math.min(A[0]! / reference.A[0]!, A[1]! / reference.A[1]!);
    if (match === 'panel') return panelStiffness(D, panel!) / panelStiffness(reference.D, panel!);
    if (match === 'both') return Math.min(bending, membrane);
    return match === 'bending' ? bending : membrane;
  };

  const rated = [...plies, ...family].every(({ strength }) => strength !== undefined);
  const loads = rated ? firstPlyLoads(plies, match) : [];
  const byId = new Map(family.map((one) => [one.id, one]));
  const asStrong = (made: readonly Sums[]): boolean => {
    if (!rated) return true;
    const laid = made.map(({ id, t }): Ply => {
      return { ...(id === null ? { ...core!, role: 'core' as const } : byId.get(id)!), thickness: t, angleDeg: 0 };
    });
    return firstPlyLoads(laid, match).every((load, i) => load >= loads[i]! * EQUAL);
  };

  const layers = family.map((one) =>
    sumsOf({ ...one, angleDeg: 0 }, one.id, one.dryArealWeight / one.fibreWeightFraction),
  );
  const cores = (core?.thicknesses ?? []).map((thickness) =>
    sumsOf({ ...core!, thickness, angleDeg: 0 } as Ply, null, core!.density * thickness),
  );

  const found: EquivalentStack[] = [];
  const before = (a: EquivalentStack, b: EquivalentStack) =>
    a.mass - b.mass || a.layers.length - b.layers.length || (a.layers.join('\n') < b.layers.join('\n') ? -1 : 1);
  const heaviest = () => (found.length < GIVEN ? Infinity : found.at(-1)!.mass);
  const keep = (stack: EquivalentStack) => {
    const at = found.findIndex((other) => before(stack, other) < 0);
    found.splice(at < 0 ? found.length : at, 0, stack);
    if (found.length > GIVEN) found.pop();
  };

  let looked = 0;
  const stack: Sums[] = [];
  /** Sums from the mould face up: Q t, Q z t, Q z² t, per term. */
  function lay(height: number, mass: number, sums: readonly (readonly number[])[], cored: boolean): void {
    const count = stack.length - (cored ? 1 : 0);
    const closed = count > 0 && (core === undefined ? true : cored && stack.at(-1)!.id !== null);
    if (closed) {
      const half = height / 2;
      const D = sums.map(([A, B, C]) => C! - 2 * half * B! + half * half * A!);
      const ratio = ratioOf(
        sums.map(([A]) => A!),
        D,
      );
      if (ratio >= EQUAL && asStrong(stack)) {
        const at = stack.findIndex(({ id }) => id === null);
        keep({
          layers: stack.flatMap(({ id }) => (id === null ? [] : [id])),
          ...(at >= 0 && { coreThickness: stack[at]!.t, coreAfter: at }),
          mass,
          ratio,
        });
      }
    }
    const next = [...(count < maxLayers ? layers : []), ...(!cored && count > 0 ? cores : [])];
    for (const one of next) {
      if (looked >= MOST) return;
      // Equally heavy ones may still come before those found, by their number of layers.
      if (mass + one.mass > heaviest() * (1 + 1e-12)) continue;
      looked += 1;
      const z = height + one.t / 2;
      stack.push(one);
      lay(
        height + one.t,
        mass + one.mass,
        sums.map(([A, B, C], i) => {
          const Qt = one.q[i]! * one.t;
          return [A! + Qt, B! + Qt * z, C! + Qt * (z * z + (one.t * one.t) / 12)];
        }),
        cored || one.id === null,
      );
      stack.pop();
    }
  }
  lay(
    0,
    0,
    Array.from({ length: TERMS }, () => [0, 0, 0]),
    false,
  );
  return { solutions: found, exhaustive: looked < MOST };
}
