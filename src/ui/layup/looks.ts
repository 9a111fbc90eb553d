import type { LayerMaterial } from '@/core/material';

/** Fibre directions of a layer as laid, degrees from forward; none for mats, cores and coatings. */
export function directionsOf(material: LayerMaterial, angleDeg: number): number[] {
  if (material.kind !== 'fabric') return [];
  return [...new Set(material.components.flatMap((component) => component.sublayers.map((sublayer) => normalAngle(sublayer.angleDeg + angleDeg))))];
}

/** An angle between −90 and 90, which is the same fibre direction. */
export function normalAngle(angleDeg: number): number {
  const turned = (((angleDeg + 90) % 180) + 180) % 180;
  return turned === 0 ? 90 : turned - 90;
}

/** Whether a random mat is part of a layer. */
export const hasMat = (material: LayerMaterial) => material.kind === 'fabric' && material.components.some((component) => component.form === 'randomMat');

/** Whether a layer has a direction at all, so that turning it means something. */
export const hasDirection = (material: LayerMaterial) => directionsOf(material, 0).length > 0;
