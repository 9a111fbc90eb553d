export interface UniformBeamInput {
  /** m */
  length: number;
  /** N/m */
  load: number;
  /** N m² */
  EI: number;
  ends: 'fixed' | 'simple' | 'cantilever' | 'propped';
  /** N; without it shear adds no deflection. */
  shearStiffness?: number;
}

/**
 * A beam under a uniform load: moments, shear force at the end and greatest deflection, as magnitudes.
 *
 * End values are those at the fixed end; the propped beam is fixed at one end and supported at the other, its shear
 * deflection that of its bending shape.
 *
 * @example uniformBeam({ length: 1.2, load: 4000, EI: 42000, ends: 'fixed' }).momentEnd // 480
 * Source: Roark's Formulas for Stress and Strain, ch. 8.
 */
export function uniformBeam({ length: L, load: q, EI, ends, shearStiffness }: UniformBeamInput) {
  const shear = (divisor: number) => (shearStiffness === undefined ? 0 : (q * L ** 2) / (divisor * shearStiffness));
  switch (ends) {
    case 'simple':
      return {
        momentEnd: 0,
        momentMid: (q * L ** 2) / 8,
        shearEnd: (q * L) / 2,
        deflection: (5 * q * L ** 4) / (384 * EI) + shear(8),
      };
    case 'fixed':
      return {
        momentEnd: (q * L ** 2) / 12,
        momentMid: (q * L ** 2) / 24,
        shearEnd: (q * L) / 2,
        deflection: (q * L ** 4) / (384 * EI) + shear(8),
      };
    case 'cantilever':
      return {
        momentEnd: (q * L ** 2) / 2,
        momentMid: (q * L ** 2) / 8,
        shearEnd: q * L,
        deflection: (q * L ** 4) / (8 * EI) + shear(2),
      };
    case 'propped':
      return propped({ length: L, load: q, EI, ends, ...(shearStiffness === undefined ? {} : { shearStiffness }) });
  }
}

/**
 * Fixed at one end, supported at the other; x runs from the support. Shear flexibility changes how the load divides.
 */
function propped({ length: L, load: q, EI, shearStiffness }: UniformBeamInput) {
  const flexibility = shearStiffness === undefined ? 0 : 1 / shearStiffness;
  const s = (EI * flexibility) / L ** 2;
  const reaction = (q * L * (1 / 8 + s / 2)) / (1 / 3 + s);
  const moment = (x: number) => reaction * x - (q * x ** 2) / 2;
  const deflection = (x: number) =>
    (reaction * ((L ** 2 * x) / 2 - x ** 3 / 6) - q * ((L ** 3 * x) / 6 - x ** 4 / 24)) / EI + moment(x) * flexibility;
  const places = Array.from({ length: 4001 }, (_, i) => (L * i) / 4000);
  return {
    momentEnd: -moment(L),
    momentMid: Math.abs(moment(L / 2)),
    shearEnd: q * L - reaction,
    deflection: Math.max(...places.map((x) => Math.abs(deflection(x)))),
  };
}
