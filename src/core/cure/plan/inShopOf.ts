import type { CurePlan } from '../../document';

/** Of a schedule, what the temperature of the shop has a part in. */
type Air = Pick<CurePlan, 'place' | 'start' | 'steps'>;

/**
 * The same schedule in a shop of another temperature (°C): what is no warmer than the part was at the start is the
 * shop's own air and goes with it; what a tent or an oven heats stays, unless the shop itself is warmer.
 *
 * Nothing heats a part that stands in the open shop: all of its air goes with a colder one.
 */
export function inShopOf<T extends Air>(celsius: number, plan: T): T {
  const { place, start, steps } = plan;
  const shops = (air: number) => place === 'shop' || air <= start;
  const colder = (air: number) => (shops(air) ? Math.min(air, celsius) : air);
  const moved = (air: number) => (celsius >= start ? Math.max(air, celsius) : colder(air));
  return { ...plan, start: celsius, steps: steps.map((step) => ({ ...step, to: moved(step.to) })) };
}
