/**
 * Shear and pull on the slope of a scarf joint (Pa).
 *
 * @param stress in the laminate (Pa). @param ratio length of the slope per thickness, 1 or more.
 * @returns shear along the bond, and tension across it.
 * @example scarfJoint({ stress: 1e8, ratio: 12 }).shear // 8.28e6
 * Source: stress on an inclined plane, τ = σ sin θ cos θ, σn = σ sin² θ with tan θ = 1 / ratio.
 */
export function scarfJoint({ stress, ratio }: { stress: number; ratio: number }): { shear: number; tension: number } {
  const theta = Math.atan(1 / ratio);
  return { shear: stress * Math.sin(theta) * Math.cos(theta), tension: stress * Math.sin(theta) ** 2 };
}
