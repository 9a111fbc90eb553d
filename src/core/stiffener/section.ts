import { invalid } from '../error';
import { put, type Recorder } from '../working';

/**
 * A rectangle of a section: modulus (Pa), breadth and height (m), height of its centroid above one datum (m), and how
 * many there are of it.
 */
export interface SectionElement {
  E: number;
  breadth: number;
  height: number;
  centroid: number;
  count?: number;
}

export interface SectionStiffness {
  /** N */
  EA: number;
  /** Height of the neutral axis above the datum (m). */
  neutralAxis: number;
  /** N m² */
  EI: number;
  /**
   * EI over the distance to the uppermost and lowest fibre (N m); times the allowable over the modulus gives the
   * moment.
   */
  sectionStiffnessTop: number;
  sectionStiffnessBottom: number;
}

/**
 * Stiffness of a section of rectangles of different moduli, plane sections staying plane.
 *
 * @throws KeramosError `invalid` for an empty section.
 * @example sectionStiffness([{ E: 70e9, breadth: 0.02, height: 0.1, centroid: 0.05 }]).EI // 116 667
 * Source: Gere & Timoshenko, Mechanics of Materials, ch. 6 (transformed section).
 */
export function sectionStiffness(elements: readonly SectionElement[], record?: Recorder): SectionStiffness {
  if (elements.length === 0) throw invalid('elements', 'The section is empty: give at least one rectangle');
  const sum = (pick: (element: SectionElement) => number) =>
    elements.reduce((total, element) => total + (element.count ?? 1) * pick(element), 0);
  const EA = sum(({ E, breadth, height }) => E * breadth * height);
  const neutralAxis = sum(({ E, breadth, height, centroid }) => E * breadth * height * centroid) / EA;
  const EI = sum(
    ({ E, breadth, height, centroid }) => E * breadth * (height ** 3 / 12 + height * (centroid - neutralAxis) ** 2),
  );
  const top = Math.max(...elements.map(({ centroid, height }) => centroid + height / 2));
  const bottom = Math.min(...elements.map(({ centroid, height }) => centroid - height / 2));
  const source = 'Transformed section (Gere & Timoshenko, ch. 6)';
  record?.({
    quantity: 'Neutral axis above the outer face of the plating',
    symbol: 'z_n',
    formula: '\\frac{\\sum E_i A_i z_i}{\\sum E_i A_i}',
    inputs: [put('\\sum E A', EA, 'N')],
    value: neutralAxis,
    unit: 'm',
    source,
  });
  record?.({
    quantity: 'Bending stiffness of stiffener and plating',
    symbol: 'EI',
    formula: '\\sum E_i\\left(\\frac{b_i h_i^3}{12} + b_i h_i (z_i - z_n)^2\\right)',
    inputs: [put('z_n', neutralAxis, 'm')],
    value: EI,
    unit: 'N·m²',
    source,
  });
  return {
    EA,
    neutralAxis,
    EI,
    sectionStiffnessTop: EI / (top - neutralAxis),
    sectionStiffnessBottom: EI / (neutralAxis - bottom),
  };
}
