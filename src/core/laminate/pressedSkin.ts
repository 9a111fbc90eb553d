import type { Vector3 } from './ply';

/**
 * Principal stresses in a plane (Pa) and the direction of the lesser, which presses most (degrees from x).
 *
 * @param stress along x, along y, shear. @example principalStress([0, 0, 5]) // { most: 5, least: -5, leastDeg: -45 }
 * Source: Mohr's circle.
 */
export function principalStress([sx, sy, sxy]: Vector3): { most: number; least: number; leastDeg: number } {
  const [middle, radius] = [(sx + sy) / 2, Math.hypot((sx - sy) / 2, sxy)];
  const mostDeg = (Math.atan2(2 * sxy, sx - sy) / 2) * (180 / Math.PI);
  return { most: middle + radius, least: middle - radius, leastDeg: mostDeg > 0 ? mostDeg - 90 : mostDeg + 90 };
}

const STEPS = 30;

/**
 * Reserve of a skin that is pressed two ways at once: λ with λ R₁ + (λ R₂)ⁿ = 1, R₁ the greater share of what it
 * bears one way alone.
 *
 * @param shares of what it bears alone along each principal direction; 0 or less where it is pulled.
 * @param power 3 for wrinkling, 1 for dimpling between cells. @returns Infinity where nothing presses it.
 * @example pressedReserve([0.5, 0.5], 3) // 1.365: alike both ways it bears 0.68 of what it bears one way
 * Source: Sullins, Smith & Spier, NASA CR-1457 (1969), wrinkling under biaxial compression.
 */
export function pressedReserve(shares: readonly [number, number], power: 1 | 3): number {
  const [less, more] = [Math.max(0, Math.min(...shares)), Math.max(...shares)];
  if (more <= 0) return Infinity;
  let reserve = 1 / more;
  for (let i = 0; i < STEPS; i++) {
    const over = reserve * more + (reserve * less) ** power - 1;
    reserve -= over / (more + power * less ** power * reserve ** (power - 1));
  }
  return reserve;
}
