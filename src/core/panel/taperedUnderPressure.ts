import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { invalid } from '../error';
import { gaussLegendre, shapes, type EndCondition, type ShapeTable } from './legendre';
import { termsFor, type PlateState, type PlateStiffness } from './plate';
import { breadthCurve, broadPart } from './taperedPlate';

/** A plate whose breadth changes along it, straight down its middle, with transverse shear. */
export interface TaperedShearPlate extends PlateStiffness {
  /** m */
  length: number;
  /** Breadths at even steps from one end to the other, ends included (m). */
  breadths: readonly number[];
  /** How firmly the rim is held against turning, 0 simply supported to 1 clamped. */
  fixity: number;
  A44: number;
  A55: number;
}
/** Even pressure (Pa), and a force (N) on a rectangle in the middle of the length (m). */
export interface TaperedLoad {
  pressure: number;
  patch?: { force: number; length: number; breadth: number } | null;
}

export interface TaperedSolution {
  /** Fields at a share of the length and of the local breadth, 0 to 1 from one edge to the other. */
  at: (alongShare: number, acrossShare: number) => PlateState & { x: number; y: number };
  deflection: (alongShare: number, acrossShare: number) => number;
}

/** Fields: deflection w, and the turns of the normal along x and y. */
const FIELDS = 3;
const EXTRA_POINTS = 6;

/** Bend–twist coupling under this share of bending is left out: it moves moments by its square, 0.01 %. */
const SLIGHT = 0.01;

/** A field and its slopes along x and y, as rows of factors of the unknowns. */
type Slopes = [value: Float64Array, alongX: Float64Array, alongY: Float64Array];

/**
 * A plate of changing breadth under pressure, by first-order shear theory on the shape itself: x = L u, y = s g(u),
 * s in −½..½, so that f_x = (f_u − s (g'/g) f_s)/L and f_y = f_s/g. Ritz over the unit square; the rim is held as a
 * whole.
 *
 * Shear forces come from the shear strain itself: at a slanted rim moments differenced once more do not settle.
 *
 * @param terms functions each way, 4 to 14, of a shape as long as broad; along a longer one there are more.
 * @throws KeramosError `invalid` for no breadth, or stiffnesses that make no stable plate.
 * @example taperedUnderPressure(plate, { pressure: 2e4 }, 8).at(0.5, 0).My // moment at the middle of a long edge
 * Source: Reddy, ch. 5 and 6; derived in docs/engineering.md, "Panels that taper".
 */
