import { invalid } from '../../error';
import { put, type Recorder } from '../../working';
import { formulaSpeed, type Craft } from './craft';
import { cite } from './pack';

/**
 * Dynamic load factor n_CG of a planing motor craft, in g.
 *
 * n_CG1 while it is at most 3; above that the larger of 3 and n_CG2; never above 7. Deadrise counts as 10 to 30°.
 *
 * @throws KeramosError `invalid` when chine beam or deadrise is missing.
 * @example boat A of the reference (7.5 m waterline, 2.2 m chine beam, 3600 kg, 26 kn): 3.231
 * Source: ISO 12215-5:2008 method, F4 to F6. The switch above 3 is the least certain part.
 */
export function dynamicLoadFactor(craft: Craft, record?: Recorder): number {
  if (craft.chineBeam === undefined) throw invalid('craft.chineBeam', 'A planing motor craft needs chineBeam (m)');
  if (craft.deadriseDeg === undefined)
    throw invalid('craft.deadriseDeg', 'A planing motor craft needs deadriseDeg (°)');
  const { waterlineLength: LWL, chineBeam: BC, loadedMass: m } = craft;
  const V = formulaSpeed(craft);
  const beta = Math.min(30, Math.max(10, craft.deadriseDeg));

  const nCG1 = (0.32 * (LWL / (10 * BC) + 0.084) * (50 - beta) * V ** 2 * BC ** 2) / m;
  const nCG2 = (0.5 * V) / m ** 0.17;
  const nCG = nCG1 <= 3 ? nCG1 : Math.min(7, Math.max(3, nCG2));

  record?.({
    quantity: 'Dynamic load factor by running trim',
    symbol: 'n_{CG1}',
    formula: '0.32\\left(\\frac{L_{WL}}{10 B_C}+0.084\\right)(50-\\beta)\\frac{V^2 B_C^2}{m}',
    inputs: [
      put('L_{WL}', LWL, 'm'),
      put('B_C', BC, 'm'),
      put('\\beta', beta, '°'),
      put('V', V, 'kn'),
      put('m', m, 'kg'),
    ],
    value: nCG1,
    unit: 'g',
    source: cite('F4'),
  });
  record?.({
    quantity: 'Dynamic load factor used',
    symbol: 'n_{CG}',
    formula: 'n_{CG1}\\;\\text{if}\\;n_{CG1}\\le 3,\\;\\text{else}\\;\\max(3,\\,0.5 V/m^{0.17})\\le 7',
    inputs: [put('n_{CG1}', nCG1, 'g'), put('n_{CG2}', nCG2, 'g')],
    value: nCG,
    unit: 'g',
    source: cite('F5, F6'),
    note: 'How the method switches above 3 g is the least certain part of it.',
  });
  return nCG;
}
