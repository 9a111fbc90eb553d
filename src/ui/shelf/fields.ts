import type { Material, MaterialKind } from '@/core/material';
import type { QuantityKind } from '@/core/quantity';

export interface FigureField {
  key: string;
  label: string;
  kind: QuantityKind;
  minimum: number;
  maximum: number;
}
const f = (key: string, label: string, kind: QuantityKind, minimum: number, maximum: number): FigureField => ({ key, label, kind, minimum, maximum });

/** The figures of each kind of material, with the ranges the schema allows. Fabrics have theirs per component. */
export const FIGURES: Record<MaterialKind, readonly FigureField[]> = {
  fibre: [
    f('density', 'Density', 'density', 800, 4000),
    f('E1', 'Modulus along', 'modulus', 1e9, 1e12),
    f('E2', 'Modulus across', 'modulus', 1e8, 2e11),
    f('G12', 'Shear modulus', 'modulus', 1e8, 2e11),
    f('nu12', "Poisson's ratio", 'ratio', 0, 0.5),
  ],
  resin: [f('density', 'Density', 'density', 900, 1600), f('E', 'Modulus', 'modulus', 5e8, 1e10), f('nu', "Poisson's ratio", 'ratio', 0.2, 0.48)],
  core: [
    f('density', 'Density', 'density', 10, 1200),
    f('compressiveStrength', 'Compressive strength', 'stress', 1e4, 1e8),
    f('compressiveModulus', 'Compressive modulus', 'coreModulus', 1e6, 2e10),
    f('shearStrength', 'Shear strength', 'stress', 1e4, 2e7),
    f('shearModulus', 'Shear modulus', 'coreModulus', 1e5, 2e9),
    f('shearElongation', 'Shear elongation', 'fraction', 0.005, 1.5),
    f('inPlaneModulus', 'In-plane modulus', 'coreModulus', 1e5, 2e10),
    f('resinUptake', 'Resin uptake', 'laminateWeight', 0, 5),
  ],
  coating: [f('density', 'Density', 'density', 800, 2500), f('thickness', 'Usual thickness', 'thickness', 5e-5, 0.005)],
  fabric: [],
};

/** '0:50 45:25 -45:25' for directions with their shares in percent. */
export function writeDirections(sublayers: readonly { angleDeg: number; share: number }[]): string {
  return sublayers.map(({ angleDeg, share }) => `${angleDeg}:${Number((share * 100).toFixed(2))}`).join(' ');
}

/** The reverse; a message when it cannot be read. */
export function readDirections(text: string): { angleDeg: number; share: number }[] | string {
  const items = text
    .trim()
    .split(/[\s;]+/)
    .filter(Boolean)
    .map((item) => /^([+−-]?\d+(?:\.\d+)?)(?::(\d+(?:\.\d+)?))?$/.exec(item.replace('−', '-')));
  if (items.length === 0 || items.some((item) => item === null)) return 'Write directions with their shares in percent, such as "0:50 45:25 -45:25".';
  return items.map((item) => ({ angleDeg: Number(item![1]), share: item![2] === undefined ? 1 / items.length : Number(item![2]) / 100 }));
}

export const figureOf = (material: Material, key: string) => (material as unknown as Record<string, { value: number; origin: 'generic' | 'dataSheet' | 'yardTest' }>)[key]!;

/** An id made from a name: small letters, digits, hyphens. */
export const slug = (name: string) =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 50) || 'material';
