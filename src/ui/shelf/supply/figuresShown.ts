import { FIGURES, fabricArealWeight, familyName, figureOf, type Material, type MaterialKind } from '@/core/material';
import type { QuantityKind } from '@/core/quantity';

/** A figure as the preview shows it: its head, and what it comes to in the reader's units. */
export interface ShownFigure {
  head: string;
  kind: QuantityKind | null;
  of: (material: Material) => number | string | null;
}

/** Figures of a kind that say most of it, in the order in which they are read. */
const FIRST: Partial<Record<MaterialKind, readonly string[]>> = {
  fabric: ['width', 'rollLength', 'price'],
  core: ['density', 'shearStrength', 'shearModulus', 'compressiveStrength', 'price'],
  resin: ['density', 'E', 'heatDeflection', 'potLife25', 'price'],
};

/** The columns of the preview of a kind of material. */
export function figuresShown(kind: MaterialKind): ShownFigure[] {
  const first = FIRST[kind] ?? FIGURES[kind].map(({ key }) => key).slice(0, 6);
  const figures = FIGURES[kind]
    .filter(({ key }) => first.includes(key))
    .map(({ key, label, kind: quantity }): ShownFigure => {
      return { head: label, kind: quantity, of: (material) => figureOf(material, key)?.value ?? null };
    });
  const weight: ShownFigure = {
    head: 'Dry weight',
    kind: 'arealWeight',
    of: (material) => (material.kind === 'fabric' ? fabricArealWeight(material) + material.bindingWeight.value : null),
  };
  return [{ head: 'Form', kind: null, of: formWords }, ...(kind === 'fabric' ? [weight] : []), ...figures];
}

/** What it is, in words: of a fabric its form with its directions. */
function formWords(material: Material): string {
  if (material.kind !== 'fabric') return familyName(material);
  const angles = material.components.flatMap(({ sublayers }) => sublayers.map(({ angleDeg }) => angleDeg));
  const words = angles.map((angle) => String(angle).replace('-', '−')).join('/');
  return words === '' ? familyName(material) : `${familyName(material)} ${words}`;
}
