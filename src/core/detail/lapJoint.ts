export interface LapJointInput {
  /** N per metre of width. */
  load: number;
  /** m, along the load. */
  overlap: number;
  /** E along the load (Pa) and thickness (m); the first is the one loaded at x = 0. */
  adherends: readonly [{ E: number; thickness: number }, { E: number; thickness: number }];
  adhesive: { G: number; thickness: number };
}

/**
 * Shear in the bond of a single lap, elastic: the mean, and the peak at the end of the stiffer difference.
 *
 * @returns averageShear and peakShear (Pa), and the end at which the peak stands: 0 (first adherend loaded) or the
 * overlap.
 * @example lapJoint({ load: 2e5, overlap: 0.2, … }).peakShear // 23.7e6
 * Source: Volkersen 1938. Bending of the adherends and peel are left out.
 */
export function lapJoint({
  load: P,
  overlap: l,
  adherends: [one, two],
  adhesive: { G, thickness: ta },
}: LapJointInput) {
  const [k1, k2] = [one.E * one.thickness, two.E * two.thickness];
  const omega = Math.sqrt((G / ta) * (1 / k1 + 1 / k2));
  const averageShear = P / l;
  // τ at the end where adherend i stops being loaded alone: its share of compliance drives it.
  const at = (own: number, other: number) =>
    ((P * omega) / ((1 / own + 1 / other) * Math.sinh(omega * l))) * (Math.cosh(omega * l) / own + 1 / other);
  const [start, end] =
    omega * l > 300 ? [(P * omega * k2) / (k1 + k2), (P * omega * k1) / (k1 + k2)] : [at(k1, k2), at(k2, k1)];
  return { averageShear, peakShear: Math.max(start, end), peakAt: start >= end ? 0 : l };
}
