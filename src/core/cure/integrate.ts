/** Weights of the pair of fifth and fourth order by Dormand & Prince (1980). */
const C = [0, 1 / 5, 3 / 10, 4 / 5, 8 / 9, 1, 1] as const;
const A = [
  [],
  [1 / 5],
  [3 / 40, 9 / 40],
  [44 / 45, -56 / 15, 32 / 9],
  [19372 / 6561, -25360 / 2187, 64448 / 6561, -212 / 729],
  [9017 / 3168, -355 / 33, 46732 / 5247, 49 / 176, -5103 / 18656],
  [35 / 384, 0, 500 / 1113, 125 / 192, -2187 / 6784, 11 / 84],
] as const;
const E = [71 / 57600, 0, -71 / 16695, 71 / 1920, -17253 / 339200, 22 / 525, -1 / 40] as const;

/** Steps after which it is given up. */
const MOST = 200_000;

/**
 * A course in time: y' = f(t, y) from t0 to t1, steps as short as the error asks.
 *
 * @param f slopes at a time. @param scales of each unknown, by which an error is small.
 * @param onStep told each step's end; true ends it there. @returns the state at the end.
 */
export function integrate(
  f: (t: number, y: readonly number[]) => number[],
  { from, to, start, scales }: { from: number; to: number; start: readonly number[]; scales: readonly number[] },
  onStep: (t: number, y: readonly number[]) => boolean | void = () => {},
): number[] {
  const TOLERANCE = 1e-9;
  let [t, y] = [from, [...start]];
  let h = (to - from) * 1e-4;
  for (let step = 0; step < MOST && t < to; step++) {
    h = Math.min(h, to - t);
    const k: number[][] = [];
    for (let s = 0; s < 7; s++) {
      const at = y.map((value, i) => value + h * A[s]!.reduce((sum: number, a, j) => sum + a * k[j]![i]!, 0));
      k.push(f(t + C[s]! * h, at));
    }
    const error = Math.max(
      ...y.map((_, i) => Math.abs(h * E.reduce((sum: number, e, j) => sum + e * k[j]![i]!, 0)) / scales[i]!),
    );
    if (error <= TOLERANCE || h <= 1e-12 * (to - from)) {
      t += h;
      // The last slopes are taken at the end of the step: that is the new state.
      y = y.map((value, i) => value + h * A[6].reduce((sum: number, a, j) => sum + a * k[j]![i]!, 0));
      if (onStep(t, y) === true) return y;
    }
    h *= Math.min(4, Math.max(0.2, 0.9 * (TOLERANCE / Math.max(error, 1e-30)) ** 0.2));
  }
  return y;
}
