import { put } from '../../working';
import type { Trace } from './check';

/**
 * Moment in the middle of a clamped panel over that at its edge, in the other sense: 0.45 of a square, half of a long
 * one, along either side. Source: Timoshenko & Woinowsky-Krieger, table 35.
 */
export const MIDDLE = 0.5;

/** Write down the moment along the long side: N, lengths m, stiffness N m. */
export function traceAlong(
  trace: Trace | undefined,
  found: {
    P: number;
    b: number;
    l: number;
    kC: number;
    stiffness: { across: number; along: number };
    moment: number;
  },
): void {
  const { P, b, l, kC, stiffness, moment } = found;
  trace?.(
    'requirement',
    {
      quantity: 'Bending moment at the short edge',
      symbol: 'M_l',
      formula: 'k_C^2\\,0.0571\\,P b^2\\sqrt{D_l/D_b}',
      inputs: [
        put('k_C', kC),
        put('P', P, 'Pa'),
        put('b', b, 'm'),
        put('l', l, 'm'),
        put('D_b', stiffness.across, 'N m'),
        put('D_l', stiffness.along, 'N m'),
      ],
      value: moment,
      unit: 'N',
      source: 'Clamped orthotropic plate, Timoshenko & Woinowsky-Krieger',
      note: 'Where l (D_b/D_l)^¼ is less than b, the panel carries the long way: k_2 P l²/6.',
    },
    'alongSide',
  );
}
