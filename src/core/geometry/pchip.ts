/**
 * A smooth curve through points that never swings beyond its neighbours (piecewise cubic Hermite, monotone slopes).
 *
 * @param xs ascending. @returns the curve; outside the points it keeps the end values.
 * @example pchip([0, 1, 2], [0, 1, 1])(1.5) // 1
 * Source: Fritsch & Carlson (1980), SIAM J. Numer. Anal. 17; slopes by Fritsch & Butland.
 */
export function pchip(xs: readonly number[], ys: readonly number[]): (x: number) => number {
  const n = xs.length;
  const steps = xs.slice(1).map((x, i) => x - xs[i]!);
  const secants = steps.map((h, i) => (ys[i + 1]! - ys[i]!) / h);
  const slopes = xs.map((_, i) => {
    if (n === 1) return 0;
    if (i === 0 || i === n - 1) return secants[i === 0 ? 0 : n - 2]!;
    const [a, b] = [secants[i - 1]!, secants[i]!];
    if (a * b <= 0) return 0;
    const [h, k] = [steps[i - 1]!, steps[i]!];
    return (3 * (h + k)) / ((2 * k + h) / a + (k + 2 * h) / b);
  });
  return (x) => {
    if (x <= xs[0]!) return ys[0]!;
    if (x >= xs[n - 1]!) return ys[n - 1]!;
    let i = 0;
    for (let high = n - 1; high - i > 1;) {
      const middle = (i + high) >> 1;
      if (x > xs[middle]!) i = middle;
      else high = middle;
    }
    const h = steps[i]!;
    const t = (x - xs[i]!) / h;
    const [t2, t3] = [t * t, t * t * t];
    return (
      (2 * t3 - 3 * t2 + 1) * ys[i]! +
      (t3 - 2 * t2 + t) * h * slopes[i]! +
      (-2 * t3 + 3 * t2) * ys[i + 1]! +
      (t3 - t2) * h * slopes[i + 1]!
    );
  };
}
