import type { Patch, Point } from '../../geometry';

const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const angleBetween = (a: Point, b: Point): number => {
  const dot = a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  const size = Math.hypot(...a) * Math.hypot(...b);
  return size < 1e-18 ? 0 : Math.acos(Math.max(-1, Math.min(1, dot / size)));
};

/** How far a cloth has to shear over a patch (degrees): at the nodes of a grid, and the most of it. */
export interface Shear {
  most: number;
  /** Rows along v of values along u, of the grid's cells' corners; positive where the surface is domed. */
  grid: number[][];
}

/**
 * Shear of a pin-jointed net laid on a surface, its two middle yarns along the patch's own directions and unsheared.
 *
 * Over a net of crossing yarns the angle between them changes by the curvature that lies within: the shear at a corner
 * is the whole Gaussian curvature between it and the middle yarns (Hazzidakis' formula for Chebyshev nets). The
 * curvature of a grid's node is what the angles round it lack of a full turn. Exact as the grid gets finer; on a
 * surface that can be developed it is nothing.
 *
 * @example shearOf(patchOfSphere).most // side²/(4R²) rad for a small square
 */
export function shearOf({ at }: Patch, along = 24, across = 12): Shear {
  const points = Array.from({ length: across + 1 }, (_, j) =>
    Array.from({ length: along + 1 }, (_, i) => at(i / along, j / across)),
  );
  const point = (i: number, j: number) => points[j]![i]!;
  const defect = (i: number, j: number): number => {
    const centre = point(i, j);
    const ring = [
      point(i + 1, j),
      point(i + 1, j + 1),
      point(i, j + 1),
      point(i - 1, j + 1),
      point(i - 1, j),
      point(i - 1, j - 1),
      point(i, j - 1),
      point(i + 1, j - 1),
    ];
    const arms = ring.map((p) => minus(p, centre));
    if (arms.some((arm) => Math.hypot(...arm) < 1e-6)) return 0;
    return 2 * Math.PI - arms.reduce((sum, arm, k) => sum + angleBetween(arm, arms[(k + 1) % 8]!), 0);
  };
  const curvature = Array.from({ length: across + 1 }, (_, j) =>
    Array.from({ length: along + 1 }, (_, i) => (i > 0 && i < along && j > 0 && j < across ? defect(i, j) : 0)),
  );
  const [mi, mj] = [along / 2, across / 2];
  const grid = curvature.map((row) => row.map(() => 0));
  let most = 0;
  for (let j = 0; j <= across; j++)
    for (let i = 0; i <= along; i++) {
      let sum = 0;
      for (let q = Math.min(j, mj); q <= Math.max(j, mj); q++)
        for (let p = Math.min(i, mi); p <= Math.max(i, mi); p++) {
          // A node on the middle yarn or on the edge of the rectangle lies in it by half.
          const share = (p === mi || p === i ? 0.5 : 1) * (q === mj || q === j ? 0.5 : 1);
          sum += share * curvature[q]![p]!;
        }
      const degrees = ((i === mi || j === mj ? 0 : sum) * 180) / Math.PI;
      grid[j]![i] = degrees;
      most = Math.max(most, Math.abs(degrees));
    }
  return { most, grid };
}
