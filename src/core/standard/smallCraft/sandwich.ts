import { put, type Recorder } from '../../working';
import { cite, SMALL_CRAFT_PACK } from './pack';
import { curvatureFactor, panelCoefficients } from './panelCoefficients';

/** Ultimate strengths and modulus of one skin in the direction of bending, Pa. */
export interface Skin {
  E: number;
  tensileStrength: number;
  compressiveStrength: number;
}

export interface SandwichInput {
  /** Pa */
  pressure: number;
  /** m */
  shortSide: number;
  longSide: number;
  crown?: number;
  outer: Skin;
  inner: Skin;
  /** Pa */
  core: {
    compressiveModulus: number;
    shearModulus: number;
    shearStrength: number;
    kind: 'foamRigid' | 'foamDuctile' | 'balsa' | 'honeycomb';
  };
}

/**
 * What a sandwich panel needs under pressure, per metre of width: section moduli of both skins (m³/m), second moment
 * (m⁴/m), distance between skin mid-planes for core shear (m), and the wrinkling stress of the inner skin (Pa).
 *
 * The outer skin is in tension and the inner in compression at the clamped edge under outside pressure.
 *
 * @example see the cases; 5 kPa on 575 × 1413 mm needs 8.7e-7 m³/m outside
 * Source: ISO 12215-5:2008 method, F38 to F41, F44.
 */
export function sandwichRequirement(input: SandwichInput, record?: Recorder, pack = SMALL_CRAFT_PACK) {
  const { pressure: P, crown = 0, outer, inner, core } = input;
  const b = Math.min(input.shortSide, input.longSide);
  const { k2, k3, kSHC } = panelCoefficients(input.shortSide, input.longSide, record);
  const kC = curvatureFactor(crown, b, record);
  const k1 = pack.deflectionRatio;

  const wrinklingStress = pack.wrinklingFactor * Math.cbrt(core.compressiveModulus * inner.E * core.shearModulus);
  const tension = pack.skinStrengthFactor * outer.tensileStrength;
  const compression = Math.min(pack.skinStrengthFactor * inner.compressiveStrength, wrinklingStress);
  const moment = (b ** 2 * kC ** 2 * P * k2) / 6;
  const outerSectionModulus = moment / tension;
  const innerSectionModulus = moment / compression;
  const E = (outer.E + inner.E) / 2;
  const secondMoment = (b ** 3 * kC ** 3 * P * k3) / (12 * k1 * E);
  const coreDesignShear = pack.coreStrengthFactor[core.kind] * core.shearStrength;
  const skinDistance = (Math.sqrt(kC) * kSHC * P * b) / coreDesignShear;

  if (record) {
    record({
      quantity: 'Wrinkling stress of the compressed skin',
      symbol: '\\sigma_{wr}',
      formula: `${pack.wrinklingFactor}\\sqrt[3]{E_c E_f G_c}`,
      inputs: [
        put('E_c', core.compressiveModulus, 'Pa'),
        put('E_f', inner.E, 'Pa'),
        put('G_c', core.shearModulus, 'Pa'),
      ],
      value: wrinklingStress,
      unit: 'Pa',
      source: cite('F44'),
    });
    record({
      quantity: 'Section modulus required, outer skin',
      symbol: 'SM_o',
      formula: '\\frac{b^2 k_C^2 P k_2}{6\\,\\sigma_{dt}}',
      inputs: [put('b', b, 'm'), put('k_C', kC), put('P', P, 'Pa'), put('k_2', k2), put('\\sigma_{dt}', tension, 'Pa')],
      value: outerSectionModulus,
      unit: 'm³/m',
      source: cite('F38'),
    });
    record({
      quantity: 'Section modulus required, inner skin',
      symbol: 'SM_i',
      formula: '\\frac{b^2 k_C^2 P k_2}{6\\,\\sigma_{dc}}',
      inputs: [put('\\sigma_{dc}', compression, 'Pa')],
      value: innerSectionModulus,
      unit: 'm³/m',
      source: cite('F39'),
      note: 'Compression design stress is the lesser of half the strength and wrinkling.',
    });
    record({
      quantity: 'Second moment required',
      symbol: 'I',
      formula: '\\frac{b^3 k_C^3 P k_3}{12\\,k_1 E}',
      inputs: [put('k_3', k3), put('k_1', k1), put('E', E, 'Pa')],
      value: secondMoment,
      unit: 'm⁴/m',
      source: cite('F40'),
    });
    record({
      quantity: 'Skin distance required for core shear',
      symbol: 't_s',
      formula: '\\frac{\\sqrt{k_C}\\,k_{SHC} P b}{\\tau_d}',
      inputs: [put('k_{SHC}', kSHC), put('\\tau_d', coreDesignShear, 'Pa')],
      value: skinDistance,
      unit: 'm',
      source: cite('F41'),
    });
  }
  return { outerSectionModulus, innerSectionModulus, secondMoment, skinDistance, wrinklingStress, k2, k3, kSHC, kC };
}
