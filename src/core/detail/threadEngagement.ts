/**
 * Pull on a bolt at which a thread tapped into a metal plate strips (N).
 *
 * @param diameter of the bolt (m). @param length of thread engaged (m). @param shearStrength of the plate (Pa).
 * Half of the cylinder at the bolt's diameter is taken as metal in shear.
 * @example threadEngagement({ diameter: 0.01, length: 0.01, shearStrength: 120e6 }) // 18.8e3
 * Source: stripping of internal threads, usual half-cylinder estimate of machine design.
 */
export function threadEngagement({
  diameter,
  length,
  shearStrength,
}: {
  diameter: number;
  length: number;
  shearStrength: number;
}): number {
  return 0.5 * Math.PI * diameter * length * shearStrength;
}
