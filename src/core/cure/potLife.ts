import { invalid } from '../error';

/** J/(mol·K) */
export const GAS_CONSTANT = 8.314462618;
const KELVIN = 273.15;
export const kelvin = (celsius: number): number => celsius + KELVIN;

/**
 * Pot life at a temperature from two that are told, by Arrhenius' law: ln t = const + E/(R T).
 *
 * @param points two of different temperature. @returns minutes, and the activation energy that they imply (J/mol).
 * @throws KeramosError `invalid` for two of one temperature.
 * @example potLifeByArrhenius([{ celsius: 20, minutes: 35 }, { celsius: 25, minutes: 22 }], 30).minutes // 14.0
 */
export function potLifeByArrhenius(
  [a, b]: readonly [{ celsius: number; minutes: number }, { celsius: number; minutes: number }],
  celsius: number,
): { minutes: number; activationEnergy: number } {
  if (a.celsius === b.celsius) throw invalid('points', 'The two points must be told at different temperatures');
  const [ta, tb] = [1 / kelvin(a.celsius), 1 / kelvin(b.celsius)];
  const activationEnergy = (GAS_CONSTANT * Math.log(a.minutes / b.minutes)) / (ta - tb);
  const minutes = a.minutes * Math.exp((activationEnergy / GAS_CONSTANT) * (1 / kelvin(celsius) - ta));
  return { minutes, activationEnergy };
}
