import type { Support } from '../../geometry';
import type { StiffenerSection } from '../../stiffener';
import type { Boat } from '../../document';

/**
 * Glue under both flanges of a member (kg/m), at the usual bond line of its adhesive. None where the section is
 * laminated on or has no flanges; none of a rib whose liner is a detail in the same adhesive: that one brings it.
 *
 * @example gluePerMetre(boat, rib, section) // 0.36 for 2 × 50 mm, 3 mm thick, of 1200 kg/m³
 */
export function gluePerMetre({ materials, details }: Boat, support: Support, section: StiffenerSection): number {
  const glue = materials.find(({ id }) => id === section.adhesive);
  if (glue?.kind !== 'adhesive' || !section.layers.some(({ flange }) => flange)) return 0;
  const brought =
    support.kind === 'rib' &&
    details.some(
      (detail) => detail.kind === 'liner' && detail.zone === support.zone && detail.adhesive === section.adhesive,
    );
  return brought ? 0 : 2 * section.flangeWidth * glue.bondLine.value * glue.density.value;
}
