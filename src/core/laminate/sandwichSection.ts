interface Sheet {
  /** Pa */
  E: number;
  /** m */
  thickness: number;
  /** When given, E/(1 − ν²) is used: a wide plate. */
  nu?: number;
}

export interface SandwichSectionInput {
  /** From the outer side inward. */
  faces: [Sheet, Sheet];
  core: Sheet & { G: number };
}

const wide = ({ E, nu }: Sheet) => (nu === undefined ? E : E / (1 - nu ** 2));

/**
 * Section of a sandwich per unit width: EA (N/m), neutral axis from the outer side of the first face (m), bending
 * stiffness exact and with thin faces (N m), transverse shear stiffness G d²/t_c (N/m), distance d between the
 * mid-planes of the faces (m).
 *
 * @example sandwichSection({ faces: [skin, skin], core }).shearStiffness
 * Source: Allen, ch. 2; Zenkert, ch. 3.
 */
export function sandwichSection({ faces: [first, second], core }: SandwichSectionInput) {
  const sheets = [first, core, second];
  let z = 0;
  const placed = sheets.map((sheet) => {
    const middle = z + sheet.thickness / 2;
    z += sheet.thickness;
    return { E: wide(sheet), thickness: sheet.thickness, middle };
  });
  const EA = placed.reduce((sum, { E, thickness }) => sum + E * thickness, 0);
  const neutralAxis = placed.reduce((sum, { E, thickness, middle }) => sum + E * thickness * middle, 0) / EA;
  const bendingStiffness = placed.reduce(
    (sum, { E, thickness, middle }) => sum + E * (thickness ** 3 / 12 + thickness * (middle - neutralAxis) ** 2),
    0,
  );
  const skinDistance = core.thickness + (first.thickness + second.thickness) / 2;
  const [outer, inner] = [wide(first) * first.thickness, wide(second) * second.thickness];
  return {
    EA,
    neutralAxis,
    bendingStiffness,
    bendingStiffnessThinFaces: ((outer * inner) / (outer + inner)) * skinDistance ** 2,
    shearStiffness: (core.G * skinDistance ** 2) / core.thickness,
    skinDistance,
  };
}
