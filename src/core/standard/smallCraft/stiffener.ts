import { put, type Recorder } from '../../working';
import { cite, SMALL_CRAFT_PACK } from './pack';
import { curvatureFactor } from './panelCoefficients';

export interface StiffenerRequirementInput {
  /** Pa */
  pressure: number;
  /** m */
  spacing: number;
  /** Unsupported length (m). */
  span: number;
  /** Rise of the curved stiffener over its span (m). */
  rise?: number;
  /** Ultimate, Pa. */
  tensileStrength: number;
  compressiveStrength: number;
  shearStrength: number;
  E: number;
  /** Whether it is bonded to the plating (default) or floats on it. */
  attached?: boolean;
}

/**
 * What a stiffener needs: web area (m²), section modulus on the side in tension and the side in compression (m³), and
 * second moment (m⁴).
 *
 * @example stiffenerRequirement({ pressure: 36020, spacing: 0.38, span: 0.9, tensileStrength: 115.9e6,
 * compressiveStrength: 124.5e6, shearStrength: 66e6, E: 8.961e9 }).webArea
 * // 1.87e-4
 * Source: ISO 12215-5:2008 method, F46 to F49. Clamped ends.
 */
export function stiffenerRequirement(input: StiffenerRequirementInput, record?: Recorder, pack = SMALL_CRAFT_PACK) {
  const {
    pressure: P,
    spacing: s,
    span: lu,
    rise = 0,
    tensileStrength,
    compressiveStrength,
    shearStrength,
    E,
    attached = true,
  } = input;
  const kCS = curvatureFactor(rise, lu, record);
  const { stiffener } = pack;
  const kSA = attached ? stiffener.shearAttached : stiffener.shearFloating;
  const designShear = stiffener.strengthFactor * shearStrength;
  const webArea = (kSA / 10) * ((P * s * lu) / designShear);
  const moment = (kCS * P * s * lu ** 2) / 12;
  const sectionModulusTension = moment / (stiffener.strengthFactor * tensileStrength);
  const sectionModulusCompression = moment / (stiffener.strengthFactor * compressiveStrength);
  const secondMoment = (0.026 / 10 / stiffener.deflectionRatio) * ((kCS ** 1.5 * P * s * lu ** 3) / E);
  if (record) {
    const load = [put('P', P, 'Pa'), put('s', s, 'm'), put('l_u', lu, 'm')];
    record({
      quantity: 'Web area required',
      symbol: 'A_W',
      formula: '\\frac{k_{SA} P s l_u}{10\\,\\tau_d}',
      inputs: [put('k_{SA}', kSA), ...load, put('\\tau_d', designShear, 'Pa')],
      value: webArea,
      unit: 'm²',
      source: cite('F47'),
    });
    record({
      quantity: 'Design bending moment',
      symbol: 'M_d',
      formula: '\\frac{k_{CS} P s l_u^2}{12}',
      inputs: [put('k_{CS}', kCS), ...load],
      value: moment,
      unit: 'N·m',
      source: cite('F48'),
    });
    record({
      quantity: 'Section modulus required, tension side',
      symbol: 'SM_t',
      formula: '\\frac{M_d}{\\sigma_{dt}}',
      inputs: [put('\\sigma_{dt}', stiffener.strengthFactor * tensileStrength, 'Pa')],
      value: sectionModulusTension,
      unit: 'm³',
      source: cite('F48'),
    });
    record({
      quantity: 'Section modulus required, compression side',
      symbol: 'SM_c',
      formula: '\\frac{M_d}{\\sigma_{dc}}',
      inputs: [put('\\sigma_{dc}', stiffener.strengthFactor * compressiveStrength, 'Pa')],
      value: sectionModulusCompression,
      unit: 'm³',
      source: cite('F48'),
    });
    record({
      quantity: 'Second moment required',
      symbol: 'I',
      formula: '\\frac{0.0026\\,k_{CS}^{1.5} P s l_u^3}{k_{1S} E}',
      inputs: [put('k_{1S}', stiffener.deflectionRatio), put('E', E, 'Pa')],
      value: secondMoment,
      unit: 'm⁴',
      source: cite('F49'),
    });
  }
  return { webArea, sectionModulusTension, sectionModulusCompression, secondMoment, designShear, moment };
}
