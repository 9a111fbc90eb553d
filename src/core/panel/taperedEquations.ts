import { gaussLegendre, shapes, type EndCondition, type ShapeTable } from './legendre';
import { breadthCurve } from './taperedPlate';
import type { PlateStiffness } from './plate';

/** Stiffnesses of a tapered plate on its own length (m) and breadths (m); those that couple bending and twist whole. */
export interface TaperedEquation extends Required<PlateStiffness> {
  A44: number;
  A55: number;
  fixity: number;
  length: number;
  breadths: readonly number[];
}

/** Functions of the three fields: deflection w, the turns of the normal along x and along y. */
export interface TaperedFunctions {
  nx: number;
  ny: number;
  /** Of each field how it meets the ends, and the long edges. */
  conditions: readonly (readonly [EndCondition, EndCondition])[];
  /** Of each field the functions along (i) and across (j) whose product is an unknown. */
  unknowns: readonly (readonly { i: number; j: number }[])[];
  /** Where the unknowns of each field begin; behind them, how many there are of all. */
  begins: readonly number[];
}

/**
 * @param coupled bending twists: else w and the turn along x are even across, the turn along y is odd.
 */
export function taperedFunctions(
  { x: nx, y: ny }: { x: number; y: number },
  { fixity, coupled }: { fixity: number; coupled: boolean },
): TaperedFunctions {
  const rim: EndCondition = fixity >= 1 ? 'zero' : 'free';
  const conditions = [
    ['zero', 'zero'],
    [rim, 'zero'],
    ['zero', rim],
  ] as const;
  const parity = [0, 0, 1];
  const unknowns = conditions.map((_, field) =>
    Array.from({ length: nx * ny }, (__, n) => ({ i: n % nx, j: Math.floor(n / nx) })).filter(
      ({ j }) => coupled || j % 2 === parity[field],
    ),
  );
  const begins = unknowns.reduce((at, own) => [...at, at.at(-1)! + own.length], [0]);
  return { nx, ny, conditions, unknowns, begins };
}

/** What is read of a field: its value, or its slope along x or y. */
type Read = 'value' | 'alongX' | 'alongY';
/** A factor along the plate times one across it: derivatives of the functions, and by what they go at each point. */
interface Factor {
  dx: 0 | 1;
  along: readonly number[];
  dy: 0 | 1;
  across: readonly number[];
}

const EXTRA_POINTS = 6;
/** Rotational spring of an edge that gives a strip of a side (m) the share of its clamped moment. */
const springOf = (D: number, fixity: number, side: number) => (2 * D * fixity) / (side * (1 - fixity));

/**
 * Stiffness of a tapered plate over its functions, by first-order shear theory, with the springs that hold its rim.
 *
 * On x = L u, y = s g(u) every slope is a sum of products of a factor along and one across,
 * f_x = (2 X' Y − 2 r X s Y')/L and f_y = 2 X Y'/g with r = g'/g, and so is the area, L g du ds: each term of the
 * energy is an integral along times one across.
 *
 * Source: Reddy, ch. 5 and 6; derived in docs/engineering.md, "Panels that taper".
 */
