import type { QuantityKind } from '../quantity';
import {
  BINDERS,
  CORE_KINDS,
  STYRENE_BEHAVIOURS,
  WEAVES,
  type Figure,
  type Material,
  type MaterialKind,
} from './schema';

/** A figure of a kind of material: where it stands, what it measures, what the schema allows. */
export interface FigureField {
  key: string;
  label: string;
  kind: QuantityKind;
  minimum: number;
  maximum: number;
  /** May be left out. */
  optional?: boolean;
}
const f = (
  key: string,
  label: string,
  kind: QuantityKind,
  [minimum, maximum]: readonly [number, number],
): FigureField => ({
  key,
  label,
  kind,
  minimum,
  maximum,
});
const price = (label = 'Price per kg'): FigureField => ({
  key: 'price',
  label,
  kind: 'money',
  minimum: 0,
  maximum: 1e6,
  optional: true,
});
const limit = f('temperatureLimit', 'Temperature limit', 'temperature', [-50, 600]);
const density = (minimum: number, maximum: number) => f('density', 'Density', 'density', [minimum, maximum]);

/** The figures of each kind of material in the order in which they are read; fabrics have more per component. */
export const FIGURES: Record<MaterialKind, readonly FigureField[]> = {
  fibre: [
    density(800, 4000),
    f('E1', 'Modulus along', 'modulus', [1e9, 1e12]),
    f('E2', 'Modulus across', 'modulus', [1e8, 2e11]),
    f('G12', 'Shear modulus', 'modulus', [1e8, 2e11]),
    f('nu12', "Poisson's ratio", 'ratio', [0, 0.5]),
    f('alpha1', 'Expansion along', 'expansion', [-2e-5, 3e-4]),
    f('alpha2', 'Expansion across', 'expansion', [-2e-5, 3e-4]),
  ],
  resin: [
    density(900, 1600),
    f('E', 'Modulus', 'modulus', [5e8, 1e10]),
    f('nu', "Poisson's ratio", 'ratio', [0.2, 0.48]),
    f('tensileStrength', 'Tensile strength', 'stress', [1e6, 2e8]),
    f('failureStrain', 'Strain at failure', 'fraction', [0.002, 0.3]),
    f('shrinkage', 'Shrinkage by volume', 'fraction', [0, 0.15]),
    f('heatDeflection', 'Heat deflection', 'temperature', [-50, 600]),
    f('viscosity15', 'Viscosity at 15 °C', 'viscosity', [0.01, 1e5]),
    f('viscosity25', 'Viscosity at 25 °C', 'viscosity', [0.01, 1e5]),
    f('potLife15', 'Pot life at 15 °C', 'duration', [60, 1e8]),
    f('potLife25', 'Pot life at 25 °C', 'duration', [60, 1e8]),
    f('alpha', 'Expansion', 'expansion', [-2e-5, 3e-4]),
    price(),
  ],
  fabric: [
    f('bindingWeight', 'Stitching and binder', 'arealWeight', [0, 0.2]),
    f('width', 'Roll width', 'shortLength', [0.02, 5]),
    f('rollLength', 'Roll length', 'length', [1, 2000]),
    f('lockingAngle', 'Locking angle', 'angle', [5, 90]),
    f('drapeRadius', 'Tightest double curve', 'shortLength', [0, 5]),
    price(),
  ],
  core: [
    density(10, 1200),
    f('compressiveStrength', 'Compressive strength', 'stress', [1e4, 1e8]),
    f('compressiveModulus', 'Compressive modulus', 'coreModulus', [1e6, 2e10]),
    f('shearStrength', 'Shear strength', 'stress', [1e4, 2e7]),
    f('shearModulus', 'Shear modulus', 'coreModulus', [1e5, 2e9]),
    f('shearElongation', 'Shear elongation', 'fraction', [0.005, 1.5]),
    f('inPlaneModulus', 'In-plane modulus', 'coreModulus', [1e5, 2e10]),
    f('resinUptake', 'Resin uptake', 'laminateWeight', [0, 10]),
    limit,
    f('alpha', 'Expansion', 'expansion', [-2e-5, 3e-4]),
    price('Price per m³'),
  ],
  coating: [density(800, 2500), f('thickness', 'Usual thickness', 'thickness', [5e-5, 0.005]), price()],
  adhesive: [
    density(500, 2500),
    f('shearStrength', 'Shear strength', 'stress', [1e5, 1e8]),
    f('shearModulus', 'Shear modulus', 'coreModulus', [1e6, 1e10]),
    f('elongation', 'Elongation', 'fraction', [0.001, 10]),
    f('bondLine', 'Usual bond line', 'thickness', [5e-5, 0.03]),
    f('potLife25', 'Working time at 25 °C', 'duration', [60, 1e6]),
    limit,
    price(),
  ],
  metal: [
    density(1500, 20_000),
    f('E', 'Modulus', 'modulus', [1e10, 5e11]),
    f('yieldStrength', 'Yield strength', 'stress', [1e7, 3e9]),
    f('ultimateStrength', 'Ultimate strength', 'stress', [1e7, 3e9]),
    f('potential', 'Potential in sea water', 'potential', [-2, 1]),
    price(),
  ],
  wood: [
    density(100, 1300),
    f('E', 'Modulus along', 'modulus', [1e9, 3e10]),
    f('bendingStrength', 'Bending strength', 'stress', [1e6, 3e8]),
    f('compressiveStrength', 'Compression along', 'stress', [1e6, 2e8]),
    f('compressiveAcross', 'Compression across', 'stress', [1e5, 1e8]),
    f('shearStrength', 'Shear strength', 'stress', [1e5, 5e7]),
    price(),
  ],
  consumable: [
    f('weight', 'Weight', 'arealWeight', [0, 10]),
    f('resinUptake', 'Resin that stays in it', 'laminateWeight', [0, 5]),
    limit,
    f('width', 'Width', 'shortLength', [0, 10]),
    price(),
  ],
};

/** What a kind of material is, beyond its figures: one of several words. */
export const CHOICES: Partial<
  Record<MaterialKind, readonly { key: string; label: string; options: Record<string, string> }[]>
> = {
  fabric: [
    { key: 'weave', label: 'Weave', options: WEAVES },
    { key: 'binder', label: 'Binder', options: BINDERS },
  ],
  core: [
    { key: 'behaviour', label: 'In shear it counts as', options: CORE_KINDS },
    { key: 'styrene', label: 'Styrene', options: STYRENE_BEHAVIOURS },
  ],
  coating: [
    {
      key: 'base',
      label: 'Made of',
      options: {
        polyester: 'polyester',
        epoxy: 'epoxy',
        bond: 'thickened resin, bonds',
        none: 'release fabric, comes off',
      },
    },
  ],
};

/** A figure by its key; null where an optional one is left out. */
export const figureOf = (material: Material, key: string): Figure | null =>
  (material as unknown as Record<string, Figure | null>)[key] ?? null;
