import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { KeramosError } from '../error';
import { gaussLegendre, shapes, type EndCondition, type ShapeTable } from './legendre';

/**
 * Bending stiffness of a plate (N m), and its transverse shear stiffness (N/m): A44 of the yz plane, A55 of the xz
 * plane. Without them the plate is thin.
 */
export interface PlateStiffness {
  D11: number;
  D12: number;
  D22: number;
  D66: number;
  D16?: number;
  D26?: number;
  A44?: number;
  A55?: number;
}

/** A rectangular plate: x along `length`, y along `breadth`, both from 0 (m). */
export interface Plate extends PlateStiffness {
  length: number;
  breadth: number;
  /**
   * How firmly the edges are held against turning, 0 simply supported to 1 clamped: those at x = 0 and x = length,
   * and those at y = 0 and y = breadth.
   */
  fixityX: number;
  fixityY: number;
}

/** An unknown field of the plate: deflection w or a rotation, as products of shape functions in x and y. */
interface Field {
  x: EndCondition;
  y: EndCondition;
  /**
   * Parity of the functions in x and y relative to those of w: a rotation is the slope of w, hence odd where w is
   * even.
   */
  turnX: 0 | 1;
  turnY: 0 | 1;
}

/** Which products take part: all; those of one parity each way; or those whose parities together are even or odd. */
export type Symmetry = 'none' | { x: 0 | 1; y: 0 | 1 } | { sum: 0 | 1 };

/** One-dimensional integrals of shape functions: `[derivative of first][derivative of second][i][k]`. */
type Integrals = number[][][][];

/** The Ritz model of a plate: its stiffness matrix, and how to read fields from a solution. */
export interface RitzModel {
  plate: Plate;
  fields: Field[];
  /** Function numbers (x, y) of every unknown, field after field; w comes first. */
  pairs: [i: number, j: number][][];
  offsets: number[];
  size: number;
  stiffness: Matrix;
  integrals: (first: number, second: number) => { X: Integrals; Y: Integrals };
  terms: Terms;
}

/** Functions of each field along x and along y: a long plate needs more along its length. */
export interface Terms {
  x: number;
  y: number;
}

/**
 * As many functions as a plate under pressure needs to be within 0.1 % at its middle: `terms` each way where it is as
 * long as broad, both sides measured by their stiffness, more along a longer side.
 */
export function termsFor(
  { length, breadth, D11, D22 }: Pick<Plate, 'length' | 'breadth' | 'D11' | 'D22'>,
  terms: number,
): Terms {
  const times = (length / breadth) * (D22 / D11) ** 0.25;
  const along = (ratio: number) => terms + Math.max(0, Math.ceil(1.2 * (Math.min(ratio, 24) - 2)));
  return { x: along(times), y: along(1 / times) };
}

const clampedWhen = (fixity: number): EndCondition => (fixity >= 1 ? 'clamped' : 'zero');

function fieldsOf(plate: Plate): Field[] {
  const thin = plate.A44 === undefined || plate.A55 === undefined;
  if (thin) return [{ x: clampedWhen(plate.fixityX), y: clampedWhen(plate.fixityY), turnX: 0, turnY: 0 }];
  const held = (fixity: number): EndCondition => (fixity >= 1 ? 'zero' : 'free');
  return [
    { x: 'zero', y: 'zero', turnX: 0, turnY: 0 },
    { x: held(plate.fixityX), y: 'zero', turnX: 1, turnY: 0 },
    { x: 'zero', y: held(plate.fixityY), turnX: 0, turnY: 1 },
  ];
}

function takesPart(symmetry: Symmetry, field: Field, i: number, j: number): boolean {
  if (symmetry === 'none') return true;
  const [px, py] = [(i + field.turnX) % 2, (j + field.turnY) % 2];
  return 'sum' in symmetry ? (px + py) % 2 === symmetry.sum : px === symmetry.x && py === symmetry.y;
}

/** Integrals over the plate's side of all products of derivatives up to the second of two sets of shape functions. */
function integrate(a: EndCondition, b: EndCondition, count: number, side: number): Integrals {
  const { points, weights } = gaussLegendre(count + 6);
  const [f, g] = [shapes(a, count, points), shapes(b, count, points)];
  const scale = (derivative: number) => (2 / side) ** derivative;
  return [0, 1, 2].map((d) =>
    [0, 1, 2].map((e) => {
      const factor = (side / 2) * scale(d) * scale(e);
      return f[d]!.map((fi) =>
        g[e]!.map((gk) => factor * fi.reduce((sum, value, q) => sum + weights[q]! * value * gk[q]!, 0)),
      );
    }),
  );
}

/**
 * Rotational spring of an edge (N m/m per rad) that gives a long strip the share `fixity` of its clamped end moment.
 */
const edgeSpring = (fixity: number, D: number, side: number) =>
  fixity <= 0 || fixity >= 1 ? 0 : (2 * D * fixity) / (side * (1 - fixity));

