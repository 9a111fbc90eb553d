import { put, type Recorder } from '../../working';
import { cite } from './pack';

const MPa = 1e6;
const mixed = (matShare: number, mat: number, roving: number) => matShare * mat + (1 - matShare) * roving;

/**
 * Ultimate strengths and moduli of an E-glass laminate of mat and woven or balanced 0/90 reinforcement (Pa).
 *
 * @param psi fibre weight fraction, 0.2 to 0.75; the laws were made for 0.25 to 0.6.
 * @param matShare mass of mat over all fibre, 0..1; linear between the two laws.
 * @returns strengths before any factor, and thickness per dry fibre mass (m per kg/m²).
 * @example laminateProperties(0.35, 0.611).E // 8.96e9
 * Source: ISO 12215-5:2008 method, F51 and F53. Not for ±45° or unidirectional reinforcement.
 */
export function laminateProperties(psi: number, matShare: number, record?: Recorder) {
  const properties = {
    tensileStrength: MPa * mixed(matShare, 800 * psi ** 2 - 80 * psi + 37, 400 * psi - 10),
    compressiveStrength: MPa * (150 * psi + 72),
    flexuralStrength: MPa * (502 * psi ** 2 + 107),
    shearStrength: MPa * (80 * psi + 38),
    E: MPa * mixed(matShare, 38000 * psi - 5000, 30000 * psi - 500),
    G: MPa * (1700 * psi + 2240),
    thicknessPerFibreMass: (1e-3 / 3.072) * (2.56 / psi - 1.36),
  };
  const inputs = [put('\\psi', psi), put('R', matShare)];
  record?.({
    quantity: 'Ultimate flexural strength',
    symbol: '\\sigma_{uf}',
    formula: '502\\,\\psi^2+107\\,\\text{MPa}',
    inputs,
    value: properties.flexuralStrength,
    unit: 'Pa',
    source: cite('F53'),
    note: psi > 0.6 ? 'Above the fibre fractions the law was made for.' : undefined,
  });
  record?.({
    quantity: 'Modulus',
    symbol: 'E',
    formula: 'R\\,(38000\\psi-5000)+(1-R)(30000\\psi-500)\\,\\text{MPa}',
    inputs,
    value: properties.E,
    unit: 'Pa',
    source: cite('F53'),
  });
  return properties;
}
