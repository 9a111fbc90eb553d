import type { FlatPoint, Point } from '../../geometry';
import { squareBlocks, type Blocks } from './blocks';
import type { FillMesh } from './mesh';

/** How resin moves at a place: permeability along two axes (m²), the first at an angle to x; porosity; thickness. */
export interface FlowAt {
  k1: number;
  k2: number;
  angleDeg: number;
  porosity: number;
  thickness: number;
}

/**
 * Nodes that hold resin, and what flows between them: for each pair of neighbours a conductance (m³ for a pressure over
 * viscosity of 1), by rows; the volume and the area of each node.
 */
export interface FlowNetwork {
  starts: Int32Array;
  neighbours: Int32Array;
  conductance: Float64Array;
  /**
   * Of each triangle whose corner is obtuse: that corner, the two places in `conductance` of the edge that faces it,
   * and the share below 0 that the triangle adds there.
   */
  obtuse: { corner: number; places: [number, number]; share: number }[];
  /** m³ of pores, m² of the part. */
  volume: Float64Array;
  area: Float64Array;
  /** m above any level. */
  height: Float64Array;
  blocks: Blocks;
}

/** A triangle that is run out to nothing counts as large as this share of the square of an edge. */
const LEAST = 1e-6;

/** Where a place of the flat picture lies on the boat. */
export type Lift = (x: number, y: number) => Point;

/**
 * A triangle laid flat at its true size, its first axis along the picture's x: corner by corner, m.
 *
 * The way along x follows from the triangle itself: its edges are the picture's edges times how the picture is bent.
 */
function laidFlat(flat: readonly FlatPoint[], points: readonly Point[]): FlatPoint[] {
  const [a, b, c] = flat as [FlatPoint, FlatPoint, FlatPoint];
  const [p, q, r] = points as [Point, Point, Point];
  const [e, f] = [[b[0] - a[0], b[1] - a[1]] as const, [c[0] - a[0], c[1] - a[1]] as const];
  const twice = e[0] * f[1] - f[0] * e[1];
  const [u, v] = [minus(q, p), minus(r, p)];
  // The picture's x as a share of both edges.
  const alongX = sumOf(u, f[1] / twice, v, -e[1] / twice);
  const length = Math.hypot(...alongX);
  const ex = alongX.map((one) => one / Math.max(length, 1e-30)) as unknown as Point;
  const normal = cross(u, v);
  const size = Math.hypot(...normal);
  const turned = cross(normal.map((one) => one / Math.max(size, 1e-30)) as unknown as Point, ex);
  // On the other side of the skin the picture would be mirrored: it is seen as it is drawn.
  const sign = twice < 0 ? -1 : 1;
  return [[0, 0], ...[u, v].map((edge): FlatPoint => [dot(edge, ex), sign * dot(edge, turned)])] as FlatPoint[];
}
const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Point, b: Point) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const sumOf = (a: Point, s: number, b: Point, t: number): Point => [
  s * a[0] + t * b[0],
  s * a[1] + t * b[1],
  s * a[2] + t * b[2],
];
const cross = (a: Point, b: Point): Point => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/**
 * Linear finite elements on a mesh, as conductances between nodes: what leaves one node enters another, so that mass is
 * kept exactly; the pores of a triangle are shared by its corners.
 *
 * @param lift where the picture is one of a surface: areas, ways and heights are taken there.
 */
export function flowNetwork(
  { x, y, triangles, size }: FillMesh,
  flowAt: (x: number, y: number) => FlowAt,
  lift?: Lift,
): FlowNetwork {
  const n = x.length;
  const points = lift && Array.from(x, (_, i) => lift(x[i]!, y[i]!));
  const rows: Map<number, number>[] = Array.from({ length: n }, () => new Map<number, number>());
  const [volume, area] = [new Float64Array(n), new Float64Array(n)];
  const below: { corner: number; ends: [number, number]; share: number }[] = [];
  for (let t = 0; t < triangles.length; t += 3) {
    const nodes = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!] as const;
    const flat = nodes.map((i): FlatPoint => [x[i]!, y[i]!]);
    const onBoat = points && nodes.map((i) => points[i]!);
    const corners = onBoat ? laidFlat(flat, onBoat) : flat;
    const [[ax, ay], [bx, by], [cx, cy]] = corners as [FlatPoint, FlatPoint, FlatPoint];
    const twice = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
    const own = Math.max(Math.abs(twice) / 2, LEAST * size * size);
    const [mx, my] = [0, 1].map((axis) => flat.reduce((sum, corner) => sum + corner[axis]! / 3, 0)) as [number, number];
    const { k1, k2, angleDeg, porosity, thickness } = flowAt(mx, my);
    const [cos, sin] = [Math.cos((angleDeg * Math.PI) / 180), Math.sin((angleDeg * Math.PI) / 180)];
    const [kxx, kyy, kxy] = [k1 * cos * cos + k2 * sin * sin, k1 * sin * sin + k2 * cos * cos, (k1 - k2) * cos * sin];
    // Gradients of the shape functions, times twice the area.
    const gx = [by - cy, cy - ay, ay - by];
    const gy = [cx - bx, ax - cx, bx - ax];
    for (let i = 0; i < 3; i++) {
      volume[nodes[i]!]! += (porosity * thickness * own) / 3;
      area[nodes[i]!]! += own / 3;
      for (let j = i + 1; j < 3; j++) {
        const dot = gx[i]! * (kxx * gx[j]! + kxy * gy[j]!) + gy[i]! * (kxy * gx[j]! + kyy * gy[j]!);
        const flow = (-dot * thickness) / (4 * own);
        const [a, b] = [nodes[i]!, nodes[j]!];
        rows[a]!.set(b, (rows[a]!.get(b) ?? 0) + flow);
        rows[b]!.set(a, (rows[b]!.get(a) ?? 0) + flow);
        if (flow < 0) below.push({ corner: nodes[3 - i - j]!, ends: [a, b], share: flow });
      }
    }
  }
  const starts = new Int32Array(n + 1);
  rows.forEach((row, i) => (starts[i + 1] = starts[i]! + row.size));
  const neighbours = new Int32Array(starts[n]!);
  const conductance = new Float64Array(starts[n]!);
  rows.forEach((row, i) => {
    let at = starts[i]!;
    for (const [j, value] of row) {
      neighbours[at] = j;
      conductance[at++] = value;
    }
  });
  const placeOf = (a: number, b: number) => starts[a]! + neighbours.subarray(starts[a], starts[a + 1]).indexOf(b);
  const obtuse = below.map(({ corner, ends: [a, b], share }) => {
    return { corner, places: [placeOf(a, b), placeOf(b, a)] as [number, number], share };
  });
  const height = Float64Array.from(points ?? [], ([, , z]) => z);
  return { starts, neighbours, conductance, obtuse, volume, area, height, blocks: squareBlocks(x, y, size) };
}
