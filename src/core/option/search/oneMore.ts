import type { GridAnswer } from './optimisePart';

/** What more of the objective buys in a zone: the next stack that holds more. */
export interface OneMore {
  zone: string;
  /** What it comes to more, in the units of the objective. */
  more: number;
  from: number;
  to: number;
}

/**
 * In every zone the stack that gains the most reserve for each kilogram (or unit of money) more, among those that were
 * found to hold; zones in which none does are left out.
 *
 * @returns the greatest gain per unit first.
 */
export function oneMore({ fronts, binding, rows }: Pick<GridAnswer, 'fronts' | 'binding' | 'rows'>): OneMore[] {
  const gain = ({ more, from, to }: OneMore) => (to - from) / more;
  return binding
    .flatMap(({ zone, reserveFactor: from }): OneMore[] => {
      const laid = rows.get(zone);
      const found = fronts.get(zone)?.found ?? [];
      const own = found.find((one) => laid && one.rows.join() === laid.join());
      if (!own) return [];
      const better = found
        .filter(({ value, reserveFactor }) => value > own.value * (1 + 1e-9) && reserveFactor > from * (1 + 1e-6))
        .map(({ value, reserveFactor: to }): OneMore => ({ zone, more: value - own.value, from, to }));
      return better.sort((a, b) => gain(b) - gain(a)).slice(0, 1);
    })
    .sort((a, b) => gain(b) - gain(a));
}
