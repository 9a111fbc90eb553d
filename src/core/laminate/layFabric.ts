import { fibreFractionFor, plyFractions, plyThickness, randomMat, unidirectional } from '../material';
import type { ComponentForm, Fabric, Fibre, Process, Resin } from '../material';
import type { Recorder } from '../working';
import { fabricPlies, smearedConstants } from './fabric';
import type { Ply } from './ply';

/** One component of a fabric as it lies in the laminate, in the fabric's own axes. */
export interface LaidComponent {
  form: ComponentForm;
  fibre: Fibre;
  fibreWeightFraction: number;
  fibreVolumeFraction: number;
  /** m */
  thickness: number;
  /** kg/m² */
  fibreMass: number;
  resinMass: number;
  /** Angles relative to the roll direction. */
  plies: Ply[];
}

/**
 * The plies that a fabric, a resin and a process make: one isotropic sheet for a mat, one smeared orthotropic sheet for a weave,
 * true unidirectional sublayers in stitching order for the rest.
 *
 * @param fibres the fibres the components name. @param shift added to the process's fibre weight fraction (its scatter).
 * @example layFabric(biaxial800, fibres, vinylester, 'infusion')[0].thickness // 0.00057 m
 * Source: docs/engineering.md, "From fabric to ply".
 */
export function layFabric(fabric: Fabric, fibres: ReadonlyMap<string, Fibre>, resin: Resin, process: Process, shift = 0, record?: Recorder): LaidComponent[] {
  return fabric.components.map((component) => {
    const fibre = fibres.get(component.fibre)!;
    const densities = { fibreDensity: fibre.density.value, resinDensity: resin.density.value };
    const made = fibreFractionFor(process, component.form, densities.fibreDensity, densities.resinDensity, shift);
    const { fibreVolumeFraction } = plyFractions({ ...densities, ...made });
    const fibreMass = component.arealWeight.value;
    const { thickness, resinArealWeight } = plyThickness({ ...densities, ...made, dryArealWeight: fibreMass }, record);
    const constituents = {
      fibre: { E1: fibre.E1.value, E2: fibre.E2.value, G12: fibre.G12.value, nu12: fibre.nu12.value },
      resin: { E: resin.E.value, nu: resin.nu.value },
      fibreVolumeFraction,
    };
    const common = { form: component.form, fibre, ...made, fibreVolumeFraction, thickness, fibreMass, resinMass: resinArealWeight };
    const name = fabric.code;
    if (component.form === 'randomMat') {
      const { E, G, nu } = randomMat(constituents, record);
      return { ...common, plies: [{ thickness, angleDeg: 0, E1: E, E2: E, nu12: nu, G12: G, name }] };
    }
    if (record) unidirectional(constituents, record);
    const sublayers = fabricPlies({
      ...constituents,
      thickness,
      sublayers: component.sublayers.map((s) => ({ ...s, crimpFactor: component.crimpFactor })),
    }).map((ply) => ({ ...ply, name }));
    if (component.form !== 'woven') return { ...common, plies: sublayers };
    const { Ex, Ey, Gxy, nuxy } = smearedConstants(sublayers);
    return { ...common, plies: [{ thickness, angleDeg: 0, E1: Ex, E2: Ey, nu12: nuxy, G12: Gxy, name }] };
  });
}
