import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { invalid } from '../error';
import { shapes, type ShapeTable } from './legendre';
import { termsFor, type PlateState, type PlateStiffness } from './plate';
import { taperedFunctions, taperedLoad, taperedStiffness } from './taperedEquations';
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

/** Bend–twist coupling under this share of bending is left out: it moves moments by its square, 0.01 %. */
const SLIGHT = 0.01;

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
  const functions = taperedFunctions(termsFor({ length: L, breadth: mean, D11, D22 }, terms), {
    fixity,
    coupled: D16 !== 0 || D26 !== 0,
  });
  const { nx, ny, conditions, unknowns, begins } = functions;
  const K = taperedStiffness({ ...plate, D16, D26, length: L, breadths: kept }, functions);
  const f = taperedLoad({ length: L, breadths: kept }, functions, load);
  const factors = new CholeskyDecomposition(new Matrix(K.map((row) => Array.from(row))));
  if (!factors.isPositiveDefinite())
    throw invalid('D11', 'These stiffnesses make no stable plate: D11 D22 must exceed D12², and all must be positive');
  const solution = factors.solve(Matrix.columnVector(Array.from(f))).to1DArray();
  const breadthAt = breadthCurve(kept);
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
    /** A field there, and its slopes along x and y. */
    const fieldAt = (field: number): [number, number, number] => {
      const [[Xs, X1], [Ys, Y1]] = [X[field]!, Y[field]!] as [ShapeTable, ShapeTable];
      let [value, along, across] = [0, 0, 0];
      unknowns[field]!.forEach(({ i, j }, n) => {
        const share = solution[begins[field]! + n]!;
        value += share * Xs![i]![0]! * Ys![j]![0]!;
        along += share * X1![i]![0]! * Ys![j]![0]!;
        across += share * Xs![i]![0]! * Y1![j]![0]!;
      });
      return [value, (2 * along - (eta * 2 * g1 * across) / g) / L, (2 * across) / g];
    };
    const [[w, wx, wy], [tx, txx, txy], [ty, tyx, tyy]] = [fieldAt(0), fieldAt(1), fieldAt(2)];
    const [kx, ky, kxy] = [txx, tyy, txy + tyx];
    return {
      g,
      w,
      Q: [A55 * (wx + tx), A44 * (wy + ty)] as [number, number],
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
