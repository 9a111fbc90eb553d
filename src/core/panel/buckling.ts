import { CholeskyDecomposition, EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { invalid } from '../error';
import { readPlate, ritzModel, type Plate, type RitzModel, type Symmetry, type Terms } from './plate';

export type BucklingLoad = 'uniaxialX' | 'biaxial' | 'shear';

/** Functions along a side that few waves fit on. */
const LEAST_TERMS = 10;
/**
 * The most half-waves that are followed along a side. A plate that is longer is cut to just so many. Pressed along x
 * and held simply at its ends it then buckles at the least load of any length, which is less than that of the whole
 * by at most (9/8 + 8/9 − 2)/(2 + 2 η) with η = (D12 + 2 D66)/√(D11 D22): 0.7 % where nothing resists twist, 0.35 %
 * where it is alike all round. Under the other loads the cut plate bears up to 0.5 % more than the whole.
 */
const MOST_WAVES: Record<BucklingLoad, number> = { uniaxialX: 8, biaxial: 12, shear: 12 };
/** Clamped long edges make the waves shorter by so much. */
const CLAMPED = 1.5;

/**
 * The plate as it is solved, with as many functions along each side as its waves need: as many half-waves fit on it
 * as it is longer than broad, both sides measured by their stiffness. Pressed along x it waves along x alone.
 */
function enough(plate: Plate, load: BucklingLoad): { solved: Plate; terms: Terms } {
  const most = MOST_WAVES[load];
  const wavesX = (plate.length / plate.breadth) * (plate.D22 / plate.D11) ** 0.25;
  const wavesY = load === 'uniaxialX' ? 1 : 1 / wavesX;
  const terms = (waves: number) => Math.max(LEAST_TERMS, Math.ceil(2.4 * CLAMPED * Math.min(waves, most)) + 5);
  const cut = (side: number, waves: number) => side * Math.min(1, most / waves);
  return {
    solved: { ...plate, length: cut(plate.length, wavesX), breadth: cut(plate.breadth, wavesY) },
    terms: { x: terms(wavesX), y: terms(wavesY) },
  };
}

/** Forces in the plane that press (N/m), and shear that is negative Nxy. */
interface Pressing {
  Nx: number;
  Ny: number;
  Nxy: number;
}
/** In-plane forces of a unit load; compression positive, shear as positive Nxy. */
const UNIT_LOADS: Record<BucklingLoad, (ratio: number) => Pressing> = {
  uniaxialX: () => ({ Nx: 1, Ny: 0, Nxy: 0 }),
  biaxial: (ratio) => ({ Nx: 1, Ny: ratio, Nxy: 0 }),
  shear: () => ({ Nx: 0, Ny: 0, Nxy: -1 }),
};

/** Work of in-plane forces on the deflection functions. */
function loadMatrix(model: RitzModel, { Nx, Ny, Nxy }: Pressing): Matrix {
  const { X, Y } = model.integrals(0, 0);
  const pairs = model.pairs[0]!;
  const G = Matrix.zeros(pairs.length, pairs.length);
  pairs.forEach(([i, j], p) =>
    pairs.forEach(([k, l], q) => {
      G.set(
        p,
        q,
        Nx * X[1]![1]![i]![k]! * Y[0]![0]![j]![l]! +
          Ny * X[0]![0]![i]![k]! * Y[1]![1]![j]![l]! +
          Nxy * (X[1]![0]![i]![k]! * Y[0]![1]![j]![l]! + X[0]![1]![i]![k]! * Y[1]![0]![j]![l]!),
      );
    }),
  );
  return G;
}

/** Stiffness seen by the deflection alone: rotations follow it without load of their own. */
function condensed(model: RitzModel): Matrix {
  const n = model.pairs[0]!.length;
  const K = model.stiffness;
  if (model.fields.length === 1) return K;
  const ww = K.subMatrix(0, n - 1, 0, n - 1);
  const wr = K.subMatrix(0, n - 1, n, model.size - 1);
  const rr = K.subMatrix(n, model.size - 1, n, model.size - 1);
  return symmetric(ww.sub(wr.mmul(new CholeskyDecomposition(rr).solve(wr.transpose()))));
}

/** The matrix with its rounding errors mended, in place: the upper triangle counts. */
function symmetric(matrix: Matrix): Matrix {
  for (let i = 0; i < matrix.rows; i++) for (let j = 0; j < i; j++) matrix.set(i, j, matrix.get(j, i));
  return matrix;
}

/** Half-waves of a mode along x and y: of the whole plate, counted on what was solved of it. */
function halfWaves(whole: Plate, model: RitzModel, mode: number[]): [number, number] {
  const full = [...mode, ...new Array<number>(model.size - mode.length).fill(0)];
  const at = readPlate(model, full);
  const { length: a, breadth: b } = model.plate;
  const shares = (terms: number) => {
    const steps = Math.max(24, 2 * terms);
    return Array.from({ length: steps - 1 }, (_, i) => (i + 1) / steps);
  };
  const [sharesX, sharesY] = [shares(model.terms.x), shares(model.terms.y)];
  let best = { value: 0, x: 0.5, y: 0.5 };
  for (const x of sharesX)
    for (const y of sharesY) {
      const value = Math.abs(at.deflection(a * x, b * y));
      if (value > best.value) best = { value, x, y };
    }
  const count = (values: number[]) => {
    const live = values.filter((value) => Math.abs(value) > 0.02 * best.value);
    return live.reduce((n, value, i) => (i > 0 && value * live[i - 1]! < 0 ? n + 1 : n), 1);
  };
  return [
    Math.round((count(sharesX.map((x) => at.deflection(a * x, b * best.y))) * whole.length) / a),
    Math.round((count(sharesY.map((y) => at.deflection(a * best.x, b * y))) * whole.breadth) / b),
  ];
}

/** The least factor on forces in the plane at which a plate buckles, with its mode; null where none does. */
function leastLoad(plate: Plate, pressing: Pressing, load: BucklingLoad, given?: number) {
  const coupled = load === 'shear' || (plate.D16 ?? 0) !== 0 || (plate.D26 ?? 0) !== 0;
  const classes: Symmetry[] = coupled
    ? [{ sum: 0 }, { sum: 1 }]
    : [0, 1].flatMap((x) => [0, 1].map((y): Symmetry => ({ x: x as 0 | 1, y: y as 0 | 1 })));
  const { solved, terms } = given === undefined ? enough(plate, load) : { solved: plate, terms: given };
  let best: { criticalLoad: number; model: RitzModel; mode: number[] } | null = null;
  for (const symmetry of classes) {
    const model = ritzModel(solved, terms, symmetry);
    const K = condensed(model);
    const L = new CholeskyDecomposition(K).lowerTriangularMatrix;
    const G = loadMatrix(model, pressing);
    const half = forward(L, G);
    const reduced = forward(L, half.transpose());
    const eigen = new EigenvalueDecomposition(symmetric(reduced), { assumeSymmetric: true });
    const values = eigen.realEigenvalues;
    const top = values.reduce((index, value, i) => (value > values[index]! ? i : index), 0);
    if (!(values[top]! > 0)) continue;
    const criticalLoad = 1 / values[top]!;
    if (best === null || criticalLoad < best.criticalLoad)
      best = { criticalLoad, model, mode: backward(L, eigen.eigenvectorMatrix.getColumn(top)) };
  }
  return best;
}

/**
 * Factor on forces in the plane at which a plate buckles; Infinity where they do not press it anywhere.
 *
 * @param N along x, along y, shear (N/m), pulling positive.
 * @example bucklingUnder(square, [-1000, 0, 0]) // plateBuckling(square, 'uniaxialX').criticalLoad / 1000
 * Source: as plateBuckling.
 */
export function bucklingUnder(plate: Plate, [Nx, Ny, Nxy]: readonly [number, number, number]): number {
  const pressed: BucklingLoad = Ny === 0 ? 'uniaxialX' : 'biaxial';
  const kind = Nxy === 0 ? pressed : 'shear';
  const presses = Math.min(Nx, Ny, -Math.abs(Nxy)) < 0;
  const scale = Math.max(Math.abs(Nx), Math.abs(Ny), Math.abs(Nxy));
  if (!presses) return Infinity;
  const pressing = { Nx: -Nx / scale, Ny: -Ny / scale, Nxy: -Nxy / scale };
  return (leastLoad(plate, pressing, kind)?.criticalLoad ?? Infinity) / scale;
}

/**
 * Load per unit width at which a plate buckles (N/m): compression along x, both ways with Ny = ratio · Nx, or shear.
 *
 * @param ratio Ny/Nx of a biaxial load, default 1. @param given functions each way, by default as many as the waves of
 * this plate need: with too few the load comes out too high.
 * @returns the critical load, compression positive (shear: positive Nxy), and for unsheared plates the half-waves of
 * the mode.
 * @throws KeramosError `invalid` when no compression of this kind buckles the plate.
 * @example plateBuckling(square, 'uniaxialX').criticalLoad // 4 π² D / b²
 * Source: Timoshenko & Gere, Theory of Elastic Stability, ch. 9; Reddy, ch. 5 and 6.
 */
export function plateBuckling(
  plate: Plate,
  load: BucklingLoad,
  ratio = 1,
  given?: number,
): { criticalLoad: number; halfWaves?: [number, number] } {
  const best = leastLoad(plate, UNIT_LOADS[load](ratio), load, given);
  if (best === null) throw invalid('load', 'No load of this kind buckles the plate');
  return {
    criticalLoad: best.criticalLoad,
    ...(load === 'shear' ? {} : { halfWaves: halfWaves(plate, best.model, best.mode) }),
  };
}

/** Solve L X = B for a lower triangular L. */
function forward(L: Matrix, B: Matrix): Matrix {
  const X = B.clone();
  for (let column = 0; column < X.columns; column++)
    for (let row = 0; row < X.rows; row++) {
      let sum = X.get(row, column);
      for (let k = 0; k < row; k++) sum -= L.get(row, k) * X.get(k, column);
      X.set(row, column, sum / L.get(row, row));
    }
  return X;
}
/** Solve Lᵀ x = v. */
function backward(L: Matrix, v: number[]): number[] {
  const x = [...v];
  for (let row = x.length - 1; row >= 0; row--) {
    for (let k = row + 1; k < x.length; k++) x[row] = x[row]! - L.get(k, row) * x[k]!;
    x[row] = x[row]! / L.get(row, row);
  }
  return x;
}
