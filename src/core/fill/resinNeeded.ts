/**
 * Resin in a part, and in all that is mixed for it (kg): media and lines with it, waste a share of all of them.
 *
 * @param area m². @param dryArealWeight kg/m² of fibre. @param mediaUptake kg/m² of media and film.
 * @param lineVolume m³ in feed lines and spiral.
 */
export function resinNeeded({
  area,
  dryArealWeight,
  fibreWeightFraction,
  mediaUptake = 0,
  wasteFraction = 0,
  lineVolume = 0,
  resinDensity = 1100,
}: {
  area: number;
  dryArealWeight: number;
  fibreWeightFraction: number;
  mediaUptake?: number | undefined;
  wasteFraction?: number | undefined;
  lineVolume?: number | undefined;
  resinDensity?: number | undefined;
}): { resinInPart: number; resinTotal: number } {
  const resinInPart = (area * dryArealWeight * (1 - fibreWeightFraction)) / fibreWeightFraction;
  const besides = mediaUptake * area + lineVolume * resinDensity;
  return { resinInPart, resinTotal: (resinInPart + besides) * (1 + wasteFraction) };
}
