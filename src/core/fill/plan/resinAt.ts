import { potLifeAt } from '../../kit';
import type { Resin } from '../../material';
import type { Filling } from '../filling';

/** How a resin flows from when its clamp is opened. */
export interface ResinFlow {
  /** Pa·s at the open clamp; it grows by e^(rate·t), rate in 1/s. */
  viscosity: number;
  rate: number;
  /** s left of the pot life at the open clamp; 0 where it gels before. */
  life: number;
}

/**
 * Viscosity at a temperature (Pa·s): as steep as between the two at which it is told, 15 and 25 °C.
 *
 * Derived: falls by the same factor each 10 degrees; exact at both.
 */
export const viscosityAt = ({ viscosity15, viscosity25 }: Resin, celsius: number): number =>
  viscosity15.value * (viscosity25.value / viscosity15.value) ** ((celsius - 15) / 10);

/**
 * A resin at the shop's temperature, with what it has aged since it was mixed. Where its maker tells no viscosity in
 * time, it is taken to be `thickening` times as thick at its pot life, growing by the same share each minute.
 *
 * @param potLife times that of the resin on the Shelf, by its hardener.
 */
export function resinFlowAt(
  resin: Resin,
  { celsius, potLife }: { celsius: number; potLife: number },
  { thickening, lead }: Pick<Filling, 'thickening' | 'lead'>,
): ResinFlow {
  const life = potLifeAt(resin, celsius) * potLife;
  const rate = Math.log(thickening) / life;
  return { viscosity: viscosityAt(resin, celsius) * Math.exp(rate * lead), rate, life: Math.max(0, life - lead) };
}