/**
 * Ritz model of a plate by first-order shear deformation theory, or by thin-plate theory without transverse shear
 * stiffness.
 *
 * @param given functions of each field, alike both ways or told apart.
 * @param symmetry of the deflection, which drops functions that cannot take part.
 * Source: Reddy, Mechanics of Laminated Composite Plates and Shells, ch. 5 and 6; Whitney, Structural Analysis of
 * Laminated Anisotropic Plates.
 */
export function ritzModel(plate: Plate, given: number | Terms, symmetry: Symmetry): RitzModel {
  const terms: Terms = typeof given === 'number' ? { x: given, y: given } : given;
  const { length: a, breadth: b, D11, D12, D22, D66, D16 = 0, D26 = 0, A44 = 0, A55 = 0, fixityX, fixityY } = plate;
  if (!(D11 * D22 > D12 * D12))
    throw new KeramosError('invalid', 'These stiffnesses make no stable plate: D11 D22 must exceed D12²', 'D12');
  const fields = fieldsOf(plate);
  const pairs = fields.map((field) => {
    const all: [number, number][] = [];
    for (let i = 0; i < terms.x; i++)
      for (let j = 0; j < terms.y; j++) if (takesPart(symmetry, field, i, j)) all.push([i, j]);
    return all;
  });
  const offsets = pairs.map((_, f) => pairs.slice(0, f).reduce((sum, list) => sum + list.length, 0));
  const size = pairs.reduce((sum, list) => sum + list.length, 0);

  const known = new Map<string, Integrals>();
  const once = (key: string, make: () => Integrals) => {
    const value = known.get(key) ?? make();
    known.set(key, value);
    return value;
  };
  const integrals = (first: number, second: number) => {
    const [p, q] = [fields[first]!, fields[second]!];
    return {
      X: once(`x${p.x}${q.x}`, () => integrate(p.x, q.x, terms.x, a)),
      Y: once(`y${p.y}${q.y}`, () => integrate(p.y, q.y, terms.y, b)),
    };
  };

  const K = Matrix.zeros(size, size);
  /** Add coefficient · ∫ (d^dx1 d^dy1 first)(d^dx2 d^dy2 second) to the block of two fields. */
  const add = (
    first: number,
    second: number,
    products: [coefficient: number, dx1: number, dx2: number, dy1: number, dy2: number][],
  ) => {
    const { X, Y } = integrals(first, second);
    const live = products
      .filter(([coefficient]) => coefficient !== 0)
      .map(([c, dx1, dx2, dy1, dy2]) => [c, X[dx1]![dx2]!, Y[dy1]![dy2]!] as const);
    pairs[first]!.forEach(([i, j], p) => {
      const row = offsets[first]! + p;
      pairs[second]!.forEach(([k, l], q) => {
        const column = offsets[second]! + q;
        if (column < row) return;
        let sum = 0;
        for (const [c, Xde, Yde] of live) sum += c * Xde[i]![k]! * Yde[j]![l]!;
        K.set(row, column, K.get(row, column) + sum);
      });
    });
  };
  /** Rotational springs along the edges, on slope (thin) or rotation. */
  const springs = (field: number, slope: 0 | 1, along: 'x' | 'y', stiffness: number) => {
    if (stiffness === 0) return;
    const { X, Y } = integrals(field, field);
    const [condition, side, other] =
      along === 'x' ? [fields[field]!.x, a, Y[0]![0]!] : [fields[field]!.y, b, X[0]![0]!];
    const ends = shapes(condition, terms[along], [-1, 1])[slope]!.map((pair) =>
      pair.map((value) => value * (2 / side) ** slope),
    );
    pairs[field]!.forEach(([i, j], p) =>
      pairs[field]!.forEach(([k, l], q) => {
        const [row, column] = [offsets[field]! + p, offsets[field]! + q];
        if (column < row) return;
        const [e, f, o] = along === 'x' ? [ends[i]!, ends[k]!, other[j]![l]!] : [ends[j]!, ends[l]!, other[i]![k]!];
        K.set(row, column, K.get(row, column) + stiffness * (e[0]! * f[0]! + e[1]! * f[1]!) * o);
      }),
    );
  };
  const [springX, springY] = [edgeSpring(fixityX, D11, a), edgeSpring(fixityY, D22, b)];

  if (fields.length === 1) {
    add(0, 0, [
      [D11, 2, 2, 0, 0],
      [D12, 2, 0, 0, 2],
      [D12, 0, 2, 2, 0],
      [D22, 0, 0, 2, 2],
      [4 * D66, 1, 1, 1, 1],
      [2 * D16, 2, 1, 0, 1],
      [2 * D16, 1, 2, 1, 0],
      [2 * D26, 0, 1, 2, 1],
      [2 * D26, 1, 0, 1, 2],
    ]);
    springs(0, 1, 'x', springX);
    springs(0, 1, 'y', springY);
  } else {
    add(0, 0, [
      [A55, 1, 1, 0, 0],
      [A44, 0, 0, 1, 1],
    ]);
    add(0, 1, [[A55, 1, 0, 0, 0]]);
    add(0, 2, [[A44, 0, 0, 1, 0]]);
    add(1, 1, [
      [A55, 0, 0, 0, 0],
      [D11, 1, 1, 0, 0],
      [D66, 0, 0, 1, 1],
      [D16, 1, 0, 0, 1],
      [D16, 0, 1, 1, 0],
    ]);
    add(2, 2, [
      [A44, 0, 0, 0, 0],
      [D22, 0, 0, 1, 1],
      [D66, 1, 1, 0, 0],
      [D26, 0, 1, 1, 0],
      [D26, 1, 0, 0, 1],
    ]);
    add(1, 2, [
      [D12, 1, 0, 0, 1],
      [D66, 0, 1, 1, 0],
      [D16, 1, 1, 0, 0],
      [D26, 0, 0, 1, 1],
    ]);
    springs(1, 0, 'x', springX);
    springs(2, 0, 'y', springY);
  }
  for (let row = 0; row < size; row++)
    for (let column = 0; column < row; column++) K.set(row, column, K.get(column, row));
  return { plate, fields, pairs, offsets, size, stiffness: K, integrals, terms };
}

