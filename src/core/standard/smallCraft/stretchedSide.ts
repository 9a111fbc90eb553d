import { put, type Recorder } from '../../working';
import { cite } from './pack';

/**
 * Long side of the isotropic panel that bends across as an orthotropic one does (m): l' = l (D_b/D_l)^¼. A laminate
 * that is stiffer along the panel than across it leaves the side as it is, which is cautious.
 *
 * @param longSide m. @param stiffness bending stiffness across the panel and along it (N m).
 * @example stretchedSide({ longSide: 1.4, stiffness: { across: 2, along: 1 } }) // 1.665
 * Source: ISO 12215-5:2008 method, F33; affine transformation, Timoshenko & Woinowsky-Krieger art. 85.
 */
export function stretchedSide(
  { longSide, stiffness: { across, along } }: { longSide: number; stiffness: { across: number; along: number } },
  record?: Recorder,
): number {
  if (across <= along) return longSide;
  const stretched = longSide * (across / along) ** 0.25;
  record?.({
    quantity: 'Long side of the panel that bends alike both ways',
    symbol: "l'",
    formula: 'l\\sqrt[4]{D_b/D_l}',
    inputs: [put('l', longSide, 'm'), put('D_b', across, 'N m'), put('D_l', along, 'N m')],
    value: stretched,
    unit: 'm',
    source: cite('F33'),
  });
  return stretched;
}
