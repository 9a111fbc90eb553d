import { put, type Recorder } from '../../working';
import { cite } from './pack';

/**
 * Longitudinal pressure factor k_L at a position along the waterline (0 aft, 1 forward).
 *
 * @param nCG dynamic load factor; counts as 3 to 6 here. Displacement and sailing craft take 3.
 * @example longitudinalFactor(0, 3) // 0.501
 * Source: ISO 12215-5:2008 method, F7.
 */
export function longitudinalFactor(position: number, nCG: number, record?: Recorder): number {
  const n = Math.min(6, Math.max(3, nCG));
  const kL = position > 0.6 ? 1 : Math.min(1, ((1 - 0.167 * n) / 0.6) * position + 0.167 * n);
  record?.({
    quantity: 'Longitudinal factor',
    symbol: 'k_L',
    formula: '\\frac{1-0.167\\,n_{CG}}{0.6}\\,\\frac{x}{L_{WL}}+0.167\\,n_{CG}\\le 1',
    inputs: [put('x/L_{WL}', position), put('n_{CG}', n, 'g')],
    value: kL,
    unit: '',
    source: cite('F7'),
    note: 'Here the load factor counts as 3 to 6; forward of 0.6 the factor is 1.',
  });
  return kL;
}
