import type { LayerMaterial } from '@/core/material';

export type Weave = 'randomMat' | 'woven' | 'stitched' | 'unidirectional' | 'mixed' | 'core' | 'coating';

/** Which hatch a layer is drawn in; always shown with its code as well. */
export function weaveOf(material: LayerMaterial): Weave {
  if (material.kind !== 'fabric') return material.kind;
  const forms = new Set(material.components.map((component) => component.form));
  return forms.size > 1 ? 'mixed' : [...forms][0]!;
}

/** Fibre directions of a layer as laid, degrees from forward; none for mats, cores and coatings. */
export function directionsOf(material: LayerMaterial, angleDeg: number): number[] {
  if (material.kind !== 'fabric') return [];
  return [...new Set(material.components.flatMap((component) => component.sublayers.map((sublayer) => sublayer.angleDeg + angleDeg)))];
}

/** An angle between −90 and 90, which is the same fibre direction. */
export function normalAngle(angleDeg: number): number {
  const turned = (((angleDeg + 90) % 180) + 180) % 180;
  return turned === 0 ? (angleDeg > 0 ? 90 : -90) : turned - 90;
}
