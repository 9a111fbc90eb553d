import { put, type Recorder } from '../../working';
import { cite, SMALL_CRAFT_PACK } from './pack';

/** The loaded member: a panel by its sides, or a stiffener by spacing and span (m). */
export type Member =
  | { kind: 'panel'; shortSide: number; longSide: number; construction: 'single' | 'sandwich' }
  | { kind: 'stiffener'; spacing: number; span: number };

/**
 * Area reduction factor k_AR of a panel or stiffener.
 *
 * k_AR = k_R · 0.1 m^0.15 / A_D^0.3, at most 1 and at least the pack's minimum for the construction.
 *
 * @param planing k_R is 1 in planing mode, otherwise it falls with the size of the member.
 * @example areaReduction({ kind: 'panel', shortSide: 0.38, longSide: 0.9, construction: 'single' },
 * { loadedMass: 3600, planing: true })
 * // 0.4712
 * Source: ISO 12215-5:2008 method, F8 to F11.
 */
export function areaReduction(
  member: Member,
  { loadedMass, planing }: { loadedMass: number; planing: boolean },
  record?: Recorder,
  pack = SMALL_CRAFT_PACK,
): number {
  const panel = member.kind === 'panel';
  const short = panel ? Math.min(member.shortSide, member.longSide) : member.spacing;
  const long = panel ? Math.max(member.shortSide, member.longSide) : member.span;
  const designArea = panel ? Math.min(long * short, 2.5 * short ** 2) : Math.max(long * short, 0.33 * long ** 2);
  const displacementFactor = panel ? 1.5 - 0.3 * short : 1 - 0.2 * long;
  const kR = planing ? 1 : displacementFactor;
  const minimum = pack.areaReductionMinimum[panel ? member.construction : 'stiffener'];
  const kAR = Math.min(1, Math.max(minimum, (kR * 0.1 * loadedMass ** 0.15) / designArea ** 0.3));

  record?.({
    quantity: 'Area reduction factor',
    symbol: 'k_{AR}',
    formula: 'k_R\\,\\frac{0.1\\,m^{0.15}}{A_D^{0.3}}',
    inputs: [put('k_R', kR), put('m', loadedMass, 'kg'), put('A_D', designArea, 'm²')],
    value: kAR,
    unit: '',
    source: cite('F8 to F11'),
    note: `Not below ${minimum}, not above 1.`,
  });
  return kAR;
}
