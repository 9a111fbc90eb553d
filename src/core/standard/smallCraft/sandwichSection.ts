import { put } from '../../working';
import type { Trace } from './check';
import { cite } from './pack';
import type { Skin } from './sandwich';

/** A skin as one sheet: thickness m, modulus and strengths Pa. */
export type WholeSkin = Skin & { thickness: number };

/** A sandwich as a strip of unit breadth: lengths m, bending stiffness N·m, section moduli m³/m, second moment m⁴/m. */
export interface SandwichSection {
  outer: WholeSkin;
  inner: WholeSkin;
  coreThickness: number;
  total: number;
  /** Between the middles of the skins. */
  distance: number;
  /** Neutral axis from the mould face. */
  neutral: number;
  EI: number;
  outerModulus: number;
  innerModulus: number;
  secondMoment: number;
}

/**
 * Section of a sandwich whose skins count with their own inertia and whose core carries shear only.
 *
 * Source: ISO 12215-5:2008 method, F45.
 * @example sandwichSection(skin, skin, 0.02).neutral // half the thickness
 */
export function sandwichSection(outer: WholeSkin, inner: WholeSkin, coreThickness: number): SandwichSection {
  const total = outer.thickness + coreThickness + inner.thickness;
  const [outerMiddle, innerMiddle] = [outer.thickness / 2, total - inner.thickness / 2];
  const [outerEA, innerEA] = [outer.E * outer.thickness, inner.E * inner.thickness];
  const neutral = (outerEA * outerMiddle + innerEA * innerMiddle) / (outerEA + innerEA);
  const EI =
    (outer.E * outer.thickness ** 3 + inner.E * inner.thickness ** 3) / 12 +
    outerEA * (neutral - outerMiddle) ** 2 +
    innerEA * (innerMiddle - neutral) ** 2;
  return {
    outer,
    inner,
    coreThickness,
    total,
    distance: coreThickness + (outer.thickness + inner.thickness) / 2,
    neutral,
    EI,
    outerModulus: EI / (outer.E * neutral),
    innerModulus: EI / (inner.E * (total - neutral)),
    secondMoment: EI / ((outer.E + inner.E) / 2),
  };
}

/** Write down how the section of a sandwich comes about. */
export function traceSandwich(section: SandwichSection, quality: number, trace: Trace): void {
  const { outer, inner, coreThickness, total, distance, neutral, EI } = section;
  for (const [side, skin] of [
    ['Outer', outer],
    ['Inner', inner],
  ] as const) {
    trace('laminate', {
      quantity: `${side} skin modulus across the panel`,
      symbol: 'E',
      formula: '\\frac{\\sum E_i t_i}{\\sum t_i}',
      inputs: [put('t', skin.thickness, 'm')],
      value: skin.E,
      unit: 'Pa',
      source: cite('F45'),
    });
    trace('laminate', {
      quantity: `${side} skin strength in ${side === 'Outer' ? 'tension' : 'compression'}`,
      symbol: '\\sigma_u',
      formula: 'k_q\\,E\\,\\min_i(\\sigma_{u,i}/E_i)',
      inputs: [put('k_q', quality), put('E', skin.E, 'Pa')],
      value: side === 'Outer' ? skin.tensileStrength : skin.compressiveStrength,
      unit: 'Pa',
      source: cite('F53 to F55'),
      note: 'All sheets of a skin share the strain; the first to reach its limit counts.',
    });
  }
  trace('laminate', {
    quantity: 'Neutral axis from the mould face',
    symbol: 'z_n',
    formula: '\\frac{\\sum E_i t_i z_i}{\\sum E_i t_i}',
    inputs: [put('t_c', coreThickness, 'm')],
    value: neutral,
    unit: 'm',
    source: cite('F45'),
  });
  trace('laminate', {
    quantity: 'Bending stiffness',
    symbol: 'EI',
    formula: '\\sum E_i\\left(\\frac{t_i^3}{12}+t_i d_i^2\\right)',
    inputs: [put('t_o', outer.thickness, 'm'), put('t_i', inner.thickness, 'm')],
    value: EI,
    unit: 'N m',
    source: cite('F45'),
    note: 'Skins with their own inertia; the core carries shear only.',
  });
  trace(
    'laminate',
    {
      quantity: 'Section modulus there, outer skin',
      symbol: 'SM',
      formula: '\\frac{EI}{E_o\\,z_n}',
      inputs: [put('EI', EI, 'N m'), put('z_n', neutral, 'm')],
      value: section.outerModulus,
      unit: 'm³/m',
      source: cite('F45'),
    },
    'outerSkin',
  );
  trace(
    'laminate',
    {
      quantity: 'Section modulus there, inner skin',
      symbol: 'SM',
      formula: '\\frac{EI}{E_i\\,(t - z_n)}',
      inputs: [put('EI', EI, 'N m'), put('t', total, 'm')],
      value: section.innerModulus,
      unit: 'm³/m',
      source: cite('F45'),
    },
    'innerSkin',
  );
  trace(
    'laminate',
    {
      quantity: 'Second moment there',
      symbol: 'I',
      formula: '\\frac{EI}{(E_o+E_i)/2}',
      inputs: [put('EI', EI, 'N m')],
      value: section.secondMoment,
      unit: 'm⁴/m',
      source: cite('F45'),
    },
    'stiffness',
  );
  trace(
    'laminate',
    {
      quantity: 'Skin distance there',
      symbol: 't_s',
      formula: 't_c + \\frac{t_o+t_i}{2}',
      inputs: [put('t_c', coreThickness, 'm')],
      value: distance,
      unit: 'm',
      source: cite('F41'),
    },
    'coreShear',
  );
}