/** Solve K a = f. @throws KeramosError `invalid` when the stiffnesses make no stable plate. */
export function solveRitz({ stiffness }: RitzModel, load: number[]): number[] {
  const factors = new CholeskyDecomposition(stiffness);
  if (!factors.isPositiveDefinite())
    throw new KeramosError(
      'invalid',
      'These stiffnesses make no stable plate: D11 D22 must exceed D12², and every stiffness must be positive',
      'D11',
    );
  return factors.solve(Matrix.columnVector(load)).to1DArray();
}

/**
 * Fields of a solved plate at a point, x and y in m from the corner. Moments per unit width (N), shear forces (N/m).
 */
export interface PlateState {
  w: number;
  Mx: number;
  My: number;
  Mxy: number;
  Qx: number;
  Qy: number;
}

/**
 * Reads deflection, moments and shear forces off a solution. Shear forces come from the equilibrium of the moments,
 * which is smoother than the shear strain.
 */
export function readPlate(model: RitzModel, solution: readonly number[]): PlateReader {
  const { plate, fields, pairs, offsets, terms } = model;
  const { length: a, breadth: b, D11, D12, D22, D66, D16 = 0, D26 = 0 } = plate;
  // Many points share a row or a column of a grid.
  const columns = new Map<number, ShapeTable[]>();
  const rows = new Map<number, ShapeTable[]>();
  const once = (known: Map<number, ShapeTable[]>, place: number, make: () => ShapeTable[]) => {
    const table = known.get(place) ?? make();
    known.set(place, table);
    return table;
  };
  const fieldAt = (x: number, y: number) => {
    const alongX = once(columns, x, () => fields.map((field) => shapes(field.x, terms.x, [(2 * x) / a - 1])));
    const alongY = once(rows, y, () => fields.map((field) => shapes(field.y, terms.y, [(2 * y) / b - 1])));
    return (f: number, dx: number, dy: number) => {
      const [Xd, Yd] = [alongX[f]![dx]!, alongY[f]![dy]!];
      const offset = offsets[f]!;
      let sum = 0;
      pairs[f]!.forEach(([i, j], p) => (sum += solution[offset + p]! * Xd[i]![0]! * Yd[j]![0]!));
      return sum * (2 / a) ** dx * (2 / b) ** dy;
    };
  };
  const read = (x: number, y: number) => {
    const field = fieldAt(x, y);
    const w = field(0, 0, 0);
    /** Curvatures κx, κy, κxy differentiated once more: nx times along x, ny times along y. */
    const curvature = (nx: number, ny: number): [number, number, number] =>
      fields.length === 1
        ? [-field(0, 2 + nx, ny), -field(0, nx, 2 + ny), -2 * field(0, 1 + nx, 1 + ny)]
        : [field(1, 1 + nx, ny), field(2, nx, 1 + ny), field(1, nx, 1 + ny) + field(2, 1 + nx, ny)];
    const moments = ([kx, ky, kxy]: [number, number, number]) => ({
      Mx: D11 * kx + D12 * ky + D16 * kxy,
      My: D12 * kx + D22 * ky + D26 * kxy,
      Mxy: D16 * kx + D26 * ky + D66 * kxy,
    });
    const [m, alongX, alongY] = [moments(curvature(0, 0)), moments(curvature(1, 0)), moments(curvature(0, 1))];
    return { w, ...m, Qx: alongX.Mx + alongY.Mxy, Qy: alongX.Mxy + alongY.My };
  };
  return Object.assign(read, { deflection: (x: number, y: number) => fieldAt(x, y)(0, 0, 0) });
}

/** A reader of a solved plate; `deflection` alone is quicker. */
export type PlateReader = ((x: number, y: number) => PlateState) & { deflection: (x: number, y: number) => number };
