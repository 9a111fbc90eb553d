/** A layer of a pack that resin flows along: thickness (m), permeability (m²), porosity. */
export interface FlowLayer {
  thickness: number;
  permeability: number;
  porosity: number;
}

/** Permeability and porosity of layers that fill side by side: their means by thickness. */
export function packOf(layers: readonly FlowLayer[]): FlowLayer {
  const thickness = layers.reduce((sum, layer) => sum + layer.thickness, 0);
  const mean = (pick: 'permeability' | 'porosity') =>
    layers.reduce((sum, layer) => sum + layer.thickness * layer[pick], 0) / thickness;
  return { thickness, permeability: mean('permeability'), porosity: mean('porosity') };
}

/**
 * Time (s) in which a straight front goes a length (m) from a line: φ μ L² / (2 K Δp).
 *
 * Derived: Darcy's law with pressure falling evenly from the line to the front, v = K Δp / (φ μ x), integrated.
 * @param pressure difference between feed and vacuum (Pa). @param viscosity of the resin (Pa·s), constant.
 * @example lineFillTime({ length: 0.6, permeability: 3e-10, porosity: 0.5, viscosity: 0.2, pressure: 9e4 }) // 666.7
 */
export const lineFillTime = ({
  length,
  permeability,
  porosity,
  viscosity,
  pressure,
}: Omit<FlowLayer, 'thickness'> & { length: number; viscosity: number; pressure: number }): number =>
  (porosity * viscosity * length ** 2) / (2 * permeability * pressure);
