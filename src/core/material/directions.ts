import type { LayerMaterial } from './schema';

/** An angle between −90 (excluded) and 90, which is the same fibre direction. @example normalAngle(135) // -45 */
export function normalAngle(angleDeg: number): number {
  const turned = (((angleDeg + 90) % 180) + 180) % 180;
  return turned === 0 ? 90 : turned - 90;
}

/** Directions of fibre or grain of a layer as laid, degrees from the reference; none for mats, cores and coatings. */
export function directionsOf(material: LayerMaterial, angleDeg: number): number[] {
  if (material.kind === 'wood') return [normalAngle(angleDeg)];
  if (material.kind !== 'fabric') return [];
  return [
    ...new Set(
      material.components.flatMap((component) =>
        component.sublayers.map((sublayer) => normalAngle(sublayer.angleDeg + angleDeg)),
      ),
    ),
  ];
}

/** Whether a layer has a direction at all, so that turning it means something. */
export const hasDirection = (material: LayerMaterial): boolean => directionsOf(material, 0).length > 0;

/** Whether a random mat is part of a layer. */
export const hasMat = (material: LayerMaterial): boolean =>
  material.kind === 'fabric' && material.components.some((component) => component.form === 'randomMat');
