import type { BufferGeometry, Object3D } from 'three';
import { OBJLoader } from 'three/addons/loaders/OBJLoader.js';
import { STLLoader } from 'three/addons/loaders/STLLoader.js';
import { z } from 'zod';
import { KeramosError } from '@/core/error';
import type { Triangles } from '@/core/geometry';
import { MOST_TRIANGLES, surveyObjText, surveyStlText } from './surveyMesh';

/**
 * How the mesh lies: its unit, which axis points to the bow and which up, and where the aft end of the waterline and
 * the baseline are (m, after scaling).
 */
export const meshPlacementSchema = z.object({
  unit: z.enum(['m', 'mm', 'cm', 'in', 'ft']),
  forward: z.enum(['+x', '-x', '+y', '-y', '+z', '-z']),
  up: z.enum(['+x', '-x', '+y', '-y', '+z', '-z']),
});
export type MeshPlacement = z.infer<typeof meshPlacementSchema>;

export const MESH_LIMIT = 30 * 1024 * 1024;
const UNITS: Record<MeshPlacement['unit'], number> = { m: 1, mm: 1e-3, cm: 1e-2, in: 0.0254, ft: 0.3048 };
const AXES = { x: 0, y: 1, z: 2 } as const;
const refused = (message: string) => new KeramosError('malformed', message, 'file');

/** A binary STL is exactly as long as its count of triangles says. */
function readStl(bytes: Uint8Array): BufferGeometry {
  const buffer = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer;
  const text = new TextDecoder('latin1').decode(bytes.subarray(0, 600));
  const ascii = /^\s*solid/.test(text) && /facet/.test(text);
  if (!ascii) {
    if (bytes.byteLength < 134) throw refused('This is no STL file: it is too short to hold a triangle');
    const count = new DataView(buffer).getUint32(80, true);
    if (bytes.byteLength < 84 + 50 * count || count === 0)
      throw refused(
        `This STL file is cut off or damaged: it announces ${count} triangles, ` +
          `and holds ${Math.floor((bytes.byteLength - 84) / 50)}`,
      );
    if (count > MOST_TRIANGLES)
      throw new KeramosError(
        'tooLarge',
        `The mesh has ${count} triangles; at most ${MOST_TRIANGLES} are read. Export it coarser`,
        'file',
      );
  }
  if (ascii) surveyStlText(new TextDecoder('latin1').decode(bytes));
  return new STLLoader().parse(buffer);
}

function positionsOf(bytes: Uint8Array, name: string): Float32Array {
  if (/\.stl$/i.test(name)) {
    const geometry = readStl(bytes);
    return geometry.getAttribute('position')?.array as Float32Array;
  }
  if (!/\.obj$/i.test(name)) throw refused('A hull mesh must be an STL or OBJ file');
  const text = new TextDecoder('utf-8').decode(bytes);
  surveyObjText(text);
  const positions: number[] = [];
  new OBJLoader().parse(text).traverse((object: Object3D) => {
    const geometry = (object as { geometry?: BufferGeometry }).geometry;
    const own = (geometry?.index ? geometry.toNonIndexed() : geometry)?.getAttribute('position');
    if (own && (object as { isMesh?: boolean }).isMesh) for (const value of own.array) positions.push(value);
  });
  return Float32Array.from(positions);
}

/**
 * Triangles of an STL or OBJ file, turned to x forward, y to port, z up, in metres, its aft end at x = 0 and its
 * lowest point at z = 0.
 *
 * @throws KeramosError `malformed`, `tooLarge` or `invalid` in words.
 */
export function readMesh(bytes: Uint8Array, name: string, { unit, forward, up }: MeshPlacement): Triangles {
  const [fAxis, uAxis] = [AXES[forward[1] as 'x'], AXES[up[1] as 'x']];
  if (fAxis === uAxis)
    throw new KeramosError('invalid', 'The axis to the bow and the axis up must be two different ones', 'placement');
  let positions: Float32Array;
  try {
    positions = positionsOf(bytes, name);
  } catch (error) {
    if (error instanceof KeramosError) throw error;
    throw refused(`The mesh cannot be read: ${(error as Error).message.slice(0, 120)}`);
  }
  if (!positions || positions.length < 9 || positions.length % 9 !== 0) throw refused('The mesh holds no triangles');
  if (positions.length / 9 > MOST_TRIANGLES)
    throw new KeramosError(
      'tooLarge',
      `The mesh has ${positions.length / 9} triangles; at most ${MOST_TRIANGLES} are read. Export it coarser`,
      'file',
    );
  const sAxis = 3 - fAxis - uAxis;
  const scale = UNITS[unit];
  const [f, u] = [forward.startsWith('-') ? -scale : scale, up.startsWith('-') ? -scale : scale];
  const triangles = new Float64Array(positions.length);
  let [aft, low] = [Infinity, Infinity];
  for (let i = 0; i < positions.length; i += 3) {
    triangles[i] = f * positions[i + fAxis]!;
    triangles[i + 1] = scale * positions[i + sAxis]!;
    triangles[i + 2] = u * positions[i + uAxis]!;
    aft = Math.min(aft, triangles[i]!);
    low = Math.min(low, triangles[i + 2]!);
  }
  for (let i = 0; i < triangles.length; i += 3) {
    triangles[i] = triangles[i]! - aft;
    triangles[i + 2] = triangles[i + 2]! - low;
  }
  return triangles;
}
