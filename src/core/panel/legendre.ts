/**
 * How a one-dimensional shape function meets the ends of the interval: freely, with value zero, or with value and
 * slope zero.
 */
export type EndCondition = 'free' | 'zero' | 'clamped';

/** Derivatives 0 to 3 of the shape functions at points: `values[derivative][function][point]`. */
export type ShapeTable = number[][][];

const DERIVATIVES = 4;

/** Legendre polynomials P_0..P_degree and their first three derivatives at ξ in −1..1: `[derivative][degree]`. */
function legendre(degree: number, xi: number): number[][] {
  const table = Array.from({ length: DERIVATIVES }, () => new Array<number>(degree + 1).fill(0));
  const [values] = table as [number[]];
  values[0] = 1;
  if (degree > 0) {
    values[1] = xi;
    table[1]![1] = 1;
  }
  for (let n = 1; n < degree; n++) {
    values[n + 1] = ((2 * n + 1) * xi * values[n]! - n * values[n - 1]!) / (n + 1);
    for (let d = 1; d < DERIVATIVES; d++) table[d]![n + 1] = table[d]![n - 1]! + (2 * n + 1) * table[d - 1]![n]!;
  }
  return table;
}

/**
 * Shape functions on −1..1 built of Legendre polynomials, number i being even or odd as i is.
 *
 * @param count number of functions. @param points ξ at which they are wanted.
 * @example shapes('clamped', 1, [0])[0][0][0] // middle of the lowest clamped shape
 * Source: J. Shen (1994), Efficient spectral-Galerkin method, SIAM J. Sci. Comput. 15.
 */
export function shapes(condition: EndCondition, count: number, points: readonly number[]): ShapeTable {
  const columns = points.map((xi) => legendre(count + 4, xi));
  const combine = (P: number[], i: number) => {
    if (condition === 'free') return P[i]!;
    if (condition === 'zero') return P[i]! - P[i + 2]!;
    return P[i]! - ((2 * (2 * i + 5)) / (2 * i + 7)) * P[i + 2]! + ((2 * i + 3) / (2 * i + 7)) * P[i + 4]!;
  };
  return Array.from({ length: DERIVATIVES }, (_, d) =>
    Array.from({ length: count }, (_, i) => columns.map((table) => combine(table[d]!, i))),
  );
}

const known = new Map<number, { points: number[]; weights: number[] }>();

/**
 * Gauss–Legendre points and weights on −1..1; exact for polynomials up to degree 2 · count − 1.
 * Source: Abramowitz & Stegun 25.4.29; the roots by Newton's method.
 */
export function gaussLegendre(count: number): { points: number[]; weights: number[] } {
  const remembered = known.get(count);
  if (remembered) return remembered;
  const points: number[] = [];
  const weights: number[] = [];
  for (let k = 0; k < count; k++) {
    let xi = Math.cos((Math.PI * (k + 0.75)) / (count + 0.5));
    let slope = 1;
    for (let step = 0; step < 50; step++) {
      const [value, derivative] = legendre(count, xi);
      slope = derivative![count]!;
      const change = value![count]! / slope;
      xi -= change;
      if (Math.abs(change) < 1e-15) break;
    }
    points.push(xi);
    weights.push(2 / ((1 - xi * xi) * slope * slope));
  }
  const rule = { points, weights };
  known.set(count, rule);
  return rule;
}
