import type { Core } from './schema';

/**
 * Several cores in one sandwich as the one that is no better than any of them: the least design shear strength (Pa, by
 * the share of its strength that each kind may use), the least moduli (Pa), the widest cells (m). One core is itself.
 *
 * The one named is the one that shears first. Which core lies under which skin is left out, which is cautious.
 *
 * @param cores at least one. @param strengthFactor share of the shear strength that counts, by behaviour.
 * @example weakestCore([foam, honeycomb], pack.coreStrengthFactor).shearModulus.value // the lesser of both
 */
export function weakestCore(cores: readonly Core[], strengthFactor: Readonly<Record<Core['behaviour'], number>>): Core {
  const [first, ...others] = cores;
  if (others.length === 0) return first!;
  const lesser = (pick: (core: Core) => number) => cores.reduce((a, b) => (pick(b) < pick(a) ? b : a));
  const shears = lesser((core) => strengthFactor[core.behaviour] * core.shearStrength.value);
  const cells = cores.flatMap(({ cellSize }) => cellSize ?? []);
  return {
    ...shears,
    compressiveModulus: lesser((core) => core.compressiveModulus.value).compressiveModulus,
    shearModulus: lesser((core) => core.shearModulus.value).shearModulus,
    cellSize: cells.length === 0 ? null : Math.max(...cells),
  };
}
