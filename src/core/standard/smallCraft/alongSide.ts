import { panelCoefficients } from './panelCoefficients';

/** What bends and shears a clamped panel the other way, along its long side, per unit width. */
export interface AlongSide {
  /** Moment at the middle of the short edge (N). */
  moment: number;
  /** Shear force there (N/m). */
  shear: number;
}

/** Edge moment and edge shear at the short edges of a long isotropic panel, over P b² and P b. */
const SHORT_EDGE = { moment: 0.0571, shear: 0.371 };

/**
 * Moment and shear at the short edges of a clamped orthotropic panel under pressure, the curvature factor left out.
 *
 * With x' = x (D_b/D_l)^¼ along the long side the plate bends as an isotropic one of sides l' = l (D_b/D_l)^¼ and b,
 * whose moments along x' are then turned back by √(D_l/D_b), its shear by (D_l/D_b)^¼. As long as l' ≥ b that is
 * 0.0571 P b² √(D_l/D_b) at the most; a laminate so stiff along the long side that l' < b carries across l, as a panel
 * of short side l' does.
 *
 * @param pressure Pa. @param shortSide and @param longSide m. @param stiffness bending stiffness across the panel and
 * along it (N m).
 * @example alongSide({ pressure: 1e4, shortSide: 0.5, longSide: 1, stiffness: { across: 1, along: 1 } }).moment
 * // 142.8
 * Source: affine transformation of the orthotropic plate, Timoshenko & Woinowsky-Krieger art. 85, table 35; derived in
 * docs/engineering.md, "The other direction".
 */
export function alongSide({
  pressure: P,
  shortSide: b,
  longSide: l,
  stiffness: { across, along },
}: {
  pressure: number;
  shortSide: number;
  longSide: number;
  stiffness: { across: number; along: number };
}): AlongSide {
  const ratio = along / across;
  const turned = l * ratio ** -0.25;
  if (turned >= b)
    return {
      moment: SHORT_EDGE.moment * Math.sqrt(ratio) * P * b ** 2,
      shear: SHORT_EDGE.shear * ratio ** 0.25 * P * b,
    };
  const { k2, kSHC } = panelCoefficients(turned, b);
  return { moment: (k2 / 6) * P * l ** 2, shear: kSHC * P * l };
}