export function taperedStiffness(plate: TaperedEquation, functions: TaperedFunctions): Float64Array[] {
  const { D11, D12, D16, D22, D26, D66, A44, A55, fixity, length: L, breadths } = plate;
  const { nx, ny, conditions, unknowns, begins } = functions;
  const { points, weights } = gaussLegendre(nx + EXTRA_POINTS);
  const { points: across, weights: weightsAcross } = gaussLegendre(ny + EXTRA_POINTS);
  const breadthAt = breadthCurve(breadths);
  const curve = breadthAt(points);
  const K = Array.from({ length: begins.at(-1)! }, () => new Float64Array(begins.at(-1)!));

  const X = conditions.map(([along]) => shapes(along, nx, points));
  const Y = conditions.map(([, condition]) => shapes(condition, ny, across));
  const evenly = across.map(() => 1);
  const reads: Record<Read, readonly Factor[]> = {
    value: [{ dx: 0, along: points.map(() => 1), dy: 0, across: evenly }],
    alongX: [
      { dx: 1, along: points.map(() => 2 / L), dy: 0, across: evenly },
      { dx: 0, along: curve.map(({ g, g1 }) => (-4 * g1) / (g * L)), dy: 1, across: across.map((eta) => eta / 2) },
    ],
    alongY: [{ dx: 0, along: curve.map(({ g }) => 2 / g), dy: 1, across: evenly }],
  };
  const area = curve.map(({ g }, p) => (weights[p]! * L * g) / 4);

  /** Integrals of the products of two sets of functions with what they go by. */
  const products = (one: readonly number[][], other: readonly number[][], by: readonly number[]) =>
    one.map((f) => other.map((g) => by.reduce((sum, weight, p) => sum + weight * f[p]! * g[p]!, 0)));
  const addBlock = (n: number, m: number, along: number[][], [stiffness, crosswise]: [number, number[][]]) => {
    unknowns[n]!.forEach(({ i, j }, a) => {
      const [row, Xi, Yj] = [K[begins[n]! + a]!, along[i]!, crosswise[j]!];
      const [own, from] = [unknowns[m]!, begins[m]!];
      for (let b = 0; b < own.length; b++) row[from + b]! += stiffness * Xi[own[b]!.i]! * Yj[own[b]!.j]!;
    });
  };
  const add = (stiffness: number, [n, read]: [number, Read], [m, other]: [number, Read]) => {
    if (stiffness === 0) return;
    for (const a of reads[read])
      for (const b of reads[other]) {
        const along = area.map((own, p) => own * a.along[p]! * b.along[p]!);
        const crosswise = weightsAcross.map((own, q) => own * a.across[q]! * b.across[q]!);
        addBlock(n, m, products(X[n]![a.dx]!, X[m]![b.dx]!, along), [
          stiffness,
          products(Y[n]![a.dy]!, Y[m]![b.dy]!, crosswise),
        ]);
      }
  };
  // Of each pair of fields the later one first: what stands above the diagonal follows.
  add(A55, [0, 'alongX'], [0, 'alongX']);
  add(A44, [0, 'alongY'], [0, 'alongY']);
  add(A55, [1, 'value'], [0, 'alongX']);
  add(A44, [2, 'value'], [0, 'alongY']);
  add(A55, [1, 'value'], [1, 'value']);
  add(D11, [1, 'alongX'], [1, 'alongX']);
  add(D66, [1, 'alongY'], [1, 'alongY']);
  add(D16, [1, 'alongX'], [1, 'alongY']);
  add(D16, [1, 'alongY'], [1, 'alongX']);
  add(A44, [2, 'value'], [2, 'value']);
  add(D22, [2, 'alongY'], [2, 'alongY']);
  add(D66, [2, 'alongX'], [2, 'alongX']);
  add(D26, [2, 'alongY'], [2, 'alongX']);
  add(D26, [2, 'alongX'], [2, 'alongY']);
  add(D12, [2, 'alongY'], [1, 'alongX']);
  add(D66, [2, 'alongX'], [1, 'alongY']);
  add(D16, [2, 'alongX'], [1, 'alongX']);
  add(D26, [2, 'alongY'], [1, 'alongY']);

  // Springs that hold the rim: the share of the clamped moment of a strip of the length, or of the local breadth.
  if (fixity > 0 && fixity < 1) {
    const ends = breadthAt([-1, 1]).map(({ g }) => (springOf(D11, fixity, L) * g) / 2);
    const [atEnds] = shapes(conditions[1]![0], nx, [-1, 1]);
    addBlock(1, 1, products(atEnds!, atEnds!, ends), [1, products(Y[1]![0]!, Y[1]![0]!, weightsAcross)]);
    const sides = curve.map(({ g }, p) => (springOf(D22, fixity, g) * weights[p]! * L) / 2);
    const [atSides] = shapes(conditions[2]![1], ny, [-1, 1]);
    addBlock(2, 2, products(X[2]![0]!, X[2]![0]!, sides), [1, products(atSides!, atSides!, [1, 1])]);
  }
  for (let n = 0; n < K.length; n++) for (let m = 0; m < n; m++) K[m]![n] = K[n]![m]!;
  return K;
}

/** What a tapered plate is loaded with, over its functions: an even pressure (Pa), and a force (N) on a rectangle. */
export function taperedLoad(
  { length: L, breadths }: Pick<TaperedEquation, 'length' | 'breadths'>,
  { nx, ny, conditions, unknowns, begins }: TaperedFunctions,
  { pressure, patch }: { pressure: number; patch?: { force: number; length: number; breadth: number } | null },
): Float64Array {
  const { points, weights } = gaussLegendre(nx + EXTRA_POINTS);
  const { points: across, weights: weightsAcross } = gaussLegendre(ny + EXTRA_POINTS);
  const breadthAt = breadthCurve(breadths);
  const f = new Float64Array(begins.at(-1)!);
  const [along, crosswise] = conditions[0]!;
  const total = (rows: readonly number[][], by: readonly number[]) =>
    rows.map((row) => row.reduce((sum, value, p) => sum + by[p]! * value, 0));
  const X = total(
    shapes(along, nx, points)[0]!,
    breadthAt(points).map(({ g }, p) => (weights[p]! * L * g) / 4),
  );
  const Y = total(shapes(crosswise, ny, across)[0]!, weightsAcross);
  unknowns[0]!.forEach(({ i, j }, n) => (f[n]! += pressure * X[i]! * Y[j]!));
  if (!patch) return f;
  const { force, length, breadth } = patch;
  const xi = points.map((point) => (point * length) / L);
  const Xs: ShapeTable = shapes(along, nx, xi);
  breadthAt(xi).forEach(({ g }, p) => {
    const eta = across.map((point) => Math.max(-1, Math.min(1, (point * breadth) / g)));
    const own = total(shapes(crosswise, ny, eta)[0]!, weightsAcross);
    unknowns[0]!.forEach(({ i, j }, n) => (f[n]! += (weights[p]! / 4) * force * Xs[0]![i]![p]! * own[j]!));
  });
  return f;
}
