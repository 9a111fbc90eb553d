import { LuDecomposition, Matrix } from 'ml-matrix';
import { gaussLegendre, shapes, type EndCondition } from './legendre';
import type { RitzModel } from './plate';

/** A plate that is solved: its model and the factors of its functions. */
export interface SolvedPlate {
  model: RitzModel;
  solution: readonly number[];
  /** Pressure at a place (Pa; m from the corner). */
  pressure: (x: number, y: number) => number;
}

/** Of the lifted deflection: second ones of a thin plate (xx, yy, xy), first ones of any other (x, y). */
type Derivatives = [number, number, number];

/** Functions along the edge: with 24 the force in its middle is right to 0.03 % (with 12, to 0.7 %). */
const ALONG = 24;

/**
 * Shear force along the edge x = length, or y = breadth (N/m), by virtual work: what the moments and shear forces of
 * the solution do on a deflection that lifts this edge alone, less what the pressure does on it.
 *
 * Shear forces read off the solution as derivatives converge slowest of all, and at clamped edges of plates that shear
 * hardly: they live in a thin layer there. Work is an integral over the whole plate, and converges as the energy does.
 *
 * For plates with transverse shear, and thin plates clamped on all edges (where no twisting moment adds to the shear).
 *
 * @param edge across which the force is wanted. @returns the force at a share of the edge, 0 to 1, along the pressure.
 * @example edgeShear(solved, 'x')(0.5) // −0.441 p a at the middle of a clamped square, against the pressure
 * Source: consistent reactions of the principle of virtual work (Reddy, Energy Principles, ch. 7); docs/engineering.md.
 */
export function edgeShear({ model, solution, pressure }: SolvedPlate, edge: 'x' | 'y'): (share: number) => number {
  const { plate, fields, pairs, offsets, terms } = model;
  const { length: a, breadth: b, D11, D12, D22, D66, D16 = 0, D26 = 0, A44 = 0, A55 = 0 } = plate;
  const thin = fields.length === 1;
  const { points, weights } = gaussLegendre(Math.max(terms.x, terms.y, ALONG) + 8);
  const along: EndCondition = thin ? 'clamped' : 'zero';
  /** Lifts one edge from 0 to 1; level at both ends where the plate is thin, so that no moment works on it. */
  const lift = points.map((xi) => {
    const s = (xi + 1) / 2;
    return thin ? [s * s * (3 - 2 * s), 6 * s * (1 - s), 6 - 12 * s] : [s, 1, 0];
  });
  const side = edge === 'x' ? a : b;
  const other = edge === 'x' ? b : a;
  const tests = shapes(along, ALONG, points);
  const tables = fields.map((field) => [shapes(field.x, terms.x, points), shapes(field.y, terms.y, points)] as const);

  /** A derivative of a field at all points of the grid. */
  const on = (f: number, dx: number, dy: number): number[][] => {
    const [X, Y] = [tables[f]![0][dx]!, tables[f]![1][dy]!];
    const scale = (2 / a) ** dx * (2 / b) ** dy;
    // First over y for each function of x, then over x.
    const byX = new Map<number, Float64Array>();
    pairs[f]!.forEach(([i, j], p) => {
      const row = byX.get(i) ?? new Float64Array(points.length);
      byX.set(i, row);
      const factor = solution[offsets[f]! + p]! * scale;
      for (let q = 0; q < points.length; q++) row[q]! += factor * Y[j]![q]!;
    });
    return points.map((_, p) =>
      points.map((__, q) => {
        let sum = 0;
        for (const [i, row] of byX) sum += X[i]![p]! * row[q]!;
        return sum;
      }),
    );
  };
  const grid = (make: (p: number, q: number) => number) => points.map((_, p) => points.map((__, q) => make(p, q)));
  const work = thin ? thinForces() : shearForces();

  function thinForces() {
    const [kx, ky, kxy] = [on(0, 2, 0), on(0, 0, 2), on(0, 1, 1)];
    const moment = (x: number, y: number, xy: number) =>
      grid((p, q) => -(x * kx[p]![q]! + y * ky[p]![q]! + 2 * xy * kxy[p]![q]!));
    const [Mx, My, Mxy] = [moment(D11, D12, D16), moment(D12, D22, D26), moment(D16, D26, D66)];
    // Against −∂²/∂x², −∂²/∂y², −2 ∂²/∂x∂y of the lifted deflection.
    return (p: number, q: number, [dxx, dyy, dxy]: Derivatives) =>
      -(Mx[p]![q]! * dxx + My[p]![q]! * dyy + 2 * Mxy[p]![q]! * dxy);
  }
  function shearForces() {
    const [wx, wy, tx, ty] = [on(0, 1, 0), on(0, 0, 1), on(1, 0, 0), on(2, 0, 0)];
    return (p: number, q: number, [dx, dy]: Derivatives) =>
      A55 * (wx[p]![q]! + tx[p]![q]!) * dx + A44 * (wy[p]![q]! + ty[p]![q]!) * dy;
  }

  const force = tests[0]!.map((_, j) => {
    let sum = 0;
    for (let p = 0; p < points.length; p++)
      for (let q = 0; q < points.length; q++) {
        // n across the edge, t along it.
        const [n, t] = edge === 'x' ? [p, q] : [q, p];
        const [l0, l1, l2] = lift[n] as [number, number, number];
        const [t0, t1, t2] = [tests[0]![j]![t]!, (2 / other) * tests[1]![j]![t]!, (2 / other) ** 2 * tests[2]![j]![t]!];
        const [across, twice] = [(l1 / side) * t0, (l2 / side ** 2) * t0];
        const turned = (n0: number, t: number): [number, number] => (edge === 'x' ? [n0, t] : [t, n0]);
        const inner = thin
          ? work(p, q, [...turned(twice, l0 * t2), (l1 / side) * t1])
          : work(p, q, [...turned(across, l0 * t1), 0]);
        const outer = pressure((a * (points[p]! + 1)) / 2, (b * (points[q]! + 1)) / 2) * l0 * t0;
        sum += weights[p]! * weights[q]! * (inner - outer);
      }
    return (sum * a * b) / 4;
  });

  // The force as a sum of the same functions, whose products over the edge are known.
  const products = force.map((_, i) =>
    force.map(
      (__, j) => (other / 2) * points.reduce((s, ___, q) => s + weights[q]! * tests[0]![i]![q]! * tests[0]![j]![q]!, 0),
    ),
  );
  const factors = new LuDecomposition(new Matrix(products)).solve(Matrix.columnVector(force)).to1DArray();
  return (share) => {
    const [values] = shapes(along, ALONG, [2 * share - 1]) as [number[][]];
    return factors.reduce((sum, factor, j) => sum + factor * values[j]![0]!, 0);
  };
}
