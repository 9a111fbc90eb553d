import { invalid } from '../error';

/**
 * Load over deflection by a straight line through the readings, within a window of loads.
 *
 * @param points [load, deflection]. @param window loads, both ends included; all readings without one.
 * @returns slope (load per deflection) with its standard error, and the load at no deflection.
 * @throws KeramosError `invalid` for fewer than three readings in the window, or deflections that are all alike.
 * @example stiffness([[10, 1], [13, 2], [13, 3], [16, 4]]).slope // 1.8
 * Source: ordinary least squares of load on deflection; √(SSE / (n − 2) / Sxx).
 */
export function stiffness(
  points: readonly (readonly [load: number, deflection: number])[],
  window: readonly [from: number, to: number] | null = null,
): { slope: number; intercept: number; standardError: number } {
  const used = window ? points.filter(([load]) => load >= window[0] && load <= window[1]) : points;
  const n = used.length;
  if (n < 3) throw invalid('points', `Three readings are needed at least; the window holds ${n}`);
  const mean = (axis: 0 | 1) => used.reduce((sum, point) => sum + point[axis], 0) / n;
  const [load, deflection] = [mean(0), mean(1)];
  const Sxx = used.reduce((sum, [, d]) => sum + (d - deflection) ** 2, 0);
  const Sxy = used.reduce((sum, [p, d]) => sum + (d - deflection) * (p - load), 0);
  if (!(Sxx > 0)) throw invalid('points', 'Deflections must differ');
  const slope = Sxy / Sxx;
  const intercept = load - slope * deflection;
  const errors = used.reduce((sum, [p, d]) => sum + (p - intercept - slope * d) ** 2, 0);
  return { slope, intercept, standardError: Math.sqrt(errors / (n - 2) / Sxx) };
}
