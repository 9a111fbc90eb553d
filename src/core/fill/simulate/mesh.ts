import Delaunator from 'delaunator';
import { signedArea, type FlatPoint } from '../../geometry';

/** A flat part in triangles. */
export interface FillMesh {
  x: Float64Array;
  y: Float64Array;
  /** Three nodes of each triangle. */
  triangles: Int32Array;
  /** Size of an edge (m). */
  size: number;
}

export interface MeshInput {
  outline: readonly FlatPoint[];
  holes: readonly (readonly FlatPoint[])[];
  /** Lines that nodes lie on: feed lines, vents, edges of regions. */
  lines: readonly (readonly FlatPoint[])[];
  /** Points that are nodes; a radius has rings of nodes about it, finer towards it. */
  points: readonly { at: FlatPoint; radius: number }[];
  /** Triangles, about. */
  cells: number;
}

/** Whether a point lies in an outline. */
export const inside = (outline: readonly FlatPoint[], x: number, y: number): boolean => {
  let odd = false;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [ax, ay] = outline[i]!;
    const [bx, by] = outline[j]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) odd = !odd;
  }
  return odd;
};

/** Points along a line no further apart than a size, both ends among them. */
function along(line: readonly FlatPoint[], size: number, closed: boolean): FlatPoint[] {
  const points: FlatPoint[] = [];
  const last = closed ? line.length : line.length - 1;
  for (let i = 0; i < last; i++) {
    const [[ax, ay], [bx, by]] = [line[i]!, line[(i + 1) % line.length]!];
    const parts = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / size - 1e-9));
    for (let k = 0; k < parts; k++) points.push([ax + ((bx - ax) * k) / parts, ay + ((by - ay) * k) / parts]);
  }
  if (!closed) points.push(line.at(-1)!);
  return points;
}

/** Points that keep a distance from each other, found by the square of a grid that they lie in. */
class Spread {
  readonly points: FlatPoint[] = [];
  private readonly grid = new Map<number, number[]>();
  constructor(private readonly cell: number) {}
  private key = (i: number, j: number) => i * 1_000_003 + j;
  /** Whether any point lies nearer than this. */
  near([x, y]: FlatPoint, distance: number): boolean {
    const [i, j] = [Math.floor(x / this.cell), Math.floor(y / this.cell)];
    const reach = Math.ceil(distance / this.cell);
    for (let a = i - reach; a <= i + reach; a++)
      for (let b = j - reach; b <= j + reach; b++)
        for (const at of this.grid.get(this.key(a, b)) ?? []) {
          const [u, v] = this.points[at]!;
          if ((u - x) ** 2 + (v - y) ** 2 < distance ** 2) return true;
        }
    return false;
  }
  add(point: FlatPoint): void {
    const key = this.key(Math.floor(point[0] / this.cell), Math.floor(point[1] / this.cell));
    this.grid.set(key, [...(this.grid.get(key) ?? []), this.points.length]);
    this.points.push(point);
  }
}

/** Nodes on a circle, at least; and how near nodes may come to each other, as shares of the size. */
const ROUND = 16;
const APART = { line: 0.3, rim: 0.3, inner: 0.62 };
/** So near on lines that no edge of the triangulation crosses one between two of its nodes. */
const ON_LINES = 0.7;

/**
 * A part with holes in triangles of about one size, nodes on its edges and on lines, rings about points: the Delaunay
 * triangulation of nodes on edges and a lattice between them, of which what lies outside is left off.
 */
export function fillMesh({ outline, holes, lines, points, cells }: MeshInput): FillMesh {
  const area = Math.abs(signedArea(outline)) - holes.reduce((sum, hole) => sum + Math.abs(signedArea(hole)), 0);
  const size = Math.sqrt((4 * area) / (Math.sqrt(3) * cells));
  const within = (x: number, y: number) => inside(outline, x, y) && !holes.some((hole) => inside(hole, x, y));
  const spread = new Spread(size);
  const put = (point: FlatPoint, apart: number) => {
    if (!spread.near(point, apart)) spread.add(point);
  };
  const rims = [outline, ...holes];
  for (const ring of rims) for (const corner of ring) put(corner, 1e-9);
  // Lines before rims: where a line ends on a rim the node is the line's.
  for (const line of lines) for (const point of along(line, ON_LINES * size, false)) put(point, APART.line * size);
  for (const ring of rims) for (const point of along(ring, ON_LINES * size, true)) put(point, APART.rim * size);
  for (const { at, radius } of points) {
    put(at, 1e-6 * size);
    if (radius <= 0) continue;
    let step = Math.min(size, (2 * Math.PI * radius) / ROUND);
    for (let r = radius; step < size || r === radius; r += step) {
      step = Math.min(size, (2 * Math.PI * r) / ROUND);
      const count = Math.max(ROUND, Math.ceil((2 * Math.PI * r) / step));
      for (let k = 0; k < count; k++) {
        const angle = (2 * Math.PI * (k + (r === radius ? 0 : 0.5))) / count;
        const [x, y] = [at[0] + r * Math.cos(angle), at[1] + r * Math.sin(angle)];
        if (within(x, y)) put([x, y], 0.5 * step);
      }
    }
  }
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const row = (size * Math.sqrt(3)) / 2;
  for (let j = 0; y0 + j * row <= y1; j++)
    for (let i = 0; x0 + i * size <= x1; i++) {
      const [x, y] = [x0 + (i + (j % 2) / 2) * size, y0 + j * row];
      if (within(x, y)) put([x, y], APART.inner * size);
    }
  const nodes = spread.points;
  const flat = new Float64Array(2 * nodes.length);
  nodes.forEach(([x, y], i) => flat.set([x, y], 2 * i));
  const { triangles } = new Delaunator(flat);
  const kept: number[] = [];
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
    const [ax, ay, bx, by, cx, cy] = [
      flat[2 * a]!,
      flat[2 * a + 1]!,
      flat[2 * b]!,
      flat[2 * b + 1]!,
      flat[2 * c]!,
      flat[2 * c + 1]!,
    ];
    const twice = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
    if (Math.abs(twice) < 1e-9 * size * size) continue;
    if (within((ax + bx + cx) / 3, (ay + by + cy) / 3)) kept.push(a, b, c);
  }
  return {
    x: Float64Array.from(nodes, ([x]) => x),
    y: Float64Array.from(nodes, ([, y]) => y),
    triangles: Int32Array.from(kept),
    size,
  };
}
