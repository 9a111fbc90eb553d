import type { Fabric, Fibre, Process, Resin } from '../material';
import { layFabric, type LaidComponent } from './layFabric';
import { inPlaneCompliance, polarModulus } from './polar';
import { progressiveFailure } from './progressive';
import { laminateStiffness } from './stiffness';
import { cosSin } from './reducedStiffness';

export interface FabricAsLaid {
  components: LaidComponent[];
  /** m */
  thickness: number;
  /** kg/m² */
  dryWeight: number;
  resinWeight: number;
  laminatedWeight: number;
  fibreWeightFraction: number;
  fibreVolumeFraction: number;
  /** In the plane, held flat (Pa). */
  polar: { angleDeg: number; modulus: number }[];
  /**
   * Modulus and mean strength under a pull at some angles to the roll (Pa): where the first ply cracks, and the most
   * it bears.
   */
  directions: { angleDeg: number; modulus: number; firstPly: number; strength: number }[];
  /** Per m² in the yard's currency, resin included; null where a price is missing. */
  cost: number | null;
}

const ANGLES = [0, 45, 90];

/**
 * One layer of a fabric as a process leaves it: thickness, weights, fractions, stiffness and mean strength by
 * direction, price.
 *
 * Strength is by maximum strain with failed plies left out, the layer held flat by its neighbours (two of it,
 * mirrored).
 *
 * @example fabricAsLaid(biaxial, fibres, vinylester, 'infusion').directions[0].modulus // along the roll
 * Source: the functions of this folder.
 */
export function fabricAsLaid(
  fabric: Fabric,
  fibres: ReadonlyMap<string, Fibre>,
  resin: Resin,
  process: Process,
): FabricAsLaid {
  const components = layFabric(fabric, { fibres, resin, process });
  const plies = components.flatMap((component) => component.plies);
  const mirrored = [...plies, ...plies.toReversed()];
  const { A, thickness } = laminateStiffness(mirrored);
  const sum = (pick: (component: LaidComponent) => number) =>
    components.reduce((total, component) => total + pick(component), 0);
  const [fibreWeight, resinWeight] = [sum((c) => c.fibreMass), sum((c) => c.resinMass)];
  const dryWeight = fibreWeight + fabric.bindingWeight.value;
  const polar = polarModulus(inPlaneCompliance(A), thickness, 3);
  return {
    components,
    thickness: thickness / 2,
    dryWeight,
    resinWeight,
    laminatedWeight: dryWeight + resinWeight,
    fibreWeightFraction: fibreWeight / (fibreWeight + resinWeight),
    fibreVolumeFraction: sum((c) => c.fibreVolumeFraction * c.thickness) / sum((c) => c.thickness),
    polar,
    directions: ANGLES.map((angleDeg) => {
      const [c, s] = cosSin(angleDeg);
      // A stress of 1 Pa along the direction.
      const { firstPly, lastPly } = progressiveFailure(
        mirrored,
        { N: [c * c * thickness, s * s * thickness, c * s * thickness] },
        'maxStrain',
      );
      return {
        angleDeg,
        modulus: polar.find((point) => point.angleDeg === angleDeg)!.modulus,
        firstPly,
        strength: lastPly,
      };
    }),
    cost: fabric.price && resin.price && fabric.price.value * dryWeight + resin.price.value * resinWeight,
  };
}
