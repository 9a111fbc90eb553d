/**
 * Time (s) in which a round front grows from the radius of its inlet to another (m):
 * φ μ / (2 K Δp) · (R² ln(R/r) − (R² − r²)/2).
 *
 * Derived: Darcy's law round a point, v = K Δp / (φ μ ρ ln(ρ/r)), integrated from r to R.
 * @example radialFillTime({ radius: 0.4, inletRadius: 0.006, permeability: 3e-10, porosity: 0.5, … }) // 1096
 */
export function radialFillTime({
  radius,
  inletRadius,
  permeability,
  porosity,
  viscosity,
  pressure,
}: {
  radius: number;
  inletRadius: number;
  permeability: number;
  porosity: number;
  viscosity: number;
  pressure: number;
}): number {
  const grown = radius ** 2 * Math.log(radius / inletRadius) - (radius ** 2 - inletRadius ** 2) / 2;
  return ((porosity * viscosity) / (2 * permeability * pressure)) * grown;
}
