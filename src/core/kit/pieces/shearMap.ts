import type { Development } from '../../geometry';
import type { At } from '../nest/convexParts';
import type { Shear } from './shear';

/** How far cloth shears at a place of a flat outline (degrees). */
export interface ShearAt {
  at: At;
  degrees: number;
}

/** A slit from the edge, where cloth cannot follow: its two sides lap, or open and take a gusset. */
export interface Dart {
  from: At;
  to: At;
  /** By how much its sides turn against each other. */
  degrees: number;
  laps: boolean;
}

const mixed = ([a, b]: At, [c, d]: At, t: number): At => [a + (c - a) * t, b + (d - b) * t];

/** Where a place of the surface lies on its development. */
function flatPlace({ stations }: Development, u: number, v: number): At {
  const after = Math.max(
    1,
    stations.findIndex((one) => one.u >= u - 1e-9),
  );
  const [a, b] = [stations[after - 1]!, stations[after]!];
  const t = Math.min(1, Math.max(0, (u - a.u) / Math.max(b.u - a.u, 1e-12)));
  return mixed(mixed(a.lower, b.lower, t), mixed(a.upper, b.upper, t), v);
}

/** Every other node of the net is drawn. */
const EVERY = 2;

/** The shear of a net where it comes to lie flat; nothing of a surface in one plane. */
export function shearMap(development: Development, { grid }: Shear): ShearAt[] {
  if (development.stations.length < 2) return [];
  const [rows, columns] = [grid.length - 1, grid[0]!.length - 1];
  return grid.flatMap((row, j) =>
    j % EVERY > 0
      ? []
      : row.flatMap((degrees, i) =>
          i % EVERY > 0 ? [] : [{ at: flatPlace(development, i / columns, j / rows), degrees: Math.abs(degrees) }],
        ),
  );
}

/**
 * Darts for a net that shears beyond what its cloth can: in each quarter that does, a slit from its edge where the
 * shear along it first passes the limit, as deep as the shear at the quarter's end does. Beyond the slit the cloth is
 * laid anew, turned by what is too much.
 *
 * Where the surface is domed the sides lap; where it is a saddle they open. A proposal: tried on the mould.
 */
export function dartsFor(development: Development, { grid }: Shear, limit: number): Dart[] {
  if (development.stations.length < 2) return [];
  const [rows, columns] = [grid.length - 1, grid[0]!.length - 1];
  const [midRow, midColumn] = [rows / 2, columns / 2];
  return [
    [1, 1],
    [1, -1],
    [-1, 1],
    [-1, -1],
  ].flatMap(([along, across]): Dart[] => {
    const edge = across! > 0 ? rows : 0;
    const end = along! > 0 ? columns : 0;
    const most = grid[edge]![end]!;
    if (Math.abs(most) <= limit) return [];
    let i = midColumn;
    while (i !== end && Math.abs(grid[edge]![i]!) <= limit) i += along!;
    let j = edge;
    while (j !== midRow && Math.abs(grid[j]![end]!) > limit) j -= across!;
    return [
      {
        from: flatPlace(development, i / columns, edge / rows),
        to: flatPlace(development, i / columns, j / rows),
        degrees: Math.abs(most) - limit,
        laps: most > 0,
      },
    ];
  });
}
