/**
 * Mean shear in the bond of tabbing (Pa): a load over so many strips of so much overlap.
 *
 * @param load N on the whole `length` (m). @param overlap of one strip on the base (m). @param strips one a side.
 * @example tabbingShear({ load: 45000, length: 1.2, overlap: 0.075, strips: 2 }) // 250000
 * Source: mean shear of a bonded strip.
 */
export function tabbingShear({
  load,
  length,
  overlap,
  strips,
}: {
  load: number;
  length: number;
  overlap: number;
  strips: number;
}): number {
  return load / (length * overlap * strips);
}
