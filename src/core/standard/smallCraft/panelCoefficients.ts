import { put, type Recorder } from '../../working';
import { cite } from './pack';

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** Edge shear of a panel by its aspect ratio; each piece joins the next to within 0.002. */
function coreShearCoefficient(r: number): number {
  if (r <= 2) return 0.035 + 0.394 * r - 0.09 * r ** 2;
  return r <= 3 ? 0.463 + 0.03 * (r - 2) : Math.min(0.5, 0.493 + 0.007 * (r - 3));
}

/**
 * Coefficients of a panel by its aspect ratio: k2 bending moment and k3 deflection of a clamped plate, k_SHC edge
 * shear.
 *
 * @returns k2 0.308..0.5, k3 0.014..0.028, kSHC 0.339..0.5.
 * @example panelCoefficients(0.4, 0.6) // { k2: 0.454, k3: 0.0243, kSHC: 0.423 }
 * Source: ISO 12215-5:2008 method, F30 to F32; the plate theory behind them in Timoshenko & Woinowsky-Krieger.
 */
export function panelCoefficients(shortSide: number, longSide: number, record?: Recorder) {
  const r = Math.max(shortSide, longSide) / Math.min(shortSide, longSide);
  const k2 = r > 2 ? 0.5 : clamp((0.271 * r ** 2 + 0.91 * r - 0.554) / (r ** 2 - 0.313 * r + 1.351), 0.308, 0.5);
  const k3 = r >= 2 ? 0.028 : clamp((0.027 * r ** 2 - 0.029 * r + 0.011) / (r ** 2 - 1.463 * r + 1.108), 0.014, 0.028);
  const kSHC = coreShearCoefficient(r);

  const inputs = [put('r = l/b', r)];
  record?.({
    quantity: 'Bending coefficient',
    symbol: 'k_2',
    formula: '\\frac{0.271r^2+0.910r-0.554}{r^2-0.313r+1.351}',
    inputs,
    value: k2,
    unit: '',
    source: cite('F30'),
    note: 'Not below 0.308; 0.5 above an aspect ratio of 2.',
  });
  return { k2, k3, kSHC };
}

/**
 * Curvature factor k_C of a panel: 1 up to a crown of 3 % of the short side, 0.5 from 18 %.
 *
 * @example curvatureFactor(0.02, 0.38) // 0.925
 * Source: ISO 12215-5:2008 method, F29.
 */
export function curvatureFactor(crown: number, shortSide: number, record?: Recorder): number {
  const ratio = crown / shortSide;
  const middle = ratio > 0.18 ? 0.5 : 1.1 - 3.33 * ratio;
  const kC = ratio <= 0.03 ? 1 : middle;
  record?.({
    quantity: 'Curvature factor',
    symbol: 'k_C',
    formula: '1.1 - 3.33\\,c/b',
    inputs: [put('c', crown, 'm'), put('b', shortSide, 'm')],
    value: kC,
    unit: '',
    source: cite('F29'),
    note: '1 up to c/b = 0.03, 0.5 above 0.18.',
  });
  return kC;
}
