import { TO_P95 } from './combine';
import type { Mass, MassScatter } from './masses';

/** What makes a total uncertain. */
export const SCATTER_SOURCES: Readonly<Record<keyof MassScatter, string>> = {
  fibre: 'fibre fraction',
  core: 'density of cores',
  film: 'thickness of films',
  own: 'areas and estimates',
};

export interface MassBand {
  mass: number;
  standardDeviation: number;
  p05: number;
  p95: number;
  /** One standard deviation by each source (kg), the largest first. */
  sources: { source: keyof MassScatter; standardDeviation: number }[];
  /** Share of the variance that each mass brings, the largest first. */
  carriers: { id: string; name: string; share: number }[];
}

const ALIKE = ['fibre', 'core', 'film'] as const;

/**
 * The band of a total: fibre fraction, density of cores and thickness of films are off alike all over a boat (one
 * process, one delivery, one gun), so that they add; areas and estimates are off each on its own, so that their squares
 * do.
 *
 * @param share of each mass that counts; 1 unless given.
 */
export function massBand(masses: readonly Mass[], share: (mass: Mass) => number = () => 1): MassBand {
  const counted = masses.map((one) => ({ one, part: share(one) })).filter(({ part }) => part !== 0);
  const mass = counted.reduce((sum, { one, part }) => sum + part * one.mass, 0);
  const together = Object.fromEntries(
    ALIKE.map((source) => [source, counted.reduce((sum, { one, part }) => sum + part * one.scatter[source], 0)]),
  ) as Record<(typeof ALIKE)[number], number>;
  const own = Math.hypot(...counted.map(({ one, part }) => part * one.scatter.own));
  const standardDeviation = Math.hypot(...ALIKE.map((source) => together[source]), own);
  const variance = standardDeviation ** 2;
  const sources = [
    ...ALIKE.map((source) => ({ source, standardDeviation: Math.abs(together[source]) })),
    { source: 'own' as const, standardDeviation: own },
  ];
  const carriers = counted.map(({ one, part }) => {
    const alike = ALIKE.reduce((sum, source) => sum + part * one.scatter[source] * together[source], 0);
    const brought = alike + (part * one.scatter.own) ** 2;
    return { id: one.id, name: one.name, share: variance > 0 ? brought / variance : 0 };
  });
  return {
    mass,
    standardDeviation,
    p05: mass - TO_P95 * standardDeviation,
    p95: mass + TO_P95 * standardDeviation,
    sources: sources.sort((a, b) => b.standardDeviation - a.standardDeviation),
    carriers: carriers.sort((a, b) => b.share - a.share),
  };
}
