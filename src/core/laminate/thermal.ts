import type { Ply, Vector3 } from './ply';
import { transformedStiffness } from './reducedStiffness';
import { facesOf, rotateStrain, type LaminateResponse, type Load, timesColumn } from './response';
import { laminateStiffness } from './stiffness';

export interface ThermalInput {
  /** K, negative on cooling. */
  temperatureChange: number;
  /** Mass fraction of moisture taken up. */
  moistureChange?: number;
  load?: Load;
}

export interface ThermalResponse extends LaminateResponse {
  /** Resultants of the restrained free expansion, N/m and N. */
  thermalForce: Vector3;
  thermalMoment: Vector3;
}

/**
 * Strains, curvatures and ply stresses of a stack that changes temperature or moisture, with a load if there is one.
 *
 * @param plies with alpha1, alpha2 (1/K) and beta1, beta2 where they swell; absent ones are zero.
 * @returns total strains; stresses from the mechanical part alone.
 * @throws KeramosError `invalid` as {@link laminateStiffness} does.
 * @example thermalResponse(plies, { temperatureChange: -60 }).curvature // 1/m
 * Source: Jones, ch. 4; Kaw, ch. 4.5.
 */
export function thermalResponse(
  plies: readonly Ply[],
  { temperatureChange, moistureChange = 0, load = {} }: ThermalInput,
  stiffness = laminateStiffness(plies),
): ThermalResponse {
  const { compliance, thickness } = stiffness;
  const free = plies.map(({ alpha1 = 0, alpha2 = 0, beta1 = 0, beta2 = 0 }): Vector3 => [
    alpha1 * temperatureChange + beta1 * moistureChange,
    alpha2 * temperatureChange + beta2 * moistureChange,
    0,
  ]);
  const thermalForce: Vector3 = [0, 0, 0];
  const thermalMoment: Vector3 = [0, 0, 0];
  let bottom = -thickness / 2;
  plies.forEach((ply, index) => {
    const Q = transformedStiffness(ply);
    const expansion = rotateStrain(free[index]!, -ply.angleDeg);
    const middle = bottom + ply.thickness / 2;
    for (let i = 0; i < 3; i++) {
      const stress = Q[i]![0]! * expansion[0] + Q[i]![1]! * expansion[1] + Q[i]![2]! * expansion[2];
      thermalForce[i]! += stress * ply.thickness;
      thermalMoment[i]! += stress * ply.thickness * middle;
    }
    bottom += ply.thickness;
  });
  const { N = [0, 0, 0], M = [0, 0, 0] } = load;
  const resultants = [...N.map((n, i) => n + thermalForce[i]!), ...M.map((m, i) => m + thermalMoment[i]!)];
  const e = timesColumn(compliance, resultants);
  return {
    thermalForce,
    thermalMoment,
    ...facesOf(plies, thickness, { strain: e.slice(0, 3) as Vector3, curvature: e.slice(3) as Vector3 }, free),
  };
}
