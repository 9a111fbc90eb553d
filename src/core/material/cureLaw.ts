import { z } from 'zod';
import { bounded, text } from '../field';

const factor = (label: string) => bounded(label, [0, 1e15], '', { hint: '1/s' });
const energy = (label: string) => bounded(label, [0, 1e6], '', { hint: 'J/mol' });
const power = (label: string) => bounded(label, [0, 10]);

/**
 * How a resin hardens: (A1 e^(−E1/RT) + A2 e^(−E2/RT) α^m) (1 − α)^n a second.
 *
 * Source: Kamal & Sourour 1973.
 */
export const cureLawSchema = z.object({
  A1: factor('A1'),
  E1: energy('E1'),
  A2: factor('A2'),
  E2: energy('E2'),
  m: power('m'),
  n: power('n'),
  heat: bounded('Heat of the whole cure', [10_000, 1e6], '', { hint: 'J/kg of resin' }),
  tgFull: bounded('Glass transition when cured through', [20, 300], '°C'),
  source: text('Source', 200),
});
export type CureLaw = z.infer<typeof cureLawSchema>;
