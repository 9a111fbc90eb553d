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
  /** m³ of pores, m² of the part. */
  volume: Float64Array;
  area: Float64Array;
  blocks: Blocks;
}

/**
 * Linear finite elements on a mesh, as conductances between nodes: what leaves one node enters another, so that mass is
 * kept exactly; the pores of a triangle are shared by its corners.
 */
export function flowNetwork(
  { x, y, triangles, size }: FillMesh,
  flowAt: (x: number, y: number) => FlowAt,
): FlowNetwork {
  const n = x.length;
  const rows: Map<number, number>[] = Array.from({ length: n }, () => new Map<number, number>());
  const [volume, area] = [new Float64Array(n), new Float64Array(n)];
  for (let t = 0; t < triangles.length; t += 3) {
    const nodes = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!] as const;
    const [ax, bx, cx] = nodes.map((i) => x[i]!) as [number, number, number];
    const [ay, by, cy] = nodes.map((i) => y[i]!) as [number, number, number];
    const twice = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
    const own = Math.abs(twice) / 2;
    const { k1, k2, angleDeg, porosity, thickness } = flowAt((ax + bx + cx) / 3, (ay + by + cy) / 3);
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
  return { starts, neighbours, conductance, volume, area, blocks: squareBlocks(x, y, size) };
}
