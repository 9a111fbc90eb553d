export interface SandwichLimitsInput {
  /** Pa, in the direction of the compression. */
  faceModulus: number;
  /** m */
  faceThickness: number;
  coreThickness: number;
  /** Pa, through the thickness. */
  coreModulus: number;
  coreShearModulus: number;
  /** Inscribed circle of a honeycomb's cell (m). */
  cellSize?: number;
  /** m, default 1. */
  width?: number;
}

/** Share of the theoretical dimpling stress that counts in design, as that of wrinkling. */
export const DIMPLING_DESIGN = 0.6;

/**
 * Local limits of a sandwich in compression: wrinkling (Pa), shear crimping (N per unit width, or N over `width`),
 * dimpling of honeycomb faces (Pa).
 *
 * Wrinkling 0.5 (E_f E_c G_c)^⅓ in theory, 0.3 as design value; with cells also 0.33 E_f √(E_c t_f / (E_f t_c)), the
 * lower counts.
 * Crimping G_c d²/t_c with the faces alike; G_c t_c is the more cautious figure.
 * Dimpling 2 E_f (t_f / cell)² in theory, 0.6 of it as design value.
 *
 * @example sandwichLimits({ faceModulus: 16e9, faceThickness: 0.0025, coreThickness: 0.025, coreModulus: 3.9e9,
 * coreShearModulus: 157e6 }).wrinklingStress
 * // 1070 MPa
 * Source: Hoff & Mautner 1945; Zenkert, An Introduction to Sandwich Construction; Allen.
 */
export function sandwichLimits(input: SandwichLimitsInput) {
  const {
    faceModulus: Ef,
    faceThickness: tf,
    coreThickness: tc,
    coreModulus: Ec,
    coreShearModulus: Gc,
    cellSize,
    width = 1,
  } = input;
  const root = Math.cbrt(Ef * Ec * Gc);
  const cells = cellSize === undefined ? Infinity : 0.33 * Ef * Math.sqrt((Ec * tf) / (Ef * tc));
  const dimpling = cellSize === undefined ? Infinity : 2 * Ef * (tf / cellSize) ** 2;
  const distance = tc + tf;
  return {
    wrinklingStress: Math.min(0.5 * root, cells),
    wrinklingStressDesign: Math.min(0.3 * root, cells),
    shearCrimpingLoad: ((Gc * distance ** 2) / tc) * width,
    shearCrimpingLoadCautious: Gc * tc * width,
    ...(cellSize === undefined ? {} : { dimplingStress: dimpling, dimplingStressDesign: DIMPLING_DESIGN * dimpling }),
  };
}