export function taperedUnderPressure(plate: TaperedShearPlate, load: TaperedLoad, terms: number): TaperedSolution {
  const { D11, D12, D22, D66, A44, A55, fixity } = plate;
  const [D16, D26] = [plate.D16 ?? 0, plate.D26 ?? 0].map((D) =>
    Math.abs(D) < SLIGHT * Math.min(D11, D22) ? 0 : D,
  ) as [number, number];
  const { kept, length: L, start } = broadPart(plate);
  const mean = kept.reduce((sum, breadth) => sum + breadth, 0) / kept.length;
  const { x: nx, y: ny } = termsFor({ length: L, breadth: mean, D11, D22 }, terms);
  const uncoupled = D16 === 0 && D26 === 0;
  const rim: EndCondition = fixity >= 1 ? 'zero' : 'free';
  const conditions: readonly [EndCondition, EndCondition][] = [
    ['zero', 'zero'],
    [rim, 'zero'],
    ['zero', rim],
  ];
  // Across, w and the turn along x are even, the turn along y is odd, as long as bending does not twist.
  const parity = [0, 0, 1];
  const unknowns = conditions.flatMap((_, field) =>
    Array.from({ length: nx * ny }, (__, n) => ({ field, i: n % nx, j: Math.floor(n / nx) })).filter(
      ({ j }) => !uncoupled || j % 2 === parity[field]!,
    ),
  );
  const size = unknowns.length;

  const tablesAt = (xi: readonly number[], eta: readonly number[]) =>
    conditions.map(([cx, cy]) => [shapes(cx, nx, xi), shapes(cy, ny, eta)] as [ShapeTable, ShapeTable]);
  /** The three fields at a place, of which tables hold the p-th point along and the q-th across. */
  const fieldsAt = (
    tables: [ShapeTable, ShapeTable][],
    [p, q]: readonly [number, number],
    { g, slope, s }: { g: number; slope: number; s: number },
  ): Slopes[] => {
    const rows = Array.from({ length: FIELDS }, (): Slopes => [
      new Float64Array(size),
      new Float64Array(size),
      new Float64Array(size),
    ]);
    unknowns.forEach(({ field, i, j }, n) => {
      const [X, Y] = tables[field]!;
      const [f, fu, fs] = [
        X[0]![i]![p]! * Y[0]![j]![q]!,
        2 * X[1]![i]![p]! * Y[0]![j]![q]!,
        2 * X[0]![i]![p]! * Y[1]![j]![q]!,
      ];
      const [value, alongX, alongY] = rows[field]!;
      value[n] = f;
      alongX[n] = (fu - (s * slope * fs) / g) / L;
      alongY[n] = fs / g;
    });
    return rows;
  };

  const { points, weights } = gaussLegendre(nx + EXTRA_POINTS);
  const { points: across, weights: weightsAcross } = gaussLegendre(ny + EXTRA_POINTS);
  const breadthAt = breadthCurve(kept);
  const curve = breadthAt(points);
  const tables = tablesAt(points, across);
  const K = Array.from({ length: size }, () => new Float64Array(size));
  const f = new Float64Array(size);
  const rowOf = (make: (n: number) => number) => Float64Array.from({ length: size }, (_, n) => make(n));
  const add = (stiffness: number, one: Float64Array, other: Float64Array) => {
    if (stiffness === 0) return;
    for (let n = 0; n < size; n++) {
      const factor = stiffness * one[n]!;
      if (factor === 0) continue;
      const row = K[n]!;
      for (let m = 0; m <= n; m++) row[m]! += factor * other[m]!;
    }
  };
  const addPair = (stiffness: number, one: Float64Array, other: Float64Array) => {
    add(stiffness, one, other);
    add(stiffness, other, one);
  };
  curve.forEach(({ g, g1 }, p) =>
    across.forEach((eta, q) => {
      const [w, tx, ty] = fieldsAt(tables, [p, q], { g, slope: 2 * g1, s: eta / 2 }) as [Slopes, Slopes, Slopes];
      const dA = (weights[p]! * weightsAcross[q]! * L * g) / 4;
      const [kx, ky, kxy] = [tx[1], ty[2], rowOf((n) => tx[2][n]! + ty[1][n]!)];
      const [gx, gy] = [rowOf((n) => w[1][n]! + tx[0][n]!), rowOf((n) => w[2][n]! + ty[0][n]!)];
      add(dA * D11, kx, kx);
      add(dA * D22, ky, ky);
      add(dA * D66, kxy, kxy);
      addPair(dA * D12, kx, ky);
      addPair(dA * D16, kx, kxy);
      addPair(dA * D26, ky, kxy);
      add(dA * A55, gx, gx);
      add(dA * A44, gy, gy);
      for (let n = 0; n < size; n++) f[n]! += dA * load.pressure * w[0][n]!;
    }),
  );

  // Springs that hold the rim: the share of the clamped moment of a strip of the local breadth, or of the length.
  if (fixity > 0 && fixity < 1) {
    const spring = (D: number, side: number) => (2 * D * fixity) / (side * (1 - fixity));
    const ends = tablesAt([-1, 1], across);
    const sides = tablesAt(points, [-1, 1]);
    const endBreadths = breadthAt([-1, 1]);
    for (const p of [0, 1]) {
      const { g, g1 } = endBreadths[p]!;
      across.forEach((eta, q) => {
        const turn = fieldsAt(ends, [p, q], { g, slope: 2 * g1, s: eta / 2 })[1]![0];
        add((spring(D11, L) * weightsAcross[q]! * g) / 2, turn, turn);
      });
    }
    curve.forEach(({ g, g1 }, p) => {
      for (const q of [0, 1]) {
        const turn = fieldsAt(sides, [p, q], { g, slope: 2 * g1, s: q - 0.5 })[2]![0];
        add((spring(D22, g) * weights[p]! * L) / 2, turn, turn);
      }
    });
  }

  if (load.patch) {
    const { force, length, breadth } = load.patch;
    const xi = points.map((point) => (point * length) / L);
    const local = breadthAt(xi);
    local.forEach(({ g }, p) => {
      const eta = across.map((point) => Math.max(-1, Math.min(1, (point * breadth) / g)));
      const [X, Y] = [shapes('zero', nx, [xi[p]!])[0]!, shapes('zero', ny, eta)[0]!];
      eta.forEach((_, q) =>
        unknowns.forEach(({ field, i, j }, n) => {
          if (field === 0) f[n]! += ((weights[p]! * weightsAcross[q]!) / 4) * force * X[i]![0]! * Y[j]![q]!;
        }),
      );
    });
  }

  for (let n = 0; n < size; n++) for (let m = 0; m < n; m++) K[m]![n] = K[n]![m]!;
  const factors = new CholeskyDecomposition(new Matrix(K.map((row) => Array.from(row))));
  if (!factors.isPositiveDefinite())
    throw invalid('D11', 'These stiffnesses make no stable plate: D11 D22 must exceed D12², and all must be positive');
  const solution = factors.solve(Matrix.columnVector(Array.from(f))).to1DArray();
  const dot = (row: Float64Array) => row.reduce((sum, value, n) => sum + value * solution[n]!, 0);

  // Places of a grid share their lines along and across.
  const [alongKnown, acrossKnown] = [new Map<number, ShapeTable[]>(), new Map<number, ShapeTable[]>()];
  const breadthsKnown = new Map<number, { g: number; g1: number }>();
  const once = <T>(known: Map<number, T>, place: number, make: () => T): T => {
    const value = known.get(place) ?? make();
    known.set(place, value);
    return value;
  };
  const read = (u: number, t: number) => {
    const [xi, eta] = [2 * u - 1, 2 * t - 1];
    const { g, g1 } = once(breadthsKnown, xi, () => breadthAt([xi])[0]!);
    const X = once(alongKnown, xi, () => conditions.map(([condition]) => shapes(condition, nx, [xi])));
    const Y = once(acrossKnown, eta, () => conditions.map(([, condition]) => shapes(condition, ny, [eta])));
    const tables = conditions.map((_, field): [ShapeTable, ShapeTable] => [X[field]!, Y[field]!]);
    const rows = fieldsAt(tables, [0, 0], { g, slope: 2 * g1, s: eta / 2 });
    const [w, tx, ty] = rows.map((slopes) => slopes.map(dot)) as [number[], number[], number[]];
    const [kx, ky, kxy] = [tx[1]!, ty[2]!, tx[2]! + ty[1]!];
    return {
      g,
      w: w[0]!,
      Q: [A55 * (w[1]! + tx[0]!), A44 * (w[2]! + ty[0]!)] as [number, number],
      M: [D11 * kx + D12 * ky + D16 * kxy, D12 * kx + D22 * ky + D26 * kxy, D16 * kx + D26 * ky + D66 * kxy] as [
        number,
        number,
        number,
      ],
    };
  };
  const at: TaperedSolution['at'] = (u, t) => {
    const { g, w, M, Q } = read(u, t);
    return { x: start + u * L, y: (t - 0.5) * g, w, Mx: M[0], My: M[1], Mxy: M[2], Qx: Q[0], Qy: Q[1] };
  };
  return { at, deflection: (u, t) => read(u, t).w };
}
