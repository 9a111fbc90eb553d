/**
 * Through-thickness tension in a tab that runs over a fillet and is opened (Pa).
 *
 * @param moment N·m per metre that opens it. @param radius of its middle over the fillet (m). @param thickness m.
 * A curved beam under a pure moment has its greatest radial stress at the middle of its thickness, 3 M / (2 R t).
 * @example openedFillet({ moment: 20, radius: 0.015, thickness: 0.004 }) // 500e3
 * Source: Timoshenko & Goodier, Theory of Elasticity, bending of a curved bar; R large against t.
 */
export function openedFillet({
  moment,
  radius,
  thickness,
}: {
  moment: number;
  radius: number;
  thickness: number;
}): number {
  return (3 * moment) / (2 * radius * thickness);
}
