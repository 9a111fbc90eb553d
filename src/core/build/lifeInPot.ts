import type { BuildPlan } from './plan';

/**
 * Life of a batch in its pot at a temperature (°C), by the plan it is mixed to; between and beyond its temperatures as
 * resin reacts: the same share less for each degree more.
 *
 * Colder than the plan knows it is taken as at the coldest, which is too short; hotter it goes on falling, for a clock
 * that stood still there would ring late.
 *
 * @returns minutes.
 * @example lifeInPot(plan, 40) // half of what it is at 30 °C, where each 10 °C halve it
 * Source: a straight line of the logarithm over the temperature, as potLifeAt has it.
 */
export function lifeInPot({ resin: { potLife } }: Pick<BuildPlan, 'resin'>, celsius: number): number {
  const [coldest] = potLife;
  if (potLife.length < 2 || celsius <= coldest!.celsius) return coldest!.minutes;
  const next = potLife.findIndex((one) => one.celsius >= celsius);
  const after = next < 0 ? potLife.length - 1 : next;
  const [a, b] = [potLife[after - 1]!, potLife[after]!];
  return a.minutes * (b.minutes / a.minutes) ** ((celsius - a.celsius) / (b.celsius - a.celsius));
}
