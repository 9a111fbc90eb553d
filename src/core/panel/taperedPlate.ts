import { invalid } from '../error';
import { gaussLegendre, shapes, type ShapeTable } from './legendre';

/** A plate whose breadth changes along it, straight down its middle. */
export interface TaperedPlate {
  /** m */
  length: number;
  /** Breadths at even steps from one end to the other, ends included (m); an end may run out to nothing. */
  breadths: readonly number[];
}

/** Functions along and (even ones) across; more of them move the deflection of a bow panel by less than 0.5 %. */
const ALONG = 8;
const ACROSS = 2;
const POINTS = { along: 14, across: 8 };
/** Degree of the curve through the breadths. */
const DEGREE = 5;
/** An end is cut off where the plate is narrower than this share of its greatest breadth. */
const POINTED = 0.04;

/** Solve K x = f for a symmetric, positive definite K given by its rows. Source: Cholesky, K = L Lᵀ. */
function solveSymmetric(K: readonly number[][], f: readonly number[]): number[] {
  const n = f.length;
  const L = K.map((row) => [...row]);
  for (let j = 0; j < n; j++) {
    for (let k = 0; k < j; k++) L[j]![j]! -= L[j]![k]! ** 2;
    L[j]![j] = Math.sqrt(L[j]![j]!);
    for (let i = j + 1; i < n; i++) {
      for (let k = 0; k < j; k++) L[i]![j]! -= L[i]![k]! * L[j]![k]!;
      L[i]![j]! /= L[j]![j]!;
    }
  }
  const x = [...f];
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) x[i]! -= L[i]![k]! * x[k]!;
    x[i]! /= L[i]![i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) x[i]! -= L[k]![i]! * x[k]!;
    x[i]! /= L[i]![i]!;
  }
  return x;
}

let known: ReturnType<typeof makeTables> | undefined;
const tables = () => (known ??= makeTables());
/** The functions where they are summed up, and where the greatest deflection is looked for. */
function makeTables() {
  const [along, across] = [gaussLegendre(POINTS.along), gaussLegendre(POINTS.across)];
  // From ξ = 2u − 1 to u: derivatives along u are twice those along ξ, and likewise across.
  const doubled = (table: ShapeTable) => table.map((rows, d) => rows.map((row) => row.map((value) => value * 2 ** d)));
  const places = Array.from({ length: 41 }, (_, k) => k / 20 - 1);
  return {
    along,
    across,
    X: doubled(shapes('clamped', ALONG, along.points)),
    Y: doubled(shapes('clamped', 2 * ACROSS - 1, across.points)),
    places,
    Xs: shapes('clamped', ALONG, places)[0]!,
    Ys: shapes('clamped', 2 * ACROSS - 1, [0])[0]!,
  };
}

/** Breadth and its first two derivatives along ξ in −1..1: a curve of low degree through the given breadths. */
export function breadthCurve(breadths: readonly number[]) {
  const degree = Math.min(DEGREE, breadths.length - 1);
  const given = breadths.map((_, i) => (2 * i) / (breadths.length - 1) - 1);
  const [P] = shapes('free', degree + 1, given);
  const normal = P!.map((p) => P!.map((q) => p.reduce((sum, value, k) => sum + value * q[k]!, 0)));
  const share = solveSymmetric(
    normal,
    P!.map((p) => p.reduce((sum, value, k) => sum + value * breadths[k]!, 0)),
  );
  const least = POINTED * Math.max(...breadths);
  return (points: readonly number[]) => {
    const table = shapes('free', degree + 1, points);
    return points.map((_, k) => {
      const [g, g1, g2] = [0, 1, 2].map((d) => share.reduce((sum, c, i) => sum + c * table[d]![i]![k]!, 0));
      return g! > least ? { g: g!, g1: g1!, g2: g2! } : { g: least, g1: 0, g2: 0 };
    });
  };
}

/**
 * The part of a plate that is not run out to nothing: its breadths, its length, and where it begins (m).
 * @throws KeramosError `invalid` for no length, fewer than two breadths, or none above nothing.
 */
export function broadPart({ length, breadths }: TaperedPlate): { kept: number[]; length: number; start: number } {
  const most = Math.max(...breadths);
  if (!(length > 0) || breadths.length < 2 || !(most > 0))
    throw invalid('breadths', 'A panel needs a length and breadths above nothing');
  const wide = breadths.map((breadth) => breadth > POINTED * most);
  const [first, last] = [Math.max(0, wide.indexOf(true) - 1), Math.min(wide.length - 1, wide.lastIndexOf(true) + 1)];
  const step = length / (breadths.length - 1);
  return { kept: breadths.slice(first, last + 1), length: step * (last - first), start: step * first };
}

/**
 * Greatest deflection of a clamped isotropic plate of changing breadth under even pressure, as w D / p (m⁴).
 *
 * With x along the middle and y = s g(x), s in −½..½, the Laplacian of w in the plate's own coordinates is
 * w_xx = (w_uu − 2a s w_us + a² s² w_ss + (2a² − g''/g) s w_s)/L², w_yy = w_ss/g², u = x/L, a = g'/g; of a clamped
 * plate the energy is D/2 ∫ (w_xx + w_yy)² dA. Ritz with functions that vanish with their slope at the rim.
 *
 * @throws KeramosError `invalid` for no length, fewer than two breadths, or none above nothing.
 * @example taperedDeflection({ length: 1, breadths: [1, 1] }) // 0.00126
 * Source: derived in docs/engineering.md, "Panels that taper"; checked there on rectangles and ellipses.
 */
export function taperedDeflection({ length, breadths }: TaperedPlate): number {
  const { kept, length: L } = broadPart({ length, breadths });

  const { along, across, X, Y, places, Xs, Ys } = tables();
  const curve = breadthCurve(kept)(along.points);
  const pairs = Array.from({ length: ALONG * ACROSS }, (_, n) => [n % ALONG, 2 * Math.floor(n / ALONG)] as const);
  const K = pairs.map(() => new Array<number>(pairs.length).fill(0));
  const f = new Array<number>(pairs.length).fill(0);
  const lap = new Float64Array(pairs.length);
  curve.forEach(({ g, g1, g2 }, p) => {
    const [a, b] = [(2 * g1) / g, (4 * g2) / g];
    across.points.forEach((eta, q) => {
      // Both halves across are alike.
      if (eta < 0) return;
      const s = eta / 2;
      const weight = (2 * along.weights[p]! * across.weights[q]! * L * g) / 4;
      pairs.forEach(([i, j], n) => {
        const [x, x1, x2] = [X[0]![i]![p]!, X[1]![i]![p]!, X[2]![i]![p]!];
        const [y, y1, y2] = [Y[0]![j]![q]!, Y[1]![j]![q]!, Y[2]![j]![q]!];
        const lengthwise = x2 * y - 2 * a * s * x1 * y1 + (a * s) ** 2 * x * y2 + (2 * a ** 2 - b) * s * x * y1;
        lap[n] = lengthwise / L ** 2 + (x * y2) / g ** 2;
        f[n]! += weight * x * y;
      });
      for (let n = 0; n < lap.length; n++) for (let m = 0; m <= n; m++) K[n]![m]! += weight * lap[n]! * lap[m]!;
    });
  });
  for (let n = 0; n < K.length; n++) for (let m = 0; m < n; m++) K[m]![n] = K[n]![m]!;
  const found = solveSymmetric(K, f);
  return Math.max(
    ...places.map((_, k) => found.reduce((sum, c, n) => sum + c * Xs[pairs[n]![0]]![k]! * Ys[pairs[n]![1]]![0]!, 0)),
  );
}
