import type { Resin } from '../../material';

/** Temperatures between which pot lives are told (°C), and beyond which they are no more than a guess. */
export const TOLD = { low: 15, high: 25 };
export const GUESS = { low: 12, high: 32 };

/**
 * Pot life at a temperature (s): as steep as between the two at which it is told.
 *
 * Derived: a rate that grows by the same factor each 10 degrees; exact at 15 and 25 °C.
 */
export const potLifeAt = ({ potLife15, potLife25 }: Resin, celsius: number): number =>
  potLife15.value * (potLife25.value / potLife15.value) ** ((celsius - TOLD.low) / (TOLD.high - TOLD.low));

/** Of what is told at 25 °C alone (s): as steep as the boat's resin. */
export const potLifeFrom25 = (seconds: number, resin: Resin, celsius: number): number =>
  (seconds * potLifeAt(resin, celsius)) / resin.potLife25.value;
