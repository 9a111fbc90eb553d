/** Bending stiffness of a wall of a stiffener (N·m), its first direction along the stiffener. */
export interface WallStiffness {
  D11: number;
  D12: number;
  D22: number;
  D66: number;
}

/**
 * Compression at which a long wall between two others buckles (N/m), its edges simply supported.
 *
 * @param breadth of the wall (m).
 * @example crownBuckling({ D11: 1, D12: 0.3, D22: 1, D66: 0.35 }, 1) // 4 π²
 * Source: Lekhnitskii, Anisotropic Plates: 2 π² (√(D11 D22) + D12 + 2 D66) / b².
 */
export const crownBuckling = ({ D11, D12, D22, D66 }: WallStiffness, breadth: number): number =>
  (2 * Math.PI ** 2 * (Math.sqrt(D11 * D22) + D12 + 2 * D66)) / breadth ** 2;

/**
 * Compression at the free edge of a flat bar at which it turns over about its foot (N/m), the compression growing from
 * nothing there: 16 D66 / h². Whatever the foot holds of it helps.
 *
 * Derived: w = φ(x) y stores 2 D66 φ'² a metre and breadth, N (y/h) does ½ φ'² N h³/4 of work. Even compression
 * gives 12 D66 / h² (Timoshenko & Gere, Theory of Elastic Stability, ch. 9).
 * @param height m. @example edgeBuckling({ D66: 0.35 }, 1) // 5.6, that is 0.57 π² of a stiffness of 1
 */
export const edgeBuckling = ({ D66 }: Pick<WallStiffness, 'D66'>, height: number): number => (16 * D66) / height ** 2;

/**
 * Shear flow at which a long wall buckles (N/m), its long edges simply supported.
 *
 * @param breadth across the stiffener (m).
 * @example webBuckling({ D11: 1, D12: 0.3, D22: 1, D66: 0.35 }, 1) // 52.7, that is 5.34 π²
 * Source: Seydel (1933), by θ = √(D11 D22) / (D12 + 2 D66).
 */
export function webBuckling({ D11, D12, D22, D66 }: WallStiffness, breadth: number): number {
  const H = D12 + 2 * D66;
  const theta = Math.sqrt(D11 * D22) / H;
  const flow =
    theta >= 1
      ? Math.sqrt(Math.sqrt(D11 * D22) * D22) * (8.125 + 5.05 / theta)
      : Math.sqrt(D22 * H) * (11.7 + 0.532 * theta + 0.938 * theta ** 2);
  return (4 * flow) / breadth ** 2;
}
