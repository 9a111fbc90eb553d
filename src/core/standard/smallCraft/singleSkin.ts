import { put, type Recorder } from '../../working';
import { cite, SMALL_CRAFT_PACK } from './pack';
import { curvatureFactor, panelCoefficients } from './panelCoefficients';

export interface SingleSkinInput {
  /** Pa */
  pressure: number;
  /** m */
  shortSide: number;
  longSide: number;
  /** m, default 0 */
  crown?: number;
  /** Ultimate flexural strength, Pa. */
  flexuralStrength: number;
  /** Factor on the strength for the level of build evaluation, default 1. */
  quality?: number;
}

/**
 * Thickness a single-skin panel needs under pressure (m): t = b k_C √(P k2 / σ_d), σ_d = 0.5 σ_uf.
 *
 * @example singleSkinThickness({ pressure: 5000, shortSide: 0.575, longSide: 1.413, crown: 0.0345, flexuralStrength:
 * 195.4e6 }).thickness // 0.002618 Source: ISO 12215-5:2008 method, F34 and F35.
 */
export function singleSkinThickness(input: SingleSkinInput, record?: Recorder, pack = SMALL_CRAFT_PACK) {
  const { pressure, crown = 0, flexuralStrength, quality = 1 } = input;
  const shortSide = Math.min(input.shortSide, input.longSide);
  const { k2 } = panelCoefficients(input.shortSide, input.longSide, record);
  const kC = curvatureFactor(crown, shortSide, record);
  const designStress = pack.skinStrengthFactor * flexuralStrength * quality;
  const thickness = shortSide * kC * Math.sqrt((pressure * k2) / designStress);

  record?.({
    quantity: 'Design stress',
    symbol: '\\sigma_d',
    formula: `${pack.skinStrengthFactor}\\,\\sigma_{uf}\\,k_q`,
    inputs: [put('\\sigma_{uf}', flexuralStrength, 'Pa'), put('k_q', quality)],
    value: designStress,
    unit: 'Pa',
    source: cite('F34, F54'),
  });
  record?.({
    quantity: 'Required thickness',
    symbol: 't_{req}',
    formula: 'b\\,k_C\\sqrt{\\frac{P\\,k_2}{\\sigma_d}}',
    inputs: [
      put('b', shortSide, 'm'),
      put('k_C', kC),
      put('P', pressure, 'Pa'),
      put('k_2', k2),
      put('\\sigma_d', designStress, 'Pa'),
    ],
    value: thickness,
    unit: 'm',
    source: cite('F35'),
  });
  return { thickness, k2, kC, designStress };
}
